<script setup lang="ts">
import { MessageText } from '../../glossary/MessageText.ts'
import { joined } from '@level-stance/core/kernel/message'
import { Button, Switch } from 'ant-design-vue'
import { computed, onBeforeUnmount } from 'vue'
import type { Change } from '@level-stance/core/ledger/fold'
import { paces } from '@level-stance/core/ledger/pace'
import { outcomesOf } from '@level-stance/core/ledger/outcome'
import { FOLLOW_UP_WEEKS } from '@level-stance/core/ledger/stepPlan'
import { changeWords } from '@level-stance/core/ledger/moveWords'
import { POSSIBLE } from '@level-stance/core/reason/arithmetic'
import { causeOf } from '@level-stance/core/reason/causeTable'
import { thoughtWords, turnsOf } from '@level-stance/core/reason/history'
import { outcomes } from '@level-stance/core/record/dossier'
import { complaintTitle } from '@level-stance/core/talk/complaint'
import AnswerPicker from '../../kit/AnswerPicker.vue'
import BlockList from '../../move/BlockList.vue'
import PacePicker from '../../move/PacePicker.vue'
import TrialCard from '../../move/TrialCard.vue'
import TrialPlan from './TrialPlan.vue'
import { useBoard } from '../../data/board.ts'
import { useFeet } from '../useFeet.ts'
import { useHands } from '../useHands.ts'
import { useSeat } from '../useSeat.ts'
import { refusal } from '@level-stance/core/ledger/course'
import { useReasoning } from '../../data/reasoning.ts'
import { useVisit } from '../../data/visit.ts'

const visit = useVisit()
const board = useBoard()
const reasoning = useReasoning()
const [feet, seat, hands] = [useFeet(), useSeat(), useHands()]
const followUp = new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(FOLLOW_UP_WEEKS.map(String))
const outcome = computed(() => visit.dossier?.visit.outcome ?? null)
/** What is thought of each complaint's likeliest causes, before anything was changed and now. */
const MOST = 3
reasoning.looksBack = true
onBeforeUnmount(() => (reasoning.looksBack = false))
const turns = computed(() => turnsOf(reasoning.stages, visit.complaints))
const thoughts = computed(() =>
  (reasoning.stages[0]?.complaints ?? []).flatMap(({ complaintId, causes }) => {
    const now = reasoning.reasoning?.complaints.find(({ id }) => id === complaintId)
    if (now === undefined) return []
    const rows = now.causes.slice(0, MOST).map((row) => {
      const before = thoughtWords(causes.find(({ cause }) => cause === row.cause))
      const is = thoughtWords(row)
      const turned = before !== is
      const words = turned ? `was ${before}, now ${is}` : `${is}, as before`
      return { cause: row.cause, words, worth: turned || row.probability >= POSSIBLE }
    })
    // What neither was nor is likely enough to look at is left out.
    const worth = rows.filter((row) => row.worth)
    return worth.length === 0 ? [] : [{ id: complaintId, title: now.title, rows: worth }]
  }),
)
const states = { trying: 'being tried', kept: 'kept', undone: 'undone' } as const
const ratingsOf = (change: Change) =>
  outcomesOf(change, visit.told).map(({ complaint, before, after, word }) => ({
    key: complaint.id,
    words: `${complaintTitle(complaint)} ${before} → ${after}`,
    word,
  }))
/** Where the next change comes from: a draft that waits, else the station that has something to try. */
const nothing = computed(() => {
  if (board.waiting.length > 0) return `Nothing is being tried. Waiting: ${board.waiting.map(({ label }) => label).join(', ')}.`
  const open = [feet, seat, hands].filter(({ summary }) => summary.mark === 'open').map(({ label }) => label)
  return open.length === 0
    ? 'Nothing is being tried, and no station has a change to offer.'
    : `Nothing is being tried. ${new Intl.ListFormat('en-GB').format(open)} ${open.length === 1 ? 'has' : 'have'} something to try.`
})
</script>

<template>
  <div class="prove">
    <section>
      <h1>One change at a time, under load</h1>
      <BlockList :blocks="visit.blocks" />
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <template v-else>
        <TrialPlan />
        <p class="small muted">{{ nothing }}</p>
      </template>
      <div class="pace">
        <PacePicker /><span class="small muted">{{ paces[visit.pace].says }}</span>
      </div>
      <h2>How did it end?</h2>
      <AnswerPicker label="How the visit ended" :value="outcome" :options="outcomes" @pick="(key) => visit.setVisit({ outcome: key })" />
      <p v-if="outcome === null" class="small muted">
        Close the visit with an outcome. Closed visits count, without names, what was tried for which complaint and what eased it.
      </p>
      <p v-else><Button @click="visit.setVisit({ outcome: null })">Open the visit again</Button></p>
      <p class="studio">
        <Switch
          :checked="reasoning.studio !== null"
          aria-label="Use what this studio’s closed visits came to"
          @change="(on) => reasoning.setLearns(on === true)"
        />
        <span class="small muted">Let this studio’s closed visits weigh a little on what is usual.</span>
      </p>
    </section>
    <section aria-label="Changes so far">
      <h2>So far</h2>
      <p v-if="visit.folded.changes.length === 0" class="muted">No change yet.</p>
      <article v-for="(change, i) in visit.folded.changes" :key="change.id" class="card change">
        <p>
          <strong>{{ i + 1 }}. <MessageText :of="joined(changeWords(change), ' · ')" /></strong>
          <span class="muted state">{{ states[change.state] }}</span>
        </p>
        <p v-for="rating in ratingsOf(change)" :key="rating.key" class="small">
          {{ rating.words }} <strong :class="rating.word">{{ rating.word }}</strong>
        </p>
        <p v-for="turn in turns.get(change.id) ?? []" :key="turn.complaintId + turn.cause" class="small" data-testid="turn">
          {{ turn.words }}<span v-if="visit.complaints.length > 1" class="muted"> · {{ turn.title }}</span>
        </p>
        <p v-if="change.later && change.state !== 'undone'" class="small muted"><MessageText :of="change.later" /></p>
        <div v-if="change.state !== 'trying' && refusal(change.state, 'undo') === null">
          <Button @click="visit.decide('undo', change)">Undo</Button>
        </div>
      </article>
      <template v-if="thoughts.length > 0">
        <h2>Causes, at the start and now</h2>
        <article v-for="{ id, title, rows } in thoughts" :key="id" data-testid="thoughts">
          <p class="small muted">{{ title }}</p>
          <p v-for="row in rows" :key="row.cause" class="small">{{ causeOf(row.cause).label }}: {{ row.words }}</p>
        </article>
      </template>
      <p class="small muted">After a change that was kept, follow up after {{ followUp }} weeks.</p>
    </section>
  </div>
</template>

<style scoped>
.prove {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  height: 100%;
  overflow-y: auto;
  padding: 16px 20px;
}
section {
  display: grid;
  align-content: start;
  gap: 10px;
}
.state {
  margin-left: 8px;
}
.pace {
  display: flex;
  align-items: center;
  gap: 10px;
}
.studio {
  display: flex;
  align-items: center;
  gap: 10px;
}
@media (max-width: 700px) {
  .prove {
    display: block;
    height: auto;
  }
}
.worse {
  color: var(--brick);
}
.better {
  color: var(--petrol);
}
.change {
  display: grid;
  gap: 4px;
}
</style>
