<script setup lang="ts">
import { Segmented } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sweeps } from '@level-stance/core/stations/hands/place/handSweep'
import type { SweepKey } from '@level-stance/core/stations/hands/place/handSweep'
import { lengthWords, trimmed } from '@level-stance/core/kernel/entry'
import SlidChart from '../../../chart/SlidChart.vue'
import type { ChartLine } from '../../../chart/SlidChart.vue'
import { useBoard } from '../../../data/board.ts'
import { usePreferences } from '../../../data/preferences.ts'
import { useHands } from '../../useHands.ts'
import { keysOf } from '@level-stance/core/kernel/tables'

/** What the rider's numbers become as the hands go up and down, or forward and back; the slider moves the board. */
const hands = useHands()
const board = useBoard()
const preferences = usePreferences()
const along = ref<SweepKey>('height')
const options = keysOf(sweeps).map((value) => ({ value, label: sweeps[value].label }))
const row = computed(() => sweeps[along.value])
const points = computed(() => hands.rested.sweep[along.value])
const middle = computed(() => (along.value === 'height' ? hands.rested.sweep.middle : hands.rested.sweep.reachMiddle))
const at = computed(() => board.aimed(row.value.setting, 'both'))
const way = computed(() => (along.value === 'height' ? (['up', 'down'] as const) : (['forward', 'back'] as const)))
const here = computed(() => {
  const list = points.value ?? []
  return [...list].sort((a, b) => Math.abs(a.at - at.value) - Math.abs(b.at - at.value))[0] ?? null
})
const spoken = computed(() => {
  const size = (mm: number) => lengthWords(mm, preferences.unit)
  const by = at.value === 0 ? 'where they are' : `${size(Math.abs(at.value))} ${at.value > 0 ? way.value[0] : way.value[1]}`
  const { metrics = null, neck = null, worse = null } = here.value ?? {}
  if (metrics === null) return `${by}: out of reach`
  const angles = `torso ${trimmed(metrics.torso ?? 0, 0)}°, neck ${trimmed(neck ?? 0, 0)}°, hand load ${trimmed(metrics.load ?? 0, 0)} %`
  return `${by}: ${angles}${typeof worse?.gap !== 'number' ? '' : `, arm gap ${size(worse.gap)}`}`
})
// The same list while a hand slides along it: the chart is not drawn anew.
const places = computed(() => (points.value ?? []).map((point) => point.at))
const lines = computed<ChartLine[]>(() => {
  const list = points.value ?? []
  return [
    { name: 'torso', values: list.map(({ metrics }) => metrics?.torso), width: 3, colour: '--petrol' },
    { name: 'neck', values: list.map(({ neck }) => neck), dash: 'dot' },
    { name: 'hip', values: list.map(({ worse }) => worse.hip), dash: 'dash' },
    { name: 'shoulder', values: list.map(({ worse }) => worse.shoulder), dash: 'longdash' },
    { name: 'elbow', values: list.map(({ worse }) => worse.elbow), dash: 'dashdot' },
    { name: 'wrist', values: list.map(({ worse }) => worse.wrist), dash: 'longdashdot', width: 1.5 },
    { name: 'hand load %', values: list.map(({ metrics }) => metrics?.load), width: 1.5, colour: '--amber' },
  ]
})
const slide = (by: number) => board.request([{ setting: row.value.setting, side: 'both', by }])
</script>

<template>
  <figure v-if="points" class="sweep" :aria-label="`${row.label} sweep`">
    <figcaption class="small">
      <Segmented v-model:value="along" :options="options" size="small" aria-label="Sweep along" />
      <span class="figure" data-testid="sweep-words">{{ spoken }}</span>
    </figcaption>
    <SlidChart
      :picture="`${row.label} of the hands`"
      :handle="`${row.label} of the hands from where they are`"
      :spoken="spoken"
      :places="places"
      :reach="row.reach"
      :lines="lines"
      :at="at"
      :movable="board.movable"
      :shade="middle"
      legend
      @slide="slide"
    />
    <p class="small muted">
      Green:
      {{
        middle?.lowEnd === 'found' || middle?.highEnd === 'found'
          ? 'between the edges found on the trainer'
          : 'where little changes; edges found on the trainer set it'
      }}.
    </p>
  </figure>
  <p v-else class="small muted none">The curves need the rider’s lengths and where the hands are.</p>
</template>

<style scoped>
.sweep {
  margin: 0;
  padding: 4px 12px 6px;
  border-top: 1px solid var(--line);
}
figcaption {
  display: flex;
  align-items: center;
  gap: 12px;
}
.none {
  padding: 6px 12px;
}
</style>
