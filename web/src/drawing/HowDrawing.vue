<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { isOneOf } from '@level-stance/core/kernel/tables'
import { figureKeys, figures } from './figures.ts'

/** Where the tape or the goniometer goes, as a small drawing. */
const props = defineProps<{ readingKey: ReadingKey }>()
const drawing = computed(() => {
  const [name, ...at] = definitionOf(props.readingKey).drawing ?? []
  if (!isOneOf(figureKeys, name)) return null
  const figure = figures[name]
  const known: Readonly<Record<string, readonly [number, number]>> = figure.at
  const places = at.map((place) => known[place] ?? ([60, 48] as const))
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
