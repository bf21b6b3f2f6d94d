<script setup lang="ts">
import { MessageText } from '../../glossary/MessageText.ts'
import { Button, Timeline, TimelineItem } from 'ant-design-vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { trialPlan } from '@level-stance/core/prove/trialPlan'
import { isWorthActing } from '@level-stance/core/reason/firstMove'
import { useBoard } from '../../data/board.ts'
import { useReasoning } from '../../data/reasoning.ts'
import { useVisit } from '../../data/visit.ts'

/** While nothing is being tried: the next trial, step by step; or what is still to be told or read before there is one. */
const visit = useVisit()
const board = useBoard()
const reasoning = useReasoning()
const router = useRouter()

const move = computed(() => reasoning.reasoned?.moves[0] ?? null)
const isSure = computed(() => move.value !== null && isWorthActing(move.value, reasoning.reasoned?.causes ?? []))
const steps = computed(() => (move.value ? trialPlan(move.value, visit.complaints, visit.severities) : []))
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
    <p v-else-if="!reasoning.isOfThese" class="muted" role="status">Working out what to try…</p>
    <template v-else-if="move">
      <h2>Next trial: <MessageText :of="move.words" /></h2>
      <p v-if="!isSure" class="small muted">Not sure yet. A reading could still change it: see what Talk asks for.</p>
      <Timeline>
        <TimelineItem v-for="(step, i) in steps" :key="step.key">
          <template #dot
            ><span class="number figure">{{ i + 1 }}</span></template
          >
          <strong><MessageText :of="step.title" /></strong>
          <p><MessageText :of="step.says" /></p>
        </TimelineItem>
      </Timeline>
      <p v-if="move.part" class="small">Needs {{ move.part }}.</p>
      <Button v-if="move.requested.length > 0" type="primary" :disabled="!board.movable || !reasoning.isCurrent" @click="take"
        >Set up to try</Button
      >
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
