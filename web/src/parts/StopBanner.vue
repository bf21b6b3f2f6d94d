<script setup lang="ts">
import { complaintTitle } from '@level-stance/core/talk/complaint'
import { stopAndRefer } from '@level-stance/core/talk/warningSigns'
import { useVisit } from '../stores/visit.ts'

const visit = useVisit()
</script>

<template>
  <section v-if="visit.stops.length > 0" class="stop banner" role="alert" data-testid="stop-banner">
    <p>
      <strong>{{ stopAndRefer }}</strong>
    </p>
    <p class="small">
      <span v-for="stop in visit.stops" :key="stop.complaint.id + stop.sign"
        >{{ complaintTitle(stop.complaint) }}: {{ stop.question }} Yes.
      </span>
    </p>
  </section>
</template>

<style scoped>
.banner {
  margin: 8px 20px;
}
</style>
