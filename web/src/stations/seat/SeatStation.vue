<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import MoveCard from '../../parts/MoveCard.vue'
import PagedColumns from '../../parts/PagedColumns.vue'
import ReadingRows from '../../parts/ReadingRows.vue'
import TrialCard from '../../parts/TrialCard.vue'
import { stable } from '../../composables/stable.ts'
import { useAttachments } from '../../stores/attachments.ts'
import { useBoard } from '../../stores/board.ts'
import { useMat } from '../../stores/mat.ts'
import { useTriedSaddles } from '../../stores/triedSaddles.ts'
import { useVisit } from '../../stores/visit.ts'
import HeightPage from './HeightPage.vue'
import LegsPage from './LegsPage.vue'
import MatPage from './MatPage.vue'
import SaddlePage from './SaddlePage.vue'
import SeatBoard from './SeatBoard.vue'
import SetbackPage from './SetbackPage.vue'
import TiltPage from './TiltPage.vue'
import WhyPage from './WhyPage.vue'
import { seatPageKeys, seatPages } from './pages.ts'
import type { SeatPageKey } from './pages.ts'
import { useSeat } from './useSeat.ts'

const visit = useVisit()
const board = useBoard()
const seat = useSeat()
const tried = useTriedSaddles()
const attachments = useAttachments()
const mat = useMat()
const route = useRoute()
const router = useRouter()

const components = { why: WhyPage, saddle: SaddlePage, mat: MatPage, tilt: TiltPage, height: HeightPage, setback: SetbackPage, legs: LegsPage } // prettier-ignore
const tabs = computed(() =>
  seatPageKeys.map((key) => ({ key, label: seatPages[key].label, ...(key === 'mat' && mat.live ? { note: ' live' } : {}) })),
)
// The simulated mat runs on over the pages of the seat, and ends with the station.
onBeforeUnmount(() => mat.stopLive())

/** The address names the page; without one, what was told comes first, else the saddle. */
const asked = computed(() => seatPageKeys.find((key) => key === route.query['page']) ?? null)
watch([asked, () => visit.head?.visitId], () => (seat.page = asked.value ?? (seat.causes.length > 0 ? 'why' : 'saddle')), {
  immediate: true,
})
watch(
  () => visit.head?.visitId,
  (id) => {
    if (id === undefined) return
    void tried.load()
    void mat.load()
    if (attachments.loadedFor !== id) void attachments.load()
  },
  { immediate: true },
)
function show(page: SeatPageKey): void {
  // What was wished on one page is not carried to another unseen.
  board.clear()
  void router.push({ query: { ...route.query, page } })
}

/** On the first page: what would decide between the causes, then the least any judgement needs. */
const readings = stable(() => {
  if (seat.page !== 'why') return seatPages[seat.page].readings
  const wanted = seat.causes.flatMap(({ causes }) => causes.filter((cause) => cause.speaks === 'open').flatMap((cause) => cause.measure))
  const list = [...new Set(wanted)]
  return list.length > 0 ? list : (['sitBoneSpacing', 'saddleWidth', 'saddleTilt', 'saddleHeight', 'kneeFlexion', 'sitsWhere', 'pelvisLevel'] as const)
}) // prettier-ignore
const fields = computed(() => seatPages[seat.page].fields)
const moves = computed(() => fields.value.length > 0 || board.active)
</script>

<template>
  <PagedColumns :pages="tabs" :shown="seat.page" label="Pages of the seat" @show="show">
    <template #readings><ReadingRows :keys="readings" /></template>
    <template #board><SeatBoard :key="seat.page === 'mat' ? 'mat' : 'board'" /></template>
    <template #judgement><component :is="components[seat.page]" @show="show" /></template>
    <template #act>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <MoveCard v-else-if="moves" :fields="fields" :chooses-hold="seat.page === 'setback' || seat.page === 'height'" />
    </template>
  </PagedColumns>
</template>
