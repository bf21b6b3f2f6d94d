<script setup lang="ts">
import { Tag } from 'ant-design-vue'
import { computed } from 'vue'
import { LIKELY } from '@level-stance/core/reason/arithmetic'
import { causeOf } from '@level-stance/core/reason/causeTable'
import type { WorkStation } from '@level-stance/core/kernel/stations'
import { causeWord } from '@level-stance/core/reason/rank'
import type { RankedCause } from '@level-stance/core/reason/rank'
import { useReasoning } from '../data/reasoning.ts'

/** Which causes of what was told the open page is about. */
const props = defineProps<{ station: WorkStation; page: string }>()
const reasoning = useReasoning()
const causes = computed(() => reasoning.causesOn(props.station, props.page))
const titles = (row: RankedCause) =>
  (reasoning.reasoning?.complaints ?? []).flatMap(({ id, title }) => (row.explains.includes(id) ? [title] : [])).join(', ')
const isLikely = ({ isRead, found, probability, muted }: RankedCause) => isRead && found === null && probability >= LIKELY && muted === null
</script>

<template>
  <p v-if="causes.length > 0" class="about" data-testid="page-causes">
    <Tag v-for="row in causes" :key="row.cause" :class="{ likely: isLikely(row) }" :title="titles(row)"
      >{{ causeOf(row.cause).label }}{{ row.side && row.side !== 'both' ? `, ${row.side}` : '' }}: {{ causeWord(row) }}</Tag
    >
  </p>
</template>

<style scoped>
.about {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 0;
  padding: 4px 0;
}
.about :deep(.ant-tag) {
  padding: 0 6px;
  color: var(--ink);
  font-size: 13px;
  line-height: 19px;
  white-space: normal;
}
.about :deep(.likely) {
  border-color: var(--amber);
}
</style>
