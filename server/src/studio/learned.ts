import { and, eq, isNotNull, sql } from 'drizzle-orm'
import { barOf } from '@level-stance/core/bike/bikeKinds'
import { foldedAt } from '@level-stance/core/change/timeline'
import { learnedFrom } from '@level-stance/core/reason/closed'
import type { StudioCount } from '@level-stance/core/reason/studio'
import { toVisitFile } from '@level-stance/core/record/visitFile'
import type { Queryable } from '../db/queryable.ts'
import { studios, visits } from '../db/schema.ts'
import { readDossier } from '../visits/dossier.ts'

/**
 * Counts anew what a visit's trials came to, where it is closed; an open one counts nothing. In the
 * transaction of whatever write may have changed it.
 */
export async function countLearned(tx: Queryable, studioId: string, visitId: string): Promise<void> {
  const mine = and(eq(visits.studioId, studioId), eq(visits.id, visitId))
  const [row] = await tx.select({ outcome: visits.outcome, learned: visits.learned }).from(visits).where(mine)
  if (row === undefined || (row.outcome === null && row.learned.length === 0)) return
  await tx
    .update(visits)
    .set({ learned: row.outcome === null ? [] : await learnedOf(tx, studioId, visitId) })
    .where(mine)
}

async function learnedOf(tx: Queryable, studioId: string, visitId: string): Promise<StudioCount[]> {
  const { complaints, ratings, ledger, bike } = toVisitFile(await readDossier(tx, studioId, visitId))
  return learnedFrom({ complaints, ratings, changes: foldedAt(ledger, ledger.length).changes }, barOf(bike.kind))
}

/** What all closed visits of a studio came to, symptom by symptom and cause by cause; and whether it is to be used. */
export async function readLearned(db: Queryable, studioId: string): Promise<{ learns: boolean; counts: StudioCount[] }> {
  const [studio] = await db.select({ learns: studios.learns }).from(studios).where(eq(studios.id, studioId))
  const count = sql`jsonb_to_recordset(${visits.learned}) as one(symptom text, cause text, tried int, eased int)`
  const counts = await db
    .select({
      symptom: sql<StudioCount['symptom']>`one.symptom`,
      cause: sql<StudioCount['cause']>`one.cause`,
      tried: sql<number>`sum(one.tried)::int`,
      eased: sql<number>`sum(one.eased)::int`,
    })
    .from(visits)
    .innerJoin(count, sql`true`)
    .where(and(eq(visits.studioId, studioId), isNotNull(visits.outcome)))
    .groupBy(sql`one.symptom`, sql`one.cause`)
    .orderBy(sql`one.symptom`, sql`one.cause`)
  return { learns: studio?.learns ?? true, counts }
}

export async function writeLearns(db: Queryable, studioId: string, learns: boolean): Promise<void> {
  await db.update(studios).set({ learns }).where(eq(studios.id, studioId))
}
