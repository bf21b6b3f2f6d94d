import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../db/queryable.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { readLearned, writeLearns } from '../visits/learned.ts'

const learnsWrite = z.strictObject({ learns: z.boolean({ error: 'learns must be true or false.' }) })

/** What the studio's closed visits came to: counts only, and the switch that leaves them out. */
export function studioRoutes(db: Database): Router {
  const router = Router()
  router.get('/learned', async (request, response) => {
    response.json(await readLearned(db, studioOf(request)))
  })
  router.put('/learned', async (request, response) => {
    const { learns } = checked(learnsWrite, request.body)
    await writeLearns(db, studioOf(request), learns)
    response.json(await readLearned(db, studioOf(request)))
  })
  return router
}
