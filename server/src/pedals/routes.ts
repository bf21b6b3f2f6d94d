import { Router } from 'express'
import { z } from 'zod'
import { pedalSpecSchema } from '@level-stance/core/feet/pedalKinds'
import type { Database } from '../db/connect.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { idSchema, versionSchema } from '../riders/routes.ts'
import { listPedals, writePedal } from './store.ts'

const pedalWrite = z.strictObject({ version: versionSchema, spec: pedalSpecSchema, removed: z.boolean() })

/** The studio's catalogue of pedal systems. */
export function pedalRoutes(db: Database): Router {
  const router = Router()
  router.get('/', async (request, response) => {
    response.json({ entries: await listPedals(db, studioOf(request)) })
  })
  router.put('/:id', async (request, response) => {
    const { version, spec, removed } = checked(pedalWrite, request.body)
    response.json(await writePedal(db, studioOf(request), version, { id: checked(idSchema, request.params.id), spec, removed }))
  })
  return router
}
