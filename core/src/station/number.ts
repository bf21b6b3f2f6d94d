import type { Message } from '../kernel/message.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import { metricDefinition } from '../body/metrics.ts'
import type { TargetBand } from '../kernel/band.ts'
import { judged, verdictOf } from '../kernel/judged.ts'
import type { Judged } from '../kernel/judged.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { entriesOf } from '../kernel/tables.ts'
import { metricEstimate } from '../rider/metricEstimate.ts'
import { kneeBand } from '../rider/kneeAtBottom.ts'
import type { Setup } from '../rider/setup.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { ReadingKey, NumberKey } from '../readings/readingDefinitions.ts'
import type { TermKey } from '../readings/table/terms.ts'
import { measured, standsAt } from '../readings/resolve.ts'
import type { SettingPlace } from './settingPlace.ts'

/** What a vial shows of a number beside its value, ± and band. */
export interface VialWords {
  readonly label: string
  /** a short word on how it stands */
  readonly remark: Message
  /** what schools ask for */
  readonly ticks?: readonly { readonly at: number; readonly label: string }[]
  /** what it was at the start */
  readonly start?: number | null
  /** the setting that moves it one to one */
  readonly moves?: SettingPlace
}

/**
 * A number that a page judges, a vial shows or a cause tests: one row of the page that owns it. `Parts`
 * is what the page is judged from.
 */
export interface NumberRow<Parts> {
  readonly label: string
  /** the word of the trade that it is an amount of, where no setting of its vial says so */
  readonly term?: TermKey
  readonly unit: 'mm' | 'deg' | '%'
  /** left and right apart, else one for rider and bike */
  readonly sided: boolean
  /** of left against right: it has no band of its own that a move of one side could leave */
  readonly compares?: true
  /** seen of the rider by this reading, and not carried on by the model: a change makes it old */
  readonly observed?: ReadingKey
  /** the shortest way to it: readings, in the order a fitter takes them; those of one side where it is sided */
  readonly readings: (parts: Parts) => readonly ReadingKey[]
  /** how it stands; null where it is not known */
  readonly at: (parts: Parts, side: Side) => Judged | null
  /** its vial on the page; without one it has none */
  readonly vial?: (parts: Parts, side: Side, number: Judged) => VialWords
}
export type NumberRows<Parts> = Readonly<Record<string, NumberRow<Parts>>>

/** The numbers of a station's pages together, each judged from what the station has. */
export const numbersFrom =
  <Parts>() =>
  <Key extends string>(rows: Readonly<Record<Key, NumberRow<Parts>>>): Readonly<Record<Key, NumberRow<Parts>>> =>
    rows

/** A number as a vial shows it. */
export interface Vial extends VialWords, Pick<Judged, 'value' | 'plusMinus' | 'band'> {
  readonly key: string
  readonly unit: 'mm' | 'deg' | '%'
  /** the word of the trade that its label is explained by */
  readonly term: TermKey | null
  /** where it should go; null = where it is will do */
  readonly aim: number | null
}

/** The vials of a page's numbers, in their order, left before right. */
export function vialsOf<Parts>(rows: NumberRows<Parts>, parts: Parts): Vial[] {
  return entriesOf(rows).flatMap(([key, { sided, unit, at, vial, term }]) => {
    if (vial === undefined) return []
    return (sided ? sides : (['left'] as const)).flatMap((side): Vial[] => {
      const number = at(parts, side)
      if (number === null) return []
      const { value, plusMinus, band, aim } = number
      const words = vial(parts, side, number)
      const start = words.start === undefined || words.start === value ? null : words.start
      const goes = verdictOf(number).end !== null && aim !== null ? aim : null
      const named = term ?? (words.moves ? definitionOf(words.moves.setting).term : undefined) ?? null
      return [{ ...words, start, term: named, key: sided ? `${key}-${side}` : key, unit, value, plusMinus, band, aim: goes }]
    })
  })
}

/** The readings a number is taken from, whatever stands. */
export const readFrom =
  (...keys: readonly ReadingKey[]) =>
  () =>
    keys

/** A reading as it was taken or moved since, against a band. */
export function readingAt({ now }: Pick<Setup, 'now'>, key: NumberKey, side: Side = 'left', band: TargetBand | null = null): Judged | null {
  const read = measured(now, key, side)
  return read && judged(read.value, read.plusMinus, band)
}

/** Where a setting stands, estimates left out. */
export function settingAt({ now }: Pick<Setup, 'now'>, key: NumberKey, side: Side = 'left', band: TargetBand | null = null): Judged | null {
  const stands = standsAt(now, key, side)
  return stands && judged(stands.value, stands.plusMinus, band)
}

/** What the rider's own numbers are judged from; every station has it. */
export interface RiderContext {
  readonly setup: Setup
  /** as they stand: read where they were read, else the model's */
  readonly metrics: RiderMetrics | null
  /** ± of one of them; null while it is not known */
  readonly plusMinus: (metric: MetricKey) => number | null
}

/** The band of a number of the rider: a knee's goes by the way it was read. */
export function metricBand({ now }: Pick<Setup, 'now'>, metric: MetricKey): TargetBand | null {
  if (metric === 'kneeLeft') return kneeBand(now, 'left')
  if (metric === 'kneeRight') return kneeBand(now, 'right')
  return metricDefinition(metric).band
}

/** A number of the rider as it stands; null where it or its ± is not known. */
export function metricAt({ setup, metrics, plusMinus }: RiderContext, metric: MetricKey): Judged | null {
  const [value, doubt] = [metrics?.[metric] ?? null, plusMinus(metric)]
  if (value === null || doubt === null || !Number.isFinite(doubt)) return null
  return judged(value, doubt, metricBand(setup, metric), { isRead: metricEstimate(setup, metric, value)?.isRead ?? false })
}
