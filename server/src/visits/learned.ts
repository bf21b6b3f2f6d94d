import { and, eq, isNotNull, sql } from 'drizzle-orm'
import type { StudioCount } from '@level-stance/core/reason/studio'
import type { Work } from '../calculations/heavy.ts'
import type { Database, Queryable } from '../db/queryable.ts'
import { studios, visits } from '../db/schema.ts'
import { readDossier } from './dossier.ts'

/** Stands for counts that are still to be made: JSON's own null. */
const DUE = sql`'null'::jsonb`

/**
 * Says that what a closed visit's trials came to must be counted anew; an open one counts nothing. In
 * the transaction of whatever write may have changed it: the counting itself is work for a thread.
 */
export async function markLearned(tx: Queryable, studioId: string, visitId: string): Promise<void> {
  await tx
    .update(visits)
    .set({ learned: sql`case when ${visits.outcome} is null then '[]'::jsonb else ${DUE} end` })
    .where(
      and(eq(visits.studioId, studioId), eq(visits.id, visitId), sql`(${visits.outcome} is not null or ${visits.learned} <> '[]'::jsonb)`),
    )
}

/** Whether a visit's counts are still to be made. */
const isDue = sql`${visits.learned} = ${DUE}`

/**
 * Counts what a closed visit's trials came to, in a thread. The visit is held meanwhile, so that no
 * write to it gets in between; other visits are not.
 */
export async function countLearned(db: Database, work: Work, studioId: string, visitId: string): Promise<void> {
  const mine = and(eq(visits.studioId, studioId), eq(visits.id, visitId))
  const [due] = await db.select({ id: visits.id }).from(visits).where(and(mine, isDue))
  if (due === undefined) return
  await db.transaction(async (tx) => {
    const [held] = await tx.select({ id: visits.id }).from(visits).where(and(mine, isDue)).for('update')
    if (held === undefined) return
    const learned = await work('learned', { dossier: await readDossier(tx, studioId, visitId) })
    await tx.update(visits).set({ learned }).where(mine)
  })
}

/** Counts whatever a server that was ended has left uncounted. */
export async function countAllDue(db: Database, work: Work): Promise<void> {
  const due = await db.select({ id: visits.id, studioId: visits.studioId }).from(visits).where(isDue)
  for (const { id, studioId } of due) await countLearned(db, work, studioId, id)
}

/** What all closed visits of a studio came to, symptom by symptom and cause by cause; and whether it is to be used. */
export async function readLearned(db: Queryable, studioId: string): Promise<{ learns: boolean; counts: StudioCount[] }> {
  const [studio] = await db.select({ learns: studios.learns }).from(studios).where(eq(studios.id, studioId))
  const count = sql`jsonb_to_recordset(case when jsonb_typeof(${visits.learned}) = 'array' then ${visits.learned} else '[]'::jsonb end) as one(symptom text, cause text, tried int, eased int)`
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
