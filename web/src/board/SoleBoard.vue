<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import { useZoom } from '../kit/zoom.ts'
import SoleFoot from './SoleFoot.vue'
import type { BoardBike, BoardFoot } from './boardFoot.ts'
import ZoomTools from './ZoomTools.vue'

/** Both soles on their pedals from above, all in one scale about the bike's middle; both pedals are drawn forward. */
const props = defineProps<{
  left: BoardFoot
  right: BoardFoot
  bike: BoardBike
  unit: LengthUnit
  movable: boolean
  showStart: boolean
  shows: 'fore-aft' | 'rotation' | 'stance' | 'shoe'
}>()
defineEmits<{ aim: [side: Side, setback: number]; turn: [side: Side, toeOut: number] }>()

const sign = { left: -1, right: 1 } as const
const footOf = (side: Side) => props[side]
/** Where the pedal's middle lies: the foot's less what the cleat shifts it. */
const pedalX = (side: Side) => sign[side] * (footOf(side).half - footOf(side).inboard)

const reach = computed(() => {
  const ahead = sides.map((side) => (footOf(side).footLength ?? 250) - (footOf(side).heelToMtp1 ?? 185) + (footOf(side).setbackNow ?? 0))
  const behind = sides.map((side) => (footOf(side).heelToMtp1 ?? 185) - (footOf(side).setbackNow ?? 0))
  return { ahead: Math.max(90, ...ahead), behind: Math.max(150, ...behind) }
})
const halfWidth = computed(() => Math.max(...sides.map((side) => footOf(side).half)) + 98)
const top = computed(() => -reach.value.ahead - 34)
/** Rows under the heels: value, chain, its words, the whole stance. */
const chainY = computed(() => reach.value.behind + 94)
const bottom = computed(() => chainY.value + 62)
const stage = ref<SVGSVGElement | null>(null)
const { viewBox, zoomBy, reset } = useZoom(stage, () => ({
  x: -halfWidth.value,
  y: top.value,
  width: 2 * halfWidth.value,
  height: bottom.value - top.value,
}))
const scaleBar = computed(() => (props.unit === 'in' ? { length: 50.8, label: '2 in' } : { length: 50, label: '50 mm' }))
const shown = (value: number) => formatLength(value, props.unit, props.unit === 'mm' ? 1 : 2)

/** Crank arms lean in from the pedal to the bracket; both are drawn forward. */
const arms = computed(() => {
  const { crank, tread } = props.bike
  if (crank === null) return []
  return sides.map((side) => {
    const s = sign[side]
    return `M${s * (tread / 2)} -14 L${s * (tread / 2)} 14 L${s * (tread / 2 - 8)} ${crank + 16} L${s * (tread / 2 - 26)} ${crank + 16} L${s * (tread / 2 - 14)} -14 Z`
  })
})
const stays = computed(() => {
  const { stayWidth, crank } = props.bike
  if (stayWidth === null || crank === null) return []
  const back = bottom.value - 66
  return sides.map((side) => `M${sign[side] * 34} ${crank} L${(sign[side] * stayWidth) / 2} ${Math.min(back, crank + 90)} V${back}`)
})

/** Ends of the chain's parts from the middle outward. */
const chains = computed(() =>
  sides.map((side) => {
    let from = 0
    const parts = footOf(side).chain.map(({ label, length }) => {
      const part = { label, length, from, to: from + length }
      from += length
      return part
    })
    const words = `${footOf(side)
      .chain.map(({ length }) => shown(length))
      .join(' + ')
      .replace(/\+ −/g, '− ')} = ${shown(footOf(side).half)}`
    return { side, parts, words }
  }),
)
const stance = computed(() => props.left.half + props.right.half)
const stanceAim = computed(() => {
  const [l, r] = [props.left.halfAim ?? props.left.half, props.right.halfAim ?? props.right.half]
  return Math.abs(l + r - stance.value) < 0.05 ? null : l + r
})

const legends = {
  'fore-aft': 'pale: start · solid: now · dashed: to try',
  stance: 'solid: now · dashed: to try',
  rotation: 'glass: float · thick arc: heel’s swing',
  shoe: 'dark: foot · green: insole',
} as const

/** The same as the drawing, for a reader of the page. */
const table = computed(() =>
  sides.map((side) => {
    const { setbackStart, setbackNow, aim, slot, turn, turnAim, half } = footOf(side)
    const said = (value: number | null, none: string) => (value === null ? none : trimmed(value, 1))
    return [
      side,
      said(setbackStart, 'not read'),
      said(setbackNow, 'not read'),
      said(aim, 'none'),
      slot ? `${trimmed(slot.foremost, 1)} to ${trimmed(slot.rearmost, 1)}` : 'not read',
      said(turn, 'not read'),
      said(turnAim, 'none'),
      trimmed(half, 1),
    ]
  }),
)
</script>

<template>
  <figure class="board">
    <ZoomTools over :zoom-by="zoomBy" :reset="reset" />
    <svg ref="stage" :viewBox="viewBox" role="group" aria-label="Both soles from above on their pedals, to scale">
      <line class="middle" x1="0" x2="0" :y1="top + 20" :y2="bottom - 58" />
      <text class="caption" x="0" :y="top + 14" text-anchor="middle">bike’s middle</text>
      <text
        v-for="side in sides"
        :key="`name-${side}`"
        class="caption"
        :x="sign[side] * footOf(side).half"
        :y="top + 14"
        text-anchor="middle"
      >
        {{ side }}
      </text>
      <path v-for="(d, i) in stays" :key="`stay-${i}`" class="stay" :d="d" />
      <text v-if="stays.length > 0" class="caption" x="0" :y="bottom - 100" text-anchor="middle">stays</text>
      <path v-for="(d, i) in arms" :key="`arm-${i}`" class="arm" :class="{ guessed: bike.treadEstimated }" :d="d" />
      <line
        v-if="bike.crank !== null"
        class="spindle"
        :x1="-bike.tread / 2 + 8"
        :x2="bike.tread / 2 - 8"
        :y1="bike.crank"
        :y2="bike.crank"
      />
      <g v-for="side in sides" :key="`pedal-${side}`">
        <line class="pedal-axle" :x1="(sign[side] * bike.tread) / 2" :x2="pedalX(side) + sign[side] * 40" y1="0" y2="0" />
        <line
          v-if="footOf(side).halfAim !== null && footOf(side).halfAim !== footOf(side).half"
          class="asked"
          :x1="sign[side] * (footOf(side).halfAim ?? 0)"
          :x2="sign[side] * (footOf(side).halfAim ?? 0)"
          :y1="top + 22"
          :y2="chainY"
        />
      </g>
      <SoleFoot
        v-for="side in sides"
        :key="side"
        :transform="`translate(${pedalX(side)} 0)`"
        :side="side"
        :foot="side === 'left' ? left : right"
        :unit="unit"
        :movable="movable"
        :show-start="showStart"
        :shows="shows === 'stance' ? 'fore-aft' : shows"
        @aim="(setback) => $emit('aim', side, setback)"
        @turn="(toeOut) => $emit('turn', side, toeOut)"
      />
      <g v-for="{ side, parts, words } in chains" :key="`chain-${side}`" class="chain">
        <line :x1="0" :x2="sign[side] * footOf(side).half" :y1="chainY" :y2="chainY" />
        <line
          v-for="part in parts"
          :key="part.label"
          :x1="sign[side] * part.to"
          :x2="sign[side] * part.to"
          :y1="chainY - 5"
          :y2="chainY + 5"
        />
        <text
          v-for="part in parts.filter((p) => p.length >= 30)"
          :key="`t-${part.label}`"
          :x="(sign[side] * (part.from + part.to)) / 2"
          :y="chainY - 5"
          text-anchor="middle"
        >
          {{ part.label }}
        </text>
        <text class="sum figure" :x="(sign[side] * footOf(side).half) / 2" :y="chainY + 16" text-anchor="middle">{{ words }}</text>
      </g>
      <line class="middle" x1="0" x2="0" :y1="chainY - 8" :y2="chainY + 8" />
      <text class="stance" x="0" :y="chainY + 36" text-anchor="middle">
        stance {{ shown(stance) }} {{ unit }}
        <tspan v-if="stanceAim !== null" class="to">→ {{ shown(stanceAim) }}</tspan>
      </text>
      <g class="scale">
        <line :x1="-halfWidth + 12" :x2="-halfWidth + 12 + scaleBar.length" :y1="bottom - 8" :y2="bottom - 8" />
        <text :x="-halfWidth + 12" :y="bottom - 14">{{ scaleBar.label }}</text>
      </g>
      <text class="legend" :x="halfWidth - 10" :y="bottom - 6" text-anchor="end">
        {{ legends[shows] }}
      </text>
    </svg>
    <table class="visually-hidden">
      <caption>
        Feet as drawn: mm behind MTP1, degrees of toe-out, mm from the bike’s middle
      </caption>
      <thead>
        <tr>
          <th scope="col">Foot</th>
          <th scope="col">Start</th>
          <th scope="col">Now</th>
          <th scope="col">To try</th>
          <th scope="col">Slot</th>
          <th scope="col">Direction</th>
          <th scope="col">Direction to try</th>
          <th scope="col">Half stance</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in table" :key="row[0]">
          <td v-for="(cell, i) in row" :key="i">{{ cell }}</td>
        </tr>
      </tbody>
    </table>
  </figure>
</template>

<style scoped>
.board {
  position: relative;
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
.arm {
  fill: var(--steel);
  fill-opacity: 0.55;
  stroke: var(--muted);
  stroke-linejoin: round;
}
.arm.guessed {
  stroke-dasharray: 5 3;
}
.stay {
  fill: none;
  stroke: var(--steel);
  stroke-width: 3;
}
.spindle {
  stroke: var(--steel);
  stroke-width: 9;
}
.pedal-axle {
  stroke: var(--muted);
  stroke-width: 3;
}
.asked {
  stroke: var(--petrol);
  stroke-width: 1.4;
  stroke-dasharray: 5 3;
}
.chain line {
  stroke: var(--muted);
}
.chain text {
  fill: var(--muted);
  font-size: 10.5px;
}
.chain .sum {
  fill: var(--ink);
  font-size: 12px;
}
.stance {
  fill: var(--ink);
  font:
    600 15px 'Barlow Semi Condensed',
    sans-serif;
}
.to {
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
