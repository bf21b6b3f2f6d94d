<script setup lang="ts">
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { usePaintedFirst } from '../composables/painted.ts'
import QuestionList from './QuestionList.vue'
import ReadingRow from './ReadingRow.vue'

/** A station's readings with their heading and what is doubtful about them. */
const props = defineProps<{ keys: readonly ReadingKey[] }>()
const { shown } = usePaintedFirst(() => props.keys, 12)
</script>

<template>
  <div class="readings-head">
    <h2>Readings</h2>
    <span class="muted small">left</span><span class="muted small">right</span>
  </div>
  <ReadingRow v-for="key in shown" :key="key" :reading-key="key" />
  <QuestionList :about="keys" />
</template>
