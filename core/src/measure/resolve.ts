import {
  ACROMION_RATIO,
  BALL_OF_FOOT_RATIO,
  FOREARM_TO_GRIP_RATIO,
  HAND_LENGTH_RATIO,
  HEEL_TO_ANKLE_RATIO,
  HIP_SPACING_RATIO,
  INSEAM_RATIO,
  TRUNK_RATIO,
  hipOffsetPrior,
  statureFractions,
} from '../body/proportions.ts'
import { DEGREES, RADIANS } from '../bike/contactPoints.ts'
import { quantity } from '../quantity/quantity.ts'
import type { Quantity, Unit } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import type { SourceKey } from '../sources.ts'
import { methodUncertainty } from './methods.ts'
import { definitionOf, readingKeys, unitOf } from './readingDefinitions.ts'
import type { ReadingKey } from './readingDefinitions.ts'
import { readingPlace } from './readingPlace.ts'
import type { Reading } from './reading.ts'
import { summarise } from './repeats.ts'

/** A reading made ready for use: measured, or estimated with its reason, or missing. */
export type Resolved = (Quantity & { readonly from: string; readonly source: SourceKey }) | null
export type ResolvedReadings = Readonly<Record<ReadingKey, Sided<Resolved>>>

/** The parts of a body that are never read directly, one side. */
export interface HiddenParts {
  readonly heelToAnkle: Resolved
  readonly ankleHeight: Resolved
  readonly hipForward: Resolved
  readonly hipUp: Resolved
  readonly hipWidth: Resolved
}

/** A saddle is commonly clamped this far before where its rider sits, mm; minus is ahead of it. @source prior */
const CLAMP_AHEAD = -20

type Lookup = (key: ReadingKey) => Resolved

/** How a missing reading is filled in. Widths are k = 2 and deliberately wide. */
const estimates: Readonly<Partial<Record<ReadingKey, (get: Lookup) => Resolved>>> = {
  inseam: (get) => scaled(get('stature'), INSEAM_RATIO, 45, 'from stature', 'prior'),
  thigh: (get) => scaled(get('stature'), statureFractions.thigh, 30, 'from stature', 'drillis-contini'),
  shank: (get) => scaled(get('stature'), statureFractions.shank, 30, 'from stature', 'drillis-contini'),
  trunk: (get) => scaled(get('stature'), TRUNK_RATIO, 40, 'from stature', 'drillis-contini'),
  upperArm: (get) => scaled(get('stature'), statureFractions.upperArm, 25, 'from stature', 'drillis-contini'),
  forearm: (get) => scaled(get('stature'), FOREARM_TO_GRIP_RATIO, 25, 'from stature', 'drillis-contini'),
  acromionWidth: (get) => scaled(get('stature'), ACROMION_RATIO, 35, 'from stature', 'ansur-ii'),
  handLength: (get) => scaled(get('stature'), HAND_LENGTH_RATIO, 16, 'from stature', 'ansur-ii'),
  footLength: (get) => scaled(get('stature'), statureFractions.footLength, 16, 'from stature', 'drillis-contini'),
  heelToMtp1: (get) => scaled(get('footLength'), BALL_OF_FOOT_RATIO, 10, 'from foot length', 'ansur-ii'),
  handSweep: () => fixed(10, 8, 'deg', 'usual hand'),
  seatAngle: (get) => angleFromNose(get) ?? fixed(73, 3, 'deg', 'usual frame'),
  clampFromNose: (get) => moved(get('sitFromNose'), CLAMP_AHEAD, 25, 'from sit point'),
  saddleRailHeight: () => fixed(50, 20, 'mm', 'usual saddle'),
  saddleLength: () => fixed(265, 25, 'mm', 'usual saddle'),
  sitFromNose: () => fixed(150, 30, 'mm', 'usual saddle'),
  footPitch: () => fixed(15, 12, 'deg', 'usual pedalling'),
  soleStack: () => fixed(24, 10, 'mm', 'usual shoe and pedal'),
  cleatInboard: () => fixed(0, 4, 'mm', 'middle of the shoe'),
  tread: () => fixed(155, 20, 'mm', 'usual crank'),
  axleLength: () => fixed(53, 3, 'mm', 'usual pedal'),
  washer: () => fixed(0, 1.5, 'mm', 'usually none'),
  adapter: () => fixed(0, 0.5, 'mm', 'usually none'),
  wedge: () => fixed(0, 1, 'deg', 'usually none'),
  archSupport: () => fixed(0, 4, 'mm', 'flat insole'),
  headAngle: () => fixed(72, 3, 'deg', 'usual frame'),
  headset: () => fixed(12, 10, 'mm', 'usual headset'),
  spacers: () => fixed(15, 15, 'mm', 'usual bike'),
  barRise: () => fixed(10, 15, 'mm', 'usual bar'),
  barForward: () => fixed(0, 10, 'mm', 'usual bar'),
  barBacksweep: () => fixed(8, 4, 'deg', 'usual bar'),
  barUpsweep: () => fixed(5, 3, 'deg', 'usual bar'),
  barBend: () => fixed(70, 40, 'mm', 'usual bar'),
  handFromEnd: () => fixed(65, 20, 'mm', 'usual grip'),
  hoodWidth: () => fixed(420, 40, 'mm', 'usual bar'),
  barReach: () => fixed(80, 12, 'mm', 'usual bar'),
  barDrop: () => fixed(125, 12, 'mm', 'usual bar'),
  barFlare: () => fixed(4, 6, 'deg', 'usual bar'),
  hoodPosition: () => fixed(45, 10, 'deg', 'usual bar'),
  hoodAngle: () => fixed(0, 5, 'deg', 'usual bar'),
  barRoll: () => fixed(0, 5, 'deg', 'usual bar'),
}

/**
 * Every reading per side, measured where it was (calm, hands where they usually are), else estimated,
 * else null. Measured always wins; an estimate built on an estimate carries both uncertainties.
 */
export function resolveReadings(readings: readonly Reading[]): ResolvedReadings {
  const byPlace = new Map(readings.map((reading) => [readingPlace(reading), reading]))
  const entries = readingKeys.map((key) => {
    if (definitionOf(key).sided) return [key, bySide((side) => resolveOne(byPlace, key, side))] as const
    const both = resolveOne(byPlace, key, 'left')
    return [key, { left: both, right: both }] as const
  })
  return Object.fromEntries(entries) as ResolvedReadings
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
export function readingPlusMinus(reading: Pick<Reading, 'key' | 'method' | 'repeats' | 'value' | 'plusMinus'>): number {
  const single = reading.plusMinus ?? methodUncertainty(reading.method, definitionOf(reading.key).dimension) ?? 0
  return reading.repeats.length < 2 ? single : summarise(single, reading.repeats).plusMinus
}

function resolveOne(byPlace: ReadonlyMap<string, Reading>, key: ReadingKey, side: Side): Resolved {
  const reading = byPlace.get(`${key}:${definitionOf(key).sided ? side : 'both'}`)
  if (reading && reading.value !== null) {
    const measured = quantity(reading.value, readingPlusMinus(reading), unitOf(key), 'measured')
    return { ...measured, from: reading.method, source: 'common-practice' }
  }
  return estimates[key]?.((other) => resolveOne(byPlace, other, side)) ?? null
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

function moved(base: Resolved, by: number, spread: number, from: string): Resolved {
  return base && estimated(base.value + by, Math.hypot(spread, base.plusMinus), 'mm', from, 'prior')
}

function fixed(value: number, spread: number, unit: Unit, from: string): Resolved {
  return estimated(value, spread, unit, from, 'prior')
}

function estimated(value: number, plusMinus: number, unit: Unit, from: string, source: SourceKey): Resolved {
  return { ...quantity(value, plusMinus, unit, 'estimated'), from, source }
}
