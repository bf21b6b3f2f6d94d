import { solveLinear } from './leastSquares.ts'

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
 * What is left uncertain of quantities x after an estimator has corrected them by measurements of
 * rows·x: (1 − K·J)·Σ·(1 − K·J)ᵀ + K·R·Kᵀ with its own gain K = A·Jᵀ·(J·A·Jᵀ + R)⁻¹, A what it takes
 * for the variances of what it may move. With A = Σ it is the best estimate, and the same as one
 * rank-one update a measurement.
 * @param prior Σ, what is uncertain before
 * @param moved diagonal of A, 0 for what the estimator leaves alone
 * @param deviations of the measurements
 * @param exactly whether it meets the measurements as if they had no error
 * @source gum
 */
export function afterEstimating(
  prior: Covariance,
  moved: readonly number[],
  rows: readonly (readonly number[])[],
  deviations: readonly number[],
  exactly: boolean,
): Covariance {
  if (rows.length === 0) return prior
  const noise = deviations.map((deviation) => (exactly ? RIDGE : deviation * deviation))
  const carried = rows.map((row) => row.map((value, i) => value * moved[i]!))
  const square = rows.map((row, k) => carried.map((other, l) => dot(row, other) + (k === l ? noise[k]! : 0)))
  // Row i of K solves (J·A·Jᵀ + R)·kᵢ = (J·A)ᵢ; what is not moved has no gain.
  const gain = moved.map((variance, i) =>
    variance > 0
      ? solveLinear(
          square,
          carried.map((row) => row[i]!),
        )
      : null,
  )
  // E = 1 − K·J: first E·Σ, then E·Σ·Eᵀ + K·R·Kᵀ.
  const seen = rows.map((row) => times(prior, row))
  const left = prior.map((row, i) => {
    const k = gain[i]
    return k
      ? row.map(
          (value, j) =>
            value -
            dot(
              k,
              seen.map((column) => column[j]!),
            ),
        )
      : row
  })
  return left.map((row, i) => {
    const a = gain[i]
    const rest = rows.map((other, m) => dot(other, row) - (a ? a[m]! * deviations[m]! ** 2 : 0))
    return row.map((value, j) => {
      const b = gain[j]
      return b ? value - dot(b, rest) : value
    })
  })
}

/** Keeps two measurements of one thing from making the gain's equations singular. */
const RIDGE = 1e-9

/** Lower triangle L with L·Lᵀ = Σ; rows of what is certain are 0. */
export function choleskyOf(covariance: Covariance): number[][] {
  const root: number[][] = []
  covariance.forEach((row, i) => {
    const own = new Array<number>(covariance.length).fill(0)
    root.push(own)
    for (let j = 0; j <= i; j++) {
      let rest = row[j]!
      for (let k = 0; k < j; k++) rest -= own[k]! * root[j]![k]!
      if (i === j) own[j] = Math.sqrt(Math.max(0, rest))
      else own[j] = root[j]![j]! > 1e-12 ? rest / root[j]![j]! : 0
    }
  })
  return root
}

/**
 * A measurement of m·x with a deviation: by how much it would lower the variance of h·x.
 * @source gum
 */
export function measuring(covariance: Covariance, m: readonly number[], deviation: number): (h: readonly number[]) => number {
  const column = times(covariance, m)
  const total = dot(m, column) + deviation * deviation
  return (h) => (total > 0 ? dot(h, column) ** 2 / total : 0)
}
