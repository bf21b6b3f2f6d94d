import type { Message } from '../../kernel/message.ts'
import type { PlainDimension } from '../../kernel/entry.ts'
import type { MethodKey, NumberDimension } from './methods.ts'
import type { BarKind } from '../../bike/bikeKinds.ts'
import type { ComparedKind, KnownKind } from '../../body/calibration.ts'
import type { MetricKey } from '../../body/metrics.ts'
import type { SourceKey } from '../../kernel/sources.ts'
import type { ReadingBandKey } from './readingBands.ts'
import type { ReadingOwner } from './owners.ts'
import type { TermKey } from './terms.ts'

export const readingGroups = ['body', 'bike', 'on-bike', 'shoe', 'cleat'] as const
export type ReadingGroup = (typeof readingGroups)[number]

/** How a reading is filled in where it was not taken; ± is k = 2 and deliberately wide. Other readings by their key. */
export type EstimateRow =
  | {
      readonly by: 'share'
      readonly of: string
      readonly ratio: number
      readonly spread: number
      readonly from: string
      readonly source: SourceKey
    }
  | { readonly by: 'offset'; readonly of: string; readonly offset: number; readonly spread: number; readonly from: string }
  | {
      readonly by: 'usual'
      readonly value: number
      /** where the bar tells the kind of bike */
      readonly on?: Readonly<Record<BarKind, number>>
      readonly spread: number
      readonly from: string
    }

/** A share of another reading. */
export const shareOf = (of: string, ratio: number, spread: number, from: string, source: SourceKey): EstimateRow => ({
  by: 'share',
  of,
  ratio,
  spread,
  from,
  source,
})
/** So much more than another reading, mm. */
export const offsetFrom = (of: string, offset: number, spread: number, from: string): EstimateRow => ({
  by: 'offset',
  of,
  offset,
  spread,
  from,
})
/** What is usual, held unit; on a kind of bar where that tells more. */
export const usually = (value: number, spread: number, from: string, on?: Readonly<Record<BarKind, number>>): EstimateRow => ({
  by: 'usual',
  value,
  spread,
  from,
  ...(on ? { on } : {}),
})

/** What every reading has: where it belongs, what it is used for, how it is taken. */
interface Common {
  readonly label: string
  /** left and right apart, or one value for the rider or bike */
  readonly sided: boolean
  /** sided, but one reading counts for both sides until the other is read */
  readonly onceForBoth?: true
  readonly method: MethodKey
  readonly how: Message
  /** a left–right difference above this is asked about, never refused; held unit */
  readonly pairLimit?: number
  /** only on bikes with this kind of bar */
  readonly bar?: 'flat' | 'drop'
  /** read again at other efforts and hand positions */
  readonly ridden?: true
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
  /** what plus means of a reading that goes both ways, in the two words that stand at its field */
  readonly plus?: string
  /** what it is to the body model that it calibrates */
  readonly calibrates?: KnownKind
  /** what the body model is compared with in it, without being calibrated */
  readonly compares?: ComparedKind
  /** the numbers of the rider it reads: left and right, or one */
  readonly metric?: readonly [MetricKey] | readonly [left: MetricKey, right: MetricKey]
  readonly estimate?: EstimateRow
  /** the other side's stands for this one until it is read itself */
  readonly likeOther?: true
  /** settings that carry it along, by the name of each, and which way: room shrinks on one side and grows on the other, levers turn with the bar */
  readonly carried?: Readonly<Record<string, 1 | -1>>
  /** the setting whose room it is, and which way */
  readonly roomOf?: readonly [setting: string, way: 'less' | 'more']
  /** the exchangeable part it describes */
  readonly part?: PartSlot
  /** words a busy hand types for it */
  readonly words?: readonly string[]
  /** the small figure that shows where the tape or the goniometer goes, and the places on it: between two, or an angle at the first */
  readonly drawing?: readonly [figure: string, ...places: string[]]
  /** the term of the trade it is an amount of */
  readonly term?: TermKey
}
/** Places on rider and bike that hold one exchangeable part each. */
export const partSlots = [
  'shoes',
  'footbeds',
  'pedals',
  'cranks',
  'saddle',
  'seatpostHead',
  'stem',
  'bar',
  'grips',
  'levers',
  'extensions',
] as const
export type PartSlot = (typeof partSlots)[number]

/** A reading that is a number. */
export interface NumberReadingRow extends Common {
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

export type Row = NumberReadingRow | ChoiceRow

/** Where a row stands: group, heading and owner filled in. */
export interface Placed {
  readonly group: ReadingGroup
  readonly section: string
  readonly owner: ReadingOwner
}
export type ReadingDefinition = Row & Placed

type More = Omit<Partial<Common>, 'label' | 'sided' | 'method' | 'how' | 'pairLimit'>

/** A length read once. */
export function length(label: string, min: number, max: number, method: MethodKey, how: Message, more: More = {}): NumberReadingRow {
  return { label, sided: false, dimension: 'length', min, max, method, how, ...more }
}

/** A length read left and right. */
export function lengths(
  label: string,
  min: number,
  max: number,
  method: MethodKey,
  pairLimit: number,
  how: Message,
  more: More = {},
): NumberReadingRow {
  return { label, sided: true, dimension: 'length', min, max, method, pairLimit, how, ...more }
}

/** An angle read once. */
export function angle(label: string, min: number, max: number, method: MethodKey, how: Message, more: More = {}): NumberReadingRow {
  return { label, sided: false, dimension: 'angle', min, max, method, how, ...more }
}

/** An angle read left and right. */
export function angles(
  label: string,
  min: number,
  max: number,
  method: MethodKey,
  pairLimit: number,
  how: Message,
  more: More = {},
): NumberReadingRow {
  return { label, sided: true, dimension: 'angle', min, max, method, pairLimit, how, ...more }
}

/** One of a few words. */
export function choice<const Options extends Readonly<Record<string, string>>>(
  label: string,
  options: Options,
  how: Message,
  more: More = {},
): ChoiceRow<Options> {
  return { label, sided: false, dimension: 'choice', method: 'eye', how, options, ...more }
}

/** A choice of its own for each side. */
export function choices<const Options extends Readonly<Record<string, string>>>(
  label: string,
  options: Options,
  how: Message,
  more: More = {},
): ChoiceRow<Options> {
  return { ...choice(label, options, how, more), sided: true }
}

/** An amount told or read off a maker's sheet. */
export function amount(
  label: string,
  dimension: PlainDimension,
  min: number,
  max: number,
  method: MethodKey,
  how: Message,
  more: More = {},
): NumberReadingRow {
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
