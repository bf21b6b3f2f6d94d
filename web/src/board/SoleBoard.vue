<script setup lang="ts">
import { computed, ref } from 'vue'
import { trimmed } from '@level-stance/core/kernel/entry'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import type { Shape } from '@level-stance/core/kernel/drawing'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import type { BoardBike, BoardFoot } from '@level-stance/core/stations/feet/boardFoot'
import { soleFrameOf, underSoles } from '@level-stance/core/stations/feet/soleShapes'
import type { SoleView } from '@level-stance/core/stations/feet/soleShapes'
import { useZoom } from '../kit/zoom.ts'
import { DrawnShapes } from './DrawnShapes.ts'
import { scaleBar } from './scaleBar.ts'
import SoleFoot from './SoleFoot.vue'
import ZoomTools from './ZoomTools.vue'

/** Both soles on their pedals from above, all in one scale about the bike's middle; both pedals are drawn forward. */
const props = defineProps<{
  left: BoardFoot
  right: BoardFoot
  bike: BoardBike
  unit: LengthUnit
  movable: boolean
  shows: SoleView | 'stance'
}>()
defineEmits<{ aim: [side: Side, setback: number]; turn: [side: Side, toeOut: number] }>()

const footOf = (side: Side) => props[side]
const frame = computed(() => soleFrameOf(props))
const stage = ref<SVGSVGElement | null>(null)
const { viewBox, zoomBy, reset } = useZoom(stage, () => frame.value.box)
const under = computed<readonly Shape[]>(() => {
  const { x, y, width, height } = frame.value.box
  const legend = { fill: 'muted', size: 11, anchor: 'end' } as const
  return [
    ...underSoles(props, props.bike),
    scaleBar(props.unit, { mm: 50, inches: 2 }, { x: x + 12, y: y + height - 8 }, { size: 11, line: 3 }),
    { key: 'legend', kind: 'text', lettering: legend, at: { x: x + width - 10, y: y + height - 6 }, text: legends[props.shows] },
  ]
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
      <DrawnShapes :shapes="under" />
      <SoleFoot
        v-for="side in sides"
        :key="side"
        :transform="`translate(${frame.pedalX[side]} 0)`"
        :side="side"
        :foot="side === 'left' ? left : right"
        :unit="unit"
        :movable="movable"
        :shows="shows === 'stance' ? 'fore-aft' : shows"
        @aim="(setback) => $emit('aim', side, setback)"
        @turn="(toeOut) => $emit('turn', side, toeOut)"
      />
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
</style>
