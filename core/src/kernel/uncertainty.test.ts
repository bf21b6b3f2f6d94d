import fc from 'fast-check'
import { bandState } from './band.ts'
import { propagate } from './propagate.ts'
import { combined, exceedsUncertainty } from './quantity.ts'

// JCGM 100:2008 (GUM), clause 5.1: u²(y) = Σ (∂f/∂xᵢ)² u²(xᵢ).
describe('propagation of uncertainty', () => {
  it('combines a difference of two readings by root-sum-of-squares', () => {
    const { plusMinus } = propagate(({ a, b }: { a: number; b: number }) => ({ d: a - b }), { a: 10, b: 4 }, { a: 3, b: 4 })
    expect(plusMinus['d']).toBeCloseTo(5, 9)
    expect(combined(3, 4)).toBeCloseTo(5, 9)
  })

  it('is exact for linear functions of any coefficients', () => {
    const coefficient = fc.double({ min: -50, max: 50, noNaN: true })
    const spread = fc.double({ min: 0.01, max: 20, noNaN: true })
    fc.assert(
      fc.property(coefficient, coefficient, spread, spread, (p, q, u, v) => {
        const { plusMinus } = propagate((x: { a: number; b: number }) => ({ y: p * x.a + q * x.b }), { a: 7, b: -3 }, { a: u, b: v })
        expect(plusMinus['y']).toBeCloseTo(Math.hypot(p * u, q * v), 6)
      }),
    )
  })

  // GUM, 5.1.6, a product: relative uncertainties combine; 20 × 30 with 1 % and 2 %.
  it('agrees with the relative rule for a product', () => {
    const { plusMinus } = propagate((x: { a: number; b: number }) => ({ y: x.a * x.b }), { a: 20, b: 30 }, { a: 0.2, b: 0.6 })
    expect(plusMinus['y']).toBeCloseTo(600 * Math.hypot(0.01, 0.02), 6)
  })

  it('keeps a reading used twice correlated: x − x is certain', () => {
    const { plusMinus } = propagate((x: { a: number }) => ({ zero: x.a - x.a }), { a: 5 }, { a: 3 })
    expect(plusMinus['zero']).toBe(0)
  })

  it('agrees with 20 000 random draws for a curved function', () => {
    const run = (x: { a: number; b: number }) => ({ y: Math.hypot(x.a, x.b) })
    const { plusMinus } = propagate(run, { a: 300, b: 400 }, { a: 6, b: 8 })
    let seed = 12345
    const uniform = () => ((seed = (seed * 1103515245 + 12345) % 2 ** 31) + 1) / (2 ** 31 + 2)
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
    const draws = Array.from({ length: 20000 }, () => run({ a: 300 + 3 * normal(), b: 400 + 4 * normal() }).y)
    const mean = draws.reduce((s, d) => s + d, 0) / draws.length
    const deviation = Math.sqrt(draws.reduce((s, d) => s + (d - mean) ** 2, 0) / draws.length)
    expect(Math.abs(plusMinus['y']! / (2 * deviation) - 1)).toBeLessThan(0.03)
  })

  it('says who causes it, and names an input that can only be moved one way', () => {
    const { shares, oneSided } = propagate(
      (x: { a: number; b: number }) => {
        if (x.a > 10) throw new Error('out of reach')
        return { y: x.a + x.b }
      },
      { a: 10, b: 0 },
      { a: 3, b: 1 },
    )
    expect(shares['y']!['a']).toBeCloseTo(0.9, 9)
    expect(oneSided).toEqual(['a'])
  })

  it('does not call a millimetre from a ±3 mm tape a finding', () => {
    expect(exceedsUncertainty(1, 3)).toBe(false)
    expect(exceedsUncertainty(-3.1, 3)).toBe(true)
  })
})

describe('the vial', () => {
  const band = { low: 20, high: 30 }
  it.each([
    [25, 2, 'level'],
    [20, 0, 'level'],
    [21, 2, 'near'],
    [18.5, 1.5, 'near'],
    [18, 1.5, 'outside'],
    [40, 3, 'outside'],
    [25, 12, 'level'],
    [21, 12, 'near'],
  ] as const)('%s ± %s between 20 and 30 is %s', (value, plusMinus, state) => {
    expect(bandState({ value, plusMinus }, band)).toBe(state)
  })

  it('reads the same mirrored', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 50, noNaN: true }), fc.double({ min: 0, max: 9, noNaN: true }), (value, plusMinus) => {
        const mirrored = bandState({ value: -value, plusMinus }, { low: -30, high: -20 })
        expect(mirrored).toBe(bandState({ value, plusMinus }, band))
      }),
    )
  })
})
