import { isDeepStrictEqual } from 'node:util'
import { and, desc, eq, max } from 'drizzle-orm'
import { appendProblem } from '@level-stance/core/change/fold'
import type { LedgerEntry } from '@level-stance/core/change/ledger'
import { defaultCleatSchool } from '@level-stance/core/feet/cleatSchools'
import type { Reading } from '@level-stance/core/measure/reading'
import { carryOver } from '@level-stance/core/record/carryOver'
import { visitFieldsOf } from '@level-stance/core/record/dossier'
import type { Dossier, VisitFields } from '@level-stance/core/record/dossier'
import { toVisitFile } from '@level-stance/core/record/visitFile'
import { positiveWarnings } from '@level-stance/core/talk/complaint'
import type { Complaint, Rating } from '@level-stance/core/talk/complaint'
import { stopAndRefer } from '@level-stance/core/talk/warningSigns'
import type { Database, Queryable } from '../db/connect.ts'
import { bikes, complaints, ledger, ratings, readings, visits } from '../db/schema.ts'
import { writeVersioned } from '../db/versioned.ts'
import { HttpError, StaleError, notFound } from '../http/errors.ts'
import { touchRider } from '../riders/store.ts'
import { readDossier, readLedger, riderOfVisit, showComplaint, showEntry, showRating, showReading, showVisit } from './dossier.ts'

/**
 * Opens a visit on a rider's bike. It starts from what the last visit left: body readings always,
 * the bike's when it is the same bike. Asking again with the same id gives the same visit.
 */
export async function createVisit(
  db: Database,
  studioId: string,
  input: { id: string; riderId: string; bikeId: string; title: string },
): Promise<Dossier> {
  return db.transaction(async (tx) => {
    const [bike] = await tx
      .select()
      .from(bikes)
      .where(and(eq(bikes.studioId, studioId), eq(bikes.riderId, input.riderId), eq(bikes.id, input.bikeId)))
    if (!bike) throw notFound('This bike')
    const [last] = await tx.select().from(visits).where(eq(visits.riderId, input.riderId)).orderBy(desc(visits.startedAt)).limit(1)
    const previous = last && last.id !== input.id ? toVisitFile(await readDossier(tx, studioId, last.id)) : null
    const inserted = await tx
      .insert(visits)
      .values({
        ...input,
        studioId,
        cleatSchool: previous?.visit.cleatSchool ?? defaultCleatSchool,
        accepted: [],
        pedalWeights: previous?.visit.pedalWeights ?? {},
        stanceBy: previous?.visit.stanceBy ?? null,
        seat: previous?.visit.seat ?? {},
        startedAt: new Date(),
        version: 1,
      })
      .onConflictDoNothing()
      .returning({ id: visits.id })
    if (previous && last && inserted.length > 0) await insertReadings(tx, input.id, carryOver(previous, last.bikeId === input.bikeId))
    await touchRider(tx, { id: input.riderId, touchedAt: new Date(0) })
    return readDossier(tx, studioId, input.id)
  })
}

async function insertReadings(tx: Queryable, visitId: string, rows: readonly Reading[]): Promise<void> {
  if (rows.length === 0) return
  await tx.insert(readings).values(rows.map(({ takenAt, ...rest }) => ({ visitId, ...rest, takenAt: new Date(takenAt), version: 1 })))
}

/** Runs a write of several statements on a visit in one transaction, after checking that it is the studio's. */
async function onVisit<T>(db: Database, studioId: string, visitId: string, write: (tx: Queryable) => Promise<T>): Promise<T> {
  return db.transaction((tx) => onOwnVisit(tx, studioId, visitId, write))
}

/** Runs a write of one conditional statement, which is a transaction by itself. */
async function onOwnVisit<T>(db: Queryable, studioId: string, visitId: string, write: (db: Queryable) => Promise<T>): Promise<T> {
  const rider = await riderOfVisit(db, studioId, visitId)
  const written = await write(db)
  await touchRider(db, rider)
  return written
}

export async function writeVisit(db: Database, studioId: string, id: string, seen: number, fields: VisitFields): Promise<Dossier['visit']> {
  return onOwnVisit(db, studioId, id, async (tx) => {
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(visits).where(eq(visits.id, id)))[0],
      same: (current) => isDeepStrictEqual(visitFieldsOf(current), fields),
      insert: () => Promise.resolve(undefined),
      update: async (version) =>
        (
          await tx
            .update(visits)
            .set({ ...fields, version: version + 1 })
            .where(and(eq(visits.id, id), eq(visits.version, version)))
            .returning()
        )[0],
      show: showVisit,
    })
    return showVisit(row)
  })
}

export async function writeReading(db: Database, studioId: string, visitId: string, seen: number, reading: Reading) {
  return onOwnVisit(db, studioId, visitId, async (tx) => {
    const mine = and(
      eq(readings.visitId, visitId),
      eq(readings.key, reading.key),
      eq(readings.side, reading.side),
      eq(readings.condition, reading.condition),
    )
    const values = { ...reading, plusMinus: reading.plusMinus ?? null, visitId, takenAt: new Date(reading.takenAt) }
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(readings).where(mine))[0],
      same: (current) =>
        current.value === reading.value &&
        current.typed === reading.typed &&
        current.method === reading.method &&
        current.plusMinus === values.plusMinus,
      insert: async () =>
        (
          await tx
            .insert(readings)
            .values({ ...values, version: 1 })
            .onConflictDoNothing()
            .returning()
        )[0],
      update: async (version) =>
        (
          await tx
            .update(readings)
            .set({ ...values, version: version + 1 })
            .where(and(mine, eq(readings.version, version)))
            .returning()
        )[0],
      show: showReading,
    })
    return showReading(row)
  })
}

export async function writeComplaint(
  db: Database,
  studioId: string,
  visitId: string,
  seen: number,
  complaint: Complaint,
  removed: boolean,
) {
  return onVisit(db, studioId, visitId, async (tx) => {
    // Lock the visit so that two new complaints do not take the same place in the order.
    await tx.select().from(visits).where(eq(visits.id, visitId)).for('update')
    const mine = and(eq(complaints.visitId, visitId), eq(complaints.id, complaint.id))
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(complaints).where(mine))[0],
      same: (current) => isDeepStrictEqual(showComplaint(current), { complaint, version: current.version, removed }),
      insert: async () => {
        const [last] = await tx
          .select({ seq: max(complaints.seq) })
          .from(complaints)
          .where(eq(complaints.visitId, visitId))
        const seq = (last?.seq ?? 0) + 1
        return (
          await tx
            .insert(complaints)
            .values({ ...complaint, visitId, seq, removed, version: 1 })
            .onConflictDoNothing()
            .returning()
        )[0]
      },
      update: async (version) =>
        (
          await tx
            .update(complaints)
            .set({ ...complaint, removed, version: version + 1 })
            .where(and(mine, eq(complaints.version, version)))
            .returning()
        )[0],
      show: showComplaint,
    })
    return showComplaint(row)
  })
}

export async function writeRating(db: Database, studioId: string, visitId: string, seen: number, rating: Rating) {
  return onOwnVisit(db, studioId, visitId, async (tx) => {
    await assertRateable(tx, visitId, rating)
    const mine = and(eq(ratings.visitId, visitId), eq(ratings.complaintId, rating.complaintId), eq(ratings.changeId, rating.changeId))
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(ratings).where(mine))[0],
      same: (current) => current.severity === rating.severity,
      insert: async () =>
        (
          await tx
            .insert(ratings)
            .values({ ...rating, visitId, version: 1 })
            .onConflictDoNothing()
            .returning()
        )[0],
      update: async (version) =>
        (
          await tx
            .update(ratings)
            .set({ severity: rating.severity, version: version + 1 })
            .where(and(mine, eq(ratings.version, version)))
            .returning()
        )[0],
      show: showRating,
    })
    return showRating(row)
  })
}

async function assertRateable(tx: Queryable, visitId: string, rating: Rating): Promise<void> {
  const [complaint] = await tx
    .select()
    .from(complaints)
    .where(and(eq(complaints.visitId, visitId), eq(complaints.id, rating.complaintId)))
  if (!complaint) throw notFound('The complaint rated')
  const [change] = await tx
    .select()
    .from(ledger)
    .where(and(eq(ledger.visitId, visitId), eq(ledger.id, rating.changeId), eq(ledger.kind, 'try')))
  if (!change) throw notFound('The change rated')
}

/**
 * Appends to the ledger. `after` is how many entries the writer has seen; an append after another
 * count is stale. An entry that is already there is answered as it stands.
 */
export async function appendEntry(
  db: Database,
  studioId: string,
  visitId: string,
  after: number,
  entry: LedgerEntry,
): Promise<LedgerEntry> {
  return onVisit(db, studioId, visitId, async (tx) => {
    await tx.select().from(visits).where(eq(visits.id, visitId)).for('update')
    const entries = await readLedger(tx, visitId)
    const existing = entries.find((other) => other.id === entry.id)
    if (existing) return existing
    if (entries.length !== after) throw new StaleError(entries)
    const problem = appendProblem(entries, entry)
    if (problem !== null) throw new HttpError(409, 'not-now', problem)
    if (entry.kind === 'try') await assertNotStopped(tx, visitId)
    const [row] = await tx
      .insert(ledger)
      .values(ledgerRow(visitId, after + 1, entry))
      .returning()
    if (!row) throw new Error('the ledger did not take the entry')
    return showEntry(row)
  })
}

export function ledgerRow(visitId: string, seq: number, entry: LedgerEntry): typeof ledger.$inferInsert {
  const shared = { visitId, seq, id: entry.id, kind: entry.kind, at: new Date(entry.at) }
  if (entry.kind !== 'try') return { ...shared, of: entry.of }
  return { ...shared, station: entry.station, moves: entry.moves, reason: entry.reason, later: entry.later }
}

async function assertNotStopped(tx: Queryable, visitId: string): Promise<void> {
  const rows = await tx
    .select()
    .from(complaints)
    .where(and(eq(complaints.visitId, visitId), eq(complaints.removed, false)))
  if (positiveWarnings(rows.map((row) => showComplaint(row).complaint)).length > 0) throw new HttpError(409, 'stopped', stopAndRefer)
}
