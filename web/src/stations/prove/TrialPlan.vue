<script setup lang="ts">
import { Button, Timeline, TimelineItem } from 'ant-design-vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { isWorthActing } from '@level-stance/core/reason/firstMove'
import { rideSituations } from '@level-stance/core/talk/regions'
import { complaintTitle } from '@level-stance/core/talk/complaint'
import { midSentence } from '@level-stance/core/quantity/words'
import { useBoard } from '../../stores/board.ts'
import { usePreferences } from '../../stores/preferences.ts'
import { useReasoning } from '../../stores/reasoning.ts'
import { useVisit } from '../../stores/visit.ts'

/** While nothing is being tried: the next trial, step by step; or what is still to be told or read before there is one. */
const visit = useVisit()
const board = useBoard()
const reasoning = useReasoning()
const preferences = usePreferences()
const router = useRouter()
const list = new Intl.ListFormat('en-GB', { type: 'conjunction' })

const move = computed(() => reasoning.reasoned?.moves[0] ?? null)
const isSure = computed(() => move.value !== null && isWorthActing(move.value, reasoning.reasoned?.causes ?? []))
const eased = computed(() => (move.value?.effects ?? []).filter(({ words }) => words !== 'no change' && words !== 'watch'))
/** "Toes and ball of foot 5, saddle area 6" */
const rated = computed(() =>
  list.format(
    visit.complaints.map((complaint) => `${midSentence(complaintTitle(complaint))} ${visit.severities.get(complaint.id) ?? 'not rated'}`),
  ),
)
/** How the complaint is brought on: what to ride, and for how long. */
const load = computed(() => {
  const first = visit.complaints.find(({ id }) => eased.value.some(({ complaintId }) => complaintId === id)) ?? visit.complaints[0]
  if (!first) return ''
  const { situation, startsAfter } = first
  const where = situation === 'anywhere' ? 'as usual' : midSentence(rideSituations[situation])
  if (startsAfter !== null && startsAfter > LONGEST)
    return `At the stand for the feel, then a ride of more than ${startsAfter} minutes, ${where}: it starts only then.`
  return `Easy for five minutes, then ${where}, at several efforts, until it would have come${startsAfter === null ? '' : ` (after ${startsAfter} min)`}.`
})
/** min; longer than this nobody pedals at the stand */
const LONGEST = 30
const steps = computed(() => {
  if (!move.value) return []
  const names = eased.value.map(({ title }) => midSentence(title))
  return [
    { title: 'Rate before', description: `Now: ${rated.value}.` },
    { title: 'Set it', description: preferences.said(`${move.value.words}. ${move.value.cautions[0] ?? ''}`.trim()) },
    { title: 'Ride', description: load.value },
    { title: 'Rate again', description: 'The rider says the number before seeing the old one.' },
    {
      title: 'Keep or undo',
      description: `Keep it if ${names.length > 0 ? list.format(names) : 'it'} eased and nothing else is worse. If not, undo it: the bike stands as before.`,
    },
  ]
})
function take(): void {
  if (!move.value) return
  reasoning.take(move.value)
  void router.push({ name: 'talk', params: { visitId: visit.head?.visitId ?? '' } })
}
const to = (name: string) => ({ name, params: { visitId: visit.head?.visitId ?? '' } })
</script>

<template>
  <article class="card plan" data-testid="trial-plan">
    <template v-if="visit.complaints.length === 0">
      <h2>No trial yet</h2>
      <p>
        <RouterLink :to="to('talk')">Tell what hurts or fails</RouterLink> and how bad it is. The first trial is then planned here: what to
        set, what to ride, what to rate, and when to undo it.
      </p>
    </template>
    <template v-else-if="visit.stops.length > 0">
      <h2>No trial</h2>
      <p>A warning sign is positive. Refer to a clinician first.</p>
    </template>
    <template v-else-if="move">
      <h2>Next trial: {{ preferences.said(move.words) }}</h2>
      <p v-if="!isSure" class="small muted">Not sure yet. A reading could still change it: see what Talk asks for.</p>
      <Timeline>
        <TimelineItem v-for="(step, i) in steps" :key="step.title">
          <template #dot
            ><span class="number figure">{{ i + 1 }}</span></template
          >
          <strong>{{ step.title }}</strong>
          <p>{{ step.description }}</p>
        </TimelineItem>
      </Timeline>
      <p v-if="move.part" class="small">Needs {{ move.part }}.</p>
      <Button v-if="move.requested.length > 0" type="primary" :disabled="!board.movable" @click="take">To the card</Button>
    </template>
    <template v-else-if="reasoning.reasoned">
      <h2>No trial to plan</h2>
      <p>
        Nothing told and read so far makes one change likely enough. <RouterLink :to="to('talk')">Talk lists what to read next.</RouterLink>
      </p>
    </template>
    <p v-else class="muted">Working out what to try…</p>
  </article>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.plan :deep(.ant-timeline-item) {
  padding-bottom: 10px;
  font-size: 16px;
}
.plan :deep(.ant-timeline) {
  padding-top: 6px;
}
.plan :deep(.ant-timeline-item-last) {
  padding-bottom: 0;
}
.number {
  display: grid;
  place-content: center;
  width: 24px;
  height: 24px;
  border: 1px solid var(--petrol);
  border-radius: 50%;
  color: var(--petrol);
}
</style>
