<script setup lang="ts">
import { computed } from 'vue'
import { sides } from '@level-stance/core/quantity/sided'
import { useBoard } from '../../stores/board.ts'
import { useOutbox } from '../../stores/outbox.ts'
import { useVisit } from '../../stores/visit.ts'
import { useFeet } from './useFeet.ts'

/** The 1:1 template of each shoe, at the axle that is aimed at. */
const visit = useVisit()
const board = useBoard()
const feet = useFeet()
const outbox = useOutbox()
const ready = computed(() => sides.filter((side) => feet.rested.cleat[side].state !== 'missing'))
const unsent = computed(() => outbox.pendingFor(visit.head?.visitId ?? '').length > 0)
const link = (side: 'left' | 'right', ending: 'pdf' | 'svg') => {
  const now = feet.rested.feet[side].setbackNow?.value ?? 0
  const asked = board.aimed('cleatSetback', side)
  const own = asked === 0 ? '' : `&setback=${Math.round(10 * (now + asked)) / 10}`
  return `/api/visits/${visit.head?.visitId ?? ''}/template.${ending}?side=${side}${own}`
}
</script>

<template>
  <section v-if="ready.length > 0" class="templates" aria-label="Cleat templates">
    <h2>Template, 1:1</h2>
    <p class="small muted">Print unscaled, measure the two bars, lay it on the sole: axle line, rotation and slot for this aim.</p>
    <p class="links">
      <template v-for="side in ready" :key="side">
        <a :href="link(side, 'pdf')" download>{{ side }} PDF</a>
        <a :href="link(side, 'svg')" download>{{ side }} SVG</a>
      </template>
    </p>
    <p v-if="unsent" class="small warn">Some readings are not stored yet: wait until they are.</p>
  </section>
</template>

<style scoped>
.templates {
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
