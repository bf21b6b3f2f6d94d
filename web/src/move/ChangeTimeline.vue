<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import type { Message } from '@level-stance/core/kernel/message'
import { joined, insideSentence } from '@level-stance/core/kernel/message'
import { computed } from 'vue'
import { changeWords } from '@level-stance/core/ledger/moveWords'
import type { Change } from '@level-stance/core/ledger/fold'
import { useVisit } from '../data/visit.ts'

defineProps<{ proposed: Message | null }>()
const visit = useVisit()

const stateWords = { trying: 'being tried', kept: 'kept', undone: 'undone' } as const

/** Beads in the order of the ledger: the start, each change, and each undo as a bead of its own. */
const beads = computed(() => {
  const list: { key: string; upTo: number; change: Change | null; title: Message; knockOn: Message; rated: string; state: string }[] = [
    { key: 'start', upTo: 0, change: null, title: 'Start', knockOn: '', rated: '', state: 'start' },
  ]
  visit.ledger.forEach((entry, index) => {
    if (entry.kind === 'try') {
      const change = visit.folded.changes.find((c) => c.id === entry.id) ?? null
      const words = (role: 'chosen' | 'knock-on') =>
        joined(
          changeWords({
            moves: entry.moves.filter((move) => move.role === role),
            exchanges: entry.exchanges.filter((one) => one.role === role),
          }),
          ', ',
        )
      const after = visit.ledger.findIndex((other, i) => i > index && other.kind === 'keep' && other.of === entry.id)
      list.push({
        key: entry.id,
        upTo: (after < 0 ? index : after) + 1,
        change,
        title: words('chosen'),
        knockOn: insideSentence(words('knock-on')),
        rated: rated(entry.id),
        state: change?.state ?? 'trying',
      })
    } else if (entry.kind === 'undo') {
      const number = visit.folded.changes.findIndex((c) => c.id === entry.of) + 1
      list.push({ key: entry.id, upTo: index + 1, change: null, title: `Undo of ${number}`, knockOn: '', rated: '', state: 'undo' })
    }
  })
  return list
})

function rated(changeId: string): string {
  const given = visit.ratings.filter((rating) => rating.changeId === changeId && visit.complaints.some((c) => c.id === rating.complaintId))
  return given.length === 0 ? '' : `rated ${given.map((rating) => rating.severity).join(', ')}`
}

function show(upTo: number): void {
  visit.shownUpTo = upTo === visit.ledger.length || visit.shownUpTo === upTo ? null : upTo
}
const shownKey = computed(() =>
  visit.shownUpTo === null ? null : beads.value.findLast((bead) => bead.upTo <= (visit.shownUpTo ?? 0))?.key,
)
</script>

<template>
  <nav class="string" :class="{ folded: visit.ledger.length === 0 }" aria-label="Changes of this visit">
    <ol>
      <li v-for="bead in beads" :key="bead.key" :class="[bead.state, { shown: shownKey === bead.key }]">
        <button type="button" :aria-pressed="shownKey === bead.key" @click="show(bead.upTo)">
          <strong><MessageText :of="bead.title" /></strong>
          <span class="bead" aria-hidden="true" />
          <span v-if="bead.change" class="muted">{{ stateWords[bead.change.state] }}{{ bead.rated === '' ? '' : ` · ${bead.rated}` }}</span>
          <span v-if="bead.knockOn" class="muted"><span class="small-bead" aria-hidden="true" /><MessageText :of="bead.knockOn" /></span>
        </button>
      </li>
      <li v-if="proposed" class="proposed">
        <span class="still">
          <strong>To try</strong>
          <span class="bead" aria-hidden="true" />
          <span><MessageText :of="proposed" /></span>
        </span>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.string {
  contain: strict;
  flex: none;
  height: 88px;
  overflow-x: auto;
  overflow-y: hidden;
  border-top: 1px solid var(--line);
  background: var(--ground);
}
ol {
  display: flex;
  height: 100%;
  min-width: 100%;
  margin: 0;
  padding: 4px 24px 0;
  list-style: none;
}
li {
  position: relative;
  flex: none;
  min-width: 130px;
}
/* The string runs behind the beads from each to the next. */
li::after {
  content: '';
  position: absolute;
  left: 10px;
  right: -10px;
  top: 31px;
  border-top: 2px solid var(--ink);
}
li:last-child::after {
  border-top: 2px dotted var(--line);
}
button,
.still {
  position: relative;
  z-index: 1;
  display: grid;
  justify-items: start;
  min-height: 78px;
  align-content: start;
  padding: 0 28px 0 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-size: 15px;
  line-height: 18px;
  text-align: left;
  white-space: nowrap;
}
button {
  cursor: pointer;
}
/* Nothing changed yet: one line, and it stays one while something is about to be tried. */
.folded {
  height: 40px;
}
.folded ol {
  align-items: center;
  gap: 28px;
  padding-top: 0;
}
.folded li::after {
  display: none;
}
.folded button,
.folded .still {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 38px;
  padding: 0;
}
.folded .bead {
  order: -1;
  width: 14px;
  height: 14px;
  margin: 0;
}
.bead {
  width: 20px;
  height: 20px;
  margin: 3px 0 2px;
  border-radius: 50%;
  background: var(--ink);
  border: 2px solid var(--ink);
}
.trying .bead {
  background: var(--petrol);
  border-color: var(--petrol);
}
.undone .bead,
.undo .bead {
  background: var(--ground);
}
.proposed .bead {
  background: var(--ground);
  border: 2px dashed var(--petrol);
}
.proposed {
  color: var(--petrol);
}
.undone strong {
  text-decoration: line-through;
}
.shown .bead {
  box-shadow: 0 0 0 4px var(--petrol);
}
.muted {
  font-size: 14px;
  line-height: 16px;
}
.small-bead {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin: 0 6px 0 5px;
  border: 1.5px solid var(--muted);
  border-radius: 50%;
}
</style>
