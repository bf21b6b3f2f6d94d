<script setup lang="ts">
import { Slider } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { MM_PER_INCH } from '@level-stance/core/kernel/entry'
import { axisLook, chartLook, colourOf, usePlot } from '../kit/plot.ts'
import { later } from '../kit/later.ts'
import { usePreferences } from '../data/preferences.ts'

/** A line of the chart; its values stand one to one against the places. */
export interface ChartLine {
  readonly name: string
  readonly values: readonly (number | null | undefined)[]
  readonly dash?: string
  readonly width?: number
  readonly colour?: string
  /** "%{y:.0f}": how a value is said while it is pointed at */
  readonly said?: string
}

/** Curves over a length, with a slider under them: what becomes of the rider as something is slid along. */
const props = withDefaults(
  defineProps<{
    /** what the picture shows, for a reader of the page */
    picture: string
    /** name of the slider */
    handle: string
    /** what stands at the slider's place, in words */
    spoken: string
    /** of each value, mm from where it is now, + to the right */
    places: readonly number[]
    /** mm either way */
    reach: number
    lines: readonly ChartLine[]
    /** where the hand has slid it, mm */
    at: number
    movable: boolean
    shade?: { readonly low: number; readonly high: number } | null
    legend?: boolean
    /** values in the unit of lengths in use */
    lengths?: boolean
    height?: number
    /** what the values are */
    up?: string
  }>(),
  { shade: null, legend: false, lengths: false, height: 176, up: '' },
)
const emit = defineEmits<{ slide: [at: number] }>()
const preferences = usePreferences()
const element = ref<HTMLElement | null>(null)

/**
 * Where the slider stands: at once where a hand holds it, else when the hand that drags elsewhere rests.
 * What it is given besides stays the same: it is a heavy control, and is not drawn anew meanwhile.
 */
const slid = later(
  () => props.at,
  () => props.picture,
  () => props.at,
)
function slide(value: unknown): void {
  if (typeof value !== 'number' || !props.movable) return
  slid.value = value
  emit('slide', value)
}

/** Of the chart, px: room for every line of its legend. */
const margin = computed(() => ({ l: props.up === '' ? 34 : 48, r: props.legend ? 96 : 14, t: 6, b: 20 }))
const inUse = (mm: number) => mm / { mm: 1, cm: 10, in: MM_PER_INCH }[preferences.unit]
const sliderPlace = computed(() => ({ margin: `4px ${margin.value.r - 7}px 4px ${margin.value.l - 7}px` }))
const valueText = () => props.spoken
/**
 * Where a move stands along the chart, for a line laid over it: curves are drawn once, and a hand that
 * slides does not draw them again.
 */
const across = (mm: number) => {
  const share = (mm + props.reach) / (2 * props.reach)
  return `calc(${margin.value.l}px + (100% - ${margin.value.l + margin.value.r}px) * ${Math.min(1, Math.max(0, share))})`
}
const standing = computed(() => ({ top: `${margin.value.t}px`, bottom: `${margin.value.b}px` }))

const { draw, failed } = usePlot(element, () => {
  const x = props.places.map(inUse)
  const edge = inUse(props.reach)
  const data = props.lines.map(({ name, values, dash = 'solid', width = 2, colour = '--ink', said = '%{y:.0f}' }) => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x,
    y: x.map((_, i) => (typeof values[i] === 'number' ? (props.lengths ? inUse(values[i]) : values[i]) : null)),
    line: { dash, width, color: colourOf(colour) },
    hovertemplate: `${name} ${said}<extra></extra>`,
  }))
  const { shade } = props
  const layout = {
    ...chartLook(),
    margin: { ...margin.value, autoexpand: false },
    height: props.height,
    showlegend: props.legend,
    legend: { x: 1.01, y: 1, font: { size: 10 }, itemwidth: 24, tracegroupgap: 0 },
    xaxis: { ...axisLook(), zeroline: false, range: [-edge, edge], ticksuffix: ` ${preferences.unit}` },
    yaxis: { ...axisLook(), title: { text: props.up, font: { size: 12 }, standoff: 4 } },
    shapes: shade
      ? [
          {
            type: 'rect',
            x0: inUse(shade.low),
            x1: inUse(shade.high),
            yref: 'paper',
            y0: 0,
            y1: 1,
            fillcolor: colourOf('--glass'),
            opacity: 0.55,
            line: { width: 0 },
            layer: 'below',
          },
        ]
      : [],
  }
  return { data, layout }
})
watch(() => [props.lines, props.places, props.shade, preferences.dark, preferences.unit] as const, draw, { flush: 'post' })
</script>

<template>
  <div class="chart" :style="{ height: `${height}px` }" role="img" :aria-label="`${picture}: ${spoken}`">
    <div ref="element" />
    <i class="mark" :style="{ ...standing, left: across(0) }" />
    <i v-if="at !== 0" class="mark aim" :style="{ ...standing, left: across(at) }" data-testid="sweep-aim" />
  </div>
  <Slider
    :value="slid"
    :min="-reach"
    :max="reach"
    :step="1"
    :disabled="!movable"
    :included="false"
    :tooltip-open="false"
    :aria-label-for-handle="handle"
    :aria-value-text-formatter-for-handle="valueText"
    :style="sliderPlace"
    @change="slide"
  />
  <p v-if="failed" class="warn small" role="alert">The curves could not be drawn here; the words beside the slider hold.</p>
</template>

<style scoped>
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
</style>
