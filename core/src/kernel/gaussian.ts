import { solveLinear } from './leastSquares.ts'
import { at, cellAt, dot, matrixOf, rowAt, rowsDot, times, vectorOf } from './vector.ts'
import type { Matrix, Vector } from './vector.ts'

/** Covariance of jointly uncertain quantities: symmetric, square. */
export type Covariance = Matrix

/** Independent quantities. @param deviations standard deviations */
export function independent(deviations: Vector): Covariance {
  return matrixOf(deviations.length, deviations.length, (i, j) => (i === j ? at(deviations, i) ** 2 : 0))
}

/** Variance of a result with gradient h. Never below zero. */
export function varianceOf(covariance: Covariance, h: Vector): number {
  return Math.max(0, dot(h, times(covariance, h)))
}

/**
 * What is left uncertain of quantities x after an estimator has corrected them by measurements of
 * rows·x: (1 − K·J)·Σ·(1 − K·J)ᵀ + K·R·Kᵀ with its own gain K = A·Jᵀ·(J·A·Jᵀ + R)⁻¹, A what it takes
 * for the variances of what it may move. With A = Σ it is the best estimate, and the same as one
 * rank-one update a measurement.
 * @param prior Σ, what is uncertain before
 * @param moved diagonal of A, 0 for what the estimator leaves alone
 * @param rows J, a row per measurement
 * @param deviations of the measurements
 * @param exactly whether it meets the measurements as if they had no error
 * @source gum
 */
export function afterEstimating(prior: Covariance, moved: Vector, rows: Matrix, deviations: Vector, exactly: boolean): Covariance {
  const [n, m] = [moved.length, deviations.length]
  if (m === 0) return prior
  const carried = matrixOf(m, n, (k, i) => cellAt(rows, k, i) * at(moved, i))
  const noise = deviations.map((deviation) => (exactly ? RIDGE : deviation * deviation))
  const square = matrixOf(m, m, (k, l) => rowsDot(rows, k, carried, l) + (k === l ? at(noise, k) : 0))
  // Row i of K solves (J·A·Jᵀ + R)·kᵢ = (J·A)ᵢ; what is not moved has no gain.
  const gain = matrixOf(n, m, () => 0)
  for (let i = 0; i < n; i++) {
    const row =
      at(moved, i) > 0
        ? solveLinear(
            square,
            vectorOf(m, (k) => cellAt(carried, k, i)),
          )
        : null
    if (row) gain.cells.set(row, i * m)
  }
  // E = 1 − K·J: first E·Σ, then E·Σ·Eᵀ + K·R·Kᵀ.
  const seen = matrixOf(n, m, (j, k) => rowsDot(prior, j, rows, k))
  const left = matrixOf(n, n, (i, j) => cellAt(prior, i, j) - rowsDot(gain, i, seen, j))
  const rest = matrixOf(n, m, (i, k) => rowsDot(rows, k, left, i) - cellAt(gain, i, k) * at(deviations, k) ** 2)
  return matrixOf(n, n, (i, j) => cellAt(left, i, j) - rowsDot(gain, j, rest, i))
}

/** Keeps two measurements of one thing from making the gain's equations singular. */
const RIDGE = 1e-9

/** Lower triangle L with L·Lᵀ = Σ; rows of what is certain are 0. */
export function choleskyOf(covariance: Covariance): Matrix {
  const root = matrixOf(covariance.rows, covariance.rows, () => 0)
  for (let i = 0; i < root.rows; i++) {
    const own = rowAt(root, i)
    for (let j = 0; j <= i; j++) {
      const other = rowAt(root, j)
      let rest = cellAt(covariance, i, j)
      for (let k = 0; k < j; k++) rest -= at(own, k) * at(other, k)
      const on = at(other, j)
      own[j] = i === j ? Math.sqrt(Math.max(0, rest)) : on > 1e-12 ? rest / on : 0
    }
  }
  return root
}

/**
 * A measurement of m·x with a deviation: by how much it would lower the variance of h·x.
 * @source gum
 */
export function measuring(covariance: Covariance, m: Vector, deviation: number): (h: Vector) => number {
  const column = times(covariance, m)
  const total = dot(m, column) + deviation * deviation
  return (h) => (total > 0 ? dot(h, column) ** 2 / total : 0)
}
