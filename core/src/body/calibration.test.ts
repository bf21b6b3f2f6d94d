import fc from 'fast-check'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { exampleRider } from '../testing.ts'
import { calibrate, changesWith, freeKeys, knownKinds, predict, withFree } from './calibration.ts'
import type { FreeParameters, FreeValues, Known, KnownKind } from './calibration.ts'
import type { Side } from '../kernel/sided.ts'
import { tableOf } from '../kernel/tables.ts'

/** Priors about the example rider; ± as wide as the product assumes. */
const free: FreeParameters = {
  hipForward: { prior: 40, plusMinus: 30 },
  hipUp: { prior: 85, plusMinus: 25 },
  trunk: { prior: 505, plusMinus: 50 },
  elbowFlexion: { prior: 20, plusMinus: 25 },
  elbowSwivel: { prior: 20, plusMinus: 40 },
  twist: { prior: 0, plusMinus: 40 },
  handSetLeft: { prior: 0, plusMinus: 20 },
  handSetRight: { prior: 0, plusMinus: 20 },
  pitchLeft: { prior: 15, plusMinus: 12 },
  pitchRight: { prior: 15, plusMinus: 12 },
  legs: { prior: 0, plusMinus: 30 },
  legsApart: { prior: 0, plusMinus: 13 },
  hipsTurned: { prior: 0, plusMinus: 5 },
  hipsTilted: { prior: 0, plusMinus: 5 },
}
const priors = tableOf(freeKeys, (key) => free[key].prior)
const known = (kind: KnownKind, side: Side | 'both', value: number, plusMinus = 3): Known => ({
  kind,
  side,
  value,
  plusMinus,
  base: exampleRider,
})
/** What a rider with these parameters would be measured at. */
const measured = (truth: FreeValues, ...asked: readonly (readonly [KnownKind, Side | 'both'])[]) =>
  asked.map(([kind, side]) => known(kind, side, predict(withFree(exampleRider, truth), { kind, side })))

describe('what an angle changes with', () => {
  it.each(knownKinds.flatMap((kind) => (['left', 'right', 'both'] as const).map((side) => ({ kind, side }))))(
    '$kind $side: the parameters of its row and no other, whether the hands are reached or not',
    ({ kind, side }) => {
      const moves = freeKeys.filter((key) =>
        [priors, { ...priors, trunk: 60, hipForward: -300 }].some((about) => {
          const at = (by: number) => predict(withFree(exampleRider, { ...about, [key]: about[key] + by }), { kind, side })
          // Both ways, so that no turning point hides it.
          return [-4, 3].some((by) => Math.abs(at(by) - at(0)) > 1e-9)
        }),
      )
      expect([...moves].sort()).toEqual([...changesWith({ kind, side })].sort())
    },
  )
})

describe('calibration', () => {
  it('without a measured angle changes nothing and says so', () => {
    expect(calibrate(free, [])).toEqual({ state: 'none', values: priors, residuals: [], strained: [] })
  })

  it('gives back every measured angle exactly, where there are no more than there is to solve', () => {
    const angles = [
      known('kneeFlexion', 'left', 34),
      known('kneeFlexion', 'right', 30),
      known('footPitch', 'left', 18),
      known('torsoAngle', 'both', 50),
      known('elbowFlexion', 'both', 26),
    ]
    const { state, values, residuals } = calibrate(free, angles)
    expect(state).toBe('exact')
    for (const angle of angles) expect(predict(withFree(exampleRider, values), angle)).toBeCloseTo(angle.value, 1)
    for (const { residual } of residuals) expect(Math.abs(residual)).toBeLessThan(0.02)
  })

  it('finds a rider again from angles that this rider would be measured at, for any rider near the priors', () => {
    const off = (key: keyof FreeValues) =>
      fc.double({ min: -0.35, max: 0.35, noNaN: true }).map((share) => free[key].prior + share * free[key].plusMinus)
    fc.assert(
      fc.property(fc.record(Object.fromEntries(freeKeys.map((key) => [key, off(key)]))), (drawn) => {
        const truth = drawn as unknown as FreeValues
        const angles = measured(
          truth,
          ['kneeFlexion', 'left'],
          ['kneeFlexion', 'right'],
          ['footPitch', 'left'],
          ['footPitch', 'right'],
          ['torsoAngle', 'both'],
          ['elbowFlexion', 'left'],
          ['elbowFlexion', 'right'],
          ['shoulderAngle', 'both'],
          ['wrist', 'left'],
          ['wrist', 'right'],
        )
        const { values } = calibrate(free, angles)
        for (const angle of angles) expect(Math.abs(predict(withFree(exampleRider, values), angle) - angle.value)).toBeLessThan(0.3)
        expect(values.elbowFlexion).toBeCloseTo(truth.elbowFlexion, 0)
        expect(values.pitchLeft).toBeCloseTo(truth.pitchLeft, 0)
      }),
      { numRuns: 25 },
    )
  })

  it('predicts the next millimetre as the true rider would move, whatever the priors were', () => {
    const truth: FreeValues = { ...priors, hipForward: 52, hipUp: 96, pitchLeft: 19, pitchRight: 19, legs: 14 }
    const angles = measured(truth, ['kneeFlexion', 'left'], ['kneeFlexion', 'right'], ['footPitch', 'left'], ['footPitch', 'right'])
    const { values } = calibrate(free, angles)
    const higher = { ...exampleRider, sit: { x: exampleRider.sit.x - 1.5, y: exampleRider.sit.y + 4.8 } }
    const knee = (base: typeof exampleRider, parameters: FreeValues) =>
      predict(withFree(base, parameters), { kind: 'kneeFlexion', side: 'left' })
    const [said, real] = [knee(higher, values) - knee(exampleRider, values), knee(higher, truth) - knee(exampleRider, truth)]
    expect(said).toBeCloseTo(real, 1)
  })

  // Weighted least squares with priors as extra observations, solved by a maths library.
  it('weighs contradicting angles as a general solver does', () => {
    const angles = [
      known('torsoAngle', 'both', 44, 4),
      known('torsoAngle', 'both', 50, 2),
      known('elbowFlexion', 'both', 30, 4),
      known('elbowFlexion', 'both', 24, 4),
      known('shoulderAngle', 'both', 66, 4),
      known('shoulderAngle', 'both', 60, 4),
    ]
    const { state, values } = calibrate(free, angles)
    expect(state).toBe('fitted')
    const solvedFor = ['trunk', 'elbowFlexion', 'elbowSwivel', 'hipForward', 'hipUp'] as const
    const residual = (p: readonly number[], i: number): number => {
      const parameters = { ...priors, ...Object.fromEntries(solvedFor.map((key, k) => [key, p[k]])) }
      const angle = angles[i - solvedFor.length]
      if (angle) return (predict(withFree(exampleRider, parameters), angle) - angle.value) / (angle.plusMinus / 2)
      const key = solvedFor[i]!
      return (p[i]! - free[key].prior) / (free[key].plusMinus / 2)
    }
    const x = [...solvedFor, ...angles].map((_, i) => i)
    const library = levenbergMarquardt({ x, y: x.map(() => 0) }, (p) => (i: number) => residual(p, i), {
      initialValues: solvedFor.map((key) => free[key].prior),
      damping: 1e-2,
      maxIterations: 500,
      errorTolerance: 1e-14,
      gradientDifference: 1e-3,
      centralDifference: true,
    })
    solvedFor.forEach((key, i) => expect(Math.abs(values[key] - library.parameterValues[i]!)).toBeLessThan(0.1))
  })

  it('names what it had to strain when an angle cannot be true', () => {
    const { strained, residuals } = calibrate(free, [known('kneeFlexion', 'left', 95), known('kneeFlexion', 'right', 31)])
    expect(strained.length).toBeGreaterThan(0)
    expect(residuals.length).toBe(2)
  })

  it('gives each arm its own bend where the elbows were read apart, and one bend to both where they were read once', () => {
    const apart = [
      known('elbowFlexion', 'left', 17),
      known('elbowFlexion', 'right', 27),
      known('wrist', 'left', 4),
      known('wrist', 'right', -3),
    ]
    const { values, state } = calibrate(free, apart)
    expect(state).toBe('exact')
    for (const angle of apart) expect(predict(withFree(exampleRider, values), angle)).toBeCloseTo(angle.value, 1)
    // The straighter arm is the one whose shoulder stands further from its hand: behind.
    expect(values.twist).toBeLessThan(-10)
    const once = calibrate(free, [known('elbowFlexion', 'both', 22)])
    expect(once.values.twist).toBeCloseTo(0, 3)
    for (const side of ['left', 'right'] as const)
      expect(predict(withFree(exampleRider, once.values), { kind: 'elbowFlexion', side })).toBeCloseTo(22, 1)
  })

  it('starts from a solution as well as from the priors', () => {
    const angles = [known('kneeFlexion', 'left', 34), known('kneeFlexion', 'right', 30), known('torsoAngle', 'both', 50)]
    const cold = calibrate(free, angles)
    const near = calibrate(free, [...angles.slice(0, 2), known('torsoAngle', 'both', 50.5)], 'exact-first', cold.values)
    const fresh = calibrate(free, [...angles.slice(0, 2), known('torsoAngle', 'both', 50.5)])
    for (const key of freeKeys) expect(near.values[key]).toBeCloseTo(fresh.values[key], 3)
  })

  it('shares the hip between the legs, so that one knee read moves both', () => {
    const { values } = calibrate({ ...free, legs: { prior: 0, plusMinus: 1 }, legsApart: { prior: 0, plusMinus: 1 } }, [
      known('kneeFlexion', 'left', 38),
    ])
    const [left, right] = (['left', 'right'] as const).map((side) => predict(withFree(exampleRider, values), { kind: 'kneeFlexion', side }))
    expect(left).toBeCloseTo(38, 1)
    expect(right!).toBeGreaterThan(33)
  })
})
