import { freeKeys, predict, predictor, withFree } from '../body/calibration.ts'
import type { AskedAngle, FreeKey, FreeValues, KnownKind, Predictor } from '../body/calibration.ts'
import { metricDefinition, metricKeys, riderMetrics } from '../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import { pictureAdds, pictureDeviation, pictureErrorKeys } from '../body/pictures.ts'
import type { PictureErrorKey } from '../body/pictures.ts'
import type { RiderModel } from '../body/rider.ts'
import type { HandPosition } from '../readings/conditions.ts'
import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import { axlesOf, buildModel } from '../model/riderModel.ts'
import type { ModelKey, ModelValues } from '../model/riderModel.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { afterEstimating, choleskyOf, independent, varianceOf } from '../kernel/gaussian.ts'
import type { Covariance } from '../kernel/gaussian.ts'
import { at, cellAt, matrixFrom, times } from '../kernel/vector.ts'
import type { Matrix, Vector } from '../kernel/vector.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { normal, seeded, quantile } from '../kernel/random.ts'
import type { CalibratedRider } from '../rider/calibrated.ts'
import { legsReadApart } from '../rider/freeParameters.ts'
import { entriesOf, isOneOf, keysOf, tableOf } from '../kernel/tables.ts'

/** One thing that is not known exactly: a reading, an estimate, or a hidden part of the body. */
export interface UncertainInput {
  readonly key: ModelKey | FreeKey | PictureErrorKey | OffModelKey
  readonly side: Side | 'both'
  /** standard deviation before anything was measured on the bike; 0 where other inputs carry it */
  readonly deviation: number
  /** size over which its slopes are taken, in its unit */
  readonly scale: number
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
  readonly gradients: Readonly<Record<MetricKey, Vector | null>>
  /** the metrics with every input off by so much, in the inputs' units; null where the legs cannot be drawn */
  readonly metricsOff: (offs: Vector) => RiderMetrics | null
  /** gradient, over the inputs, of an angle that could be measured on the bike as it stands */
  readonly knownGradient: (asked: AskedAngle) => Vector
}

/**
 * What nothing is solved for and no reading tells, as standard deviations: how far ahead of where the
 * tape was held a rider sits, mm, and by how much more than usual the foot's pitch swings over the
 * turn, degrees. @source prior: 14 mm and 8°, k = 2
 */
const offModelDeviations = { sitAhead: 7, pitchSwing: 4 }
type OffModelKey = keyof typeof offModelDeviations
export const offModelKeys = keysOf(offModelDeviations)
export type OffModel = Record<OffModelKey, number>
/** A rider who is just as assumed. */
export const onModel: Readonly<OffModel> = { sitAhead: 0, pitchSwing: 0 }

/** A rider who sits and ankles otherwise than assumed; the hip joints stay where they are. */
export function offModel(model: RiderModel, { sitAhead, pitchSwing }: Readonly<OffModel>): RiderModel {
  return {
    ...model,
    sit: { x: model.sit.x + sitAhead, y: model.sit.y },
    hipForward: model.hipForward - sitAhead,
    pitchSwing: model.pitchSwing + pitchSwing,
  }
}

/** Parts that calibration solves for: their uncertainty is that of the free parameter. */
const calibratedKeys: readonly ModelKey[] = ['hipForward', 'hipUp', 'trunk', 'footPitch', 'elbowFlexion']
/** Gradients are taken over this share of an input's deviation, either way. */
const STEP_SHARE = 0.2

/** The rider as a function of shifted inputs. */
interface Shifted {
  readonly values: ModelValues
  readonly free: FreeValues
  readonly off: Readonly<OffModel>
}

/**
 * First-order uncertainty of every metric, all inputs together: prior deviations, then what the
 * calibration to the angles measured on the bike leaves of them. It moves only the free parameters,
 * and where it meets every angle exactly it takes the angles' own errors in whole: so its own gain is
 * used, and not that of the best estimate there could be.
 * @param by changes in force
 * @returns null while the legs cannot be drawn
 * @source gum
 */
export function uncertaintyModelOf(rider: CalibratedRider, by: MovedBy, hands?: HandPosition): UncertaintyModel | null {
  const base: Shifted = { values: rider.values, free: rider.usual.values, off: onModel }
  const axles = axlesOf(rider.values)
  const inputs = uncertainInputs(rider)
  const here = modelsAround(rider, inputs, base, by, hands)
  if (here.middle === null) return null
  const metricsOf = (model: RiderModel | null) => model && riderMetrics(model, axles)
  const metrics = riderMetrics(here.middle, axles)
  const either = here.pairs.map(({ up, down, step }) => ({ up: metricsOf(up), down: metricsOf(down), step }))
  const gradients = tableOf(metricKeys, (key) =>
    metrics[key] === null ? null : Float64Array.from(either, ({ up, down, step }) => slope(up?.[key], down?.[key], metrics[key], step)),
  )
  const covariance = afterEstimating(
    independent(Float64Array.from(inputs, (input) => input.deviation)),
    Float64Array.from(inputs, ({ key }) => (isFree(key) ? (rider.free[key].plusMinus / 2) ** 2 : 0)),
    knownRows(rider, inputs),
    Float64Array.from(rider.knowns, ({ known }) => known.plusMinus / 2),
    rider.usual.state === 'exact',
  )
  return {
    inputs,
    covariance,
    metrics,
    gradients,
    metricsOff: (offs) => metricsOf(modelOf(rider, allShifted(base, inputs, offs), by, hands)),
    knownGradient: predictedGradients(here),
  }
}

/** The rider at one setup of the bike, and with each input shifted either way; each model is built once, whatever is asked of it. */
interface ModelsAround {
  readonly middle: RiderModel | null
  readonly pairs: readonly { readonly up: RiderModel | null; readonly down: RiderModel | null; readonly step: number }[]
}

function modelsAround(
  rider: CalibratedRider,
  inputs: readonly UncertainInput[],
  base: Shifted,
  by: MovedBy,
  hands?: HandPosition,
): ModelsAround {
  const model = (at: Shifted) => modelOf(rider, at, by, hands)
  return {
    middle: model(base),
    pairs: inputs.map((input) => {
      const step = input.scale * STEP_SHARE
      return { up: model(shifted(base, input, step)), down: model(shifted(base, input, -step)), step }
    }),
  }
}

/** Gradients of angles that are measured on the bike, over the inputs; each model's trunk and arms are worked out once for all of them. */
function predictedGradients({ middle, pairs }: ModelsAround): (asked: AskedAngle) => Vector {
  const of = (model: RiderModel | null) => model && predictor(model)
  let predictors: { up: Predictor | null; down: Predictor | null; step: number }[] | null = null
  return (asked) => {
    predictors ??= pairs.map(({ up, down, step }) => ({ up: of(up), down: of(down), step }))
    const value = middle === null ? 0 : predict(middle, asked)
    return Float64Array.from(predictors, ({ up, down, step }) => slope(up?.(asked), down?.(asked), value, step))
  }
}

/** Gradient of every angle the rider was calibrated to, at the bike and with the readings of its own place. */
function knownRows(rider: CalibratedRider, inputs: readonly UncertainInput[]): Matrix {
  const places = new Map<string, (asked: AskedAngle) => Vector>()
  const rows = rider.knowns.map(({ known, isOffPicture, values, place, by, hands }) => {
    const name = `${place}|${hands}`
    const made =
      places.get(name) ?? predictedGradients(modelsAround(rider, inputs, { values, free: rider.usual.values, off: onModel }, by, hands))
    places.set(name, made)
    const row = made(known)
    if (!isOffPicture) return row
    return row.map((gain, i) => gain + pictureGain(inputs[i], known.kind))
  })
  return matrixFrom(rows)
}

/** What an error of the picture adds to an angle read off it, degrees per unit; 0 for any other input. */
function pictureGain(input: UncertainInput | undefined, kind: KnownKind): number {
  return input && isOneOf(pictureErrorKeys, input.key) ? pictureAdds(input.key, kind) : 0
}

/** What all errors of one picture together add to an angle, degrees. @param offs by how much each input is off */
export function pictureOff(inputs: readonly UncertainInput[], offs: Vector, kind: KnownKind): number {
  return inputs.reduce((sum, input, i) => sum + at(offs, i) * pictureGain(input, kind), 0)
}

const isFree = (key: UncertainInput['key']): key is FreeKey => isOneOf(freeKeys, key)

/** Where the way to both ends of a ± strays from its slope by more than this share of it, draws say the ±. */
const BENDS = 0.25
/** Draws that say a ± where its slope does not. */
const DRAWS = 400
const SEED = 20251

/**
 * ± of every metric, k = 2; null where the metric has no value. Near a straight leg, or where an arm
 * just reaches, the slope at one place says little: there the ± reaches to the further of the two
 * ends that hold 95 of 100 draws.
 * @source gum
 */
export function metricSpreads(uncertainty: UncertaintyModel): Readonly<Record<MetricKey, number | null>> {
  const { covariance, gradients, metrics, metricsOff } = uncertainty
  const first = (key: MetricKey): number | null => {
    const h = gradients[key]
    return h && 2 * Math.sqrt(varianceOf(covariance, h))
  }
  const bends = (key: MetricKey, plusMinus: number): boolean => {
    const [h, value] = [gradients[key], metrics[key]]
    if (h === null || value === null || !(plusMinus > 1e-9)) return false
    // The likeliest way in which the metric comes to either end.
    const way = times(covariance, h).map((part) => (4 * part) / plusMinus)
    const [up, down] = [metricsOff(way)?.[key] ?? null, metricsOff(way.map((part) => -part))?.[key] ?? null]
    if (up === null || down === null) return true
    return Math.abs(up - value - plusMinus) > BENDS * plusMinus || Math.abs(value - down - plusMinus) > BENDS * plusMinus
  }
  const spreads = tableOf(metricKeys, (key) => first(key))
  const bent = metricKeys.filter((key) => spreads[key] !== null && bends(key, spreads[key]))
  if (bent.length === 0) return spreads
  const random = seeded(SEED)
  const root = choleskyOf(covariance)
  const drawn = Array.from({ length: DRAWS }, () => {
    const z = Float64Array.from({ length: root.rows }, () => normal(random))
    return metricsOff(times(root, z))
  })
  for (const key of bent) {
    const values = drawn.flatMap((row) => row?.[key] ?? []).sort((a, b) => a - b)
    const value = metrics[key]
    // Too few that reach at all say nothing.
    if (value === null || values.length < DRAWS / 4) continue
    spreads[key] = Math.max(value - quantile(values, 0.025), quantile(values, 0.975) - value)
  }
  return spreads
}

/**
 * ± of the difference of a metric between two settings of the same bike and rider, k = 2: most of what
 * is uncertain cancels.
 */
export function differenceSpread(before: UncertaintyModel, after: UncertaintyModel, key: MetricKey): number | null {
  const [a, b] = [before.gradients[key], after.gradients[key]]
  if (a === null || b === null) return null
  const gained = a.map((value, i) => at(b, i) - value)
  return 2 * Math.sqrt(varianceOf(before.covariance, gained))
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
      const own = cellAt(uncertainty.covariance, i, i)
      return { input, share: own > 0 && total > 0 ? at(column, i) ** 2 / own / total : 0 }
    })
    .sort((a, b) => b.share - a.share)
}

/** More of a number's variance than this from lengths nobody has read, and it is called an estimate. @source prior */
const RESTS_ON = 0.5

/** Numbers of the rider that rest on estimates: most of their variance comes from readings that were not taken. */
export function estimatedMetrics(
  { inputs, covariance, gradients }: UncertaintyModel,
  { resolved }: Pick<CalibratedRider, 'resolved'>,
): MetricKey[] {
  const isUnread = ({ key, side }: UncertainInput) =>
    isOneOf(numberKeys, key) && (side === 'both' ? sides : [side]).every((one) => resolved[key][one]?.basis !== 'measured')
  const unread = inputs.map(isUnread)
  return metricKeys.filter((key) => {
    const h = gradients[key]
    if (h === null) return false
    const total = varianceOf(covariance, h)
    const ofUnread = h.map((part, i) => (unread[i] ? part : 0))
    return total > 0 && varianceOf(covariance, ofUnread) > RESTS_ON * total
  })
}

/** Whether a metric's ± is wide against its band, so that its judgement is still open. */
export function isOpen(key: MetricKey, plusMinus: number): boolean {
  const { band } = metricDefinition(key)
  return band !== null && plusMinus > (band.high - band.low) / 2
}

function modelOf(rider: CalibratedRider, { values, free, off }: Shifted, by: MovedBy, hands?: HandPosition): RiderModel | null {
  const { model } = buildModel(values, rider.bar, by, hands)
  return model && offModel(withFree(model, free), off)
}

/** Everything the model rests on that is not exact; what the free parameters carry stands once. */
export function uncertainInputs(rider: CalibratedRider): UncertainInput[] {
  const spreads = rider.plusMinus
  const inputs: UncertainInput[] = []
  for (const key of keysOf(spreads)) {
    const reading = isOneOf(numberKeys, key) ? key : null
    if (calibratedKeys.includes(key) || (reading !== null && !definitionOf(reading).inModel)) continue
    const measured = (side: Side) => reading !== null && rider.resolved[reading][side]?.basis === 'measured'
    const { left, right } = spreads[key]
    // An estimate errs the same way on both sides; two readings err each by itself.
    const oneForBoth = reading !== null && (['left', 'right'] as const).some((side) => rider.resolved[reading][side]?.oneForBoth)
    const shared = reading === null || !definitionOf(reading).sided || oneForBoth || (!measured('left') && !measured('right'))
    if (shared) {
      if (right !== null && right > 0)
        inputs.push({ key, side: 'both', deviation: right / 2, scale: right / 2, measured: measured('right') })
      continue
    }
    for (const side of sides) {
      const spread = side === 'left' ? left : right
      if (spread !== null && spread > 0) inputs.push({ key, side, deviation: spread / 2, scale: spread / 2, measured: measured(side) })
    }
  }
  const apart = legsReadApart(rider.resolved)
  for (const key of freeKeys) {
    const deviation = rider.free[key].plusMinus / 2
    // How long the legs are is carried by thigh and shank, as estimated or read.
    const carried = key === 'legs' || (key === 'legsApart' && apart)
    inputs.push({ key, side: 'both', deviation: carried ? 0 : deviation, scale: deviation, measured: false })
  }
  const unread = (key: UncertainInput['key'], deviation: number) =>
    inputs.push({ key, side: 'both', deviation, scale: deviation, measured: false })
  for (const [key, deviation] of entriesOf(offModelDeviations)) unread(key, deviation)
  if (rider.knowns.some(({ isOffPicture }) => isOffPicture)) for (const key of pictureErrorKeys) unread(key, pictureDeviation(key))
  return inputs
}

function shifted(base: Shifted, input: UncertainInput, by: number): Shifted {
  return allShifted(base, [input], Float64Array.of(by))
}

/** Every input off by its own amount. What is not shifted is looked up in the base: copying every reading costs more than the model itself. */
export function allShifted(base: Shifted, inputs: readonly UncertainInput[], offs: Vector): Shifted {
  const free: Record<FreeKey, number> = { ...base.free }
  const values: Record<ModelKey, ModelValues[ModelKey]> = Object.create(base.values)
  const off = { ...base.off }
  inputs.forEach(({ key, side }, i) => {
    const by = at(offs, i)
    if (by === 0) return
    if (isFree(key)) free[key] += by
    else if (isOneOf(offModelKeys, key)) off[key] += by
    else if (!isOneOf(pictureErrorKeys, key)) {
      const { left, right } = values[key]
      values[key] = {
        left: left === null || side === 'right' ? left : left + by,
        right: right === null || side === 'left' ? right : right + by,
      }
    }
  })
  return { values, free, off }
}

/** Central difference; one-sided where the other side has no value. */
function slope(up: number | null | undefined, down: number | null | undefined, middle: number | null, step: number): number {
  const [a, b, m] = [up ?? null, down ?? null, middle ?? null]
  if (a !== null && b !== null) return (a - b) / (2 * step)
  if (m === null) return 0
  if (a !== null) return (a - m) / step
  return b === null ? 0 : (m - b) / step
}
