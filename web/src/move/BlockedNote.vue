<script setup lang="ts">
import type { Block } from '@level-stance/core/prove/blocks'
import { useVisit } from '../data/visit.ts'
import { usePreferences } from '../data/preferences.ts'

/** What must not be ridden, where the hand is about to ride it; mended or overruled in Prove. */
defineProps<{ blocks: readonly Block[] }>()
const preferences = usePreferences()
const visit = useVisit()
</script>

<template>
  <p v-for="block in blocks" :key="block.key" class="small warn" data-testid="blocked">
    Not to be ridden: {{ preferences.said(block.finding.headline) }}
    <RouterLink :to="{ name: 'prove', params: { visitId: visit.head?.visitId ?? '' } }">Mend it, or overrule it in Prove.</RouterLink>
  </p>
</template>

<style scoped>
a {
  color: inherit;
}
</style>
