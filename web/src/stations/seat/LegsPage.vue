<script setup lang="ts">
import { computed, ref } from 'vue'
import { anyCalculation } from '@level-stance/core/calculation'
import { legLengthReadings } from '@level-stance/core/seat/inputs'
import { trimmed } from '@level-stance/core/quantity/entry'
import { legLengthCalculation } from '@level-stance/core/seat/seat.calculations'
import { referToClinician } from '@level-stance/core/talk/warningSigns'
import MetricVials from '../../parts/MetricVials.vue'
import FindingList from '../../parts/FindingList.vue'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'
import { useSeat } from './useSeat.ts'

/** What of a difference between the legs belongs to cleat, sole or seat. */
const visit = useVisit()
const seat = useSeat()
const board = useBoard()
const workingOpen = ref(false)
const none = [] as const
const legs = computed(() => seat.station.legs)
function shim(): void {
  const { shorter, now } = legs.value
  if (shorter !== null) board.request([{ setting: 'soleStack', side: shorter, by: now }])
}
const items = computed(() => {
  const { difference, place, stack } = legLengthReadings(visit.setup.now)
  if (difference === null) return none
  return [
    { heading: 'Leg length', calculation: anyCalculation(legLengthCalculation), input: { difference: difference.value, plusMinus: difference.plusMinus, place, stackLeft: stack.left?.value ?? null, stackRight: stack.right?.value ?? null }, plusMinus: { difference: difference.plusMinus } },
  ]
}) // prettier-ignore
</script>

<template>
  <div class="legs">
    <div class="page-head">
      <h2>Leg length</h2>
      <button v-if="items.length > 0" type="button" class="link" @click="workingOpen = true">Working</button>
    </div>
    <FindingList
      :findings="legs.findings"
      none="Nothing read says that the legs differ. Look at the pelvis from behind, and at both knees."
    />
    <p v-if="legs.state === 'refer'" class="caution small">{{ referToClinician }}</p>
    <p v-if="legs.now > 0 && legs.shorter !== null && board.movable">
      <button type="button" class="plain" data-testid="take-shim" @click="shim">
        Put {{ trimmed(legs.now, 1) }} mm under the {{ legs.shorter }} foot
      </button>
    </p>
    <MetricVials :metrics="['kneeLeft', 'kneeRight']" />
    <p class="small muted">
      Order of trust: a clinician’s finding, the pelvis from behind under load, both knees, and last a tape. Cleats that differ make a
      difference of their own; a worn or narrow saddle makes one that is not there. Longer bolts with a shim: check their bite and that none
      comes through the sole.
    </p>
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
  </div>
</template>

<style scoped>
.legs {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
