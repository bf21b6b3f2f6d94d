<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { outline } from '@level-stance/core/bike/saddleShape'
import type { SaddleShape } from '@level-stance/core/bike/saddleShape'
import { formatLength, MM_PER_INCH, trimmed } from '@level-stance/core/kernel/entry'
import { middleBehindNose } from '@level-stance/core/simulate/matSimulation'
import { axisLook, chartLook, colourOf, usePlot } from '../../../kit/plot.ts'
import { wholeNumbers } from '../../../kit/wholeNumbers.ts'
import { throttleByCost } from '../../../kit/throttleByCost.ts'
import { usePreferences } from '../../../data/preferences.ts'
import type { Recording } from '../../../data/mat.ts'

/** One recording as a map, front on top, with its marks: bones, centre of pressure, peak. */
const props = defineProps<{ recording: Recording; most: number; shape: SaddleShape; title: string }>()
const preferences = usePreferences()
const element = ref<HTMLElement | null>(null)

const axes = computed(() => {
  const { rows, columns, cellAcross, cellAlong } = props.recording.header
  return {
    x: Array.from({ length: columns }, (_, i) => (i + 0.5 - columns / 2) * cellAcross),
    y: Array.from({ length: rows }, (_, i) => (rows / 2 - i - 0.5) * cellAlong),
  }
})
const spoken = computed(() => {
  const { result } = props.recording
  if (!result) return `${props.title}: nothing presses on the mat.`
  const bones = result.spacing === null ? 'no pair of sit bones' : `sit bones ${preferences.length(result.spacing)} apart`
  return `${props.title}: ${bones}, ${trimmed(100 * result.left, 0)} % on the left, peak ${trimmed(result.peak, 0)} kPa.`
})

const { draw, failed } = usePlot(element, () => {
  const { result, header } = props.recording
  const { rows, columns } = header
  const panel = colourOf('--panel')
  const dark = document.documentElement.dataset['scheme'] === 'dark'
  const z = Array.from({ length: rows }, (_, row) =>
    result ? Array.from(result.mean.subarray(row * columns, (row + 1) * columns)) : new Array<number>(columns).fill(0),
  )
  const edge = outline(props.shape, 40).map(({ x, y }) => ({ x: y, y: middleBehindNose(props.shape) - x }))
  const round = [...edge, ...[...edge].reverse().map(({ x, y }) => ({ x: -x, y }))]
  const mark = (name: string, points: readonly { x: number; y: number }[], symbol: string, ink: string) => ({
    type: 'scatter',
    mode: 'markers',
    name,
    x: points.map((p) => p.x),
    y: points.map((p) => p.y),
    hoverinfo: 'name',
    marker: { symbol, size: 13, color: ink, line: { width: 2, color: panel } },
  })
  const data = [
    {
      type: 'heatmap',
      z,
      ...axes.value,
      zmin: 0,
      zmax: Math.max(10, props.most),
      zsmooth: 'fast',
      showscale: false,
      hovertemplate: '%{z:.0f} kPa<extra></extra>',
      colorscale: [
        [0, panel],
        [0.04, panel],
        [0.2, dark ? '#4d5b26' : '#dce8a8'],
        [0.45, '#c9821b'],
        [0.75, '#a63d2a'],
        [1, dark ? '#f6d9d2' : '#4a150c'],
      ],
    },
    {
      type: 'scatter',
      mode: 'lines',
      x: round.map((p) => p.x),
      y: round.map((p) => p.y),
      line: { color: colourOf('--steel'), width: 1.5, dash: 'dot' },
      hoverinfo: 'skip',
    },
    ...(result?.bones ? [mark('sit bones', [result.bones.left, result.bones.right], 'x', colourOf('--ink'))] : []),
    ...(result
      ? [
          mark('highest', [result.peakAt], 'triangle-down-open', colourOf('--ink')),
          mark('centre of pressure', [result.centre], 'circle', colourOf('--petrol')),
        ]
      : []),
  ]
  const { x, y } = axes.value
  /** every 50 mm, or 2 in */
  const step = preferences.unit === 'in' ? 2 * MM_PER_INCH : 50
  const ticks = wholeNumbers(-6, 6)
  const axis = {
    ...axisLook(),
    gridcolor: 'rgba(0,0,0,0)',
    tickfont: { size: 11 },
    tickvals: ticks.map((n) => n * step),
    ticktext: ticks.map((n) => `${formatLength(n * step, preferences.unit)}${n === 0 ? ` ${preferences.unit}` : ''}`),
  }
  const layout = {
    margin: { l: 34, r: 6, t: 6, b: 26 },
    ...chartLook(),
    showlegend: false,
    xaxis: { ...axis, range: [x[0], x.at(-1)], constrain: 'domain' },
    yaxis: { ...axis, range: [y.at(-1), y[0]], scaleanchor: 'x', scaleratio: 1, constrain: 'domain' },
    shapes: [{ type: 'line', x0: 0, x1: 0, y0: y.at(-1), y1: y[0], line: { color: colourOf('--line'), width: 1 } }],
  }
  return { data, layout, still: props.recording.id === 'live' }
})

/** A streaming map is painted a few times a second: the numbers beside it follow every frame, and the hand is not kept waiting. */
const LIVE_EVERY = 300
const drawSometimes = throttleByCost(draw, LIVE_EVERY)
watch(
  () => [props.recording, props.most, props.shape, preferences.dark, preferences.unit] as const,
  () => void (props.recording.id === 'live' ? drawSometimes() : draw()),
  { flush: 'post' },
)
</script>

<template>
  <figure>
    <figcaption class="small">
      <strong>{{ title }}</strong> <span v-if="recording.header.simulated" class="tag">simulated</span>
    </figcaption>
    <div ref="element" class="map" role="img" :aria-label="spoken" :data-frames="recording.result?.frames ?? 0" />
    <p v-if="failed" class="warn small" role="alert">The map could not be drawn here; the numbers beside it hold.</p>
  </figure>
</template>

<style scoped>
figure {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-width: 0;
  min-height: 0;
  margin: 0;
}
figcaption {
  min-height: 48px;
  padding: 4px 8px;
}
.map {
  min-width: 0;
  min-height: 0;
  contain: strict;
}
.tag {
  padding: 0 6px;
  border: 1px solid var(--amber);
  border-radius: 9px;
  color: var(--amber-ink);
}
</style>
