<script setup lang="ts">
import { addressOf } from '../address/stations.ts'
import { computed } from 'vue'
import { causeOf, causePage } from '@level-stance/core/reason/causeTable'
import type { WorkStation } from '@level-stance/core/kernel/stations'
import type { RankedCause } from '@level-stance/core/reason/rank'
import CauseRanking from '../reasoning/CauseRanking.vue'
import { useReasoning } from '../data/reasoning.ts'
import { useVisit } from '../data/visit.ts'

/** The ranked causes of every complaint, those that are dealt with at this station. */
const props = defineProps<{ station: WorkStation; none: string }>()
const emit = defineEmits<{ show: [page: string] }>()
const visit = useVisit()
const reasoning = useReasoning()

const complaints = computed(() =>
  (reasoning.reasoning?.complaints ?? []).flatMap((complaint) => {
    const causes = complaint.causes.filter(({ cause }) => causeOf(cause).station === props.station)
    const elsewhere = complaint.causes.find(({ cause }) => causeOf(cause).station !== props.station)
    return causes.length > 0 ? [{ ...complaint, causes, elsewhere }] : []
  }),
)
/** Until the causes of just these complaints are there, nothing is said of them. */
const isWorking = computed(() => !reasoning.isOfThese || (complaints.value.length === 0 && !reasoning.isCurrent))
const go = ({ cause }: RankedCause) => emit('show', causePage(cause, visit.bar))
const there = (row: RankedCause) => causeOf(row.cause)
</script>

<template>
  <slot />
  <p v-if="reasoning.trouble" class="stop" role="alert">
    Causes cannot be worked out in this window. Reload the page; what was entered is stored.
  </p>
  <p v-else-if="isWorking" class="muted none" role="status">Working out the causes…</p>
  <p v-else-if="complaints.length === 0" class="muted none">{{ none }}</p>
  <article v-for="{ id, title, causes, elsewhere } in isWorking ? [] : complaints" :key="id" class="complaint">
    <h2>
      {{ title }} <span class="muted">{{ visit.severities.get(id) ?? '–' }}/10</span>
    </h2>
    <CauseRanking :causes="causes" @go="go" />
    <p v-if="elsewhere && elsewhere.probability > (causes[0]?.probability ?? 0)" class="small muted">
      Likelier elsewhere: {{ there(elsewhere).label.toLowerCase() }}.
      <RouterLink :to="addressOf(visit.head?.visitId, there(elsewhere).station, causePage(elsewhere.cause, visit.bar))">Open it</RouterLink>
    </p>
    <p class="small">
      <RouterLink :to="{ name: 'talk', query: { complaint: id } }">All causes, and what to try first</RouterLink>
    </p>
  </article>
  <p v-if="complaints.length > 0 && !isWorking" class="small muted">
    Ordered by what was told and read. Weights are this product’s own; they order the search, they do not diagnose.
  </p>
</template>

<style scoped>
.none {
  padding: 8px 0;
}
.complaint {
  padding: 4px 0 12px;
}
</style>
