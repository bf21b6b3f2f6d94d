<script setup lang="ts">
import { addressOf } from '../address/stations.ts'
import { computed } from 'vue'
import { useVisit } from '../data/visit.ts'
import { useMoulding } from '../data/moulding.ts'

/** The running clock wherever the fitter is; it leads back to the guide. */
const moulding = useMoulding()
const visit = useVisit()
/** Said where another visit is open, or none: the shoe on the heater belongs to somebody else. */
const whose = computed(() => (moulding.running && moulding.running.visitId !== visit.head?.visitId ? moulding.running.rider : ''))
</script>

<template>
  <RouterLink
    v-if="moulding.running && moulding.clock"
    class="chip figure"
    :class="{ over: moulding.over }"
    :to="moulding.running.visitId === '' ? '/riders' : addressOf(moulding.running.visitId, 'feet', 'shoe')"
    :aria-label="`Moulding${whose ? ` for ${whose}` : ''}, ${moulding.step?.title ?? ''}: ${moulding.clock.shown}`"
    data-testid="moulding-chip"
  >
    <span aria-hidden="true">{{ moulding.over ? 'Shoe!' : 'Shoe' }}{{ whose ? `, ${whose}` : '' }}</span> {{ moulding.clock.shown }}
  </RouterLink>
</template>

<style scoped>
.chip {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 32px;
  padding: 0 10px;
  border: 1px solid var(--petrol);
  border-radius: 16px;
  background: var(--petrol-soft);
  color: var(--ink);
  text-decoration: none;
}
.over {
  border-color: var(--brick);
  background: var(--brick);
  color: var(--panel);
}
</style>
