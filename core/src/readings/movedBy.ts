import type { Side } from '../kernel/sided.ts'
import type { ChoiceKey, NumberKey, ReadingKey } from './readingDefinitions.ts'

/** By how much changes have moved a setting; sided settings by side, others by `both`. */
export type MovedBy = (setting: string, side: Side | 'both') => number
export const unmoved: MovedBy = () => 0

/** What a fitted part says of itself: as good as read from its maker’s sheet when it was fitted. */
export interface PartReading {
  readonly key: NumberKey | ChoiceKey
  readonly side: Side | 'both'
  readonly value: number | string
  /** place at which the part was fitted */
  readonly place: number
}

/**
 * The changes of a visit as readings need to know them. A place is a number of ledger entries: 0 is
 * the start, `length` is now.
 */
export interface Timeline {
  readonly length: number
  /** place at which a reading was taken; a ledger entry that is not known counts as the start */
  readonly placeOf: (after: string | null) => number
  readonly byAt: (place: number) => MovedBy
  /** by how much a reading shows more at one place than at another, because of what was moved between them */
  readonly shift: (key: NumberKey, side: Side, from: number, to: number) => number
  /** names the part that a reading belongs to at a place; the same name, the same part */
  readonly partAt: (key: ReadingKey, place: number) => string
  /** what the parts fitted and still in force at a place say of themselves */
  readonly partReadings: (place: number) => readonly PartReading[]
  /** names all parts on the bike at a place that have been exchanged */
  readonly partsAt: (place: number) => string
}

/** A visit without changes. */
export const noChanges: Timeline = {
  length: 0,
  placeOf: () => 0,
  byAt: () => unmoved,
  shift: () => 0,
  partAt: () => '',
  partReadings: () => [],
  partsAt: () => '',
}
