import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../db/queryable.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { idSchema, versionSchema } from '../riders/routes.ts'
import type { Catalogue } from './store.ts'

/** A studio's catalogue of one kind of part. */
export function catalogueRoutes<Spec extends object>(db: Database, catalogue: Catalogue<Spec>, specSchema: z.ZodType<Spec>): Router {
  const write = z.strictObject({ version: versionSchema, spec: specSchema, removed: z.boolean() })
  const router = Router()
  router.get('/', async (request, response) => {
    response.json({ entries: await catalogue.list(db, studioOf(request)) })
  })
  router.put('/:id', async (request, response) => {
    const { version, spec, removed } = checked(write, request.body)
    response.json(await catalogue.write(db, studioOf(request), version, { id: checked(idSchema, request.params.id), spec, removed }))
  })
  return router
}
