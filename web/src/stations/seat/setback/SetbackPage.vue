<script setup lang="ts">
import FindingList from '../../../finding/FindingList.vue'
import MetricVials from '../../../vial/MetricVials.vue'
import PageHead from '../../../working/PageHead.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import { useBoard } from '../../../data/board.ts'
import { useSeat } from '../../useSeat.ts'

/** Setback: what speaks for either way, the curve that keeps the knees, and what it does to hands and hips. */
const seat = useSeat()
const board = useBoard()
</script>

<template>
  <div class="setback">
    <PageHead term="saddle-setback" title="Setback" :working="seat.judgement.working" />
    <FindingList
      :findings="seat.judgement.findings"
      none="Nothing speaks for either way yet. Read where the rider sits, calm and hard; there is no single rule."
    />
    <ProposalButtons v-if="board.aimed('saddleSetback', 'both') === 0" :proposals="seat.judgement.proposals" />
    <MetricVials :metrics="['load', 'hipLeft', 'hipRight', 'reach', 'kneeAheadLeft', 'kneeAheadRight']" />
    <p class="small muted">Knee ahead of axle is a convention without mechanical proof: to compare before and after only.</p>
  </div>
</template>

<style scoped>
.setback {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
