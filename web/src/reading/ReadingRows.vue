<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingAt } from '@level-stance/core/station/station'
import { usePaintedFirst } from '../kit/painted.ts'
import QuestionList from './QuestionList.vue'
import ReadingRow from './ReadingRow.vue'

/** A station's readings with their heading and what is doubtful about them. */
const props = defineProps<{ rows: readonly ReadingAt[] }>()
const { shown } = usePaintedFirst(() => props.rows, 12)
const keys = computed(() => props.rows.map(({ key }) => key))
</script>

<template>
  <div class="readings-head">
    <h2>Readings</h2>
    <span class="muted small">left</span><span class="muted small">right</span>
  </div>
  <ReadingRow v-for="{ key, condition } in shown" :key="`${key} ${condition}`" :reading-key="key" :condition="condition" says-condition />
  <QuestionList :about="keys" />
</template>
