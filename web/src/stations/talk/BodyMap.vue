<script setup lang="ts">
import { bodyRegions } from '@level-stance/core/talk/regions'
import type { BodyRegionKey } from '@level-stance/core/talk/regions'
import type { Complaint } from '@level-stance/core/talk/complaint'
import { limbPaths, regionShapes, trunkPath } from './bodyMapShapes.ts'

const props = defineProps<{ complaints: readonly Complaint[] }>()
const emit = defineEmits<{ pick: [region: BodyRegionKey, side: Complaint['side']] }>()

const views = [
  { key: 'front', middle: 110, leftIsRightOfPage: true },
  { key: 'back', middle: 330, leftIsRightOfPage: false },
] as const

/** Every place on both figures, sided ones twice. */
const spots = views.flatMap((view) =>
  bodyRegions
    .filter((region) => region.view === view.key)
    .flatMap((region) => {
      const shape = regionShapes[region.key]
      const at = (side: Complaint['side']) => {
        const direction = side === 'middle' ? 1 : (side === 'left') === view.leftIsRightOfPage ? 1 : -1
        return {
          region: region.key,
          side,
          label: side === 'middle' ? region.label : `${region.label}, ${side}`,
          x: view.middle + direction * shape.x,
          shape,
        }
      }
      return region.sided ? [at('left'), at('right')] : [at('middle')]
    }),
)

function told(region: BodyRegionKey, side: Complaint['side']): number | null {
  const hits = props.complaints.filter((c) => c.region === region && (c.side === side || (c.side === 'both' && side !== 'middle')))
  return hits.length === 0 ? null : Math.max(...hits.map((c) => c.severity))
}
</script>

<template>
  <svg class="body-map" viewBox="0 0 440 440" role="group" aria-label="Body map: pick where it hurts or fails">
    <g v-for="view in views" :key="view.key" aria-hidden="true">
      <text class="caption" :x="view.middle" y="12" text-anchor="middle">{{ view.key }}</text>
      <text class="side" :x="view.middle - 84" y="262" text-anchor="middle">{{ view.leftIsRightOfPage ? 'right' : 'left' }}</text>
      <text class="side" :x="view.middle + 84" y="262" text-anchor="middle">{{ view.leftIsRightOfPage ? 'left' : 'right' }}</text>
      <g class="figure-body" :transform="`translate(${view.middle} 0)`">
        <ellipse cx="0" cy="36" rx="19" ry="23" />
        <rect x="-9" y="54" width="18" height="22" />
        <path :d="trunkPath" />
        <g v-for="flip in [1, -1]" :key="flip" :transform="`scale(${flip} 1)`">
          <path v-for="limb in limbPaths" :key="limb.d" class="limb" :d="limb.d" :stroke-width="limb.width" />
        </g>
      </g>
    </g>
    <g
      v-for="spot in spots"
      :key="`${spot.region}-${spot.side}`"
      class="spot"
      :class="{ told: told(spot.region, spot.side) !== null }"
      role="button"
      tabindex="0"
      :aria-label="spot.label"
      @click="emit('pick', spot.region, spot.side)"
      @keydown.enter.prevent="emit('pick', spot.region, spot.side)"
      @keydown.space.prevent="emit('pick', spot.region, spot.side)"
    >
      <title>{{ spot.label }}</title>
      <ellipse :cx="spot.x" :cy="spot.shape.y" :rx="spot.shape.rx" :ry="spot.shape.ry" />
      <text v-if="told(spot.region, spot.side) !== null" :x="spot.x" :y="spot.shape.y + 4" text-anchor="middle">
        {{ told(spot.region, spot.side) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.body-map {
  display: block;
  width: 100%;
  height: 100%;
}
.caption,
.side {
  fill: var(--muted);
  font-size: 12px;
}
.figure-body {
  fill: var(--sole);
  stroke: none;
}
.limb {
  fill: none;
  stroke: var(--sole);
  stroke-linecap: round;
  stroke-linejoin: round;
}
.spot {
  cursor: pointer;
}
.spot ellipse {
  fill: var(--petrol);
  fill-opacity: 0.1;
  stroke: var(--petrol);
  stroke-opacity: 0.45;
}
.spot:hover ellipse {
  fill-opacity: 0.35;
}
.spot:focus-visible {
  outline: none;
}
.spot:focus-visible ellipse {
  stroke-opacity: 1;
  stroke-width: 2.5;
}
.spot.told ellipse {
  fill: var(--brick);
  fill-opacity: 0.9;
  stroke: var(--brick);
}
.spot text {
  fill: var(--panel);
  font:
    600 11px 'Barlow Semi Condensed',
    sans-serif;
  pointer-events: none;
}
</style>
