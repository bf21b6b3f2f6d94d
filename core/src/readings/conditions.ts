import type { BarKind } from '../bike/bikeKinds.ts'
import { definitionOf } from './readingDefinitions.ts'
import type { ReadingKey } from './readingDefinitions.ts'
import { keysOf } from '../kernel/tables.ts'

export const handPositions = ['grip', 'tops', 'hoods', 'drops', 'extension'] as const
export type HandPosition = (typeof handPositions)[number]

/**
 * What a rider does while a reading is taken. `usual`: calm, hands where they usually are (hoods on
 * a drop bar, grips on a flat one). Everything not read while riding is `usual`. `when` says it before what was seen then.
 */
export const conditions = {
  usual: { label: 'calm', when: 'As the rider usually rides', effort: 'calm', hands: null },
  hard: { label: 'hard', when: 'At the hard effort', effort: 'hard', hands: null },
  tops: { label: 'calm, tops', when: 'On the tops', effort: 'calm', hands: 'tops' },
  drops: { label: 'calm, drops', when: 'In the drops', effort: 'calm', hands: 'drops' },
  extension: { label: 'calm, extensions', when: 'On the extensions', effort: 'calm', hands: 'extension' },
  'hard-tops': { label: 'hard, tops', when: 'At the hard effort on the tops', effort: 'hard', hands: 'tops' },
  'hard-drops': { label: 'hard, drops', when: 'At the hard effort in the drops', effort: 'hard', hands: 'drops' },
  'hard-extension': { label: 'hard, extensions', when: 'At the hard effort on the extensions', effort: 'hard', hands: 'extension' },
} as const satisfies Readonly<Record<string, { label: string; when: string; effort: 'calm' | 'hard'; hands: HandPosition | null }>>

export type ConditionKey = keyof typeof conditions
export const conditionKeys = keysOf(conditions)

/** Hand positions a bar has, the usual one first. */
const positions: Readonly<Record<BarKind, readonly [HandPosition, ...HandPosition[]]>> = {
  flat: ['grip'],
  drop: ['hoods', 'tops', 'drops', 'extension'],
}
export function handPositionsOf(bar: BarKind): readonly HandPosition[] {
  return positions[bar]
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
  const { conditions: kind } = definitionOf(key)
  if (kind === undefined) return ['usual']
  return kind === 'effort' || bar === 'flat' ? ['usual', 'hard'] : [...conditionKeys]
}

/** Whether a reading can be taken under a condition at all. */
export function conditionAllowed(key: ReadingKey, condition: ConditionKey): boolean {
  return conditionsFor(key, 'drop').includes(condition)
}
