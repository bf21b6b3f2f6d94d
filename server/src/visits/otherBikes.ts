import { and, desc, eq, inArray, ne } from 'drizzle-orm'
import type { OtherBike } from '@level-stance/core/stations/feet/stance/judge'
import type { Work } from '../calculations/heavy.ts'
import type { Database } from '../db/queryable.ts'
import { visits } from '../db/schema.ts'
import { notFound } from '../http/errors.ts'
import { readDossier } from './dossier.ts'

/** A rider has few bikes; more than this are not compared. */
const MOST_BIKES = 8

/** Half stances of the same rider's other bikes, as their last visits left them; bikes whose parts were not read are left out. */
export async function otherBikes(db: Database, work: Work, studioId: string, visitId: string): Promise<OtherBike[]> {
  const [mine] = await db
    .select({ riderId: visits.riderId, bikeId: visits.bikeId })
    .from(visits)
    .where(and(eq(visits.studioId, studioId), eq(visits.id, visitId)))
  if (!mine) throw notFound('This visit')
  const latest = db
    .selectDistinctOn([visits.bikeId], { id: visits.id })
    .from(visits)
    .where(and(eq(visits.studioId, studioId), eq(visits.riderId, mine.riderId), ne(visits.bikeId, mine.bikeId)))
    .orderBy(visits.bikeId, desc(visits.startedAt))
  const rows = await db
    .select({ id: visits.id })
    .from(visits)
    .where(and(eq(visits.studioId, studioId), inArray(visits.id, latest)))
    .orderBy(desc(visits.startedAt))
    .limit(MOST_BIKES)
  const dossiers = await Promise.all(rows.map(({ id }) => readDossier(db, studioId, id)))
  return work('other-bikes', { dossiers })
}
