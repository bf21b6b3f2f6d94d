<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { transformOf } from '@level-stance/core/kernel/drawing'
import { halfBarFrame, halfBarShapes } from '@level-stance/core/stations/hands/halfBarShapes'
import { halfBarScene } from '@level-stance/core/stations/hands/halfBarScene'
import type { SceneClamp } from '@level-stance/core/stations/hands/halfBarScene'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { lengthWords } from '@level-stance/core/kernel/entry'
import type { Side } from '@level-stance/core/kernel/sided'
import { capital, midSentence } from '@level-stance/core/kernel/words'
import { DrawnShapes } from '../../board/DrawnShapes.ts'
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
const frame = computed(() => scene.value && halfBarFrame(scene.value, props.side))
const shapes = computed(() => (scene.value ? halfBarShapes(scene.value, props.side) : []))
const hand = computed(() => scene.value?.hand ?? null)
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
    <svg
      v-else-if="frame"
      ref="svg"
      :viewBox="`0 0 ${frame.width} ${frame.height}`"
      role="group"
      :aria-label="words"
      data-testid="half-bar"
    >
      <DrawnShapes :shapes="shapes" />
      <g :transform="transformOf(frame)">
        <g :transform="transformOf({ at: frame.bend, turn: frame.turn })">
          <circle
            v-for="slide in slides"
            :key="slide.key"
            v-drag="slide"
            :cx="frame.along(slide.at)"
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
        </g>
      </g>
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
.handle {
  fill: var(--panel);
  fill-opacity: 0.8;
  stroke: var(--petrol);
  stroke-width: 3;
  cursor: ew-resize;
  touch-action: none;
}
</style>
