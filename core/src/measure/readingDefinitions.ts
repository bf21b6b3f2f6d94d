import { plainUnits } from '../quantity/entry.ts'
import type { Unit } from '../quantity/quantity.ts'
import { bikeReadings } from './definitions/bike.ts'
import { bodyReadings } from './definitions/body.ts'
import type { ReadingDefinition } from './definitions/definition.ts'
import { footReadings } from './definitions/feet.ts'
import { onBikeReadings } from './definitions/onBike.ts'

export type { ReadingDefinition, ReadingGroup } from './definitions/definition.ts'

/** Every reading of the product, in the order a tape goes. */
export const readingDefinitions = { ...bodyReadings, ...bikeReadings, ...footReadings, ...onBikeReadings }

export type ReadingKey = keyof typeof readingDefinitions
export const readingKeys = Object.keys(readingDefinitions) as [ReadingKey, ...ReadingKey[]]

/** A row of the table, with its optional parts. */
export function definitionOf(key: ReadingKey): ReadingDefinition {
  return readingDefinitions[key]
}

/** The unit a reading is held in. */
export function unitOf(key: ReadingKey): Unit {
  return ({ length: 'mm', angle: 'deg', 'shoe-size': 'EU', mass: 'kg', choice: 'none', ...plainUnits } as const)[
    definitionOf(key).dimension
  ]
}
