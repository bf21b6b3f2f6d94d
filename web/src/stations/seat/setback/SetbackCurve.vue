<script setup lang="ts">
import { computed } from 'vue'
import { setbackCurve } from '@level-stance/core/knockOn/seatCurve'
import { standingOf } from '@level-stance/core/rider/setup'
import { lengthWords } from '@level-stance/core/kernel/entry'
import { CURVE } from '@level-stance/core/stations/seat/setback/page'
import SlidChart from '../../../chart/SlidChart.vue'
import type { ChartLine } from '../../../chart/SlidChart.vue'
import { useBoard } from '../../../data/board.ts'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'

/**
 * Height over setback with the knees kept: a curve to slide along. As on the board, forward lies to
 * the right; a setback counts to the back, so that the chart's places are its negatives.
 */
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()

/** From the back to the front. */
const points = computed(() => setbackCurve(standingOf(visit.setup), CURVE.reach, CURVE.step)?.toReversed() ?? null)
// The same list while a hand slides along it: the chart is not drawn anew.
const places = computed(() => (points.value ?? []).map(({ setback }) => -setback))
const lines = computed<ChartLine[]>(() => {
  const list = points.value ?? []
  const height = (inRoom: boolean) => list.map((point) => (inRoom && !point.inRoom ? null : point.height))
  return [
    { name: 'post', values: height(false), dash: 'dot', colour: '--steel', said: '%{y:.1f}' },
    { name: 'within rails and post', values: height(true), width: 4, colour: '--petrol', said: '%{y:.1f}' },
  ]
})
const at = computed(() => board.aimed('saddleSetback', 'both'))
/** Height at a setback between two points of the curve; null past its ends. */
const heightAt = (setback: number) => {
  const list = (points.value ?? []).flatMap((point) => (point.height === null ? [] : [{ ...point, height: point.height }]))
  const next = list.findIndex((point) => point.setback <= setback + 1e-9)
  const [a, b] = [list[next - 1], list[next]]
  if (!b) return null
  return a ? b.height + ((setback - b.setback) / (a.setback - b.setback)) * (a.height - b.height) : b.height
}
const spoken = computed(() => {
  const size = (mm: number) => lengthWords(Math.abs(mm), preferences.unit, preferences.unit === 'mm' ? 1 : 2)
  const move = at.value === 0 ? 'where it is' : `${size(at.value)} ${at.value > 0 ? 'back' : 'forward'}`
  const height = heightAt(at.value)
  if (height === null) return move
  return `${move}, ${Math.abs(height) < 0.05 ? 'same height' : `post ${size(height)} ${height > 0 ? 'up' : 'down'}`}`
})
const slide = (forward: number) => board.request([{ setting: 'saddleSetback', side: 'both', by: -forward }])
</script>

<template>
  <figure v-if="points" class="curve">
    <figcaption class="small">
      Slide along: <strong class="figure" data-testid="curve-words">{{ spoken }}</strong>
    </figcaption>
    <SlidChart
      picture="Post over setback, knees kept; back to the left, forward to the right"
      handle="Setback with the knees kept"
      :spoken="spoken"
      :places="places"
      :reach="CURVE.reach"
      :lines="lines"
      :at="-at"
      :movable="board.movable"
      :height="116"
      up="post up"
      lengths
      @slide="slide"
    />
    <p class="ends small muted"><span>back</span><span>thick: within rails and post</span><span>forward</span></p>
  </figure>
  <p v-else class="small muted">The curve needs both legs: stature, crank, cleat and saddle height.</p>
</template>

<style scoped>
.curve {
  margin: 0;
  padding: 4px 12px 6px;
  border-top: 1px solid var(--line);
}
.ends {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
</style>
