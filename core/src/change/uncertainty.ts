import { freeKeys, predict, withFree } from '../body/calibration.ts'
import type { FreeKey, FreeValues, KnownKind } from '../body/calibration.ts'
import { metricDefinition, metricKeys, riderMetrics } from '../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import type { RiderModel } from '../body/rider.ts'
import type { HandPosition } from '../measure/conditions.ts'
import { definitionOf, numberKeys } from '../measure/readingDefinitions.ts'
import type { NumberKey } from '../measure/readingDefinitions.ts'
import { axlesOf, buildModel } from '../measure/riderModel.ts'
import type { ModelKey, ModelValues } from '../measure/riderModel.ts'
import type { MovedBy } from '../measure/timeline.ts'
import { afterMeasuring, independent, times, varianceOf } from '../quantity/gaussian.ts'
import type { Covariance } from '../quantity/gaussian.ts'
import { sides } from '../quantity/sided.ts'
import type { Side } from '../quantity/sided.ts'
import type { CalibratedRider } from './calibrated.ts'

/** One thing that is not known exactly: a reading, an estimate, or a hidden part of the body. */
export interface UncertainInput {
  readonly key: ModelKey | FreeKey
  readonly side: Side | 'both'
  /** standard deviation before anything was measured on the bike */
  readonly deviation: number
  /** whether it was read; estimates and hidden parts were not */
  readonly measured: boolean
}

/** How well everything is known together, and what that makes of the rider's metrics. */
export interface UncertaintyModel {
  readonly inputs: readonly UncertainInput[]
  readonly covariance: Covariance
  /** metrics at the bike as it stands */
  readonly metrics: RiderMetrics
  /** gradient of each metric over the inputs; null where the metric has no value */
  readonly gradients: Readonly<Record<MetricKey, readonly number[] | null>>
}

/** Parts that calibration solves for: their uncertainty is that of the free parameter. */
const calibratedKeys: readonly ModelKey[] = ['hipForward', 'hipUp', 'trunk', 'footPitch', 'elbowFlexion']
/** Free parameters that stand for a part; leg length is carried by thigh and shank. */
const uncertainFree: readonly FreeKey[] = freeKeys.filter((key) => !key.startsWith('leg'))
/** Gradients are taken over this share of an input's deviation, either way. */
const STEP_SHARE = 0.2

/** The rider as a function of shifted inputs. */
interface Shifted {
  readonly values: ModelValues
  readonly free: FreeValues
}

/**
 * First-order uncertainty of every metric, all inputs together: prior deviations, then each angle
 * measured on the bike taken in as a linear measurement, so that what calibration pins down is no
 * longer counted, and what it ties together stays correlated.
 * @param by changes in force
 * @returns null while the legs cannot be drawn
 * @source gum
 */
export function uncertaintyModelOf(rider: CalibratedRider, by: MovedBy, hands?: HandPosition): UncertaintyModel | null {
  const base: Shifted = { values: rider.values, free: rider.usual.values }
  const axles = axlesOf(rider.values)
  const metricsOf = (at: Shifted): RiderMetrics | null => {
    const model = modelOf(rider, at, by, hands)
    return model && riderMetrics(model, axles)
  }
  const metrics = metricsOf(base)
  if (metrics === null) return null
  const inputs = uncertainInputs(rider)
  const pairs = inputs.map((input) => {
    const step = input.deviation * STEP_SHARE
    return { up: shifted(base, input, step), down: shifted(base, input, -step), step }
  })
  const either = pairs.map(({ up, down, step }) => ({ up: metricsOf(up), down: metricsOf(down), step }))
  const gradients = Object.fromEntries(
    metricKeys.map((key) => [
      key,
      metrics[key] === null ? null : either.map(({ up, down, step }) => slope(up?.[key], down?.[key], metrics[key], step)),
    ]),
  ) as Record<MetricKey, number[] | null>
  let covariance = independent(inputs.map((input) => input.deviation))
  for (const { known, values, by: then, hands: held } of rider.knowns) {
    const predicted = (at: Shifted): number | undefined => {
      const model = modelOf(rider, at, then, held)
      return model === null ? undefined : predict(model, known)
    }
    // Where other readings held, the same shifts apply to what held there.
    const there: Shifted = { ...base, values }
    const own =
      values === rider.values
        ? pairs
        : inputs.map((input, i) => {
            const step = pairs[i]?.step ?? 0
            return { up: shifted(there, input, step), down: shifted(there, input, -step), step }
          })
    const middle = predicted(there) ?? 0
    const row = own.map(({ up, down, step }) => slope(predicted(up), predicted(down), middle, step))
    covariance = afterMeasuring(covariance, row, known.plusMinus / 2)
  }
  return { inputs, covariance, metrics, gradients }
}

/** ± of every metric, k = 2; null where the metric has no value. */
export function metricSpreads({ covariance, gradients }: UncertaintyModel): Readonly<Record<MetricKey, number | null>> {
  return Object.fromEntries(
    metricKeys.map((key) => {
      const h = gradients[key]
      return [key, h && 2 * Math.sqrt(varianceOf(covariance, h))]
    }),
  ) as Record<MetricKey, number | null>
}

/**
 * ± of the difference of a metric between two settings of the same bike and rider, k = 2: most of what
 * is uncertain cancels.
 */
export function differenceSpread(before: UncertaintyModel, after: UncertaintyModel, key: MetricKey): number | null {
  const [a, b] = [before.gradients[key], after.gradients[key]]
  if (a === null || b === null) return null
  return (
    2 *
    Math.sqrt(
      varianceOf(
        before.covariance,
        a.map((value, i) => b[i]! - value),
      ),
    )
  )
}

/**
 * Share of a metric's variance that would go if one input were known exactly, largest first. Shares
 * of inputs that are tied together may overlap.
 */
export function varianceShares(uncertainty: UncertaintyModel, key: MetricKey): { input: UncertainInput; share: number }[] {
  const h = uncertainty.gradients[key]
  if (h === null) return []
  const column = times(uncertainty.covariance, h)
  const total = varianceOf(uncertainty.covariance, h)
  return uncertainty.inputs
    .map((input, i) => {
      const own = uncertainty.covariance[i]![i]!
      return { input, share: own > 0 && total > 0 ? column[i]! ** 2 / own / total : 0 }
    })
    .sort((a, b) => b.share - a.share)
}

/** Gradient of an angle that could be measured on the bike as it stands, over the same inputs. */
export function knownGradient(
  rider: CalibratedRider,
  uncertainty: UncertaintyModel,
  by: MovedBy,
  asked: { readonly kind: KnownKind; readonly side: Side | 'both' },
): number[] {
  const base: Shifted = { values: rider.values, free: rider.usual.values }
  const predicted = (at: Shifted): number | undefined => {
    const model = modelOf(rider, at, by)
    return model === null ? undefined : predict(model, asked)
  }
  const middle = predicted(base) ?? 0
  return uncertainty.inputs.map((input) => {
    const step = input.deviation * STEP_SHARE
    return slope(predicted(shifted(base, input, step)), predicted(shifted(base, input, -step)), middle, step)
  })
}

/** Whether a metric's ± is wide against its band, so that its judgement is still open. */
export function isOpen(key: MetricKey, plusMinus: number): boolean {
  const { band } = metricDefinition(key)
  return band !== null && plusMinus > (band.high - band.low) / 2
}

function modelOf(rider: CalibratedRider, { values, free }: Shifted, by: MovedBy, hands?: HandPosition): RiderModel | null {
  const { model } = buildModel(values, rider.bar, by, hands)
  return model && withFree(model, free)
}

/** Everything the model rests on that is not exact; what the free parameters carry stands once. */
export function uncertainInputs(rider: CalibratedRider): UncertainInput[] {
  const spreads = rider.plusMinus
  const inputs: UncertainInput[] = []
  for (const key of Object.keys(spreads) as ModelKey[]) {
    const reading = (numberKeys as readonly string[]).includes(key) ? (key as NumberKey) : null
    if (calibratedKeys.includes(key) || (reading !== null && !definitionOf(reading).inModel)) continue
    const measured = (side: Side) => reading !== null && rider.resolved[reading][side]?.basis === 'measured'
    const { left, right } = spreads[key]
    // An estimate errs the same way on both sides; two readings err each by itself.
    const oneForBoth = reading !== null && (['left', 'right'] as const).some((side) => rider.resolved[reading][side]?.oneForBoth)
    const shared = reading === null || !definitionOf(reading).sided || oneForBoth || (!measured('left') && !measured('right'))
    if (shared) {
      if (right !== null && right > 0) inputs.push({ key, side: 'both', deviation: right / 2, measured: measured('right') })
      continue
    }
    for (const side of sides) {
      const spread = side === 'left' ? left : right
      if (spread !== null && spread > 0) inputs.push({ key, side, deviation: spread / 2, measured: measured(side) })
    }
  }
  for (const key of uncertainFree) inputs.push({ key, side: 'both', deviation: rider.free[key].plusMinus / 2, measured: false })
  return inputs
}

function shifted(base: Shifted, { key, side }: UncertainInput, by: number): Shifted {
  if ((freeKeys as readonly string[]).includes(key)) {
    const free = key as FreeKey
    return { ...base, free: { ...base.free, [free]: base.free[free] + by } }
  }
  const model = key as ModelKey
  const { left, right } = base.values[model]
  const moved = {
    left: left === null || side === 'right' ? left : left + by,
    right: right === null || side === 'left' ? right : right + by,
  }
  return { ...base, values: { ...base.values, [model]: moved } }
}

/** Central difference; one-sided where the other side has no value. */
function slope(up: number | null | undefined, down: number | null | undefined, middle: number | null, step: number): number {
  const [a, b, m] = [up ?? null, down ?? null, middle ?? null]
  if (a !== null && b !== null) return (a - b) / (2 * step)
  if (m === null) return 0
  if (a !== null) return (a - m) / step
  return b === null ? 0 : (m - b) / step
}
