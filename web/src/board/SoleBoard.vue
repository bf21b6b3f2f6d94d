<script setup lang="ts">
import { curveCatmullRomClosed, line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { SchoolTarget } from '@level-stance/core/feet/cleatTarget'
import { cleatSchool } from '@level-stance/core/feet/cleatSchools'
import { soleDrawing } from '@level-stance/core/feet/soleDrawing'
import type { SolePoint } from '@level-stance/core/feet/soleDrawing'
import { formatLength, trimmed } from '@level-stance/core/quantity/entry'
import type { LengthUnit } from '@level-stance/core/quantity/entry'
import { bySide, sides } from '@level-stance/core/quantity/sided'
import type { Side, Sided } from '@level-stance/core/quantity/sided'

/** One foot as the board draws it; mm. */
export interface BoardFoot {
  readonly footLength: number | null
  readonly footEstimated: boolean
  readonly heelToMtp1: number | null
  readonly heelToMtp5: number | null
  readonly setbackStart: number | null
  readonly setbackNow: number | null
  readonly slot: { readonly foremost: number; readonly rearmost: number } | null
  readonly aim: number | null
  readonly firstStep: number | null
  readonly schools: readonly SchoolTarget[]
}

const props = defineProps<{ feet: Sided<BoardFoot>; unit: LengthUnit; movable: boolean; showStart: boolean }>()
const emit = defineEmits<{ aim: [side: Side, setback: number] }>()

const width = 384
const axis = { left: 106, right: 278 } as const
const heelY = 420
const svg = ref<SVGSVGElement | null>(null)
const dragging = ref<Side | null>(null)

const outlineOf = line<SolePoint>().curve(curveCatmullRomClosed.alpha(0.5))
const outward = (side: Side) => (side === 'left' ? -1 : 1)
const px = (side: Side, across: number) => axis[side] + outward(side) * across
const py = (along: number) => heelY - along

const drawings = computed(() =>
  bySide((side) => {
    const { footLength, heelToMtp1, heelToMtp5 } = props.feet[side]
    if (footLength === null || heelToMtp1 === null) return null
    const drawing = soleDrawing({ footLength, heelToMtp1, heelToMtp5 })
    const path = outlineOf.x((p) => px(side, p.across)).y((p) => py(p.along))([...drawing.outline])
    return { ...drawing, path: path ?? '' }
  }),
)

/** The board shows as much above the heel as the longer foot needs. */
const top = computed(() => heelY - Math.max(260, ...sides.map((side) => props.feet[side].footLength ?? 0)) - 36)

/** Height on the board of an axle at a setback. */
function axleY(side: Side, setback: number): number {
  return py((props.feet[side].heelToMtp1 ?? 0) - setback)
}

/** School lines that fall on this foot; labels on the outer side, moved apart where they would touch. */
const schoolLines = computed(() =>
  bySide((side) => {
    const rows = props.feet[side].schools
      .filter((row) => row.target !== null)
      .map((row) => ({ key: row.school, label: cleatSchool(row.school).tick, y: axleY(side, row.target ?? 0), labelY: 0 }))
      .sort((a, b) => a.y - b.y)
    let last = -Infinity
    for (const row of rows) {
      row.labelY = Math.max(row.y + 3.5, last + 12)
      last = row.labelY
    }
    return rows
  }),
)

/** The cleat's own outline about its axle, mm: a plate wider at its nose. */
function plate(side: Side, setback: number): string {
  const y = axleY(side, setback)
  const x = axis[side]
  return `M${x - 19} ${y - 20} Q${x} ${y - 30} ${x + 19} ${y - 20} L${x + 23} ${y + 4} L${x + 17} ${y + 20} Q${x} ${y + 25} ${x - 17} ${y + 20} L${x - 23} ${y + 4} Z`
}

function setbackAt(side: Side, event: PointerEvent): number | null {
  const matrix = svg.value?.getScreenCTM()
  const { heelToMtp1, slot } = props.feet[side]
  if (!matrix || heelToMtp1 === null) return null
  const y = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()).y
  return held(heelToMtp1 - (heelY - y) - grab.value, slot)
}

/** Held in the slot and to what a hand can set. */
function held(setback: number, slot: BoardFoot['slot']): number {
  const inside = slot === null ? Math.min(90, Math.max(-30, setback)) : Math.min(slot.rearmost, Math.max(slot.foremost, setback))
  const rounded = Math.round(inside * 2) / 2
  return slot !== null && (rounded > slot.rearmost || rounded < slot.foremost) ? inside : rounded
}

const grab = ref(0)
function start(side: Side, event: PointerEvent): void {
  if (!props.movable) return
  const { aim, setbackNow } = props.feet[side]
  const from = aim ?? setbackNow
  if (from === null) return
  grab.value = 0
  const here = setbackAt(side, event)
  grab.value = here === null ? 0 : here - from
  dragging.value = side
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}

function move(side: Side, event: PointerEvent): void {
  if (dragging.value !== side) return
  const setback = setbackAt(side, event)
  if (setback !== null && setback !== props.feet[side].aim) emit('aim', side, setback)
}

function nudge(side: Side, event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 }[event.key]
  const { aim, setbackNow, slot } = props.feet[side]
  const from = aim ?? setbackNow
  if (!props.movable || by === undefined || from === null) return
  event.preventDefault()
  emit('aim', side, held(from + (event.shiftKey ? by / 2 : by), slot))
}

const mm = (value: number) => `${formatLength(value, props.unit)} ${props.unit}`
const handleText = (side: Side) => {
  const { aim, setbackNow } = props.feet[side]
  const at = aim ?? setbackNow
  return at === null ? 'not read' : `${mm(at)} behind the ball`
}
const scaleBar = computed(() => (props.unit === 'in' ? { length: 50.8, label: '2 in' } : { length: 50, label: '50 mm' }))
</script>

<template>
  <figure class="board">
    <svg ref="svg" :viewBox="`0 ${top} ${width} ${500 - top}`" role="group" aria-label="Both soles from above, to scale">
      <line class="middle" :x1="width / 2" :x2="width / 2" :y1="top + 22" y2="440" />
      <text class="caption" :x="width / 2" :y="top + 14" text-anchor="middle">bike’s middle</text>
      <g v-for="side in sides" :key="side" :class="side">
        <text class="caption" :x="axis[side]" :y="top + 14" text-anchor="middle">{{ side }}</text>
        <template v-if="drawings[side]">
          <path class="sole" :class="{ guessed: feet[side].footEstimated }" :d="drawings[side]?.path" />
          <g v-for="school in schoolLines[side]" :key="school.key" class="school">
            <line :x1="axis[side] - 58" :x2="axis[side] + 58" :y1="school.y" :y2="school.y" />
            <text :x="axis[side] + outward(side) * 61" :y="school.labelY" :text-anchor="side === 'left' ? 'end' : 'start'">
              {{ school.label }}
            </text>
          </g>
          <template v-if="feet[side].slot">
            <rect
              class="slot"
              :x="axis[side] - 8"
              :y="axleY(side, feet[side].slot?.foremost ?? 0)"
              width="16"
              :height="Math.max(1, (feet[side].slot?.rearmost ?? 0) - (feet[side].slot?.foremost ?? 0))"
              rx="3"
            />
          </template>
          <path
            v-if="showStart && feet[side].setbackStart !== null && feet[side].setbackStart !== feet[side].setbackNow"
            class="ghost"
            :d="plate(side, feet[side].setbackStart ?? 0)"
          />
          <template v-if="feet[side].setbackNow !== null">
            <path class="cleat" :d="plate(side, feet[side].setbackNow ?? 0)" />
            <line
              class="axle"
              :x1="axis[side] - 40"
              :x2="axis[side] + 40"
              :y1="axleY(side, feet[side].setbackNow ?? 0)"
              :y2="axleY(side, feet[side].setbackNow ?? 0)"
            />
          </template>
          <circle class="head" :cx="px(side, drawings[side]?.mtp1.across ?? 0)" :cy="py(drawings[side]?.mtp1.along ?? 0)" r="4.5" />
          <circle
            v-if="drawings[side]?.mtp5"
            class="head"
            :cx="px(side, drawings[side]?.mtp5?.across ?? 0)"
            :cy="py(drawings[side]?.mtp5?.along ?? 0)"
            r="4.5"
          />
          <g
            v-if="feet[side].setbackNow !== null"
            class="handle"
            :class="{ movable, active: dragging === side }"
            role="slider"
            :tabindex="movable ? 0 : -1"
            :aria-label="`Cleat to try, ${side}`"
            aria-orientation="vertical"
            :aria-valuemin="feet[side].slot?.foremost ?? -30"
            :aria-valuemax="feet[side].slot?.rearmost ?? 90"
            :aria-valuenow="feet[side].aim ?? feet[side].setbackNow ?? 0"
            :aria-valuetext="handleText(side)"
            :aria-disabled="!movable"
            @pointerdown="start(side, $event)"
            @pointermove="move(side, $event)"
            @pointerup="dragging = null"
            @pointercancel="dragging = null"
            @keydown="nudge(side, $event)"
          >
            <rect
              class="reach"
              :x="axis[side] - 30"
              :y="axleY(side, feet[side].aim ?? feet[side].setbackNow ?? 0) - 34"
              width="60"
              height="64"
            />
            <template v-if="feet[side].aim !== null">
              <path class="proposal" :d="plate(side, feet[side].aim ?? 0)" />
              <line
                class="proposal"
                :x1="axis[side] - 40"
                :x2="axis[side] + 40"
                :y1="axleY(side, feet[side].aim ?? 0)"
                :y2="axleY(side, feet[side].aim ?? 0)"
              />
              <g v-if="feet[side].firstStep !== null && feet[side].firstStep !== feet[side].aim">
                <line
                  class="step"
                  :x1="axis[side] - 30"
                  :x2="axis[side] + 30"
                  :y1="axleY(side, feet[side].firstStep ?? 0)"
                  :y2="axleY(side, feet[side].firstStep ?? 0)"
                />
                <text
                  class="step-label"
                  :x="axis[side] - outward(side) * 70"
                  :y="axleY(side, feet[side].firstStep ?? 0) + 4"
                  text-anchor="middle"
                >
                  now
                </text>
              </g>
            </template>
          </g>
          <text v-if="feet[side].setbackNow !== null" class="value" :x="axis[side]" y="456" text-anchor="middle">
            {{ mm(feet[side].setbackNow ?? 0) }}
            <tspan v-if="feet[side].aim !== null && feet[side].aim !== feet[side].setbackNow" class="to">
              → {{ mm(feet[side].aim ?? 0) }}
            </tspan>
          </text>
          <text v-else class="caption" :x="axis[side]" y="456" text-anchor="middle">measure behind ball</text>
        </template>
        <template v-else>
          <rect class="unknown" :x="axis[side] - 52" y="130" width="104" height="280" rx="50" />
          <text class="caption" :x="axis[side]" y="262" text-anchor="middle">measure</text>
          <text class="caption" :x="axis[side]" y="280" text-anchor="middle">foot length</text>
        </template>
      </g>
      <g class="scale">
        <line x1="14" :x2="14 + scaleBar.length" y1="484" y2="484" />
        <text x="14" y="476">{{ scaleBar.label }}</text>
      </g>
      <text class="legend" :x="width - 10" y="488" text-anchor="end">pale: start · solid: now · dashed: to try</text>
    </svg>
    <table class="visually-hidden">
      <caption>
        Cleats as drawn, mm behind MTP1
      </caption>
      <thead>
        <tr>
          <th>Foot</th>
          <th>Start</th>
          <th>Now</th>
          <th>To try</th>
          <th>Slot</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="side in sides" :key="side">
          <td>{{ side }}</td>
          <td>{{ feet[side].setbackStart ?? 'not read' }}</td>
          <td>{{ feet[side].setbackNow ?? 'not read' }}</td>
          <td>{{ feet[side].aim ?? 'none' }}</td>
          <td>
            {{
              feet[side].slot === null
                ? 'not read'
                : `${trimmed(feet[side].slot?.foremost ?? 0, 1)} to ${trimmed(feet[side].slot?.rearmost ?? 0, 1)}`
            }}
          </td>
        </tr>
      </tbody>
    </table>
  </figure>
</template>

<style scoped>
.board {
  margin: 0;
  height: 100%;
}
svg {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
  user-select: none;
}
.middle {
  stroke: var(--steel);
  stroke-dasharray: 10 4 2 4;
}
.caption {
  fill: var(--muted);
  font-size: 12px;
}
.sole {
  fill: var(--sole);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.sole.guessed {
  stroke-dasharray: 5 3;
}
.unknown {
  fill: none;
  stroke: var(--steel);
  stroke-dasharray: 5 4;
}
.school line {
  stroke: var(--petrol);
  opacity: 0.55;
  stroke-dasharray: 5 4;
  stroke-width: 0.9;
}
.school text {
  fill: var(--petrol);
  font-size: 11px;
}
.slot {
  fill: var(--panel);
  stroke: var(--muted);
  stroke-width: 0.8;
}
.ghost {
  fill: none;
  stroke: var(--muted);
  opacity: 0.6;
}
.cleat {
  fill: var(--steel);
  fill-opacity: 0.45;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
}
.axle {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.head {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.reach {
  fill: transparent;
}
.handle.movable {
  cursor: ns-resize;
}
.handle:focus-visible {
  outline: none;
}
.handle:focus-visible .reach {
  stroke: var(--petrol);
  stroke-width: 2;
}
path.proposal {
  fill: var(--petrol);
  fill-opacity: 0.1;
}
.proposal {
  stroke: var(--petrol);
  stroke-width: 1.8;
  stroke-dasharray: 5 3;
}
.step {
  stroke: var(--petrol);
  stroke-width: 2.5;
}
.step-label {
  fill: var(--petrol);
  font-size: 11px;
  font-weight: 600;
}
.value {
  fill: var(--ink);
  font:
    600 16px 'Barlow Semi Condensed',
    sans-serif;
}
.value .to {
  fill: var(--petrol);
}
.scale line {
  stroke: var(--muted);
  stroke-width: 3;
}
.scale text,
.legend {
  fill: var(--muted);
  font-size: 11px;
}
</style>
