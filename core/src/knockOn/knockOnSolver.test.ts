import fc from 'fast-check'
import { UnreachableError } from '../kernel/problem.ts'
import { cleatKnockOn, kneeFor } from './cleatKnockOn.ts'
import type { CleatKnockOnInput } from './cleatKnockOn.ts'

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** Riders and bikes across the ranges the screens allow. */
const anyLeg: fc.Arbitrary<CleatKnockOnInput> = fc.record({
  thigh: mm(360, 520),
  shank: mm(360, 520),
  heelToMtp1: mm(150, 230),
  heelToAnkle: mm(50, 80),
  ankleHeight: mm(55, 90),
  stack: mm(10, 45),
  crank: mm(150, 180),
  saddleHeight: mm(560, 800),
  seatAngle: mm(68, 80),
  hipForward: mm(0, 80),
  hipUp: mm(50, 120),
  footPitch: mm(-10, 35),
  setbackFrom: mm(-10, 40),
  setbackTo: mm(-10, 60),
})

/** The saddle height that gives back a knee flexion, by halving an interval: no formula shared with the code. */
function bySearch(input: CleatKnockOnInput, wanted: number): number {
  let low = input.saddleHeight - 150
  let high = input.saddleHeight + 150
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    let flexion = 0
    try {
      flexion = kneeFor(input, input.setbackTo, middle)
    } catch (error) {
      if (!(error instanceof UnreachableError)) throw error
    }
    if (flexion > wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}

describe('the knock-on against an independent search', () => {
  it('finds the same saddle height for any leg that reaches', () => {
    let compared = 0
    fc.assert(
      fc.property(anyLeg, (input) => {
        let out
        try {
          out = cleatKnockOn(input)
        } catch (error) {
          expect(error).toBeInstanceOf(UnreachableError)
          return
        }
        // Near the straight leg the angle hardly changes with height, and a search cannot tell.
        if (out.flexionBefore < 5 || out.flexionBefore > 110) return
        compared += 1
        expect(out.saddleHeightAfter).toBeCloseTo(bySearch(input, out.flexionBefore), 3)
      }),
      { numRuns: 400 },
    )
    expect(compared).toBeGreaterThan(50)
  })

  it('moves the ankle exactly as far as the cleat, whatever the pitch', () => {
    fc.assert(
      fc.property(anyLeg, (input) => {
        try {
          const { ankleForward, ankleUp } = cleatKnockOn(input)
          expect(Math.hypot(ankleForward, ankleUp)).toBeCloseTo(Math.abs(input.setbackTo - input.setbackFrom), 6)
        } catch (error) {
          expect(error).toBeInstanceOf(UnreachableError)
        }
      }),
    )
  })

  it('grows with the move: twice as far back never asks for less than once', () => {
    fc.assert(
      fc.property(anyLeg, mm(0.5, 10), (leg, step) => {
        // On any ridden bike the hip lies behind the ankle at the bottom; where it does not, the sign turns.
        const hip = leg.hipForward - leg.saddleHeight * Math.cos((leg.seatAngle * Math.PI) / 180)
        fc.pre(hip < leg.setbackFrom + leg.heelToAnkle - leg.heelToMtp1 - 20)
        const ask = (by: number) =>
          cleatKnockOn({ ...leg, footPitch: Math.abs(leg.footPitch) + 5, setbackTo: leg.setbackFrom + by }).saddleMove
        try {
          expect(Math.abs(ask(2 * step))).toBeGreaterThanOrEqual(Math.abs(ask(step)) - 1e-6)
        } catch (error) {
          expect(error).toBeInstanceOf(UnreachableError)
        }
      }),
    )
  })
})
