<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { figures, howShapes } from './howShapes.ts'

/** Where the tape or the goniometer goes, as a small drawing. */
const props = defineProps<{ readingKey: ReadingKey }>()
const drawing = computed(() => {
  const how = howShapes[props.readingKey]
  if (!how) return null
  const figure = figures[how.figure]
  const at = figure.at as Readonly<Record<string, readonly [number, number]>>
  const places = how.places.map((name) => at[name] ?? ([60, 48] as const))
  return { paths: figure.paths.join(' '), rounds: figure.rounds, places }
})
const measure = computed(() => {
  const [a, b, c] = drawing.value?.places ?? []
  if (!a || !b) return ''
  return c ? `M${b[0]} ${b[1]} L${a[0]} ${a[1]} L${c[0]} ${c[1]}` : `M${a[0]} ${a[1]} L${b[0]} ${b[1]}`
})
</script>

<template>
  <svg v-if="drawing" viewBox="0 0 120 96" width="120" height="96" aria-hidden="true">
    <path class="figure-line" :d="drawing.paths" />
    <circle v-for="([x, y, r], i) in drawing.rounds" :key="i" class="figure-line" :cx="x" :cy="y" :r="r" />
    <path class="measure" :d="measure" />
    <circle v-for="([x, y], i) in drawing.places" :key="`p${i}`" class="place" :cx="x" :cy="y" r="3" />
  </svg>
</template>

<style scoped>
.figure-line {
  fill: none;
  stroke: var(--steel);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.measure {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 2.4;
  stroke-dasharray: 4 2.5;
}
.place {
  fill: var(--petrol);
}
</style>
