<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { barPieces, halfBar, hookOf, thumbOf } from '@level-stance/core/hands/inputs'
import { straightPart } from '@level-stance/core/hands/barRoom'
import { standsAt } from '@level-stance/core/measure/resolve'
import type { NumberKey } from '@level-stance/core/measure/readingDefinitions'
import { formatLength, trimmed } from '@level-stance/core/quantity/entry'
import type { Side } from '@level-stance/core/quantity/sided'
import { useSvgDrag } from '../../composables/svgDrag.ts'
import { useBoard } from '../../stores/board.ts'
import { usePreferences } from '../../stores/preferences.ts'
import { useVisit } from '../../stores/visit.ts'

/** One half of a flat bar from above, to scale: grip, clamps, hand with finger and thumb, and the chain of lengths from its end. */
const props = defineProps<{ side: Side }>()
defineEmits<{ other: [] }>()
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()
const svg = ref<SVGSVGElement | null>(null)

const setup = computed(() => visit.setup)
const bar = computed(() => halfBar(setup.value))
const value = (key: NumberKey) => standsAt(setup.value.now, key, props.side)?.value ?? null
const pieces = computed(() => barPieces(setup.value, props.side).found)
const hook = computed(() => hookOf(setup.value, props.side).found)
const thumb = computed(() => thumbOf(setup.value, props.side).found)
const length = computed(() => (bar.value.found ? straightPart(bar.value.found) : 0))
const sweep = computed(() => bar.value.found?.barBacksweep ?? 0)
/** The right half has the middle on its left, the left half is its mirror. */
const mirror = computed(() => (props.side === 'right' ? 1 : -1))
const MARGIN = { x: 30, y: 112 }
/** Of the middle, this much is shown before the bend, mm. */
const MIDDLE = 34
const WIDTH = computed(() => MIDDLE + length.value + 2 * MARGIN.x)
const HEIGHT = 282
/** Along the arm: mm from the bar's end to the drawing's own, from the bend outward. */
const at = (fromEnd: number) => length.value - fromEnd
const aim = (setting: 'leverClamp' | 'shifterClamp') => board.aimed(setting, props.side)
const grip = computed(() => value('gripLength') ?? 0)
const thickness = computed(() => value('gripDiameter') ?? 32)
const hand = computed(() => value('handFromEnd'))
const breadth = computed(() => value('handBreadth') ?? 84)
const reach = computed(() => (value('leverReach') ?? 70) + board.aimed('leverReach', props.side))
const brakeAt = computed(() => {
  const clamp = value('leverClamp')
  return clamp === null ? null : grip.value + clamp + aim('leverClamp')
})
const shifterAt = computed(() => {
  const clamp = value('shifterClamp')
  return clamp === null ? null : grip.value + clamp + aim('shifterClamp')
})
const hookAt = computed(() => (brakeAt.value === null || hook.value === null ? null : hook.value.hook + aim('leverClamp')))
const paddleAt = computed(() => (thumb.value === null ? null : thumb.value.paddle + aim('shifterClamp')))
const shown = (mm: number) => formatLength(mm, preferences.unit, preferences.unit === 'mm' ? 0 : 2)

/** The chain from the end inward: what each stretch is, and how long. */
const chain = computed(() => {
  const marks: { key: string; label: string; to: number }[] = []
  if (hand.value !== null) marks.push({ key: 'hand', label: 'hand', to: hand.value })
  if (grip.value > 0) marks.push({ key: 'grip', label: 'grip', to: grip.value })
  if (brakeAt.value !== null) marks.push({ key: 'brake', label: 'brake', to: brakeAt.value })
  if (shifterAt.value !== null) marks.push({ key: 'shifter', label: 'shifter', to: shifterAt.value })
  marks.push({ key: 'bend', label: 'bend', to: length.value })
  const sorted = marks.filter(({ to }) => to >= 0 && to <= length.value + 1).sort((a, b) => a.to - b.to)
  return sorted.map((mark, i) => ({ ...mark, from: sorted[i - 1]?.to ?? 0, row: i % 3 }))
})
const words = computed(() => {
  const said = chain.value.map(({ label, to }) => `${label} ${trimmed(to, 0)} mm`)
  return `${props.side} half of the bar from above, from its end: ${said.join(', ')}`
})
const missing = computed(() => bar.value.found === null || grip.value === 0)

type Held = { readonly setting: 'leverClamp' | 'shifterClamp'; readonly from: number; readonly aim: number }
const drag = useSvgDrag<Held>(
  () => svg.value,
  (point) => {
    if (!board.movable || held === null) return null
    return { setting: held, from: point.x, aim: aim(held) }
  },
  (point, { setting, from, aim: before }) => {
    // Inboard is toward the middle: left in the right half's picture.
    const by = Math.round(before - mirror.value * (point.x - from))
    board.request([{ setting, side: props.side, by }])
  },
)
let held: Held['setting'] | null = null
function down(setting: Held['setting'], event: PointerEvent): void {
  held = setting
  drag.down(event)
}
function key(setting: Held['setting'], event: KeyboardEvent): void {
  const step = { ArrowLeft: mirror.value, ArrowRight: -mirror.value, PageUp: 5, PageDown: -5 }[event.key]
  if (step === undefined || !board.movable) return
  event.preventDefault()
  board.request([{ setting, side: props.side, by: aim(setting) + step }])
}
const clampHandles = computed(() =>
  [
    { setting: 'leverClamp' as const, label: `Brake clamp, ${props.side}`, at: brakeAt.value, y: 30 },
    { setting: 'shifterClamp' as const, label: `Shifter clamp, ${props.side}`, at: shifterAt.value, y: 44 },
  ].flatMap((row) => (row.at === null ? [] : [{ ...row, at: row.at }])),
)
</script>

<template>
  <section class="half" :aria-label="`${side} half from above`">
    <div class="head">
      <h2>{{ side === 'right' ? 'Right' : 'Left' }} half from above</h2>
      <Button size="small" @click="$emit('other')">{{ side === 'right' ? 'Left' : 'Right' }} half</Button>
    </div>
    <p v-if="missing" class="small muted none">Drawn once bar width, middle to arm, sweeps and grip length are read.</p>
    <svg v-else ref="svg" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="group" :aria-label="words" data-testid="half-bar">
      <g :transform="mirror === 1 ? `translate(${MARGIN.x} ${MARGIN.y})` : `translate(${WIDTH - MARGIN.x} ${MARGIN.y}) scale(-1 1)`">
        <rect x="0" y="-14" :width="MIDDLE + 2" height="28" class="bar" />
        <g :transform="`translate(${MIDDLE} 0) rotate(${sweep})`">
          <rect x="-2" y="-11.1" :width="length + 2" height="22.2" class="bar" />
          <rect :x="at(grip)" :y="-thickness / 2" :width="grip" :height="thickness" rx="3" class="grip" />
          <g v-if="hand !== null">
            <path
              :d="`M${at(hand - breadth / 2)} ${thickness / 2 - 6} q4 46 ${-breadth * 0.5} 52 q${-breadth * 0.5} 2 ${-breadth * 0.5} -48 z`"
              class="hand"
            />
            <rect
              v-for="n in 3"
              :key="n"
              :x="at(hand + breadth * (0.22 - n * 0.23))"
              :y="-thickness / 2 - 8"
              :width="breadth * 0.21"
              :height="thickness + 10"
              :rx="breadth * 0.1"
              class="hand"
            />
            <rect
              :x="at(hand + breadth * 0.5 + (value('thumbLength') ?? 58) * 0.6)"
              :y="thickness / 2 - 4"
              :width="(value('thumbLength') ?? 58) * 0.75"
              height="17"
              rx="8"
              class="hand"
            />
          </g>
          <g v-if="brakeAt !== null">
            <rect
              :x="at(brakeAt) - (value('brakeClampWidth') ?? 14) / 2"
              y="-19"
              :width="value('brakeClampWidth') ?? 14"
              height="38"
              rx="2"
              class="clamp"
            />
            <path
              v-if="hookAt !== null"
              :d="`M${at(brakeAt)} -16 C${at(brakeAt)} ${-reach - 24} ${at(brakeAt) + 20} ${-reach - 22} ${at(hookAt) - 10} ${-reach - 12} q12 2 12 16`"
              class="blade"
            />
          </g>
          <g v-if="shifterAt !== null && value('shifterClampWidth') !== 0">
            <rect
              :x="at(shifterAt) - (value('shifterClampWidth') ?? 14) / 2"
              y="-17"
              :width="value('shifterClampWidth') ?? 14"
              height="34"
              rx="2"
              class="clamp second"
            />
            <path v-if="paddleAt !== null" :d="`M${at(shifterAt)} 17 Q${at(shifterAt)} 40 ${at(paddleAt) - 6} 40 h14`" class="paddle" />
          </g>
          <rect
            v-for="piece in (pieces ?? []).filter(({ key: name }) => name === 'remote')"
            :key="piece.key"
            :x="at((shifterAt ?? brakeAt ?? grip) + 14 + piece.width)"
            y="-15"
            :width="piece.width"
            height="30"
            class="clamp third"
          />
          <g v-if="hand !== null && hook">
            <rect
              :x="at(hook.finger) - breadth * 0.1"
              :y="-reach - 14"
              :width="breadth * 0.2"
              :height="reach + 14 + thickness / 2"
              :rx="breadth * 0.1"
              class="index"
            />
            <line :x1="at(hook.finger)" :x2="at(hook.finger)" :y1="-reach - 34" y2="-20" class="want" />
          </g>
          <line v-if="hookAt !== null" :x1="at(hookAt)" :x2="at(hookAt)" :y1="-reach - 26" :y2="-reach + 4" class="hook" />
          <g v-if="thumb">
            <line :x1="at(thumb.zone.from)" :x2="at(thumb.zone.to)" y1="52" y2="52" class="zone" />
          </g>
          <circle
            v-for="handle in clampHandles"
            :key="handle.setting"
            :cx="at(handle.at)"
            :cy="handle.y"
            r="10"
            class="handle"
            role="slider"
            tabindex="0"
            :aria-label="handle.label"
            :aria-valuenow="aim(handle.setting)"
            :aria-valuetext="
              aim(handle.setting) === 0
                ? 'where it is'
                : `${Math.abs(aim(handle.setting))} mm ${aim(handle.setting) > 0 ? 'inboard' : 'outboard'}`
            "
            @pointerdown="down(handle.setting, $event)"
            @pointermove="drag.drag"
            @pointerup="drag.up"
            @pointercancel="drag.up"
            @keydown="key(handle.setting, $event)"
          />
          <g class="chain">
            <line :x1="at(0)" :x2="at(length)" y1="74" y2="74" />
            <line :x1="at(0)" :x2="at(0)" y1="68" y2="80" />
            <line v-for="mark in chain" :key="mark.key" :x1="at(mark.to)" :x2="at(mark.to)" y1="68" y2="80" />
          </g>
        </g>
      </g>
      <g v-for="mark in chain" :key="mark.key">
        <text
          :x="mirror === 1 ? MARGIN.x + MIDDLE + at((mark.from + mark.to) / 2) : WIDTH - MARGIN.x - MIDDLE - at((mark.from + mark.to) / 2)"
          :y="MARGIN.y + 92 + (at((mark.from + mark.to) / 2) * sweep * Math.PI) / 180 + mark.row * 19"
          text-anchor="middle"
        >
          {{ mark.label }} {{ shown(mark.to) }}
        </text>
      </g>
    </svg>
    <p v-if="!missing" class="small muted key">
      {{ preferences.unit }} from the end. Dashed: finger. Brick: hook. Green: thumb. Rings slide the clamps.
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
.stem {
  fill: var(--ink);
}
.bar {
  fill: var(--steel);
}
.grip {
  fill: var(--grip, #4a4842);
}
.hand {
  fill: var(--skin, #e2dac8);
  stroke: var(--steel);
  stroke-width: 1;
}
.index {
  fill: var(--skin, #e2dac8);
  stroke: var(--petrol);
  stroke-width: 1.5;
}
.clamp {
  fill: var(--ink);
}
.second {
  opacity: 0.8;
}
.third {
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
