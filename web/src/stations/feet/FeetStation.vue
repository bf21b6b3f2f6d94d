<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from '@level-stance/core/quantity/sided'
import SoleBoard from '../../board/SoleBoard.vue'
import type { BoardFoot } from '../../board/boardFoot.ts'
import { stable } from '../../composables/stable.ts'
import ReadingRow from '../../parts/ReadingRow.vue'
import TrialCard from '../../parts/TrialCard.vue'
import { usePreferences } from '../../stores/preferences.ts'
import { useVisit } from '../../stores/visit.ts'
import QuestionList from '../measure/QuestionList.vue'
import FeetJudgement from './FeetJudgement.vue'
import ProposalCard from './ProposalCard.vue'
import { useFeet } from './useFeet.ts'

const visit = useVisit()
const feet = useFeet()
const preferences = usePreferences()

const readings = ['footLength', 'shoeSize', 'heelToMtp1', 'heelToMtp5', 'cleatSetback', 'slotForward', 'slotBack'] as const

// Each foot by itself: what moves on one leaves the drawing of the other alone.
const boardFeet = { left: stable(() => boardFoot('left')), right: stable(() => boardFoot('right')) }

function boardFoot(side: Side): BoardFoot {
  const { footLength, heelToMtp1, heelToMtp5, setbackNow, slotForward, slotBack } = visit.setup.cleat[side]
  const now = setbackNow?.value ?? null
  const judgement = feet.judgements[side]
  const proposal = feet.canTry ? feet.proposal.feet[side] : null
  return {
    footLength: footLength?.value ?? null,
    footEstimated: footLength?.basis === 'estimated' || heelToMtp1?.basis === 'estimated',
    heelToMtp1: heelToMtp1?.value ?? null,
    heelToMtp5: heelToMtp5?.basis === 'measured' ? heelToMtp5.value : null,
    setbackStart: visit.baseline.cleat[side].setbackNow?.value ?? null,
    setbackNow: now,
    slot:
      now !== null && slotForward && slotBack
        ? { foremost: now - Math.max(0, slotForward.value), rearmost: now + Math.max(0, slotBack.value) }
        : null,
    aim: proposal?.aim ?? null,
    firstStep: proposal ? proposal.from + proposal.now : null,
    schools: judgement.schools,
  }
}
const movable = computed(() => visit.folded.trying === null && visit.shownUpTo === null)
</script>

<template>
  <div class="columns">
    <section class="readings" aria-label="Readings">
      <div class="title">
        <h2>Readings</h2>
        <span class="muted small">left</span><span class="muted small">right</span>
      </div>
      <ReadingRow v-for="key in readings" :key="key" :reading-key="key" />
      <QuestionList :about="readings" />
    </section>
    <section class="middle" aria-label="Board">
      <SoleBoard
        :left="boardFeet.left.value"
        :right="boardFeet.right.value"
        :unit="preferences.unit"
        :movable="movable"
        :show-start="true"
        @aim="feet.setAim"
      />
    </section>
    <section class="judgement" aria-label="Judgement">
      <div class="findings">
        <FeetJudgement />
      </div>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" class="act" />
      <ProposalCard v-else class="act" />
    </section>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 304px minmax(0, 1fr) 424px;
  grid-template-rows: minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
/* Each column lays itself out alone: a key press in one does not move the others. */
.readings,
.middle,
.judgement {
  contain: strict;
}
.readings {
  overflow-y: auto;
  padding: 12px 16px;
}
.judgement {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.findings {
  flex: 1;
  min-height: 120px;
  overflow-y: auto;
  padding: 10px 16px 4px;
}
.act {
  flex: none;
  max-height: 62%;
  margin: 0 10px 10px;
  overflow-y: auto;
}
.middle {
  min-height: 0;
  background: var(--panel);
  border-left: 1px solid var(--line);
  border-right: 1px solid var(--line);
}
.title {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 64px 64px;
  gap: 4px;
  align-items: baseline;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--line);
}
.title span {
  text-align: right;
  padding-right: 8px;
}
@media (max-width: 1100px) {
  .columns {
    grid-template-columns: 1fr;
    grid-template-rows: none;
    height: auto;
    overflow-y: auto;
  }
  .readings,
  .judgement {
    contain: none;
  }
  .middle {
    height: 520px;
  }
}
</style>
