<script setup lang="ts">
import { computed, ref } from 'vue'
import { setbackCurve } from '@level-stance/core/change/seatCurve'
import { standingOf } from '@level-stance/core/change/setup'
import { trimmed } from '@level-stance/core/quantity/entry'
import { CURVE } from '@level-stance/core/seat/station'
import { useSvgDrag } from '../../composables/svgDrag.ts'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'

/** Height over setback with the knees kept: a curve to slide along, by hand or by keys. */
const visit = useVisit()
const board = useBoard()
const REACH = CURVE.reach
const STEP = 1
const [WIDTH, HEIGHT] = [400, 92]
const plot = ref<SVGSVGElement | null>(null)

const points = computed(() => setbackCurve(standingOf(visit.setup), REACH, CURVE.step))
const known = computed(() =>
  (points.value ?? []).flatMap(({ setback, height, inRoom }) => (height === null ? [] : [{ setback, height, inRoom }])),
)
const span = computed(() => Math.max(6, ...known.value.map(({ height }) => Math.abs(height))) * 1.15)
const x = (setback: number) => WIDTH / 2 - (setback / REACH) * (WIDTH / 2 - 14)
const y = (height: number) => HEIGHT / 2 - (height / span.value) * (HEIGHT / 2 - 8)
const path = (inRoom: boolean) => {
  const runs: string[] = []
  known.value.forEach((point, i) => {
    const before = known.value[i - 1]
    const on = inRoom ? point.inRoom : true
    const joined = before !== undefined && (inRoom ? before.inRoom : true)
    if (on) runs.push(`${joined ? 'L' : 'M'}${x(point.setback).toFixed(1)} ${y(point.height).toFixed(1)}`)
  })
  return runs.join('')
}
const at = computed(() => board.aimed('saddleSetback', 'both'))
const heightAt = (setback: number) => {
  const list = known.value
  const next = list.findIndex((point) => point.setback >= setback - 1e-9)
  const b = list[next]
  const a = list[next - 1]
  if (!b) return null
  if (!a) return b.height
  return a.height + ((setback - a.setback) / (b.setback - a.setback)) * (b.height - a.height)
}
const here = computed(() => heightAt(at.value))
const spoken = computed(() => {
  const move = at.value === 0 ? 'where it is' : `${trimmed(Math.abs(at.value), 1)} mm ${at.value > 0 ? 'back' : 'forward'}`
  const height =
    here.value === null
      ? ''
      : Math.abs(here.value) < 0.05
        ? ', same height'
        : `, post ${trimmed(Math.abs(here.value), 1)} ${here.value > 0 ? 'up' : 'down'}`
  return `${move}${height}`
})

const held = (by: number) => Math.max(-REACH, Math.min(REACH, Math.round(by / STEP) * STEP))
const slide = (by: number) => board.request([{ setting: 'saddleSetback', side: 'both', by: held(by) }])
const slideTo = (px: number) => slide(-((px - WIDTH / 2) / (WIDTH / 2 - 14)) * REACH)
const { down, drag, up } = useSvgDrag(
  () => plot.value,
  (at) => {
    if (!board.movable) return null
    slideTo(at.x)
    return true
  },
  (at) => slideTo(at.x),
)
function key(event: KeyboardEvent): void {
  const step = { ArrowLeft: 1, ArrowRight: -1, PageUp: -5, PageDown: 5, Home: 99, End: -99 }[event.key]
  if (step === undefined || !board.movable) return
  event.preventDefault()
  slide(at.value + step)
}
</script>

<template>
  <figure v-if="points" class="curve">
    <figcaption class="small">
      Slide along: <strong class="figure" data-testid="curve-words">{{ spoken }}</strong>
    </figcaption>
    <svg ref="plot" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" @pointerdown="down" @pointermove="drag" @pointerup="up" @pointercancel="up">
      <line :x1="x(-REACH)" :x2="x(REACH)" :y1="y(0)" :y2="y(0)" class="axis" />
      <line :x1="x(0)" :x2="x(0)" y1="6" :y2="HEIGHT - 6" class="axis" />
      <g v-for="tick in [-30, -20, -10, 10, 20, 30]" :key="tick">
        <line :x1="x(tick)" :x2="x(tick)" :y1="y(0) - 3" :y2="y(0) + 3" class="axis" />
        <text :x="x(tick)" :y="y(0) + 16" text-anchor="middle">{{ Math.abs(tick) }}</text>
      </g>
      <text x="8" :y="HEIGHT - 6">mm back</text>
      <text :x="WIDTH - 8" :y="HEIGHT - 6" text-anchor="end">mm forward</text>
      <text :x="x(0) + 6" y="14">post up {{ trimmed(span / 1.15, 0) }}</text>
      <path :d="path(false)" class="all" />
      <path :d="path(true)" class="room" />
      <circle :cx="x(0)" :cy="y(0)" r="5" class="now" />
      <circle
        v-if="here !== null"
        :cx="x(at)"
        :cy="y(here)"
        r="11"
        class="handle"
        role="slider"
        tabindex="0"
        aria-label="Setback with the knees kept"
        :aria-valuenow="at"
        :aria-valuemin="-REACH"
        :aria-valuemax="REACH"
        :aria-valuetext="spoken"
        @keydown="key"
      />
    </svg>
    <p class="small muted">Thick: within rails and post. The knees stay as they are; hands and hips do not.</p>
  </figure>
  <p v-else class="small muted">The curve needs both legs: stature, crank, cleat and saddle height.</p>
</template>

<style scoped>
.curve {
  margin: 0;
  padding: 4px 12px 6px;
  border-top: 1px solid var(--line);
}
svg {
  display: block;
  width: 100%;
  touch-action: none;
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 6px;
}
.axis {
  stroke: var(--line);
}
text {
  fill: var(--muted);
  font-size: 12px;
}
.all {
  fill: none;
  stroke: var(--steel);
  stroke-width: 2;
  stroke-dasharray: 4 4;
}
.room {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 4;
}
.now {
  fill: var(--bubble);
}
.handle {
  fill: var(--petrol);
  stroke: var(--panel);
  stroke-width: 2;
  cursor: ew-resize;
}
.handle:focus-visible {
  outline: none;
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
