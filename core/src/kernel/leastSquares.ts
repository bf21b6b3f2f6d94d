/** Where a least-squares search ended. */
export interface LeastSquaresFit {
  readonly parameters: readonly number[]
  /** half the sum of squared residuals there */
  readonly cost: number
  readonly iterations: number
}

/**
 * Levenberg–Marquardt for small problems: finds parameters that minimise the sum of squared
 * residuals.
 * @param residuals pure; the same number of finite values at every call
 * @param start starting parameters
 * @param derivatives one column per parameter: what each residual gains per unit of it, at `p` with residuals `r`
 * @param options at most this many iterations, and the relative gain below which it stops
 * @source geometry
 */
export function leastSquares(
  residuals: (parameters: readonly number[]) => number[],
  start: readonly number[],
  derivatives: (p: readonly number[], r: readonly number[]) => readonly (readonly number[])[],
  { maxIterations = 60, gain: least = 1e-8 }: { readonly maxIterations?: number; readonly gain?: number } = {},
): LeastSquaresFit {
  let p = [...start]
  let r = residuals(p)
  let cost = half(r)
  let damping = 1e-3
  let iterations = 0
  while (iterations < maxIterations) {
    iterations += 1
    const { square, slope } = normalEquations(derivatives(p, r), r)
    let better = false
    for (let attempt = 0; attempt < 12; attempt++) {
      const damped = square.map((row, i) => row.map((value, j) => (i === j ? value * (1 + damping) + 1e-15 : value)))
      const step = solveLinear(
        damped,
        slope.map((value) => -value),
      )
      const next = step === null ? null : p.map((value, i) => value + (step[i] ?? 0))
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

function half(r: readonly number[]): number {
  let sum = 0
  for (const value of r) sum += value * value
  return sum / 2
}

/** JᵀJ and Jᵀr. */
function normalEquations(columns: readonly (readonly number[])[], r: readonly number[]): { square: number[][]; slope: number[] } {
  const n = columns.length
  const square = columns.map(() => new Array<number>(n).fill(0))
  for (let i = 0; i < n; i++)
    for (let j = i; j < n; j++) {
      const value = dot(columns[i]!, columns[j]!)
      square[i]![j] = value
      square[j]![i] = value
    }
  return { square, slope: columns.map((column) => dot(column, r)) }
}

function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0
  for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!
  return sum
}

/** Solves a small dense system by elimination with row pivots; null when it is singular. @source geometry */
export function solveLinear(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0])
  for (let column = 0; column < n; column++) {
    let pivot = column
    for (let i = column + 1; i < n; i++) if (Math.abs(rows[i]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = i
    const top = rows[pivot]!
    if (!(Math.abs(top[column]!) > 1e-300)) return null
    rows[pivot] = rows[column]!
    rows[column] = top
    for (let i = column + 1; i < n; i++) {
      const row = rows[i]!
      const factor = row[column]! / top[column]!
      for (let k = column; k <= n; k++) row[k]! -= factor * top[k]!
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    let sum = rows[i]![n]!
    for (let k = i + 1; k < n; k++) sum -= rows[i]![k]! * x[k]!
    x[i] = sum / rows[i]![i]!
  }
  return x.every(Number.isFinite) ? x : null
}
