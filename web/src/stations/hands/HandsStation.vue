<script setup lang="ts">
import { computed } from 'vue'
import { hasReading } from '@level-stance/core/change/measureNext'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import RiderBoard from '../../board/RiderBoard.vue'
import MetricVials from '../../parts/MetricVials.vue'
import MoveCard from '../../parts/MoveCard.vue'
import ReadingRows from '../../parts/ReadingRows.vue'
import StationColumns from '../../parts/StationColumns.vue'
import TrialCard from '../../parts/TrialCard.vue'
import { useVisit } from '../../stores/visit.ts'

const visit = useVisit()
const all: readonly ReadingKey[] = [
  'handReach', 'handHeight', 'gripSpacing', 'acromionWidth', 'stemLength', 'stemAngle', 'spacers', 'spacersAbove', 'barWidth', 'hoodWidth', 'dropWidth', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep',
  'barReach', 'barDrop', 'hoodPosition', 'hoodAngle', 'barRoll', 'leverAngle', 'leverClamp', 'leverReach', 'gripDiameter', 'shifterPlace', 'handSweep', 'handRise', 'torsoAngle', 'elbowFlexion', 'shoulderAngle', 'wristAngle',
] // prettier-ignore
const readings = computed(() => all.filter((key) => hasReading(key, visit.bar)))
const fields = [
  { setting: 'handReach', side: 'both' },
  { setting: 'handHeight', side: 'both' },
  { setting: 'gripSpacing', side: 'both' },
  { setting: 'barRoll', side: 'both' },
] as const
const metrics = [
  'torso',
  'elbow',
  'shoulder',
  'wrist',
  'reach',
  'drop',
  'hipLeft',
  'hipRight',
  'kneeElbowLeft',
  'kneeElbowRight',
  'load',
  'wristBack',
] as const
</script>

<template>
  <StationColumns>
    <template #readings><ReadingRows :keys="readings" /></template>
    <template #board><RiderBoard opens="top" /></template>
    <template #judgement><MetricVials :metrics="metrics" /></template>
    <template #act>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <MoveCard v-else :fields="fields" />
    </template>
  </StationColumns>
</template>
