<script setup lang="ts">
import type { Message } from '@level-stance/core/kernel/message'
import { computed } from 'vue'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { MessageText } from '../glossary/MessageText.ts'
import HowDrawing from '../drawing/HowDrawing.vue'

/** A page with nothing entered: what to read first, how, and what it will then tell. */
const props = defineProps<{ readings: readonly ReadingKey[]; tells: Message }>()
const MOST = 3
/** Whether a small figure shows how it is taken. */
const isDrawn = (key: ReadingKey) => definitionOf(key).drawing !== undefined
/** Those with a drawing first: they are the ones a hand can do at once. */
const first = computed(() => [...props.readings].sort((a, b) => Number(isDrawn(b)) - Number(isDrawn(a))).slice(0, MOST))
function go(key: ReadingKey): void {
  ;(
    document.querySelector<HTMLElement>(`[id^="reading-${key}-left"]`) ?? document.querySelector<HTMLElement>(`[id^="reading-${key}-both"]`)
  )?.focus()
}
</script>

<template>
  <section class="start" aria-label="Where to begin" data-testid="page-start">
    <p><strong>Nothing is read here yet.</strong> <MessageText :of="tells" /></p>
    <p class="small muted">Read first:</p>
    <ol>
      <li v-for="key in first" :key="key">
        <HowDrawing :reading-key="key" />
        <p class="small">
          <a href="#" @click.prevent="go(key)">{{ definitionOf(key).label }}</a><br /><MessageText :of="definitionOf(key).how" />
        </p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.start {
  margin-bottom: 12px;
  padding: 12px;
  border: 1px dashed var(--steel);
  border-radius: 6px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
a {
  color: var(--petrol);
  font-weight: 600;
}
</style>
