<script setup lang="ts">
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import QuestionList from '../stations/measure/QuestionList.vue'
import ReadingRow from './ReadingRow.vue'

/** A station's readings with their heading and what is doubtful about them. */
defineProps<{ keys: readonly ReadingKey[] }>()
</script>

<template>
  <div class="title">
    <h2>Readings</h2>
    <span class="muted small">left</span><span class="muted small">right</span>
  </div>
  <ReadingRow v-for="key in keys" :key="key" :reading-key="key" />
  <QuestionList :about="keys" />
</template>

<style scoped>
.title {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 64px 64px;
  gap: 4px;
  align-items: baseline;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.title span {
  text-align: right;
  padding-right: 8px;
}
</style>
