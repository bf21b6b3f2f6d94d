<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { PlausibilityQuestion } from '@level-stance/core/readings/plausibility'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { useVisit } from '../data/visit.ts'

const props = defineProps<{ about: readonly ReadingKey[] }>()
const visit = useVisit()
const questions = computed(() => visit.asked.filter((question) => question.about.some((key) => props.about.includes(key))))

function acknowledge(question: PlausibilityQuestion): void {
  visit.setVisit({ acknowledged: [...(visit.dossier?.visit.acknowledged ?? []).slice(-150), question.id] })
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
  <!-- At the foot of the column, over its rows: a question that comes moves no row under the hand. -->
  <div class="questions">
    <article v-for="question in questions" :key="question.id" class="question small" role="alert">
      <p><MessageText :of="question.text" /></p>
      <div>
        <Button @click="acknowledge(question)">It is right</Button>
        <Button v-if="question.swap" @click="swap(question.swap)">Exchange left and right</Button>
      </div>
    </article>
  </div>
</template>

<style scoped>
.questions {
  position: sticky;
  z-index: 2;
  bottom: 0;
  max-height: 30vh;
  overflow-y: auto;
}
.question {
  display: grid;
  gap: 8px;
  margin: 10px 0;
  padding: 10px 12px;
  border: 1px solid var(--amber);
  border-radius: 6px;
  background: var(--panel);
}
.question div {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
