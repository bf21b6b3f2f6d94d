import type { KneeNow } from '../change/kneeNow.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { isUnsure } from '../quantity/band.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Side } from '../quantity/sided.ts'
import { complaintTitle } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'

/** What the readings say of one possible cause. */
export interface CauseVerdict<Page extends string = string> {
  readonly key: string
  readonly label: string
  readonly page: Page
  /** `open`: nothing read decides it yet */
  readonly speaks: 'for' | 'against' | 'open'
  readonly because: string
  /** what to read to decide it */
  readonly measure: readonly ReadingKey[]
}
export interface ComplaintCauses<Page extends string = string> {
  readonly complaintId: string
  readonly title: string
  /** most usual first */
  readonly causes: readonly CauseVerdict<Page>[]
}

export type Said = Pick<CauseVerdict, 'speaks' | 'because'> & { readonly measure?: readonly ReadingKey[] }

/** A cause of the trade, where it is dealt with, and how the readings of a station speak of it. */
export interface CauseRow<Station, Page extends string> {
  readonly label: string
  readonly page: Page
  readonly says: (station: Station, side: Side) => Said
}

/** Which complaints a list of causes belongs to, most usual first. */
export interface ComplaintRow<Key extends string> {
  readonly when: (complaint: Complaint) => boolean
  readonly causes: readonly Key[]
}

export const speaksFor = (because: string): Said => ({ speaks: 'for', because })
export const against = (because: string): Said => ({ speaks: 'against', because })
export const open = (because: string, ...measure: ReadingKey[]): Said => ({ speaks: 'open', because, measure })

/** What a number says that is judged by a line: for beyond it, against short of it, open where its ± crosses it. */
export function byLine(
  value: number,
  line: number,
  beyond: 'above' | 'below',
  plusMinus: number | null,
  words: { readonly beyond: string; readonly short: string },
  ...keys: ReadingKey[]
): Said {
  const over = beyond === 'above' ? value - line : line - value
  const said = over > 0 ? words.beyond : words.short
  if (Math.abs(over) <= (plusMinus ?? 0)) return open(`${said} Too close to call: ±${trimmed(plusMinus ?? 0, 0)}.`, ...keys)
  return over > 0 ? speaksFor(said) : against(said)
}

/**
 * What a knee at the bottom says of a saddle that is too low or too high for it: for beyond the band's
 * end by more than its ±, open within it, against inside the band, whatever else was read.
 */
export function byKnee(knee: KneeNow | null, wrong: 'low' | 'high', because: string = ''): Said {
  if (knee === null) return open('Knee at the bottom is not known.', 'kneeFlexion', 'inseam')
  const { value, band, plusMinus, isRead } = knee
  const bent = `The knee is bent ${trimmed(value, 0)}°${isRead ? '' : ' by the model'}`
  const beyond = wrong === 'low' ? value - band.high : band.low - value
  const sure = plusMinus ?? 0
  if (beyond > sure)
    return speaksFor(
      `${bent}: ${wrong === 'low' ? 'more' : 'less'} than its ${trimmed(band.low, 0)} to ${trimmed(band.high, 0)}°${because}.`,
    )
  if (beyond > 0) return open(`${bent}, past its band by less than its ±${trimmed(sure, 0)}°: read again.`, 'kneeFlexion')
  // A number of the model that may be anywhere speaks against nothing.
  if (!isRead && isUnsure(sure, band)) return open(`${bent}, ±${trimmed(sure, 0)}°: too unsure to tell.`, 'kneeFlexion')
  return against(`${bent}, not too ${wrong === 'low' ? 'much' : 'little'}.`)
}

/** Complaints that have a row, each with its causes and the strongest that either side says of them. */
export function causesOf<Key extends string, Page extends string, Row extends { readonly label: string; readonly page: Page }>(
  complaints: readonly Complaint[],
  rows: readonly ComplaintRow<Key>[],
  causes: Readonly<Record<Key, Row>>,
  says: (row: Row, side: Side) => Said,
  sides: readonly Side[],
): ComplaintCauses<Page>[] {
  return complaints.flatMap((complaint) => {
    const row = rows.find(({ when }) => when(complaint))
    if (!row) return []
    const on = complaint.side === 'left' || complaint.side === 'right' ? [complaint.side] : sides
    const verdicts = row.causes.map((key): CauseVerdict<Page> => {
      const { label, page } = causes[key]
      const said = on.map((side) => says(causes[key], side))
      const best = said.find((s) => s.speaks === 'for') ?? said.find((s) => s.speaks === 'open') ?? said[0]
      return { key, label, page, speaks: best?.speaks ?? 'open', because: best?.because ?? '', measure: best?.measure ?? [] }
    })
    return [{ complaintId: complaint.id, title: complaintTitle(complaint), causes: verdicts }]
  })
}
