<script setup lang="ts">
import { computed } from 'vue'
import { useOutbox } from '../data/outbox.ts'
import { useVisit } from '../data/visit.ts'

const outbox = useOutbox()
const visit = useVisit()
/** A write of another visit that waits for a choice: it is made there. */
const elsewhere = computed(() => {
  const waiting = [...outbox.conflicts, ...outbox.broken]
  return waiting.every(({ visitId }) => visitId !== visit.head?.visitId) ? (waiting[0] ?? null) : null
})
const words = computed(
  () =>
    ({
      saved: 'Saved',
      saving: 'Saving…',
      unreachable: 'Cannot reach the server: kept here, retrying',
      conflict: 'Changed elsewhere: choose below',
      failed: 'Not all is stored: see below',
    })[outbox.state],
)
</script>

<template>
  <RouterLink
    v-if="elsewhere"
    class="mark small conflict"
    :to="{ name: 'measure', params: { visitId: elsewhere.visitId } }"
    data-testid="save-state"
  >
    Waits for your choice: {{ elsewhere.whose ?? 'another visit' }}
  </RouterLink>
  <span v-else class="mark small" :class="outbox.state" role="status" data-testid="save-state">{{ words }}</span>
</template>

<style scoped>
.mark {
  color: var(--muted);
  white-space: nowrap;
}
.unreachable,
.failed,
.conflict {
  color: var(--brick);
  font-weight: 600;
  white-space: normal;
}
</style>
