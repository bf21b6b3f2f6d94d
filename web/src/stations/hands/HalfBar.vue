<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { RADIANS } from '@level-stance/core/bike/contactPoints'
import { halfBarScene } from '@level-stance/core/stations/hands/halfBarScene'
import type { SceneClamp } from '@level-stance/core/stations/hands/halfBarScene'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { formatLength, lengthWords } from '@level-stance/core/kernel/entry'
import type { Side } from '@level-stance/core/kernel/sided'
import { capital, midSentence } from '@level-stance/core/kernel/words'
import { useSvgDrag } from '../../kit/svgDrag.ts'
import { useBoard } from '../../data/board.ts'
import { usePreferences } from '../../data/preferences.ts'
import { useVisit } from '../../data/visit.ts'

/** One half of a flat bar from above, to scale: grip, clamps, hand with finger and thumb, and the chain of lengths from its end. */
const props = defineProps<{ side: Side }>()
defineEmits<{ other: [] }>()
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()
const svg = ref<SVGSVGElement | null>(null)
/** The hand held further in than it rides, to see what that would do; nothing is stored. */
const handIn = ref(0)
watch(
  () => [props.side, visit.head?.visitId],
  () => (handIn.value = 0),
)

const drawn = computed(() => halfBarScene(visit.setup, props.side, { aimed: board.aimed, handIn: handIn.value }))
const scene = computed(() => ('missing' in drawn.value ? null : drawn.value))
const missing = computed(() =>
  'missing' in drawn.value ? drawn.value.missing.map((key) => midSentence(definitionOf(key).label)).join(', ') : '',
)

/** The right half has the middle on its left, the left half is its mirror. */
const mirror = computed(() => (props.side === 'right' ? 1 : -1))
const MARGIN = { x: 30, y: 112 }
/** Of the middle, this much is shown before the bend, mm. */
const MIDDLE = 34
const HEIGHT = 282
/** Half of a bar at its grips and in its middle, mm. */
const BAR = { arm: 11.1, middle: 14 }
const straight = computed(() => scene.value?.straight ?? 0)
const width = computed(() => MIDDLE + straight.value + 2 * MARGIN.x)
/** Along the arm: mm from the bar's end to the drawing's own, from the bend outward. */
const at = (fromEnd: number) => straight.value - fromEnd
const shown = (mm: number) => formatLength(mm, preferences.unit, preferences.unit === 'mm' ? 0 : 2)
const frame = computed(() =>
  mirror.value === 1 ? `translate(${MARGIN.x} ${MARGIN.y})` : `translate(${width.value - MARGIN.x} ${MARGIN.y}) scale(-1 1)`,
)
const hand = computed(() => scene.value?.hand ?? null)
const thickness = computed(() => scene.value?.grip.diameter ?? 0)
const blade = computed(() => {
  const brake = scene.value?.clamps.find(({ key }) => key === 'brake')
  const { hook = null, reach = 0 } = scene.value ?? {}
  if (!brake || hook === null) return null
  const [from, to] = [at(brake.at), at(hook)]
  return `M${from} -16 C${from} ${-reach - 24} ${from + 20} ${-reach - 22} ${to - 10} ${-reach - 12} q12 2 12 16`
})
const labels = computed(() =>
  (scene.value?.chain ?? []).map((mark, i) => {
    const middle = at((mark.from + mark.to) / 2)
    const x = MARGIN.x + MIDDLE + middle
    const fall = middle * (scene.value?.backsweep ?? 0) * RADIANS
    // Short stretches lie close together: their words stand under one another.
    return { ...mark, x: mirror.value === 1 ? x : width.value - x, y: MARGIN.y + 92 + fall + (i % 3) * 19 }
  }),
)
const words = computed(() => {
  const said = (scene.value?.chain ?? []).map(({ label, to }) => `${label} ${lengthWords(to, preferences.unit)}`)
  return `${props.side} half of the bar from above, from its end: ${said.join(', ')}`
})

/** What a hand can slide along the bar: the clamps, and the rider's hand. */
interface Slide {
  readonly key: SceneClamp['key'] | 'hand'
  readonly label: string
  readonly at: number
  readonly y: number
  readonly by: number
  readonly to: (by: number) => void
}
const clampY: Readonly<Record<SceneClamp['key'], number>> = { brake: 30, shifter: 44, remote: 58 }
const slides = computed<readonly Slide[]>(() => {
  const clamps = (scene.value?.clamps ?? []).map(({ key, label, setting, at: stands }): Slide => ({
    key,
    label: `${capital(label)} clamp, ${props.side}`,
    at: stands,
    y: clampY[key],
    by: board.aimed(setting, props.side),
    to: (by) => {
      if (board.movable) board.request([{ setting, side: props.side, by }])
    },
  }))
  const own = hand.value
  if (own === null) return clamps
  const toSee: Slide = { key: 'hand', label: `Hand, ${props.side}`, at: own.at, y: 0, by: handIn.value, to: (by) => (handIn.value = by) }
  return [...clamps, toSee]
})
const moved = (by: number) =>
  by === 0 ? 'where it is' : `${lengthWords(Math.abs(by), preferences.unit)} ${by > 0 ? 'inboard' : 'outboard'}`

const { vDrag } = useSvgDrag(
  () => svg.value,
  (point, slide: Slide) => ({ ...slide, from: point.x }),
  // Inboard is toward the middle: left in the right half's picture.
  (point, { by, from, to }) => to(Math.round(by - mirror.value * (point.x - from))),
)
function key({ by, to }: Slide, event: KeyboardEvent): void {
  const step = { ArrowLeft: mirror.value, ArrowRight: -mirror.value, PageUp: 5, PageDown: -5 }[event.key]
  if (step === undefined) return
  event.preventDefault()
  to(by + step)
}
/** What the hand held elsewhere would do. */
const seen = computed(() => {
  const { finger = null, hook = null } = scene.value ?? {}
  if (handIn.value === 0) return null
  const off = finger === null || hook === null ? null : finger - hook
  const says = off === null ? '' : `: hook ${lengthWords(Math.abs(off), preferences.unit)} ${off > 0 ? 'outside' : 'inside'} of the finger`
  return `Hand held ${moved(handIn.value)}${says}.`
})
</script>

<template>
  <section class="half" :aria-label="`${side} half from above`">
    <div class="head">
      <h2>{{ side === 'right' ? 'Right' : 'Left' }} half from above</h2>
      <Button size="small" @click="$emit('other')">{{ side === 'right' ? 'Left' : 'Right' }} half</Button>
    </div>
    <p v-if="scene === null" class="small muted none">To draw it, read {{ missing }}.</p>
    <svg v-else ref="svg" :viewBox="`0 0 ${width} ${HEIGHT}`" role="group" :aria-label="words" data-testid="half-bar">
      <g :transform="frame">
        <rect x="0" :y="-BAR.middle" :width="MIDDLE + 2" :height="2 * BAR.middle" class="bar" />
        <g :transform="`translate(${MIDDLE} 0) rotate(${scene.backsweep})`">
          <rect x="-2" :y="-BAR.arm" :width="straight + 2" :height="2 * BAR.arm" class="bar" />
          <rect :x="at(scene.grip.length)" :y="-thickness / 2" :width="scene.grip.length" :height="thickness" rx="3" class="grip" />
          <g v-if="hand" :transform="`translate(${at(hand.at)} 0)`" class="hand">
            <path
              :d="`M${hand.breadth / 2} ${thickness / 2 - 6} q4 46 ${-hand.breadth / 2} 52 q${-hand.breadth / 2} 2 ${-hand.breadth / 2} -48 z`"
            />
            <rect
              v-for="n in 3"
              :key="n"
              :x="hand.breadth * (n * 0.23 - 0.22)"
              :y="-thickness / 2 - 8"
              :width="hand.breadth * 0.21"
              :height="thickness + 10"
              :rx="hand.breadth * 0.1"
            />
            <rect :x="-hand.breadth / 2 - hand.thumb * 0.6" :y="thickness / 2 - 4" :width="hand.thumb * 0.75" height="17" rx="8" />
          </g>
          <path v-if="blade" :d="blade" class="blade" />
          <g v-for="clamp in scene.clamps" :key="clamp.key">
            <rect :x="at(clamp.at) - clamp.width / 2" y="-18" :width="clamp.width" height="36" rx="2" class="clamp" :class="clamp.key" />
            <path
              v-if="clamp.paddle !== null"
              :d="`M${at(clamp.at)} 17 Q${at(clamp.at)} 40 ${at(clamp.paddle) - 6} 40 h14`"
              class="paddle"
            />
          </g>
          <g v-if="hand && scene.finger !== null">
            <rect
              :x="at(scene.finger) - hand.breadth * 0.1"
              :y="-scene.reach - 14"
              :width="hand.breadth * 0.2"
              :height="scene.reach + 14 + thickness / 2"
              :rx="hand.breadth * 0.1"
              class="index"
            />
            <line :x1="at(scene.finger)" :x2="at(scene.finger)" :y1="-scene.reach - 34" y2="-20" class="want" />
            <line :x1="at(hand.zone.from)" :x2="at(hand.zone.to)" y1="52" y2="52" class="zone" />
          </g>
          <line
            v-if="scene.hook !== null"
            :x1="at(scene.hook)"
            :x2="at(scene.hook)"
            :y1="-scene.reach - 26"
            :y2="-scene.reach + 4"
            class="hook"
          />
          <circle
            v-for="slide in slides"
            :key="slide.key"
            v-drag="slide"
            :cx="at(slide.at)"
            :cy="slide.y"
            r="10"
            class="handle"
            role="slider"
            tabindex="0"
            :aria-label="slide.label"
            :aria-valuenow="slide.by"
            :aria-valuetext="moved(slide.by)"
            @keydown="key(slide, $event)"
          />
          <g class="chain">
            <line :x1="at(0)" :x2="at(straight)" y1="74" y2="74" />
            <line :x1="at(0)" :x2="at(0)" y1="68" y2="80" />
            <line v-for="mark in scene.chain" :key="mark.key" :x1="at(mark.to)" :x2="at(mark.to)" y1="68" y2="80" />
          </g>
        </g>
      </g>
      <text v-for="label in labels" :key="label.key" :x="label.x" :y="label.y" text-anchor="middle">
        {{ label.label }} {{ shown(label.to) }}
      </text>
    </svg>
    <p v-if="seen" class="small" role="status" data-testid="hand-held">
      {{ seen }} <Button type="link" size="small" @click="handIn = 0">Where it rides</Button>
    </p>
    <p v-else-if="scene" class="small muted key">
      {{ preferences.unit }} from the end. Dashed: finger. Brick: hook. Green: thumb. Rings slide clamps and hand.
    </p>
  </section>
</template>

<style scoped>
.half {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
  padding: 6px 12px;
  border-bottom: 1px solid var(--line);
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.none {
  align-self: start;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.bar {
  fill: var(--steel);
}
.grip {
  fill: color-mix(in srgb, var(--ink) 78%, var(--panel));
}
.hand {
  fill: var(--flesh);
  stroke: var(--steel);
  stroke-width: 1;
}
.index {
  fill: var(--flesh);
  stroke: var(--petrol);
  stroke-width: 1.5;
}
.clamp {
  fill: var(--ink);
}
.shifter {
  opacity: 0.8;
}
.remote {
  opacity: 0.6;
}
.blade,
.paddle {
  fill: none;
  stroke: var(--ink);
  stroke-width: 9;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.paddle {
  stroke-width: 7;
  opacity: 0.8;
}
.want {
  stroke: var(--petrol);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
.hook {
  stroke: var(--brick);
  stroke-width: 2.5;
}
.zone {
  stroke: var(--bubble);
  stroke-width: 6;
  stroke-linecap: round;
}
.handle {
  fill: var(--panel);
  fill-opacity: 0.8;
  stroke: var(--petrol);
  stroke-width: 3;
  cursor: ew-resize;
  touch-action: none;
}
.chain line {
  stroke: var(--ink);
  stroke-width: 1.2;
}
text {
  fill: var(--ink);
  font-size: 15px;
}
</style>
