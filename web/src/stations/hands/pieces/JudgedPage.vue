<script setup lang="ts">
import { computed } from 'vue'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { midSentence } from '@level-stance/core/kernel/words'
import type { Vial } from '@level-stance/core/station/number'
import type { TermKey } from '../../../glossary/terms.ts'
import FindingList from '../../../finding/FindingList.vue'
import PageHead from '../../../working/PageHead.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import NumberVials from '../../../vial/NumberVials.vue'
import { useHands } from '../../useHands.ts'

/** A page of the hands: its choices, vials, what it offers, and findings. */
withDefaults(
  defineProps<{
    title: string
    /** the word of the trade it is about */
    term?: TermKey
    /** said where nothing is judged yet */
    none: string
    /** readings that would let it say more */
    missing?: readonly ReadingKey[]
    /** words before vials, where there are many of both */
    wordsFirst?: boolean
  }>(),
  { missing: () => [], wordsFirst: false },
)
const hands = useHands()
/** Left and right of one thing beside each other. */
const kindOf = ({ key }: Vial) => key.split('-')[0] ?? key
const ordered = computed(() => {
  const kinds = [...new Set(hands.vials.map(kindOf))]
  return kinds.flatMap((kind) => hands.vials.filter((vial) => kindOf(vial) === kind))
})
const names = (keys: readonly ReadingKey[]) => keys.map((key) => midSentence(definitionOf(key).label)).join(', ')
</script>

<template>
  <div class="judged">
    <PageHead :title="title" v-bind="term ? { term } : {}" :working="hands.judgement.working" />
    <slot name="choices" />
    <template v-if="wordsFirst">
      <ProposalButtons :proposals="hands.judgement.proposals" />
      <FindingList :findings="hands.judgement.findings" :none="missing.length === 0 ? none : ''" />
    </template>
    <div class="vials" :class="{ pair: hands.vials.length > 1 }"><NumberVials :vials="ordered" /></div>
    <ProposalButtons v-if="!wordsFirst" :proposals="hands.judgement.proposals" />
    <slot />
    <FindingList v-if="!wordsFirst" :findings="hands.judgement.findings" :none="missing.length === 0 ? none : ''" />
    <p v-if="missing.length > 0" class="small muted" data-testid="still-to-read">Still to read: {{ names(missing) }}.</p>
    <slot name="after" />
  </div>
</template>

<style scoped>
.judged {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  padding-bottom: 8px;
}
.vials.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 2px 12px;
}
.vials:empty {
  display: none;
}
</style>
