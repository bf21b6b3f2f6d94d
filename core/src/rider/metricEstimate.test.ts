import { predict } from '../body/calibration.ts'
import { riderMetrics } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { posturesOf } from '../stations/seat/saddle/readings.ts'
import { aReading, entryOf, exampleReadings, readingsWith, wholeReadings } from '../testing.ts'
import type { Reading } from '../readings/reading.ts'
import { metricEstimate, metricReadBy, metricsAsRead, metricsCarriedOn, plusMinusAsRead } from './metricEstimate.ts'
import { LEGS_APART } from './freeParameters.ts'
import { setupOf } from './setup.ts'

const shownAt = (readings: readonly Reading[]) => {
  const setup = setupOf(readings, [], 'drop')
  return metricsAsRead(riderMetrics(setup.model!, null), setup)!
}
const kneesOf = (readings: readonly Reading[]) => {
  const { model } = setupOf(readings, [], 'drop')
  return (['left', 'right'] as const).map((side) => predict(model!, { kind: 'kneeFlexion', side }))
}
const hands = [aReading('handReach', 'both', 520), aReading('handHeight', 'both', 655), aReading('gripSpacing', 'both', 420)]
/** A photo's own 2°, a camera level within 3° and a hip marker within 14 mm each way on a trunk of half a metre; k = 2. */
const PHOTO_TORSO = Math.hypot(2, 3, 2 * ((7 * Math.SQRT2 * Math.sin(Math.PI / 4)) / 500) * (180 / Math.PI))

describe('a number that was read', () => {
  it.each([
    ['torso', 'torsoAngle', 'both', 33],
    ['elbowLeft', 'elbowFlexion', 'left', 3],
    ['elbowRight', 'elbowFlexion', 'right', 52],
    ['shoulderLeft', 'shoulderAngle', 'left', 92],
    ['hipRight', 'hipAngle', 'right', 33],
    ['wristLeft', 'wristAngle', 'left', -20],
  ] as const)('%s is shown as it was read, also where the model cannot make it', (metric, key, side, value) => {
    const readings = [...wholeReadings.filter((r) => r.key !== key || r.side !== side), aReading(key, side, value)]
    expect(shownAt(readings)[metric]).toBeCloseTo(value, 6)
    expect(metricReadBy(key, side)).toBe(metric)
  })

  it('is carried on by the model over what was changed since', () => {
    const moved = entryOf(1, { setting: 'handHeight', side: 'both', by: 30, role: 'chosen' })
    const readings = readingsWith({ torsoAngle: 42 })
    const [start, now] = [0, 1].map((place) => {
      const setup = setupOf(readings, [moved], 'drop', place)
      return metricsAsRead(riderMetrics(setup.model!, null), setup)!.torso!
    })
    expect(start).toBeCloseTo(42, 6)
    // Hands 3 cm up at some 70 cm from the hip: the torso comes up by two to three degrees.
    expect(now! - start!).toBeGreaterThan(1)
    expect(now! - start!).toBeLessThan(4)
  })

  it('is less sure of what trunk and arms share, once the hands were moved', () => {
    // The model keeps the elbow, a rider may keep the torso: 20 mm of reach lie between the two.
    const closer = entryOf(1, { setting: 'handReach', side: 'both', by: -20, role: 'chosen' })
    const locked = readingsWith({ elbowFlexion: [8, 8] })
    const at = (place: number) => metricEstimate(setupOf(locked, [closer], 'drop', place), 'elbowLeft', null)!
    expect(at(0)).toMatchObject({ value: 8, plusMinus: 2, carried: 0 })
    expect(at(1).value).toBeCloseTo(8, 0)
    expect(at(1).carried).toBeGreaterThan(10)
    // So locked elbows are no longer sure, and are looked at again rather than moved again.
    expect(at(1).value + at(1).plusMinus!).toBeGreaterThan(10)
    const read = [...locked, aReading('elbowFlexion', 'left', 22, closer.id), aReading('elbowFlexion', 'right', 22, closer.id)]
    expect(metricEstimate(setupOf(read, [closer], 'drop'), 'elbowLeft', null)).toMatchObject({ value: 22, carried: 0 })
  })

  it('is as sure as it was read off its picture, and less by what the model is off', () => {
    const plain = setupOf(wholeReadings, [], 'drop')
    expect(metricEstimate(plain, 'torso', null)).toMatchObject({
      value: 54,
      plusMinus: expect.closeTo(PHOTO_TORSO, 1) as number,
      isRead: true,
    })
    const odd = setupOf(readingsWith({ torsoAngle: 20, shoulderAngle: [110, 110], elbowFlexion: [5, 5] }), [], 'drop')
    const { overModel } = metricEstimate(odd, 'torso', null)!
    expect(Math.abs(overModel)).toBeGreaterThan(2)
    // Never surer than the photo, however sure the model is.
    expect(plusMinusAsRead(odd, 'torso', 1.5)).toBeCloseTo(Math.hypot(PHOTO_TORSO, overModel), 1)
    expect(plusMinusAsRead(plain, 'torso', 0.9)).toBeCloseTo(PHOTO_TORSO, 1)
    expect(plusMinusAsRead(odd, 'load', 1.5)).toBe(1.5)
    // A photo's ±2 on each elbow is surer than a model that has them ±7; one reading for both is not.
    expect(plusMinusAsRead(plain, 'elbowLeft', 7)).toBe(2)
    const once = [...wholeReadings.filter(({ key }) => key !== 'elbowFlexion'), aReading('elbowFlexion', 'right', 24)]
    expect(plusMinusAsRead(setupOf(once, [], 'drop'), 'elbowLeft', 7)).toBe(7)
  })

  it('is not the number to come where a change puts the leg out of reach', () => {
    const setup = setupOf(wholeReadings, [], 'drop')
    const high = riderMetrics({ ...setup.model!, sit: { x: -260, y: 900 } }, null)
    expect(high.kneeLeft).toBeNull()
    expect(metricsCarriedOn(high, setup).kneeLeft).toBeNull()
    // As it stands, what was read is shown.
    expect(metricsAsRead(riderMetrics(setup.model!, null), setup)!.kneeLeft).toBeCloseTo(32, 6)
  })

  it('stands alone where there is no model, and nothing at all is nothing', () => {
    const shown = metricsAsRead(null, setupOf([aReading('torsoAngle', 'both', 45)], [], 'drop'))
    expect(shown).toMatchObject({ torso: 45, kneeLeft: null, load: null })
    expect(metricsAsRead(null, setupOf([], [], 'drop'))).toBeNull()
  })

  it('decides the posture the saddle is chosen for, with nothing known of bike or hands', () => {
    const setup = setupOf([aReading('torsoAngle', 'both', 45)], [], 'drop')
    expect(setup.model).toBeNull()
    expect(posturesOf(setup)).toEqual([
      expect.objectContaining({ usual: true, torso: 45, plusMinus: expect.closeTo(PHOTO_TORSO, 1) as number }),
    ])
  })
})

describe('two legs that are not alike', () => {
  const unread = [...exampleReadings, ...hands]
  it('40° and 26° by goniometer are met by the model, from a pelvis that hangs to one side', () => {
    const [left, right] = kneesOf(readingsWith({ kneeFlexion: [40, 26] }))
    expect([left! - 40, right! - 26].every((off) => Math.abs(off) < 3)).toBe(true)
    const crooked = kneesOf([...readingsWith({ kneeFlexion: [40, 26] }), aReading('pelvisLevel', 'both', 'drops-left')])
    expect(crooked.map(Math.round)).toEqual([40, 26])
  })

  it('a pelvis that drops to the left bends the left knee more than the right, and a level one neither', () => {
    const apart = (...more: Reading[]) => {
      const [left, right] = kneesOf([...unread, ...more])
      return left! - right!
    }
    const level = apart(aReading('pelvisLevel', 'both', 'level'))
    expect(apart(aReading('pelvisLevel', 'both', 'drops-left'))).toBeGreaterThan(level + 2)
    expect(apart(aReading('pelvisLevel', 'both', 'drops-right'))).toBeLessThan(level - 2)
  })

  it('a leg found 12 mm shorter straightens its knee, by as much as finding and people’s usual difference weigh', () => {
    const found = { ...aReading('legLengthDifference', 'both', 12), plusMinus: 2 }
    const [left, right] = kneesOf([...unread, found])
    const [plainLeft, plainRight] = kneesOf(unread)
    expect(right! - plainRight!).toBeLessThan(-2)
    expect(left! - plainLeft!).toBeGreaterThan(2)
    // Weighted mean of 0 ± 13 (Knutson 2005) and 12 ± 5: a tape tells no better, whatever is said of it.
    const { rider } = setupOf([...unread, found], [], 'drop')
    expect(rider.usual.values.legsApart).toBeCloseTo((12 * LEGS_APART ** 2) / (LEGS_APART ** 2 + 25), 6)
    const elsewhere = kneesOf([...unread, found, aReading('legDifferenceAt', 'both', 'pelvis')])
    expect(elsewhere[0]! - plainLeft!).toBeCloseTo(0, 6)
  })
})

it('what no reading reads is the model’s alone', () => {
  const setup = setupOf(wholeReadings, [], 'drop')
  for (const metric of ['load', 'reach', 'stance'] as MetricKey[]) {
    expect(metricEstimate(setup, metric, 7)).toEqual({ value: 7, plusMinus: null, overModel: 0, carried: 0, isRead: false })
    expect(metricEstimate(setup, metric, null)).toBeNull()
  }
  expect(metricReadBy('stature', 'both')).toBeNull()
})
