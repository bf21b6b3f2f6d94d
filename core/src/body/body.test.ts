import fc from 'fast-check'
import { bySide, sides } from '../kernel/sided.ts'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import type { Point3 } from '../bike/contactPoints.ts'
import type { Grip } from '../bike/cockpit.ts'
import { exampleRider, said } from '../testing.ts'
import { riderMetrics } from './metrics.ts'
import { loadShares } from './load.ts'
import { footPoint, hipOf, legAt, riderAt } from './rider.ts'
import type { RiderModel } from './rider.ts'
import { addSegment, segmentMasses } from './segments.ts'
import { riderTroubles } from './troubles.ts'
import { extremeReach, toSegment, turnMetrics } from './turn.ts'
import { reachForElbow, reachToComfort, torsoHeld } from './armReach.ts'
import { armChord, elbowForChord, sideChord, upperPosture } from './upperBody.ts'
import type { UpperBody } from './upperBody.ts'

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const distance = (a: { x: number; y: number; z?: number }, b: { x: number; y: number; z?: number }) =>
  Math.hypot(a.x - b.x, a.y - b.y, (a.z ?? 0) - (b.z ?? 0))

/** The worked leg: hip (−190, 790), thigh 430, shank 440, crank 172.5, ankle 130 behind and 90 above, pitch 20°, flat. */
const worked: RiderModel = {
  ...exampleRider,
  pitchSwing: 0,
  crank: 172.5,
  sit: { x: -230, y: 705 },
  hipForward: 40,
  hipUp: 85,
  hipWidth: 258,
  legs: {
    left: { ...exampleRider.legs.left, thigh: 430, shank: 440, ankleBehind: 130, ankleAbove: 90, footPitch: 20, halfStance: 129 },
    right: { ...exampleRider.legs.right, thigh: 430, shank: 440, ankleBehind: 130, ankleAbove: 90, footPitch: 20, halfStance: 129 },
  },
}

describe('hands closer, the torso held', () => {
  // Upper arm 300 and forearm 330 bent 25° span 615.1 (law of cosines); straight, 630.
  it('reads the elbow off the span of the arm', () => {
    expect(elbowForChord(300, 330, 615.1)).toBeCloseTo(25, 1)
    expect(elbowForChord(300, 330, 700)).toBe(0)
  })

  it('comes in by what the elbows take out of the arms, worked by the law of cosines', () => {
    // 300 and 330 span 628.47 bent 8° and 620.45 bent 20°: hands level with the shoulders and as wide come in 8.02 mm.
    const arms = bySide((side) => ({ ...exampleRider.upper.arms[side], upperArm: 300, forearm: 330 }))
    const upper = { ...exampleRider.upper, trunk: 500, elbowFlexion: 8, arms }
    const hip = hipOf(exampleRider)
    const torso = (50 * Math.PI) / 180
    const at = { x: hip.x + 500 * Math.cos(torso) + 628.47, y: hip.y + 500 * Math.sin(torso), z: upper.acromionWidth / 2 }
    const level = { ...exampleRider, upper, grips: both({ at, axis: null, pointing: null }) }
    expect(upperPosture(upper, hip, level.grips).torso).toBeCloseTo(50, 2)
    expect(reachForElbow(level, 20)!.by).toBeCloseTo(-8.02, 1)
  })

  it('brings the hands in until the elbows bend as asked, and no further', () => {
    const upper = { ...exampleRider.upper, elbowFlexion: 8 }
    const locked = { ...exampleRider, upper }
    const { torso } = upperPosture(upper, hipOf(locked), locked.grips!)
    expect(reachForElbow(locked, 8)!.by).toBeCloseTo(0, 6)
    const { by } = reachForElbow(locked, 20)!
    // 12° more of the elbow take about 10 mm out of an arm of some 600 mm.
    expect(by).toBeLessThan(-5)
    expect(by).toBeGreaterThan(-20)
    const grips = bySide((side) => ({ ...locked.grips![side], at: { ...locked.grips![side].at, x: locked.grips![side].at.x + by } }))
    const closer = { ...locked, grips }
    const held = torsoHeld(closer, locked)!
    expect(held.upper.elbowFlexion).toBeCloseTo(20, 1)
    expect(upperPosture(held.upper, hipOf(held), grips).torso).toBeCloseTo(torso, 1)
    expect(reachToComfort(locked)!.elbow).toBe(20)
  })

  it('says nothing of hands that are not known, or of forearms that rest', () => {
    expect(reachToComfort({ ...exampleRider, grips: null })).toBeNull()
    const rested = bySide((side) => ({ ...exampleRider.grips![side], axis: null, pointing: { x: 1, y: 0, z: 0 }, isRested: true as const }))
    expect(reachToComfort({ ...exampleRider, grips: rested })).toBeNull()
  })
})

describe('one leg round the crank', () => {
  // Worked example, derived: 0° → 110.1°; 90° → 69.60°; 270° → 80.29°; longest 840.8 at 171.5°.
  it.each([
    [0, 110.1, 1],
    [90, 69.6, 2],
    [180, 30.54, 2],
    [270, 80.29, 2],
  ])('at %s° bends the knee by %s°', (angle, flexion, digits) => {
    expect(legAt(worked, worked.legs.right, hipOf(worked), angle).kneeFlexion).toBeCloseTo(flexion, digits)
  })
  it('is longest, 840.8 mm, at 171.5° and not at 180°', () => {
    const { longestReach, longestReachAt } = turnMetrics(worked, 'right')
    expect(longestReach).toBeCloseTo(840.8, 1)
    expect(longestReachAt).toBeCloseTo(171.5, 1)
  })
  it('finds farthest and nearest as a search through every tenth of a degree does', () => {
    fc.assert(
      fc.property(within(620, 800), within(-80, 20), within(0, 15), within(-5, 30), (up, x, swing, pitch) => {
        const model = {
          ...worked,
          sit: { x: x - 190, y: up - 85 },
          pitchSwing: swing,
          legs: { left: { ...worked.legs.left, footPitch: pitch }, right: { ...worked.legs.right, footPitch: pitch } },
        }
        const value = (angle: number) => legAt(model, model.legs.right, hipOf(model), angle).distance
        let [far, near] = [-Infinity, Infinity]
        for (let angle = 0; angle < 360; angle += 0.1) {
          far = Math.max(far, value(angle))
          near = Math.min(near, value(angle))
        }
        expect(value(extremeReach(model, model.legs.right, hipOf(model), 1))).toBeGreaterThan(far - 0.05)
        expect(value(extremeReach(model, model.legs.right, hipOf(model), -1))).toBeLessThan(near + 0.05)
      }),
      { numRuns: 60 },
    )
  })
  it('costs a little reach when the foot stands outside the hip', () => {
    const wide = { ...worked, hipWidth: 178 }
    const [flat, spread] = [worked, wide].map((model) => legAt(model, model.legs.right, hipOf(model), 180))
    expect(spread!.distance).toBeCloseTo(Math.hypot(flat!.distance, 40), 6)
    expect(spread!.kneeFlexion!).toBeLessThan(flat!.kneeFlexion!)
  })

  // An independent general solver (Levenberg–Marquardt of a maths library) asked only for the lengths of the segments.
  it('puts the knee where a general solver puts it, knowing only the two lengths', () => {
    fc.assert(
      fc.property(within(0, 360), (angle) => {
        const leg = worked.legs.right
        const at = legAt(worked, leg, hipOf(worked), angle)
        const ends = [hipOf(worked), at.ankle]
        const lengths = [leg.thigh, leg.shank]
        const fit = levenbergMarquardt(
          { x: [0, 1], y: lengths },
          ([x, y]) =>
            (end: number) =>
              Math.hypot((x ?? 0) - ends[end]!.x, (y ?? 0) - ends[end]!.y),
          {
            initialValues: [at.ankle.x + 300, (ends[0]!.y + at.ankle.y) / 2],
            damping: 1e-3,
            maxIterations: 300,
            errorTolerance: 1e-14,
            gradientDifference: 1e-4,
            centralDifference: true,
          },
        )
        expect(distance({ x: fit.parameterValues[0]!, y: fit.parameterValues[1]! }, at.knee)).toBeLessThan(0.05)
      }),
      { numRuns: 40 },
    )
  })
})

const both = (grip: Grip) => ({ left: grip, right: grip })
/** Both hands moved in the side view. */
const moved = ({ grips }: RiderModel, dx: number, dy: number) =>
  grips && bySide((side) => ({ ...grips[side], at: { ...grips[side].at, x: grips[side].at.x + dx, y: grips[side].at.y + dy } }))

describe('the arm', () => {
  // Worked examples: upper arm 300, forearm 330, 25° → 615.1; hands 420, shoulders 400 → 599.9; 580, 720, 360 → 551.4 (28.64 lost).
  it('has the worked chords', () => {
    expect(armChord(300, 330, 25)).toBeCloseTo(615.1, 1)
    expect(sideChord(600, 420, 400)).toBeCloseTo(599.9, 1)
    expect(sideChord(580, 720, 360)).toBeCloseTo(551.4, 1)
    expect(580 - sideChord(580, 720, 360)).toBeCloseTo(28.64, 2)
    expect(sideChord(100, 720, 360)).toBe(-1)
  })

  it('keeps trunk, upper arm and forearm as long as they are, in space, wherever the hands can be reached', () => {
    fc.assert(
      fc.property(
        within(430, 620),
        within(520, 800),
        within(150, 420),
        within(0, 90),
        within(-20, 90),
        (x, y, z, elbowFlexion, elbowSwivel) => {
          const body = { ...exampleRider.upper, elbowFlexion, elbowSwivel }
          const hip = hipOf(exampleRider)
          const at = upperPosture(body, hip, both({ at: { x, y, z }, axis: null, pointing: null }))
          if (!at.reaches) return
          expect(Math.hypot(at.shoulder.x - hip.x, at.shoulder.y - hip.y)).toBeCloseTo(body.trunk, 6)
          for (const side of sides) {
            const { shoulder, elbow, hand, elbowFlexion: bend } = at.arms[side]
            expect(distance(shoulder, elbow)).toBeCloseTo(body.arms[side].upperArm, 6)
            expect(distance(elbow, hand)).toBeCloseTo(body.arms[side].forearm, 6)
            expect(bend).toBeCloseTo(elbowFlexion, 3)
          }
        },
      ),
    )
  })

  it('leans the torso as a general solver does, knowing only the lengths', () => {
    const body = exampleRider.upper
    const grip: Grip = { at: { x: 520, y: 660, z: 210 }, axis: null, pointing: null }
    const hip = hipOf(exampleRider)
    const { shoulder } = upperPosture(body, hip, both(grip))
    const chord = sideChord(armChord(body.arms.left.upperArm, body.arms.left.forearm, body.elbowFlexion), 420, body.acromionWidth)
    const ends = [hip, grip.at]
    const fit = levenbergMarquardt(
      { x: [0, 1], y: [body.trunk, chord] },
      ([x, y]) =>
        (end: number) =>
          Math.hypot((x ?? 0) - ends[end]!.x, (y ?? 0) - ends[end]!.y),
      {
        initialValues: [150, 1250],
        damping: 1e-3,
        maxIterations: 300,
        errorTolerance: 1e-14,
        gradientDifference: 1e-4,
        centralDifference: true,
      },
    )
    expect(fit.parameterValues[0]).toBeCloseTo(shoulder.x, 2)
    expect(fit.parameterValues[1]).toBeCloseTo(shoulder.y, 2)
  })

  it('carries elbows outward with the swivel, the same on hands wide and narrow', () => {
    for (const z of [120, 210, 380]) {
      const at = (elbowSwivel: number) =>
        upperPosture(
          { ...exampleRider.upper, elbowSwivel },
          hipOf(exampleRider),
          both({ at: { x: 480, y: 640, z }, axis: null, pointing: null }),
        ).arms.right
      expect(at(60).elbow.z).toBeGreaterThan(at(0).elbow.z)
      expect(at(0).elbow.y).toBeLessThan(at(60).elbow.y)
    }
  })

  it('lets elbow, shoulder and torso follow from a forearm that rests on its pad', () => {
    // Worked by the 3-4-5 triangle: trunk 400 and upper arm 300 over a hip 500 behind the elbow and level with it.
    const body: UpperBody = {
      ...exampleRider.upper,
      trunk: 400,
      arms: bySide((side) => ({ ...exampleRider.upper.arms[side], upperArm: 300, forearm: 330 })),
    }
    const half = body.acromionWidth / 2
    const rested = (pointing: Point3) =>
      upperPosture(
        body,
        { x: 0, y: 0 },
        both({ at: { x: 500 + 330 * pointing.x, y: 330 * pointing.y, z: half }, axis: null, pointing, isRested: true }),
      )
    const level = rested({ x: 1, y: 0, z: 0 })
    expect(level.torso).toBeCloseTo(36.87, 2)
    expect(level.arms.left).toMatchObject({ elbow: { x: 500, y: 0 }, short: 0 })
    expect(level.arms.left.forearmFall).toBeCloseTo(0, 9)
    expect(level.arms.left.shoulderAngle).toBeCloseTo(90, 2)
    expect(level.arms.left.elbowFlexion).toBeCloseTo(53.13, 2)
    // The forearm rises as its extension does, whatever bend of the elbow the body has elsewhere.
    const rising = rested({ x: Math.cos(Math.PI / 12), y: Math.sin(Math.PI / 12), z: 0 })
    expect(rising.arms.right.forearmFall).toBeCloseTo(-15, 9)
    expect(rising.torso).toBeCloseTo(level.torso, 9)
  })

  it('bends the wrist to the little finger as a hood is turned down, and as a bar sweeps less than the forearm leans', () => {
    const hood = (slope: number): Grip => ({
      at: { x: 520, y: 660, z: 210 },
      axis: null,
      pointing: { x: Math.cos(slope), y: Math.sin(slope), z: 0 },
    })
    const wrist = (grip: Grip) => upperPosture(exampleRider.upper, hipOf(exampleRider), both(grip)).arms.left.wrist!
    expect(wrist(hood(-0.2))).toBeGreaterThan(wrist(hood(0)))
    const bar = (back: number): Grip => ({
      at: { x: 480, y: 700, z: 320 },
      axis: { x: -Math.sin(back), y: 0, z: Math.cos(back) },
      pointing: null,
    })
    expect(wrist(bar(0.3))).not.toBeCloseTo(wrist(bar(0)), 1)
  })
})

const along = (a: { x: number; y: number }, b: { x: number; y: number }, t: number) => ({
  x: a.x + t * (b.x - a.x),
  y: a.y + t * (b.y - a.y),
})

describe('weights', () => {
  // Winter, Biomechanics and Motor Control of Human Movement, table 4.1 (from memory of the table).
  it('sum to the whole body', () => {
    const { hand, forearm, upperArm, foot, shank, thigh, trunk } = segmentMasses
    const sum = trunk.mass + 2 * (hand.mass + forearm.mass + upperArm.mass + foot.mass + shank.mass + thigh.mass)
    expect(sum).toBeCloseTo(1, 9)
  })
  // Winter’s leg example from the table: hip (0, 900), knee (150, 480), ankle (60, 70), second metatarsal (190, 20) → (83.67, 537.5).
  it('give the leg’s centre of mass of the worked example', () => {
    const sum = { x: 0, y: 0, mass: 0 }
    addSegment(sum, 'thigh', { x: 0, y: 900 }, { x: 150, y: 480 })
    addSegment(sum, 'shank', { x: 150, y: 480 }, { x: 60, y: 70 })
    addSegment(sum, 'foot', { x: 60, y: 70 }, { x: 190, y: 20 })
    expect(sum.x / sum.mass).toBeCloseTo(83.67, 1)
    expect(sum.y / sum.mass).toBeCloseTo(537.5, 0)
  })
  // The whole sum of the table by hand: the forearm ends at the wrist (0.146 of stature from the elbow), the hand's centre lies in the grip (0.506 · 0.108 further on).
  it('put the forearm’s centre between elbow and wrist, not between elbow and grip', () => {
    const at = riderAt(exampleRider, 90)
    const share = 0.146 / (0.146 + 0.506 * 0.108)
    const rows: [number, { x: number; y: number }][] = [[0.578, along(at.hip, at.upper!.shoulder, 0.66)]]
    for (const side of ['left', 'right'] as const) {
      const { shoulder, elbow, hand } = at.upper!.arms[side]
      const leg = at.legs[side]
      const foot = footPoint(exampleRider.legs[side], leg, exampleRider.legs[side].axleFromHeel, 0)
      rows.push([0.028, along(shoulder, elbow, 0.436)], [0.016, along(elbow, hand, 0.43 * share)], [0.006, hand])
      rows.push([0.1, along(leg.hip, leg.knee, 0.433)], [0.0465, along(leg.knee, leg.ankle, 0.433)], [0.0145, along(leg.ankle, foot, 0.5)])
    }
    const total = (of: (p: { x: number; y: number }) => number) => rows.reduce((sum, [mass, p]) => sum + mass * of(p), 0)
    expect(at.centreOfMass!.x).toBeCloseTo(
      total((p) => p.x),
      6,
    )
    expect(at.centreOfMass!.y).toBeCloseTo(
      total((p) => p.y),
      6,
    )
  })
  it('share out the whole weight, more of it on the hands as they go down and forward', () => {
    const axles = { rear: { x: -425, y: 70 }, front: { x: 605, y: 70 } }
    const load = (dx: number, dy: number) => {
      return loadShares(riderAt({ ...exampleRider, grips: moved(exampleRider, dx, dy) }, 90), axles)!
    }
    const here = load(0, 0)
    expect(here.hands + here.seat + here.feet).toBeCloseTo(1, 12)
    expect(load(0, -60).hands).toBeGreaterThan(here.hands)
    expect(load(30, -30).frontWheel!).toBeGreaterThan(here.frontWheel!)
    // ISO 4210-2 (from memory): at least a quarter on the front wheel; an ordinary seated rider is well above.
    expect(here.frontWheel!).toBeGreaterThan(0.25)
  })
})

describe('the rider as a whole', () => {
  const shifted = (model: RiderModel, dx: number, dy: number): RiderModel => ({
    ...model,
    sit: { x: model.sit.x + dx, y: model.sit.y + dy },
    grips: moved(model, dx, dy),
  })

  it('does not care where the bike stands: trunk and arms move along', () => {
    fc.assert(
      fc.property(within(-300, 300), within(-300, 300), (dx, dy) => {
        const [here, there] = [exampleRider, shifted(exampleRider, dx, dy)].map((model) =>
          upperPosture(model.upper, hipOf(model), model.grips!),
        )
        expect(there!.torso).toBeCloseTo(here!.torso, 6)
        for (const key of ['elbowFlexion', 'shoulderAngle', 'forearmFall', 'wrist'] as const)
          expect(there!.arms.left[key]).toBeCloseTo(here!.arms.left[key]!, 5)
      }),
    )
  })

  it('exchanges left and right when legs and arms are exchanged', () => {
    const { upper } = exampleRider
    const short = { ...upper.arms.right, upperArm: 318, forearm: 345, handSet: 4 }
    const [near, far] = [{ at: { x: 512, y: 650, z: 205 }, axis: null, pointing: { x: 1, y: 0, z: 0 } }, exampleRider.grips!.left]
    const uneven: RiderModel = {
      ...exampleRider,
      upper: { ...upper, twist: 18, arms: { left: upper.arms.left, right: short } },
      grips: { left: far, right: near },
      levers: { left: 30, right: 42 },
      fingers: { left: -4, right: 3 },
      legs: {
        left: { ...exampleRider.legs.left, hipAhead: 4, hipAbove: -7 },
        right: { ...exampleRider.legs.right, thigh: 415, footPitch: 22, halfStance: 134, hipAhead: -4, hipAbove: 7 },
      },
    }
    const mirrored: RiderModel = {
      ...uneven,
      legs: { left: uneven.legs.right, right: uneven.legs.left },
      upper: { ...uneven.upper, twist: -18, arms: { left: short, right: upper.arms.left } },
      grips: { left: near, right: far },
      levers: { left: 42, right: 30 },
      fingers: { left: 3, right: -4 },
    }
    const [a, b] = [riderMetrics(uneven, null), riderMetrics(mirrored, null)]
    for (const [left, right] of [
      ['kneeLeft', 'kneeRight'],
      ['hipLeft', 'hipRight'],
      ['kneeAheadLeft', 'kneeAheadRight'],
      ['kneeElbowLeft', 'kneeElbowRight'],
      ['elbowLeft', 'elbowRight'],
      ['shoulderLeft', 'shoulderRight'],
      ['wristLeft', 'wristRight'],
      ['wristBackLeft', 'wristBackRight'],
      ['leverLeft', 'leverRight'],
      ['fingerLeft', 'fingerRight'],
    ] as const) {
      expect(b[left]).toBeCloseTo(a[right]!, 9)
      expect(b[right]).toBeCloseTo(a[left]!, 9)
    }
    expect(b.stance).toBe(a.stance)
    expect(b.torso).toBeCloseTo(a.torso!, 9)
    expect(b.load).toBeCloseTo(a.load!, 9)
    expect(Math.abs(a.elbowLeft! - a.elbowRight!)).toBeGreaterThan(2)
  })

  it('draws the foot so that ankle, heel and axle keep their distances', () => {
    fc.assert(
      fc.property(within(0, 360), (angle) => {
        const { right } = exampleRider.legs
        const at = legAt(exampleRider, right, hipOf(exampleRider), angle)
        const [heel, toe] = [footPoint(right, at, 0, 0), footPoint(right, at, right.footLength, 0)]
        expect(distance(heel, toe)).toBeCloseTo(right.footLength, 6)
        expect(distance(footPoint(right, at, right.axleFromHeel, 0), at.axle)).toBeCloseTo(right.stack, 6)
      }),
    )
  })

  it('bends the wrist back as the lever is turned up, straight where it lies in the line of forearm and finger', () => {
    const grips = both({ ...exampleRider.grips!.left, axis: { x: 0, y: 0, z: 1 }, pointing: null })
    const bar: RiderModel = { ...exampleRider, grips }
    const fall = upperPosture(bar.upper, hipOf(bar), grips).arms.left.forearmFall
    const back = (lever: number) => riderMetrics({ ...bar, levers: { left: lever, right: lever + 7 } }, null).wristBackLeft!
    expect(back(fall + 15)).toBeCloseTo(0, 9)
    expect(back(fall)).toBeGreaterThan(back(fall + 10))
    expect(riderMetrics(bar, null).wristBackLeft).toBeNull()
  })

  it('says in words what is impossible, and never gives NaN', () => {
    fc.assert(
      fc.property(
        within(-2000, 2000),
        within(-2000, 2000),
        within(-2000, 2000),
        within(-2000, 2000),
        within(0, 900),
        (sx, sy, hx, hy, hz) => {
          const model: RiderModel = {
            ...exampleRider,
            sit: { x: sx, y: sy },
            grips: both({ ...exampleRider.grips!.left, at: { x: hx, y: hy, z: hz } }),
          }
          for (const value of Object.values(riderMetrics(model, null))) expect(value === null || Number.isFinite(value)).toBe(true)
          for (const words of riderTroubles(model)) expect(said(words)).not.toMatch(/NaN|undefined/)
          const at = riderAt(model, 37)
          for (const point of [at.legs.left.knee, at.legs.right.knee, at.upper!.arms.left.elbow, at.upper!.shoulder])
            expect(Number.isFinite(point.x + point.y)).toBe(true)
        },
      ),
    )
    const far = { ...exampleRider, sit: { x: -250, y: 990 } }
    expect(said(riderTroubles(far)).join(' ')).toMatch(/left leg is \d+ mm short of the pedal/)
    expect(said(riderTroubles(shifted(exampleRider, 0, -900))).join(' ')).toMatch(/hip would lie below the pedal/)
    expect(
      said(riderTroubles({ ...exampleRider, grips: both({ ...exampleRider.grips!.left, at: { x: 1500, y: 600, z: 200 } }) })).join(' '),
    ).toMatch(/short of the hands/)
    expect(riderTroubles(exampleRider)).toEqual([])
  })

  it('measures the gap between a point and a segment', () => {
    expect(toSegment({ x: 0, y: 5, z: 0 }, { x: -10, y: 0, z: 0 }, { x: 10, y: 0, z: 0 })).toBe(5)
    expect(toSegment({ x: 13, y: 4, z: 0 }, { x: -10, y: 0, z: 0 }, { x: 10, y: 0, z: 0 })).toBe(5)
    expect(toSegment({ x: 3, y: 4, z: 0 }, { x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 0 })).toBe(5)
  })
})
