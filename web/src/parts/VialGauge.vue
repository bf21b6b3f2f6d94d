<script setup lang="ts">
import { computed } from 'vue'
import { bandState } from '@level-stance/core/quantity/band'
import type { TargetBand } from '@level-stance/core/quantity/band'

/** A mark under the tube; beyond the scale it is pinned to the edge with an arrow. */
export interface VialTick {
  readonly at: number
  readonly label: string
}

const props = defineProps<{
  label: string
  /** value as text, with unit */
  shown: string
  value: number
  plusMinus: number
  band: TargetBand
  scale: { readonly min: number; readonly max: number }
  ticks?: readonly VialTick[]
  ghost?: number | null
  proposed?: number | null
  /** said at the right instead of the plain state */
  remark?: string
}>()

const width = 320
const inset = 10
const x = (value: number) => {
  const share = (value - props.scale.min) / (props.scale.max - props.scale.min)
  return inset + Math.min(1, Math.max(0, share)) * (width - 2 * inset)
}
const perUnit = computed(() => (width - 2 * inset) / (props.scale.max - props.scale.min))
const state = computed(() => bandState(props, props.band))
const bubble = computed(() => ({ cx: x(props.value), rx: Math.min(60, Math.max(6, props.plusMinus * perUnit.value)) }))
const marks = computed(() =>
  (props.ticks ?? []).map((tick) => {
    const beyond = tick.at > props.scale.max ? '›' : tick.at < props.scale.min ? '‹' : ''
    const at = x(tick.at)
    return {
      at,
      label: beyond === '‹' ? `‹ ${tick.label}` : `${tick.label} ${beyond}`.trim(),
      anchor: at > width - 40 ? 'end' : at < 40 ? 'start' : 'middle',
    }
  }),
)
const spoken = computed(
  () =>
    `${props.label} ${props.shown}, ±${props.plusMinus.toFixed(1)}: ${state.value}. Target ${props.band.low.toFixed(1)} to ${props.band.high.toFixed(1)}.`,
)
</script>

<template>
  <div class="vial" :class="state" role="img" :aria-label="spoken">
    <div class="head" aria-hidden="true">
      <span class="name">{{ label }}</span>
      <span class="figure">{{ shown }}</span>
      <span class="remark">{{ remark ?? state }}</span>
    </div>
    <div class="glass">
      <svg :viewBox="`0 0 ${width} 44`" aria-hidden="true">
        <rect class="tube" x="1" y="1" :width="width - 2" height="22" rx="11" />
        <rect class="shine" x="8" y="4" :width="width - 16" height="5" rx="2.5" />
        <line class="engraved" :x1="x(band.low)" :x2="x(band.low)" y1="1" y2="23" />
        <line class="engraved" :x1="x(band.high)" :x2="x(band.high)" y1="1" y2="23" />
        <ellipse v-if="ghost !== undefined && ghost !== null" class="ghost" :cx="x(ghost)" cy="12" :rx="bubble.rx" ry="7" />
        <ellipse v-if="proposed !== undefined && proposed !== null" class="proposed" :cx="x(proposed)" cy="12" :rx="bubble.rx" ry="7.5" />
        <g v-for="mark in marks" :key="mark.label">
          <line class="tick" :x1="mark.at" :x2="mark.at" y1="25" y2="29" />
          <text class="tick-label" :x="mark.at" y="40" :text-anchor="mark.anchor">{{ mark.label }}</text>
        </g>
      </svg>
      <!-- The bubble is no part of the drawing: sliding it moves a layer and lays nothing out. -->
      <div class="slide" aria-hidden="true" :style="{ transform: `translateX(${(100 * bubble.cx) / width}%)` }">
        <span class="bubble" :style="{ width: `${(200 * bubble.rx) / width}%` }" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 6px;
  margin-bottom: 3px;
  font-size: 15px;
}
.figure {
  font-size: 18px;
}
.remark {
  margin-left: auto;
  color: var(--muted);
  font-size: 14px;
}
.near .remark {
  color: var(--amber-ink);
}
.outside .remark {
  color: var(--brick);
}
svg {
  display: block;
  width: 100%;
}
.tube {
  fill: var(--glass);
  stroke: var(--glass-edge);
}
.shine {
  fill: #fff;
  opacity: var(--shine);
}
.engraved {
  stroke: var(--ink);
  stroke-width: 2;
}
.glass {
  position: relative;
}
.slide {
  position: absolute;
  top: 0;
  left: 0;
  width: 100%;
  height: calc(100% * 24 / 44);
  transition: transform 150ms ease-out;
  will-change: transform;
  pointer-events: none;
}
.bubble {
  position: absolute;
  top: 50%;
  left: 0;
  height: 63%;
  border: 1px solid rgb(0 0 0 / 25%);
  border-radius: 50%;
  background: var(--bubble);
  transform: translate(-50%, -50%);
}
.bubble::after {
  content: '';
  position: absolute;
  top: 14%;
  left: 24%;
  width: 30%;
  height: 20%;
  border-radius: 50%;
  background: #fff;
  opacity: 0.5;
}
.near .bubble {
  background: var(--amber);
}
.outside .bubble {
  background: var(--brick);
}
.ghost {
  fill: none;
  stroke: var(--muted);
  stroke-dasharray: 1.5 2;
}
.proposed {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
.tick {
  stroke: var(--muted);
}
.tick-label {
  fill: var(--muted);
  font-size: 12.5px;
}
</style>
