import { sitPoint } from '../bike/contactPoints.ts'
import { withFree } from '../body/calibration.ts'
import type { RiderModel } from '../body/rider.ts'
import type { CleatReadings } from '../feet/cleatJudgement.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { definitionOf, readingKeys } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { hiddenParts } from '../measure/resolve.ts'
import type { Resolved, ResolvedReadings } from '../measure/resolve.ts'
import { buildModel, footMoved, seatAngleOf, sitOf } from '../measure/riderModel.ts'
import type { BuiltModel, MovedBy } from '../measure/riderModel.ts'
import type { Reading } from '../measure/reading.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import { calibrateRider } from './calibrated.ts'
import type { CalibratedRider } from './calibrated.ts'
import type { CleatKnockOnInput } from './cleatKnockOn.ts'
import type { Standing } from './knockOn.ts'
import { foldLedger } from './fold.ts'
import type { LedgerEntry } from './ledger.ts'
import type { Folded } from './fold.ts'
import { settingKeys, settings } from './settings.ts'

/** One side's leg for the knock-on, or the readings it still lacks. */
export type LegInputs =
  | {
      readonly ready: true
      readonly input: Omit<CleatKnockOnInput, 'setbackFrom' | 'setbackTo'>
      readonly plusMinus: Readonly<Record<string, number>>
      readonly estimated: readonly ReadingKey[]
    }
  | { readonly ready: false; readonly missing: readonly ReadingKey[] }

/** Where everything stands: baseline readings plus the changes in force. */
export interface Setup {
  readonly baseline: ResolvedReadings
  /** the same readings with the changes in force */
  readonly now: ResolvedReadings
  readonly folded: Folded
  readonly cleat: Sided<CleatReadings>
  readonly saddleHeight: Resolved
  readonly legs: Sided<LegInputs>
  readonly rider: CalibratedRider
  /** contact points with the changes in force, and what they still lack */
  readonly built: BuiltModel
  /** the calibrated rider on them; null while readings are lacking */
  readonly model: RiderModel | null
}

/**
 * Baseline + changes = setup, the same in browser and server. Setting a part by a known amount adds
 * no uncertainty of its own beyond the baseline's: the move is made against a mark.
 * @param rider the calibrated rider, where it is already at hand; it knows all changes, also those made after `entries`
 */
export function setupOf(
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  bar: BarKind,
  rider: CalibratedRider = calibrateRider(readings, entries, bar),
): Setup {
  const baseline = rider.resolved
  const folded = foldLedger(entries)
  const by = folded.by
  const now = { ...settled(baseline, by), kneeOutside: kneesNow(rider, by) }
  const cleat = bySide((side): CleatReadings => ({
    setbackNow: now.cleatSetback[side],
    slotForward: now.slotForward[side],
    slotBack: now.slotBack[side],
    shoeSize: now.shoeSize[side],
    heelToMtp1: now.heelToMtp1[side],
    heelToMtp5: now.heelToMtp5[side],
    footLength: now.footLength[side],
  }))
  const built = buildModel(rider.values, rider.bar, by)
  const model = built.model && withFree(built.model, rider.usual.values)
  const legs = bySide((side) => legInputs(baseline, now, rider, by, side))
  return { baseline, now, folded, cleat, saddleHeight: now.saddleHeight.left, legs, rider, built, model }
}

/**
 * Readings that another setting carries along: room for moving shrinks on one side and grows on the
 * other, and levers turn with the bar.
 */
const carried: readonly (readonly [reading: ReadingKey, setting: keyof typeof settings, sign: 1 | -1])[] = [
  ['leverAngle', 'barRoll', 1],
  ['slotForward', 'cleatSetback', 1],
  ['slotBack', 'cleatSetback', -1],
  ['postRoomUp', 'saddleHeight', -1],
  ['postRoomDown', 'saddleHeight', 1],
  // Another saddle, ridden in the same place: its height over the rails is taken up by the post, and its nose goes where its length puts it.
  ['postRoomUp', 'saddleRailHeight', 1],
  ['postRoomDown', 'saddleRailHeight', -1],
  ['saddleSetback', 'sitFromNose', -1],
  ['clampFromNose', 'saddleSetback', -1],
  ['clampFromNose', 'sitFromNose', 1],
  ['railRoomForward', 'saddleSetback', 1],
  ['railRoomBack', 'saddleSetback', -1],
  ['spacersAbove', 'spacers', -1],
]

/** Readings with the changes in force. */
export function settled(baseline: ResolvedReadings, by: MovedBy): ResolvedReadings {
  const moved: Partial<Record<ReadingKey, Sided<Resolved>>> = {}
  const shift = (key: ReadingKey, amount: (side: Side) => number) => {
    const { left, right } = moved[key] ?? baseline[key]
    if (amount('left') !== 0 || amount('right') !== 0)
      moved[key] = { left: shifted(left, amount('left')), right: shifted(right, amount('right')) }
  }
  for (const key of settingKeys) shift(key, (side) => by(key, settings[key].sided ? side : 'both'))
  for (const [reading, key, sign] of carried) shift(reading, (side) => sign * by(key, settings[key].sided ? side : 'both'))
  return { ...baseline, ...moved }
}

/** Knee outside foot with the changes in force: the knee stays, the foot moves under it. Looked at again, it is read again. */
function kneesNow(rider: CalibratedRider, by: MovedBy): Sided<Resolved> {
  return bySide((side) => {
    const read = rider.resolved.kneeOutside[side]
    const start = rider.values.kneeOutside[side]
    return read === null || start === null ? read : { ...read, value: start - footMoved(by, side) }
  })
}

function shifted<T extends Quantity | null>(value: T, by: number): T {
  return value === null ? value : { ...value, value: value.value + by }
}

/** Readings behind the leg's inputs, in the order a fitter would take them. */
const legReadings: readonly (readonly [field: keyof CleatKnockOnInput, key: ReadingKey])[] = [
  ['thigh', 'thigh'],
  ['shank', 'shank'],
  ['heelToMtp1', 'heelToMtp1'],
  ['stack', 'soleStack'],
  ['crank', 'crank'],
  ['seatAngle', 'seatAngle'],
  ['footPitch', 'footPitch'],
  ['saddleHeight', 'saddleHeight'],
]

function legInputs(baseline: ResolvedReadings, now: ResolvedReadings, rider: CalibratedRider, by: MovedBy, side: Side): LegInputs {
  const hidden = hiddenParts(baseline, side)
  const values: Record<string, Quantity | null> = { ...hidden }
  for (const [field, key] of legReadings) values[field] = now[key][side]
  const missing = legReadings.filter(([field]) => !values[field]).map(([, key]) => key)
  const noStature = Object.values(hidden).some((part) => part === null)
  if (noStature) missing.push('stature')
  if (missing.length > 0) {
    // Stature fills in the segments, so it is asked for first and alone.
    const asked = noStature ? missing.filter((key) => !['thigh', 'shank', 'heelToMtp1'].includes(key)) : missing
    return { ready: false, missing: asked.sort((a, b) => order(a) - order(b)) }
  }
  const present = Object.entries(values) as [string, Quantity][]
  const numbers = Object.fromEntries(present.map(([field, q]) => [field, q.value])) as Record<string, number>
  return {
    ready: true,
    input: { ...(numbers as unknown as Omit<CleatKnockOnInput, 'setbackFrom' | 'setbackTo'>), ...calibratedLeg(rider, by, side) },
    plusMinus: Object.fromEntries(present.map(([field, q]) => [field, q.plusMinus])),
    estimated: legReadings.filter(([field]) => values[field]?.basis === 'estimated').map(([, key]) => key),
  }
}

/** What calibration and stance say of a leg; the hip as seen from the seat line, rails and tilt included. */
function calibratedLeg(rider: CalibratedRider, by: MovedBy, side: Side) {
  const { values } = rider
  const free = rider.usual.values
  const thigh = values.thigh[side] ?? 0
  const shank = values.shank[side] ?? 0
  const scale = 1 + (side === 'left' ? free.legLeft : free.legRight) / (thigh + shank)
  const sit = sitOf(values, by)
  const onLine = sitPoint((values.saddleHeight[side] ?? 0) + by('saddleHeight', 'both'), seatAngleOf(values))
  const get = (key: ReadingKey) => (values[key][side] ?? 0) + by(key, definitionOf(key).sided ? side : 'both')
  const stance = get('tread') / 2 + get('axleLength') + get('washer') + get('adapter') + get('cleatInboard')
  return {
    thigh: thigh * scale,
    shank: shank * scale,
    hipForward: free.hipForward + sit.x - onLine.x,
    hipUp: free.hipUp + sit.y - onLine.y,
    footPitch: side === 'left' ? free.pitchLeft : free.pitchRight,
    lateral: stance - (values.hipWidth[side] ?? 0) / 2,
  }
}

function order(key: ReadingKey): number {
  return readingKeys.indexOf(key)
}

/** The bike as it stands, as the knock-on engine takes it. */
export function standingOf(setup: Setup): Standing {
  return { rider: setup.rider, by: setup.folded.by, now: setup.now }
}
