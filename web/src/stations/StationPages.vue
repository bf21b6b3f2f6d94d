<script setup lang="ts">
import type { Message } from '@level-stance/core/kernel/message'
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'
import type { Component } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { causeOf } from '@level-stance/core/reason/causeTable'
import type { WorkStation } from '@level-stance/core/kernel/stations'
import { concerns } from '@level-stance/core/reason/matching'
import { isRead } from '@level-stance/core/readings/resolve'
import { readingsOn } from '@level-stance/core/station/station'
import type { ReadingAt } from '@level-stance/core/station/station'
import type { HandPosition } from '@level-stance/core/readings/conditions'
import { hasReading } from '@level-stance/core/uncertainty/measureNext'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import type { SettingPlace } from '@level-stance/core/station/settingPlace'
import { stable } from '../kit/stable.ts'
import { addressOf } from '../address/stations.ts'
import MoveCard from '../move/MoveCard.vue'
import PageCauses from '../reasoning/PageCauses.vue'
import PageStart from '../reading/PageStart.vue'
import PageTabs from '../kit/PageTabs.vue'
import ReadingRows from '../reading/ReadingRows.vue'
import StationColumns from './StationColumns.vue'
import TrialCard from '../move/TrialCard.vue'
import { pageKey, useBoard } from '../data/board.ts'
import { useReasoning } from '../data/reasoning.ts'
import { useVisit } from '../data/visit.ts'
import { WHY } from './useStation.ts'
import type { OpenStation } from './useStation.ts'
import WhyPage from './WhyPage.vue'

/** A station: tabs of its pages over readings, board, judgement and the card that moves things. */
const props = defineProps<{
  label: string
  station: OpenStation
  pages: Readonly<
    Record<
      string,
      {
        readonly label: string
        readonly tells: Message
        readonly readings: readonly ReadingKey[]
        readonly hands?: HandPosition
        readonly readHard?: readonly ReadingKey[]
        readonly fields: readonly SettingPlace[]
        readonly choosesHold?: true
      }
    >
  >
  /** what each page shows beside the readings */
  components: Readonly<Record<string, Component>>
  /** the first page, on why it hurts; left out where a station has none */
  why?: {
    /** said where nothing was told that belongs here */
    readonly none: string
    /** asked for where no cause is open */
    readonly readings: readonly ReadingKey[]
  }
  /** a word after a page's name */
  notes?: Readonly<Record<string, string>>
}>()
const visit = useVisit()
const reasoning = useReasoning()
const stationKey = computed(() => props.label.toLowerCase() as WorkStation)
const board = useBoard()
const route = useRoute()
const router = useRouter()

const keys = computed(() => [...(props.why ? [WHY] : []), ...Object.keys(props.pages)])
const tabs = computed(() =>
  keys.value.map((key) => {
    const note = props.notes?.[key]
    return { key, label: key === WHY ? 'Why' : (props.pages[key]?.label ?? key), ...(note ? { note } : {}) }
  }),
)
/** The address names the page; without one, what was told comes first, else the first in the order of the work. */
const asked = computed(() => keys.value.find((key) => key === route.params['page']) ?? null)
const first = () => (props.why && concerns(visit.complaints, stationKey.value) ? WHY : (Object.keys(props.pages)[0] ?? WHY))
watch([asked, () => visit.head?.visitId], () => props.station.open(asked.value ?? first()), { immediate: true })
onBeforeUnmount(
  board.offer(
    () => props.station.judgement.proposals,
    () => props.station.settled,
  ),
)

function show(page: string): void {
  void router.push(addressOf(visit.head?.visitId, stationKey.value, page))
}

const page = computed(() => props.pages[props.station.page] ?? null)
/** What a page moves on this bar. */
const fieldsOf = (key: string) => (props.pages[key]?.fields ?? []).filter(({ setting }) => hasReading(setting, visit.bar))
/** What was asked for on another page waits while this one is open. */
let leavePage: () => void = () => undefined
watch(
  () => props.station.page,
  (key) => {
    const label = key === WHY ? props.label : (props.pages[key]?.label ?? props.label)
    leavePage = board.enter({ key: pageKey(props.label.toLowerCase(), key), label, fields: fieldsOf(key) })
  },
  { immediate: true },
)
onBeforeUnmount(() => leavePage())
/** More rows than this are no short way to anything. */
const MOST_ASKED = 10
/** On the first page: what would decide between the causes, else the least any judgement needs. */
const wanted = stable(() => {
  if (page.value) return readingsOn(page.value, visit.bar).filter(({ key }) => hasReading(key, visit.bar))
  const ranked = (reasoning.reasoning?.complaints ?? []).flatMap(({ causes }) => causes)
  const here = ranked.filter(({ cause }) => causeOf(cause).station === stationKey.value)
  const missing = here.flatMap(({ open }) => open.flatMap((test) => test.missing))
  const deciding = missing
    .filter((one, i) => missing.findIndex(({ key, condition }) => key === one.key && condition === one.condition) === i)
    .map(({ key, condition }): ReadingAt => ({ key, condition }))
    .slice(0, MOST_ASKED)
  return deciding.length > 0 ? deciding : (props.why?.readings ?? []).map((key): ReadingAt => ({ key, condition: 'usual' }))
})
/** The rows of the open page: more may come at the end, but none goes or moves under the hand that is typing. */
const readings = shallowRef<readonly ReadingAt[]>([])
watch([() => props.station.page, () => visit.head?.visitId], () => (readings.value = wanted.value), { immediate: true })
watch(wanted, (rows) => {
  const more = rows.filter((row) => !readings.value.some(({ key, condition }) => key === row.key && condition === row.condition))
  if (more.length > 0) readings.value = [...readings.value, ...more]
})
/** Nothing of what the page works from was read. */
const isEmpty = stable(
  () => readings.value.length > 0 && readings.value.every(({ key, condition }) => !isRead(visit.rider.readIn(condition), key)),
)
const fields = computed(() => fieldsOf(props.station.page))
const moves = computed(() => fields.value.length > 0 || board.active)
</script>

<template>
  <div class="station" :class="{ single: tabs.length < 2 }">
    <PageTabs v-if="tabs.length > 1" :pages="tabs" :shown="station.page" :label="`Pages of the ${label.toLowerCase()}`" @show="show" />
    <StationColumns :left="292" :right="428">
      <template #readings><ReadingRows :rows="readings" /></template>
      <template #board><slot name="board" :show="show" /></template>
      <template #judgement>
        <WhyPage v-if="why && station.page === WHY" :station="stationKey" :none="why.none" @show="show"><slot name="warnings" /></WhyPage>
        <template v-else>
          <PageStart v-if="page && isEmpty" :readings="readings.map(({ key }) => key)" :tells="page.tells" />
          <PageCauses v-else :station="stationKey" :page="station.page" />
          <component :is="components[station.page]" @show="show" />
        </template>
      </template>
      <template #act>
        <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
        <MoveCard v-else-if="moves" :fields="fields" :chooses-hold="page?.choosesHold ?? false" />
      </template>
    </StationColumns>
  </div>
</template>

<style scoped>
.station {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
.single {
  grid-template-rows: minmax(0, 1fr);
}
@media (max-width: 700px) {
  .station {
    display: block;
    height: auto;
  }
}
</style>
