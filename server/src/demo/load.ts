import { and, eq, isNull } from 'drizzle-orm'
import { visitFileSchema } from '@level-stance/core/record/visitFile'
import type { Database } from '../db/queryable.ts'
import { studios } from '../db/schema.ts'
import { DEFAULT_STUDIO } from '../http/studio.ts'
import { importVisit } from '../visits/importVisit.ts'
import { demoVisits } from './riders.ts'
import { loadSeatExtras, seatExtras } from './seatExtras.ts'

/**
 * Loads the demo riders once into the default studio, through the same door as any visit file.
 * What a user has entered, changed or deleted since is never touched.
 */
export async function loadDemo(db: Database): Promise<boolean> {
  const loaded: { riderId: string; visitId: string; name: string }[] = []
  const first = await db.transaction(async (tx) => {
    const claimed = await tx
      .update(studios)
      .set({ demoLoadedAt: new Date() })
      .where(and(eq(studios.id, DEFAULT_STUDIO), isNull(studios.demoLoadedAt)))
      .returning({ id: studios.id })
    if (claimed.length === 0) return false
    const now = Date.now()
    for (const [index, file] of demoVisits.entries()) {
      loaded.push({ ...(await importVisit(tx, DEFAULT_STUDIO, visitFileSchema.parse(file), new Date(now + index))), name: file.rider.name })
    }
    return true
  })
  for (const { name, ...ids } of loaded) {
    const extras = seatExtras[name]
    if (extras) await loadSeatExtras(db, ids, extras, new Date())
  }
  return first
}
