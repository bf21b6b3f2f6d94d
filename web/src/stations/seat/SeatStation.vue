<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { seatStation } from '@level-stance/core/stations/seat/station'
import { isAt, unansweredWarnings } from '@level-stance/core/talk/complaint'
import { saddleArea } from '@level-stance/core/talk/warningSigns'
import { useAttachments } from '../../data/attachments.ts'
import { useMat } from '../../data/mat.ts'
import { useTriedSaddles } from '../../data/triedSaddles.ts'
import { useVisit } from '../../data/visit.ts'
import StationPages from '../StationPages.vue'
import HeightPage from './height/HeightPage.vue'
import LegsPage from './legs/LegsPage.vue'
import MatPage from './mat/MatPage.vue'
import SaddlePage from './saddle/SaddlePage.vue'
import SeatBoard from './SeatBoard.vue'
import SetbackPage from './setback/SetbackPage.vue'
import TiltPage from './tilt/TiltPage.vue'
import { useSeat } from '../useSeat.ts'

const visit = useVisit()
const seat = useSeat()
const tried = useTriedSaddles()
const attachments = useAttachments()
const mat = useMat()
const { label, pages } = seatStation
const components = { saddle: SaddlePage, mat: MatPage, tilt: TiltPage, height: HeightPage, setback: SetbackPage, legs: LegsPage }
const why = {
  none: 'Nothing was told that can lie at the seat. Saddle before tilt, tilt before height, height before setback: see the pages from left to right.',
  readings: ['sitBoneSpacing', 'saddleWidth', 'saddleTilt', 'saddleHeight', 'kneeFlexion', 'sitsWhere', 'pelvisLevel'],
} as const
const notes = computed(() => (mat.live ? { mat: ' live' } : {}))
/** Warning signs of the saddle area that nobody has asked yet come before any cause. */
const unasked = computed(() =>
  visit.stops.length === 0
    ? visit.complaints.filter((complaint) => isAt(complaint, saddleArea) && unansweredWarnings(complaint).length > 0)
    : [],
)
// The simulated mat runs on over the pages of the seat, and ends with the station.
onBeforeUnmount(() => mat.stopLive())
watch(
  () => visit.head?.visitId,
  (id) => {
    if (id === undefined) return
    void tried.load()
    void mat.load()
    if (attachments.loadedFor !== id) void attachments.load()
  },
  { immediate: true },
)
</script>

<template>
  <StationPages :label="label" :station="seat" :pages="pages" :components="components" :why="why" :notes="notes">
    <template #board><SeatBoard :key="seat.page === 'mat' ? 'mat' : 'board'" /></template>
    <template #warnings>
      <p v-if="unasked.length > 0" class="warn first">
        Warning signs of the saddle area are not all asked: bladder, bowel, both legs, numbness for more than a day, open sores.
        <RouterLink :to="{ name: 'talk', params: { visitId: visit.head?.visitId } }">Ask first</RouterLink>
      </p>
    </template>
  </StationPages>
</template>

<style scoped>
.first {
  margin-bottom: 8px;
  font-size: 15px;
}
</style>
