<script setup lang="ts">
import { computed } from 'vue'
import { contract } from '@level-stance/core/contract/contract'
import { hrefOf } from '@level-stance/core/contract/route'
import { measuredValue } from '@level-stance/core/readings/resolve'
import DownloadLinks from '../../../saving/DownloadLinks.vue'
import { useVisit } from '../../../data/visit.ts'

/** Strips in true size to lay along a flat bar. */
const visit = useVisit()
const links = computed(() => {
  if (visit.bar !== 'flat' || measuredValue(visit.setup.now, 'gripLength') === null) return []
  const params = { visitId: visit.head?.visitId ?? '' }
  return [
    { words: 'PDF', href: hrefOf(contract.readStripPdf, { params }) },
    { words: 'SVG', href: hrefOf(contract.readStripSvg, { params }) },
  ]
})
</script>

<template>
  <DownloadLinks title="Strip, 1:1" label="Bar strips" how="lay it along the bar from its end: grip, clamps and cuts." :links="links" />
</template>
