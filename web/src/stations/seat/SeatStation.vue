<script setup lang="ts">
import { ref } from 'vue'
import RiderBoard from '../../board/RiderBoard.vue'
import FactVials from '../../parts/FactVials.vue'
import HeightMethods from '../../parts/HeightMethods.vue'
import MoveCard from '../../parts/MoveCard.vue'
import PageTabs from '../../parts/PageTabs.vue'
import ReadingRows from '../../parts/ReadingRows.vue'
import StationColumns from '../../parts/StationColumns.vue'
import TrialCard from '../../parts/TrialCard.vue'
import { useVisit } from '../../stores/visit.ts'

const visit = useVisit()
const readings = ['saddleHeight', 'saddleSetback', 'sitFromNose', 'saddleTilt', 'saddleWidth', 'saddleLength', 'sitBoneSpacing', 'kneeFlexion', 'footPitch', 'torsoAngle', 'postRoomUp', 'postRoomDown', 'railRoomForward', 'railRoomBack', 'inseam'] as const // prettier-ignore
const fields = [
  { setting: 'saddleHeight', side: 'both' },
  { setting: 'saddleSetback', side: 'both' },
  { setting: 'saddleTilt', side: 'both' },
] as const
const facts = ['kneeLeft', 'kneeRight', 'hipLeft', 'hipRight', 'torso', 'load', 'reach', 'drop', 'kneeAheadLeft', 'kneeAheadRight'] as const
const pages = [
  { key: 'angles', label: 'Angles' },
  { key: 'heights', label: 'Heights by method' },
] as const
const page = ref<(typeof pages)[number]['key']>('angles')
</script>

<template>
  <StationColumns>
    <template #readings><ReadingRows :keys="readings" /></template>
    <template #board><RiderBoard opens="side" /></template>
    <template #judgement>
      <PageTabs :pages="pages" :shown="page" label="Judgement" @show="(key) => (page = key)" />
      <div class="page"><FactVials v-if="page === 'angles'" :facts="facts" /><HeightMethods v-else /></div>
    </template>
    <template #act>
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <MoveCard v-else :fields="fields" />
    </template>
  </StationColumns>
</template>

<style scoped>
.page {
  height: auto;
  padding-top: 8px;
  overflow: visible;
}
</style>
