import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq } from 'drizzle-orm'
import { byMark } from '@level-stance/core/record/triedSaddles'
import type { TriedSaddle } from '@level-stance/core/record/triedSaddles'
import type { Database, Queryable } from '../db/queryable.ts'
import { riders, triedSaddles } from '../db/schema.ts'
import { writeVersioned } from '../http/versioned.ts'
import { HttpError, notFound } from '../http/errors.ts'
import { unmarked } from '../http/writeCondition.ts'

/** A saddle a rider has ridden, with the version a writer must have seen. */
export interface TriedRow {
  readonly id: string
  readonly saddle: TriedSaddle
  readonly version: number
}
/** A rider's log holds at most this many. */
const MOST_TRIED = 200

const show = ({ id, saddle, version }: typeof triedSaddles.$inferSelect): TriedRow => ({ id, saddle, version })

/** @throws HttpError 404 where the rider is not the studio's */
async function own(db: Queryable, studioId: string, riderId: string): Promise<void> {
  const [rider] = await db
    .select({ id: riders.id })
    .from(riders)
    .where(and(eq(riders.studioId, studioId), eq(riders.id, riderId)))
  if (!rider) throw notFound('This rider')
}

/** The rider's log over all visits, best first. */
export async function listTried(db: Database, studioId: string, riderId: string): Promise<TriedRow[]> {
  await own(db, studioId, riderId)
  const rows = await db
    .select()
    .from(triedSaddles)
    .where(and(eq(triedSaddles.studioId, studioId), eq(triedSaddles.riderId, riderId), eq(triedSaddles.removed, false)))
    .orderBy(asc(triedSaddles.id))
    .limit(MOST_TRIED)
  return byMark(rows.map((row) => ({ ...show(row), ...row.saddle }))).map(({ id, saddle, version }) => ({ id, saddle, version }))
}

/** Writes an entry of the log over the version seen; 0 makes a new one. */
export async function writeTried(
  db: Database,
  studioId: string,
  riderId: string,
  seen: number,
  { id, saddle, removed }: { readonly id: string; readonly saddle: TriedSaddle; readonly removed: boolean },
): Promise<TriedRow> {
  return db.transaction(async (tx) => {
    await own(tx, studioId, riderId)
    const mine = and(eq(triedSaddles.studioId, studioId), eq(triedSaddles.riderId, riderId), eq(triedSaddles.id, id))
    if (
      seen === 0 &&
      (await tx.$count(triedSaddles, and(eq(triedSaddles.studioId, studioId), eq(triedSaddles.riderId, riderId)))) >= MOST_TRIED
    )
      throw new HttpError(409, 'log-full', `The log holds ${MOST_TRIED} saddles at most.`)
    const row = await writeVersioned(unmarked(seen), {
      find: async () => (await tx.select().from(triedSaddles).where(mine))[0],
      same: (current) => isDeepStrictEqual(current.saddle, saddle) && current.removed === removed,
      insert: async () =>
        (await tx.insert(triedSaddles).values({ id, studioId, riderId, saddle, removed, version: 1 }).onConflictDoNothing().returning())[0],
      update: async (version) =>
        (
          await tx
            .update(triedSaddles)
            .set({ saddle, removed, version: version + 1 })
            .where(and(mine, eq(triedSaddles.version, version)))
            .returning()
        )[0],
      show,
    })
    return show(row)
  })
}
