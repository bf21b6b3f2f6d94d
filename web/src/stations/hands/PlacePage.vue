<script setup lang="ts">
import type { MetricKey } from '@level-stance/core/body/metrics'
import MetricVials from '../../parts/MetricVials.vue'

/** Both arms and the trunk over them. */
const metrics: readonly MetricKey[] = [
  'elbowLeft',
  'elbowRight',
  'shoulderLeft',
  'shoulderRight',
  'wristLeft',
  'wristRight',
  'wristBackLeft',
  'wristBackRight',
  'torso',
  'load',
  'reach',
  'drop',
  'kneeElbowLeft',
  'kneeElbowRight',
  'hipLeft',
  'hipRight',
]
</script>

<template>
  <MetricVials :metrics="metrics" />
</template>
