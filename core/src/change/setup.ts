import type { CleatReadings } from '../feet/cleatJudgement.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { hiddenParts, resolveReadings } from '../measure/resolve.ts'
import type { Resolved, ResolvedReadings } from '../measure/resolve.ts'
import type { Reading } from '../measure/reading.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import type { CleatKnockOnInput } from './cleatKnockOn.ts'
import { foldLedger } from './ledger.ts'
import type { Folded, LedgerEntry } from './ledger.ts'

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
  readonly folded: Folded
  readonly cleat: Sided<CleatReadings>
  readonly saddleHeight: Resolved
  readonly legs: Sided<LegInputs>
}

/**
 * Baseline + changes = setup, the same in browser and server. Setting a part by a known amount adds
 * no uncertainty of its own beyond the baseline's: the move is made against a mark.
 */
export function setupOf(readings: readonly Reading[], entries: readonly LedgerEntry[]): Setup {
  const baseline = resolveReadings(readings)
  const folded = foldLedger(entries)
  const saddleHeight = shifted(baseline.saddleHeight.left, folded.by('saddleHeight', 'both'))
  const cleat = bySide((side): CleatReadings => {
    const back = folded.by('cleatSetback', side)
    return {
      setbackNow: shifted(baseline.cleatSetback[side], back),
      slotForward: shifted(baseline.slotForward[side], back),
      slotBack: shifted(baseline.slotBack[side], -back),
      shoeSize: baseline.shoeSize[side],
      heelToMtp1: baseline.heelToMtp1[side],
      heelToMtp5: baseline.heelToMtp5[side],
      footLength: baseline.footLength[side],
    }
  })
  return { baseline, folded, cleat, saddleHeight, legs: bySide((side) => legInputs(baseline, saddleHeight, side)) }
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
]

function legInputs(baseline: ResolvedReadings, saddleHeight: Resolved, side: Side): LegInputs {
  const hidden = hiddenParts(baseline, side)
  const values: Record<string, Quantity | null> = { saddleHeight, ...hidden }
  for (const [field, key] of legReadings) values[field] = baseline[key][side]
  const missing = legReadings.filter(([field]) => !values[field]).map(([, key]) => key)
  if (saddleHeight === null) missing.push('saddleHeight')
  const noStature = Object.values(hidden).some((part) => part === null)
  if (noStature) missing.push('stature')
  if (missing.length > 0) {
    // Stature fills in the segments, so it is asked for first and alone.
    const asked = noStature ? missing.filter((key) => !['thigh', 'shank', 'heelToMtp1'].includes(key)) : missing
    return { ready: false, missing: asked.sort((a, b) => order(a) - order(b)) }
  }
  const present = Object.entries(values) as [string, Quantity][]
  return {
    ready: true,
    input: Object.fromEntries(present.map(([field, q]) => [field, q.value])) as unknown as Omit<
      CleatKnockOnInput,
      'setbackFrom' | 'setbackTo'
    >,
    plusMinus: Object.fromEntries(present.map(([field, q]) => [field, q.plusMinus])),
    estimated: legReadings.filter(([field]) => values[field]?.basis === 'estimated').map(([, key]) => key),
  }
}

function order(key: ReadingKey): number {
  return ['body', 'bike', 'on-bike', 'shoe', 'cleat'].indexOf(definitionOf(key).group)
}
