import express, { Router } from 'express'
import type { Request } from 'express'
import { z } from 'zod'
import { and, eq } from 'drizzle-orm'
import { barOf } from '@level-stance/core/bike/bikeKinds'
import { templateInput } from '@level-stance/core/stations/feet/cleat/templateInput'
import { setupOf } from '@level-stance/core/rider/setup'
import { defaultCleatSchool } from '@level-stance/core/stations/feet/cleat/schools'
import { cleatTemplate } from '@level-stance/core/stations/feet/cleat/template'
import { templateSvg } from '@level-stance/core/kernel/trueSizeSheet'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { NumberKey } from '@level-stance/core/readings/readingDefinitions'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import { VISIT_FILE_MAX_BYTES, toVisitFile, visitFileJsonSchema } from '@level-stance/core/record/visitFile'
import type { Work } from '../calculations/heavy.ts'
import type { Database } from '../db/queryable.ts'
import { riders, visits } from '../db/schema.ts'
import { HttpError, checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { idSchema } from '../riders/routes.ts'
import { readDossier } from '../visits/dossier.ts'
import { importVisit } from '../visits/importVisit.ts'
import type { SheetFonts } from '../pdf/fonts.ts'
import { barStrip } from '@level-stance/core/stations/hands/width/barStrip'
import { stripInput } from '@level-stance/core/stations/hands/width/stripInput'
import { templatePdf } from '../pdf/templatePdf.ts'

const aimed = (key: NumberKey) => {
  const { min, max, label } = definitionOf(key)
  const error = `${label} must be a number from ${min} to ${max}.`
  return z.coerce.number({ error }).min(min, { error }).max(max, { error }).optional()
}
const templateQuery = z.object({
  side: z.enum(sides, { error: 'side must be left or right.' }).optional(),
  setback: aimed('cleatSetback'),
  turn: aimed('cleatTurn'),
})
const sheetQuery = z.object({ unit: z.enum(['mm', 'cm', 'in'], { error: 'unit must be mm, cm or in.' }).default('mm') })

/** Export as open JSON and PDF, import, and the published schema. */
export function recordRoutes(db: Database, fonts: SheetFonts, work: Work): Router {
  const router = Router()
  router.get('/schemas/visit-file', (_request, response) => void response.json(visitFileJsonSchema()))
  router.get('/visits/:id/file', async (request, response) => {
    const dossier = await readDossier(db, studioOf(request), checked(idSchema, request.params.id))
    response.attachment(fileName(dossier.rider.name, dossier.visit.startedAt, 'json'))
    response.type('application/json').send(`${JSON.stringify(toVisitFile(dossier), null, 2)}\n`)
  })
  router.get('/visits/:id/sheet.pdf', async (request, response) => {
    const { unit } = checked(sheetQuery, request.query)
    const dossier = await readDossier(db, studioOf(request), checked(idSchema, request.params.id))
    const pdf = await work('sheet.pdf', { dossier, unit })
    response.attachment(fileName(dossier.rider.name, dossier.visit.startedAt, 'pdf'))
    response.type('application/pdf').send(Buffer.from(pdf))
  })
  router.get('/visits/:id/template.pdf', async (request, response) => {
    const { side, ...aim } = checked(templateQuery, request.query)
    const { dossier, templates } = await templatesOf(request, side === undefined ? sides : [side], aim)
    const pdf = await templatePdf(templates, `Cleat template: ${dossier.rider.name}`, fonts)
    response.attachment(fileName(dossier.rider.name, dossier.visit.startedAt, 'pdf', 'cleat-template'))
    response.type('application/pdf').send(pdf)
  })
  router.get('/visits/:id/template.svg', async (request, response) => {
    const { side = 'left', ...aim } = checked(templateQuery, request.query)
    const { dossier, templates } = await templatesOf(request, [side], aim)
    response.attachment(fileName(dossier.rider.name, dossier.visit.startedAt, 'svg', `cleat-template-${side}`))
    response.type('image/svg+xml').send(templates.map(templateSvg).join(''))
  })
  router.get('/visits/:id/strip.pdf', async (request, response) => {
    const { dossier, strip } = await stripOf(request)
    const pdf = await templatePdf([strip], `Bar strips: ${dossier.rider.name}`, fonts)
    response.attachment(fileName(dossier.rider.name, dossier.visit.startedAt, 'pdf', 'bar-strips'))
    response.type('application/pdf').send(pdf)
  })
  router.get('/visits/:id/strip.svg', async (request, response) => {
    const { dossier, strip } = await stripOf(request)
    response.attachment(fileName(dossier.rider.name, dossier.visit.startedAt, 'svg', 'bar-strips'))
    response.type('image/svg+xml').send(templateSvg(strip))
  })
  return router

  async function stripOf(request: Request<{ id: string }>) {
    const dossier = await readDossier(db, studioOf(request), checked(idSchema, request.params.id))
    const readings = dossier.readings.map((row) => row.reading)
    const setup = setupOf(readings, dossier.ledger, barOf(dossier.bike.kind))
    const title = `${dossier.rider.name}, ${dossier.bike.name}`
    return { dossier, strip: barStrip(stripInput(setup, dossier.visit.choices.hands, dossier.bike.kind, title)) }
  }

  async function templatesOf(
    request: Request<{ id: string }>,
    which: readonly Side[],
    aim: { setback?: number | undefined; turn?: number | undefined },
  ) {
    const dossier = await readDossier(db, studioOf(request), checked(idSchema, request.params.id))
    const readings = dossier.readings.map((row) => row.reading)
    const setup = setupOf(readings, dossier.ledger, barOf(dossier.bike.kind))
    const title = `${dossier.rider.name}, ${dossier.bike.name}`
    const school = dossier.visit.choices.feet.cleatSchool ?? defaultCleatSchool
    return { dossier, templates: which.map((side) => cleatTemplate(templateInput(setup, school, side, title, aim))) }
  }
}

/** An id of its own makes an import one that can be asked for again: the answer to the first may have been lost. */
const importQuery = z.object({ id: idSchema.optional() })

/** What an import with this id has stored already; null where there is none. */
async function importedBefore(db: Database, studioId: string, visitId: string) {
  const [found] = await db
    .select({ riderId: riders.id, visitId: visits.id, name: riders.name })
    .from(visits)
    .innerJoin(riders, eq(riders.id, visits.riderId))
    .where(and(eq(visits.studioId, studioId), eq(visits.id, visitId)))
  return found ?? null
}

/** Import takes the file's text as it is, so that a broken one gets words of its own. */
export function importRoute(db: Database, work: Work): Router {
  const router = Router()
  router.post('/imports', express.text({ type: 'application/json', limit: VISIT_FILE_MAX_BYTES * 2 }), async (request, response) => {
    if (typeof request.body !== 'string') throw new HttpError(415, 'not-json', 'Send the visit file as application/json.')
    const { id } = checked(importQuery, request.query)
    const studioId = studioOf(request)
    const before = id === undefined ? null : await importedBefore(db, studioId, id)
    if (before !== null) return void response.status(201).json(before)
    const file = await work('visit-file', { text: request.body })
    const stored = await db.transaction((tx) => importVisit(tx, studioId, file, new Date(), id))
    response.status(201).json({ ...stored, name: file.rider.name })
  })
  return router
}

/** A plain file name: letters and digits only, from the rider's name and the day. */
function fileName(rider: string, startedAt: string, ending: string, what?: string): string {
  const name = rider
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
  return `${name === '' ? 'visit' : name}-${startedAt.slice(0, 10)}${what === undefined ? '' : `-${what}`}.${ending}`
}
