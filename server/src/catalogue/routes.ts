import { Router } from 'express'
import { z } from 'zod'
import { catalogueKeys, catalogueOf } from '@level-stance/core/stations/catalogues'
import type { Database } from '../db/queryable.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { idSchema, versionSchema } from '../riders/routes.ts'
import { listParts, writePart } from './store.ts'

/** A studio's catalogues, each at its own address. */
export function catalogueRoutes(db: Database): Router {
  const router = Router()
  for (const catalogue of catalogueKeys) {
    const write = z.strictObject({ version: versionSchema, spec: catalogueOf(catalogue).schema, removed: z.boolean() })
    router.get(`/${catalogue}`, async (request, response) => {
      response.json({ entries: await listParts(db, studioOf(request), catalogue) })
    })
    router.put(`/${catalogue}/:id`, async (request, response) => {
      const { version, spec, removed } = checked(write, request.body)
      const id = checked(idSchema, request.params.id)
      response.json(await writePart(db, studioOf(request), catalogue, version, { id, spec, removed }))
    })
  }
  return router
}
