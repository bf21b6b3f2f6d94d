<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { CauseVerdict } from '@level-stance/core/reason/cause'
import { saddleArea } from '@level-stance/core/talk/warningSigns'
import { unansweredWarnings } from '@level-stance/core/talk/complaint'
import { computed } from 'vue'
import CauseList from '../../parts/CauseList.vue'
import { useVisit } from '../../stores/visit.ts'
import { seatPageKeys, seatPages } from './pages.ts'
import type { SeatPageKey } from './pages.ts'
import { useSeat } from './useSeat.ts'

/** Warning signs of the saddle area first; then complaints that can lie at the seat. */
const emit = defineEmits<{ show: [page: SeatPageKey] }>()
const visit = useVisit()
const seat = useSeat()
const router = useRouter()

const open = computed(() => visit.complaints.filter((c) => saddleArea.includes(c.region) && unansweredWarnings(c).length > 0))
const pageFor = (cause: CauseVerdict) => seatPageKeys.find((key) => key === cause.page) ?? null
function go(cause: CauseVerdict): void {
  const page = pageFor(cause)
  if (page !== null) emit('show', page)
  else void router.push({ name: cause.page, params: { visitId: visit.head?.visitId ?? '' } })
}
const label = (cause: CauseVerdict) => {
  const page = pageFor(cause)
  return page === null ? (cause.page === 'feet' ? 'Feet' : 'Hands') : seatPages[page].label
}
</script>

<template>
  <p v-if="open.length > 0 && visit.stops.length === 0" class="warn first">
    Warning signs of the saddle area are not all asked: bladder, bowel, both legs, numbness for more than a day, open sores.
    <RouterLink :to="{ name: 'talk', params: { visitId: visit.head?.visitId } }">Ask first</RouterLink>
  </p>
  <CauseList
    :complaints="seat.causes"
    :label="label"
    none="Nothing was told that can lie at the seat. Saddle before tilt, tilt before height, height before setback: see the pages from left to right."
    @go="go"
  />
</template>

<style scoped>
.first {
  margin: 4px 0 8px;
  padding: 8px 10px;
  border-left: 3px solid var(--brick);
  background: var(--brick-soft);
}
</style>
