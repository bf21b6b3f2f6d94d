import { at, dot, matrixOf, rowsDot, times } from './vector.ts'
import type { Matrix, Vector } from './vector.ts'

/** Where a least-squares search ended. */
export interface LeastSquaresFit {
  readonly parameters: Vector
  /** half the sum of squared residuals there */
  readonly cost: number
  readonly iterations: number
}

/**
 * Levenberg–Marquardt for small problems: finds parameters that minimise the sum of squared
 * residuals.
 * @param residuals pure; the same number of finite values at every call
 * @param start starting parameters
 * @param derivatives one row per parameter: what each residual gains per unit of it, at `p` with residuals `r`
 * @param options at most this many iterations, and the relative gain below which it stops
 * @source geometry
 */
export function leastSquares(
  residuals: (parameters: Vector) => Vector,
  start: Vector,
  derivatives: (p: Vector, r: Vector) => Matrix,
  { maxIterations = 60, gain: least = 1e-8 }: { readonly maxIterations?: number; readonly gain?: number } = {},
): LeastSquaresFit {
  let p = start.slice()
  let r = residuals(p)
  let cost = half(r)
  let damping = 1e-3
  let iterations = 0
  while (iterations < maxIterations) {
    iterations += 1
    const gains = derivatives(p, r)
    const square = matrixOf(gains.rows, gains.rows, (i, j) => rowsDot(gains, i, gains, j))
    const downhill = times(gains, r).map((value) => -value)
    let better = false
    for (let attempt = 0; attempt < 12; attempt++) {
      const step = solveLinear(damped(square, damping), downhill)
      const next = step === null ? null : p.map((value, i) => value + at(step, i))
      const nextResiduals = next && residuals(next)
      const nextCost = nextResiduals ? half(nextResiduals) : Infinity
      if (next && nextResiduals && nextCost < cost) {
        const gain = cost - nextCost
        p = next
        r = nextResiduals
        cost = nextCost
        damping = Math.max(1e-12, damping / 10)
        better = gain > least * (1e-3 + cost)
        break
      }
      damping *= 10
    }
    if (!better) break
  }
  return { parameters: p, cost, iterations }
}

const half = (r: Vector): number => dot(r, r) / 2

function damped({ rows, columns, cells }: Matrix, damping: number): Matrix {
  const made = cells.slice()
  for (let i = 0; i < made.length; i += columns + 1) made[i] = at(made, i) * (1 + damping) + 1e-15
  return { rows, columns, cells: made }
}

/** Solves a small dense system by elimination with row pivots; null when it is singular. @source geometry */
export function solveLinear(matrix: Matrix, right: Vector): Vector | null {
  const n = right.length
  const cells = matrix.cells.slice()
  const sums = right.slice()
  for (let column = 0; column < n; column++) {
    let pivot = column
    for (let i = column + 1; i < n; i++) if (Math.abs(at(cells, i * n + column)) > Math.abs(at(cells, pivot * n + column))) pivot = i
    if (!(Math.abs(at(cells, pivot * n + column)) > 1e-300)) return null
    if (pivot !== column) {
      for (let k = column; k < n; k++) swap(cells, pivot * n + k, column * n + k)
      swap(sums, pivot, column)
    }
    const top = at(cells, column * n + column)
    for (let i = column + 1; i < n; i++) {
      const factor = at(cells, i * n + column) / top
      if (factor === 0) continue
      for (let k = column; k < n; k++) cells[i * n + k] = at(cells, i * n + k) - factor * at(cells, column * n + k)
      sums[i] = at(sums, i) - factor * at(sums, column)
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = at(sums, i)
    for (let k = i + 1; k < n; k++) sum -= at(cells, i * n + k) * at(sums, k)
    sums[i] = sum / at(cells, i * n + i)
  }
  return sums.every(Number.isFinite) ? sums : null
}

function swap(numbers: Vector, i: number, j: number): void {
  const kept = at(numbers, i)
  numbers[i] = at(numbers, j)
  numbers[j] = kept
}
