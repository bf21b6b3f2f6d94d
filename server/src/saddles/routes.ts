import { Router } from 'express'
import { z } from 'zod'
import { triedSaddleSchema } from '@level-stance/core/record/triedSaddles'
import type { Database } from '../db/queryable.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { idSchema, versionSchema } from '../riders/routes.ts'
import { listTried, writeTried } from './triedStore.ts'

const triedWrite = z.strictObject({ version: versionSchema, saddle: triedSaddleSchema, removed: z.boolean() })

/** Saddles a rider has ridden, over all visits. */
export function triedSaddleRoutes(db: Database): Router {
  const router = Router()
  router.get('/riders/:riderId/saddles', async (request, response) => {
    response.json({ saddles: await listTried(db, studioOf(request), checked(idSchema, request.params.riderId)) })
  })
  router.put('/riders/:riderId/saddles/:id', async (request, response) => {
    const { version, ...rest } = checked(triedWrite, request.body)
    const id = checked(idSchema, request.params.id)
    response.json(await writeTried(db, studioOf(request), checked(idSchema, request.params.riderId), version, { id, ...rest }))
  })
  return router
}
