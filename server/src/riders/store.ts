import { and, desc, eq, like, sql } from 'drizzle-orm'
import { z } from 'zod'
import { momentField } from '@level-stance/core/kernel/moment'
import type { BikeFields, RiderFields } from '@level-stance/core/record/dossier'
import type { Database, Queryable } from '../db/queryable.ts'
import { bikes, riders, visits } from '../db/schema.ts'
import { prepared } from '../db/prepared.ts'
import { writeVersioned } from '../http/versioned.ts'
import { HttpError, notFound } from '../http/errors.ts'
import { unmarked } from '../http/writeCondition.ts'

const PAGE_SIZE = 30

/** Lower case, accents off: "Živa" is found by "ziva". */
export function searchable(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').replace(/ø/gi, 'o').replace(/ł/gi, 'l').toLowerCase().trim()
}

type RiderRow = typeof riders.$inferSelect
type BikeRow = typeof bikes.$inferSelect
const showRider = ({ id, name, note, version }: RiderRow) => ({ id, name, note, version })
const showBike = ({ id, name, kind, version }: BikeRow) => ({ id, name, kind, version })

/** One page of riders, most recently seen first, each with the latest visit. */
export async function listRiders(db: Database, studioId: string, query: { search: string; after: string | null }) {
  const words = searchable(query.search)
    .split(/\s+/)
    .filter((word) => word !== '')
    .slice(0, 6)
  const cursor = query.after === null ? null : readCursor(query.after)
  const name = `riders_${words.length}${cursor === null ? '' : '_after'}`
  const statement = prepared(db, name, (q, key) => pageStatement(q, key, words.length, cursor !== null))
  const patterns = words.map((word, i) => [`word${i}`, `%${word.replace(/[\\%_]/g, '\\$&')}%`] as const)
  const rows = await statement.execute({ studioId, at: cursor?.at, id: cursor?.id, ...Object.fromEntries(patterns) })
  const page = rows.slice(0, PAGE_SIZE).map(({ row }) => row)
  const last = page.at(-1)
  return {
    riders: page.map(({ touchedAt: _, latestVisit, ...rider }) => ({
      ...rider,
      latestVisit: latestVisit && { ...latestVisit, startedAt: new Date(latestVisit.startedAt).toISOString() },
    })),
    next: rows.length > PAGE_SIZE && last ? `${new Date(last.touchedAt).toISOString()}_${last.id}` : null,
  }
}

/** A rider of the list as PostgreSQL writes it in JSON; times as text. */
interface ListedRider {
  readonly id: string
  readonly name: string
  readonly note: string
  readonly version: number
  readonly touchedAt: string
  readonly latestVisit: { readonly id: string; readonly title: string; readonly startedAt: string; readonly bike: string } | null
}

/** The page is cut first, so that the latest visit is looked up for its riders only. Each word is a condition of its own, so that the index serves it. */
function pageStatement(db: Queryable, name: string, words: number, fromCursor: boolean) {
  const at = sql`${sql.placeholder('at')}::timestamptz`
  const id = sql`${sql.placeholder('id')}::uuid`
  const found = db
    .select()
    .from(riders)
    .where(
      and(
        eq(riders.studioId, sql.placeholder('studioId')),
        ...Array.from({ length: words }, (_, i) => like(riders.search, sql.placeholder(`word${i}`))),
        fromCursor ? sql`(${riders.touchedAt}, ${riders.id}) < (${at}, ${id})` : undefined,
      ),
    )
    .orderBy(desc(riders.touchedAt), desc(riders.id))
    .limit(PAGE_SIZE + 1)
    .as('found')
  const latest = sql`(select json_build_object('id', ${visits.id}, 'title', ${visits.title}, 'startedAt', ${visits.startedAt}, 'bike', ${bikes.name})
    from ${visits} join ${bikes} on ${bikes.id} = ${visits.bikeId} where ${visits.riderId} = ${found.id} order by ${visits.startedAt} desc limit 1)`
  const row = sql<ListedRider>`json_build_object('id', ${found.id}, 'name', ${found.name}, 'note', ${found.note}, 'version', ${found.version},
    'touchedAt', ${found.touchedAt}, 'latestVisit', ${latest})`
  return db.select({ row }).from(found).orderBy(desc(found.touchedAt), desc(found.id)).prepare(name)
}

const cursorSchema = z.tuple([momentField('after'), z.uuid()])

/** Where a page goes on. @throws HttpError 400 where it is none of ours */
function readCursor(text: string): { at: Date; id: string } {
  const parsed = cursorSchema.safeParse(text.split('_'))
  if (!parsed.success) throw new HttpError(400, 'invalid', 'after must be what the page before gave as next.')
  const [at, id] = parsed.data
  return { at: new Date(at), id }
}

/** A rider with bikes and visits. */
export async function readRider(db: Queryable, studioId: string, id: string) {
  const [rider] = await db
    .select()
    .from(riders)
    .where(and(eq(riders.studioId, studioId), eq(riders.id, id)))
  if (!rider) throw notFound('This rider')
  const ownBikes = await db
    .select()
    .from(bikes)
    .where(and(eq(bikes.studioId, studioId), eq(bikes.riderId, id)))
    .orderBy(bikes.name)
  const ownVisits = await db
    .select()
    .from(visits)
    .where(and(eq(visits.studioId, studioId), eq(visits.riderId, id)))
    .orderBy(desc(visits.startedAt))
    .limit(200)
  return {
    rider: showRider(rider),
    bikes: ownBikes.map(showBike),
    visits: ownVisits.map(({ id: visitId, bikeId, title, startedAt }) => ({
      id: visitId,
      bikeId,
      title,
      startedAt: startedAt.toISOString(),
    })),
  }
}

/** Creates (version 0) or edits a rider. */
export async function writeRider(db: Database, studioId: string, id: string, seen: number, fields: RiderFields) {
  const row = await db.transaction(async (tx) => {
    const mine = and(eq(riders.studioId, studioId), eq(riders.id, id))
    const values = { ...fields, search: searchable(`${fields.name} ${fields.note.slice(0, 200)}`), touchedAt: new Date() }
    return writeVersioned<RiderRow>(unmarked(seen), {
      find: async () => (await tx.select().from(riders).where(mine))[0],
      same: (current) => current.name === fields.name && current.note === fields.note,
      insert: async () =>
        (
          await tx
            .insert(riders)
            .values({ id, studioId, version: 1, ...values })
            .onConflictDoNothing()
            .returning()
        )[0],
      update: async (version) =>
        (
          await tx
            .update(riders)
            .set({ ...values, version: version + 1 })
            .where(and(mine, eq(riders.version, version)))
            .returning()
        )[0],
      show: showRider,
    })
  })
  return showRider(row)
}

/** Creates (version 0) or edits a bike of a rider. */
export async function writeBike(db: Database, studioId: string, riderId: string, id: string, seen: number, fields: BikeFields) {
  const row = await db.transaction(async (tx) => {
    await readRider(tx, studioId, riderId)
    const mine = and(eq(bikes.studioId, studioId), eq(bikes.riderId, riderId), eq(bikes.id, id))
    return writeVersioned<BikeRow>(unmarked(seen), {
      find: async () => (await tx.select().from(bikes).where(mine))[0],
      same: (current) => current.name === fields.name && current.kind === fields.kind,
      insert: async () =>
        (
          await tx
            .insert(bikes)
            .values({ id, studioId, riderId, version: 1, ...fields })
            .onConflictDoNothing()
            .returning()
        )[0],
      update: async (version) =>
        (
          await tx
            .update(bikes)
            .set({ ...fields, version: version + 1 })
            .where(and(mine, eq(bikes.version, version)))
            .returning()
        )[0],
      show: showBike,
    })
  })
  return showBike(row)
}

/** The list is in order of last work to the minute; more would write the index at every key press. */
const TOUCH_AFTER_MS = 60_000

/** Moves a rider to the top of the list, unless that was done just now. */
export async function touchRider(db: Queryable, studioId: string, rider: { id: string; touchedAt: Date }): Promise<void> {
  if (Date.now() - rider.touchedAt.getTime() < TOUCH_AFTER_MS) return
  const mine = and(eq(riders.studioId, studioId), eq(riders.id, rider.id))
  await db.update(riders).set({ touchedAt: new Date() }).where(mine)
}
