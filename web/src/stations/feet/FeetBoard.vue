<script setup lang="ts">
import { computed, ref } from 'vue'
import { roomOf } from '@level-stance/core/ledger/moves'
import { measuredValue } from '@level-stance/core/readings/resolve'
import { USUAL_TREAD } from '@level-stance/core/readings/table/bike'
import type { NumberKey } from '@level-stance/core/readings/readingDefinitions'
import { slotRange } from '@level-stance/core/stations/feet/cleat/judge'
import { footMoved } from '@level-stance/core/model/riderModel'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import RiderBoard from '../../board/RiderBoard.vue'
import SoleBoard from '../../board/SoleBoard.vue'
import type { BoardBike, BoardFoot } from '../../board/boardFoot.ts'
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
  const read = feet.parts.feet[side]
  const { footLength, heelToMtp1, heelToMtp5, setbackNow } = read
  const { now: readings } = visit.setup
  const now = setbackNow?.value ?? null
  const judgement = feet.parts.cleat[side]
  const asked = board.aimed('cleatSetback', side)
  const first = board.step?.chosen.find((move) => move.setting === 'cleatSetback' && move.side === side)?.by ?? asked
  const value = (key: NumberKey) => readings[key][side]?.value ?? 0
  const turn = measuredValue(readings, 'cleatTurn', side)
  const insole = measuredValue(readings, 'shoeLength', side)
  const room = roomOf(readings, 'cleatTurn', side)
  const rotation = feet.parts.rotation[side]
  const chain = [
    { label: '½ tread', length: value('tread') / 2 },
    { label: 'axle', length: value('axleLength') },
    { label: 'washer', length: value('washer') },
    { label: 'adapter', length: value('adapter') },
    { label: 'cleat', length: value('cleatInboard') },
  ].filter((part) => part.label === 'axle' || part.length !== 0)
  const half = chain.reduce((sum, { length }) => sum + length, 0)
  const moved = footMoved((key, at) => board.aimed(key as SettingKey, at), side)
  const turning = board.aimed('cleatTurn', side)
  return {
    footLength: footLength?.value ?? null,
    footEstimated: footLength?.basis === 'estimated' || heelToMtp1?.basis === 'estimated',
    heelToMtp1: heelToMtp1?.value ?? null,
    footWidth: measuredValue(readings, 'footWidth', side),
    heelWidth: measuredValue(readings, 'heelWidth', side),
    shoe:
      insole === null
        ? null
        : {
            length: insole,
            ballWidth: measuredValue(readings, 'shoeBallWidth', side),
            heelWidth: measuredValue(readings, 'shoeHeelWidth', side),
          },
    heelToMtp5: heelToMtp5?.basis === 'measured' ? heelToMtp5.value : null,
    setbackStart: visit.baseline.now.cleatSetback[side]?.value ?? null,
    setbackNow: now,
    slot: slotRange(read),
    slotAcross: measuredValue(readings, 'slotAcross', side),
    aim: now === null || asked === 0 ? null : now + asked,
    firstStep: now === null || asked === 0 ? null : now + first,
    schools: judgement.schools,
    inboard: value('cleatInboard'),
    turn,
    turnAim: turn !== null && turning !== 0 ? turn + turning : null,
    turnRoom: { low: (turn ?? 0) + room.low, high: (turn ?? 0) + room.high },
    float: measuredValue(readings, 'cleatFloat', side),
    swing: rotation.state === 'missing' ? null : rotation.rotation.swing,
    heelOutside: measuredValue(readings, 'shoeHeelOutside', side),
    half,
    halfAim: moved === 0 ? null : half + moved,
    chain,
  }
}
const bike = stable<BoardBike>(() => ({
  tread: visit.setup.now.tread.left?.value ?? USUAL_TREAD,
  treadEstimated: visit.setup.now.tread.left?.basis !== 'measured',
  crank: visit.setup.now.crank.left?.value ?? null,
  stayWidth: measuredValue(visit.setup.now, 'stayWidth'),
}))
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
      :show-start="true"
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
