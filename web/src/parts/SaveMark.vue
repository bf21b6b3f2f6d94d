<script setup lang="ts">
import { computed } from 'vue'
import { useOutbox } from '../stores/outbox.ts'

const outbox = useOutbox()
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
  <span class="mark small" :class="outbox.state" role="status" data-testid="save-state">{{ words }}</span>
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
