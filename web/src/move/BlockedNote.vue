<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import type { Block } from '@level-stance/core/prove/blocks'
import { useVisit } from '../data/visit.ts'

/** What must not be ridden, where the hand is about to ride it; mended or overruled in Prove. */
defineProps<{ blocks: readonly Block[] }>()
const visit = useVisit()
</script>

<template>
  <p v-for="block in blocks" :key="block.key" class="small warn" data-testid="blocked">
    Not to be ridden: <MessageText :of="block.finding.headline" />{{ ' ' }}
    <RouterLink :to="{ name: 'prove', params: { visitId: visit.head?.visitId ?? '' } }">Mend it, or overrule it in Prove.</RouterLink>
  </p>
</template>

<style scoped>
a {
  color: inherit;
}
</style>
