<script setup lang="ts">
import { ref, watch } from 'vue'
import RiderBoard from '../../board/RiderBoard.vue'
import PictureStack from '../../kit/PictureStack.vue'
import MatMaps from './mat/MatMaps.vue'
import SaddleTop from './saddle/SaddleTop.vue'
import SetbackCurve from './setback/SetbackCurve.vue'
import { useSeat } from '../useSeat.ts'

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
  <PictureStack v-else :pictures="views" :shown="view" @show="(key) => (view = key)">
    <SaddleTop v-if="view === 'above'" />
    <RiderBoard v-else opens="side" />
    <template v-if="seat.page === 'setback'" #chart><SetbackCurve /></template>
  </PictureStack>
</template>
