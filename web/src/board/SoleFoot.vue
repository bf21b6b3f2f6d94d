<script setup lang="ts">
import { computed, ref } from 'vue'
import { cleatSchool } from '@level-stance/core/stations/feet/cleat/schools'
import { soleDrawing } from '@level-stance/core/stations/feet/cleat/soleDrawing'
import type { SolePoint } from '@level-stance/core/stations/feet/cleat/soleDrawing'
import { smooth } from '@level-stance/core/figure/shapes'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import type { Side } from '@level-stance/core/kernel/sided'
import { useSvgDrag } from '../kit/svgDrag.ts'
import { heldInSlot, heldTurn, turnOfHeel } from './boardFoot.ts'
import type { BoardFoot } from './boardFoot.ts'

/**
 * One foot from above, to scale, about its pedal: the pedal's middle is the origin, y runs backward.
 * The foot is drawn as the float's middle turns it; the cleat stays in line with the bike.
 */
const props = defineProps<{
  side: Side
  foot: BoardFoot
  unit: LengthUnit
  movable: boolean
  showStart: boolean
  /** schools marked, float and swing, or the shoe round the foot */
  shows: 'fore-aft' | 'rotation' | 'shoe'
}>()
const emit = defineEmits<{ aim: [setback: number]; turn: [toeOut: number] }>()

const pedal = ref<SVGGElement | null>(null)
const sole = ref<SVGGElement | null>(null)
const outward = computed<1 | -1>(() => (props.side === 'left' ? -1 : 1))
const turnNow = computed(() => props.foot.turn ?? 0)
const setbackNow = computed(() => props.foot.setbackNow ?? 0)
const turned = computed(() => `rotate(${outward.value * turnNow.value})`)
/** Keeps the cleat and words in line with the bike on a turned foot. */
const straight = computed(() => -outward.value * turnNow.value)
const axleFromHeel = computed(() => (props.foot.heelToMtp1 ?? 190) - setbackNow.value)
const lx = (across: number) => outward.value * (across + props.foot.inboard)
const ly = (along: number) => axleFromHeel.value - along
const middleX = computed(() => lx(0))

const drawing = computed(() => {
  const { footLength, heelToMtp1, heelToMtp5, footWidth, heelWidth, shoe } = props.foot
  if (footLength === null || heelToMtp1 === null) return null
  const drawn = soleDrawing({ footLength, heelToMtp1, heelToMtp5, ballWidth: footWidth, heelWidth })
  const outline = (points: readonly SolePoint[]) => smooth(points.map((p) => ({ x: lx(p.across), y: ly(p.along) })))
  const insole =
    shoe && soleDrawing({ footLength: shoe.length, heelToMtp1, heelToMtp5, ballWidth: shoe.ballWidth, heelWidth: shoe.heelWidth })
  return { ...drawn, path: outline(drawn.outline), insole: insole && outline(insole.outline) }
})

/** Height on the sole of an axle at a setback, from where it is now. */
const axleY = (setback: number) => setback - setbackNow.value

/** School lines that fall on this foot; labels on the outer side, moved apart where they would touch. */
const schoolLines = computed(() => {
  if (props.shows !== 'fore-aft') return []
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
const PLATE = 'M-19 -20 Q0 -30 19 -20 L23 4 L17 20 Q0 25 -17 20 L-23 4 Z'
const plateAt = (setback: number) => `translate(0 ${axleY(setback)}) rotate(${straight.value})`

/** A direction of the heel about the pedal, at a distance. */
function heelAt(toeOut: number, radius: number): { x: number; y: number } {
  const angle = (toeOut * Math.PI) / 180
  return { x: -outward.value * radius * Math.sin(angle), y: radius * Math.cos(angle) }
}
function arc(low: number, high: number, radius: number): string {
  const [from, to] = [heelAt(low, radius), heelAt(high, radius)]
  return `M${from.x} ${from.y} A${radius} ${radius} 0 0 ${outward.value === 1 ? 1 : 0} ${to.x} ${to.y}`
}
const fan = computed(() => {
  const { turn, float, swing } = props.foot
  if (props.shows !== 'rotation' || turn === null || float === null) return null
  const radius = axleFromHeel.value + 14
  const [low, high] = [turn - float / 2, turn + float / 2]
  const [a, b] = [heelAt(low, radius), heelAt(high, radius)]
  return {
    sector: `M0 0 L${a.x} ${a.y} A${radius} ${radius} 0 0 ${outward.value === 1 ? 1 : 0} ${b.x} ${b.y} Z`,
    swing: swing && arc(swing.low, swing.high, radius + 9),
    cups:
      props.foot.heelOutside === null
        ? []
        : [low, high].map((toeOut) => heelAt(toeOut, axleFromHeel.value - (props.foot.heelOutside ?? 0) / 2)),
  }
})
const turnHandle = computed(() => {
  const { turn, turnAim } = props.foot
  return props.shows !== 'rotation' || turn === null
    ? null
    : { at: heelAt(turnAim ?? turn, axleFromHeel.value + 42), value: turnAim ?? turn }
})

const handleAt = computed(() => props.foot.aim ?? props.foot.setbackNow)
const mm = (value: number) => `${formatLength(value, props.unit)} ${props.unit}`
const degrees = (value: number) => `${trimmed(value, 1)}°`

// What a hand holds: the value under it less that of the handle.
const { dragging: isAiming, vDrag: vAim } = useSvgDrag(
  () => sole.value,
  (at) => (props.movable && handleAt.value !== null ? setbackNow.value + at.y - handleAt.value : null),
  (at, grab) => {
    const setback = heldInSlot(setbackNow.value + at.y - grab, props.foot.slot)
    if (setback !== props.foot.aim) emit('aim', setback)
  },
)
const { dragging: isTurning, vDrag: vTurn } = useSvgDrag(
  () => pedal.value,
  (at) => (props.movable && turnHandle.value !== null ? turnOfHeel(at.x, at.y, outward.value) - turnHandle.value.value : null),
  (at, grab) => {
    const turn = heldTurn(turnOfHeel(at.x, at.y, outward.value) - grab, props.foot.turnRoom)
    if (turn !== (props.foot.turnAim ?? props.foot.turn)) emit('turn', turn)
  },
)

function nudge(event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 }[event.key]
  if (!props.movable || by === undefined || handleAt.value === null) return
  event.preventDefault()
  emit('aim', heldInSlot(handleAt.value + (event.shiftKey ? by / 2 : by), props.foot.slot))
}
function nudgeTurn(event: KeyboardEvent): void {
  const by = { ArrowUp: 0.5, ArrowRight: 0.5, ArrowDown: -0.5, ArrowLeft: -0.5, PageUp: 2, PageDown: -2 }[event.key]
  if (!props.movable || by === undefined || turnHandle.value === null) return
  event.preventDefault()
  emit('turn', heldTurn(turnHandle.value.value + by, props.foot.turnRoom))
}
</script>

<template>
  <g ref="pedal" :class="side">
    <template v-if="drawing">
      <template v-if="fan">
        <path class="fan" :d="fan.sector" />
        <circle v-for="(cup, i) in fan.cups" :key="i" class="cup" :cx="cup.x" :cy="cup.y" :r="(foot.heelOutside ?? 0) / 2" />
      </template>
      <g ref="sole" :transform="turned">
        <path class="sole" :class="{ guessed: foot.footEstimated }" :d="drawing.path" />
        <path v-if="shows === 'shoe' && drawing.insole" class="insole" :d="drawing.insole" />
        <line class="long" :x1="middleX" :x2="middleX" :y1="ly(0)" :y2="ly(foot.footLength ?? 0)" />
        <g v-for="school in schoolLines" :key="school.key" class="school">
          <line :x1="middleX - 52" :x2="middleX + 52" :y1="school.y" :y2="school.y" />
          <text
            x="0"
            y="0"
            :text-anchor="side === 'left' ? 'end' : 'start'"
            :transform="`translate(${middleX + outward * 55} ${school.labelY}) rotate(${straight})`"
            >{{ school.label }}</text
          >
        </g>
        <rect
          v-if="foot.slot"
          class="slot"
          :x="middleX - Math.max(10, foot.slotAcross ?? 0) / 2"
          :y="axleY(foot.slot.foremost)"
          :width="Math.max(10, foot.slotAcross ?? 0)"
          :height="Math.max(1, foot.slot.rearmost - foot.slot.foremost)"
          rx="3"
        />
        <path
          v-if="showStart && foot.setbackStart !== null && foot.setbackStart !== foot.setbackNow"
          class="ghost"
          :d="PLATE"
          :transform="plateAt(foot.setbackStart)"
        />
        <g v-if="foot.setbackNow !== null" :transform="plateAt(foot.setbackNow)">
          <path class="cleat" :d="PLATE" />
          <line class="axle" x1="-36" x2="36" y1="0" y2="0" />
        </g>
        <circle class="head" :cx="lx(drawing.mtp1.across)" :cy="ly(drawing.mtp1.along)" r="4.5" />
        <circle v-if="drawing.mtp5" class="head" :cx="lx(drawing.mtp5.across)" :cy="ly(drawing.mtp5.along)" r="4.5" />
        <path
          v-if="foot.turnAim !== null && foot.turnAim !== foot.turn"
          class="proposal"
          :d="drawing.path"
          :transform="`rotate(${outward * (foot.turnAim - turnNow)})`"
        />
        <g
          v-if="handleAt !== null"
          v-aim
          class="handle along"
          :class="{ movable, active: isAiming }"
          role="slider"
          :tabindex="movable ? 0 : -1"
          :aria-label="`Cleat to try, ${side}`"
          aria-orientation="vertical"
          :aria-valuemin="foot.slot?.foremost ?? -30"
          :aria-valuemax="foot.slot?.rearmost ?? 90"
          :aria-valuenow="handleAt"
          :aria-valuetext="`${mm(handleAt)} behind the ball`"
          :aria-disabled="!movable"
          @keydown="nudge"
        >
          <rect class="reach" x="-30" :y="axleY(handleAt) - 34" width="60" height="64" />
          <template v-if="foot.aim !== null">
            <g :transform="plateAt(foot.aim)">
              <path class="proposal" :d="PLATE" />
              <line class="proposal" x1="-36" x2="36" y1="0" y2="0" />
            </g>
            <g v-if="foot.firstStep !== null && foot.firstStep !== foot.aim" :transform="plateAt(foot.firstStep)">
              <line class="step" x1="-30" x2="30" y1="0" y2="0" />
              <text class="step-label" :x="-outward * 44" y="4" text-anchor="middle">now</text>
            </g>
          </template>
        </g>
      </g>
      <g
        v-if="turnHandle"
        v-turn
        class="handle"
        :class="{ movable, active: isTurning }"
        role="slider"
        :tabindex="movable ? 0 : -1"
        :aria-label="`Foot’s direction to try, ${side}`"
        :aria-valuemin="foot.turnRoom.low"
        :aria-valuemax="foot.turnRoom.high"
        :aria-valuenow="turnHandle.value"
        :aria-valuetext="`toes ${degrees(Math.abs(turnHandle.value))} ${turnHandle.value < 0 ? 'in' : 'out'}`"
        :aria-disabled="!movable"
        @keydown="nudgeTurn"
      >
        <line class="lever" x1="0" y1="0" :x2="turnHandle.at.x" :y2="turnHandle.at.y" />
        <circle class="reach round" :cx="turnHandle.at.x" :cy="turnHandle.at.y" r="21" />
        <circle class="knob" :cx="turnHandle.at.x" :cy="turnHandle.at.y" r="10" />
      </g>
      <path v-if="fan?.swing" class="swing" :d="fan.swing" />
      <text class="value" x="0" :y="axleFromHeel + 76" text-anchor="middle">
        <template v-if="shows === 'rotation'">
          <template v-if="foot.turn !== null">
            {{ degrees(foot.turn) }}
            <tspan v-if="foot.turnAim !== null && foot.turnAim !== foot.turn" class="to">→ {{ degrees(foot.turnAim) }}</tspan>
          </template>
          <tspan v-else class="caption">cleat’s turn not read</tspan>
        </template>
        <template v-else-if="shows === 'shoe'">
          <tspan v-if="foot.shoe === null" class="caption">measure the insole</tspan>
        </template>
        <template v-else-if="foot.setbackNow !== null">
          {{ mm(foot.setbackNow) }}
          <tspan v-if="foot.aim !== null && foot.aim !== foot.setbackNow" class="to">→ {{ mm(foot.aim) }}</tspan>
        </template>
        <tspan v-else class="caption">measure behind ball</tspan>
      </text>
    </template>
    <template v-else>
      <rect class="unknown" x="-50" y="-90" width="100" height="262" rx="50" />
      <text class="caption" x="0" y="30" text-anchor="middle">measure</text>
      <text class="caption" x="0" y="48" text-anchor="middle">{{ foot.footLength === null ? 'foot length' : 'heel to ball' }}</text>
    </template>
  </g>
</template>

<style scoped>
.caption {
  fill: var(--muted);
  font-size: 12px;
  font-weight: 400;
}
.sole {
  fill: var(--sole);
  fill-opacity: 0.86;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.sole.guessed {
  stroke-dasharray: 5 3;
}
.insole {
  fill: var(--petrol);
  fill-opacity: 0.07;
  stroke: var(--petrol);
  stroke-width: 1.6;
}
.long {
  stroke: var(--steel);
  stroke-width: 0.8;
  stroke-dasharray: 10 4 2 4;
}
.fan {
  fill: var(--glass);
  fill-opacity: 0.75;
  stroke: var(--glass-edge);
}
.cup {
  fill: none;
  stroke: var(--muted);
  stroke-dasharray: 3 3;
  stroke-width: 0.8;
}
.swing {
  fill: none;
  stroke: var(--bubble);
  stroke-width: 6;
  stroke-linecap: butt;
}
.unknown {
  fill: none;
  stroke: var(--steel);
  stroke-dasharray: 5 4;
}
.school line {
  stroke: var(--petrol);
  stroke-opacity: 0.55;
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
  stroke-opacity: 0.6;
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
  cursor: grab;
}
.handle.along.movable {
  cursor: ns-resize;
}
.handle:focus-visible {
  outline: none;
}
.handle:focus-visible .reach {
  stroke: var(--petrol);
  stroke-width: 2;
}
.lever {
  stroke: var(--petrol);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
.knob {
  fill: var(--panel);
  stroke: var(--petrol);
  stroke-width: 2.5;
}
.active .knob {
  fill: var(--petrol);
}
path.proposal {
  fill: var(--petrol);
  fill-opacity: 0.06;
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
  paint-order: stroke;
  stroke: var(--panel);
  stroke-width: 3;
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
