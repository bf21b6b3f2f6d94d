import { bandState, nearestInBand } from './band.ts'
import type { BandState, TargetBand } from './band.ts'
import type { Finding } from './finding.ts'

/**
 * A number as it stands against what is asked of it: the one row that a page's vial and finding, the
 * tests of causes, proposals and first moves all read. Everything in the row's own unit.
 */
export interface Judged {
  readonly value: number
  /** of the comparison: the value's own and what the band is known to; k = 2 */
  readonly plusMinus: number
  /** read, and not only the model's */
  readonly isRead: boolean
  /** where it should lie; null = nothing is asked of it here */
  readonly band: TargetBand | null
  /** where it should go once it is moved; null = the nearest end of the band */
  readonly aim: number | null
}

/** An end of a band. */
export type BandEnd = 'low' | 'high'

/**
 * A number with its ± and band.
 * @param more its aim, and whether it was read; by default none, and read
 */
export function judged(
  value: number,
  plusMinus: number,
  band: TargetBand | null,
  more: Partial<Pick<Judged, 'aim' | 'isRead'>> = {},
): Judged {
  return { value, plusMinus, band, aim: more.aim ?? null, isRead: more.isRead ?? true }
}

/** How far a value lies past an end of a band, in their unit; minus is inside of that end. */
export function pastEnd(value: number, band: TargetBand, end: BandEnd): number {
  return end === 'high' ? value - band.high : band.low - value
}

/** How a number stands to its band. */
export interface Verdict {
  /** the end it lies past; null = inside, or nothing is asked */
  readonly end: BandEnd | null
  /** how far outside, 0 inside */
  readonly beyond: number
  /** outside by more than its ± */
  readonly isClear: boolean
  /** what a finding on it weighs: outside is worth a change only where it is clear */
  readonly weight: Extract<Finding['weight'], 'act' | 'note' | 'fine'>
  /** what the vial shows */
  readonly state: BandState
}

/** The verdict on a number: the same for the page, the causes and the moves. */
export function verdictOf({ value, plusMinus, band }: Pick<Judged, 'value' | 'plusMinus' | 'band'>): Verdict {
  if (band === null) return { end: null, beyond: 0, isClear: false, weight: 'fine', state: 'level' }
  const end = value > band.high ? 'high' : value < band.low ? 'low' : null
  const beyond = end === null ? 0 : pastEnd(value, band, end)
  const isClear = beyond > plusMinus
  return { end, beyond, isClear, weight: end === null ? 'fine' : isClear ? 'act' : 'note', state: bandState({ value, plusMinus }, band) }
}

/** Where a number outside its band should go; inside, where it is. */
function aimOf(number: Pick<Judged, 'value' | 'plusMinus' | 'band' | 'aim'>): number {
  const { value, band, aim } = number
  return band === null || verdictOf(number).end === null ? value : (aim ?? nearestInBand(value, band))
}

/** What a number has to change by to come to its aim; 0 inside the band. */
export function toAim(number: Judged): number {
  return aimOf(number) - number.value
}
