<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from '@level-stance/core/quantity/sided'
import SoleBoard from '../../board/SoleBoard.vue'
import type { BoardFoot } from '../../board/boardFoot.ts'
import { stable } from '../../composables/stable.ts'
import ReadingRows from '../../parts/ReadingRows.vue'
import StationColumns from '../../parts/StationColumns.vue'
import TrialCard from '../../parts/TrialCard.vue'
import { usePreferences } from '../../stores/preferences.ts'
import { useVisit } from '../../stores/visit.ts'
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
  <StationColumns :right="424">
    <template #readings><ReadingRows :keys="readings" /></template>
    <template #board>
      <SoleBoard
        :left="boardFeet.left.value"
        :right="boardFeet.right.value"
        :unit="preferences.unit"
        :movable="movable"
        :show-start="true"
        @aim="feet.setAim"
      />
    </template>
    <template #judgement><FeetJudgement /></template>
    <template #act>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <ProposalCard v-else />
    </template>
  </StationColumns>
</template>
