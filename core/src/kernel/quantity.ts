/** The units values are held in. Inches, centimetres and feet exist only at entry and display. */
export type Unit = 'mm' | 'deg' | 'EU' | 'kg' | 'min' | 'N·m' | 'km' | 'h' | 'rpm' | '%' | 'none'

/** Where a number comes from; shown beside it everywhere. */
export type Basis = 'measured' | 'estimated' | 'computed' | 'published' | 'common-practice'

/**
 * A value with its unit and uncertainty.
 *
 * `plusMinus` is an expanded uncertainty with coverage factor k = 2 (about 95 %), as the ± of the
 * trade is meant: "a tape reads within 3 mm". Because every ± here is of the same coverage, they
 * combine by root-sum-of-squares without conversion.
 * @source gum
 */
export interface Quantity {
  readonly value: number
  readonly plusMinus: number
  readonly unit: Unit
  readonly basis: Basis
}

export function quantity(value: number, plusMinus: number, unit: Unit, basis: Basis): Quantity {
  return { value, plusMinus, unit, basis }
}

/** Root of the sum of squares: the ± of a sum or difference of independent values. @source gum */
export function combined(...plusMinus: readonly number[]): number {
  return Math.hypot(...plusMinus)
}

/**
 * Whether a difference is a finding at all: it must exceed its own uncertainty.
 * @param difference the difference, any unit
 * @param plusMinus its expanded uncertainty, same unit
 */
export function exceedsUncertainty(difference: number, plusMinus: number): boolean {
  return Math.abs(difference) > plusMinus
}
