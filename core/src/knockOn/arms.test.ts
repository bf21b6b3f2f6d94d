import fc from 'fast-check'
import { riderMetrics } from '../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import type { Reading } from '../readings/reading.ts'
import { resolveReadings } from '../readings/resolve.ts'
import { axlesOf } from '../model/riderModel.ts'
import { sceneOf } from '../model/scene.ts'
import { unmoved } from '../readings/movedBy.ts'
import { aReading, readingsWith } from '../testing.ts'
import { calibrateRider, riderWith } from '../rider/calibrated.ts'

/** The numbers of a rider as read, nothing changed. */
function metricsOf(readings: readonly Reading[], bar: 'drop' | 'flat' = 'drop'): RiderMetrics {
  const rider = calibrateRider(readings, [], bar)
  const model = riderWith(rider, unmoved)
  if (model === null) throw new Error('the example rider cannot be built')
  return riderMetrics(model, axlesOf(rider.values))
}
const without = (readings: readonly Reading[], ...keys: Reading['key'][]) => readings.filter(({ key }) => !keys.includes(key))
const mirrored = (readings: readonly Reading[]): Reading[] =>
  readings.map((r) => (r.side === 'both' ? r : { ...r, side: r.side === 'left' ? ('right' as const) : ('left' as const) }))
const pairs: readonly (readonly [MetricKey, MetricKey])[] = [
  ['kneeLeft', 'kneeRight'],
  ['hipLeft', 'hipRight'],
  ['elbowLeft', 'elbowRight'],
  ['shoulderLeft', 'shoulderRight'],
  ['wristLeft', 'wristRight'],
  ['kneeElbowLeft', 'kneeElbowRight'],
]

describe('an elbow', () => {
  it('read on one side counts for both, and says so', () => {
    const once = [...without(readingsWith({}), 'elbowFlexion'), aReading('elbowFlexion', 'left', 20)]
    const { left, right } = resolveReadings(once).elbowFlexion
    expect([left?.value, left?.oneForBoth, right?.value, right?.oneForBoth]).toEqual([20, undefined, 20, true])
    const metrics = metricsOf(once)
    // The model's mean of both arms is what was read.
    expect(((metrics.elbowLeft ?? 0) + (metrics.elbowRight ?? 0)) / 2).toBeCloseTo(20, 0)
  })

  it('read without a side counts for both, and each side once it is read itself', () => {
    const both = [...without(readingsWith({}), 'elbowFlexion'), aReading('elbowFlexion', 'both', 22)]
    const read = resolveReadings(both).elbowFlexion
    expect([read.left?.value, read.right?.value, read.left?.oneForBoth]).toEqual([22, 22, true])
    const more = resolveReadings([...both, aReading('elbowFlexion', 'right', 30)]).elbowFlexion
    expect([more.left?.value, more.right?.value]).toEqual([22, 30])
  })

  it('read apart on both sides comes back apart', () => {
    const metrics = metricsOf(readingsWith({ elbowFlexion: [16, 30] }))
    expect(Math.abs((metrics.elbowLeft ?? 0) - 16)).toBeLessThan(2)
    expect(Math.abs((metrics.elbowRight ?? 0) - 30)).toBeLessThan(2)
  })
})

describe('left and right exchanged', () => {
  it('exchange the numbers of the rider, and leave those of the trunk', () => {
    const degrees = (low: number, high: number) => fc.integer({ min: low, max: high })
    fc.assert(
      fc.property(
        degrees(18, 32),
        degrees(18, 32),
        degrees(27, 33),
        degrees(27, 33),
        fc.integer({ min: -4, max: 4 }),
        (l, r, kl, kr, more) => {
          const readings = readingsWith({ elbowFlexion: [l, r], kneeFlexion: [kl, kr], upperArm: [327, 327 + more], cleatSetback: [4, 8] })
          const [here, there] = [metricsOf(readings), metricsOf(mirrored(readings))]
          for (const [left, right] of pairs) {
            const one = here[left]
            const other = there[right]
            expect(one === null).toBe(other === null)
            if (one !== null && other !== null) expect(Math.abs(one - other)).toBeLessThan(0.7)
          }
          expect(Math.abs((here.torso ?? 0) - (there.torso ?? 0))).toBeLessThan(0.5)
        },
      ),
      { numRuns: 12 },
    )
  })
})

describe('the drawing', () => {
  it('has both arms, each with bones as long as its own, ending at its own hand', () => {
    const rider = calibrateRider(readingsWith({ elbowFlexion: [18, 28] }), [], 'drop')
    const model = riderWith(rider, unmoved)
    const scene = model && sceneOf(model, rider.values, 'drop', unmoved, 180)
    if (!model?.grips || !scene?.arms) throw new Error('the example rider has hands')
    for (const side of ['left', 'right'] as const) {
      const { shoulder, elbow, hand } = scene.arms[side]
      const length = (a: typeof hand, b: typeof hand) => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)
      const { upperArm, forearm } = model.upper.arms[side]
      // Bones in space keep their length to a percent: the side view's triangle is solved, the spread is laid over it.
      expect(Math.abs(length(shoulder, elbow) / upperArm - 1)).toBeLessThan(0.06)
      expect(Math.abs(length(elbow, hand) / forearm - 1)).toBeLessThan(0.06)
      expect(Math.sign(hand.z)).toBe(side === 'left' ? -1 : 1)
    }
  })
})

it('a hand that lies further out on one side takes reach from that arm alone', () => {
  const flat = { barWidth: 700, stemLength: 70, stemAngle: 6, frameReach: 400, frameStack: 620, headAngle: 71, spacers: 15 }
  const hands = without(readingsWith(flat), 'handReach', 'handHeight', 'gripSpacing', 'elbowFlexion', 'shoulderAngle')
  const place = (left: number, right: number) => [...hands, aReading('handFromEnd', 'left', left), aReading('handFromEnd', 'right', right)]
  const even = metricsOf(place(60, 60), 'flat')
  const odd = metricsOf(place(20, 60), 'flat')
  expect(Math.abs((even.elbowLeft ?? 0) - (even.elbowRight ?? 0))).toBeLessThan(1)
  // The left hand is further out: its elbow must open more than the right one's.
  expect((odd.elbowLeft ?? 0) - (odd.elbowRight ?? 0)).toBeLessThan((even.elbowLeft ?? 0) - (even.elbowRight ?? 0))
})
