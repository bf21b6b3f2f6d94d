import type { MetricKey } from '../body/metrics.ts'
import { judged } from '../kernel/judged.ts'
import type { Judged } from '../kernel/judged.ts'
import type { Side } from '../kernel/sided.ts'
import { conditionKeys, conditions, handPositionsOf, handsOf, usualHands } from '../readings/conditions.ts'
import type { ConditionKey, HandPosition } from '../readings/conditions.ts'
import { measured } from '../readings/resolve.ts'
import { readingOf } from '../rider/metricEstimate.ts'
import { metricBand } from '../station/number.ts'
import { positionRows } from '../stations/hands/place/positions.ts'
import type { PositionRow } from '../stations/hands/place/positions.ts'
import { sharesOf } from '../stations/hands/place/judge.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { RideSituation } from '../talk/regions.ts'
import type { Facts } from './context.ts'
import type { NumberName } from './numbers.ts'

/** Positions that a situation on the ride is about; others are about wherever the hands are for long. @source common-practice */
const about: Readonly<Partial<Record<RideSituation, { readonly effort?: 'hard'; readonly hands?: readonly HandPosition[] }>>> = {
  'hard-effort': { effort: 'hard' },
  climbing: { effort: 'hard' },
  low: { hands: ['drops', 'extension'] },
}
/** A position ridden for this share of the time counts for what hurts anywhere, %. @source prior */
const MUCH = 20

/**
 * Positions of hands and effort that count for complaints: by where each was told, else the usual one and
 * those that much of the ride is spent in.
 */
export function conditionsFrom(facts: Facts, complaints: readonly Complaint[]): ConditionKey[] {
  const { setup, input } = facts
  const { bar } = setup.rider
  const { of: shares } = sharesOf({ setup, choices: input.choices.hands })
  const there = conditionKeys.filter((key) => handPositionsOf(bar).includes(handsOf(key, bar)))
  const found = complaints.flatMap(({ situation }) => {
    const { effort, hands } = about[situation] ?? {}
    if (effort !== undefined || hands !== undefined)
      return there.filter(
        (key) => (effort === undefined || conditions[key].effort === effort) && (hands === undefined || hands.includes(handsOf(key, bar))),
      )
    return there.filter((key) => key === 'usual' || (conditions[key].effort === 'calm' && (shares[handsOf(key, bar)] ?? 0) >= MUCH))
  })
  return there.filter((key) => found.includes(key) || (found.length === 0 && key === 'usual'))
}

/** Numbers that are read in other positions too, left and right; where the arm has a band of its own there, it is judged on its own page. */
const positioned: Readonly<Partial<Record<NumberName, { readonly of: readonly [MetricKey, MetricKey]; readonly arms: boolean }>>> = {
  torso: { of: ['torso', 'torso'], arms: false },
  hip: { of: ['hipLeft', 'hipRight'], arms: false },
  elbow: { of: ['elbowLeft', 'elbowRight'], arms: true },
  shoulder: { of: ['shoulderLeft', 'shoulderRight'], arms: true },
  wrist: { of: ['wristLeft', 'wristRight'], arms: true },
}

const rows = new WeakMap<Facts, readonly PositionRow[]>()
function rowsOf(facts: Facts): readonly PositionRow[] {
  const made = rows.get(facts) ?? positionRows(facts.setup)
  rows.set(facts, made)
  return made
}

/** A number as it was read in a position, carried on by the model since; null where it was not read there. */
export function numberIn(facts: Facts, name: NumberName, side: Side, condition: ConditionKey): Judged | null {
  const row = positioned[name]
  const { bar, readIn } = facts.setup.rider
  if (row === undefined || (row.arms && handsOf(condition, bar) !== usualHands(bar))) return null
  const metric = row.of[side === 'left' ? 0 : 1]
  const reading = readingOf(metric)
  const read = reading && measured(readIn(condition), reading.key, reading.side)
  if (!read) return null
  const { hands, effort } = { hands: handsOf(condition, bar), effort: conditions[condition].effort }
  const value = rowsOf(facts).find((one) => one.hands === hands && one.effort === effort)?.metrics[metric] ?? read.value
  return judged(value, read.plusMinus, metricBand(facts.setup, metric))
}
