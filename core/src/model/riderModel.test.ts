import fc from 'fast-check'
import { calibrateRider, riderWith } from '../rider/calibrated.ts'
import { aReading, exampleReadings, wholeReadings, said } from '../testing.ts'
import { conditionAllowed, conditionKeys, conditionsFor, handsOf } from '../readings/conditions.ts'
import { contactDifferences } from './contactDifferences.ts'
import { plausibilityQuestions } from '../readings/plausibility.ts'
import { readingSchema } from '../readings/reading.ts'
import type { Reading } from '../readings/reading.ts'
import { readEntry } from '../readings/readingEntry.ts'
import { readingPlace } from '../readings/readingPlace.ts'
import { resolveReadings } from '../readings/resolve.ts'
import { buildModel, modelValues } from './riderModel.ts'
import { unmoved } from '../readings/movedBy.ts'
import { sceneOf } from './scene.ts'

const both = (values: Partial<Record<Reading['key'], number>>) =>
  Object.entries(values).map(([key, value]) => aReading(key as Reading['key'], 'both', value))
const parts = both({
  frameReach: 388,
  frameStack: 575,
  headAngle: 73,
  headset: 12,
  spacers: 20,
  stemLength: 100,
  stemAngle: -6,
  hoodWidth: 420,
  barReach: 80,
  barDrop: 125,
  hoodPosition: 45,
  hoodAngle: 0,
  barRoll: 0,
})
const built = (readings: readonly Reading[], bar: 'flat' | 'drop' = 'drop') => buildModel(modelValues(resolveReadings(readings)), bar)
const bodyOnly = wholeReadings.filter((reading) => !['handReach', 'handHeight', 'gripSpacing'].includes(reading.key))

describe('two ways to the same hands', () => {
  it('give the same model: from frame, stem and bar, or measured from the bottom bracket', () => {
    const fromParts = built([...bodyOnly, ...parts]).model!.grips!.right
    const { x, y, z } = fromParts.at
    const measured = built([...bodyOnly, ...parts, ...both({ handReach: x, handHeight: y, gripSpacing: 2 * z })]).model!.grips!.right
    expect(measured.at.x).toBeCloseTo(x, 9)
    expect(measured.at.y).toBeCloseTo(y, 9)
    expect(measured.at.z).toBeCloseTo(z, 9)
    expect(measured.pointing).toEqual(fromParts.pointing)
  })
  it('move alike when a part is changed', () => {
    const { x, y, z } = built([...bodyOnly, ...parts]).model!.grips!.right.at
    const ways = [
      [...bodyOnly, ...parts],
      [...bodyOnly, ...parts, ...both({ handReach: x + 4, handHeight: y - 3, gripSpacing: 2 * z })],
    ]
    const moves = ways.map((readings) => {
      const values = modelValues(resolveReadings(readings))
      const by = (setting: string) => ({ spacers: 10, stemLength: -20, barRoll: 4 })[setting] ?? 0
      const [a, b] = [buildModel(values, 'drop').model!.grips!.right.at, buildModel(values, 'drop', by).model!.grips!.right.at]
      return { x: b.x - a.x, y: b.y - a.y }
    })
    expect(moves[0]!.x).toBeCloseTo(moves[1]!.x, 9)
    expect(moves[0]!.y).toBeCloseTo(moves[1]!.y, 9)
  })
  it('are compared in words, with whether the tape could tell', () => {
    const { x, y } = built([...bodyOnly, ...parts]).model!.grips!.right.at
    const difference = (dx: number) =>
      contactDifferences(resolveReadings([...bodyOnly, ...parts, ...both({ handReach: x + dx, handHeight: y })]), 'drop')[0]!
    expect(difference(3)).toMatchObject({ what: 'hands', exceeds: false, forward: expect.closeTo(3, 9) })
    expect(said(difference(60).words)).toMatch(/60 mm ahead .* Check the frame/)
  })
  it('compare the seat angle read with the one from the saddle’s nose', () => {
    const angle = (seatAngle: number) =>
      contactDifferences(resolveReadings(both({ saddleHeight: 724, saddleSetback: 60, sitFromNose: 150, seatAngle })), 'drop')
    expect(angle(73.1)[0]).toMatchObject({ what: 'seat-angle', exceeds: false })
    expect(said(angle(78)[0]!.words)).toMatch(/differ by more than/)
  })
})

describe('the model from readings', () => {
  it('says what is lacking, in the order a fitter would take it', () => {
    expect(built([]).missing).toEqual(['stature', 'saddleHeight', 'crank', 'cleatSetback'])
    expect(built(exampleReadings).missing).toEqual(['handReach', 'handHeight'])
    expect(built(exampleReadings, 'flat').missing).toEqual(['handReach', 'handHeight', 'gripSpacing'])
    expect(built(wholeReadings).missing).toEqual([])
  })
  it('knows wheels only when all three of their lengths are read', () => {
    expect(built([...wholeReadings, ...both({ chainstay: 430, frontCentre: 610 })]).axles).toBeNull()
    expect(built([...wholeReadings, ...both({ chainstay: 430, frontCentre: 610, bbDrop: 70 })]).axles!.front.y).toBe(70)
  })
  it('has hands on tops, hoods and drops at their own places', () => {
    const values = modelValues(resolveReadings([...bodyOnly, ...parts]))
    const at = (hands: 'tops' | 'hoods' | 'drops') => buildModel(values, 'drop', unmoved, hands).model!.grips!.right.at
    expect(at('tops').x).toBeLessThan(at('drops').x)
    expect(at('drops').y).toBeLessThan(at('hoods').y)
    expect(buildModel(values, 'drop', unmoved, 'extension').model!.grips).toBeNull()
  })
})

describe('the drawing', () => {
  const rider = calibrateRider(
    [...wholeReadings, ...parts, ...both({ chainstay: 430, frontCentre: 610, bbDrop: 70, wheelDiameter: 680 })],
    [],
    'drop',
  )
  const model = riderWith(rider, unmoved)!
  const length = (a: { x: number; y: number; z: number }, b: { x: number; y: number; z: number }) =>
    Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)

  it('is to scale at every crank angle: limbs keep their lengths, feet stay on their axles', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 360, noNaN: true }), (angle) => {
        const scene = sceneOf(model, rider.values, 'drop', unmoved, angle)
        for (const side of ['left', 'right'] as const) {
          const { hip, knee, ankle, axle, crankEnd } = scene.legs[side]
          expect(Math.abs(length(hip, knee) - model.legs[side].thigh)).toBeLessThan(1)
          expect(Math.abs(length(knee, ankle) - model.legs[side].shank)).toBeLessThan(1)
          expect(Math.hypot(axle.x, axle.y)).toBeCloseTo(172.5, 9)
          expect(crankEnd.x).toBe(axle.x)
          const arm = scene.arms![side]
          expect(length(arm.shoulder, arm.elbow)).toBeCloseTo(model.upper.arms[side].upperArm, 6)
          expect(length(arm.elbow, arm.hand)).toBeCloseTo(model.upper.arms[side].forearm, 6)
        }
        expect(scene.legs.left.axle.x).toBeCloseTo(-scene.legs.right.axle.x, 9)
        expect(scene.arms!.left.hand.z).toBe(-scene.arms!.right.hand.z)
      }),
    )
  })
  it('stands on its wheels', () => {
    const scene = sceneOf(model, rider.values, 'drop', unmoved, 180)
    expect(scene.wheels).toHaveLength(2)
    expect(scene.ground).toBe(70 - 340)
    expect(scene.frame.length).toBeGreaterThan(5)
    expect(scene.cockpit.bar).toHaveLength(2)
  })
  it('draws the knee where the front view showed it', () => {
    const outside = calibrateRider(
      [...wholeReadings, aReading('kneeOutside', 'left', 12), aReading('kneeOutside', 'right', -5)],
      [],
      'drop',
    )
    const { legs } = sceneOf(riderWith(outside, unmoved)!, outside.values, 'drop', unmoved, 90)
    expect(legs.left.knee.z).toBeCloseTo(legs.left.ankle.z - 12, 9)
    expect(legs.right.knee.z).toBeCloseTo(legs.right.ankle.z - 5, 9)
  })
})

describe('conditions', () => {
  it('belong to what is read while riding', () => {
    expect(conditionsFor('stature', 'drop')).toEqual(['usual'])
    expect(conditionsFor('kneeFlexion', 'drop')).toEqual(conditionKeys)
    expect(conditionsFor('torsoAngle', 'drop')).toEqual(conditionKeys)
    expect(conditionsFor('torsoAngle', 'flat')).toEqual(['usual', 'hard'])
    expect(handsOf('usual', 'drop')).toBe('hoods')
    expect(handsOf('hard', 'flat')).toBe('grip')
    expect(handsOf('hard-drops', 'drop')).toBe('drops')
  })
  it('are refused where they make no sense, and tell readings apart where they do', () => {
    expect(conditionAllowed('stature', 'hard')).toBe(false)
    expect(readingSchema.safeParse({ ...aReading('stature', 'both', 1700), condition: 'hard' }).success).toBe(false)
    expect(readingSchema.safeParse({ ...aReading('torsoAngle', 'both', 40), condition: 'drops' }).success).toBe(true)
    expect(readingPlace({ key: 'torsoAngle', side: 'both', condition: 'drops' })).not.toBe(
      readingPlace({ key: 'torsoAngle', side: 'both', condition: 'usual' }),
    )
  })
})

describe('repeated entry', () => {
  it('averages what is typed with ; or + between', () => {
    expect(readEntry('footLength', 'left', '264; 266; 265', 'mm')).toEqual({ ok: true, value: 265, repeats: [264, 266, 265] })
    expect(readEntry('footLength', 'left', '10 3/8 in; 10.5 in', 'mm')).toMatchObject({ ok: true, value: 265.112 })
    expect(readEntry('torsoAngle', 'both', '41,5;42,5', 'mm')).toMatchObject({ ok: true, value: 42 })
    expect(readEntry('saddleTilt', 'both', '+1.5', 'mm')).toMatchObject({ ok: true, value: 1.5, repeats: [] })
  })
  it('refuses the whole when one of them is out of range, by name', () => {
    expect(said(readEntry('footLength', 'left', '264; 2660', 'mm'))).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Foot length, left/),
    })
    expect(readEntry('footLength', 'left', Array(12).fill('264').join(';'), 'mm')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/at most 9/),
    })
  })
  it('holds the mean to its repeats in the schema', () => {
    expect(readingSchema.safeParse({ ...aReading('crank', 'both', 172), repeats: [170, 174] }).success).toBe(true)
    expect(readingSchema.safeParse({ ...aReading('crank', 'both', 180), repeats: [170, 174] }).success).toBe(false)
  })
})

describe('doubts about one reading against the rest', () => {
  it.each([
    [both({ stature: 1750, acromionWidth: 510 }), /acromia .* 29 % of stature .* Bone to bone/],
    [both({ stature: 1750, trunk: 640 }), /Trunk \(640 mm\)/],
    [both({ sitFromNose: 280, saddleLength: 265 }), /counted from the nose/],
    [both({ hoodWidth: 420, dropWidth: 300 }), /centre to centre/],
    [both({ barWidth: 700, gripSpacing: 720 }), /bar end to end/],
    [both({ crank: 172.5, tread: 290 }), /not diagonally/],
  ])('asks, never refuses (%#)', (readings, words) => {
    expect(said(plausibilityQuestions(readings).map(({ text }) => text)).join(' ')).toMatch(words)
  })
  it('asks nothing of an ordinary rider', () => {
    expect(plausibilityQuestions([...wholeReadings, ...parts])).toEqual([])
  })
})
