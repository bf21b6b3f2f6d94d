import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { and, desc, eq, isNull, max, ne } from 'drizzle-orm'
import type { SQL } from 'drizzle-orm'
import { appendProblem } from '@level-stance/core/ledger/fold'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import type { Reading } from '@level-stance/core/readings/reading'
import { openComplaints, startOf } from '@level-stance/core/record/carryOver'
import { freshVisit } from '@level-stance/core/record/dossier'
import type { Dossier, VisitFields } from '@level-stance/core/record/dossier'
import { toVisitFile } from '@level-stance/core/record/visitFile'
import { stopLines } from '@level-stance/core/talk/complaint'
import type { Complaint, Rating } from '@level-stance/core/talk/complaint'
import type { Riding } from '@level-stance/core/talk/riding'
import { stopAndRefer } from '@level-stance/core/talk/warningSigns'
import type { Database, Queryable } from '../db/queryable.ts'
import { bikes, complaints, ledger, ratings, readings, visits } from '../db/schema.ts'
import { writeVersioned } from '../http/versioned.ts'
import { HttpError, StaleError, notFound } from '../http/errors.ts'
import type { WriteCondition } from '../http/writeCondition.ts'
import { markLearned } from './learned.ts'
import { touchRider } from '../riders/store.ts'
import { readDossier, readLedger, riderOfVisit } from './dossier.ts'
import {
  fieldsOfRow,
  ledgerRow,
  readingRow,
  rowOfFields,
  showComplaint,
  showEntry,
  showRating,
  showReading,
  showVisit,
} from '../db/rows.ts'
import type { OfVisit } from '../db/rows.ts'

/**
 * Opens a visit on a rider's bike. It starts from what the last visits left: rider and shoes from the
 * last one of the rider, bike, complaints still open and their last ratings from the last one on this
 * bike. Asking again with the same id gives the same visit.
 * @throws HttpError 409 where the id belongs to another visit
 */
export async function createVisit(
  db: Database,
  studioId: string,
  { riding, ...input }: { id: string; riderId: string; bikeId: string; title: string; riding?: Riding | undefined },
): Promise<Dossier> {
  return db.transaction(async (tx) => {
    // Two presses of one button come one after the other.
    const [bike] = await tx
      .select()
      .from(bikes)
      .where(and(eq(bikes.studioId, studioId), eq(bikes.riderId, input.riderId), eq(bikes.id, input.bikeId)))
      .for('update')
    if (!bike) throw notFound('This bike')
    const lastOf = async (where: SQL | undefined) => {
      const [found] = await tx
        .select()
        .from(visits)
        .where(and(eq(visits.studioId, studioId), ne(visits.id, input.id), where))
        .orderBy(desc(visits.startedAt))
        .limit(1)
      return found
    }
    const last = await lastOf(eq(visits.riderId, input.riderId))
    const lastHere = last?.bikeId === input.bikeId ? last : await lastOf(eq(visits.bikeId, input.bikeId))
    const fileOf = async (id: string | undefined) => (id === undefined ? null : toVisitFile(await readDossier(tx, studioId, id)))
    const previous = await fileOf(last?.id)
    const previousHere = lastHere === last ? previous : await fileOf(lastHere?.id)
    const inserted = await tx
      .insert(visits)
      .values({
        ...rowOfFields({
          ...freshVisit,
          choices: (previousHere ?? previous)?.visit.choices ?? freshVisit.choices,
          riding: riding ?? previous?.visit.riding ?? freshVisit.riding,
        }),
        ...input,
        studioId,
        startedAt: new Date(),
        version: 1,
      })
      .onConflictDoNothing()
      .returning({ id: visits.id })
    if (inserted.length === 0) await assertSameVisit(tx, studioId, input)
    else {
      const mine = { studioId, visitId: input.id }
      await insertReadings(tx, mine, startOf(previous, previousHere))
      const open = previousHere === null ? [] : openComplaints(previousHere, randomUUID)
      if (open.length > 0)
        await tx.insert(complaints).values(open.map((row, i) => ({ ...row, ...mine, seq: i + 1, removed: false, version: 1 })))
    }
    await touchRider(tx, studioId, { id: input.riderId, touchedAt: new Date(0) })
    return readDossier(tx, studioId, input.id)
  })
}

/** Asking again for a visit is answered with it; an id that stands for another one is not. */
async function assertSameVisit(tx: Queryable, studioId: string, { id, riderId, bikeId }: { id: string; riderId: string; bikeId: string }) {
  const [found] = await tx
    .select({ riderId: visits.riderId, bikeId: visits.bikeId })
    .from(visits)
    .where(and(eq(visits.studioId, studioId), eq(visits.id, id)))
  if (found?.riderId !== riderId || found.bikeId !== bikeId) throw new HttpError(409, 'taken', 'This id belongs to another visit.')
}

async function insertReadings(tx: Queryable, mine: OfVisit, rows: readonly Reading[]): Promise<void> {
  if (rows.length > 0) await tx.insert(readings).values(rows.map((reading) => ({ ...readingRow(mine, reading), version: 1 })))
}

/** Runs a write on a visit in one transaction, after checking that it is the studio's. */
async function onVisit<T>(db: Database, studioId: string, visitId: string, write: (tx: Queryable) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    const rider = await riderOfVisit(tx, studioId, visitId)
    const written = await write(tx)
    await touchRider(tx, studioId, rider)
    return written
  })
}

/** Holds the visit until the transaction ends, so that two writers do not take the same place in an order. */
async function lockVisit(tx: Queryable, studioId: string, visitId: string): Promise<void> {
  const mine = and(eq(visits.studioId, studioId), eq(visits.id, visitId))
  await tx.select({ id: visits.id }).from(visits).where(mine).for('update')
}

export async function writeVisit(
  db: Database,
  studioId: string,
  id: string,
  seen: WriteCondition,
  fields: VisitFields,
): Promise<Dossier['visit']> {
  return onVisit(db, studioId, id, async (tx) => {
    const mine = and(eq(visits.studioId, studioId), eq(visits.id, id))
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(visits).where(mine))[0],
      same: (current) => isDeepStrictEqual(fieldsOfRow(current), fields),
      insert: () => Promise.resolve(undefined),
      update: async (version) =>
        (
          await tx
            .update(visits)
            .set({ ...rowOfFields(fields), version: version + 1, writtenBy: seen.write })
            .where(and(mine, eq(visits.version, version)))
            .returning()
        )[0],
      show: showVisit,
    })
    await markLearned(tx, studioId, id)
    return showVisit(row)
  })
}

export async function writeReading(db: Database, studioId: string, visitId: string, seen: WriteCondition, reading: Reading) {
  return onVisit(db, studioId, visitId, async (tx) => {
    const { after } = reading
    const mine = and(
      eq(readings.studioId, studioId),
      eq(readings.visitId, visitId),
      eq(readings.key, reading.key),
      eq(readings.side, reading.side),
      eq(readings.condition, reading.condition),
      after === null ? isNull(readings.after) : eq(readings.after, after),
    )
    if (after !== null) await assertInLedger(tx, studioId, visitId, after)
    const values = readingRow({ studioId, visitId }, reading)
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(readings).where(mine))[0],
      same: (current) =>
        current.value === values.value &&
        current.choice === values.choice &&
        current.typed === reading.typed &&
        current.method === reading.method &&
        current.plusMinus === values.plusMinus &&
        isDeepStrictEqual(current.repeats, values.repeats),
      insert: async () =>
        (
          await tx
            .insert(readings)
            .values({ ...values, version: 1, writtenBy: seen.write })
            .onConflictDoNothing()
            .returning()
        )[0],
      update: async (version) =>
        (
          await tx
            .update(readings)
            .set({ ...values, version: version + 1, writtenBy: seen.write })
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
  seen: WriteCondition,
  complaint: Complaint,
  removed: boolean,
) {
  return onVisit(db, studioId, visitId, async (tx) => {
    await lockVisit(tx, studioId, visitId)
    const mine = and(eq(complaints.studioId, studioId), eq(complaints.visitId, visitId), eq(complaints.id, complaint.id))
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(complaints).where(mine))[0],
      same: (current) => isDeepStrictEqual(showComplaint(current), { complaint, version: current.version, removed }),
      insert: async () => {
        const [last] = await tx
          .select({ seq: max(complaints.seq) })
          .from(complaints)
          .where(and(eq(complaints.studioId, studioId), eq(complaints.visitId, visitId)))
        const seq = (last?.seq ?? 0) + 1
        return (
          await tx
            .insert(complaints)
            .values({ ...complaint, studioId, visitId, seq, removed, version: 1, writtenBy: seen.write })
            .onConflictDoNothing()
            .returning()
        )[0]
      },
      update: async (version) =>
        (
          await tx
            .update(complaints)
            .set({ ...complaint, removed, version: version + 1, writtenBy: seen.write })
            .where(and(mine, eq(complaints.version, version)))
            .returning()
        )[0],
      show: showComplaint,
    })
    return showComplaint(row)
  })
}

export async function writeRating(db: Database, studioId: string, visitId: string, seen: WriteCondition, rating: Rating) {
  return onVisit(db, studioId, visitId, async (tx) => {
    await assertRateable(tx, studioId, visitId, rating)
    const mine = and(
      eq(ratings.studioId, studioId),
      eq(ratings.visitId, visitId),
      eq(ratings.complaintId, rating.complaintId),
      eq(ratings.changeId, rating.changeId),
    )
    const row = await writeVersioned(seen, {
      find: async () => (await tx.select().from(ratings).where(mine))[0],
      same: (current) => current.severity === rating.severity,
      insert: async () =>
        (
          await tx
            .insert(ratings)
            .values({ ...rating, studioId, visitId, version: 1, writtenBy: seen.write })
            .onConflictDoNothing()
            .returning()
        )[0],
      update: async (version) =>
        (
          await tx
            .update(ratings)
            .set({ severity: rating.severity, version: version + 1, writtenBy: seen.write })
            .where(and(mine, eq(ratings.version, version)))
            .returning()
        )[0],
      show: showRating,
    })
    await markLearned(tx, studioId, visitId)
    return showRating(row)
  })
}

/** A reading stands after an entry of its own visit's ledger. */
async function assertInLedger(tx: Queryable, studioId: string, visitId: string, id: string): Promise<void> {
  const [entry] = await tx
    .select({ id: ledger.id })
    .from(ledger)
    .where(and(eq(ledger.studioId, studioId), eq(ledger.visitId, visitId), eq(ledger.id, id)))
  if (!entry) throw notFound('The change after which this was read')
}

async function assertRateable(tx: Queryable, studioId: string, visitId: string, rating: Rating): Promise<void> {
  const [complaint] = await tx
    .select()
    .from(complaints)
    .where(and(eq(complaints.studioId, studioId), eq(complaints.visitId, visitId), eq(complaints.id, rating.complaintId)))
  if (!complaint) throw notFound('The complaint rated')
  const [change] = await tx
    .select()
    .from(ledger)
    .where(and(eq(ledger.studioId, studioId), eq(ledger.visitId, visitId), eq(ledger.id, rating.changeId), eq(ledger.kind, 'try')))
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
    await lockVisit(tx, studioId, visitId)
    const entries = await readLedger(tx, studioId, visitId)
    const existing = entries.find((other) => other.id === entry.id)
    if (existing) return existing
    if (entries.length !== after) throw new StaleError(entries)
    const problem = appendProblem(entries, entry)
    if (problem !== null) throw new HttpError(409, 'not-now', problem)
    if (entry.kind === 'try') await assertNotStopped(tx, studioId, visitId)
    const [row] = await tx
      .insert(ledger)
      .values(ledgerRow({ studioId, visitId }, after + 1, entry))
      .onConflictDoNothing({ target: ledger.id })
      .returning()
    if (!row) throw new HttpError(409, 'taken', 'This id belongs to an entry of another visit.')
    await markLearned(tx, studioId, visitId)
    return showEntry(row)
  })
}

async function assertNotStopped(tx: Queryable, studioId: string, visitId: string): Promise<void> {
  const rows = await tx
    .select()
    .from(complaints)
    .where(and(eq(complaints.studioId, studioId), eq(complaints.visitId, visitId), eq(complaints.removed, false)))
  const stops = stopLines(rows.map((row) => showComplaint(row).complaint))
  if (stops.length > 0) throw new HttpError(409, 'stopped', [...stops.map(({ words }) => words), stopAndRefer].join(' '))
}
