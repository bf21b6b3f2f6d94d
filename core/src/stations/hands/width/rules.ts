import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { msg, range } from '../../../kernel/message.ts'
import { RADIANS } from '../../../bike/contactPoints.ts'
import type { BarKind, BikeKind } from '../../../bike/bikeKinds.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** How far relaxed elbows stand out from the body when the hands lie where they are strongest, degrees. @source prior */
export const ELBOWS_OUT = 25
/** How far builds differ from the rule for flat bars, mm; k = 2. @source prior */
const BUILD_SPREAD = 40

interface WidthSchool {
  readonly label: string
  readonly bar: BarKind
  readonly says: Message
  readonly source: SourceKey
}

/** What the trade takes a bar's width from. Drop bars: hood to hood, centre to centre; flat bars: end to end. */
export const barWidthSchools = {
  acromia: { label: 'Shoulder width', bar: 'drop', says: msg`${term('hoods', 'Hoods')} in line with the tips of the shoulders.`, source: 'common-practice' },
  narrow: { label: 'Narrow', bar: 'drop', says: msg`For speed: ${range(20, 60)} inside the shoulders, by a narrower bar, never by turning the ${term('hoods', 'hoods')} in.`, source: 'common-practice' },
  wide: { label: 'Wide', bar: 'drop', says: msg`For control: ${range(20, 40)} outside the shoulders, for loose ground.`, source: 'common-practice' },
  build: { label: 'By build', bar: 'flat', says: 'Hands where the forearms come to the grips with relaxed elbows.', source: 'prior' },
  stature: { label: 'By stature', bar: 'flat', says: '0.42 to 0.46 of the stature.', source: 'common-practice' },
  use: { label: 'By use', bar: 'flat', says: 'What is common for this kind of bike.', source: 'common-practice' },
} as const satisfies Readonly<Record<string, WidthSchool>> // prettier-ignore
export type BarWidthSchoolKey = keyof typeof barWidthSchools
export const barWidthSchoolKeys = keysOf(barWidthSchools)

export function widthSchoolOf(key: BarWidthSchoolKey): WidthSchool {
  return barWidthSchools[key]
}
export function widthSchoolsFor(bar: BarKind): BarWidthSchoolKey[] {
  return barWidthSchoolKeys.filter((key) => barWidthSchools[key].bar === bar)
}

/** Widths end to end that are common on flat bars; kinds that are not here have no common width of their own. @source common-practice */
const usualWidths: Readonly<Partial<Record<BikeKind, readonly [low: number, high: number]>>> = {
  'flat bar': [560, 660],
  town: [580, 680],
  cargo: [600, 720],
  'cross-country': [720, 760],
  trail: [740, 800],
  downhill: [760, 820],
  mountain: [740, 800],
}

/** Where the fitter has not chosen: a flat bar by its use, where bars for this kind of bike have a common width. */
export function usualWidthSchool(bar: BarKind, kind: BikeKind): BarWidthSchoolKey {
  if (bar === 'drop') return 'acromia'
  return usualWidths[kind] === undefined ? 'build' : 'use'
}

/** Sizes that bars are sold in, from the first on by their step, mm. @source common-practice */
const soldWidths: Readonly<Record<BarKind, { readonly from: number; readonly to: number; readonly step: number }>> = {
  drop: { from: 340, to: 480, step: 20 },
  flat: { from: 560, to: 840, step: 20 },
}

/**
 * The width that is sold nearest to an aim, of two as near the one that changes less; mm.
 * @param most no wider than this, where a narrower one is sold
 */
export function soldWidth(bar: BarKind, aim: number, now: number, most = Infinity): number {
  const { from, to, step } = soldWidths[bar]
  const lower = Math.min(to, Math.max(from, from + Math.floor((aim - from) / step) * step))
  const upper = lower + step > Math.min(to, most) ? lower : lower + step
  const [down, up] = [Math.abs(aim - lower), Math.abs(aim - upper)]
  return down < up || (down === up && Math.abs(now - lower) <= Math.abs(now - upper)) ? lower : upper
}

/** What no aim goes beyond, whatever the school says. */
export const widthCaps = {
  kind: 'the widest common on this kind of bike',
  gap: 'held by the narrowest gap',
  event: 'held by the event',
} as const satisfies Readonly<Record<string, string>>
export type WidthCapKey = keyof typeof widthCaps
/** A bar's width that is not gone beyond, mm. */
export interface WidthCap {
  readonly key: WidthCapKey
  readonly most: number
  /** no aim goes beyond this */
  readonly aim: number
  /** of the cap itself */
  readonly plusMinus: number
}

/** The widest bar that is made for a kind of bike; null where none is known. */
export function widestFor(kind: BikeKind): WidthCap | null {
  const usual = usualWidths[kind]
  return usual === undefined ? null : { key: 'kind', most: usual[1], aim: usual[1], plusMinus: 0 }
}

/** A target that goes beyond none of the caps: what lies over them is left out, and the band is never turned over. */
export function withinCaps<Cap extends Pick<WidthCap, 'most' | 'aim'>>(
  target: WidthTarget,
  caps: readonly Cap[],
): { readonly target: WidthTarget; readonly cappedBy: Cap | null } {
  const [least] = [...caps].sort((a, b) => a.most - b.most)
  if (least === undefined || target.high <= least.most) return { target, cappedBy: null }
  const aim = Math.min(target.aim, ...caps.map((cap) => cap.aim))
  return { target: { low: Math.min(target.low, aim, least.most - CAPPED_BAND), aim, high: least.most }, cappedBy: least }
}
/** A band under a cap is at least this wide, mm. @source prior */
const CAPPED_BAND = 20

/** Share of the stature. @source common-practice */
export const STATURE_SHARE = { low: 0.42, aim: 0.44, high: 0.46 } as const
/** Against the acromia, hood to hood, mm. @source common-practice */
const ofAcromia: Readonly<Partial<Record<BarWidthSchoolKey, { low: number; aim: number; high: number }>>> = {
  acromia: { low: -10, aim: 0, high: 10 },
  narrow: { low: -60, aim: -40, high: -20 },
  wide: { low: 20, aim: 30, high: 40 },
}

/** What a width is asked from; mm. Null = not known. */
export interface WidthInput {
  readonly acromionWidth: number | null
  readonly stature: number | null
  /** both arms, acromion to elbow */
  readonly upperArms: readonly [left: number, right: number]
  /** end of the bar to the middle of each hand */
  readonly handsFromEnd: readonly [left: number, right: number]
  readonly kind: BikeKind
}

/** A width a school asks for, mm. */
export interface WidthTarget {
  readonly low: number
  readonly aim: number
  readonly high: number
}

/**
 * Width that a school asks for: hood to hood on drop bars, end to end on flat ones.
 * @returns null where the school's own input is not known, or it has nothing to say of this kind of bike
 * @source common-practice
 */
export function widthTarget(school: BarWidthSchoolKey, input: WidthInput): WidthTarget | null {
  const { acromionWidth, stature, upperArms, handsFromEnd, kind } = input
  const offset = ofAcromia[school]
  if (offset) return acromionWidth === null ? null : shifted(acromionWidth, offset)
  if (school === 'stature')
    return stature === null
      ? null
      : { low: STATURE_SHARE.low * stature, aim: STATURE_SHARE.aim * stature, high: STATURE_SHARE.high * stature }
  if (school === 'use') {
    const usual = usualWidths[kind]
    return usual === undefined ? null : { low: usual[0], aim: (usual[0] + usual[1]) / 2, high: usual[1] }
  }
  if (acromionWidth === null) return null
  const hands = acromionWidth + (upperArms[0] + upperArms[1]) * Math.sin(ELBOWS_OUT * RADIANS)
  const aim = hands + handsFromEnd[0] + handsFromEnd[1]
  return { low: aim - BUILD_SPREAD, aim, high: aim + BUILD_SPREAD }
}

const shifted = (base: number, { low, aim, high }: WidthTarget): WidthTarget => ({ low: base + low, aim: base + aim, high: base + high })
