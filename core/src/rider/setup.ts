import { withFree } from '../body/calibration.ts'
import type { RiderModel } from '../body/rider.ts'
import type { DrawnBar } from '../bike/bikeKinds.ts'
import { numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import type { Resolved, ResolvedReadings } from '../readings/resolve.ts'
import { buildModel } from '../model/riderModel.ts'
import type { BuiltModel } from '../model/riderModel.ts'
import type { Reading } from '../readings/reading.ts'
import { unmoved } from '../readings/movedBy.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import type { Sided } from '../kernel/sided.ts'
import { calibrateBody, riderAtPlace } from './calibrated.ts'
import type { CalibratedBody, CalibratedRider } from './calibrated.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import type { Folded } from '../ledger/fold.ts'
import { foldedAt, shiftedBy } from '../ledger/timeline.ts'

/** Where everything stands at a place of the ledger: readings that hold there plus the changes in force. */
export interface Setup {
  /** ledger entries counted */
  readonly place: number
  /** the readings that hold here, as they would have read before any change */
  readonly baseline: ResolvedReadings
  /** the same readings with the changes in force */
  readonly now: ResolvedReadings
  readonly folded: Folded
  readonly rider: CalibratedRider
  /** contact points with the changes in force, and what they still lack */
  readonly built: BuiltModel
  /** the calibrated rider on them; null while readings are lacking */
  readonly model: RiderModel | null
}

/**
 * Baseline + changes = setup, the same in browser and server. Setting a part by a known amount adds
 * no uncertainty of its own beyond the baseline's: the move is made against a mark.
 * @param entries the whole ledger: what was read later still tells about the body
 * @param place how many entries of it are in force; all by default
 * @param body the calibrated body, where it is already at hand
 */
export function setupOf(
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  bar: DrawnBar,
  place: number = entries.length,
  body: CalibratedBody = calibrateBody(readings, entries, bar),
): Setup {
  const rider = riderAtPlace(body, place)
  const folded = foldedAt(entries, place)
  const built = buildModel(rider.values, rider.bar, folded.by)
  return {
    place,
    baseline: rider.resolved,
    now: settled(rider.resolved, folded.by),
    folded,
    rider,
    built,
    model: built.model && withFree(built.model, rider.usual.values),
  }
}

/** Readings with the changes in force. */
export function settled(baseline: ResolvedReadings, by: MovedBy): ResolvedReadings {
  if (by === unmoved) return baseline
  const moved: Partial<Record<NumberKey, Sided<Resolved>>> = {}
  for (const key of numberKeys) {
    const [left, right] = [shiftedBy(by, key, 'left'), shiftedBy(by, key, 'right')]
    if (left !== 0 || right !== 0) moved[key] = { left: shifted(baseline[key].left, left), right: shifted(baseline[key].right, right) }
  }
  return { ...baseline, ...moved }
}

function shifted(value: Resolved, by: number): Resolved {
  if (value === null || by === 0) return value
  return { ...value, value: value.value + by, ...(value.basis === 'measured' ? {} : { isMoved: true as const }) }
}

/** The bike as it stands, as the knock-on engine takes it. */
export function standingOf(setup: Setup): Standing {
  return { rider: setup.rider, by: setup.folded.by, now: setup.now }
}

/** The bike as it stands, as the engine needs it. */
export interface Standing {
  readonly rider: CalibratedRider
  readonly by: MovedBy
  readonly now: ResolvedReadings
}
