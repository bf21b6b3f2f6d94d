import type { Vial } from '@level-stance/core/station/number'

/** Least length of a scale, mm or degrees. */
const LEAST = 12
/** Room at the ends, as a share of what is shown. */
const ROOM = 0.14

/** One scale for several vials. A school's mark that lies far off the rest does not stretch it: the glass pins it at its end. */
export function scaleOf(vials: readonly Vial[]): { readonly min: number; readonly max: number } {
  const points = vials.flatMap(({ value, band, aim, start }) =>
    [value, band?.low ?? value, band?.high ?? value, aim ?? value, start ?? value].filter(Number.isFinite),
  )
  const [low, high] = [Math.min(...points), Math.max(...points)]
  const span = Math.max(LEAST, high - low)
  const near = vials.flatMap(({ ticks }) => (ticks ?? []).map(({ at }) => at)).filter((at) => at > low - span && at < high + span)
  const [min, max] = [Math.min(low, ...near), Math.max(high, ...near)]
  const room = ROOM * Math.max(LEAST, max - min)
  const middle = (min + max) / 2
  const half = Math.max(LEAST, max - min) / 2 + room
  return { min: middle - half, max: middle + half }
}

/** Where a value and its ± lie on a glass, in the units of its drawing. */
export interface Glass {
  readonly scale: { readonly min: number; readonly max: number }
  /** of the drawing */
  readonly width: number
}
/** Of the drawing, without and with the marks under it. */
export const GLASS_HEIGHT = 24
export const WITH_TICKS = 44
/** From the drawing's edge to the ends of the scale. */
const INSET = 10
/** Across the drawing; beyond the scale a value is pinned to its end. */
export function across({ scale: { min, max }, width }: Glass, value: number): number {
  return INSET + Math.min(1, Math.max(0, (value - min) / (max - min))) * (width - 2 * INSET)
}
/** Half the width of the bubble: its ±, within what can be seen and what leaves room for it. */
export function halfBubble({ scale: { min, max }, width }: Glass, plusMinus: number | null): number {
  return Math.min(width / 5, Math.max(6, ((plusMinus ?? 0) * (width - 2 * INSET)) / (max - min)))
}
/** A bubble as a style: moving it lays no drawing out. */
export function bubbleAt(glass: Glass, value: number, plusMinus: number | null): { readonly left: string; readonly width: string } {
  const half = halfBubble(glass, plusMinus)
  const percent = (length: number) => `${((100 * length) / glass.width).toFixed(2)}%`
  return { left: percent(across(glass, value) - half), width: percent(2 * half) }
}
