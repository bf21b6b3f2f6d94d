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
