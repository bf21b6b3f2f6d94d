<script setup lang="ts">
import { computed } from 'vue'
import { stopLines } from '@level-stance/core/talk/complaint'
import { stopAndRefer } from '@level-stance/core/talk/warningSigns'
import { useVisit } from '../data/visit.ts'

const visit = useVisit()
const lines = computed(() => stopLines(visit.complaints))
const urgent = computed(() => lines.value.filter(({ urgency }) => urgency === 'emergency'))
const soon = computed(() => lines.value.filter(({ urgency }) => urgency === 'soon'))
</script>

<template>
  <section v-if="lines.length > 0" class="stop banner" role="alert" data-testid="stop-banner">
    <p v-for="{ words } in urgent" :key="words">
      <strong>{{ words }}</strong>
    </p>
    <p :class="{ small: urgent.length > 0 }">
      <strong>{{ stopAndRefer }}</strong>
    </p>
    <p v-for="{ words } in soon" :key="words" class="small">{{ words }}</p>
  </section>
</template>

<style scoped>
.banner {
  margin: 8px 20px;
}
</style>
