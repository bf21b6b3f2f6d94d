import type { BarKind } from '../bike/bikeKinds.ts'
import { calibrate, freeKeys, withFree } from '../body/calibration.ts'
import type { Calibration, Free, FreeParameters, Known, KnownKind } from '../body/calibration.ts'
import type { RiderModel } from '../body/rider.ts'
import { conditionKeys, conditions, handsOf } from '../measure/conditions.ts'
import type { ConditionKey, HandPosition } from '../measure/conditions.ts'
import type { Reading } from '../measure/reading.ts'
import { readingPlusMinus, resolveReadings } from '../measure/resolve.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import { knownKindOf } from '../measure/knownKinds.ts'
import { ELBOW_PRIOR, HAND_SET_PRIOR, SWIVEL_PRIOR, buildModel, footMoved, modelPlusMinus, modelValues } from '../measure/riderModel.ts'
import type { ModelKey, ModelValues, MovedBy } from '../measure/riderModel.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import { foldLedger } from './fold.ts'
import type { LedgerEntry } from './ledger.ts'

/** A rider calibrated under one condition. */
export interface CalibratedCondition {
  readonly condition: ConditionKey
  readonly hands: HandPosition
  readonly calibration: Calibration
  /** how far the hip has moved forward on the saddle against calm riding, mm */
  readonly creep: number
}

/** A measured angle with how the bike stood when it was read, so that its model can be built again. */
export interface KnownAt {
  readonly known: Known
  readonly by: MovedBy
  readonly hands: HandPosition
}

/** Everything the body model knows of this rider: numbers in, free parameters solved, per condition. */
export interface CalibratedRider {
  readonly bar: BarKind
  readonly resolved: ResolvedReadings
  readonly values: ModelValues
  readonly free: FreeParameters
  /** angles measured calm, hands where they usually are: what `usual` was solved from */
  readonly knowns: readonly KnownAt[]
  readonly usual: Calibration
  readonly others: readonly CalibratedCondition[]
}

const needsHands: readonly KnownKind[] = ['torsoAngle', 'elbowFlexion', 'shoulderAngle', 'hipAngle', 'wrist']

/** How far the body may differ from its calm self under another condition; k = 2. @source prior */
const CHANGE_OF_POSTURE: Readonly<Partial<Record<keyof FreeParameters, number>>> = {
  hipForward: 30, hipUp: 12, trunk: 30, elbowFlexion: 40, elbowSwivel: 30, handSet: 15, pitchLeft: 12, pitchRight: 12, legLeft: 0.5, legRight: 0.5,
} // prettier-ignore

/**
 * Calibrates the rider from every angle measured on the bike, each at the contact points that were
 * in force when it was read. Calm riding first; other efforts and hand positions start from it.
 */
export function calibrateRider(readings: readonly Reading[], entries: readonly LedgerEntry[], bar: BarKind): CalibratedRider {
  const resolved = resolveReadings(readings)
  const values = { ...modelValues(resolved), kneeOutside: kneesAtStart(resolved, readings, entries) }
  const free = freeParameters(values, modelPlusMinus(resolved))
  const knowns = knownsFor('usual', readings, entries, values, bar)
  const usual = calibrate(free, bare(knowns))
  const start = Object.fromEntries(
    freeKeys.map((key) => [key, { prior: usual.values[key], plusMinus: CHANGE_OF_POSTURE[key] ?? 10 }]),
  ) as unknown as FreeParameters
  const otherConditions = () =>
    conditionKeys.slice(1).flatMap((condition): CalibratedCondition[] => {
      const measured = knownsFor(condition, readings, entries, values, bar)
      if (measured.length === 0) return []
      const calibration = calibrate(start, bare(measured))
      const creep = calibration.values.hipForward - usual.values.hipForward
      return [{ condition, hands: handsOf(condition, bar), calibration, creep }]
    })
  let others: readonly CalibratedCondition[] | null = null
  return {
    bar,
    resolved,
    values,
    free,
    knowns,
    usual,
    // Other efforts and hands are looked at far less often than a field is typed in.
    get others() {
      return (others ??= otherConditions())
    },
  }
}

/** The calibrated rider with changes made, at a hand position; null while readings are lacking. */
export function riderWith(rider: CalibratedRider, by: MovedBy, hands?: HandPosition): RiderModel | null {
  const { model } = buildModel(rider.values, rider.bar, by, hands)
  if (model === null) return null
  const other = hands && rider.others.find((row) => row.hands === hands && conditions[row.condition].effort === 'calm')
  return withFree(model, (other ? other.calibration : rider.usual).values)
}

/** Knee outside foot as it would have been read at the start: the foot may have been moved before it was read. */
function kneesAtStart(resolved: ResolvedReadings, readings: readonly Reading[], entries: readonly LedgerEntry[]): Sided<number | null> {
  return bySide((side) => {
    const value = resolved.kneeOutside[side]?.value
    const taken = readings.find((reading) => reading.key === 'kneeOutside' && reading.side === side && reading.condition === 'usual')
    if (value === undefined || !taken) return null
    return value + footMoved(foldLedger(entries.filter((entry) => entry.at <= taken.takenAt)).by, side)
  })
}

const bare = (knowns: readonly KnownAt[]): Known[] => knowns.map(({ known }) => known)

/** How far the effective trunk may differ from the taped one: slouch and shoulder girdle, mm; k = 2. @source prior */
export const SLOUCH = 50

function freeParameters(values: ModelValues, plusMinus: Readonly<Record<ModelKey, Sided<number | null>>>): FreeParameters {
  const of = (key: ModelKey, side: Side, fallback: number) => ({
    prior: values[key][side] ?? fallback,
    plusMinus: Math.max(0.5, plusMinus[key][side] ?? 10),
  })
  const effective = (taped: Free): Free => ({ prior: taped.prior, plusMinus: Math.hypot(taped.plusMinus, SLOUCH) })
  const leg = (side: Side) => ({ prior: 0, plusMinus: Math.hypot(plusMinus.thigh[side] ?? 30, plusMinus.shank[side] ?? 30) })
  return {
    hipForward: of('hipForward', 'right', 40),
    hipUp: of('hipUp', 'right', 85),
    trunk: effective(of('trunk', 'right', 500)),
    elbowFlexion: ELBOW_PRIOR,
    elbowSwivel: SWIVEL_PRIOR,
    handSet: HAND_SET_PRIOR,
    pitchLeft: of('footPitch', 'left', 15),
    pitchRight: of('footPitch', 'right', 15),
    legLeft: leg('left'),
    legRight: leg('right'),
  }
}

function knownsFor(
  condition: ConditionKey,
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  values: ModelValues,
  bar: BarKind,
): KnownAt[] {
  const hands = handsOf(condition, bar)
  const bases = new Map<number, RiderModel | null>()
  return readings.flatMap((reading): KnownAt[] => {
    const kind = knownKindOf[reading.key]
    if (kind === undefined || reading.condition !== condition || reading.value === null) return []
    const before = entries.filter((entry) => entry.at <= reading.takenAt).length
    const by = foldLedger(entries.slice(0, before)).by
    if (!bases.has(before)) bases.set(before, buildModel(values, bar, by, hands).model)
    const base = bases.get(before) ?? null
    if (base === null || (base.grip === null && needsHands.includes(kind))) return []
    const side = definitionOf(reading.key).sided ? reading.side : 'both'
    const known = { kind, side, value: reading.value, plusMinus: Math.max(0.1, readingPlusMinus(reading)), base }
    return [{ known, by, hands }]
  })
}
