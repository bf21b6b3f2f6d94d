<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { FOLLOW_UP_WEEKS } from '@level-stance/core/change/stepPlan'
import { changeWords } from '@level-stance/core/change/moveWords'
import { complaintTitle } from '@level-stance/core/talk/complaint'
import TrialCard from '../../parts/TrialCard.vue'
import { useVisit } from '../../stores/visit.ts'

const visit = useVisit()
const followUp = new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(FOLLOW_UP_WEEKS.map(String))
const states = { trying: 'being tried', kept: 'kept', undone: 'undone' } as const
const ratingsOf = (changeId: string) =>
  visit.ratings
    .filter((r) => r.changeId === changeId)
    .flatMap((r) => {
      const complaint = visit.complaints.find((c) => c.id === r.complaintId)
      return complaint ? [`${complaintTitle(complaint)} ${complaint.severity} → ${r.severity}`] : []
    })
</script>

<template>
  <div class="prove">
    <section>
      <h1>One change at a time, under load</h1>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <p v-else class="card">Nothing is being tried. Feet proposes the next change.</p>
    </section>
    <section aria-label="Changes so far">
      <h2>So far</h2>
      <p v-if="visit.folded.changes.length === 0" class="muted">No change yet.</p>
      <article v-for="(change, i) in visit.folded.changes" :key="change.id" class="card change">
        <p>
          <strong>{{ i + 1 }}. {{ changeWords(change).join(' · ') }}</strong>
          <span class="muted state">{{ states[change.state] }}</span>
        </p>
        <p v-for="rating in ratingsOf(change.id)" :key="rating" class="small">{{ rating }}</p>
        <p v-if="change.later && change.state !== 'undone'" class="small muted">{{ change.later }}</p>
        <div v-if="change.state === 'kept'"><Button @click="visit.decide('undo', change)">Undo</Button></div>
      </article>
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
.change {
  display: grid;
  gap: 4px;
}
</style>
