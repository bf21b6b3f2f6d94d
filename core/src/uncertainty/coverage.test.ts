import { plusMinusAsRead } from '../rider/metricEstimate.ts'
import { setupOf } from '../rider/setup.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import { freeKeys, predict, withFree } from '../body/calibration.ts'
import type { FreeValues } from '../body/calibration.ts'
import { riderMetrics } from '../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import type { RiderModel } from '../body/rider.ts'
import type { Reading } from '../readings/reading.ts'
import { readingPlusMinus } from '../readings/resolve.ts'
import { buildModel } from '../model/riderModel.ts'
import type { ModelKey, ModelValues } from '../model/riderModel.ts'
import { unmoved } from '../readings/movedBy.ts'
import { normal, seeded } from '../kernel/random.ts'
import { aReading, exampleReadings, wholeReadings } from '../testing.ts'
import { calibrateRider } from '../rider/calibrated.ts'
import { metricSpreads, uncertainInputs, uncertaintyModelOf } from './uncertainty.ts'
import { isOneOf, tableOf } from '../kernel/tables.ts'

const looked: readonly MetricKey[] = [
  'kneeLeft',
  'kneeRight',
  'torso',
  'hipLeft',
  'elbowLeft',
  'shoulderLeft',
  'load',
  'reach',
  'drop',
  'kneeElbowLeft',
  'kneeAheadLeft',
]

/** A rider whose true sizes lie off what is assumed and read, as far as their ± allow. */
function trueRider(readings: readonly Reading[], random: () => number): RiderModel {
  const plain = calibrateRider(
    readings.filter(({ key }) => definitionOf(key).calibrates === undefined),
    [],
    'drop',
  )
  const values: Record<ModelKey, ModelValues[ModelKey]> = { ...plain.values }
  const free = tableOf(freeKeys, (key) => plain.free[key].prior)
  for (const { key, side, deviation } of uncertainInputs(plain)) {
    const off = deviation * normal(random)
    if (isOneOf(freeKeys, key)) free[key] += off
    else {
      const { left, right } = values[key as ModelKey]
      const shift = (value: number | null, other: 'left' | 'right') => (value === null || side === other ? value : value + off)
      values[key as ModelKey] = { left: shift(left, 'right'), right: shift(right, 'left') }
    }
  }
  return withFree(buildModel(values, 'drop').model!, free as FreeValues)
}

/** The same readings, the angles on the bike read off this rider with the errors of their methods. */
function readOff(model: RiderModel, readings: readonly Reading[], random: () => number): Reading[] {
  return readings.map((reading) => {
    const kind = definitionOf(reading.key).calibrates
    if (kind === undefined) return reading
    const value = predict(model, { kind, side: reading.side }) + (readingPlusMinus(reading) / 2) * normal(random)
    return { ...reading, value }
  })
}

/** Shares of simulated riders whose true numbers lie inside what is said of them, %. */
function coverage(readings: readonly Reading[], riders: number): Record<MetricKey | 'all', number> {
  const random = seeded(5)
  const inside = new Map<string, boolean[]>()
  while ((inside.get('torso')?.length ?? 0) < riders) {
    const model = trueRider(readings, random)
    const truth: RiderMetrics = riderMetrics(model, null)
    // One who cannot reach pedals or hands would not sit there to be measured.
    if (truth.kneeLeft === null || truth.kneeRight === null || truth.torso === null) continue
    const uncertainty = uncertaintyModelOf(calibrateRider(readOff(model, readings, random), [], 'drop'), unmoved)
    if (uncertainty === null) continue
    const spreads = metricSpreads(uncertainty)
    for (const key of looked) {
      const [value, plusMinus, real] = [uncertainty.metrics[key], spreads[key], truth[key]]
      if (real === null) continue
      const rows = inside.get(key) ?? []
      rows.push(value !== null && plusMinus !== null && Math.abs(value - real) <= plusMinus)
      inside.set(key, rows)
    }
  }
  const share = (rows: readonly boolean[]) => (100 * rows.filter(Boolean).length) / rows.length
  return Object.fromEntries([
    ...[...inside].map(([key, rows]) => [key, share(rows)] as const),
    ['all', share([...inside.values()].flat())],
  ]) as Record<MetricKey | 'all', number>
}

const hips = [aReading('hipAngle', 'left', 56), aReading('hipAngle', 'right', 56)]
const hands = [aReading('handReach', 'both', 520), aReading('handHeight', 'both', 655), aReading('gripSpacing', 'both', 420)]

// What k = 2 means (GUM 6.2): about 95 of 100 true values lie inside.
describe('the ± of a rider’s numbers', () => {
  it('holds the truth for 93 to 97 of 100 simulated riders who are wholly read', () => {
    const found = coverage(wholeReadings, 120)
    expect(found.all).toBeGreaterThanOrEqual(93)
    expect(found.all).toBeLessThanOrEqual(97)
    for (const key of looked) expect([key, found[key] > 90]).toEqual([key, true])
  }, 120_000)

  it('holds it also where next to nothing is read', () => {
    const found = coverage([...exampleReadings, ...hands], 60)
    expect(found.all).toBeGreaterThanOrEqual(93)
    for (const key of looked) expect([key, found[key] > 88]).toEqual([key, true])
  }, 120_000)
})

describe('what is shown of a number that was read', () => {
  it('is never surer than the method it was read by', () => {
    const readings = [...wholeReadings, ...hips]
    const setup = setupOf(readings, [], 'drop')
    const spreads = metricSpreads(uncertaintyModelOf(setup.rider, unmoved)!)
    for (const [metric, key] of [
      ['torso', 'torsoAngle'],
      ['hipLeft', 'hipAngle'],
      ['elbowLeft', 'elbowFlexion'],
      ['kneeLeft', 'kneeFlexion'],
    ] as const) {
      const own = readingPlusMinus(readings.find((reading) => reading.key === key)!)
      expect([metric, plusMinusAsRead(setup, metric, spreads[metric])! >= own]).toEqual([metric, true])
    }
  })
})

describe('a ± near a straight leg', () => {
  it('is what draws say, where the slope at one place would say 50° and more', () => {
    const tall = exampleReadings.map((reading) => (reading.key === 'saddleHeight' ? { ...reading, value: 745 } : reading))
    const uncertainty = uncertaintyModelOf(calibrateRider(tall, [], 'drop'), unmoved)!
    const plusMinus = metricSpreads(uncertainty).kneeLeft!
    const knee = uncertainty.metrics.kneeLeft!
    expect(knee).toBeLessThan(25)
    // Draws of the riders themselves: 5.8 to 44.3°.
    expect(plusMinus).toBeLessThan(32)
    expect(knee + plusMinus).toBeGreaterThan(40)
  })

  it('takes thigh and shank of one leg for the other, with a modest ±', () => {
    const one = [...exampleReadings, aReading('thigh', 'left', 431), aReading('shank', 'left', 433)]
    const spreads = metricSpreads(uncertaintyModelOf(calibrateRider(one, [], 'drop'), unmoved)!)
    const both = [...one, aReading('thigh', 'right', 430), aReading('shank', 'right', 432)]
    const read = metricSpreads(uncertaintyModelOf(calibrateRider(both, [], 'drop'), unmoved)!)
    expect(spreads.kneeRight! / read.kneeRight!).toBeLessThan(1.6)
  })
})
