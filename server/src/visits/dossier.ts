import { and, asc, eq, sql } from 'drizzle-orm'
import type { SQL } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import type { LedgerEntry } from '@level-stance/core/change/ledger'
import { visitFieldsOf } from '@level-stance/core/record/dossier'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { Queryable } from '../db/connect.ts'
import { bikes, complaints, ledger, ratings, readings, riders, visits } from '../db/schema.ts'
import { prepared } from '../db/prepared.ts'
import { notFound } from '../http/errors.ts'

type ReadingRow = typeof readings.$inferSelect
type ComplaintRow = typeof complaints.$inferSelect
type LedgerRow = typeof ledger.$inferSelect
type RatingRow = typeof ratings.$inferSelect
type VisitRow = typeof visits.$inferSelect

export function showVisit(row: VisitRow): Dossier['visit'] {
  return { id: row.id, version: row.version, ...visitFieldsOf(row), startedAt: row.startedAt.toISOString() }
}

export function showReading({ version, visitId: _, takenAt, plusMinus, ...rest }: ReadingRow): Dossier['readings'][number] {
  return { reading: { ...rest, ...(plusMinus === null ? {} : { plusMinus }), takenAt: takenAt.toISOString() }, version }
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

/** Makes sure that a visit is the studio's, and names its rider. @throws HttpError 404 */
export async function riderOfVisit(db: Queryable, studioId: string, id: string): Promise<{ id: string; touchedAt: Date }> {
  const statement = prepared(db, 'rider_of_visit', (q, name) =>
    q
      .select({ id: riders.id, touchedAt: riders.touchedAt })
      .from(visits)
      .innerJoin(riders, eq(riders.id, visits.riderId))
      .where(oneVisit())
      .prepare(name),
  )
  const [rider] = await statement.execute({ studioId, id })
  if (!rider) throw notFound('This visit')
  return rider
}

/** The visit of the placeholders `studioId` and `id`. */
function oneVisit(): SQL | undefined {
  return and(eq(visits.studioId, sql.placeholder('studioId')), eq(visits.id, sql.placeholder('id')))
}

/** A child table of the visit as one JSON list, in order; read in the same round trip as the visit. */
function listOf<Row>(table: PgTable, visitId: PgColumn, order: SQL): SQL<Json<Row>[]> {
  return sql`coalesce((select json_agg(row_to_json(${table}) order by ${order}) from ${table} where ${visitId} = ${visits.id}), '[]')`
}

function dossierStatement(db: Queryable, name: string) {
  return db
    .select({
      visit: visits,
      rider: riders,
      bike: bikes,
      readings: listOf<ReadingRow>(readings, readings.visitId, sql`${readings.key}, ${readings.side}, ${readings.condition}`),
      complaints: listOf<ComplaintRow>(complaints, complaints.visitId, sql`${complaints.seq}`),
      ledger: listOf<LedgerRow>(ledger, ledger.visitId, sql`${ledger.seq}`),
      ratings: listOf<RatingRow>(ratings, ratings.visitId, sql`${ratings.changeId}, ${ratings.complaintId}`),
    })
    .from(visits)
    .innerJoin(riders, eq(riders.id, visits.riderId))
    .innerJoin(bikes, eq(bikes.id, visits.bikeId))
    .where(oneVisit())
    .prepare(name)
}

/** Everything of one visit, read in one statement and so at one moment. @throws HttpError 404 */
export async function readDossier(db: Queryable, studioId: string, id: string): Promise<Dossier> {
  const [head] = await prepared(db, 'dossier', dossierStatement).execute({ studioId, id })
  if (!head) throw notFound('This visit')
  const { rider, bike, visit } = head
  return {
    rider: { id: rider.id, name: rider.name, note: rider.note, version: rider.version },
    bike: { id: bike.id, name: bike.name, kind: bike.kind, version: bike.version },
    visit: showVisit(visit),
    readings: head.readings.map((row) => showReading(camelled(row))),
    complaints: head.complaints.map((row) => showComplaint(camelled(row))),
    ledger: head.ledger.map((row) => showEntry(camelled(row))),
    ratings: head.ratings.map((row) => showRating(camelled(row))),
  }
}

/** A row as PostgreSQL writes it in JSON: column names, times as text. */
type Json<Row> = Readonly<Record<string, unknown>> & { readonly __row?: Row }

/** Back to the table's own names and times. */
function camelled<Row>(row: Json<Row>): Row {
  const entries = Object.entries(row).map(([column, value]) => {
    const name = column.replace(/_([a-z])/g, (_, letter: string) => letter.toUpperCase())
    return [name, (name === 'at' || name === 'takenAt') && typeof value === 'string' ? new Date(value) : value]
  })
  return Object.fromEntries(entries) as Row
}

export async function readLedger(db: Queryable, visitId: string): Promise<LedgerEntry[]> {
  return (await db.select().from(ledger).where(eq(ledger.visitId, visitId)).orderBy(asc(ledger.seq))).map(showEntry)
}
