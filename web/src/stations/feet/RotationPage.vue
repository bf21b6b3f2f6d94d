<script setup lang="ts">
import { computed, ref } from 'vue'
import { anyCalculation } from '@level-stance/core/calculation'
import { clearanceInput, rotationReadings } from '@level-stance/core/feet/inputs'
import { rotationInput } from '@level-stance/core/feet/cleatRotation'
import { cleatRotationCalculation, heelClearanceCalculation } from '@level-stance/core/feet/feet.calculations'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import { trimmed } from '@level-stance/core/quantity/entry'
import { sides } from '@level-stance/core/quantity/sided'
import type { Side } from '@level-stance/core/quantity/sided'
import { midSentence } from '@level-stance/core/quantity/words'
import FindingCard from '../../parts/FindingCard.vue'
import VialGauge from '../../parts/VialGauge.vue'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'
import FindingList from '../../parts/FindingList.vue'
import { useFeet } from './useFeet.ts'

const visit = useVisit()
const feet = useFeet()
const board = useBoard()
const workingOpen = ref(false)
const none = [] as const
const nameOf = { toeOut: 'toeOutHanging', cleatTurn: 'cleatTurn', float: 'cleatFloat' } as const

const judged = computed(() => sides.map((side) => ({ side, judgement: feet.station.rotation[side] })))
/** The bubble is where the foot points by nature; the lines are where it may, with the float as it stands. */
const vials = computed(() =>
  judged.value.flatMap(({ side, judgement }) => {
    if (judgement.state === 'missing') return []
    const { band, attainable, difference } = judgement.rotation
    const { toeOut } = rotationReadings(visit.setup.now, side)
    const proposed = Math.abs(difference) < 0.05 ? null : attainable
    return toeOut === null ? [] : [{ side, toeOut, band, proposed, state: judgement.state }]
  }),
)
const scale = computed(() => {
  const points = vials.value.flatMap(({ toeOut, band, proposed }) => [toeOut.value, band.low, band.high, proposed ?? toeOut.value])
  return { min: Math.min(-2, ...points) - 3, max: Math.max(14, ...points) + 3 }
})
const turns = computed(() =>
  judged.value.flatMap(({ side, judgement }) =>
    judgement.state !== 'missing' && judgement.turn !== 0 ? [{ side, by: judgement.turn }] : [],
  ),
)
function take(): void {
  board.request(turns.value.map(({ side, by }) => ({ setting: 'cleatTurn' as const, side, by })))
}
const lacking = (side: Side) => {
  const judgement = feet.station.rotation[side]
  return judgement.state === 'missing' ? judgement.missing.map((key) => midSentence(definitionOf(nameOf[key]).label)).join(', ') : ''
}
const clearanceLacks = computed(() =>
  [...new Set(sides.flatMap((side) => feet.station.clearanceMissing[side]))].map((key) => midSentence(definitionOf(key).label)).join(', '),
)

const items = computed(() =>
  sides.flatMap((side) => {
    const name = side === 'left' ? 'Left' : 'Right'
    const read = rotationReadings(visit.setup.now, side)
    const clearance = clearanceInput(visit.setup.now, side)
    const input = rotationInput(read)
    const rotation = input
      ? [
          {
            heading: `${name} foot: rotation`,
            calculation: anyCalculation(cleatRotationCalculation),
            input: { ...input, turnRoom: Math.min(45, input.turnRoom) },
            plusMinus: { toeOut: read.toeOut?.plusMinus ?? 0, cleatTurn: read.cleatTurn?.plusMinus ?? 0, float: read.float?.plusMinus ?? 0 },
          },
        ]
      : []
    const heel = 'missing' in clearance ? [] : [{ heading: `${name} heel: clearance`, calculation: anyCalculation(heelClearanceCalculation), input: clearance, plusMinus: {} }]
    return [...rotation, ...heel]
  }),
) // prettier-ignore
</script>

<template>
  <div class="rotation">
    <div class="page-head">
      <h2>Rotation and float</h2>
      <button v-if="items.length > 0" type="button" class="link" @click="workingOpen = true">Working</button>
    </div>
    <p v-if="feet.station.twisted" class="small warn">
      The pelvis is not level from behind. Feet that differ may only follow the seat: correct the seat first.
      <RouterLink :to="{ name: 'seat', params: { visitId: visit.head?.visitId } }">To the seat</RouterLink>
    </p>
    <VialGauge
      v-for="vial in vials"
      :key="vial.side"
      :label="`Foot points, ${vial.side}`"
      :shown="`${trimmed(vial.toeOut.value, 1)}° out`"
      :value="vial.toeOut.value"
      :plus-minus="vial.toeOut.plusMinus"
      :band="vial.band"
      :scale="scale"
      :remark="vial.state === 'level' ? 'float around it' : vial.state === 'near' ? 'near the end' : 'stopped'"
    />
    <template v-for="{ side, judgement } in judged" :key="side">
      <p v-if="judgement.state === 'missing'" class="missing">Measure {{ lacking(side) }} on the {{ side }}.</p>
      <FindingCard
        v-else
        :headline="judgement.headline"
        :sentence="judgement.sentence"
        :sure="judgement.sure"
        :speaks-for="[]"
        :against="[]"
        :weight="judgement.state === 'level' ? 'fine' : judgement.turn !== 0 && judgement.exceeds ? 'act' : 'note'"
        :data-testid="`rotation-${side}`"
      />
    </template>
    <p v-if="turns.length > 0 && board.movable">
      <button type="button" class="plain" data-testid="take-turn" @click="take">
        Turn {{ turns.map(({ side, by }) => `${side} ${trimmed(Math.abs(by), 1)}° ${by > 0 ? 'toe-out' : 'toe-in'}`).join(', ') }}
      </button>
    </p>
    <FindingList :findings="feet.station.clearance" none="" />
    <p v-if="clearanceLacks" class="small muted">For the heel past crank and stay, read {{ clearanceLacks }}.</p>
    <p class="small muted">
      Natural direction: the hanging foot, which carries nothing. Fixed cleats are a last resort for a well-measured rider; wide free float
      can hide a cause further up.
    </p>
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
  </div>
</template>

<style scoped>
.rotation {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
.missing {
  margin: 2px 0;
  padding: 6px 0 6px 10px;
  border-left: 3px solid var(--amber);
}
</style>
