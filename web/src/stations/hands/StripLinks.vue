<script setup lang="ts">
import { computed } from 'vue'
import { measuredValue } from '@level-stance/core/measure/resolve'
import { useOutbox } from '../../stores/outbox.ts'
import { useVisit } from '../../stores/visit.ts'

/** Strips in true size to lay along a flat bar. */
const visit = useVisit()
const outbox = useOutbox()
const id = computed(() => visit.head?.visitId ?? '')
const ready = computed(() => visit.bar === 'flat' && measuredValue(visit.setup.now, 'gripLength') !== null)
const unsent = computed(() => outbox.pendingFor(id.value).length > 0)
</script>

<template>
  <section v-if="ready" class="strips" aria-label="Bar strips">
    <h2>Strip, 1:1</h2>
    <p class="small muted">Print unscaled, measure the two bars, lay it along the bar from its end: grip, clamps and cuts.</p>
    <p class="links">
      <a :href="`/api/visits/${id}/strip.pdf`" download>PDF</a>
      <a :href="`/api/visits/${id}/strip.svg`" download>SVG</a>
    </p>
    <p v-if="unsent" class="small warn">Some readings are not stored yet: wait until they are.</p>
  </section>
</template>

<style scoped>
.strips {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.links {
  display: flex;
  gap: 16px;
}
a {
  display: inline-block;
  min-height: 32px;
  padding: 4px 0;
  color: var(--petrol);
  font-weight: 600;
}
</style>
