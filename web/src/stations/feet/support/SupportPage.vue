<script setup lang="ts">
import { isKeyOf } from '@level-stance/core/kernel/tables'
import { computed } from 'vue'
import { sides } from '@level-stance/core/kernel/sided'
import FindingCard from '../../../finding/FindingCard.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import { useFeet } from '../../useFeet.ts'

/** Wedges from the forefoot's tilt, footbeds from the arch's drop. */
const feet = useFeet()
const groups = [
  { key: 'wedge', title: 'Wedge under the forefoot' },
  { key: 'heelWedge', title: 'Wedge under the heel' },
  { key: 'footbed', title: 'Footbed under the arch' },
] as const
const shown = computed(() =>
  groups.map((group) => ({
    ...group,
    rows: sides.map((side) => feet.rested[group.key][side]),
    proposals: feet.judgement.proposals.filter(({ key }) => key === group.key),
  })),
)
const weights = { try: 'act', missing: 'note' } as const
const weightOf = (state: string) => (isKeyOf(weights, state) ? weights[state] : 'fine')
</script>

<template>
  <section v-for="group in shown" :key="group.key" class="group">
    <h2>{{ group.title }}</h2>
    <FindingCard
      v-for="row in group.rows"
      :key="row.side"
      :headline="row.headline"
      :sentence="row.sentence"
      :sure="row.sure"
      :speaks-for="[]"
      :against="[]"
      :weight="weightOf(row.state)"
      :data-testid="`${group.key}-${row.side}`"
    />
    <ProposalButtons :proposals="group.proposals" />
  </section>
  <p class="small muted">Numb, burning or painful: take it out. Pain that stays belongs to a clinician or a maker of orthoses.</p>
</template>

<style scoped>
.group {
  display: grid;
  gap: 4px;
  padding-bottom: 10px;
}
</style>
