<script setup lang="ts">
import { referToClinician } from '@level-stance/core/talk/warningSigns'
import FindingList from '../../../finding/FindingList.vue'
import MetricVials from '../../../vial/MetricVials.vue'
import PageHead from '../../../working/PageHead.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import { useSeat } from '../../useSeat.ts'

/** What of a difference between the legs belongs to cleat, sole or seat. */
const seat = useSeat()
</script>

<template>
  <div class="legs">
    <PageHead term="leg-difference" title="Leg length" :working="seat.judgement.working" />
    <FindingList
      :findings="seat.judgement.findings"
      none="Nothing read says that the legs differ. Look at the pelvis from behind, and at both knees."
    />
    <p v-if="seat.rested.legs.state === 'refer'" class="caution small">{{ referToClinician }}</p>
    <ProposalButtons :proposals="seat.judgement.proposals" />
    <MetricVials :metrics="['kneeLeft', 'kneeRight']" />
    <p class="small muted">
      Order of trust: a clinician’s finding, the pelvis from behind under load, both knees, and last a tape. Cleats that differ make a
      difference of their own; a worn or narrow saddle makes one that is not there. Longer bolts with a shim: check their bite and that none
      comes through the sole.
    </p>
  </div>
</template>

<style scoped>
.legs {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
