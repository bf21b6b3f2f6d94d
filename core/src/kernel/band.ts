import type { Quantity } from './quantity.ts'

/** A target band, in the unit of the value judged; `low` is never above `high`. */
export interface TargetBand {
  readonly low: number
  readonly high: number
}

/** How a value with its uncertainty stands to a band. */
export type BandState = 'level' | 'near' | 'outside'
/** The same in words. */
export const bandWords: Readonly<Record<BandState, string>> = { level: 'in range', near: 'borderline', outside: 'out of range' }

/**
 * Reads the vial: `level` when the whole bubble lies between the lines, `near` when it touches the
 * band, `outside` when even its nearest edge does not reach. A bubble wider than the band can never
 * be wholly inside: then it is `level` when its middle half of the band holds the value, because the
 * tool could not tell better.
 */
export function bandState(value: Pick<Quantity, 'value' | 'plusMinus'>, band: TargetBand): BandState {
  const left = value.value - value.plusMinus
  const right = value.value + value.plusMinus
  if (right < band.low || left > band.high) return 'outside'
  if (left >= band.low && right <= band.high) return 'level'
  const width = band.high - band.low
  if (2 * value.plusMinus > width) {
    const quarter = width / 4
    if (value.value >= band.low + quarter && value.value <= band.high - quarter) return 'level'
  }
  return 'near'
}

/**
 * Whether a value is known too poorly to be judged by a band at all: its ± alone is wider than the
 * whole band.
 */
export function isUnsure(plusMinus: number, band: TargetBand): boolean {
  return plusMinus > band.high - band.low
}

/** The point of the band nearest to a value; the value itself when it lies inside. */
export function nearestInBand(value: number, band: TargetBand): number {
  return Math.min(Math.max(value, band.low), band.high)
}
