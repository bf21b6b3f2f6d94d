import type { Target } from '@level-stance/core/station/station'

/** Least length of a scale, mm or degrees. */
const LEAST = 12
/** Room at the ends, as a share of what is shown. */
const ROOM = 0.14

/** One scale for several vials. A school's mark that lies far off the rest does not stretch it: the glass pins it at its end. */
export function scaleOf(targets: readonly Target[]): { readonly min: number; readonly max: number } {
  const points = targets.flatMap(({ now, band, aim, start }) => [now.value, band.low, band.high, aim ?? now.value, start ?? now.value])
  const [low, high] = [Math.min(...points), Math.max(...points)]
  const span = Math.max(LEAST, high - low)
  const near = targets.flatMap(({ ticks }) => (ticks ?? []).map(({ at }) => at)).filter((at) => at > low - span && at < high + span)
  const [min, max] = [Math.min(low, ...near), Math.max(high, ...near)]
  const room = ROOM * Math.max(LEAST, max - min)
  const middle = (min + max) / 2
  const half = Math.max(LEAST, max - min) / 2 + room
  return { min: middle - half, max: middle + half }
}
