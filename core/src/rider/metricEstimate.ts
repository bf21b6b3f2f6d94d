import { predict, predictor, withFree } from '../body/calibration.ts'
import type { ReadKind } from '../body/calibration.ts'
import { picturePlusMinus } from '../body/pictures.ts'
import { torsoHeld } from '../body/armReach.ts'
import { metricKeys, riderMetrics } from '../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import type { RiderModel } from '../body/rider.ts'
import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey, ReadingKey } from '../readings/readingDefinitions.ts'
import { isOffPicture } from '../readings/table/methods.ts'
import { axlesOf } from '../model/riderModel.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { settingKeys, settings } from '../ledger/settings.ts'
import type { SettingKey } from '../ledger/settings.ts'
import type { Timeline } from '../readings/movedBy.ts'
import type { ConditionKey } from '../readings/conditions.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { tableOf } from '../kernel/tables.ts'
import type { FreeValues } from '../body/calibration.ts'
import type { KnownAt } from './calibrated.ts'
import type { Setup } from './setup.ts'

/** Which reading a number of the rider is read by. */
interface ReadBy {
  readonly key: NumberKey
  readonly kind: ReadKind
  readonly side: Side
}

/** Numbers of the rider that are also read off the rider on the bike, by the rows of the readings; the others are the model's alone. */
const readBy: Readonly<Partial<Record<MetricKey, ReadBy>>> = Object.fromEntries(
  numberKeys.flatMap((key) => {
    const { metric, calibrates, compares } = definitionOf(key)
    const kind = calibrates ?? compares
    if (metric === undefined || kind === undefined) return []
    return metric.map((name, i): [MetricKey, ReadBy] => [name, { key, kind, side: i === 1 ? 'right' : 'left' }])
  }),
)

/** A number of the rider as it stands now. */
export interface AsRead {
  /** as read, carried on by the model over what was changed since; else the model's own */
  readonly value: number
  /** of the reading, widened by what the model cannot make of it, k = 2; null where it was not read */
  readonly plusMinus: number | null
  /** by how much the reading lies over what the model makes of it; 0 where it was not read */
  readonly overModel: number
  /** of its ±, what carrying it on adds: how far trunk and arms may share a change otherwise; k = 2 */
  readonly carried: number
  readonly isRead: boolean
}

/**
 * What was read outranks the model: it is judged by itself, at once, with nothing else read. The
 * model only says what changes since have made of it, and how far the two are apart.
 * @param modelled the model's own number now
 * @returns null where the number is neither read nor known to the model
 */
export function metricEstimate(setup: Setup, metric: MetricKey, modelled: number | null): AsRead | null {
  const read = readAt(setup, metric)
  if (read === null) return modelled === null ? null : { value: modelled, plusMinus: null, overModel: 0, carried: 0, isRead: false }
  return read
}

/** What was read of a setup's numbers, each worked out when it is first asked for: many parts of the screen ask. */
interface Kept {
  readonly found: Map<MetricKey, AsRead | null>
  /** by the base a reading was taken on, and of the model as it stands */
  readonly predictors: Map<RiderModel, ReturnType<typeof predictor>>
}
const kept = new WeakMap<Setup, Kept>()

function readAt(setup: Setup, metric: MetricKey): AsRead | null {
  const known = kept.get(setup) ?? { found: new Map(), predictors: new Map() }
  kept.set(setup, known)
  const before = known.found.get(metric)
  if (before !== undefined) return before
  const made = workedOut(setup, metric, known)
  known.found.set(metric, made)
  return made
}

function workedOut({ now, model, rider, place }: Setup, metric: MetricKey, { predictors }: Kept): AsRead | null {
  const { timeline } = rider
  const knowns = [...rider.knowns, ...rider.comparedIn('usual')]
  return carriedOn(metric, { read: now, knowns, free: rider.usual.values, model, place, timeline, predictors })
}

/** Settings that the model is made of and that move fingers alone. */
const ofFingers: readonly SettingKey[] = ['leverAngle', 'leverReach']
/** Settings that move the seat, though no reading of them stands in the model. */
const ofSeat: readonly SettingKey[] = ['saddleSetback', 'saddleTilt']
/** Settings that move the body's joints; a float or a wedge moves no angle that is read. */
const ofBody = settingKeys.filter((key) => (definitionOf(key).inModel === true && !ofFingers.includes(key)) || ofSeat.includes(key))
const ofLegs = ofBody.filter((key) => settings[key].station !== 'hands')
const carries: Readonly<Record<ReadKind, readonly SettingKey[]>> = {
  kneeFlexion: ofLegs,
  footPitch: ofLegs,
  hipAngle: ofBody,
  torsoAngle: ofBody,
  elbowFlexion: ofBody,
  shoulderAngle: ofBody,
  wrist: ofBody,
  kneeElbowGap: ofBody,
}

/** Whether hands, seat or feet stand elsewhere than where something was seen of the rider. */
export function isMovedSinceSeen({ rider: { timeline }, place }: Pick<Setup, 'rider' | 'place'>, at: number): boolean {
  return areMovedSince(ofBody, timeline, at, place)
}

/** Whether anything that an angle hangs on stands elsewhere than where it was read. */
function isMovedSince(kind: ReadKind, timeline: Timeline, from: number, to: number): boolean {
  return areMovedSince(carries[kind], timeline, from, to)
}

function areMovedSince(keys: readonly SettingKey[], timeline: Timeline, from: number, to: number): boolean {
  if (from === to) return false
  const [before, after] = [timeline.byAt(from), timeline.byAt(to)]
  return keys.some((key) => [...sides, 'both' as const].some((side) => before(key, side) !== after(key, side)))
}

/** Angles that trunk and arms share a change of the hands' place in: the model keeps the elbow, a rider may keep the torso. */
const sharedByArms: readonly ReadKind[] = ['torsoAngle', 'hipAngle', 'elbowFlexion', 'shoulderAngle']

const isCompared = (kind: ReadKind): boolean => kind === 'kneeElbowGap'
/** Of a change that the model makes of a number it was not solved from, this much may be wrong; k = 2. @source prior */
const CARRIED_SHARE = 0.5

/** What a number was read in: the readings that hold, the angles a body was solved from, that body, and the model as it stands. */
interface ReadIn {
  readonly read: ResolvedReadings
  readonly knowns: readonly KnownAt<ReadKind>[]
  readonly free: FreeValues
  readonly model: RiderModel | null
  readonly place: number
  readonly timeline: Timeline
  readonly predictors: Kept['predictors']
}

/** ± of a reading of the rider, k = 2: its method's own, and what camera and markers add where it was read off a picture. */
function plusMinusOf({ plusMinus, from }: { readonly plusMinus: number; readonly from: string }, kind: ReadKind): number {
  return isOffPicture(from) ? Math.hypot(plusMinus, picturePlusMinus(kind)) : plusMinus
}

/** A number as it was read, carried on by the model over what was changed since; null where it was not read. */
function carriedOn(metric: MetricKey, { read: readings, knowns, free, model, place, timeline, predictors }: ReadIn): AsRead | null {
  const by = readBy[metric]
  const read = by && readings[by.key][by.side]
  if (!read || read.basis !== 'measured') return null
  const { kind, side } = by
  const ownPlusMinus = plusMinusOf(read, kind)
  const predictBy = (key: RiderModel, made: () => RiderModel): number => {
    const one = predictors.get(key) ?? predictor(made())
    predictors.set(key, one)
    return one({ kind, side })
  }
  // The reading that counts here; one taken later counts where none was taken before.
  const own = knowns
    .filter(({ known }) => known.kind === kind && (known.side === side || known.side === 'both') && known.value === read.value)
    .sort((a, b) => a.place - b.place)
  const base = (own.findLast((known) => known.place <= place) ?? own[0])?.known.base
  // No model says what a move has made of it: it is not known until it is read again.
  if ((model === null || base === undefined) && isMovedSince(kind, timeline, read.at ?? 0, place)) return null
  if (model === null || base === undefined) return { value: read.value, plusMinus: ownPlusMinus, overModel: 0, carried: 0, isRead: true }
  const overModel = read.value - predictBy(base, () => withFree(base, free))
  const value = predictBy(model, () => model) + overModel
  // A body that was solved from it should give it back; one that was not is asked only for the change.
  const doubt = isCompared(kind) ? CARRIED_SHARE * Math.abs(value - read.value) : Math.abs(overModel)
  const asRead = doubt > ownPlusMinus || isCompared(kind) ? Math.hypot(ownPlusMinus, doubt) : ownPlusMinus
  const held =
    sharedByArms.includes(kind) && isMovedSince(kind, timeline, read.at ?? 0, place) ? torsoHeld(model, withFree(base, free)) : null
  const carried = held === null ? 0 : Math.abs(predict(held, { kind, side }) - predictBy(model, () => model))
  return { value, plusMinus: Math.hypot(asRead, carried), overModel, carried, isRead: true }
}

/**
 * Numbers of the rider in another position of the hands or at another effort, each as it was read there.
 * @param metrics of the model in that position; null where it has no value
 */
export function metricsAsReadIn(setup: Setup, condition: ConditionKey, model: RiderModel, metrics: RiderMetrics): RiderMetrics {
  const read = readIn(setup, condition, model)
  return read === null ? metrics : tableOf(metricKeys, (key) => carriedOn(key, read)?.value ?? metrics[key])
}

/**
 * One number of the rider in another position, as it was read there, with its ±.
 * @returns null where it was not read there
 */
export function metricReadIn(setup: Setup, condition: ConditionKey, model: RiderModel, metric: MetricKey): AsRead | null {
  const read = readIn(setup, condition, model)
  return read && carriedOn(metric, read)
}

/** By how much what was read in a position lies over what the model makes of it there; 0 where it was not read. */
export function overModelIn(setup: Setup, condition: ConditionKey, metric: MetricKey): number {
  const read =
    condition === 'usual' || setup.model === null
      ? metricEstimate(setup, metric, null)
      : metricReadIn(setup, condition, setup.model, metric)
  return read?.overModel ?? 0
}

function readIn(setup: Setup, condition: ConditionKey, model: RiderModel): ReadIn | null {
  const other = setup.rider.others.find((row) => row.condition === condition)
  const knowns = [...(other?.knowns ?? []), ...setup.rider.comparedIn(condition)]
  if (knowns.length === 0) return null
  const { values: free } = other?.calibration ?? setup.rider.usual
  return {
    read: setup.rider.readIn(condition),
    knowns,
    free,
    model,
    place: setup.place,
    timeline: setup.rider.timeline,
    predictors: new Map(),
  }
}

/**
 * Numbers of the rider as they stand, each as it was read where it was.
 * @param metrics of the model at this setup; null while there is no model: then what was read stands alone
 * @returns null where nothing is known at all
 */
export function metricsAsRead(metrics: RiderMetrics | null, setup: Setup): RiderMetrics | null {
  const all = tableOf(metricKeys, (key) => {
    const modelled = metrics?.[key] ?? null
    return metricEstimate(setup, key, modelled)?.value ?? modelled
  })
  return metricKeys.every((key) => all[key] === null) ? null : all
}

/** Numbers of the rider at a setup, as they stand; null where nothing is known at all. */
export function metricsAt(setup: Setup): RiderMetrics | null {
  return metricsAsRead(setup.model && riderMetrics(setup.model, axlesOf(setup.rider.values)), setup)
}

/**
 * Numbers of the rider with a change made: the model's, by as much as what was read now lies over it.
 * What the change puts out of reach has no value, whatever was read before it.
 * @param metrics of the model with the change
 */
export function metricsCarriedOn(metrics: RiderMetrics, setup: Setup): RiderMetrics {
  return tableOf(metricKeys, (key) => {
    const modelled = metrics[key]
    return modelled === null ? null : modelled + (metricEstimate(setup, key, modelled)?.overModel ?? 0)
  })
}

/**
 * The ± of a number as it is shown: never below what it was read with, widened by what reading and model
 * are apart. What was read on one side for both is no surer than the model has each side.
 * @param modelled ± of the model's number, k = 2; null while it is not known
 */
export function plusMinusAsRead(setup: Setup, metric: MetricKey, modelled: number | null): number | null {
  const read = metricEstimate(setup, metric, null)
  const by = readBy[metric]
  if (read === null || read.plusMinus === null || by === undefined) return modelled
  if (modelled === null) return read.plusMinus
  if (isCompared(by.kind)) return read.plusMinus
  const own = setup.now[by.key][by.side]
  const asRead = own ? plusMinusOf(own, by.kind) : modelled
  const surer = Math.hypot(own?.oneForBoth ? Math.max(modelled, asRead) : asRead, read.carried)
  return Math.abs(read.overModel) > surer ? Math.hypot(surer, read.overModel) : surer
}

/** Whether a reading was taken before a move that nobody can carry it over: then it is to be taken again. */
export function isLostByMove(setup: Setup, key: ReadingKey, side: Side): boolean {
  const metric = metricReadBy(key, side)
  return metric !== null && metricEstimate(setup, metric, null) === null
}

/** The reading that a number of the rider is read by; null where none is. */
export function readingOf(metric: MetricKey): Pick<ReadBy, 'key' | 'side'> | null {
  return readBy[metric] ?? null
}

/** The number of the rider that is read by this reading; null where none is. */
export function metricReadBy(key: ReadingKey, side: Side | 'both'): MetricKey | null {
  const [left, right] = definitionOf(key).metric ?? []
  return (side === 'right' ? (right ?? left) : left) ?? null
}
