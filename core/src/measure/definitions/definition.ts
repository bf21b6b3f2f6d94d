import type { PlainDimension } from '../../quantity/entry.ts'
import type { MethodKey, ReadingDimension } from '../methods.ts'

export const readingGroups = ['body', 'bike', 'on-bike', 'shoe', 'cleat'] as const
export type ReadingGroup = (typeof readingGroups)[number]

/** One reading a fitter can take: where it belongs, what it may be, how it is taken. */
export interface ReadingDefinition {
  readonly label: string
  /** which part of which station lists it */
  readonly group: ReadingGroup
  /** heading it stands under */
  readonly section: string
  /** left and right apart, or one value for the rider or bike */
  readonly sided: boolean
  readonly dimension: ReadingDimension
  /** allowed range in the held unit */
  readonly min: number
  readonly max: number
  readonly method: MethodKey
  /** a left–right difference above this is asked about, never refused; held unit */
  readonly pairLimit?: number
  readonly how: string
  /** words of a choice; the held value is the place in this list, from 1 */
  readonly options?: readonly string[]
  /** only on bikes with this kind of bar */
  readonly bar?: 'flat' | 'drop'
  /** read again at other efforts, or at other efforts and hand positions */
  readonly conditions?: 'effort' | 'effort-hands'
}

export type Row = Omit<ReadingDefinition, 'group' | 'section'>
type More = Partial<Pick<ReadingDefinition, 'bar' | 'conditions'>>

/** A length read once. */
export const length = (label: string, min: number, max: number, method: MethodKey, how: string, more: More = {}): Row => ({
  label, sided: false, dimension: 'length', min, max, method, how, ...more,
}) // prettier-ignore

/** A length read left and right. */
export const lengths = (label: string, min: number, max: number, method: MethodKey, pairLimit: number, how: string): Row => ({
  label, sided: true, dimension: 'length', min, max, method, pairLimit, how,
}) // prettier-ignore

/** An angle read once. */
export const angle = (label: string, min: number, max: number, method: MethodKey, how: string, more: More = {}): Row => ({
  label, sided: false, dimension: 'angle', min, max, method, how, ...more,
}) // prettier-ignore

/** An angle read left and right. */
export const angles = (
  label: string, min: number, max: number, method: MethodKey, pairLimit: number, how: string, more: More = {},
): Row => ({ label, sided: true, dimension: 'angle', min, max, method, pairLimit, how, ...more }) // prettier-ignore

/** One of a few words. */
export const choice = (label: string, options: readonly string[], how: string): Row => ({
  label, sided: false, dimension: 'choice', min: 1, max: options.length, method: 'eye', how, options,
}) // prettier-ignore

/** A choice of its own for each side. */
export const choices = (label: string, options: readonly string[], how: string): Row => ({
  ...choice(label, options, how), sided: true, pairLimit: options.length,
}) // prettier-ignore

/** An amount told or read off a maker's sheet. */
export const amount = (label: string, dimension: PlainDimension, min: number, max: number, method: MethodKey, how: string): Row => ({
  label, sided: false, dimension, min, max, method, how,
}) // prettier-ignore

/** Puts rows under a heading of a group. */
export function section<Key extends string>(
  group: ReadingGroup,
  heading: string,
  rows: Readonly<Record<Key, Row>>,
): Readonly<Record<Key, ReadingDefinition>> {
  const entries = Object.entries<Row>(rows).map(([key, row]) => [key, { ...row, group, section: heading }])
  return Object.fromEntries(entries) as Record<Key, ReadingDefinition>
}
