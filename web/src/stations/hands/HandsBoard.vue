<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import RiderBoard from '../../board/RiderBoard.vue'
import PictureStack from '../../kit/PictureStack.vue'
import { useBoard } from '../../data/board.ts'
import { useVisit } from '../../data/visit.ts'
import BarFront from './width/BarFront.vue'
import HalfBar from './HalfBar.vue'
import HandSide from './HandSide.vue'
import SweepCharts from './place/SweepCharts.vue'
import { useHands } from '../useHands.ts'

/** The rider, the bar's halves from above with the hand from the side, or the shoulders over the bar. */
const visit = useVisit()
const hands = useHands()
const board = useBoard()
const views = computed(() => [
  { key: 'side', label: 'Rider' },
  ...(visit.bar === 'flat' ? [{ key: 'halves', label: 'Bar and hand' }] : []),
  { key: 'front', label: 'Shoulders' },
])
const view = ref('side')
watch(
  () => hands.pageOpen,
  (page) => {
    const wanted = page?.picture ?? 'side'
    view.value = views.value.some(({ key }) => key === wanted) ? wanted : 'side'
  },
  { immediate: true },
)
// Extensions are judged with the hands on them: the rider is drawn so.
const onExtensions = { hands: 'extension', effort: 'calm' } as const
watch(
  () => hands.page === 'extensions' && board.postures.some((posture) => posture.hands === onExtensions.hands),
  (isThere) => board.pose(isThere ? onExtensions : null),
  { immediate: true },
)
onBeforeUnmount(() => board.pose(null))
/** Which hand is drawn large. */
const side = ref<'left' | 'right'>('right')
const sweeps = computed(() => hands.page === 'place' && view.value === 'side')
</script>

<template>
  <PictureStack :pictures="views" :shown="view" @show="(key) => (view = key)">
    <div v-if="view === 'halves'" class="room">
      <div class="halves">
        <HalfBar :side="side" @other="side = side === 'left' ? 'right' : 'left'" />
        <HandSide :side="side" />
      </div>
    </div>
    <BarFront v-else-if="view === 'front'" />
    <RiderBoard v-else opens="side" />
    <template v-if="sweeps" #chart><SweepCharts /></template>
  </PictureStack>
</template>

<style scoped>
.room {
  container-type: size;
  height: 100%;
}
.halves {
  display: grid;
  height: 100%;
  grid-template-rows: minmax(0, 1.1fr) minmax(0, 1fr);
}
/* With little height beside each other: both are larger so. */
@container (max-height: 440px) {
  .halves {
    grid-template: minmax(0, 1fr) / minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
