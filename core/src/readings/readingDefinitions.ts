import { plainUnits } from '../kernel/entry.ts'
import type { Unit } from '../kernel/quantity.ts'
import { bikeReadings } from './table/bike.ts'
import { bodyReadings } from './table/body.ts'
import type { ChoiceRow, NumberReadingRow, Placed, ReadingDefinition } from './table/definition.ts'
import { footReadings } from './table/feet.ts'
import { onBikeReadings } from './table/onBike.ts'
import { keysOf } from '../kernel/tables.ts'

export type { ReadingDefinition, ReadingGroup } from './table/definition.ts'
export type { ReadingOwner } from './table/owners.ts'

/** Every reading of the product, in the order a tape goes. */
const readingDefinitions = { ...bodyReadings, ...bikeReadings, ...footReadings, ...onBikeReadings }
type Definitions = typeof readingDefinitions

export type ReadingKey = keyof Definitions
/** Readings that are one of a few words. */
export type ChoiceKey = { [Key in ReadingKey]: Definitions[Key] extends { readonly dimension: 'choice' } ? Key : never }[ReadingKey]
/** Readings that are a number. */
export type NumberKey = Exclude<ReadingKey, ChoiceKey>
/** The keys a choice may have. */
export type OptionOf<Key extends ChoiceKey> = Extract<keyof Definitions[Key]['options'], string>

export const readingKeys = keysOf(readingDefinitions)

/** A row of the table, with its optional parts. */
export function definitionOf(key: NumberKey): NumberReadingRow & Placed
export function definitionOf(key: ChoiceKey): ChoiceRow & Placed
export function definitionOf(key: ReadingKey): ReadingDefinition
export function definitionOf(key: ReadingKey): ReadingDefinition {
  return readingDefinitions[key]
}

export function isChoice(key: ReadingKey): key is ChoiceKey {
  return readingDefinitions[key].dimension === 'choice'
}
export const choiceKeys = readingKeys.filter(isChoice)
export const numberKeys = readingKeys.filter((key): key is NumberKey => !isChoice(key))

/** The keys of a choice, in the order they are shown. */
export function optionsOf<Key extends ChoiceKey>(key: Key): readonly [OptionOf<Key>, ...OptionOf<Key>[]] {
  return keysOf(readingDefinitions[key].options)
}

/** The word of a choice; empty for a key it does not have. */
export function optionWord(key: ChoiceKey, option: string): string {
  const { options } = definitionOf(key)
  return Object.hasOwn(options, option) ? (options[option] ?? '') : ''
}

const units = { length: 'mm', angle: 'deg', 'shoe-size': 'EU', mass: 'kg', choice: 'none', ...plainUnits } as const

/** The unit a reading is held in. */
export function unitOf(key: ReadingKey): Unit {
  return units[definitionOf(key).dimension]
}
