import type { BarKind, BikeKind } from '../bike/bikeKinds.ts'
import type { MetricKey } from '../body/metrics.ts'
import type { TargetBand } from '../kernel/band.ts'
import { judged } from '../kernel/judged.ts'
import type { Judged } from '../kernel/judged.ts'
import type { Side } from '../kernel/sided.ts'
import { conditionKeys, conditionOf, conditions, handPlace, handPositionsOf, handsOf, usualHands } from '../readings/conditions.ts'
import type { ConditionKey, HandPosition } from '../readings/conditions.ts'
import { metricReadIn } from '../rider/metricEstimate.ts'
import { metricBand } from '../station/number.ts'
import { torsoBand } from '../stations/hands/place/front.ts'
import { posedModels } from '../stations/hands/place/positions.ts'
import { isRiddenMuch, sharesOf } from '../stations/hands/place/judge.ts'
import { standsAt } from '../readings/resolve.ts'
import { isPositionThere } from '../rider/calibrated.ts'
import { standingOf } from '../rider/setup.ts'
import type { Reading } from '../readings/reading.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { RideSituation } from '../talk/regions.ts'
import type { Facts } from './context.ts'
import type { NumberName } from './numbers.ts'

/** Positions that a situation on the ride is about; others are about wherever the hands are for long. @source common-practice */
const about: Readonly<Partial<Record<RideSituation, { readonly effort?: 'hard'; readonly hands?: readonly HandPosition[] }>>> = {
  'hard-effort': { effort: 'hard' },
  climbing: { effort: 'hard' },
  low: { hands: ['drops', 'aero', 'extension'] },
}

/** Whether anything was read in a position other than the usual one; each list of readings is looked through once. */
const elsewhere = new WeakMap<readonly Reading[], boolean>()
function isReadElsewhere(readings: readonly Reading[]): boolean {
  const found = elsewhere.get(readings) ?? readings.some(({ condition, value }) => condition !== 'usual' && value !== null)
  elsewhere.set(readings, found)
  return found
}
const ONLY_USUAL: readonly ConditionKey[] = ['usual']

/**
 * Positions of hands and effort that count for complaints: by where each was told, else those that much of
 * the ride is spent in, the usual one where nobody has said or nothing was read elsewhere.
 */
export function conditionsFrom(facts: Facts, complaints: readonly Complaint[]): readonly ConditionKey[] {
  const { setup, input } = facts
  if (!isReadElsewhere(input.readings)) return ONLY_USUAL
  const { bar } = setup.rider
  const shares = sharesOf({ setup, choices: input.choices.hands })
  const there = conditionKeys.filter((key) => handPositionsOf(bar).includes(handsOf(key, bar)))
  const found = complaints.flatMap(({ situation }) => {
    const { effort, hands } = about[situation] ?? {}
    if (effort !== undefined || hands !== undefined)
      return there.filter(
        (key) => (effort === undefined || conditions[key].effort === effort) && (hands === undefined || hands.includes(handsOf(key, bar))),
      )
    return there.filter((key) => conditions[key].effort === 'calm' && isRiddenMuch(shares, handsOf(key, bar)))
  })
  return there.filter((key) => found.includes(key) || (found.length === 0 && key === 'usual'))
}

/**
 * The position a complaint was told of, where that is not the usual one: something read nowhere else counts
 * there for want of better, and is worth reading there. Of several hands' places the one ridden most.
 * @returns null where complaints tell of nothing but usual riding
 */
export function positionTold(facts: Facts, complaints: readonly Complaint[]): ConditionKey | null {
  const { setup, input } = facts
  const { bar } = setup.rider
  const told = complaints.flatMap(({ situation }) => about[situation] ?? [])
  const [first] = told
  if (first === undefined || told.length < complaints.length) return null
  if (first.hands === undefined) return conditionOf(bar, usualHands(bar), first.effort ?? 'calm')
  const { of } = sharesOf({ setup, choices: input.choices.hands })
  const has = (hands: HandPosition) => {
    const { needs } = handPlace(hands)
    return (
      handPositionsOf(bar).includes(hands) &&
      isPositionThere(setup.rider, hands) &&
      (needs === undefined || standsAt(setup.now, needs) !== null)
    )
  }
  const there = first.hands.filter(has)
  const [most] = there.sort((a, b) => (of[b] ?? 0) - (of[a] ?? 0))
  return most === undefined ? null : conditionOf(bar, most, 'calm')
}

interface Positioned {
  readonly of: readonly [MetricKey, MetricKey]
  readonly arms: boolean
  /** its band in a position; else that of the number of the rider */
  readonly band?: (kind: BikeKind, hands: HandPosition) => TargetBand
}
/** Numbers that are read in other positions too, left and right; where the arm has a band of its own there, it is judged on its own page. */
const positioned: Readonly<Partial<Record<NumberName, Positioned>>> = {
  torso: { of: ['torso', 'torso'], arms: false },
  frontTorso: { of: ['torso', 'torso'], arms: false, band: torsoBand },
  hip: { of: ['hipLeft', 'hipRight'], arms: false },
  elbow: { of: ['elbowLeft', 'elbowRight'], arms: true },
  shoulder: { of: ['shoulderLeft', 'shoulderRight'], arms: true },
  wrist: { of: ['wristLeft', 'wristRight'], arms: true },
}

/** Whether a number has a value of its own in a position. */
export function isPositioned(name: NumberName, condition: ConditionKey, bar: BarKind): boolean {
  const row = positioned[name]
  return row !== undefined && !(row.arms && handsOf(condition, bar) !== usualHands(bar))
}

const kept = new WeakMap<Facts, ReturnType<typeof posedModels>>()
function modelsOf(facts: Facts): ReturnType<typeof posedModels> {
  const made = kept.get(facts) ?? posedModels(standingOf(facts.setup))
  kept.set(facts, made)
  return made
}

/** A number as it was read in a position, carried on by the model since; null where it was not read there. */
export function numberIn(facts: Facts, name: NumberName, side: Side, condition: ConditionKey): Judged | null {
  const row = positioned[name]
  const { bar } = facts.setup.rider
  if (row === undefined || !isPositioned(name, condition, bar)) return null
  const hands = handsOf(condition, bar)
  const posed = modelsOf(facts).find((one) => one.hands === hands && one.effort === conditions[condition].effort)
  const metric = row.of[side === 'left' ? 0 : 1]
  const read = posed === undefined ? null : metricReadIn(facts.setup, condition, posed.model, metric)
  return read === null || read.plusMinus === null
    ? null
    : judged(read.value, read.plusMinus, row.band?.(facts.input.kind, hands) ?? metricBand(facts.setup, metric))
}
