import { BALL_OF_FOOT_RATIO, HEEL_TO_ANKLE_RATIO, INSEAM_RATIO, hipOffsetPrior, statureFractions } from '../body/proportions.ts'
import { quantity } from '../quantity/quantity.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import type { SourceKey } from '../sources.ts'
import { methodUncertainty } from './methods.ts'
import { definitionOf, readingKeys, unitOf } from './readingDefinitions.ts'
import type { ReadingKey } from './readingDefinitions.ts'
import type { Reading } from './reading.ts'

/** A reading made ready for use: measured, or estimated with its reason, or missing. */
export type Resolved = (Quantity & { readonly from: string; readonly source: SourceKey }) | null
export type ResolvedReadings = Readonly<Record<ReadingKey, Sided<Resolved>>>

/** The parts of a leg that are never read directly, one side. */
export interface HiddenParts {
  readonly heelToAnkle: Resolved
  readonly ankleHeight: Resolved
  readonly hipForward: Resolved
  readonly hipUp: Resolved
}

type Lookup = (key: ReadingKey) => Resolved

/** How a missing reading is filled in. Widths are k = 2 and deliberately wide. */
const estimates: Readonly<Partial<Record<ReadingKey, (get: Lookup) => Resolved>>> = {
  inseam: (get) => scaled(get('stature'), INSEAM_RATIO, 45, 'from stature', 'prior'),
  thigh: (get) => scaled(get('stature'), statureFractions.thigh, 30, 'from stature', 'drillis-contini'),
  shank: (get) => scaled(get('stature'), statureFractions.shank, 30, 'from stature', 'drillis-contini'),
  footLength: (get) => scaled(get('stature'), statureFractions.footLength, 16, 'from stature', 'drillis-contini'),
  heelToMtp1: (get) => scaled(get('footLength'), BALL_OF_FOOT_RATIO, 10, 'from foot length', 'ansur-ii'),
  seatAngle: () => fixed(73, 2, 'deg', 'usual frame'),
  footPitch: () => fixed(15, 12, 'deg', 'usual pedalling'),
  soleStack: () => fixed(24, 10, 'mm', 'usual shoe and pedal'),
}

/**
 * Every reading per side, measured where it was, else estimated, else null.
 * Measured always wins; an estimate built on an estimate carries both uncertainties.
 */
export function resolveReadings(readings: readonly Reading[]): ResolvedReadings {
  const entries = readingKeys.map((key) => [key, bySide((side) => resolveOne(readings, key, side))] as const)
  return Object.fromEntries(entries) as ResolvedReadings
}

/** Parts of one leg that no tape reaches, estimated from the resolved readings. */
export function hiddenParts(resolved: ResolvedReadings, side: Side): HiddenParts {
  const stature = resolved.stature[side]
  const hip = stature === null ? null : hipOffsetPrior(stature.value)
  return {
    heelToAnkle: scaled(resolved.footLength[side], HEEL_TO_ANKLE_RATIO, 10, 'from foot length', 'prior'),
    ankleHeight: scaled(stature, statureFractions.ankleHeight, 10, 'from stature', 'drillis-contini'),
    hipForward: hip && estimated(hip.forward, 30, 'mm', 'usual hip, from stature', 'prior'),
    hipUp: hip && estimated(hip.up, 25, 'mm', 'usual hip, from stature', 'prior'),
  }
}

function resolveOne(readings: readonly Reading[], key: ReadingKey, side: Side): Resolved {
  const wanted = definitionOf(key).sided ? side : 'both'
  const reading = readings.find((r) => r.key === key && r.side === wanted)
  if (reading && reading.value !== null) {
    const plusMinus = methodUncertainty(reading.method, definitionOf(key).dimension) ?? 0
    return { ...quantity(reading.value, plusMinus, unitOf(key), 'measured'), from: reading.method, source: 'common-practice' }
  }
  return estimates[key]?.((other) => resolveOne(readings, other, side)) ?? null
}

function scaled(base: Resolved, ratio: number, spread: number, from: string, source: SourceKey): Resolved {
  if (base === null) return null
  return estimated(base.value * ratio, Math.hypot(spread, base.plusMinus * ratio), 'mm', from, source)
}

function fixed(value: number, spread: number, unit: 'mm' | 'deg', from: string): Resolved {
  return estimated(value, spread, unit, from, 'prior')
}

function estimated(value: number, plusMinus: number, unit: 'mm' | 'deg', from: string, source: SourceKey): Resolved {
  return { ...quantity(value, plusMinus, unit, 'estimated'), from, source }
}
