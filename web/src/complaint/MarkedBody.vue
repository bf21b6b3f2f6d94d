<script setup lang="ts">
import type { MarkedDrawing } from '@level-stance/core/figure/bodyMap'
import BodyDrawing from './BodyDrawing.vue'

/** A drawing of the body with the complaints marked, to look at and to print. */
defineProps<{ drawing: MarkedDrawing }>()
const CAPTION = 24
</script>

<template>
  <svg
    role="img"
    :viewBox="`${-drawing.width / 2} ${-CAPTION} ${drawing.width} ${drawing.height + CAPTION}`"
    :aria-label="`Where it hurts: ${drawing.spots
      .filter(({ words }) => words !== null)
      .map(({ label, words }) => `${label}: ${words === '?' ? 'not rated' : words}`)
      .join('; ')}`"
  >
    <BodyDrawing :view="drawing.view">
      <g v-for="spot in drawing.spots" :key="spot.region + spot.side" :class="{ told: spot.words !== null }">
        <path :d="spot.path" :transform="`scale(${spot.flip} 1)`" />
      </g>
    </BodyDrawing>
    <template v-for="spot in drawing.spots" :key="spot.region + spot.side">
      <text v-if="spot.words !== null" class="severity" :x="spot.x" :y="spot.y + 6" text-anchor="middle">{{ spot.words }}</text>
    </template>
  </svg>
</template>

<style scoped>
.severity {
  fill: var(--panel);
  font:
    600 19px 'Barlow Semi Condensed',
    sans-serif;
}
svg :deep(.caption) {
  font-size: 20px;
}
</style>
