import type { ReadingKey } from '../measure/readingDefinitions.ts'
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
