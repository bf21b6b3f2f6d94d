<script setup lang="ts">
import { computed } from 'vue'
import HowDrawing from '../drawing/HowDrawing.vue'
import { drawingOfTerm } from './terms.ts'
import type { TermKey } from './terms.ts'

/** The small drawing that shows a term. */
const props = defineProps<{ term: TermKey }>()
const reading = computed(() => drawingOfTerm(props.term))
</script>

<template>
  <HowDrawing v-if="reading" :reading-key="reading" />
</template>
