<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { Proposal } from '@level-stance/core/station/station'
import { useBoard } from '../data/board.ts'

/** What a page offers to do, one button each; it goes onto the move card. */
const props = defineProps<{ proposals: readonly Proposal[] }>()
const board = useBoard()
const offered = computed(() => (board.movable ? props.proposals.filter(({ standing, failed }) => !standing && failed === undefined) : []))
const failed = computed(() => (board.movable ? props.proposals.flatMap(({ failed: words }) => (words === undefined ? [] : [words])) : []))
</script>

<template>
  <p v-if="offered.length > 0" class="offered">
    <Button
      v-for="proposal in offered"
      :key="proposal.key"
      :data-testid="`take-${proposal.key}`"
      @click="board.take(proposal.requested, proposal.reason)"
      ><MessageText :of="proposal.words"
    /></Button>
  </p>
  <p v-for="(words, i) in failed" :key="i" class="small muted" data-testid="failed-before"><MessageText :of="words" /></p>
</template>

<style scoped>
.offered {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.offered .ant-btn {
  height: auto;
  min-height: 40px;
  border-color: var(--petrol);
  color: var(--petrol);
  font-weight: 600;
  white-space: normal;
}
</style>
