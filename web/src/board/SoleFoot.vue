<script setup lang="ts">
import { curveCatmullRomClosed, line } from 'd3-shape'
import { computed, ref } from 'vue'
import { cleatSchool } from '@level-stance/core/feet/cleatSchools'
import { soleDrawing } from '@level-stance/core/feet/soleDrawing'
import type { SolePoint } from '@level-stance/core/feet/soleDrawing'
import { formatLength } from '@level-stance/core/quantity/entry'
import type { LengthUnit } from '@level-stance/core/quantity/entry'
import type { Side } from '@level-stance/core/quantity/sided'
import { heldInSlot } from './boardFoot.ts'
import type { BoardFoot } from './boardFoot.ts'

const props = defineProps<{
  side: Side
  foot: BoardFoot
  x: number
  heelY: number
  unit: LengthUnit
  movable: boolean
  showStart: boolean
}>()
const emit = defineEmits<{ aim: [setback: number] }>()

const group = ref<SVGGElement | null>(null)
const dragging = ref(false)
/** setback under the finger less that of the cleat, while dragging */
let grab = 0

const outward = computed(() => (props.side === 'left' ? -1 : 1))
const px = (across: number) => props.x + outward.value * across
const py = (along: number) => props.heelY - along

const drawing = computed(() => {
  const { footLength, heelToMtp1, heelToMtp5 } = props.foot
  if (footLength === null || heelToMtp1 === null) return null
  const sole = soleDrawing({ footLength, heelToMtp1, heelToMtp5 })
  const outline = line<SolePoint>(
    (p) => px(p.across),
    (p) => py(p.along),
  ).curve(curveCatmullRomClosed.alpha(0.5))
  return { ...sole, path: outline([...sole.outline]) ?? '' }
})

/** Height on the board of an axle at a setback. */
const axleY = (setback: number) => py((props.foot.heelToMtp1 ?? 0) - setback)

/** School lines that fall on this foot; labels on the outer side, moved apart where they would touch. */
const schoolLines = computed(() => {
  const rows = props.foot.schools
    .filter((row) => row.target !== null)
    .map((row) => ({ key: row.school, label: cleatSchool(row.school).tick, y: axleY(row.target ?? 0), labelY: 0 }))
    .sort((a, b) => a.y - b.y)
  let last = -Infinity
  for (const row of rows) {
    row.labelY = Math.max(row.y + 3.5, last + 12)
    last = row.labelY
  }
  return rows
})

/** The cleat's own outline about its axle, mm: a plate wider at its nose. */
function plate(setback: number): string {
  const y = axleY(setback)
  const { x } = props
  return `M${x - 19} ${y - 20} Q${x} ${y - 30} ${x + 19} ${y - 20} L${x + 23} ${y + 4} L${x + 17} ${y + 20} Q${x} ${y + 25} ${x - 17} ${y + 20} L${x - 23} ${y + 4} Z`
}

const handleAt = computed(() => props.foot.aim ?? props.foot.setbackNow)
const mm = (value: number) => `${formatLength(value, props.unit)} ${props.unit}`

function setbackAt(event: PointerEvent): number | null {
  const matrix = group.value?.getScreenCTM()
  const { heelToMtp1 } = props.foot
  if (!matrix || heelToMtp1 === null) return null
  const { y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
  return heelToMtp1 - (props.heelY - y)
}

function start(event: PointerEvent): void {
  const here = setbackAt(event)
  if (!props.movable || here === null || handleAt.value === null) return
  grab = here - handleAt.value
  dragging.value = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}

function move(event: PointerEvent): void {
  const here = dragging.value ? setbackAt(event) : null
  if (here === null) return
  const setback = heldInSlot(here - grab, props.foot.slot)
  if (setback !== props.foot.aim) emit('aim', setback)
}

function nudge(event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 }[event.key]
  if (!props.movable || by === undefined || handleAt.value === null) return
  event.preventDefault()
  emit('aim', heldInSlot(handleAt.value + (event.shiftKey ? by / 2 : by), props.foot.slot))
}
</script>

<template>
  <g ref="group" :class="side">
    <template v-if="drawing">
      <path class="sole" :class="{ guessed: foot.footEstimated }" :d="drawing.path" />
      <g v-for="school in schoolLines" :key="school.key" class="school">
        <line :x1="x - 58" :x2="x + 58" :y1="school.y" :y2="school.y" />
        <text :x="x + outward * 61" :y="school.labelY" :text-anchor="side === 'left' ? 'end' : 'start'">{{ school.label }}</text>
      </g>
      <rect
        v-if="foot.slot"
        class="slot"
        :x="x - 8"
        :y="axleY(foot.slot.foremost)"
        width="16"
        :height="Math.max(1, foot.slot.rearmost - foot.slot.foremost)"
        rx="3"
      />
      <path
        v-if="showStart && foot.setbackStart !== null && foot.setbackStart !== foot.setbackNow"
        class="ghost"
        :d="plate(foot.setbackStart)"
      />
      <template v-if="foot.setbackNow !== null">
        <path class="cleat" :d="plate(foot.setbackNow)" />
        <line class="axle" :x1="x - 40" :x2="x + 40" :y1="axleY(foot.setbackNow)" :y2="axleY(foot.setbackNow)" />
      </template>
      <circle class="head" :cx="px(drawing.mtp1.across)" :cy="py(drawing.mtp1.along)" r="4.5" />
      <circle v-if="drawing.mtp5" class="head" :cx="px(drawing.mtp5.across)" :cy="py(drawing.mtp5.along)" r="4.5" />
      <g
        v-if="handleAt !== null"
        class="handle"
        :class="{ movable, active: dragging }"
        role="slider"
        :tabindex="movable ? 0 : -1"
        :aria-label="`Cleat to try, ${side}`"
        aria-orientation="vertical"
        :aria-valuemin="foot.slot?.foremost ?? -30"
        :aria-valuemax="foot.slot?.rearmost ?? 90"
        :aria-valuenow="handleAt"
        :aria-valuetext="`${mm(handleAt)} behind the ball`"
        :aria-disabled="!movable"
        @pointerdown="start"
        @pointermove="move"
        @pointerup="dragging = false"
        @pointercancel="dragging = false"
        @keydown="nudge"
      >
        <rect class="reach" :x="x - 30" :y="axleY(handleAt) - 34" width="60" height="64" />
        <template v-if="foot.aim !== null">
          <path class="proposal" :d="plate(foot.aim)" />
          <line class="proposal" :x1="x - 40" :x2="x + 40" :y1="axleY(foot.aim)" :y2="axleY(foot.aim)" />
          <g v-if="foot.firstStep !== null && foot.firstStep !== foot.aim">
            <line class="step" :x1="x - 30" :x2="x + 30" :y1="axleY(foot.firstStep)" :y2="axleY(foot.firstStep)" />
            <text class="step-label" :x="x - outward * 70" :y="axleY(foot.firstStep) + 4" text-anchor="middle">now</text>
          </g>
        </template>
      </g>
      <text v-if="foot.setbackNow !== null" class="value" :x="x" y="456" text-anchor="middle">
        {{ mm(foot.setbackNow) }}
        <tspan v-if="foot.aim !== null && foot.aim !== foot.setbackNow" class="to">→ {{ mm(foot.aim) }}</tspan>
      </text>
      <text v-else class="caption" :x="x" y="456" text-anchor="middle">measure behind ball</text>
    </template>
    <template v-else>
      <rect class="unknown" :x="x - 52" y="150" width="104" height="270" rx="50" />
      <text class="caption" :x="x" y="276" text-anchor="middle">measure</text>
      <text class="caption" :x="x" y="294" text-anchor="middle">{{ foot.footLength === null ? 'foot length' : 'heel to ball' }}</text>
    </template>
  </g>
</template>

<style scoped>
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
</style>
