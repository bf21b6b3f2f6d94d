<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { Button } from 'ant-design-vue'
import type { PlausibilityQuestion } from '@level-stance/core/readings/plausibility'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { useVisit } from '../data/visit.ts'

/** A doubt about readings, as a row under the last of them: it covers nothing, and moves no field that was typed before it. */
const props = defineProps<{ question: PlausibilityQuestion }>()
const visit = useVisit()

function acknowledge(): void {
  visit.setVisit({ acknowledged: [...(visit.dossier?.visit.acknowledged ?? []).slice(-150), props.question.id] })
}

/** Exchanges left and right of a reading. */
function swap(key: ReadingKey): void {
  const left = visit.reading(key, 'left')
  const right = visit.reading(key, 'right')
  if (!left || !right) return
  visit.setReading({ ...right, side: 'left' })
  visit.setReading({ ...left, side: 'right' })
}
</script>

<template>
  <article class="question small" role="alert">
    <p><MessageText :of="question.text" /></p>
    <div>
      <Button size="small" @click="acknowledge">{{
        question.about.length > 1 || question.swap ? 'Keep both as typed' : 'Keep as typed'
      }}</Button>
      <Button v-if="question.swap" size="small" @click="swap(question.swap)">Exchange left and right</Button>
    </div>
  </article>
</template>

<style scoped>
.question {
  display: grid;
  gap: 6px;
  margin: 4px 0 8px;
  padding: 8px 10px;
  border: 1px solid var(--amber);
  border-radius: 6px;
  background: var(--panel);
}
.question div {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.question .ant-btn {
  height: auto;
  min-height: 40px;
}
</style>
