import { calibrate, freeKeys, withFree } from '../body/calibration.ts'
import { metricDefinition, metricKeys, riderMetrics } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { axlesOf, buildModel } from '../model/riderModel.ts'
import type { ModelValues } from '../model/riderModel.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { normal, quantile } from '../kernel/random.ts'
import type { CalibratedRider } from '../rider/calibrated.ts'
import { tableOf } from '../kernel/tables.ts'
import { allShifted, offModel, onModel, pictureOff, uncertainInputs } from './uncertainty.ts'

/** What many draws of a rider make of one metric. */
export interface Sampled {
  /** 2.5, 50 and 97.5 of 100 draws */
  readonly low: number
  readonly middle: number
  readonly high: number
  /** share of draws in which it has no value: the leg or the arm does not reach, 0..1 */
  readonly lost: number
  /** share of the other draws inside the band; null without a band */
  readonly inBand: number | null
}
export type SampledMetrics = Readonly<Partial<Record<MetricKey, Sampled>>>

/**
 * Draws riders as uncertain as their readings are, calibrates each to angles drawn the same way, and
 * gives each metric's spread: for where a band's edge or an unreachable leg makes the first order wrong.
 * A generator: each step is one draw, so that a caller can show progress and stop.
 * @param random uniform in [0, 1)
 * @source gum
 */
export function* sampleMetrics(
  rider: CalibratedRider,
  by: MovedBy,
  draws: number,
  random: () => number,
): Generator<number, SampledMetrics> {
  const inputs = uncertainInputs(rider)
  const axles = axlesOf(rider.values)
  const priors = tableOf(freeKeys, (key) => rider.free[key].prior)
  const found = new Map<MetricKey, number[]>(metricKeys.map((key) => [key, []]))
  for (let draw = 0; draw < draws; draw++) {
    const offs = Float64Array.from(inputs, ({ deviation }) => deviation * normal(random))
    const shiftedFrom = (values: ModelValues) => allShifted({ values, free: priors, off: onModel }, inputs, offs)
    const { values: drawn, free: shiftedPriors, off } = shiftedFrom(rider.values)
    const free = tableOf(freeKeys, (key) => ({ ...rider.free[key], prior: shiftedPriors[key] }))
    const knowns = rider.knowns.flatMap(({ known, isOffPicture, values, by: then, hands }) => {
      const base = buildModel(values === rider.values ? drawn : shiftedFrom(values).values, rider.bar, then, hands).model
      if (base === null) return []
      const misread = isOffPicture ? pictureOff(inputs, offs, known.kind) : 0
      // Where the hip lies is solved for, whatever the rider sits on.
      const ankling = offModel(base, { ...off, sitAhead: 0 })
      return [{ ...known, value: known.value + misread + (known.plusMinus / 2) * normal(random), base: ankling }]
    })
    const { values: solved } = calibrate(free, knowns, 'fitted')
    const { model } = buildModel(drawn, rider.bar, by)
    const metrics = model && riderMetrics(offModel(withFree(model, solved), off), axles)
    for (const key of metricKeys) {
      const value = metrics?.[key] ?? null
      if (value !== null) found.get(key)?.push(value)
    }
    yield draw + 1
  }
  return Object.fromEntries(
    metricKeys.flatMap((key) => {
      const values = found.get(key) ?? []
      return values.length === 0 ? [] : [[key, summary(key, values, draws)]]
    }),
  )
}

function summary(key: MetricKey, values: number[], draws: number): Sampled {
  values.sort((a, b) => a - b)
  const { band } = metricDefinition(key)
  const inside = band && values.filter((value) => value >= band.low && value <= band.high).length / values.length
  return {
    low: quantile(values, 0.025),
    middle: quantile(values, 0.5),
    high: quantile(values, 0.975),
    lost: 1 - values.length / draws,
    inBand: inside,
  }
}
