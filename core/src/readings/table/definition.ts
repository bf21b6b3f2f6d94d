import type { PlainDimension } from '../../kernel/entry.ts'
import type { MethodKey, NumberDimension } from './methods.ts'
import type { ReadingBandKey } from './readingBands.ts'

export const readingGroups = ['body', 'bike', 'on-bike', 'shoe', 'cleat'] as const
export type ReadingGroup = (typeof readingGroups)[number]

/**
 * What a reading belongs to, and so how long it holds: `rider` always, `shoe` wherever these shoes
 * go, `bike` on this bike, `fit` only at the contact points it was read at.
 */
export type ReadingOwner = 'rider' | 'shoe' | 'bike' | 'fit'

/** What every reading has: where it belongs, what it is used for, how it is taken. */
interface Common {
  readonly label: string
  /** left and right apart, or one value for the rider or bike */
  readonly sided: boolean
  /** sided, but one reading counts for both sides until the other is read */
  readonly onceForBoth?: true
  readonly method: MethodKey
  readonly how: string
  /** a left–right difference above this is asked about, never refused; held unit */
  readonly pairLimit?: number
  /** only on bikes with this kind of bar */
  readonly bar?: 'flat' | 'drop'
  /** read again at other efforts, or at other efforts and hand positions */
  readonly conditions?: 'effort' | 'effort-hands'
  /** where it is not the usual owner of its group */
  readonly owner?: ReadingOwner
  /** the rider's model is computed from it */
  readonly inModel?: true
  /** how far something can still be moved from where it is: never below 0 */
  readonly isRoom?: true
  /** ± that a method does not better here, however often it is repeated; held unit */
  readonly noBetterThan?: Partial<Record<MethodKey, number>>
  /** the band that judges it, by the way it was read */
  readonly band?: ReadingBandKey
}

/** A reading that is a number. */
export interface NumberRow extends Common {
  readonly dimension: NumberDimension
  /** allowed range in the held unit */
  readonly min: number
  readonly max: number
  readonly options?: never
}

/** A reading that is one of a few words; stored by its key. */
export interface ChoiceRow<Options extends Readonly<Record<string, string>> = Readonly<Record<string, string>>> extends Common {
  readonly dimension: 'choice'
  /** key -> word, in the order they are shown */
  readonly options: Options
}

export type Row = NumberRow | ChoiceRow

/** Where a row stands: group, heading and owner filled in. */
export interface Placed {
  readonly group: ReadingGroup
  readonly section: string
  readonly owner: ReadingOwner
}
export type ReadingDefinition = Row & Placed

type More = Partial<Pick<Common, 'bar' | 'conditions' | 'owner' | 'inModel' | 'isRoom' | 'onceForBoth' | 'noBetterThan' | 'band'>>

/** A length read once. */
export function length(label: string, min: number, max: number, method: MethodKey, how: string, more: More = {}): NumberRow {
  return { label, sided: false, dimension: 'length', min, max, method, how, ...more }
}

/** A length read left and right. */
export function lengths(
  label: string,
  min: number,
  max: number,
  method: MethodKey,
  pairLimit: number,
  how: string,
  more: More = {},
): NumberRow {
  return { label, sided: true, dimension: 'length', min, max, method, pairLimit, how, ...more }
}

/** An angle read once. */
export function angle(label: string, min: number, max: number, method: MethodKey, how: string, more: More = {}): NumberRow {
  return { label, sided: false, dimension: 'angle', min, max, method, how, ...more }
}

/** An angle read left and right. */
export function angles(
  label: string,
  min: number,
  max: number,
  method: MethodKey,
  pairLimit: number,
  how: string,
  more: More = {},
): NumberRow {
  return { label, sided: true, dimension: 'angle', min, max, method, pairLimit, how, ...more }
}

/** One of a few words. */
export function choice<const Options extends Readonly<Record<string, string>>>(
  label: string,
  options: Options,
  how: string,
  more: More = {},
): ChoiceRow<Options> {
  return { label, sided: false, dimension: 'choice', method: 'eye', how, options, ...more }
}

/** A choice of its own for each side. */
export function choices<const Options extends Readonly<Record<string, string>>>(
  label: string,
  options: Options,
  how: string,
): ChoiceRow<Options> {
  return { ...choice(label, options, how), sided: true }
}

/** An amount told or read off a maker's sheet. */
export function amount(
  label: string,
  dimension: PlainDimension,
  min: number,
  max: number,
  method: MethodKey,
  how: string,
  more: More = {},
): NumberRow {
  return { label, sided: false, dimension, min, max, method, how, ...more }
}

const usualOwner: Readonly<Record<ReadingGroup, ReadingOwner>> = {
  body: 'rider',
  bike: 'bike',
  shoe: 'shoe',
  cleat: 'shoe',
  'on-bike': 'fit',
}

/** Puts rows under a heading of a group. */
export function section<Rows extends Readonly<Record<string, Row>>>(
  group: ReadingGroup,
  heading: string,
  rows: Rows,
): { readonly [Key in keyof Rows]: Rows[Key] & Placed } {
  const entries = Object.entries(rows).map(([key, row]) => [
    key,
    { ...row, group, section: heading, owner: row.owner ?? usualOwner[group] },
  ])
  return Object.fromEntries(entries) as { readonly [Key in keyof Rows]: Rows[Key] & Placed }
}
