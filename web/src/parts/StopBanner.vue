<script setup lang="ts">
import { computed } from 'vue'
import { stopLines } from '@level-stance/core/talk/complaint'
import { stopAndRefer } from '@level-stance/core/talk/warningSigns'
import { useVisit } from '../stores/visit.ts'

const visit = useVisit()
const lines = computed(() => stopLines(visit.complaints))
</script>

<template>
  <section v-if="lines.length > 0" class="stop banner" role="alert" data-testid="stop-banner">
    <p>
      <strong>{{ stopAndRefer }}</strong>
    </p>
    <p v-for="{ urgency, words } in lines" :key="words" :class="{ small: urgency === 'soon' }">
      <strong v-if="urgency === 'emergency'">{{ words }}</strong>
      <template v-else>{{ words }}</template>
    </p>
  </section>
</template>

<style scoped>
.banner {
  margin: 8px 20px;
}
</style>
