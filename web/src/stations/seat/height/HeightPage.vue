<script setup lang="ts">
import { computed, ref } from 'vue'
import { rideInWords } from '@level-stance/core/ledger/pace'
import { settings } from '@level-stance/core/ledger/settings'
import { capOf } from '@level-stance/core/ledger/pace'
import { FOLLOW_UP_WEEKS, stepPlan } from '@level-stance/core/ledger/stepPlan'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { formatLength } from '@level-stance/core/kernel/entry'
import { sides } from '@level-stance/core/kernel/sided'
import { midSentence } from '@level-stance/core/kernel/words'
import { weekPlan } from '@level-stance/core/stations/seat/height/judge'
import MetricVials from '../../../vial/MetricVials.vue'
import FindingList from '../../../finding/FindingList.vue'
import HeightMethods from '../../../working/HeightMethods.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import PageTabs from '../../../kit/PageTabs.vue'
import { useBoard } from '../../../data/board.ts'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'
import { useSeat } from '../../useSeat.ts'

/** Height by both knees, the methods side by side, and the way there over weeks. */
const visit = useVisit()
const seat = useSeat()
const board = useBoard()
const preferences = usePreferences()
const pages = [
  { key: 'knees', label: 'Both knees' },
  { key: 'methods', label: 'Heights by method' },
  { key: 'angles', label: 'Angles' },
] as const
const page = ref<(typeof pages)[number]['key']>('knees')
const metrics = [
  'kneeLeft',
  'kneeRight',
  'hipLeft',
  'hipRight',
  'torso',
  'load',
  'reach',
  'drop',
  'kneeAheadLeft',
  'kneeAheadRight',
] as const

const height = computed(() => seat.rested.height)
const isKneeKnown = computed(() => sides.some((side) => seat.rested.knees[side] !== null))
/** What the leg still lacks, by name. */
const missing = computed(() => {
  const lacks = visit.setup.built.missing.map((key) => midSentence(definitionOf(key).label))
  const inseam = visit.setup.now.inseam.right === null ? [midSentence(definitionOf('inseam').label)] : []
  return [...new Set([...lacks, ...inseam])].join(', ')
})
const now = computed(() => visit.setup.now.saddleHeight.left?.value ?? null)
const shown = (mm: number) => formatLength(mm, preferences.unit, preferences.unit === 'mm' ? 0 : 2)
const windows = computed(() =>
  sides
    .flatMap((side) => {
      const window = height.value?.windows[side]
      return window ? [`${side} ${shown(window.low)}–${shown(window.high)}`] : []
    })
    .join(', '),
)
/** The request if there is one, else what the knees ask for, in steps. */
const asked = computed(() => board.aimed('saddleHeight', 'both'))
const wanted = computed(() => (asked.value !== 0 ? asked.value : (height.value?.by ?? 0)))
const plan = computed(() => {
  return weekPlan(stepPlan(wanted.value, capOf('saddleHeight', visit.pace), settings.saddleHeight.resolution).steps)
})
</script>

<template>
  <div class="height">
    <PageTabs :pages="pages" :shown="page" label="Height" @show="(key) => (page = key)" />
    <HeightMethods v-if="page === 'methods'" />
    <MetricVials v-else-if="page === 'angles'" :metrics="metrics" />
    <template v-else>
      <MetricVials :metrics="['kneeLeft', 'kneeRight']" />
      <template v-if="height && now !== null">
        <p data-testid="height-window">
          <template v-if="height.common">
            <strong class="figure">{{ shown(height.common.low) }} to {{ shown(height.common.high) }}</strong> {{ preferences.unit }} suits
            both knees; the saddle stands at <span class="figure">{{ shown(now) }}</span>.
          </template>
          <template v-else-if="height.between !== null">
            No one height suits both; halfway is <strong class="figure">{{ shown(height.between) }}</strong> {{ preferences.unit }}.
          </template>
        </p>
        <p class="small muted">{{ windows }}; by the way each knee was read: 25–35° held still, 30–40° pedalling.</p>
      </template>
      <p v-else-if="isKneeKnown" class="missing">
        The knee is judged as it was read. To say how far the saddle should move, measure {{ missing }} too.
      </p>
      <p v-else class="missing">Read the knee at the bottom, or measure {{ missing }}, so that the legs are known.</p>
      <FindingList :findings="seat.judgement.findings" none="" />
      <ProposalButtons v-if="asked === 0" :proposals="seat.judgement.proposals" />
      <section v-if="plan.length > 0" aria-label="Steps over weeks">
        <h2>Steps over weeks</h2>
        <ol data-testid="week-plan">
          <li v-for="step in plan" :key="step.week">
            {{ step.week === 0 ? 'Now' : `After ${step.week} weeks, if test rides go well` }}: {{ step.by > 0 ? 'up' : 'down' }}
            {{ preferences.length(Math.abs(step.by), 1) }}
          </li>
        </ol>
        <p class="small muted">
          {{ visit.pace === 'new' ? rideInWords() : `At most ${preferences.length(capOf('saddleHeight', visit.pace), 1)} at a time.` }}
          Look again {{ FOLLOW_UP_WEEKS.join(', ') }} weeks after the last.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.height {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
ol {
  margin: 0;
  padding-left: 22px;
}
.missing {
  margin: 2px 0;
  padding: 6px 0 6px 10px;
  border-left: 3px solid var(--amber);
}
</style>
