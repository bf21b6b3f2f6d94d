import type { PlotlyStatic } from 'plotly.js-cartesian-dist-min'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import type { Ref } from 'vue'

/** A colour of the scheme that is on, as its token says. */
export const colourOf = (token: string): string => getComputedStyle(document.documentElement).getPropertyValue(token).trim()

/** An axis in the look of the app. */
export const axisLook = () => ({
  color: colourOf('--muted'),
  gridcolor: colourOf('--line'),
  zerolinecolor: colourOf('--line'),
  tickfont: { size: 12 },
})
/** The ground and letters of a chart. */
export const chartLook = () => ({
  paper_bgcolor: colourOf('--panel'),
  plot_bgcolor: colourOf('--panel'),
  font: { family: 'Barlow Semi Condensed', color: colourOf('--ink'), size: 12 },
})

/** What a chart is drawn from, as the chart library takes it. */
export interface Plot {
  readonly data: readonly object[]
  readonly layout: Readonly<Record<string, unknown>>
  /** nothing to hover or zoom: it is drawn anew while a stream runs */
  readonly still?: boolean
}

/**
 * A chart in an element: its library is loaded when the first one opens, and let go with the page.
 * @param drawing what to draw now; null = nothing yet
 * @returns draw it anew; whether it could not be drawn at all
 */
export function usePlot(element: Ref<HTMLElement | null>, drawing: () => Plot | null): { draw: () => void; failed: Ref<boolean> } {
  const failed = ref(false)
  let plotly: PlotlyStatic | null = null
  function draw(): void {
    const now = drawing()
    if (!plotly || !element.value || !now) return
    void plotly.react(element.value, [...now.data], now.layout, { displayModeBar: false, responsive: true, staticPlot: now.still === true })
  }
  onMounted(async () => {
    try {
      plotly = (await import('plotly.js-cartesian-dist-min')).default
      draw()
    } catch {
      failed.value = true
    }
  })
  onBeforeUnmount(() => {
    if (plotly && element.value) plotly.purge(element.value)
  })
  return { draw, failed }
}
