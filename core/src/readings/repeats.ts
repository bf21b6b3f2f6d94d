/** Most times one reading is repeated. */
export const MAX_REPEATS = 9

/** Share of a method's variance that repeating the reading averages out; the rest stays (the tape, the landmark). @source prior */
const RANDOM_SHARE = 0.5
/** How many readings' worth of trust the method's own spread is given beside the spread seen. @source prior */
const PRIOR_READINGS = 8

/** Mean and spread of a repeated reading; held unit. */
export interface RepeatSummary {
  readonly count: number
  readonly mean: number
  /** standard deviation of the single readings */
  readonly spread: number
  /** ± of the mean, k = 2 */
  readonly plusMinus: number
}

/**
 * Averages repeated readings. The method's ± is split in two equal variances: what stays the same at
 * every repetition, and what scatters. The scatter seen is pooled with the method's, so that two
 * readings that happen to agree do not pass for exact, and ten that scatter widen the ±.
 * @param methodPlusMinus ± of a single reading by this method, k = 2
 * @param values at least one, held unit
 * @source gum
 */
export function summarise(methodPlusMinus: number, values: readonly number[]): RepeatSummary {
  const count = values.length
  const mean = values.reduce((sum, value) => sum + value, 0) / count
  const scatter = values.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  const spread = count > 1 ? Math.sqrt(scatter / (count - 1)) : 0
  if (count < 2) return { count, mean, spread, plusMinus: methodPlusMinus }
  const variance = (methodPlusMinus / 2) ** 2
  const random = (PRIOR_READINGS * variance * RANDOM_SHARE + scatter) / (PRIOR_READINGS + count - 1)
  return { count, mean, spread, plusMinus: 2 * Math.sqrt(variance * (1 - RANDOM_SHARE) + random / count) }
}
