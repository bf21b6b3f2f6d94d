<script setup lang="ts">
import { computed, ref } from 'vue'
import { forearmNow, hooksAt, leverAngleNow } from '@level-stance/core/stations/hands/levers/readings'
import { standsAt } from '@level-stance/core/readings/resolve'
import { lengthWords, trimmed } from '@level-stance/core/kernel/entry'
import type { Side } from '@level-stance/core/kernel/sided'
import { useSvgDrag } from '../../kit/svgDrag.ts'
import { useBoard } from '../../data/board.ts'
import { usePreferences } from '../../data/preferences.ts'
import { useVisit } from '../../data/visit.ts'

/** One hand from the side in the ready position: forearm, wrist, grip, blade, and how far the finger hooks. */
const props = defineProps<{ side: Side }>()
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()
const svg = ref<SVGSVGElement | null>(null)

const forearm = computed(() => forearmNow(visit.setup)[props.side])
const now = computed(() => leverAngleNow(visit.setup, props.side))
const aim = computed(() => board.aimed('leverAngle', props.side))
const roll = computed(() => board.aimed('barRoll', 'both'))
const angle = computed(() => (now.value === null ? null : now.value.value + aim.value + roll.value))
const hooks = computed(() => hooksAt(visit.setup, props.side))
const reach = computed(() => (standsAt(visit.setup.now, 'leverReach', props.side)?.value ?? 70) + board.aimed('leverReach', props.side))
const radius = computed(() => (standsAt(visit.setup.now, 'gripDiameter', props.side)?.value ?? 32) / 2)
const shown = (mm: number) => lengthWords(mm, preferences.unit)

const [WIDTH, HEIGHT] = [430, 240]
const GRIP = { x: 196, y: 112 }
const SCALE = 1.15
const BAR = 11.1
const radians = (degrees: number) => (degrees * Math.PI) / 180
/** A place at an angle below level from the grip's middle, mm. */
const from = (below: number, distance: number) => ({
  x: GRIP.x + SCALE * distance * Math.cos(radians(below)),
  y: GRIP.y + SCALE * distance * Math.sin(radians(below)),
})
const fall = computed(() => forearm.value.value)
const elbow = computed(() => {
  const wrist = { x: GRIP.x - 62, y: GRIP.y - 24 }
  return { wrist, at: { x: wrist.x - 150 * Math.cos(radians(fall.value)), y: wrist.y - 150 * Math.sin(radians(fall.value)) } }
})
const hook = computed(() => (angle.value === null ? null : from(angle.value, BAR + reach.value)))
const arc = (distance: number, low: number, high: number) => {
  const [a, b] = [from(low, distance), from(high, distance)]
  return `M${a.x} ${a.y} A${SCALE * distance} ${SCALE * distance} 0 0 1 ${b.x} ${b.y}`
}
const bend = computed(() => (angle.value === null ? null : forearm.value.value - angle.value))
const bendWords = computed(() => {
  if (bend.value === null || Math.abs(bend.value) < 1) return 'wrist straight'
  return `wrist ${trimmed(Math.abs(bend.value), 0)}° ${bend.value > 0 ? 'back' : 'forward'}`
})
const words = computed(
  () =>
    `${props.side} hand from the side: forearm ${trimmed(fall.value, 0)}° down${angle.value === null ? '' : `, lever ${trimmed(angle.value, 0)}° down, ${bendWords.value}`}`,
)
const { vDrag } = useSvgDrag(
  () => svg.value,
  () => (board.movable && now.value !== null ? now.value.value : null),
  (point, start) => {
    const below = (Math.atan2(point.y - GRIP.y, point.x - GRIP.x) * 180) / Math.PI
    board.request([{ setting: 'leverAngle', side: props.side, by: Math.round(2 * (below - roll.value - start)) / 2 }])
  },
)
function key(event: KeyboardEvent): void {
  const step = { ArrowDown: 0.5, ArrowUp: -0.5, PageDown: 5, PageUp: -5 }[event.key]
  if (step === undefined || !board.movable) return
  event.preventDefault()
  board.request([{ setting: 'leverAngle', side: props.side, by: aim.value + step }])
}
</script>

<template>
  <section class="hand-side" :aria-label="`${side} hand from the side`">
    <h2>{{ side === 'right' ? 'Right' : 'Left' }} hand from the side, standing ready</h2>
    <svg ref="svg" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="group" :aria-label="words" data-testid="hand-side">
      <line :x1="elbow.at.x" :y1="elbow.at.y" :x2="elbow.wrist.x" :y2="elbow.wrist.y" class="arm" />
      <line :x1="elbow.wrist.x" :y1="elbow.wrist.y" :x2="GRIP.x - 8" :y2="GRIP.y - SCALE * radius * 0.4" class="palm" />
      <circle :cx="GRIP.x" :cy="GRIP.y" :r="SCALE * (radius + 9)" class="fingers" />
      <circle :cx="GRIP.x" :cy="GRIP.y" :r="SCALE * radius" class="grip" />
      <circle :cx="GRIP.x" :cy="GRIP.y" :r="SCALE * BAR" class="bar" />
      <line
        :x1="elbow.at.x"
        :y1="elbow.at.y"
        :x2="elbow.at.x + 440 * Math.cos(radians(fall))"
        :y2="elbow.at.y + 440 * Math.sin(radians(fall))"
        class="line"
      />
      <text x="8" :y="HEIGHT - 30">forearm {{ trimmed(fall, 0) }}°{{ forearm.by === 'reading' ? '' : ' est.' }}</text>
      <template v-if="angle !== null && hook">
        <path
          :d="`M${from(angle - 24, radius + 6).x} ${from(angle - 24, radius + 6).y} Q${from(angle - 20, BAR + reach * 0.55).x} ${from(angle - 20, BAR + reach * 0.55).y} ${hook.x} ${hook.y}`"
          class="blade"
        />
        <path
          :d="`M${from(angle - 62, radius + 9).x} ${from(angle - 62, radius + 9).y} Q${from(angle - 34, BAR + reach * 0.75).x} ${from(angle - 34, BAR + reach * 0.75).y} ${from(angle - 4, BAR + reach + 5).x} ${from(angle - 4, BAR + reach + 5).y}`"
          class="finger"
        />
        <path v-if="hooks" :d="arc(BAR + hooks.value, Math.max(-15, angle - 30), angle + 22)" class="reach" />
        <circle
          v-drag
          :cx="hook.x"
          :cy="hook.y"
          r="11"
          class="handle"
          role="slider"
          tabindex="0"
          :aria-label="`Lever angle, ${side}`"
          :aria-valuenow="angle"
          :aria-valuetext="`${trimmed(angle, 1)}° below level, ${bendWords}`"
          @keydown="key"
        />
        <text :x="hook.x + 20" :y="hook.y - 4" class="figure">{{ trimmed(angle, 0) }}° down</text>
        <text :x="hook.x + 20" :y="hook.y + 14" class="figure">{{ shown(reach) }} out</text>
        <text v-if="hooks" x="8" :y="HEIGHT - 10">finger hooks at {{ shown(hooks.value) }}{{ hooks.isTried ? '' : ' est.' }}</text>
      </template>
      <text v-else x="12" :y="HEIGHT - 14">Lever angle is not read.</text>
    </svg>
    <p class="small muted">
      Dotted: forearm. Dashed: where the finger hooks. The ring turns the lever<template v-if="bend !== null">; {{ bendWords }}</template
      >.
    </p>
  </section>
</template>

<style scoped>
.hand-side {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
  padding: 6px 12px;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.arm,
.palm {
  stroke: var(--flesh);
  stroke-width: 62;
  stroke-linecap: round;
}
.palm {
  stroke-width: 50;
}
.fingers {
  fill: var(--flesh);
}
.grip {
  fill: color-mix(in srgb, var(--ink) 78%, var(--panel));
}
.bar {
  fill: var(--steel);
}
.line {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 2 4;
}
.blade {
  fill: none;
  stroke: var(--ink);
  stroke-width: 12;
  stroke-linecap: round;
}
.finger {
  fill: none;
  stroke: color-mix(in srgb, var(--flesh) 78%, var(--ink));
  stroke-width: 17;
  stroke-linecap: round;
  opacity: 0.9;
}
.reach {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 2;
  stroke-dasharray: 6 4;
}
.handle {
  fill: var(--panel);
  stroke: var(--petrol);
  stroke-width: 3;
  cursor: grab;
  touch-action: none;
}
text {
  fill: var(--ink);
  font-size: 17px;
}
</style>
