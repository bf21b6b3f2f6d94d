import fc from 'fast-check'
import { pedalAxle, sitPoint } from '../bike/contactPoints.ts'
import { UnreachableError } from '../kernel/problem.ts'
import { ankleFromAxle, distanceForFlexion, footPitchAt, kneeFlexion, legPosture, legSweep, saddleHeightForFlexion } from './leg.ts'
import type { LegInput } from './leg.ts'
import { statureFractions } from './proportions.ts'

/** A leg whose sit point is chosen so that the hip lies at (−190, 790), as in the worked example. */
const example: LegInput = {
  thigh: 430,
  shank: 440,
  ankleBehind: 130,
  ankleAbove: 90,
  crank: 172.5,
  saddleHeight: 700,
  seatAngle: 90,
  hipForward: -190,
  hipUp: 90,
  footPitch: 20,
}

// Plane geometry, worked by hand from the law of cosines (derived, exact to the digits shown).
describe('the triangle of thigh, shank and hip-to-ankle distance', () => {
  it('gives the worked flexion: thigh 430, shank 440, distance 840 → 30.18°', () => {
    expect(kneeFlexion(430, 440, 840)).toBeCloseTo(30.18, 2)
  })

  it.each([
    [25, 849.4],
    [35, 829.7],
    [110, 499.1],
  ])('gives the worked distance for %s° of flexion: %s mm', (flexion, distance) => {
    expect(distanceForFlexion(430, 440, flexion)).toBeCloseTo(distance, 1)
  })

  it('is undone by its inverse for any leg and flexion', () => {
    const length = fc.double({ min: 200, max: 600, noNaN: true })
    fc.assert(
      fc.property(length, length, fc.double({ min: 1, max: 165, noNaN: true }), (thigh, shank, flexion) => {
        expect(kneeFlexion(thigh, shank, distanceForFlexion(thigh, shank, flexion))).toBeCloseTo(flexion, 4)
      }),
    )
  })

  it('reads 0° on a straight leg and refuses what cannot be a triangle', () => {
    expect(kneeFlexion(430, 440, 870)).toBeCloseTo(0, 6)
    expect(() => kneeFlexion(430, 440, 870.01)).toThrow(UnreachableError)
    expect(() => kneeFlexion(500, 300, 199)).toThrow(UnreachableError)
    expect(() => kneeFlexion(430, 440, Number.NaN)).toThrow(UnreachableError)
  })
})

describe('the leg on the bike', () => {
  // Worked example: hip (−190, 790), ankle 130 behind and 90 above the axle, pitch 20°.
  it('gives distance 839.3 and flexion 30.54° at the bottom', () => {
    const posture = legPosture(example, 180)
    expect(posture.hip.x).toBeCloseTo(-190, 9)
    expect(posture.hip.y).toBeCloseTo(790, 9)
    expect(posture.distance).toBeCloseTo(839.3, 1)
    expect(posture.kneeFlexion).toBeCloseTo(30.54, 2)
  })

  it('gives 843.8 and 28.18° with the cleat 10 mm back', () => {
    const posture = legPosture({ ...example, ankleBehind: 120 }, 180)
    expect(posture.distance).toBeCloseTo(843.8, 1)
    expect(posture.kneeFlexion).toBeCloseTo(28.18, 2)
  })

  it.each([
    [0, 110.1],
    [90, 69.6],
    [270, 80.29],
  ])('at crank angle %s° flexes to %s°', (angle, flexion) => {
    expect(legPosture(example, angle).kneeFlexion).toBeCloseTo(flexion, 1)
  })

  it('reaches furthest at 171.5°, not at the bottom', () => {
    let longest = { angle: 0, distance: 0 }
    for (let angle = 0; angle < 360; angle += 0.1) {
      const { distance } = legPosture(example, angle)
      if (distance > longest.distance) longest = { angle, distance }
    }
    expect(longest.angle).toBeCloseTo(171.5, 0)
    expect(longest.distance).toBeCloseTo(840.8, 1)
  })

  it.each([
    [10, 20, 9.397, -3.42],
    [5, 15, 4.83, -1.294],
  ])('a cleat %s mm back at %s° of pitch moves the ankle by (%s, %s)', (back, pitch, forward, up) => {
    const foot = { heelToMtp1: 195, heelToAnkle: 60, ankleHeight: 68, stack: 22 }
    const at = (cleatSetback: number) => {
      const { behind, above } = ankleFromAxle({ ...foot, cleatSetback })
      return legPosture({ ...example, ankleBehind: behind, ankleAbove: above, footPitch: pitch }, 180).ankle
    }
    expect(at(back).x - at(0).x).toBeCloseTo(forward, 3)
    expect(at(back).y - at(0).y).toBeCloseTo(up, 3)
  })

  it('keeps thigh and shank their length and the knee in front, all the way round', () => {
    for (let angle = 0; angle < 360; angle += 15) {
      const { hip, knee, ankle } = legPosture(example, angle, 10)
      expect(Math.hypot(knee.x - hip.x, knee.y - hip.y)).toBeCloseTo(example.thigh, 6)
      expect(Math.hypot(knee.x - ankle.x, knee.y - ankle.y)).toBeCloseTo(example.shank, 6)
      const cross = (ankle.x - hip.x) * (knee.y - hip.y) - (ankle.y - hip.y) * (knee.x - hip.x)
      expect(cross).toBeGreaterThan(0)
    }
  })

  it('finds the saddle height by an independent bisection as by its closed form', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 60, noNaN: true }), fc.double({ min: 68, max: 80, noNaN: true }), (flexion, seatAngle) => {
        const leg = { ...example, seatAngle, hipForward: 40, hipUp: 85 }
        const height = saddleHeightForFlexion(leg, flexion)
        // Flexion falls as the saddle rises; halve the interval until it is found.
        let low = height - 90
        let high = height + 90
        for (let i = 0; i < 60; i++) {
          const middle = (low + high) / 2
          if (flexionOrStraight({ ...leg, saddleHeight: middle }) > flexion) low = middle
          else high = middle
        }
        expect(height).toBeCloseTo((low + high) / 2, 5)
      }),
    )
  })

  it('is the same bike seen with the cranks a full turn on', () => {
    expect(legPosture(example, 37).kneeFlexion).toBeCloseTo(legPosture(example, 397).kneeFlexion, 9)
    expect(pedalAxle(170, 90).x).toBeCloseTo(170, 9)
    expect(pedalAxle(170, 0).y).toBeCloseTo(170, 9)
  })

  it('draws the pitch curve through the measured pitch, steepest near 300°', () => {
    expect(footPitchAt(180, 17, 12)).toBeCloseTo(17, 9)
    expect(footPitchAt(300, 17, 12)).toBeGreaterThan(footPitchAt(270, 17, 12))
    expect(footPitchAt(300, 17, 12)).toBeGreaterThan(footPitchAt(330, 17, 12))
    expect(footPitchAt(120, 17, 12)).toBeLessThan(17)
  })

  it('says that it does not reach instead of guessing', () => {
    expect(() => legPosture({ ...example, saddleHeight: 900 }, 180)).toThrow(/does not reach/)
    expect(() => saddleHeightForFlexion({ ...example, hipForward: 900, hipUp: 0 }, 30)).toThrow(UnreachableError)
  })
})

function flexionOrStraight(leg: LegInput): number {
  try {
    return legPosture(leg, 180).kneeFlexion
  } catch {
    return -1
  }
}

// Drillis & Contini 1966, as drawn in Winter, fig. 4.1 (values from memory of the source).
describe('segment estimates', () => {
  it('are the published fractions of stature', () => {
    expect(statureFractions).toMatchObject({ ankleHeight: 0.039, shank: 0.246, thigh: 0.245, footLength: 0.152, hipHeight: 0.53 })
  })

  it('stack up to the hip height of the same source: thigh + shank + ankle = 0.530', () => {
    const { thigh, shank, ankleHeight, hipHeight } = statureFractions
    expect(thigh + shank + ankleHeight).toBeCloseTo(hipHeight, 9)
  })
})

// Holmes, Pruitt & Whalen 1994: static flexion 25–35° (from memory of the source).
// Hamley & Thomas 1967: 109 % of inside leg, pedal to saddle top (from memory of the source).
describe('saddle height against published methods', () => {
  it('puts a rider of average build set at 30° near 109 % of the inseam, within 3 %', () => {
    const stature = 1756 // ANSUR II, men, mean (Gordon et al. 2014; from memory)
    const inseam = 837 // ANSUR I crotch height, men, mean (Gordon et al. 1989; from memory)
    const footLength = statureFractions.footLength * stature
    const foot = ankleFromAxle({
      heelToMtp1: 0.74 * footLength,
      heelToAnkle: 0.25 * footLength,
      ankleHeight: statureFractions.ankleHeight * stature,
      stack: 24,
      cleatSetback: 5,
    })
    const leg: LegInput = {
      ...example,
      thigh: statureFractions.thigh * stature,
      shank: statureFractions.shank * stature,
      ankleBehind: foot.behind,
      ankleAbove: foot.above,
      hipForward: 40,
      hipUp: 85,
      seatAngle: 73,
      footPitch: 10,
    }
    const pedalToSaddle = saddleHeightForFlexion(leg, 30) + leg.crank
    expect(Math.abs(pedalToSaddle / (1.09 * inseam) - 1)).toBeLessThan(0.03)
  })
})

// Published: the longest reach to the pedal is where the crank is in line with the hip, 165–172°, not at 180°
// (common finding of static fitting; value from memory).
describe('the longest reach', () => {
  it.each([
    [680, 72],
    [700, 73],
    [720, 74],
  ])('saddle %s mm at %s° lies short of the bottom, within 160–175°', (saddleHeight, seatAngle) => {
    const posture = legSweep({ ...example, saddleHeight, seatAngle, hipForward: 40, hipUp: 85, thigh: 450, shank: 460 })
    const angles = Array.from({ length: 360 }, (_, angle) => ({ angle, distance: posture(angle).distance }))
    const longest = angles.reduce((a, b) => (b.distance > a.distance ? b : a))
    expect(longest.angle).toBeGreaterThanOrEqual(160)
    expect(longest.angle).toBeLessThanOrEqual(175)
  })
})

describe('a sweep', () => {
  it('is the same as each posture by itself', () => {
    const sweep = legSweep(example, 12)
    for (const angle of [0, 45, 90, 180, 270, 359]) expect(sweep(angle)).toEqual(legPosture(example, angle, 12))
  })
})

// Worked geometry: saddle at (−180, 700), crank 172.5 → 890.9 mm to the pedal at the bottom; 10 mm further back at
// the same distance stands 2.123 mm lower, 10 mm further forward 2.003 mm higher (derived with Pythagoras).
describe('saddle to pedal', () => {
  const toPedal = (x: number, y: number) => Math.hypot(x - pedalAxle(172.5, 180).x, y - pedalAxle(172.5, 180).y)
  it('gives the worked distance', () => expect(toPedal(-180, 700)).toBeCloseTo(890.9, 1))
  it.each([
    [-190, -2.123],
    [-170, 2.003],
  ])('held equal at x = %s the height changes by %s', (x, change) => {
    expect(toPedal(x, 700 + change)).toBeCloseTo(toPedal(-180, 700), 2)
  })
  it('puts the sit point where height and angle say', () => {
    const { x, y } = sitPoint(722.8, 75.579)
    expect(x).toBeCloseTo(-180, 0)
    expect(y).toBeCloseTo(700, 0)
  })
})

// Common practice 0.883 × inseam against Hamley & Thomas 1967, 109 % (from memory): equal only when crank = 0.207 × inseam.
describe('two rules of thumb for saddle height', () => {
  it('differ by less than a millimetre for inseam 830 and crank 172.5, as their identity says', () => {
    expect(0.883 * 830).toBeCloseTo(732.9, 1)
    expect(1.09 * 830 - 172.5).toBeCloseTo(732.2, 1)
    expect((1.09 - 0.883) * 830).toBeCloseTo(0.207 * 830, 9)
  })

  // Ferrer-Roca et al. 2012 (from memory): pedal to saddle, cm = 22.1 + 0.896 · inseam − 0.15 · flexion.
  it('the leg model’s slope agrees in sign and size with a published regression', () => {
    const leg = { ...example, hipForward: 40, hipUp: 85, seatAngle: 73 }
    const perDegree = (saddleHeightForFlexion(leg, 40) - saddleHeightForFlexion(leg, 30)) / 10
    // −1.5 mm per degree by the regression of riders in motion, about −2 by geometry of a pinned foot.
    expect(perDegree).toBeLessThan(-1.2)
    expect(perDegree).toBeGreaterThan(-3)
  })
})
