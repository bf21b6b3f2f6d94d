<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { CauseVerdict, ComplaintCauses } from '@level-stance/core/reason/cause'
import CauseList from '../parts/CauseList.vue'
import { useVisit } from '../stores/visit.ts'

/** Complaints that can lie at a station, with their causes and the page each is dealt with on. */
const props = defineProps<{
  causes: readonly ComplaintCauses[]
  /** pages of this station; a cause that is dealt with elsewhere names a station */
  pages: Readonly<Record<string, { readonly label: string }>>
  none: string
}>()
const emit = defineEmits<{ show: [page: string] }>()
const visit = useVisit()
const router = useRouter()

function go({ page }: CauseVerdict): void {
  if (Object.hasOwn(props.pages, page)) emit('show', page)
  else void router.push({ name: page, params: { visitId: visit.head?.visitId ?? '' } })
}
const label = ({ page }: CauseVerdict) => props.pages[page]?.label ?? page.charAt(0).toUpperCase() + page.slice(1)
</script>

<template>
  <slot />
  <CauseList :complaints="causes" :label="label" :none="none" @go="go" />
</template>
