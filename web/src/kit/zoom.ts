import { useElementSize } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom as zoomBehaviour, zoomIdentity } from 'd3-zoom'
import type { ZoomTransform } from 'd3-zoom'
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'
import type { ComputedRef, Ref } from 'vue'

/** A part of a drawing, in its own units. */
export interface VisibleArea {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** What is dragged by itself, and does not drag the picture. */
const OWN = '.handle, [data-mark], button, [role="slider"]'

/**
 * Zoom and pan of a drawing: wheel, pinch, drag, and steps by buttons. The same in every drawing.
 * @param stage what shows the drawing, and is touched
 * @param whole the part that is seen when nothing is zoomed, in units of the drawing
 * @param least and most: how far in and out
 * @returns `seen`: what is seen now, of the stage's own proportions; `perPixel`: units of the drawing a pixel
 */
export function useZoom(
  stage: Readonly<Ref<Element | null>>,
  whole: () => VisibleArea,
  { least = 0.6, most = 8 } = {},
): {
  readonly seen: ComputedRef<VisibleArea>
  readonly viewBox: ComputedRef<string>
  readonly perPixel: ComputedRef<number>
  readonly scale: ComputedRef<number>
  readonly zoomBy: (factor: number) => void
  readonly zoomAt: (at: { readonly x: number; readonly y: number }, factor: number) => void
  readonly reset: () => void
} {
  const transform = shallowRef<ZoomTransform>(zoomIdentity)
  const size = useElementSize(stage as Ref<SVGElement | HTMLElement | null>)
  const behaviour = zoomBehaviour<Element, unknown>()
    .scaleExtent([least, most])
    .extent(() => [
      [0, 0],
      [Math.max(1, size.width.value), Math.max(1, size.height.value)],
    ])
    .filter((event: MouseEvent | TouchEvent | WheelEvent) => {
      if (event.type === 'wheel') return true
      const isOwn = event.target instanceof Element && event.target.closest(OWN) !== null
      return !isOwn && !('button' in event && event.button !== 0)
    })
    .on('zoom', ({ transform: now }: { transform: ZoomTransform }) => (transform.value = now))
  const held = () => (stage.value ? select(stage.value) : null)
  watch(
    stage,
    (now, before) => {
      if (before) select(before).on('.zoom', null)
      transform.value = zoomIdentity
      // A double tap is a slip of the hand here, not a wish to zoom.
      // Fingers move the drawing, not the page.
      if (now) select(now).style('touch-action', 'none').call(behaviour).on('dblclick.zoom', null)
    },
    { immediate: true, flush: 'post' },
  )
  onBeforeUnmount(() => held()?.on('.zoom', null))

  /** Units of the drawing a pixel while nothing is zoomed; null while the stage has no size. */
  const basePixel = computed(() => {
    const { width, height } = whole()
    const [w, h] = [size.width.value, size.height.value]
    return w > 0 && h > 0 ? Math.max(width / w, height / h) : null
  })
  const base = computed<VisibleArea>(() => {
    const { x, y, width, height } = whole()
    if (basePixel.value === null) return { x, y, width, height }
    const [w, h] = [size.width.value * basePixel.value, size.height.value * basePixel.value]
    return { x: x - (w - width) / 2, y: y - (h - height) / 2, width: w, height: h }
  })
  const seen = computed<VisibleArea>(() => {
    const { k, x, y } = transform.value
    const unit = basePixel.value ?? 1
    return {
      x: base.value.x - (x / k) * unit,
      y: base.value.y - (y / k) * unit,
      width: base.value.width / k,
      height: base.value.height / k,
    }
  })
  const viewBox = computed(() => `${seen.value.x} ${seen.value.y} ${seen.value.width} ${seen.value.height}`)
  const scale = computed(() => transform.value.k)
  const perPixel = computed(() => (basePixel.value ?? FALLBACK) / transform.value.k)

  function zoomBy(factor: number): void {
    const on = held()
    if (on) behaviour.scaleBy(on, factor)
  }
  function zoomAt(at: { readonly x: number; readonly y: number }, factor: number): void {
    const on = held()
    if (!on) return
    const { x, y } = seen.value
    behaviour.scaleBy(on, factor, [(at.x - x) / perPixel.value, (at.y - y) / perPixel.value])
  }
  function reset(): void {
    const on = held()
    if (on) behaviour.transform(on, zoomIdentity)
    transform.value = zoomIdentity
  }
  return { seen, viewBox, perPixel, scale, zoomBy, zoomAt, reset }
}
/** Before anything is laid out. */
const FALLBACK = 2.6
