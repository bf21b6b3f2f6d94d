<script setup lang="ts">
import { tableOf } from '@level-stance/core/kernel/tables'
import { useSessionStorage } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { isPositionThere } from '@level-stance/core/rider/calibrated'
import { conditions, conditionsFor, handsOf } from '@level-stance/core/readings/conditions'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import { hasReading } from '@level-stance/core/uncertainty/measureNext'
import { isRead } from '@level-stance/core/readings/resolve'
import { definitionOf, readingKeys } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingGroup, ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import RiderBoard from '../../board/RiderBoard.vue'
import MetricVials from '../../vial/MetricVials.vue'
import HeightMethods from '../../working/HeightMethods.vue'
import MoveCard from '../../move/MoveCard.vue'
import PageTabs from '../../kit/PageTabs.vue'
import ReadingRow from '../../reading/ReadingRow.vue'
import StationColumns from '../StationColumns.vue'
import TrialCard from '../../move/TrialCard.vue'
import { later } from '../../kit/later.ts'
import { usePaintedFirst } from '../../kit/painted.ts'
import { useBoard } from '../../data/board.ts'
import { useDrafts } from '../../data/drafts.ts'
import { useReasoning } from '../../data/reasoning.ts'
import { useVisit } from '../../data/visit.ts'
import FitCard from './FitCard.vue'
import NextCard from './NextCard.vue'
import QuestionRow from '../../reading/QuestionRow.vue'
import { useQuestionsAfter } from '../../reading/questionsAfter.ts'
import RiderWorking from './RiderWorking.vue'
import RulesCard from './RulesCard.vue'
import SelectField from '../../kit/SelectField.vue'

const visit = useVisit()
const board = useBoard()
const drafts = useDrafts()
const reasoning = useReasoning()

type PageKey = 'short' | 'rider' | 'bike' | 'on-bike' | 'shoes'
const groupsOf: Readonly<Record<Exclude<PageKey, 'short'>, readonly ReadingGroup[]>> = {
  rider: ['body'],
  bike: ['bike'],
  'on-bike': ['on-bike'],
  shoes: ['shoe', 'cleat'],
}
const pageLabels: Readonly<Record<PageKey, string>> = { short: 'Short', rider: 'Rider', bike: 'Bike', shoes: 'Shoes', 'on-bike': 'Riding' }
/** In the order of the tape: body, bike and shoes standing; riding last. */
const wholeOrder = ['rider', 'bike', 'shoes', 'on-bike'] as const
/** What is worth reading for the complaints comes before the whole tape. */
const pageOrder = computed<readonly PageKey[]>(() => [...(visit.complaints.length > 0 ? (['short'] as const) : []), ...wholeOrder])
const page = useSessionStorage<PageKey>('measure-page', 'rider')
const condition = ref<ConditionKey>('usual')

/** Rows of the short list: more may come at the end of an order, but none goes while the list is open. */
const short = ref<readonly ReadingKey[]>([])
watch(
  () => [page.value, visit.head?.visitId, reasoning.shortKeys] as const,
  ([open, id], earlier) => {
    const kept = earlier && open === earlier[0] && id === earlier[1] ? short.value : []
    short.value = readingKeys.filter((key) => kept.includes(key) || reasoning.shortKeys.includes(key))
  },
  { immediate: true },
)
watch(
  () => pageOrder.value.includes(page.value),
  (isThere) => {
    if (!isThere) page.value = 'rider'
  },
  { immediate: true },
)
const keysOf = (key: PageKey) => (key === 'short' ? short.value : wholeKeysOf(key))
const wholeKeysOf = (key: Exclude<PageKey, 'short'>) =>
  readingKeys.filter((reading) => groupsOf[key].includes(definitionOf(reading).group) && hasReading(reading, visit.bar))
/** Whether something typed there is not a value yet. */
const unsettled = (keys: readonly ReadingKey[]) => keys.some((key) => drafts.any(`${visit.head?.visitId}/${key}:`))
/** How many of each page are read; counted once the hand rests. */
const counts = later(
  () => [visit.rider.resolved, short.value],
  () => visit.head?.visitId,
  () => pageOrder.value.map((key) => keysOf(key).filter((reading) => isRead(visit.rider.resolved, reading)).length),
)
const pages = computed(() =>
  pageOrder.value.map((key, i) => {
    const keys = keysOf(key)
    const note = key === 'short' ? '' : `${counts.value[i] ?? 0}/${keys.length}`
    return { key, label: pageLabels[key], note: `${unsettled(keys) ? '! ' : ''}${note}` }
  }),
)
const { shown: rows, showAll } = usePaintedFirst(
  () => keysOf(page.value).filter((key) => page.value !== 'on-bike' || conditionsFor(key, visit.bar).includes(condition.value)),
  14,
)
/** Rows under their headings. */
const sections = computed(() => {
  const headings = [...new Set(rows.value.map((key) => definitionOf(key).section))]
  return headings.map((heading) => ({ heading, keys: rows.value.filter((key) => definitionOf(key).section === heading) }))
})
const ridingConditions = computed(() =>
  conditionsFor('torsoAngle', visit.bar).filter((key) => isPositionThere(visit.rider, handsOf(key, visit.bar))),
)
const ridingWords = computed(() =>
  tableOf(ridingConditions.value, (key): string => `${conditions[key].label}${key === 'usual' ? ', hands where they usually are' : ''}`),
)
const about = computed(() => keysOf(page.value))
const questions = useQuestionsAfter(() => about.value)

/** The hand has come to the end of a page: on to the next one. */
async function turnPage({ detail: by }: CustomEvent<1 | -1>): Promise<void> {
  const there = pageOrder.value[pageOrder.value.indexOf(page.value) + by]
  if (there === undefined) return
  page.value = there
  condition.value = 'usual'
  await nextTick()
  const fields = [...document.querySelectorAll<HTMLElement>('[data-reading]')]
  fields.at(by === 1 ? 0 : -1)?.focus()
}

async function goto(key: ReadingKey): Promise<void> {
  if (!keysOf(page.value).includes(key)) page.value = wholeOrder.find((candidate) => keysOf(candidate).includes(key)) ?? page.value
  condition.value = 'usual'
  showAll()
  await nextTick()
  const field = document.getElementById(`reading-${key}-left`) ?? document.getElementById(`reading-${key}-both`)
  field?.focus()
  field?.scrollIntoView({ block: 'center' })
}

/** The address may name a reading to go to: from the list of commands. */
const route = useRoute()
const router = useRouter()
watch(
  () => route.query['reading'],
  async (asked) => {
    const key = readingKeys.find((candidate) => candidate === asked)
    if (key === undefined) return
    await goto(key)
    const { reading: _, ...query } = route.query
    void router.replace({ query })
  },
  { immediate: true, flush: 'post' },
)

const judgementPages = [
  { key: 'angles', label: 'Angles' },
  { key: 'heights', label: 'Heights' },
  { key: 'fit', label: 'Fit' },
  { key: 'rules', label: 'Rules' },
] as const
const judgementPage = ref<(typeof judgementPages)[number]['key']>('angles')
</script>

<template>
  <StationColumns :left="388" :right="352">
    <template #readings>
      <div @page-end="turnPage">
        <NextCard @goto="goto" />
        <PageTabs :pages="pages" :shown="page" label="Readings" @show="(key) => (page = key)" />
        <div v-if="page === 'on-bike'" class="condition">
          <span>While riding</span>
          <SelectField label="While riding" :value="condition" :options="ridingWords" @pick="(key) => key && (condition = key)" />
        </div>
        <section v-for="{ heading, keys } in sections" :key="`${heading}-${condition}`" :aria-label="heading">
          <div class="readings-head">
            <h2>{{ heading }}</h2>
            <span class="muted small">left</span><span class="muted small">right</span>
          </div>
          <template v-for="key in keys" :key="`${key}-${condition}`">
            <ReadingRow :reading-key="key" :condition="condition" />
            <QuestionRow v-for="question in questions.get(key)" :key="question.id" :question="question" />
          </template>
        </section>
        <p v-if="page === 'short' && about.length === 0" class="small muted done">
          Nothing more to read for these complaints: no reading here would change what comes first.
        </p>
      </div>
    </template>
    <template #board><RiderBoard opens="side" /></template>
    <template #judgement>
      <PageTabs :pages="judgementPages" :shown="judgementPage" label="Judgement" @show="(key) => (judgementPage = key)" />
      <div class="page">
        <template v-if="judgementPage === 'angles'">
          <MetricVials />
          <RiderWorking />
        </template>
        <HeightMethods v-else-if="judgementPage === 'heights'" />
        <FitCard v-else-if="judgementPage === 'fit'" />
        <RulesCard v-else />
      </div>
    </template>
    <template #act>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <MoveCard v-else-if="board.active" :fields="[]" />
    </template>
  </StationColumns>
</template>

<style scoped>
.condition {
  display: flex;
  align-items: center;
  gap: 10px;
  padding-top: 8px;
  font-size: 15px;
}
.page {
  height: auto;
  padding-top: 8px;
  overflow: visible;
}
</style>
