import type { BarKind, DrawnBar } from '../bike/bikeKinds.ts'
import { definitionOf } from './readingDefinitions.ts'
import type { NumberKey, ReadingKey } from './readingDefinitions.ts'
import { keysOf } from '../kernel/tables.ts'

export const handPositions = ['grip', 'tops', 'hoods', 'drops', 'aero', 'extension'] as const
export type HandPosition = (typeof handPositions)[number]

/** What is so of a place of the hands. */
interface HandPlace {
  /** forearms lie level there, on pads or over the hoods: trunk and arms follow from the elbows */
  readonly isRested?: true
  /** not for everyone, and no place to rest: looked at where something was read there */
  readonly isUnusual?: true
  /** only where this was read has the bike such a place */
  readonly needs?: NumberKey
}
/** @source common-practice */
const places: Readonly<Record<HandPosition, HandPlace>> = {
  grip: {},
  tops: {},
  hoods: {},
  drops: {},
  aero: { isRested: true, isUnusual: true },
  extension: { isRested: true, needs: 'padForward' },
}
export function handPlace(hands: HandPosition): HandPlace {
  return places[hands]
}

/**
 * What a rider does while a reading is taken. `usual`: calm, hands where they usually are (hoods on
 * a drop bar, grips on a flat one). Everything not read while riding is `usual`. `when` says it before what was seen then.
 */
export const conditions = {
  usual: { label: 'calm', when: 'As the rider usually rides', effort: 'calm', hands: null },
  hard: { label: 'hard', when: 'At the hard effort', effort: 'hard', hands: null },
  tops: { label: 'calm, tops', when: 'On the tops', effort: 'calm', hands: 'tops' },
  drops: { label: 'calm, drops', when: 'In the drops', effort: 'calm', hands: 'drops' },
  aero: { label: 'calm, forearms on hoods', when: 'With the forearms level on the hoods', effort: 'calm', hands: 'aero' },
  extension: { label: 'calm, extensions', when: 'On the extensions', effort: 'calm', hands: 'extension' },
  'hard-tops': { label: 'hard, tops', when: 'At the hard effort on the tops', effort: 'hard', hands: 'tops' },
  'hard-drops': { label: 'hard, drops', when: 'At the hard effort in the drops', effort: 'hard', hands: 'drops' },
  'hard-aero': { label: 'hard, forearms on hoods', when: 'At the hard effort, forearms level on the hoods', effort: 'hard', hands: 'aero' },
  'hard-extension': { label: 'hard, extensions', when: 'At the hard effort on the extensions', effort: 'hard', hands: 'extension' },
} as const satisfies Readonly<Record<string, { label: string; when: string; effort: 'calm' | 'hard'; hands: HandPosition | null }>>

export type ConditionKey = keyof typeof conditions
export const conditionKeys = keysOf(conditions)

/** Hand positions a bar has, the usual one first. */
const positions: Readonly<Record<BarKind, readonly [HandPosition, ...HandPosition[]]>> = {
  flat: ['grip'],
  drop: ['hoods', 'tops', 'drops', 'aero', 'extension'],
}
export function handPositionsOf(bar: BarKind): readonly HandPosition[] {
  return positions[bar]
}

/** Places that a bar of its kind has not: a base bar has neither tops nor drops, and its forearms rest on pads. @source common-practice */
const lacking: Readonly<Partial<Record<DrawnBar, readonly HandPosition[]>>> = { base: ['tops', 'drops', 'aero'] }
export function hasHandPosition(bar: DrawnBar, hands: HandPosition): boolean {
  return lacking[bar]?.includes(hands) !== true
}

/** Where the hands usually are. */
export function usualHands(bar: BarKind): HandPosition {
  return positions[bar][0]
}

/** Hand position of a condition on a bar. */
export function handsOf(condition: ConditionKey, bar: BarKind): HandPosition {
  return conditions[condition].hands ?? usualHands(bar)
}

/** The condition of riding with the hands there, at that effort. */
export function conditionOf(bar: BarKind, hands: HandPosition, effort: 'calm' | 'hard'): ConditionKey {
  const there = hands === usualHands(bar) ? null : hands
  return conditionKeys.find((key) => conditions[key].hands === there && conditions[key].effort === effort) ?? 'usual'
}

/** Conditions under which a reading can be taken on a bar, the usual one first. */
export function conditionsFor(key: ReadingKey, bar: BarKind): ConditionKey[] {
  if (definitionOf(key).ridden !== true) return ['usual']
  return bar === 'flat' ? ['usual', 'hard'] : [...conditionKeys]
}

/** Whether a reading can be taken under a condition at all. */
export function conditionAllowed(key: ReadingKey, condition: ConditionKey): boolean {
  return conditionsFor(key, 'drop').includes(condition)
}
