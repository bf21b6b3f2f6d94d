import { Router } from 'express'
import { z } from 'zod'
import { bikeFieldsSchema, riderFieldsSchema } from '@level-stance/core/record/dossier'
import type { Database } from '../db/queryable.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { listRiders, readRider, writeBike, writeRider } from './store.ts'

export const idSchema = z.uuid({ error: 'The id must be a UUID.' })
/** Largest version there can be: one more must still fit the column. */
const MOST_VERSION = 2_147_483_646
const versionError = { error: `version must be a whole number from 0 to ${MOST_VERSION}.` }
export const versionSchema = z.int(versionError).min(0, versionError).max(MOST_VERSION, versionError)
const listSchema = z.object({
  search: z.string().max(120, { error: 'The search must be at most 120 characters.' }).default(''),
  after: z.string().max(120).nullable().default(null),
})

export function riderRoutes(db: Database): Router {
  const router = Router()
  router.get('/', async (request, response) => {
    response.json(await listRiders(db, studioOf(request), checked(listSchema, request.query)))
  })
  router.get('/:id', async (request, response) => {
    response.json(await readRider(db, studioOf(request), checked(idSchema, request.params.id)))
  })
  router.put('/:id', async (request, response) => {
    const { version, rider } = checked(z.strictObject({ version: versionSchema, rider: riderFieldsSchema }), request.body)
    response.json(await writeRider(db, studioOf(request), checked(idSchema, request.params.id), version, rider))
  })
  router.put('/:id/bikes/:bikeId', async (request, response) => {
    const { version, bike } = checked(z.strictObject({ version: versionSchema, bike: bikeFieldsSchema }), request.body)
    const riderId = checked(idSchema, request.params.id)
    response.json(await writeBike(db, studioOf(request), riderId, checked(idSchema, request.params.bikeId), version, bike))
  })
  return router
}
