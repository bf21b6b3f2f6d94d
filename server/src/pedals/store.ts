import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { startingPedals } from '@level-stance/core/feet/pedalKinds'
import type { CatalogueEntry } from '@level-stance/core/feet/pedalKinds'
import type { Database } from '../db/connect.ts'
import { pedals, studios } from '../db/schema.ts'
import { writeVersioned } from '../db/versioned.ts'
import { HttpError } from '../http/errors.ts'

/** An entry with the version a writer must have seen. */
export interface StoredEntry {
  readonly entry: CatalogueEntry
  readonly version: number
}
/** A studio keeps at most this many systems. */
export const MOST_PEDALS = 500

const show = ({ id, spec, removed, version }: typeof pedals.$inferSelect): StoredEntry => ({ entry: { id, spec, removed }, version })

/** Fills a studio's catalogue with the kinds of the trade, once; what is removed later stays removed. */
export async function ensurePedals(db: Database, studioId: string): Promise<void> {
  await db.transaction(async (tx) => {
    const claimed = await tx
      .update(studios)
      .set({ pedalsLoadedAt: new Date() })
      .where(and(eq(studios.id, studioId), isNull(studios.pedalsLoadedAt)))
      .returning({ id: studios.id })
    if (claimed.length === 0) return
    await tx.insert(pedals).values(startingPedals.map(({ seed: _, ...spec }) => ({ id: randomUUID(), studioId, spec, version: 1 })))
  })
}

/** The catalogue, removed entries left out, by kind and name. */
export async function listPedals(db: Database, studioId: string): Promise<StoredEntry[]> {
  const rows = await db
    .select()
    .from(pedals)
    .where(and(eq(pedals.studioId, studioId), eq(pedals.removed, false)))
    .orderBy(asc(sql`(${pedals.spec}->>'kind')::int`), asc(sql`lower(${pedals.spec}->>'name')`))
    .limit(MOST_PEDALS)
  return rows.map(show)
}

const nameTaken = (name: string) =>
  new HttpError(409, 'name-taken', `There is already a “${name}” in the catalogue.`, [
    { field: 'spec.name', message: 'This name is taken: choose another.' },
  ])

/**
 * Writes an entry over the version seen; 0 makes a new one.
 * @throws StaleError, or HttpError 409 where the name is taken or the catalogue is full
 */
export async function writePedal(db: Database, studioId: string, seen: number, entry: CatalogueEntry): Promise<StoredEntry> {
  const { id, spec, removed } = entry
  const mine = and(eq(pedals.studioId, studioId), eq(pedals.id, id))
  if (seen === 0 && (await db.$count(pedals, and(eq(pedals.studioId, studioId), eq(pedals.removed, false)))) >= MOST_PEDALS)
    throw new HttpError(409, 'catalogue-full', `The catalogue holds ${MOST_PEDALS} systems at most: remove one first.`)
  try {
    const row = await writeVersioned(seen, {
      find: async () => (await db.select().from(pedals).where(mine))[0],
      same: (current) => isDeepStrictEqual(show(current).entry, entry),
      insert: async () =>
        (
          await db.insert(pedals).values({ id, studioId, spec, removed, version: 1 }).onConflictDoNothing({ target: pedals.id }).returning()
        )[0],
      update: async (version) =>
        (
          await db
            .update(pedals)
            .set({ spec, removed, version: version + 1 })
            .where(and(mine, eq(pedals.version, version)))
            .returning()
        )[0],
      show,
    })
    return show(row)
  } catch (error) {
    if (isUniqueViolation(error)) throw nameTaken(spec.name)
    throw error
  }
}

/** PostgreSQL's code for a value that stands there already. */
const UNIQUE_VIOLATION = '23505'
function isUniqueViolation(error: unknown): boolean {
  const cause = error instanceof Error ? error.cause : undefined
  return [error, cause].some((e) => typeof e === 'object' && e !== null && 'code' in e && e.code === UNIQUE_VIOLATION)
}
