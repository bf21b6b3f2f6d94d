<script setup lang="ts">
import type { ReadingAt } from '@level-stance/core/station/station'
import { usePaintedFirst } from '../kit/painted.ts'
import QuestionRow from './QuestionRow.vue'
import { useQuestionsAfter } from './questionsAfter.ts'
import ReadingRow from './ReadingRow.vue'

/** A station's readings with their heading and what is doubtful about them. */
const props = defineProps<{ rows: readonly ReadingAt[] }>()
const { shown } = usePaintedFirst(() => props.rows, 12)
const questions = useQuestionsAfter(() => props.rows.map(({ key }) => key))
</script>

<template>
  <div class="readings-head">
    <h2>Readings</h2>
    <span class="muted small">left</span><span class="muted small">right</span>
  </div>
  <template v-for="({ key, condition }, i) in shown" :key="`${key} ${condition}`">
    <ReadingRow :reading-key="key" :condition="condition" says-condition />
    <template v-if="shown[i + 1]?.key !== key">
      <QuestionRow v-for="question in questions.get(key)" :key="question.id" :question="question" />
    </template>
  </template>
</template>
