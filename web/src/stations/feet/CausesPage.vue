<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { CauseVerdict } from '@level-stance/core/reason/cause'
import type { FootPage } from '@level-stance/core/reason/footCauses'
import CauseList from '../../parts/CauseList.vue'
import { useVisit } from '../../stores/visit.ts'
import { feetPages, pageOf } from './pages.ts'
import type { FeetPageKey } from './pages.ts'
import { useFeet } from './useFeet.ts'

/** Complaints that can lie at the feet. */
const emit = defineEmits<{ show: [page: FeetPageKey] }>()
const visit = useVisit()
const feet = useFeet()
const router = useRouter()

const pageFor = (cause: CauseVerdict) => pageOf(cause.page as FootPage, cause.key)
function go(cause: CauseVerdict): void {
  const page = pageFor(cause)
  if (page !== null) emit('show', page)
  else void router.push({ name: 'seat', params: { visitId: visit.head?.visitId ?? '' } })
}
const label = (cause: CauseVerdict) => {
  const page = pageFor(cause)
  return page === null ? 'Seat' : feetPages[page].label
}
</script>

<template>
  <CauseList
    :complaints="feet.causes"
    :label="label"
    none="Nothing was told that can lie at the feet. The shoe still comes before the cleat: see the pages from left to right."
    @go="go"
  />
</template>
