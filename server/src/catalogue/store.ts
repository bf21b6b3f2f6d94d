import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { pedalKinds, startingPedals } from '@level-stance/core/stations/feet/pedal/kinds'
import type { PedalSpec } from '@level-stance/core/stations/feet/pedal/kinds'
import { cockpitKinds, startingCockpit } from '@level-stance/core/stations/hands/cockpit/parts'
import type { CockpitSpec } from '@level-stance/core/stations/hands/cockpit/parts'
import { saddleKinds, startingSaddles } from '@level-stance/core/stations/seat/saddle/kinds'
import type { SaddleSpec } from '@level-stance/core/stations/seat/saddle/kinds'
import type { Database } from '../db/queryable.ts'
import { cockpitParts, pedals, saddles, studios } from '../db/schema.ts'
import { writeVersioned } from '../http/versioned.ts'
import { HttpError } from '../http/errors.ts'
import { unmarked } from '../http/writeMark.ts'

/** An entry with the version a writer must have seen. */
export interface StoredEntry<Spec> {
  readonly entry: { readonly id: string; readonly spec: Spec; readonly removed: boolean }
  readonly version: number
}
/** A studio keeps at most this many of a kind of part. */
const MOST_ENTRIES = 500

/** All catalogues are one table, once for each kind of part. */
type Table = typeof pedals | typeof saddles | typeof cockpitParts
interface Row<Spec> {
  readonly id: string
  readonly spec: Spec
  readonly removed: boolean
  readonly version: number
}
const show = <Spec>({ id, spec, removed, version }: Row<Spec>): StoredEntry<Spec> => ({ entry: { id, spec, removed }, version })

/** A studio's catalogue of one kind of part. */
export class Catalogue<Spec extends object> {
  readonly #table: typeof pedals
  readonly #what: string
  readonly #kinds: string

  /**
   * @param what the parts in words, plural
   * @param kinds their kinds, in the order they are listed
   */
  constructor(table: Table, what: string, kinds: readonly string[]) {
    // The tables have the same columns; only the type of the specification differs, and it is the caller's.
    this.#table = table as unknown as typeof pedals
    this.#what = what
    this.#kinds = `{${kinds.join(',')}}`
  }

  /** The catalogue, removed entries left out, by kind and name. */
  async list(db: Database, studioId: string): Promise<StoredEntry<Spec>[]> {
    const table = this.#table
    const rows = await db
      .select()
      .from(table)
      .where(and(eq(table.studioId, studioId), eq(table.removed, false)))
      .orderBy(asc(sql`array_position(${this.#kinds}::text[], ${table.spec}->>'kind')`), asc(sql`lower(${table.spec}->>'name')`))
      .limit(MOST_ENTRIES)
    return rows.map((row) => show(row as unknown as Row<Spec>))
  }

  /**
   * Writes an entry over the version seen; 0 makes a new one.
   * @throws StaleError, or HttpError 409 where the name is taken or the catalogue is full
   */
  async write(db: Database, studioId: string, seen: number, { id, spec, removed }: StoredEntry<Spec>['entry']): Promise<StoredEntry<Spec>> {
    const table = this.#table
    const stored = spec as unknown as PedalSpec
    const mine = and(eq(table.studioId, studioId), eq(table.id, id))
    try {
      return await db.transaction(async (tx) => {
        if (seen === 0 && (await tx.$count(table, and(eq(table.studioId, studioId), eq(table.removed, false)))) >= MOST_ENTRIES)
          throw new HttpError(409, 'catalogue-full', `The catalogue holds ${MOST_ENTRIES} ${this.#what} at most: remove one first.`)
        const row = await writeVersioned(unmarked(seen), {
          find: async () => (await tx.select().from(table).where(mine))[0],
          same: (current) => isDeepStrictEqual(show(current).entry, { id, spec, removed }),
          insert: async () =>
            (
              await tx
                .insert(table)
                .values({ id, studioId, spec: stored, removed, version: 1 })
                .onConflictDoNothing({ target: table.id })
                .returning()
            )[0],
          update: async (version) =>
            (
              await tx
                .update(table)
                .set({ spec: stored, removed, version: version + 1 })
                .where(and(mine, eq(table.version, version)))
                .returning()
            )[0],
          show,
        })
        return show(row as unknown as Row<Spec>)
      })
    } catch (error) {
      if (isUniqueViolation(error)) throw nameTaken((spec as { name?: string }).name ?? '')
      throw error
    }
  }
}

export const pedalCatalogue = new Catalogue<PedalSpec>(pedals, 'systems', pedalKinds)
export const saddleCatalogue = new Catalogue<SaddleSpec>(saddles, 'saddles', saddleKinds)
export const cockpitCatalogue = new Catalogue<CockpitSpec>(cockpitParts, 'parts', cockpitKinds)

/** Fills a studio's catalogues with the kinds of the trade, each once; what is removed later stays removed. */
export async function ensureCatalogues(db: Database, studioId: string): Promise<void> {
  await once(db, studioId, 'pedalsLoadedAt', (tx) =>
    tx.insert(pedals).values(startingPedals.map((spec) => ({ id: randomUUID(), studioId, spec, version: 1 }))),
  )
  await once(db, studioId, 'saddlesLoadedAt', (tx) =>
    tx.insert(saddles).values(startingSaddles.map((spec) => ({ id: randomUUID(), studioId, spec, version: 1 }))),
  )
  await once(db, studioId, 'cockpitLoadedAt', (tx) =>
    tx.insert(cockpitParts).values(startingCockpit.map((spec) => ({ id: randomUUID(), studioId, spec, version: 1 }))),
  )
}

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
async function once(
  db: Database,
  studioId: string,
  mark: 'pedalsLoadedAt' | 'saddlesLoadedAt' | 'cockpitLoadedAt',
  fill: (tx: Transaction) => Promise<unknown>,
): Promise<void> {
  await db.transaction(async (tx) => {
    const claimed = await tx
      .update(studios)
      .set({ [mark]: new Date() })
      .where(and(eq(studios.id, studioId), isNull(studios[mark])))
      .returning({ id: studios.id })
    if (claimed.length > 0) await fill(tx)
  })
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
