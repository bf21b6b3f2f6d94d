<script setup lang="ts">
import { isSame } from '@level-stance/core/kernel/message'
import { ref, watch } from 'vue'
import { sources } from '@level-stance/core/kernel/sources'
import type { Finding } from '@level-stance/core/kernel/finding'
import { useBoard } from '../data/board.ts'
import FindingCard from './FindingCard.vue'

/** Findings, weightiest first, each with what it rests on. */
const props = defineProps<{ findings: readonly Finding[]; none: string }>()
const board = useBoard()
const list = ref<HTMLElement | null>(null)
// What the card answers stays in view above it.
watch(
  () => board.reason,
  (reason) => {
    const at = reason === null ? -1 : props.findings.findIndex(({ headline }) => isSame(headline, reason))
    if (at >= 0) list.value?.children[at]?.scrollIntoView({ block: 'nearest' })
  },
  { flush: 'post' },
)

const basis = ({ source }: Finding) => {
  const { kind, title } = sources[source]
  const said =
    kind === 'published'
      ? title.replace(/\.$/, '')
      : source === 'prior'
        ? 'this product’s own assumption'
        : source === 'geometry'
          ? 'computed from the readings'
          : 'common practice'
  return `Source: ${said}.`
}
</script>

<template>
  <p v-if="findings.length === 0 && none !== ''" class="muted none">{{ none }}</p>
  <div ref="list">
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
  </div>
</template>

<style scoped>
.none {
  padding: 6px 0;
}
</style>
