import { and, asc, eq } from 'drizzle-orm'
import type { LedgerEntry } from '@level-stance/core/change/ledger'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { Queryable } from '../db/connect.ts'
import { bikes, complaints, ledger, ratings, readings, riders, visits } from '../db/schema.ts'
import { notFound } from '../http/errors.ts'

type ReadingRow = typeof readings.$inferSelect
type ComplaintRow = typeof complaints.$inferSelect
type LedgerRow = typeof ledger.$inferSelect
type RatingRow = typeof ratings.$inferSelect
type VisitRow = typeof visits.$inferSelect

export function showVisit({ id, version, title, cleatSchool, accepted, startedAt }: VisitRow): Dossier['visit'] {
  return { id, version, title, cleatSchool, accepted, startedAt: startedAt.toISOString() }
}

export function showReading({ version, visitId: _, takenAt, ...rest }: ReadingRow): Dossier['readings'][number] {
  return { reading: { ...rest, takenAt: takenAt.toISOString() }, version }
}

export function showComplaint({ version, removed, visitId: _, seq: __, ...complaint }: ComplaintRow): Dossier['complaints'][number] {
  return { complaint, version, removed }
}

export function showRating({ visitId: _, version, ...rating }: RatingRow): Dossier['ratings'][number] {
  return { rating, version }
}

export function showEntry(row: LedgerRow): LedgerEntry {
  const { id, kind } = row
  const at = row.at.toISOString()
  if (kind === 'try')
    return { kind, id, at, station: row.station ?? 'feet', moves: row.moves ?? [], reason: row.reason ?? '', later: row.later ?? '' }
  return { kind, id, at, of: row.of ?? '' }
}

/** The visit's own row, if it belongs to the studio. @throws HttpError 404 */
export async function findVisit(db: Queryable, studioId: string, id: string): Promise<VisitRow> {
  const [visit] = await db
    .select()
    .from(visits)
    .where(and(eq(visits.studioId, studioId), eq(visits.id, id)))
  if (!visit) throw notFound('This visit')
  return visit
}

/** Everything of one visit. @throws HttpError 404 */
export async function readDossier(db: Queryable, studioId: string, id: string): Promise<Dossier> {
  const [head] = await db
    .select({ visit: visits, rider: riders, bike: bikes })
    .from(visits)
    .innerJoin(riders, eq(riders.id, visits.riderId))
    .innerJoin(bikes, eq(bikes.id, visits.bikeId))
    .where(and(eq(visits.studioId, studioId), eq(visits.id, id)))
  if (!head) throw notFound('This visit')
  const { rider, bike, visit } = head
  return {
    rider: { id: rider.id, name: rider.name, note: rider.note, version: rider.version },
    bike: { id: bike.id, name: bike.name, kind: bike.kind, version: bike.version },
    visit: showVisit(visit),
    readings: (await db.select().from(readings).where(eq(readings.visitId, id)).orderBy(asc(readings.key), asc(readings.side))).map(
      showReading,
    ),
    complaints: (await db.select().from(complaints).where(eq(complaints.visitId, id)).orderBy(asc(complaints.seq))).map(showComplaint),
    ledger: await readLedger(db, id),
    ratings: (await db.select().from(ratings).where(eq(ratings.visitId, id)).orderBy(asc(ratings.changeId), asc(ratings.complaintId))).map(
      showRating,
    ),
  }
}

export async function readLedger(db: Queryable, visitId: string): Promise<LedgerEntry[]> {
  return (await db.select().from(ledger).where(eq(ledger.visitId, visitId)).orderBy(asc(ledger.seq))).map(showEntry)
}
