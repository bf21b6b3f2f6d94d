import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq, sql } from 'drizzle-orm'
import { catalogueKeys, catalogueOf, catalogues } from '@level-stance/core/stations/catalogues'
import type { StoredPart } from '@level-stance/core/contract/contract'
import type { CatalogueKey, SpecOf } from '@level-stance/core/stations/catalogues'
import type { Database } from '../db/queryable.ts'
import { filledCatalogues, parts } from '../db/schema.ts'
import { writeVersioned } from '../http/versioned.ts'
import { HttpError } from '../http/errors.ts'
import { unmarked } from '../http/writeCondition.ts'

type Stored = StoredPart<SpecOf<CatalogueKey>>
/** A studio keeps at most this many parts in a catalogue. */
const MOST_ENTRIES = 500

const show = ({ id, spec, removed, version }: typeof parts.$inferSelect): Stored => ({ entry: { id, spec, removed }, version })
const of = (studioId: string, catalogue: CatalogueKey) => and(eq(parts.studioId, studioId), eq(parts.catalogue, catalogue))
const here = (studioId: string, catalogue: CatalogueKey) => and(of(studioId, catalogue), eq(parts.removed, false))

/** A studio's catalogue, removed entries left out, by kind and name. */
export async function listParts(db: Database, studioId: string, catalogue: CatalogueKey): Promise<Stored[]> {
  const kinds = `{${catalogueOf(catalogue).kinds.join(',')}}`
  const rows = await db
    .select()
    .from(parts)
    .where(here(studioId, catalogue))
    .orderBy(asc(sql`array_position(${kinds}::text[], ${parts.spec}->>'kind')`), asc(sql`lower(${parts.spec}->>'name')`))
    .limit(MOST_ENTRIES)
  return rows.map(show)
}

/**
 * Writes an entry of a catalogue over the version seen; 0 makes a new one.
 * @throws StaleError, or HttpError 409 where the name is taken or the catalogue is full
 */
export async function writePart(
  db: Database,
  studioId: string,
  catalogue: CatalogueKey,
  seen: number,
  { id, spec, removed }: Stored['entry'],
): Promise<Stored> {
  const mine = and(of(studioId, catalogue), eq(parts.id, id))
  try {
    return await db.transaction(async (tx) => {
      if (seen === 0 && (await tx.$count(parts, here(studioId, catalogue))) >= MOST_ENTRIES) {
        const full = `The catalogue holds ${MOST_ENTRIES} ${catalogueOf(catalogue).what} at most: remove one first.`
        throw new HttpError(409, 'catalogue-full', full)
      }
      const row = await writeVersioned(unmarked(seen), {
        find: async () => (await tx.select().from(parts).where(mine))[0],
        same: (current) => isDeepStrictEqual(show(current).entry, { id, spec, removed }),
        insert: async () =>
          (
            await tx
              .insert(parts)
              .values({ id, studioId, catalogue, spec, removed, version: 1 })
              .onConflictDoNothing({ target: parts.id })
              .returning()
          )[0],
        update: async (version) =>
          (
            await tx
              .update(parts)
              .set({ spec, removed, version: version + 1 })
              .where(and(mine, eq(parts.version, version)))
              .returning()
          )[0],
        show,
      })
      return show(row)
    })
  } catch (error) {
    if (isUniqueViolation(error)) throw nameTaken(spec.name)
    throw error
  }
}

/** Fills a studio's catalogues with the kinds of the trade, each once; what is removed later stays removed. */
export async function ensureCatalogues(db: Database, studioId: string): Promise<void> {
  for (const catalogue of catalogueKeys) {
    await db.transaction(async (tx) => {
      const claimed = await tx.insert(filledCatalogues).values({ studioId, catalogue, at: new Date() }).onConflictDoNothing().returning()
      const rows = catalogues[catalogue].starting.map((spec) => ({ id: randomUUID(), studioId, catalogue, spec, version: 1 }))
      if (claimed.length > 0) await tx.insert(parts).values(rows)
    })
  }
}

const nameTaken = (name: string) =>
  new HttpError(409, 'name-taken', `There is already a “${name}” in the catalogue.`, [
    { field: 'spec.name', message: 'This name is taken: choose another.' },
  ])

/** PostgreSQL's code for a value that stands there already. */
const UNIQUE_VIOLATION = '23505'
function isUniqueViolation(error: unknown): boolean {
  const cause = error instanceof Error ? error.cause : undefined
  return [error, cause].some((e) => typeof e === 'object' && e !== null && 'code' in e && e.code === UNIQUE_VIOLATION)
}
