<script setup lang="ts">
import { computed } from 'vue'
import type { BandState, TargetBand } from '@level-stance/core/kernel/band'
import { GLASS_HEIGHT, WITH_TICKS, across, bubbleAt, halfBubble } from './vialScale.ts'

/** A mark under the tube; beyond the scale it is pinned to the edge with an arrow. */
export interface VialTick {
  readonly at: number
  readonly label: string
}

/** The glass itself: band, bubble, ghost and ticks. */
const props = withDefaults(
  defineProps<{
    value: number
    /** half the bubble's width; null = not known yet */
    plusMinus: number | null
    band: TargetBand | null
    scale: { readonly min: number; readonly max: number }
    state: BandState | 'free'
    ticks?: readonly VialTick[] | undefined
    ghost?: number | null | undefined
    /** width of the drawing's own units: a narrower tube has the same height */
    width?: number
  }>(),
  { ticks: () => [], ghost: null, width: 320 },
)

const x = (value: number) => across(props, value)
const rx = computed(() => halfBubble(props, props.plusMinus))
const bubble = computed(() => bubbleAt(props, props.value, props.plusMinus))
const height = computed(() => (props.ticks.length > 0 ? WITH_TICKS : GLASS_HEIGHT))
interface Mark {
  readonly at: number
  readonly label: string
}
/** What one letter of a label takes, and the gap between two labels, in the drawing's units. */
const LETTER = 5.4
const GAP = 7
const marks = computed(() =>
  props.ticks.map((tick): Mark => {
    const beyond = tick.at > props.scale.max ? '›' : tick.at < props.scale.min ? '‹' : ''
    return { at: x(tick.at), label: beyond === '‹' ? `‹ ${tick.label}` : `${tick.label} ${beyond}`.trim() }
  }),
)
/** Names of the marks, each under its own and none over another: from the right on they give way to the left. */
const names = computed(() => {
  let end = props.width
  const placed = [...marks.value]
    .sort((a, b) => b.at - a.at)
    .map(({ at, label }) => {
      const length = label.length * LETTER
      const start = Math.min(at - length / 2, end - length)
      end = start - GAP
      return { label, start, length }
    })
  // What gave way past the left end comes back, and its neighbours with it.
  let from = 0
  return placed.reverse().map(({ label, start, length }) => {
    const at = Math.max(start, from)
    from = at + length + GAP
    return { label, at: at + length / 2 }
  })
})
</script>

<template>
  <div class="glass" :class="state">
    <svg :viewBox="`0 0 ${width} ${height}`" aria-hidden="true">
      <rect class="tube" x="1" y="1" :width="width - 2" height="22" rx="11" />
      <rect class="shine" x="8" y="4" :width="width - 16" height="5" rx="2.5" />
      <template v-if="band">
        <line v-if="band.low > scale.min" class="engraved" :x1="x(band.low)" :x2="x(band.low)" y1="1" y2="23" />
        <line v-if="band.high < scale.max" class="engraved" :x1="x(band.high)" :x2="x(band.high)" y1="1" y2="23" />
      </template>
      <ellipse v-if="ghost !== null" class="ghost" :cx="x(ghost)" cy="12" :rx="rx" ry="7" />
      <!-- Moved as a whole: a text whose own place changes is shaped anew. -->
      <line
        v-for="mark in marks"
        :key="mark.label"
        class="tick"
        :transform="`translate(${mark.at.toFixed(1)} 0)`"
        x1="0"
        x2="0"
        y1="25"
        y2="29"
      />
      <g v-for="name in names" :key="name.label" :transform="`translate(${name.at.toFixed(1)} 0)`">
        <text class="tick-label" x="0" y="40" text-anchor="middle">{{ name.label }}</text>
      </g>
    </svg>
    <!-- The bubble is no part of the drawing: moving it lays no drawing out. It does not glide: that would keep
         the screen busy for ten frames after every key. -->
    <div class="inside" aria-hidden="true" :style="{ height: `${((100 * GLASS_HEIGHT) / height).toFixed(1)}%` }">
      <span class="bubble" :class="{ unsure: plusMinus === null }" :style="bubble" />
    </div>
  </div>
</template>

<style scoped>
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
  fill-opacity: var(--shine);
}
.engraved {
  stroke: var(--ink);
  stroke-width: 2;
}
.glass {
  position: relative;
}
.inside {
  position: absolute;
  top: 0;
  left: 0;
  width: 100%;
  pointer-events: none;
}
/* No transforms and no opacities: each would be a step of its own when the page is composed. */
.bubble {
  --of-bubble: var(--bubble);
  position: absolute;
  top: 18.5%;
  height: 63%;
  border: 1px solid rgb(0 0 0 / 25%);
  border-radius: 50%;
  background: var(--of-bubble);
}
.bubble.unsure {
  background: color-mix(in srgb, var(--of-bubble) 50%, transparent);
}
.bubble::after {
  content: '';
  position: absolute;
  top: 14%;
  left: 24%;
  width: 30%;
  height: 20%;
  border-radius: 50%;
  background: rgb(255 255 255 / 50%);
}
.near .bubble {
  --of-bubble: var(--amber);
}
.outside .bubble {
  --of-bubble: var(--brick);
}
.free .bubble {
  --of-bubble: var(--steel);
}
.ghost {
  fill: none;
  stroke: var(--muted);
  stroke-dasharray: 1.5 2;
}
.tick {
  stroke: var(--muted);
}
.tick-label {
  fill: var(--muted);
  font-size: 12.5px;
}
</style>
