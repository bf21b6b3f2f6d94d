<script setup lang="ts">
import { TermWords } from '../glossary/TermWords.ts'
import { usePreferences } from '../data/preferences.ts'

/** A finding as a good colleague would say it. */
defineProps<{
  headline: string
  sentence: string
  sure: string
  speaksFor: readonly string[]
  against: readonly string[]
  /** how heavily it weighs; none = said without a mark */
  weight?: 'first' | 'act' | 'note' | 'fine'
}>()
const preferences = usePreferences()
</script>

<template>
  <article class="finding" :class="weight">
    <p>
      <strong><TermWords :text="preferences.said(headline)" /></strong> <TermWords :text="preferences.said(sentence)" />
    </p>
    <p class="small muted">
      {{ preferences.said(sure) }}
      <template v-if="speaksFor.length > 0">Speaks for it: {{ preferences.said(speaksFor.join('; ')) }}.</template>
      <template v-if="against.length > 0">Speaks against: {{ preferences.said(against.join('; ')) }}.</template>
    </p>
    <slot />
  </article>
</template>

<style scoped>
.finding {
  display: grid;
  gap: 2px;
  padding: 2px 0 8px;
  font-size: 15px;
  line-height: 1.3;
}
.first,
.act,
.note,
.fine {
  margin: 4px 0;
  padding: 4px 0 4px 10px;
  border-left: 3px solid var(--line);
}
.first {
  border-color: var(--brick);
}
.act {
  border-color: var(--amber);
}
.fine {
  border-color: var(--bubble);
}
</style>
