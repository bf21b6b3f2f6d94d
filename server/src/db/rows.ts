import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import type { Reading } from '@level-stance/core/readings/reading'
import type { Dossier, VisitFields } from '@level-stance/core/record/dossier'
import type { complaints, ledger, ratings, readings, visits } from './schema.ts'

type ReadingRow = typeof readings.$inferSelect
type ComplaintRow = typeof complaints.$inferSelect
type LedgerRow = typeof ledger.$inferSelect
type RatingRow = typeof ratings.$inferSelect
type VisitRow = typeof visits.$inferSelect

/** Whose row it is. */
export interface OfVisit {
  readonly studioId: string
  readonly visitId: string
}

/** The fields of a visit as its row holds them: one JSON a station. */
export function fieldsOfRow({
  title,
  acknowledged,
  feet,
  seat,
  hands,
  pace,
  overruled,
  riding,
  outcome,
}: Omit<VisitRow, 'id' | 'version' | 'writtenBy' | 'startedAt' | 'studioId' | 'riderId' | 'bikeId' | 'learned'>): VisitFields {
  return { title, acknowledged, choices: { feet, seat, hands }, pace, overruled, riding, outcome }
}
export function rowOfFields({ title, acknowledged, choices, pace, overruled, riding, outcome }: VisitFields) {
  return { title, acknowledged, ...choices, pace, overruled, riding, outcome }
}

export function showVisit(row: VisitRow): Dossier['visit'] {
  return { id: row.id, version: row.version, ...fieldsOfRow(row), startedAt: row.startedAt.toISOString() }
}

export function showReading(row: ReadingRow): Dossier['readings'][number] {
  const { version, studioId: _, visitId: __, writtenBy: ___, at, plusMinus, value, choice, ...rest } = row
  return { reading: { ...rest, value: choice ?? value, ...(plusMinus === null ? {} : { plusMinus }), at: at.toISOString() }, version }
}

/** A reading as its row holds it: a number and a choice each have their own column. */
export function readingRow(
  { studioId, visitId }: OfVisit,
  { value, plusMinus, at, ...rest }: Reading,
): Omit<ReadingRow, 'version' | 'writtenBy'> {
  return {
    ...rest,
    studioId,
    visitId,
    value: typeof value === 'number' ? value : null,
    choice: typeof value === 'string' ? value : null,
    plusMinus: plusMinus ?? null,
    at: new Date(at),
  }
}

export function showComplaint(row: ComplaintRow): Dossier['complaints'][number] {
  const { version, removed, studioId: _, visitId: __, seq: ___, writtenBy: ____, ...complaint } = row
  return { complaint, version, removed }
}

export function showRating({ studioId: _, visitId: __, writtenBy: ___, version, ...rating }: RatingRow): Dossier['ratings'][number] {
  return { rating, version }
}

export function showEntry(row: LedgerRow): LedgerEntry {
  const { id, kind } = row
  const at = row.at.toISOString()
  if (kind !== 'try') return { kind, id, at, of: row.of ?? '' }
  const { station, moves, pace, exchanges, reason, later } = row
  return {
    kind,
    id,
    at,
    station: station ?? 'feet',
    moves: moves ?? [],
    pace: pace ?? 'settled',
    exchanges: exchanges ?? [],
    reason: reason ?? '',
    later: later ?? '',
  }
}

export function ledgerRow({ studioId, visitId }: OfVisit, seq: number, entry: LedgerEntry): typeof ledger.$inferInsert {
  const shared = { studioId, visitId, seq, id: entry.id, kind: entry.kind, at: new Date(entry.at) }
  if (entry.kind !== 'try') return { ...shared, of: entry.of }
  const { station, moves, pace, exchanges, reason, later } = entry
  return { ...shared, station, moves, pace, exchanges, reason, later }
}
