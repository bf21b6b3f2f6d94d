import { Router } from 'express'
import type { Request } from 'express'
import type { Logger } from 'pino'
import { z } from 'zod'
import { ledgerEntrySchema } from '@level-stance/core/ledger/ledger'
import { readingSchema } from '@level-stance/core/readings/reading'
import { visitFieldsSchema } from '@level-stance/core/record/dossier'
import { complaintSchema, ratingSchema } from '@level-stance/core/talk/complaint'
import { ridingSchema } from '@level-stance/core/talk/riding'
import type { Work } from '../calculations/heavy.ts'
import type { Database } from '../db/queryable.ts'
import { checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { seenOf } from '../http/writeMark.ts'
import { idSchema, versionSchema } from '../riders/routes.ts'
import { countLearned } from './learned.ts'
import { readDossierText } from './dossier.ts'
import { otherBikes } from './otherBikes.ts'
import { appendEntry, createVisit, writeComplaint, writeRating, writeReading, writeVisit } from './store.ts'

const versioned = <T extends z.ZodRawShape>(shape: T) => z.strictObject({ version: versionSchema, ...shape })
const newVisit = z.strictObject({
  id: idSchema,
  riderId: idSchema,
  bikeId: idSchema,
  title: visitFieldsSchema.shape.title,
  riding: ridingSchema.optional(),
})
const visitWrite = versioned({ visit: visitFieldsSchema })
const readingWrite = versioned({ reading: readingSchema })
const complaintWrite = versioned({ complaint: complaintSchema, removed: z.boolean() })
const ratingWrite = versioned({ rating: ratingSchema })
const ledgerAppend = z.strictObject({ after: versionSchema, entry: ledgerEntrySchema })

/**
 * Routes of a visit.
 * @param work counts what a closed visit came to, in a thread: after the write is stored, and of no concern to its answer
 */
export function visitRoutes(db: Database, work: Work): Router {
  const router = Router()
  /** Answers a write that may have changed what the visit's trials came to. */
  async function counted<T>(request: Request<{ id: string }>, write: (studioId: string, visitId: string) => Promise<T>): Promise<T> {
    const [studioId, visitId] = [studioOf(request), checked(idSchema, request.params.id)]
    const stored = await write(studioId, visitId)
    try {
      await countLearned(db, work, studioId, visitId)
    } catch (error) {
      // It stays due: the next write to the visit, or the next start, counts it.
      ;(request as { log?: Logger }).log?.warn({ err: error }, 'what the visit came to is still to be counted')
    }
    return stored
  }
  router.post('/', async (request, response) => {
    response.status(201).json(await createVisit(db, studioOf(request), checked(newVisit, request.body)))
  })
  router.get('/:id', async (request, response) => {
    response.type('application/json').send(await readDossierText(db, studioOf(request), checked(idSchema, request.params.id)))
  })
  router.get('/:id/other-bikes', async (request, response) => {
    response.json({ bikes: await otherBikes(db, studioOf(request), checked(idSchema, request.params.id)) })
  })
  router.put('/:id', async (request, response) => {
    const { version, visit } = checked(visitWrite, request.body)
    response.json(await counted(request, (studioId, id) => writeVisit(db, studioId, id, seenOf(request, version), visit)))
  })
  router.put('/:id/readings', async (request, response) => {
    const { version, reading } = checked(readingWrite, request.body)
    response.json(await writeReading(db, studioOf(request), checked(idSchema, request.params.id), seenOf(request, version), reading))
  })
  router.put('/:id/complaints', async (request, response) => {
    const { version, complaint, removed } = checked(complaintWrite, request.body)
    response.json(
      await writeComplaint(db, studioOf(request), checked(idSchema, request.params.id), seenOf(request, version), complaint, removed),
    )
  })
  router.put('/:id/ratings', async (request, response) => {
    const { version, rating } = checked(ratingWrite, request.body)
    response.json(await counted(request, (studioId, id) => writeRating(db, studioId, id, seenOf(request, version), rating)))
  })
  router.post('/:id/ledger', async (request, response) => {
    const { after, entry } = checked(ledgerAppend, request.body)
    response.json(await counted(request, (studioId, id) => appendEntry(db, studioId, id, after, entry)))
  })
  return router
}
