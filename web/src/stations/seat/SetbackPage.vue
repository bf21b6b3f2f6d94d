<script setup lang="ts">
import { computed, ref } from 'vue'
import { anyCalculation } from '@level-stance/core/calculation'
import { setbackCurveCalculation } from '@level-stance/core/change/rider.calculations'
import { trimmed } from '@level-stance/core/quantity/entry'
import MetricVials from '../../parts/MetricVials.vue'
import FindingList from '../../parts/FindingList.vue'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'
import { useSeat } from './useSeat.ts'

/** Setback: what speaks for either way, the curve that keeps the knees, and what it does to hands and hips. */
const visit = useVisit()
const seat = useSeat()
const board = useBoard()
const workingOpen = ref(false)
const none = [] as const
const judged = computed(() => seat.station.setback)
const wished = computed(() => board.aimed('saddleSetback', 'both'))
function slide(by: number): void {
  board.request([{ setting: 'saddleSetback', side: 'both', by }])
}
const items = computed(() => [
  { heading: 'Height for every setback', calculation: anyCalculation(setbackCurveCalculation), input: { readings: visit.readings, ledger: visit.shownLedger, bar: visit.bar, reach: 40, step: 10 }, plusMinus: {} },
]) // prettier-ignore
</script>

<template>
  <div class="setback">
    <div class="page-head">
      <h2>Setback</h2>
      <button type="button" class="link" @click="workingOpen = true">Working</button>
    </div>
    <FindingList
      :findings="judged.findings"
      none="Nothing speaks for either way yet. Read where the rider sits, calm and hard; there is no single rule."
    />
    <p v-if="judged.by !== 0 && wished === 0 && board.movable">
      <button type="button" class="plain" data-testid="aim-setback" @click="slide(judged.by)">
        Aim {{ trimmed(Math.abs(judged.by), 1) }} mm {{ judged.by > 0 ? 'back' : 'forward' }}
      </button>
    </p>
    <MetricVials :metrics="['load', 'hipLeft', 'hipRight', 'reach', 'kneeAheadLeft', 'kneeAheadRight']" />
    <p class="small muted">Knee ahead of axle is a convention without mechanical proof: to compare before and after only.</p>
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
  </div>
</template>

<style scoped>
.setback {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
