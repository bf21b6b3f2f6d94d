import fc from 'fast-check'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { summarise } from '../readings/repeats.ts'
import { isUnsure } from './band.ts'
import { afterEstimating, choleskyOf, independent, measuring, varianceOf } from './gaussian.ts'
import { leastSquares, solveLinear } from './leastSquares.ts'
import { normal, seeded } from './random.ts'
import { at, cellAt, dot, matrixFrom, matrixOf, rowAt, times, vectorOf } from './vector.ts'
import type { Matrix, Vector } from './vector.ts'
import { midSentence } from './words.ts'

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true })

const vector = (...numbers: number[]): Vector => Float64Array.from(numbers)

describe('least squares', () => {
  it('walks down Rosenbrock’s valley to (1, 1)', () => {
    const { parameters, cost } = leastSquares(
      ([x = 0, y = 0]) => vector(10 * (y - x * x), 1 - x),
      vector(-1.2, 1),
      ([x = 0]) =>
        matrixFrom([
          [-20 * x, -1],
          [10, 0],
        ]),
    )
    expect(parameters[0]).toBeCloseTo(1, 4)
    expect(parameters[1]).toBeCloseTo(1, 4)
    expect(cost).toBeLessThan(1e-9)
  })
  it('fits a decay as the library does', () => {
    const x = [0, 1, 2, 3, 4, 5, 6]
    const y = x.map((t) => 7 * Math.exp(-0.4 * t) + 1 + 0.05 * Math.sin(9 * t))
    const library = levenbergMarquardt(
      { x, y },
      ([a = 0, b = 0, c = 0]) =>
        (t: number) =>
          a * Math.exp(-b * t) + c,
      {
        initialValues: [5, 0.2, 0],
        damping: 1e-3,
        maxIterations: 300,
        errorTolerance: 1e-14,
        gradientDifference: 1e-5,
        centralDifference: true,
      },
    )
    const ours = leastSquares(
      ([a = 0, b = 0, c = 0]) => vector(...x.map((t, i) => a * Math.exp(-b * t) + c - y[i]!)),
      vector(5, 0.2, 0),
      ([a = 0, b = 0]) => matrixFrom([x.map((t) => Math.exp(-b * t)), x.map((t) => -a * t * Math.exp(-b * t)), x.map(() => 1)]),
    )
    ours.parameters.forEach((value, i) => expect(value).toBeCloseTo(library.parameterValues[i]!, 3))
  })
  it('stays where it is when there is nothing to gain', () => {
    expect(
      leastSquares(
        ([x = 0]) => vector(x - 3),
        vector(3),
        () => matrixFrom([[1]]),
      ).parameters[0],
    ).toBeCloseTo(3, 9)
    expect(
      leastSquares(
        () => vector(1, 2),
        vector(5, 6),
        () => matrixOf(2, 2, () => 0),
      ).parameters,
    ).toEqual(vector(5, 6))
  })
})

describe('linear systems', () => {
  it('give back the solution they were made from', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(within(-5, 5), { minLength: 4, maxLength: 4 }), { minLength: 4, maxLength: 4 }),
        fc.array(within(-9, 9), { minLength: 4, maxLength: 4 }),
        (rows, x) => {
          const matrix = matrixOf(4, 4, (i, j) => rows[i]![j]! + (i === j ? 25 : 0))
          const solved = solveLinear(matrix, times(matrix, vector(...x)))!
          solved.forEach((value, i) => expect(value).toBeCloseTo(x[i]!, 8))
        },
      ),
    )
  })
  it('say when there is none', () => {
    expect(
      solveLinear(
        matrixFrom([
          [1, 2],
          [2, 4],
        ]),
        vector(1, 2),
      ),
    ).toBeNull()
  })
})

/** What the best estimate leaves: its gain knows the true variances. */
const afterMeasuring = (covariance: Matrix, h: Vector, deviation: number): Matrix => {
  // Turned into independent quantities first, so that the gain's variances can stand on a diagonal.
  const root = choleskyOf(covariance)
  const n = root.rows
  const turned = vectorOf(n, (k) => h.reduce((sum, value, i) => sum + value * cellAt(root, i, k), 0))
  const ones = vectorOf(n, () => 1)
  const after = afterEstimating(independent(ones), ones, matrixFrom([turned]), vector(deviation), false)
  return matrixOf(n, n, (i, j) => dot(rowAt(root, i), times(after, rowAt(root, j))))
}

describe('what measuring leaves uncertain', () => {
  // GUM, weighted mean of two independent results: 1/u² = 1/u₁² + 1/u₂².
  it('is the weighted mean’s for one quantity', () => {
    const after = afterMeasuring(independent(vector(3)), vector(1), 4)
    expect(varianceOf(after, vector(1))).toBeCloseTo(1 / (1 / 9 + 1 / 16), 12)
  })
  it('agrees with the inverse of the summed information matrices', () => {
    fc.assert(
      fc.property(
        fc.array(within(0.5, 5), { minLength: 3, maxLength: 3 }),
        fc.array(within(-2, 2), { minLength: 3, maxLength: 3 }),
        within(0.1, 3),
        (deviations, h, noise) => {
          const after = afterMeasuring(independent(vector(...deviations)), vector(...h), noise)
          const information = matrixOf(3, 3, (i, j) => (i === j ? 1 / deviations[i]! ** 2 : 0) + (h[i]! * h[j]!) / noise ** 2)
          for (let k = 0; k < 3; k++) {
            const column = solveLinear(
              information,
              vectorOf(3, (i) => (i === k ? 1 : 0)),
            )!
            column.forEach((value, i) => expect(cellAt(after, i, k)).toBeCloseTo(value, 6))
          }
        },
      ),
    )
  })
  it('is foretold by the variance it would spare', () => {
    const covariance = afterMeasuring(independent(vector(2, 1, 3)), vector(1, 1, 0), 0.5)
    const [h, m] = [vector(1, 0, 2), vector(0, 1, 1)]
    const spared = measuring(covariance, m, 0.7)(h)
    expect(varianceOf(covariance, h) - varianceOf(afterMeasuring(covariance, m, 0.7), h)).toBeCloseTo(spared, 12)
    expect(at(times(covariance, vector(1, 0, 0)), 0)).toBe(cellAt(covariance, 0, 0))
  })
  // Against many draws: an estimator that moves one quantity only, meets its measurement exactly, and takes the other for certain.
  it('is what an estimator that is not the best one errs by', () => {
    const [da, db, noise] = [3, 2, 1.5]
    const random = seeded(11)
    const errors = Array.from({ length: 20000 }, () => {
      const [a, b] = [da * normal(random), db * normal(random)]
      const read = a + 0.5 * b + noise * normal(random)
      return [a - read, b]
    })
    const empirical = (i: number, j: number) => errors.reduce((sum, row) => sum + row[i]! * row[j]!, 0) / errors.length
    const after = afterEstimating(independent(vector(da, db)), vector(da ** 2, 0), matrixFrom([[1, 0.5]]), vector(noise), true)
    for (const i of [0, 1]) for (const j of [0, 1]) expect(Math.abs(cellAt(after, i, j) - empirical(i, j))).toBeLessThan(0.12)
    expect(cellAt(after, 0, 0)).toBeCloseTo(0.25 * db ** 2 + noise ** 2, 6)
  })
})

describe('repeated readings', () => {
  it('narrow with every repetition, but never below what stays the same each time', () => {
    const spread = (n: number) =>
      summarise(
        3,
        Array.from({ length: n }, (_, i) => 250 + (i % 2)),
      ).plusMinus
    expect(summarise(3, [250]).plusMinus).toBe(3)
    expect(spread(4)).toBeLessThan(spread(2))
    expect(spread(9)).toBeGreaterThan(3 * Math.sqrt(0.5))
  })
  it('widen when they scatter more than the method should', () => {
    expect(summarise(3, [240, 262, 251]).plusMinus).toBeGreaterThan(summarise(3, [250, 251, 252]).plusMinus)
    expect(summarise(3, [240, 262, 251]).spread).toBeCloseTo(11, 0)
  })
})

it('puts a label inside a sentence without spoiling its shorthands', () => {
  expect(midSentence('Seat angle')).toBe('seat angle')
  expect(midSentence('BB drop')).toBe('BB drop')
  expect(midSentence('MTP1')).toBe('MTP1')
})

it('calls a value unsure when its ± alone is wider than the whole band', () => {
  expect(isUnsure(29, { low: 25, high: 35 })).toBe(true)
  expect(isUnsure(3, { low: 25, high: 35 })).toBe(false)
})
