<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { contract } from '@level-stance/core/contract/contract'
import { formatLength } from '@level-stance/core/kernel/entry'
import type { Reading } from '@level-stance/core/readings/reading'
import { definitionOf, isChoice, optionWord } from '@level-stance/core/readings/readingDefinitions'
import { useOutbox } from '../data/outbox.ts'
import type { PendingWrite } from '../data/pendingWrite.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'

const outbox = useOutbox()
const visit = useVisit()
const preferences = usePreferences()

/** What waits for a choice in the visit that is open; another visit's is said there. */
const isHere = ({ visitId }: { readonly visitId: string }) => visitId === visit.head?.visitId
const conflicts = computed(() => outbox.conflicts.filter(isHere))
const broken = computed(() => outbox.broken.filter(isHere))
const refused = computed(() => outbox.refused.map((refusal, i) => ({ ...refusal, i })).filter(isHere))
const whose = computed(() => (visit.head ? `${visit.head.rider}, ${visit.head.title}` : ''))

/** What is stored instead, in words. */
function theirs(write: PendingWrite): string {
  const current = write.conflict?.current
  if (current === null || current === undefined) return 'nothing'
  if (Array.isArray(current)) return `${current.length} ${current.length === 1 ? 'entry' : 'entries'} in the ledger`
  if (write.kind === 'reading') {
    const reading = contract.writeReading.answer.safeParse(current).data?.reading
    return reading ? readingWords(reading) : another
  }
  if (write.kind === 'complaint') {
    const told = contract.writeComplaint.answer.safeParse(current).data
    return told ? (told.removed ? 'removed' : `severity ${told.complaint.severity}`) : another
  }
  if (write.kind === 'rating') return String(contract.writeRating.answer.safeParse(current).data?.rating.severity ?? another)
  return contract.writeVisit.answer.safeParse(current).data?.title ?? another
}
const another = 'another version'

function readingWords({ key, value }: Reading): string {
  if (value === null) return 'cleared'
  if (typeof value === 'string') return isChoice(key) ? optionWord(key, value) : value
  return definitionOf(key).dimension === 'length' ? `${formatLength(value, preferences.unit)} ${preferences.unit}` : String(value)
}
</script>

<template>
  <div v-if="conflicts.length + broken.length + refused.length > 0" class="bars" role="alert">
    <div v-for="write in conflicts" :key="write.key" class="bar">
      <p>
        {{ whose }}: <strong>{{ write.label }}</strong> was changed in another window. There: <strong>{{ theirs(write) }}</strong>.
        {{ write.adopted ? 'From a window that was closed:' : 'Here:' }} <strong>{{ write.mine }}</strong>.
      </p>
      <Button type="primary" @click="outbox.keepMine(write.key)">Keep mine</Button>
      <Button @click="visit.takeTheirs(write.key)">Take theirs</Button>
    </div>
    <div v-for="write in broken" :key="write.key" class="bar">
      <p>
        {{ whose }}: <strong>{{ write.label }}</strong> ({{ write.mine }})
        <template v-if="write.failed?.isRefused">was refused: {{ write.failed.message }} It stays in its field; change it there.</template>
        <template v-else>could not be stored: the server fails on it. It is kept here, and everything else is stored.</template>
      </p>
      <Button v-if="!write.failed?.isRefused" type="primary" @click="outbox.tryAgain(write.key)">Try again</Button>
      <Button @click="visit.takeTheirs(write.key)">Give it up</Button>
    </div>
    <div v-for="refusal in refused" :key="`r${refusal.i}`" class="bar">
      <p>
        {{ whose }}: <strong>{{ refusal.label }}</strong> was not stored. {{ refusal.message }}
      </p>
      <Button @click="outbox.dismissRefusal(refusal.i)">Understood</Button>
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 20px;
  background: var(--brick-soft);
  border-bottom: 1px solid var(--brick);
}
.bar p {
  flex: 1;
}
</style>
