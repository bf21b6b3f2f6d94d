import { HEEL_TO_ANKLE_RATIO, HIP_SPACING_RATIO, hipOffsetPrior, statureFractions } from '../body/proportions.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { isOneOf, tableOf } from '../kernel/tables.ts'
import { DEGREES, RADIANS } from '../bike/contactPoints.ts'
import { quantity } from '../kernel/quantity.ts'
import type { Quantity, Unit } from '../kernel/quantity.ts'
import { bySide, sides } from '../kernel/sided.ts'
import type { Side, Sided } from '../kernel/sided.ts'
import type { SourceKey } from '../kernel/sources.ts'
import { methodUncertainty, methods } from './table/methods.ts'
import { choiceKeys, definitionOf, isChoice, numberKeys, unitOf } from './readingDefinitions.ts'
import type { ChoiceKey, NumberKey, OptionOf, ReadingKey } from './readingDefinitions.ts'
import type { ConditionKey } from './conditions.ts'
import type { Reading } from './reading.ts'
import { readingPlace } from './readingPlace.ts'
import { summarise } from './repeats.ts'
import { noChanges } from './movedBy.ts'
import type { Timeline } from './movedBy.ts'

/** A number made ready for use: measured, or estimated with its reason, or missing. */
export type Resolved =
  | (Quantity & {
      readonly from: string
      readonly source: SourceKey
      /** place of the ledger at which it was read */
      readonly at?: number
      /** read once, and taken for both sides */
      readonly oneForBoth?: true
      /** an estimate that changes of this visit, or of the one before it, have moved */
      readonly isMoved?: true
    })
  | null
/** What was chosen among a reading's words, by side; null = not read. */
export type ResolvedChoices = { readonly [Key in ChoiceKey]: Sided<OptionOf<Key> | null> }
export type ResolvedReadings = Readonly<Record<NumberKey, Sided<Resolved>>> & { readonly choices: ResolvedChoices }

/** A number that was read with tape, eye or mat; an estimate counts as not read. */
export function measured(now: ResolvedReadings, key: NumberKey, side: Side = 'left'): Quantity | null {
  const value = now[key][side]
  return value?.basis === 'measured' ? value : null
}
export function measuredValue(now: ResolvedReadings, key: NumberKey, side: Side = 'left'): number | null {
  return measured(now, key, side)?.value ?? null
}

/**
 * What stands there: as it was read, or, where nothing was read, what is usual there with what this
 * visit has put on top; null where neither is known.
 */
export function standsAt(now: ResolvedReadings, key: NumberKey, side: Side = 'left'): Quantity | null {
  const value = now[key][side]
  return value?.basis === 'measured' || value?.isMoved ? value : null
}

/** Whether a number is what the last visit's kept changes made of an estimate. */
export function isCarried(value: Resolved): boolean {
  return value?.from === methods.carried.label
}

/** What was chosen among a reading's words; null = not read. */
export function chosen<Key extends ChoiceKey>(now: ResolvedReadings, key: Key, side: Side = 'left'): OptionOf<Key> | null {
  return now.choices[key][side]
}

/** Whether something was read on either side, be it a number or a word. */
export function isRead(now: ResolvedReadings, key: ReadingKey): boolean {
  return sides.some((side) => (isChoice(key) ? chosen(now, key, side) !== null : measured(now, key, side) !== null))
}

/** The parts of a body that are never read directly, one side. */
export interface HiddenParts {
  readonly heelToAnkle: Resolved
  readonly ankleHeight: Resolved
  readonly hipForward: Resolved
  readonly hipUp: Resolved
  readonly hipWidth: Resolved
}

/** A thigh or shank of the other leg may differ by this, mm; k = 2. @source knutson */
const OTHER_LEG = 10
type Lookup = (key: NumberKey) => Resolved

/** What stands for a reading that was not taken, by its row. */
function filledIn(key: NumberKey, get: Lookup, bar: BarKind | null): Resolved {
  const fromNose = key === 'seatAngle' ? angleFromNose(get) : null
  const { estimate } = definitionOf(key)
  if (fromNose !== null || estimate === undefined) return fromNose
  if (estimate.by === 'usual')
    return estimated((bar && estimate.on?.[bar]) ?? estimate.value, estimate.spread, unitOf(key), estimate.from, 'prior')
  const base = isOneOf(numberKeys, estimate.of) ? get(estimate.of) : null
  if (estimate.by === 'share') return scaled(base, estimate.ratio, estimate.spread, estimate.from, estimate.source)
  return base && estimated(base.value + estimate.offset, Math.hypot(estimate.spread, base.plusMinus), 'mm', estimate.from, 'prior')
}

/**
 * Every reading per side as it holds at a place of the timeline: measured where it was (calm, hands
 * where they usually are), else estimated, else null. Of several readings of one thing the newest at
 * or before the place counts; one of rider, shoe or bike that was only read later counts as well.
 * What was read on a part that is not on the bike at that place does not. Numbers are given as they
 * would have read at the start: what was moved since is taken off, and put back by `settled`.
 * @param condition what the rider does while it is read: nothing is estimated of another than the usual one
 * @param bar of the bike, where it is known: some parts are estimated by it
 */
export function resolveReadings(
  readings: readonly Reading[],
  timeline: Timeline = noChanges,
  place: number = timeline.length,
  condition: ConditionKey = 'usual',
  bar: BarKind | null = null,
): ResolvedReadings {
  const taken = takenAt(readings, timeline, place, condition)
  const numbers = tableOf(numberKeys, (key) => {
    const one = (side: Side) => resolveOne(taken, key, side, condition === 'usual', bar)
    if (definitionOf(key).sided) return bySide(one)
    const both = one('left')
    return { left: both, right: both }
  })
  const choices = tableOf(choiceKeys, (key) => {
    const at = (side: Side) => taken.get(`${key}:${side}`)?.option ?? taken.get(`${key}:both`)?.option ?? null
    return { left: at('left'), right: at('right') }
  })
  // The schema of a reading has held each word against the options of its own row.
  return { ...numbers, choices: choices as ResolvedReadings['choices'] }
}

/** What stands for a key and side at a place. */
interface Taken {
  readonly number: Resolved
  readonly option: string | null
}

/** A reading that counts at a place, with the place it was taken at. */
export interface Counting {
  readonly reading: Reading
  readonly at: number
}

/**
 * Which readings count at a place, by what is read (key, side and condition): the newest at or
 * before it; failing that the earliest after it, unless it belongs to the contact points it was
 * taken at. What exchanged parts say of themselves stands among them, as figures of their maker.
 */
export function countingReadings(readings: readonly Reading[], timeline: Timeline, place: number): ReadonlyMap<string, Counting> {
  const found = new Map<string, Counting>()
  const offer = (reading: Reading, at: number): void => {
    const name = readingPlace(reading)
    const now = found.get(name)
    if (now === undefined || isBetter(at, now.at, place)) found.set(name, { reading, at })
  }
  for (const { key, side, value, place: fitted } of timeline.partReadings(place)) {
    const method = isChoice(key) ? 'eye' : 'maker'
    offer({ key, side, value, typed: String(value), method, after: null, at: '', condition: 'usual', repeats: [] }, fitted)
  }
  for (const reading of readings) {
    if (reading.value === null) continue
    const at = timeline.placeOf(reading.after)
    if (at > place && definitionOf(reading.key).owner === 'fit') continue
    if (timeline.partAt(reading.key, at) === timeline.partAt(reading.key, place)) offer(reading, at)
  }
  return found
}

/** The readings that count under a condition, by `key:side`. */
function takenAt(readings: readonly Reading[], timeline: Timeline, place: number, asked: ConditionKey): ReadonlyMap<string, Taken> {
  const found = new Map<string, Taken>()
  for (const { reading, at } of countingReadings(readings, timeline, place).values()) {
    const { key, side, value, condition } = reading
    if (condition !== asked || value === null) continue
    const option = typeof value === 'string' ? value : null
    const number = typeof value === 'string' || isChoice(key) ? null : read(reading, key, value, timeline, at)
    found.set(`${key}:${side}`, { number, option })
  }
  return found
}

/** The newest at or before a place; failing that, the earliest after it. */
function isBetter(next: number, now: number, place: number): boolean {
  if (next <= place) return now > place || next >= now
  return now > place && next < now
}

const kept = new WeakMap<Reading, { readonly timeline: Timeline; readonly at: number; readonly number: Resolved }>()

/** A reading as it would have read at the start; worked out once, as a key press leaves all others the same. */
function read(reading: Reading, key: NumberKey, value: number, timeline: Timeline, at: number): Resolved {
  const known = kept.get(reading)
  if (known?.timeline === timeline && known.at === at) return known.number
  const atStart = value - timeline.shift(key, reading.side === 'right' ? 'right' : 'left', 0, at)
  const plusMinus = readingPlusMinus(reading)
  // What the last visit's kept changes made of an estimate is known no better than the estimate was.
  const number: Resolved =
    reading.method === 'carried'
      ? { ...estimated(atStart, plusMinus, unitOf(key), methods.carried.label, 'prior'), isMoved: true }
      : { ...quantity(atStart, plusMinus, unitOf(key), 'measured'), from: reading.method, source: 'common-practice', at }
  kept.set(reading, { timeline, at, number })
  return number
}

/** Parts of one side of the body that no tape reaches, estimated from the resolved readings. */
export function hiddenParts(resolved: ResolvedReadings, side: Side): HiddenParts {
  const stature = resolved.stature[side]
  const hip = stature === null ? null : hipOffsetPrior(stature.value)
  return {
    heelToAnkle: scaled(resolved.footLength[side], HEEL_TO_ANKLE_RATIO, 10, 'from foot length', 'prior'),
    ankleHeight: scaled(stature, statureFractions.ankleHeight, 10, 'from stature', 'drillis-contini'),
    hipForward: hip && estimated(hip.forward, 30, 'mm', 'usual hip, from stature', 'prior'),
    hipUp: hip && estimated(hip.up, 25, 'mm', 'usual hip, from stature', 'prior'),
    hipWidth: scaled(stature, HIP_SPACING_RATIO, 30, 'from stature', 'prior'),
  }
}

/** ± of a stored reading: its method's, sharpened by repetition. */
export function readingPlusMinus(reading: Pick<Reading, 'key' | 'method' | 'repeats' | 'plusMinus'>): number {
  const { dimension, noBetterThan } = definitionOf(reading.key)
  const single = reading.plusMinus ?? methodUncertainty(reading.method, dimension) ?? 0
  const repeated = reading.repeats.length < 2 ? single : summarise(single, reading.repeats).plusMinus
  return Math.max(repeated, noBetterThan?.[reading.method] ?? 0)
}

function resolveOne(taken: ReadonlyMap<string, Taken>, key: NumberKey, side: Side, fills: boolean, bar: BarKind | null): Resolved {
  const { sided, onceForBoth, likeOther } = definitionOf(key)
  const own = taken.get(`${key}:${sided ? side : 'both'}`)?.number
  // A seat angle carried over gives way to a nose that has been read since.
  const fromNose = own?.isMoved && key === 'seatAngle' ? angleFromNose((about) => resolveOne(taken, about, side, true, bar)) : null
  if (own) return fromNose ?? own
  if (onceForBoth) {
    const other = taken.get(`${key}:both`)?.number ?? taken.get(`${key}:${side === 'left' ? 'right' : 'left'}`)?.number
    if (other) return { ...other, oneForBoth: true }
  }
  if (!fills) return null
  const other = likeOther ? taken.get(`${key}:${side === 'left' ? 'right' : 'left'}`)?.number : undefined
  if (other)
    return { ...estimated(other.value, Math.hypot(other.plusMinus, OTHER_LEG), 'mm', 'like the other leg', 'knutson'), oneForBoth: true }
  return filledIn(key, (about) => resolveOne(taken, about, side, true, bar), bar)
}

/** Effective seat angle from the saddle's nose and height: cos ψ = (nose behind BB + nose to sit point) / height. */
function angleFromNose(get: Lookup): Resolved {
  const height = get('saddleHeight')
  const nose = get('saddleSetback')
  const sit = get('sitFromNose')
  if (height === null || nose === null || sit === null) return null
  const behind = nose.value + sit.value
  if (!(Math.abs(behind) < height.value)) return null
  const value = Math.acos(behind / height.value) * DEGREES
  const perMm = DEGREES / (height.value * Math.sin(value * RADIANS))
  const plusMinus = perMm * Math.hypot(nose.plusMinus, sit.plusMinus, (behind / height.value) * height.plusMinus)
  return estimated(value, plusMinus, 'deg', 'from nose and height', 'geometry')
}

function scaled(base: Resolved, ratio: number, spread: number, from: string, source: SourceKey): Resolved {
  if (base === null) return null
  return estimated(base.value * ratio, Math.hypot(spread, base.plusMinus * ratio), 'mm', from, source)
}

function estimated(value: number, plusMinus: number, unit: Unit, from: string, source: SourceKey): NonNullable<Resolved> {
  return { ...quantity(value, plusMinus, unit, 'estimated'), from, source }
}
