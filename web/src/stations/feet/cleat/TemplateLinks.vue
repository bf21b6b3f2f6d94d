<script setup lang="ts">
import { computed } from 'vue'
import { contract } from '@level-stance/core/contract/contract'
import { hrefOf } from '@level-stance/core/contract/route'
import { sides } from '@level-stance/core/kernel/sided'
import DownloadLinks from '../../../saving/DownloadLinks.vue'
import { useBoard } from '../../../data/board.ts'
import { useVisit } from '../../../data/visit.ts'
import { useFeet } from '../../useFeet.ts'

/** The 1:1 template of each shoe, at the axle that is aimed at. */
const visit = useVisit()
const board = useBoard()
const feet = useFeet()
const links = computed(() =>
  sides
    .filter((side) => feet.rested.cleat[side].state !== 'missing')
    .flatMap((side) => {
      const now = feet.rested.feet[side].setbackNow?.value ?? 0
      const asked = board.aimed('cleatSetback', side)
      const params = { visitId: visit.head?.visitId ?? '' }
      const query = { side, setback: asked === 0 ? undefined : Math.round(10 * (now + asked)) / 10 }
      return [
        { words: `${side} PDF`, href: hrefOf(contract.readTemplatePdf, { params, query }) },
        { words: `${side} SVG`, href: hrefOf(contract.readTemplateSvg, { params, query }) },
      ]
    }),
)
</script>

<template>
  <DownloadLinks
    title="Template, 1:1"
    label="Cleat templates"
    how="lay it on the sole: axle line, rotation and slot for this aim."
    :links="links"
  />
</template>
