<script setup lang="ts">
import { ref, watch } from 'vue'
import RiderBoard from '../../board/RiderBoard.vue'
import PageTabs from '../../parts/PageTabs.vue'
import MatMaps from './MatMaps.vue'
import SaddleTop from './SaddleTop.vue'
import SetbackCurve from './SetbackCurve.vue'
import { useSeat } from './useSeat.ts'

/** Rider from the side with the saddle's own shape; the saddle from above with the bones on it; or the mat's maps. */
const seat = useSeat()
const views = [
  { key: 'side', label: 'Rider from the side' },
  { key: 'above', label: 'Saddle from above' },
] as const
const view = ref<'side' | 'above'>('side')
watch(
  () => seat.pageOpen,
  (page) => (view.value = page?.picture ?? 'side'),
  { immediate: true },
)
</script>

<template>
  <MatMaps v-if="seat.page === 'mat'" />
  <div v-else class="seat-board">
    <PageTabs :pages="views" :shown="view" label="Pictures" @show="(key) => (view = key)" />
    <div class="picture">
      <SaddleTop v-if="view === 'above'" />
      <RiderBoard v-else opens="side" />
    </div>
    <SetbackCurve v-if="seat.page === 'setback'" />
  </div>
</template>

<style scoped>
.seat-board {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100%;
  min-height: 0;
}
.picture {
  min-height: 0;
}
</style>
