<script setup lang="ts">
import { computed } from 'vue'
import { trimmed } from '@level-stance/core/quantity/entry'
import type { LengthUnit } from '@level-stance/core/quantity/entry'
import { sides } from '@level-stance/core/quantity/sided'
import type { Side } from '@level-stance/core/quantity/sided'
import SoleFoot from './SoleFoot.vue'
import type { BoardFoot } from './boardFoot.ts'

const props = defineProps<{ left: BoardFoot; right: BoardFoot; unit: LengthUnit; movable: boolean; showStart: boolean }>()
defineEmits<{ aim: [side: Side, setback: number] }>()

const width = 384
const axis = { left: 106, right: 278 } as const
const heelY = 420
/** The board shows as much above the heel as the longer foot needs. */
const top = computed(() => heelY - Math.max(260, ...sides.map((side) => props[side].footLength ?? 0)) - 36)
const scaleBar = computed(() => (props.unit === 'in' ? { length: 50.8, label: '2 in' } : { length: 50, label: '50 mm' }))

/** The same as the drawing, for a reader of the page. */
const table = computed(() =>
  sides.map((side) => {
    const { setbackStart, setbackNow, aim, slot } = props[side]
    const shown = (value: number | null, none: string) => (value === null ? none : trimmed(value, 1))
    return [
      side,
      shown(setbackStart, 'not read'),
      shown(setbackNow, 'not read'),
      shown(aim, 'none'),
      slot ? `${trimmed(slot.foremost, 1)} to ${trimmed(slot.rearmost, 1)}` : 'not read',
    ]
  }),
)
</script>

<template>
  <figure class="board">
    <svg :viewBox="`0 ${top} ${width} ${500 - top}`" role="group" aria-label="Both soles from above, to scale">
      <line class="middle" :x1="width / 2" :x2="width / 2" :y1="top + 22" y2="440" />
      <text class="caption" :x="width / 2" :y="top + 14" text-anchor="middle">bike’s middle</text>
      <text v-for="side in sides" :key="`name-${side}`" class="caption" :x="axis[side]" :y="top + 14" text-anchor="middle">{{ side }}</text>
      <SoleFoot
        v-for="side in sides"
        :key="side"
        :side="side"
        :foot="side === 'left' ? left : right"
        :x="axis[side]"
        :heel-y="heelY"
        :unit="unit"
        :movable="movable"
        :show-start="showStart"
        @aim="(setback) => $emit('aim', side, setback)"
      />
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
          <th scope="col">Foot</th>
          <th scope="col">Start</th>
          <th scope="col">Now</th>
          <th scope="col">To try</th>
          <th scope="col">Slot</th>
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
