<script setup lang="ts">
import { computed } from 'vue'
import { useOutbox } from '../data/outbox.ts'
import { useVisit } from '../data/visit.ts'

/** Drawings in true size of the open visit, to print unscaled. */
defineProps<{ title: string; label: string; how: string; links: readonly { readonly words: string; readonly href: string }[] }>()
const visit = useVisit()
const outbox = useOutbox()
const unsent = computed(() => outbox.pendingFor(visit.head?.visitId ?? '').length > 0)
</script>

<template>
  <section v-if="links.length > 0" class="downloads" :aria-label="label">
    <h2>{{ title }}</h2>
    <p class="small muted">Print unscaled and measure the two bars; then {{ how }}</p>
    <p class="links">
      <a v-for="link in links" :key="link.href" :href="link.href" download>{{ link.words }}</a>
    </p>
    <p v-if="unsent" class="small warn">Some readings are not stored yet: wait until they are.</p>
  </section>
</template>

<style scoped>
.downloads {
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
