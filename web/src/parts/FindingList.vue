<script setup lang="ts">
import { sources } from '@level-stance/core/sources'
import type { Finding } from '@level-stance/core/quantity/finding'
import FindingCard from './FindingCard.vue'

/** Findings, weightiest first, each with what it rests on. */
defineProps<{ findings: readonly Finding[]; none: string }>()

const basis = ({ source }: Finding) => {
  const { kind, title } = sources[source]
  return kind === 'published'
    ? title
    : source === 'prior'
      ? 'This product’s own assumption.'
      : source === 'geometry'
        ? 'Computed.'
        : 'Common practice.'
}
</script>

<template>
  <p v-if="findings.length === 0 && none !== ''" class="muted none">{{ none }}</p>
  <FindingCard
    v-for="finding in findings"
    :key="`${finding.key}:${finding.side}`"
    :headline="finding.headline"
    :sentence="finding.sentence"
    :sure="basis(finding)"
    :speaks-for="[]"
    :against="[]"
    :weight="finding.weight"
    :data-testid="`finding-${finding.key}`"
  />
</template>

<style scoped>
.none {
  padding: 6px 0;
}
</style>
