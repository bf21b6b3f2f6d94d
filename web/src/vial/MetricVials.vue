<script setup lang="ts">
import type { MetricKey } from '@level-stance/core/body/metrics'
import { computed } from 'vue'
import { useVisit } from '../data/visit.ts'
import MetricVial from './MetricVial.vue'

/** Numbers of the rider on the bike, two a row, in the order of the body. */
const props = withDefaults(defineProps<{ metrics?: readonly MetricKey[] }>(), {
  metrics: () => [
    'kneeLeft',
    'kneeRight',
    'hipLeft',
    'hipRight',
    'torso',
    'load',
    'elbowLeft',
    'elbowRight',
    'shoulderLeft',
    'shoulderRight',
    'wristLeft',
    'wristRight',
    'reach',
    'drop',
    'kneeElbowLeft',
    'kneeElbowRight',
    'kneeAheadLeft',
    'kneeAheadRight',
    'wristBackLeft',
    'wristBackRight',
    'stance',
    'frontWheel',
  ],
})

const visit = useVisit()
/** A lever angle means a bend of the wrist only where the hand holds the bar by its grip. */
const shown = computed(() => props.metrics.filter((metric) => visit.bar === 'flat' || !metric.startsWith('wristBack')))
</script>

<template>
  <p v-if="visit.setup.model && visit.rider.usual.state === 'none'" class="small muted uncalibrated">
    Not calibrated: nothing is read on the bike yet. These are estimates; trust them for differences.
  </p>
  <div class="vials">
    <MetricVial v-for="metric in shown" :key="metric" :metric="metric" />
  </div>
</template>

<style scoped>
.uncalibrated {
  padding-bottom: 6px;
  line-height: 1.25;
}
.vials {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 7px 14px;
}
</style>
