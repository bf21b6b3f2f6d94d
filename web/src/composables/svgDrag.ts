import { ref } from 'vue'
import type { Ref } from 'vue'

/** A point of a drawing, in the units of the element it was asked of. */
export interface DrawnPoint {
  readonly x: number
  readonly y: number
}

/** Where a pointer is, in the units of a drawing; null while it is not on the screen. */
export function pointIn(frame: SVGGraphicsElement | null, at: { readonly clientX: number; readonly clientY: number }): DrawnPoint | null {
  const matrix = frame?.getScreenCTM()
  if (!matrix) return null
  const { x, y } = new DOMPoint(at.clientX, at.clientY).matrixTransform(matrix.inverse())
  return { x, y }
}

/**
 * Something in a drawing that a hand drags.
 * @param frame what the points are counted in
 * @param take what is held, from where the hand took hold; null = nothing is
 * @param move where the hand is now
 */
export function useSvgDrag<Held>(
  frame: (event: PointerEvent) => SVGGraphicsElement | null,
  take: (at: DrawnPoint) => Held | null,
  move: (at: DrawnPoint, held: Held) => void,
): {
  readonly dragging: Ref<boolean>
  readonly down: (event: PointerEvent) => void
  readonly drag: (event: PointerEvent) => void
  readonly up: () => void
} {
  const dragging = ref(false)
  let hold: { readonly held: Held; readonly frame: SVGGraphicsElement } | null = null
  function down(event: PointerEvent): void {
    const about = frame(event)
    const at = pointIn(about, event)
    const held = at && take(at)
    if (about === null || held === null) return
    hold = { held, frame: about }
    dragging.value = true
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  }
  function drag(event: PointerEvent): void {
    const at = hold && pointIn(hold.frame, event)
    if (hold && at) move(at, hold.held)
  }
  function up(): void {
    hold = null
    dragging.value = false
  }
  return { dragging, down, drag, up }
}
