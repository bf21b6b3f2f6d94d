<script setup lang="ts">
import { Segmented, Slider } from 'ant-design-vue'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { sweeps } from '@level-stance/core/hands/handSweep'
import type { SweepKey } from '@level-stance/core/hands/handSweep'
import { lengthWords, MM_PER_INCH, trimmed } from '@level-stance/core/quantity/entry'
import type { PlotlyStatic } from 'plotly.js-cartesian-dist-min'
import { useBoard } from '../../stores/board.ts'
import { usePreferences } from '../../stores/preferences.ts'
import { useHands } from './useHands.ts'

/** What the rider's numbers become as the hands go up and down, or forward and back; the slider moves the board. */
const hands = useHands()
const board = useBoard()
const preferences = usePreferences()
const element = ref<HTMLElement | null>(null)
const failed = ref(false)
let plotly: PlotlyStatic | null = null
const along = ref<SweepKey>('height')
const options = (Object.keys(sweeps) as SweepKey[]).map((value) => ({ value, label: sweeps[value].label }))
const row = computed(() => sweeps[along.value])
const points = computed(() => hands.rested.sweep[along.value])
const middle = computed(() => (along.value === 'height' ? hands.rested.sweep.middle : hands.rested.sweep.reachMiddle))
const at = computed(() => board.aimed(row.value.setting, 'both'))
const way = computed(() => (along.value === 'height' ? (['up', 'down'] as const) : (['forward', 'back'] as const)))
const inUnit = (mm: number) => mm / { mm: 1, cm: 10, in: MM_PER_INCH }[preferences.unit]
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
const LOAD = 'hand load %'
/** Of the chart, px: room for every line of its legend. */
const HEIGHT = 176
const MARGIN = { l: 30, r: 96, t: 4, b: 20 }
/**
 * Where a move stands along the chart, for a line laid over it: curves are drawn once, and a hand that
 * slides does not draw them again.
 */
const across = (mm: number) => {
  const share = (mm + row.value.reach) / (2 * row.value.reach)
  return `calc(${MARGIN.l}px + (100% - ${MARGIN.l + MARGIN.r}px) * ${Math.min(1, Math.max(0, share))})`
}
const frame = { height: `${HEIGHT}px` }
const standing = { top: `${MARGIN.t}px`, bottom: `${MARGIN.b}px` }
const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

function draw(): void {
  const list = points.value
  if (!plotly || !element.value || !list) return
  const x = list.map((point) => inUnit(point.at))
  const lines = [
    { name: 'torso', of: (i: number) => list[i]?.metrics?.torso, dash: 'solid', width: 3 },
    { name: 'neck', of: (i: number) => list[i]?.neck, dash: 'dot', width: 2 },
    { name: 'hip', of: (i: number) => list[i]?.worse.hip, dash: 'dash', width: 2 },
    { name: 'shoulder', of: (i: number) => list[i]?.worse.shoulder, dash: 'longdash', width: 2 },
    { name: 'elbow', of: (i: number) => list[i]?.worse.elbow, dash: 'dashdot', width: 2 },
    { name: 'wrist', of: (i: number) => list[i]?.worse.wrist, dash: 'longdashdot', width: 1.5 },
    { name: LOAD, of: (i: number) => list[i]?.metrics?.load, dash: 'solid', width: 1.5 },
  ]
  const data = lines.map(({ name, of, dash, width }, n) => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x,
    y: x.map((_, i) => of(i) ?? null),
    line: { dash, width, color: colour(n === 0 ? '--petrol' : name === LOAD ? '--amber' : '--ink') },
    hovertemplate: `${name} %{y:.0f}<extra></extra>`,
  }))
  const ink = { color: colour('--muted'), gridcolor: colour('--line'), zerolinecolor: colour('--line'), tickfont: { size: 12 } }
  const shade = middle.value
  const layout = {
    margin: { ...MARGIN, autoexpand: false },
    height: HEIGHT,
    paper_bgcolor: colour('--panel'),
    plot_bgcolor: colour('--panel'),
    font: { family: 'Barlow Semi Condensed', color: colour('--ink'), size: 12 },
    legend: { x: 1.01, y: 1, font: { size: 10 }, itemwidth: 24, tracegroupgap: 0 },
    xaxis: { ...ink, zeroline: false, range: [-inUnit(row.value.reach), inUnit(row.value.reach)], ticksuffix: ` ${preferences.unit}` },
    yaxis: ink,
    shapes: [
      ...(shade ? [{ type: 'rect', x0: inUnit(shade.low), x1: inUnit(shade.high), yref: 'paper', y0: 0, y1: 1, fillcolor: colour('--glass'), opacity: 0.55, line: { width: 0 }, layer: 'below' }] : []),
    ],
  } // prettier-ignore
  void plotly.react(element.value, data, layout, { displayModeBar: false, responsive: true })
}
onMounted(async () => {
  try {
    plotly = (await import('plotly.js-cartesian-dist-min')).default
    draw()
  } catch {
    failed.value = true
  }
})
watch(() => [points.value, middle.value, preferences.scheme, preferences.unit] as const, draw, { flush: 'post' })
onBeforeUnmount(() => {
  if (plotly && element.value) plotly.purge(element.value)
})
const slide = (value: unknown) => {
  if (typeof value === 'number' && board.movable) board.request([{ setting: row.value.setting, side: 'both', by: value }])
}
</script>

<template>
  <figure v-if="points" class="sweep" :aria-label="`${row.label} sweep`">
    <figcaption class="small">
      <Segmented v-model:value="along" :options="options" size="small" aria-label="Sweep along" />
      <span class="figure" data-testid="sweep-words">{{ spoken }}</span>
    </figcaption>
    <div class="chart" :style="frame" role="img" :aria-label="`${row.label} of the hands: ${spoken}`">
      <div ref="element" />
      <i class="mark" :style="{ ...standing, left: across(0) }" />
      <i v-if="at !== 0" class="mark aim" :style="{ ...standing, left: across(at) }" data-testid="sweep-aim" />
    </div>
    <Slider
      :value="at"
      :min="-row.reach"
      :max="row.reach"
      :step="1"
      :disabled="!board.movable"
      :tooltip-open="false"
      :aria-label-for-handle="`${row.label} of the hands from where they are, mm`"
      @change="slide"
    />
    <p class="small muted">
      Green:
      {{
        middle?.lowEnd === 'found' || middle?.highEnd === 'found'
          ? 'between the edges found on the trainer'
          : 'where little changes; edges found on the trainer set it'
      }}.
    </p>
    <p v-if="failed" class="warn small" role="alert">The curves could not be drawn here; the words beside the slider hold.</p>
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
.chart {
  position: relative;
  contain: strict;
}
.mark {
  position: absolute;
  width: 0;
  border-left: 2px solid var(--ink);
  pointer-events: none;
}
.mark.aim {
  border-left: 2px dashed var(--petrol);
}
.none {
  padding: 6px 12px;
}
</style>
