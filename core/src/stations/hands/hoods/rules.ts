/** Hoods turned in by this meet the wrist; more than the last and braking suffers, degrees. @source common-practice */
export const HOOD_IN = { usual: 3, most: 10 } as const
/** Bend to the little-finger side at which pressure in the wrist is least, degrees. @source keir */
export const WRIST_EASE = 2
/** Left and right hood stand alike within this, degrees. @source prior */
export const HOODS_ALIKE = 2

/**
 * Place of a lever on the bend, or roll of the bar, at which the wrist comes nearest its ease: the
 * wrist follows each of them steadily, so halving finds it.
 * @param wrist bend to the little-finger side at a value, degrees; null where it cannot be said
 * @returns the value and the wrist there; null where the wrist is not known
 */
export function easeOf(
  wrist: (at: number) => number | null,
  range: { readonly low: number; readonly high: number },
  aim: number = WRIST_EASE,
): { readonly at: number; readonly wrist: number } | null {
  const ends = { low: wrist(range.low), high: wrist(range.high) }
  if (ends.low === null || ends.high === null) return null
  const off = { low: ends.low - aim, high: ends.high - aim }
  if (off.low * off.high > 0)
    return Math.abs(off.low) <= Math.abs(off.high) ? { at: range.low, wrist: ends.low } : { at: range.high, wrist: ends.high }
  let { low, high } = range
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2
    const found = wrist(middle)
    if (found === null) return null
    if ((found - aim) * off.low > 0) low = middle
    else high = middle
  }
  const at = (low + high) / 2
  const found = wrist(at)
  return found === null ? null : { at, wrist: found }
}

/** Halvings to a tenth of a degree over any range used here. */
const HALVINGS = 12
