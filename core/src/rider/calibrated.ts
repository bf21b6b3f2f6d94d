import { barReadAs } from '../bike/bikeKinds.ts'
import type { BarKind, DrawnBar } from '../bike/bikeKinds.ts'
import { calibrate, freeKeys, predict, withFree } from '../body/calibration.ts'
import type { Calibration, ComparedKind, FreeParameters, Known, KnownKind, ReadKind } from '../body/calibration.ts'
import type { RiderModel } from '../body/rider.ts'
import { conditionKeys, conditions, handsOf, handPlace, hasHandPosition } from '../readings/conditions.ts'
import type { ConditionKey, HandPosition } from '../readings/conditions.ts'
import type { Reading } from '../readings/reading.ts'
import { readingPlusMinus, resolveReadings } from '../readings/resolve.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { buildModel, modelPlusMinus, modelValues } from '../model/riderModel.ts'
import type { ModelValues } from '../model/riderModel.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import { isOffPicture } from '../readings/table/methods.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import type { MovedBy, Timeline } from '../readings/movedBy.ts'
import { freeParameters } from './freeParameters.ts'
import type { StandingNumbers } from './freeParameters.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { timelineOf } from '../ledger/timeline.ts'
import { isRecord, tableOf } from '../kernel/tables.ts'

/** A rider calibrated under one condition. */
export interface CalibratedCondition {
  readonly condition: ConditionKey
  readonly hands: HandPosition
  readonly calibration: Calibration
  /** how far the hip has moved forward on the saddle against calm riding with the hands there, mm */
  readonly creep: number
  /** the angles it was solved from */
  readonly knowns: readonly KnownAt[]
}

/** A measured angle or gap with how the bike stood when it was read, so that its model can be built again. */
export interface KnownAt<Kind extends ReadKind = KnownKind> {
  readonly known: Known<Kind>
  /** read off a picture, whose angles err alike */
  readonly isOffPicture: boolean
  /** what the model was made of at that place */
  readonly values: ModelValues
  /** of the timeline */
  readonly place: number
  readonly by: MovedBy
  readonly hands: HandPosition
}

/** The one body behind a visit: solved from every angle read on the bike, wherever in the timeline. */
export interface CalibratedBody {
  readonly bar: BarKind
  /** which positions of the hands there are */
  readonly ridden: DrawnBar
  /** where the hands were when anything was read */
  readonly readAt: ReadonlySet<HandPosition>
  readonly timeline: Timeline
  readonly standingAt: (place: number) => StandingNumbers
  readonly free: FreeParameters
  /** angles measured calm, hands where they usually are: what `usual` was solved from */
  readonly knowns: readonly KnownAt[]
  readonly usual: Calibration
  readonly others: readonly CalibratedCondition[]
  /** what was read under a condition that the body is compared with */
  readonly comparedIn: (condition: ConditionKey) => readonly KnownAt<ComparedKind>[]
  /** what was read under a condition, as it holds at a place */
  readonly readIn: (place: number, condition: ConditionKey) => ResolvedReadings
}

/** The body at a place of the timeline, with the readings that hold there. */
export interface CalibratedRider {
  readonly bar: BarKind
  /** which positions of the hands there are */
  readonly ridden: DrawnBar
  /** where the hands were when anything was read */
  readonly readAt: ReadonlySet<HandPosition>
  readonly timeline: Timeline
  readonly resolved: ResolvedReadings
  readonly values: ModelValues
  readonly plusMinus: StandingNumbers['plusMinus']
  readonly free: FreeParameters
  readonly knowns: readonly KnownAt[]
  readonly usual: Calibration
  readonly others: readonly CalibratedCondition[]
  readonly comparedIn: CalibratedBody['comparedIn']
  /** what was read under a condition; only the usual one is filled in by estimates */
  readonly readIn: (condition: ConditionKey) => ResolvedReadings
}

const needsHands: readonly ReadKind[] = ['torsoAngle', 'elbowFlexion', 'shoulderAngle', 'hipAngle', 'wrist', 'kneeElbowGap']

/** On pads a rider comes forward to the nose, the pelvis rolls, and the shoulders are pushed up; mm, k = 2. @source prior */
const ON_PADS: Partial<Record<keyof FreeParameters, number>> = { hipForward: 70, hipUp: 25, trunk: 50 }
/** How far the body may differ from its calm self under another condition; k = 2. @source prior */
const CHANGE_OF_POSTURE: Readonly<Record<keyof FreeParameters, number>> = {
  hipForward: 30,
  hipUp: 12,
  trunk: 30,
  elbowFlexion: 40,
  elbowSwivel: 30,
  twist: 15,
  handSetLeft: 15,
  handSetRight: 15,
  pitchLeft: 12,
  pitchRight: 12,
  legs: 0.5,
  legsApart: 0.5,
  hipsTurned: 10,
  hipsTilted: 8,
}

/**
 * Calibrates the body from every angle measured on the bike, each at the contact points that were in
 * force at its own place in the timeline. Calm riding first; other efforts and hand positions start
 * from it, and are solved only when they are asked for.
 * @param before the same visit a moment ago: the search starts from its solution, and an unchanged problem is not solved again
 */
export function calibrateBody(
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  ridden: DrawnBar,
  before?: CalibratedBody,
): CalibratedBody {
  const bar = barReadAs(ridden)
  const timeline = timelineOf(entries)
  const standingAt = standings(readings, timeline, bar)
  const free = freeParameters(standingAt(timeline.length), readings)
  const readOnBike = { readings, timeline, standingAt, bar }
  const knowns = readOnBikeAs(calibrating, 'usual', readOnBike)
  const same = before !== undefined && sameProblem(free, knowns, before)
  const usual = same ? before.usual : solved(free, bare(knowns), before?.usual)
  const otherConditions = () => {
    const made: CalibratedCondition[] = []
    for (const condition of conditionKeys.slice(1)) {
      const measured = readOnBikeAs(calibrating, condition, readOnBike)
      if (measured.length === 0) continue
      const hands = handsOf(condition, bar)
      const isOnPads = handPlace(hands).isRested === true
      // The hard effort starts from calm riding with the hands in the same place, where that was read.
      const calm = made.find((other) => other.hands === hands && conditions[other.condition].effort === 'calm')
      const from = calm?.calibration.values ?? usual.values
      const changes = isOnPads && calm === undefined ? { ...CHANGE_OF_POSTURE, ...ON_PADS } : CHANGE_OF_POSTURE
      const start = tableOf(freeKeys, (key) => ({ prior: from[key], plusMinus: changes[key] }))
      const calibration = calibrate(start, bare(measured))
      // Sitting further forward on pads is no creep: that shows against calm riding on them.
      const creep = isOnPads && calm === undefined ? 0 : calibration.values.hipForward - from.hipForward
      made.push({ condition, hands, calibration, creep, knowns: measured })
    }
    return made
  }
  let others: readonly CalibratedCondition[] | null = null
  const compared = tableOf(conditionKeys, (): readonly KnownAt<ComparedKind>[] | null => null)
  const read = new Map<string, ResolvedReadings>()
  const readIn = (place: number, condition: ConditionKey): ResolvedReadings => {
    const name = `${place} ${condition}`
    const made = read.get(name) ?? resolveReadings(readings, timeline, place, condition, bar)
    read.set(name, made)
    return made
  }
  return {
    bar,
    ridden,
    readAt: new Set(readings.flatMap(({ value, condition }) => (value === null ? [] : [handsOf(condition, bar)]))),
    timeline,
    standingAt,
    free,
    knowns,
    usual,
    readIn,
    comparedIn: (condition) => (compared[condition] ??= readOnBikeAs(comparing, condition, readOnBike)),
    get others() {
      return (others ??= otherConditions())
    },
  }
}

/**
 * The search from the solution of a moment ago, or from the priors. What a strained body leads to may
 * be another valley than its readings alone would: then the priors have the word, so that the answer
 * depends on the readings and not on what was typed before them.
 */
function solved(free: FreeParameters, knowns: readonly Known[], before: Calibration | undefined): Calibration {
  if (before && before.strained.length === 0) {
    const near = calibrate(free, knowns, 'exact-first', before.values)
    if (near.strained.length === 0) return near
  }
  return calibrate(free, knowns, 'exact-first')
}

/** The body with the readings that hold at a place. */
export function riderAtPlace(body: CalibratedBody, place: number = body.timeline.length): CalibratedRider {
  const { resolved, values, plusMinus } = body.standingAt(place)
  const { bar, ridden, readAt, timeline, free, knowns, usual, comparedIn } = body
  return {
    bar,
    ridden,
    readAt,
    timeline,
    resolved,
    values,
    plusMinus,
    free,
    knowns,
    usual,
    comparedIn,
    readIn: (condition) => (condition === 'usual' ? resolved : body.readIn(place, condition)),
    get others() {
      return body.others
    },
  }
}

/** Body and rider at once, for whoever needs them at one place only. */
export function calibrateRider(
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  bar: DrawnBar,
  place: number = entries.length,
): CalibratedRider {
  return riderAtPlace(calibrateBody(readings, entries, bar), place)
}

/** Whether a position of the hands counts for this rider: the bike has it and riders use it, or something was read there. */
export function isPositionRidden({ ridden, readAt }: Pick<CalibratedRider, 'ridden' | 'readAt'>, hands: HandPosition): boolean {
  return (handPlace(hands).isUnusual !== true && hasHandPosition(ridden, hands)) || readAt.has(hands)
}

/** Whether something can be read in a position of the hands: the bike has it, or something was read there before. */
export function isPositionThere({ ridden, readAt }: Pick<CalibratedRider, 'ridden' | 'readAt'>, hands: HandPosition): boolean {
  return hasHandPosition(ridden, hands) || readAt.has(hands)
}

/** The calibrated rider with changes made, at a hand position; null while readings are lacking. */
export function riderWith(rider: CalibratedRider, by: MovedBy, hands?: HandPosition): RiderModel | null {
  const { model } = buildModel(rider.values, rider.bar, by, hands)
  if (model === null) return null
  const other = hands && rider.others.find((row) => row.hands === hands && conditions[row.condition].effort === 'calm')
  return withFree(model, (other ? other.calibration : rider.usual).values)
}

/**
 * What the model would have said of a reading before it was taken, at its own place: from the angles
 * read before it.
 * @returns degrees; null where it is no angle of the model, or readings are lacking
 */
export function predictionOf(
  reading: Pick<Reading, 'key' | 'side' | 'condition' | 'after'>,
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  bar: BarKind,
): number | null {
  const kind = definitionOf(reading.key).calibrates
  if (kind === undefined || reading.condition !== 'usual') return null
  const timeline = timelineOf(entries)
  const place = timeline.placeOf(reading.after)
  const earlier = readings.filter((other) => definitionOf(other.key).calibrates === undefined || timeline.placeOf(other.after) < place)
  const rider = calibrateRider(earlier, entries, bar, place)
  const model = riderWith(rider, timeline.byAt(place))
  return model === null || (model.grips === null && needsHands.includes(kind)) ? null : predict(model, { kind, side: reading.side })
}

/** Readings resolved for a place, once for all places at which the same ones hold. */
function standings(readings: readonly Reading[], timeline: Timeline, bar: BarKind): (place: number) => StandingNumbers {
  const taken = [...new Set(readings.flatMap(({ value, after }) => (value === null ? [] : [timeline.placeOf(after)])))]
  const kept = new Map<string, StandingNumbers>()
  return (place) => {
    const name = `${taken.filter((other) => other <= place).length}|${timeline.partsAt(place)}`
    const known = kept.get(name)
    if (known) return known
    const resolved = resolveReadings(readings, timeline, place, 'usual', bar)
    const made = { resolved, values: modelValues(resolved), plusMinus: modelPlusMinus(resolved) }
    kept.set(name, made)
    return made
  }
}

const bare = (knowns: readonly KnownAt[]): Known[] => knowns.map(({ known }) => known)

/** Whether a calibration would start from the very same numbers. */
function sameProblem(free: FreeParameters, knowns: readonly KnownAt[], before: CalibratedBody): boolean {
  if (knowns.length !== before.knowns.length) return false
  if (freeKeys.some((key) => free[key].prior !== before.free[key].prior || free[key].plusMinus !== before.free[key].plusMinus)) return false
  return knowns.every(({ known }, i) => {
    const other = before.knowns[i]?.known
    return (
      other !== undefined &&
      known.kind === other.kind &&
      known.side === other.side &&
      known.value === other.value &&
      known.plusMinus === other.plusMinus &&
      sameNumbers(known.base, other.base)
    )
  })
}

/** Deep equality of plain numbers, objects and nulls. */
function sameNumbers(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (!isRecord(a) || !isRecord(b)) return false
  for (const key in a) if (!sameNumbers(a[key], b[key])) return false
  return true
}

/** What was read of a rider on a bike, and where everything stood then. */
interface ReadOnBike {
  readonly readings: readonly Reading[]
  readonly timeline: Timeline
  readonly standingAt: (place: number) => StandingNumbers
  readonly bar: BarKind
}
const calibrating = (key: ReadingKey): KnownKind | undefined => definitionOf(key).calibrates
const comparing = (key: ReadingKey): ComparedKind | undefined => definitionOf(key).compares

/** Everything read under a condition that the body is calibrated by, or compared with, each where it was read. */
function readOnBikeAs<Kind extends ReadKind>(
  kindOf: (key: ReadingKey) => Kind | undefined,
  condition: ConditionKey,
  { readings, timeline, standingAt, bar }: ReadOnBike,
): KnownAt<Kind>[] {
  const hands = handsOf(condition, bar)
  const bases = new Map<number, RiderModel | null>()
  const angles = readings.filter(({ key, condition: at, value }) => kindOf(key) !== undefined && at === condition && value !== null)
  return angles.flatMap((reading): KnownAt<Kind>[] => {
    const kind = kindOf(reading.key)
    if (kind === undefined || typeof reading.value !== 'number') return []
    const place = timeline.placeOf(reading.after)
    const by = timeline.byAt(place)
    const { values } = standingAt(place)
    if (!bases.has(place)) bases.set(place, buildModel(values, bar, by, hands).model)
    const base = bases.get(place) ?? null
    if (base === null || (base.grips === null && needsHands.includes(kind))) return []
    const { sided, onceForBoth } = definitionOf(reading.key)
    // Read on one arm only, it stands for both.
    const alone =
      onceForBoth === true &&
      !angles.some((other) => other.key === reading.key && other.side !== reading.side && timeline.placeOf(other.after) === place)
    const side = sided && !alone ? reading.side : 'both'
    const known = { kind, side, value: reading.value, plusMinus: Math.max(0.1, readingPlusMinus(reading)), base }
    return [{ known, isOffPicture: isOffPicture(reading.method), values, place, by, hands }]
  })
}
