<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { joined } from '@level-stance/core/kernel/message'
import { addressOf } from '../address/stations.ts'
import { Button, Tag } from 'ant-design-vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { causeOf } from '@level-stance/core/reason/causeTable'
import type { FirstMove } from '@level-stance/core/reason/firstMove'
import { isWorthActing } from '@level-stance/core/reason/firstMove'
import { midSentence } from '@level-stance/core/kernel/words'
import { useBoard } from '../data/board.ts'
import { useReasoning } from '../data/reasoning.ts'
import { useVisit } from '../data/visit.ts'

/** What to try first: what moves, which complaint should ease, what to watch, what it costs. */
const reasoning = useReasoning()
const board = useBoard()
const visit = useVisit()
const router = useRouter()
const MOST = 3

const moves = computed(() => reasoning.reasoned?.moves.slice(0, MOST) ?? [])
const solid = (move: FirstMove) => isWorthActing(move, reasoning.reasoned?.causes ?? [])

function take(move: FirstMove): void {
  if (move.requested.length > 0) return reasoning.take(move)
  const { station, page } = causeOf(move.cause)
  void router.push(addressOf(visit.head?.visitId, station, page))
}
const cost = (move: FirstMove) => `${move.minutes} min${move.part === null ? ', nothing to buy' : `, needs ${move.part}`}`
</script>

<template>
  <article
    v-for="(move, i) in moves"
    :key="move.cause"
    class="card move"
    :class="{ best: i === 0 && solid(move) }"
    data-testid="first-move"
  >
    <div class="top">
      <strong><MessageText :of="move.words" /></strong>
      <Button
        :type="i === 0 && solid(move) ? 'primary' : 'default'"
        :disabled="!board.movable || !reasoning.isCurrent"
        @click="take(move)"
        >{{ move.requested.length > 0 ? 'Set up to try' : 'Open its page' }}</Button
      >
    </div>
    <p class="small muted">
      For: {{ midSentence(causeOf(move.cause).label) }} · {{ cost(move)
      }}<template v-if="move.isGuess"> · a guess: nothing can be read for it here</template>
    </p>
    <p v-if="move.says" class="small"><MessageText :of="move.says" /></p>
    <p class="tags">
      <Tag v-for="effect in move.effects" :key="effect.complaintId" :class="effect.words === 'watch' ? 'watch' : 'good'"
        >{{ effect.title }}: {{ effect.words }}</Tag
      >
      <Tag v-for="harm in move.harms.slice(0, 2)" :key="harm.cause" class="watch">watch: {{ midSentence(causeOf(harm.cause).label) }}</Tag>
    </p>
    <p v-if="i === 0 && move.cautions.length > 0" class="caution small"><MessageText :of="joined(move.cautions)" /></p>
  </article>
</template>

<style scoped>
.move {
  display: grid;
  gap: 4px;
  margin-bottom: 8px;
  padding: 10px 12px;
}
.best {
  border-color: var(--petrol);
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 0;
}
.tags :deep(.ant-tag) {
  color: var(--ink);
  font-size: 13px;
  white-space: normal;
}
.tags :deep(.good) {
  background: var(--glass);
  border-color: var(--glass-edge);
}
.tags :deep(.watch) {
  background: none;
  border-color: var(--amber);
}
</style>
