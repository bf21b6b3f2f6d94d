/** Covariance of jointly uncertain quantities; symmetric, square. */
export type Covariance = number[][]

/** Independent quantities. @param deviations standard deviations */
export function independent(deviations: readonly number[]): Covariance {
  return deviations.map((deviation, i) => deviations.map((_, j) => (i === j ? deviation * deviation : 0)))
}

/** Σ·h. */
export function times(covariance: Covariance, h: readonly number[]): number[] {
  return covariance.map((row) => dot(row, h))
}

export function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!
  return sum
}

/** Variance of a result with gradient h. Never below zero. */
export function varianceOf(covariance: Covariance, h: readonly number[]): number {
  return Math.max(0, dot(h, times(covariance, h)))
}

/**
 * What is left uncertain after measuring h·x with a deviation: the rank-one update of a linear
 * measurement in Gaussian quantities.
 * @source gum
 */
export function afterMeasuring(covariance: Covariance, h: readonly number[], deviation: number): Covariance {
  const column = times(covariance, h)
  const total = dot(h, column) + deviation * deviation
  if (!(total > 0)) return covariance
  return covariance.map((row, i) => row.map((value, j) => value - (column[i]! * column[j]!) / total))
}

/**
 * By how much a measurement of m·x with a deviation would lower the variance of h·x.
 * @source gum
 */
export function varianceSpared(covariance: Covariance, h: readonly number[], m: readonly number[], deviation: number): number {
  const column = times(covariance, m)
  const total = dot(m, column) + deviation * deviation
  return total > 0 ? dot(h, column) ** 2 / total : 0
}
