<script setup lang="ts">
import { computed, ref } from 'vue'
import { measuredValue } from '@level-stance/core/readings/resolve'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import RiderBoard from '../../board/RiderBoard.vue'
import SoleBoard from '../../board/SoleBoard.vue'
import { boardBikeOf, boardFootOf } from '@level-stance/core/stations/feet/boardFoot'
import type { BoardBike, BoardFoot } from '@level-stance/core/stations/feet/boardFoot'
import { stable } from '../../kit/stable.ts'
import PictureStack from '../../kit/PictureStack.vue'
import { useBoard } from '../../data/board.ts'
import { usePreferences } from '../../data/preferences.ts'
import { useVisit } from '../../data/visit.ts'
import { useFeet } from '../useFeet.ts'

const visit = useVisit()
const board = useBoard()
const feet = useFeet()
const preferences = usePreferences()
const views = [
  { key: 'soles', label: 'Soles from above' },
  { key: 'front', label: 'Knees from the front' },
] as const
const view = ref<'soles' | 'front'>('soles')
const shows = computed(() => feet.pageOpen?.picture ?? 'fore-aft')

// Each foot by itself: what moves on one leaves the drawing of the other alone.
const boardFeet = { left: stable(() => boardFoot('left')), right: stable(() => boardFoot('right')) }

function boardFoot(side: Side): BoardFoot {
  const rotation = feet.parts.rotation[side]
  const judged = {
    schools: feet.parts.cleat[side].schools,
    swing: rotation.state === 'missing' ? null : rotation.rotation.swing,
  }
  return boardFootOf(visit.setup, visit.baseline, side, judged, { aimed: board.aimed, cleatStep })
}
const cleatStep = (side: Side) => board.step?.chosen.find((move) => move.setting === 'cleatSetback' && move.side === side)?.by ?? null
const bike = stable<BoardBike>(() => boardBikeOf(visit.setup))
function turnTo(side: Side, toeOut: number): void {
  const now = boardFeet[side].value.turn
  if (now !== null) board.request([{ setting: 'cleatTurn', side, by: toeOut - now }])
}
/** A drag of the cleat is an aim of the fore–aft page: it opens there. */
const emit = defineEmits<{ show: [page: 'cleat'] }>()
function aimAt(side: Side, setback: number): void {
  const now = feet.parts.feet[side].setbackNow?.value
  if (now === undefined) return
  if (feet.page !== 'cleat') emit('show', 'cleat')
  board.request([{ setting: 'cleatSetback', side, by: setback - now }])
}
const drops = computed(() =>
  sides.flatMap((side) => {
    const outside = measuredValue(visit.setup.now, 'kneeOutside', side)
    return outside === null ? [] : [{ side, outside }]
  }),
)
</script>

<template>
  <PictureStack :pictures="views" :shown="view" @show="(key) => (view = key)">
    <SoleBoard
      v-if="view === 'soles'"
      :left="boardFeet.left.value"
      :right="boardFeet.right.value"
      :bike="bike"
      :unit="preferences.unit"
      :movable="board.movable"
      :shows="shows"
      @aim="aimAt"
      @turn="turnTo"
    />
    <RiderBoard v-else opens="front" focus="legs" />
    <template v-if="view === 'front'" #note>
      <p class="small muted legend">
        <template v-if="drops.length > 0">
          <span v-for="{ side, outside } in drops" :key="side"
            >{{ side === 'left' ? 'Left' : 'Right' }} knee {{ preferences.length(Math.abs(outside)) }}
            {{ outside < 0 ? 'inside' : 'outside' }} the foot.
          </span>
        </template>
        <template v-else>Knee outside foot is not read: the knees are drawn over the feet.</template>
      </p>
    </template>
  </PictureStack>
</template>

<style scoped>
.legend {
  padding: 4px 12px 8px;
}
</style>
