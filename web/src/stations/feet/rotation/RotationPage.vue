<script setup lang="ts">
import { computed } from 'vue'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { sides } from '@level-stance/core/kernel/sided'
import { midSentence } from '@level-stance/core/kernel/words'
import FindingCard from '../../../finding/FindingCard.vue'
import FindingList from '../../../finding/FindingList.vue'
import PageHead from '../../../working/PageHead.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import NumberVials from '../../../vial/NumberVials.vue'
import { useVisit } from '../../../data/visit.ts'
import { useFeet } from '../../useFeet.ts'

/** Rotation and float: the foot's own direction in the middle of what the cleat lets it swing. */
const visit = useVisit()
const feet = useFeet()
const nameOf = { toeOut: 'toeOutHanging', cleatTurn: 'cleatTurn', float: 'cleatFloat' } as const

const judged = computed(() =>
  sides.map((side) => {
    const judgement = feet.rested.rotation[side]
    const lacking =
      judgement.state === 'missing' ? judgement.missing.map((key) => midSentence(definitionOf(nameOf[key]).label)).join(', ') : ''
    return { side, judgement, lacking }
  }),
)
const clearanceLacks = computed(() =>
  [...new Set(sides.flatMap((side) => feet.rested.clearanceMissing[side]))].map((key) => midSentence(definitionOf(key).label)).join(', '),
)
</script>

<template>
  <div class="rotation">
    <PageHead term="cleat-rotation" title="Rotation and float" :working="feet.judgement.working" />
    <p v-if="feet.parts.twisted" class="small warn">
      The pelvis is not level from behind. Feet that differ may only follow the seat: correct the seat first.
      <RouterLink :to="{ name: 'seat', params: { visitId: visit.head?.visitId } }">To the seat</RouterLink>
    </p>
    <NumberVials :vials="feet.vials" />
    <template v-for="{ side, judgement, lacking } in judged" :key="side">
      <p v-if="judgement.state === 'missing'" class="missing">Measure {{ lacking }} on the {{ side }}.</p>
      <FindingCard
        v-else
        :headline="judgement.headline"
        :sentence="judgement.sentence"
        :sure="judgement.sure"
        :speaks-for="[]"
        :against="[]"
        :weight="judgement.weight"
        :data-testid="`rotation-${side}`"
      />
    </template>
    <ProposalButtons :proposals="feet.judgement.proposals" />
    <FindingList :findings="feet.judgement.findings" none="" />
    <p v-if="clearanceLacks" class="small muted">For the heel past crank and stay, read {{ clearanceLacks }}.</p>
    <p class="small muted">
      Natural direction: the hanging foot, which carries nothing. Fixed cleats are a last resort for a well-measured rider; wide free float
      can hide a cause further up.
    </p>
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
