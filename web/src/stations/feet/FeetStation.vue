<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PagedColumns from '../../parts/PagedColumns.vue'
import MoveCard from '../../parts/MoveCard.vue'
import ReadingRows from '../../parts/ReadingRows.vue'
import TrialCard from '../../parts/TrialCard.vue'
import { stable } from '../../composables/stable.ts'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'
import CausesPage from './CausesPage.vue'
import FeetBoard from './FeetBoard.vue'
import FeetJudgement from './FeetJudgement.vue'
import PedalPage from './PedalPage.vue'
import ProposalCard from './ProposalCard.vue'
import RotationPage from './RotationPage.vue'
import ShoePage from './ShoePage.vue'
import StancePage from './StancePage.vue'
import SupportPage from './SupportPage.vue'
import WearPage from './WearPage.vue'
import { feetPageKeys, feetPages } from './pages.ts'
import type { FeetPageKey } from './pages.ts'
import { useFeet } from './useFeet.ts'

const visit = useVisit()
const board = useBoard()
const feet = useFeet()
const route = useRoute()
const router = useRouter()

const components = { why: CausesPage, shoe: ShoePage, pedal: PedalPage, cleat: FeetJudgement, rotation: RotationPage, stance: StancePage, support: SupportPage, wear: WearPage } // prettier-ignore
const tabs = feetPageKeys.map((key) => ({ key, label: feetPages[key].label }))

/** The address names the page; without one, what was told comes first, else the shoe. */
const asked = computed(() => feetPageKeys.find((key) => key === route.query['page']) ?? null)
watch([asked, () => visit.head?.visitId], () => (feet.page = asked.value ?? (feet.causes.length > 0 ? 'why' : 'shoe')), { immediate: true })
watch(
  () => visit.head?.visitId,
  (id) => id !== undefined && void feet.loadOtherBikes(id),
  { immediate: true },
)
function show(page: FeetPageKey): void {
  // What was wished on one page is not carried to another unseen.
  board.clear()
  void router.push({ query: { ...route.query, page } })
}

/** On the first page: what would decide between the causes, then the least any judgement needs. */
const readings = stable(() => {
  const own = feetPages[feet.page].readings
  if (feet.page !== 'why') return own
  const wanted = feet.causes.flatMap(({ causes }) => causes.filter((cause) => cause.speaks === 'open').flatMap((cause) => cause.measure))
  const list = [...new Set(wanted)]
  return list.length > 0 ? list : feetPages.cleat.readings
})
const fields = computed(() => feetPages[feet.page].fields)
const moves = computed(() => fields.value.length > 0 || board.active)
</script>

<template>
  <PagedColumns :pages="tabs" :shown="feet.page" label="Pages of the feet" @show="show">
    <template #readings><ReadingRows :keys="readings" /></template>
    <template #board><FeetBoard @show="show" /></template>
    <template #judgement><component :is="components[feet.page]" @show="show" /></template>
    <template #act>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <ProposalCard v-else-if="feet.page === 'cleat'" />
      <MoveCard v-else-if="moves" :fields="fields" :chooses-hold="false" />
    </template>
  </PagedColumns>
</template>
