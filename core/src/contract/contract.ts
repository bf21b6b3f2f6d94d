import { z } from 'zod'
import { PICTURE_LIMIT, attachmentFieldsSchema, attachmentKinds } from '../record/attachments.ts'
import { bikeFieldsSchema, dossierSchema, riderFieldsSchema, visitFieldsSchema } from '../record/dossier.ts'
import { triedSaddleSchema } from '../record/triedSaddles.ts'
import { VISIT_FILE_MAX_BYTES } from '../record/visitFile.ts'
import { sides } from '../kernel/sided.ts'
import { ledgerEntrySchema } from '../ledger/ledger.ts'
import { readingSchema } from '../readings/reading.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import { catalogueKeys, catalogueOf } from '../stations/catalogues.ts'
import type { CatalogueKey, PartSpec, SpecOf } from '../stations/catalogues.ts'
import { MAT_FILE_LIMIT } from '../stations/seat/mat/format.ts'
import { complaintSchema, ratingSchema } from '../talk/complaint.ts'
import { ridingSchema } from '../talk/riding.ts'
import { route } from './route.ts'
import type { Route } from './route.ts'

export const idSchema = z.uuid({ error: 'The id must be a UUID.' })
/** Largest version there can be: one more must still fit the database's column. */
const MOST_VERSION = 2_147_483_646
const versionError = { error: `version must be a whole number from 0 to ${MOST_VERSION}.` }
/** The version a writer has seen; 0 = knows of none. */
const versionSchema = z.int(versionError).min(0, versionError).max(MOST_VERSION, versionError)
const over = <Shape extends z.ZodRawShape>(shape: Shape) => z.strictObject({ version: versionSchema, ...shape })
const removed = z.boolean()
const pdf = { file: ['application/pdf'] } as const
const svg = { file: ['image/svg+xml'] } as const

const { rider, bike, visit, readings, complaints, ratings } = dossierSchema.shape
const visitRow = z.object({ id: idSchema, bikeId: idSchema, title: z.string(), startedAt: z.iso.datetime() })
const listedRider = rider.extend({ latestVisit: visitRow.omit({ bikeId: true }).extend({ bike: z.string() }).nullable() })
const storedTried = z.object({ id: idSchema, saddle: triedSaddleSchema, version: z.int() })
const attachment = attachmentFieldsSchema.extend({
  id: idSchema,
  kind: z.enum(attachmentKinds),
  width: z.int().nullable(),
  height: z.int().nullable(),
  bytes: z.int(),
  createdAt: z.iso.datetime(),
  version: z.int(),
})
const source = z.object({ key: z.string(), kind: z.string(), title: z.string(), note: z.string() })
const calculation = z.object({
  name: z.string(),
  title: z.string(),
  summary: z.string(),
  schemas: z.object({ input: z.unknown(), output: z.unknown() }),
  sources: z.array(source),
})
const evaluation = z.object({
  name: z.string(),
  result: z.unknown(),
  plusMinus: z.record(z.string(), z.number()),
  shares: z.record(z.string(), z.record(z.string(), z.number())),
  working: z.array(
    z.object({
      label: z.string(),
      formula: z.string(),
      value: z.union([z.number(), z.string()]),
      unit: z.string(),
      output: z.string().optional(),
    }),
  ),
  sources: z.array(source),
})
const learned = z.object({
  learns: z.boolean(),
  counts: z.array(z.object({ symptom: z.string(), cause: z.string(), tried: z.int(), eased: z.int() })),
})
const document = z.record(z.string(), z.unknown())

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
const visitWrite = over({ visit: visitFieldsSchema })

/** Every route but those of the catalogues, by what it does. */
export const contract = {
  readHealth: route({
    method: 'get',
    path: '/health',
    summary: 'Whether server and database answer',
    query: null,
    body: null,
    answer: z.object({ status: z.literal('ok') }),
  }),
  readOpenApi: route({ method: 'get', path: '/openapi.json', summary: 'This document', query: null, body: null, answer: document }),

  listCalculations: route({
    method: 'get',
    path: '/calculations',
    summary: 'Every calculation with its schemas and sources',
    query: null,
    body: null,
    answer: z.object({ calculations: z.array(calculation) }),
  }),
  readCalculation: route({
    method: 'get',
    path: '/calculations/{name}',
    summary: 'One calculation with its schemas and sources',
    params: { name: z.string() },
    query: null,
    body: null,
    answer: calculation,
  }),
  runCalculation: route({
    method: 'post',
    path: '/calculations/{name}',
    summary: 'Runs a calculation; its input by the schema it is listed with',
    params: { name: z.string() },
    query: null,
    body: z.unknown(),
    answer: evaluation,
  }),

  listRiders: route({
    method: 'get',
    path: '/riders',
    summary: 'A page of riders, most recently seen first, each with the latest visit',
    query: z.object({
      search: z.string().max(120, { error: 'The search must be at most 120 characters.' }).default(''),
      /** what the page before gave as next */
      after: z.string().max(120).nullable().default(null),
    }),
    body: null,
    answer: z.object({ riders: z.array(listedRider), next: z.string().nullable() }),
  }),
  readRider: route({
    method: 'get',
    path: '/riders/{riderId}',
    summary: 'A rider with bikes and visits',
    query: null,
    body: null,
    answer: z.object({ rider, bikes: z.array(bike), visits: z.array(visitRow) }),
  }),
  writeRider: route({
    method: 'put',
    path: '/riders/{riderId}',
    summary: 'Creates a rider (version 0), or writes over the version seen',
    query: null,
    body: over({ rider: riderFieldsSchema }),
    answer: rider,
  }),
  writeBike: route({
    method: 'put',
    path: '/riders/{riderId}/bikes/{bikeId}',
    summary: 'Creates a bike of a rider (version 0), or writes over the version seen',
    query: null,
    body: over({ bike: bikeFieldsSchema }),
    answer: bike,
  }),
  listTried: route({
    method: 'get',
    path: '/riders/{riderId}/saddles',
    summary: 'Saddles a rider has ridden, over all visits, best first',
    query: null,
    body: null,
    answer: z.object({ saddles: z.array(storedTried) }),
  }),
  writeTried: route({
    method: 'put',
    path: '/riders/{riderId}/saddles/{id}',
    summary: 'Writes or removes a saddle a rider has ridden',
    query: null,
    body: over({ saddle: triedSaddleSchema, removed }),
    answer: storedTried,
  }),

  createVisit: route({
    method: 'post',
    path: '/visits',
    summary: 'Begins a visit on a bike; asking again with the same id gives the same visit',
    query: null,
    body: z.strictObject({
      id: idSchema,
      riderId: idSchema,
      bikeId: idSchema,
      title: visitFieldsSchema.shape.title,
      riding: ridingSchema.optional(),
    }),
    answer: dossierSchema,
    status: 201,
  }),
  readVisit: route({
    method: 'get',
    path: '/visits/{visitId}',
    summary: 'Everything of one visit',
    query: null,
    body: null,
    answer: dossierSchema,
  }),
  readOtherBikes: route({
    method: 'get',
    path: '/visits/{visitId}/other-bikes',
    summary: 'Half stances of the same rider’s other bikes, mm, as their last visits left them',
    query: null,
    body: null,
    answer: z.object({ bikes: z.array(z.object({ name: z.string(), left: z.number(), right: z.number() })) }),
  }),
  writeVisit: route({
    method: 'put',
    path: '/visits/{visitId}',
    summary: 'Writes the fields of a visit over the version seen',
    query: null,
    body: visitWrite,
    answer: visit,
  }),
  writeReading: route({
    method: 'put',
    path: '/visits/{visitId}/readings',
    summary: 'Writes a reading over the version seen',
    query: null,
    body: over({ reading: readingSchema }),
    answer: readings.element,
  }),
  writeComplaint: route({
    method: 'put',
    path: '/visits/{visitId}/complaints',
    summary: 'Writes or removes a complaint over the version seen',
    query: null,
    body: over({ complaint: complaintSchema, removed }),
    answer: complaints.element,
  }),
  writeRating: route({
    method: 'put',
    path: '/visits/{visitId}/ratings',
    summary: 'Writes how a complaint was after a change',
    query: null,
    body: over({ rating: ratingSchema }),
    answer: ratings.element,
  }),
  appendToLedger: route({
    method: 'post',
    path: '/visits/{visitId}/ledger',
    summary: 'Appends try, keep or undo to the ledger after as many entries as the writer has seen',
    query: null,
    body: z.strictObject({ after: versionSchema, entry: ledgerEntrySchema }),
    answer: ledgerEntrySchema,
  }),

  addAttachment: route({
    method: 'post',
    path: '/visits/{visitId}/attachments',
    summary: 'Keeps a picture or a pressure recording with a visit',
    query: z.strictObject({
      id: idSchema,
      kind: z.enum(attachmentKinds, { error: `kind must be one of ${attachmentKinds.join(', ')}.` }),
      title: attachmentFieldsSchema.shape.title,
    }),
    body: { raw: 'bytes', mediaType: 'application/octet-stream', limit: Math.max(PICTURE_LIMIT, MAT_FILE_LIMIT) },
    answer: attachment,
    status: 201,
  }),
  listAttachments: route({
    method: 'get',
    path: '/visits/{visitId}/attachments',
    summary: 'Pictures and recordings of a visit, without their content',
    query: null,
    body: null,
    answer: z.object({ attachments: z.array(attachment) }),
  }),
  readAttachment: route({
    method: 'get',
    path: '/attachments/{id}/content',
    summary: 'A picture or a recording as it is kept',
    query: null,
    body: null,
    answer: { file: ['image/jpeg', 'text/csv'] },
  }),
  writeAttachment: route({
    method: 'put',
    path: '/attachments/{id}',
    summary: 'Writes title and marks of an attachment, or removes it',
    query: null,
    body: attachmentFieldsSchema.extend({ version: versionSchema, removed }),
    answer: attachment,
  }),

  readVisitFileSchema: route({
    method: 'get',
    path: '/schemas/visit-file',
    summary: 'JSON Schema of the visit file',
    query: null,
    body: null,
    answer: document,
  }),
  readVisitFile: route({
    method: 'get',
    path: '/visits/{visitId}/file',
    summary: 'The visit as an open file',
    query: null,
    body: null,
    answer: { file: ['application/json'] },
  }),
  readSheet: route({
    method: 'get',
    path: '/visits/{visitId}/sheet.pdf',
    summary: 'The record sheet',
    query: z.object({ unit: z.enum(['mm', 'cm', 'in'], { error: 'unit must be mm, cm or in.' }).default('mm') }),
    body: null,
    answer: pdf,
  }),
  readTemplatePdf: route({
    method: 'get',
    path: '/visits/{visitId}/template.pdf',
    summary: 'Cleat templates in true size; both sides unless one is named',
    query: templateQuery,
    body: null,
    answer: pdf,
  }),
  readTemplateSvg: route({
    method: 'get',
    path: '/visits/{visitId}/template.svg',
    summary: 'The cleat template of one side in true size; left unless named',
    query: templateQuery,
    body: null,
    answer: svg,
  }),
  readStripPdf: route({
    method: 'get',
    path: '/visits/{visitId}/strip.pdf',
    summary: 'Strips in true size to lay along a flat bar',
    query: null,
    body: null,
    answer: pdf,
  }),
  readStripSvg: route({
    method: 'get',
    path: '/visits/{visitId}/strip.svg',
    summary: 'Strips in true size to lay along a flat bar',
    query: null,
    body: null,
    answer: svg,
  }),
  importVisit: route({
    method: 'post',
    path: '/imports',
    summary: 'Stores a visit file as a new rider, bike and visit; asking again with the same id stores nothing twice',
    query: z.object({ id: idSchema.optional() }),
    body: { raw: 'text', mediaType: 'application/json', limit: VISIT_FILE_MAX_BYTES * 2 },
    answer: z.object({ riderId: idSchema, visitId: idSchema, name: z.string() }),
    status: 201,
  }),

  readLearned: route({
    method: 'get',
    path: '/studio/learned',
    summary: 'What the studio’s closed visits came to: counts only',
    query: null,
    body: null,
    answer: learned,
  }),
  writeLearns: route({
    method: 'put',
    path: '/studio/learned',
    summary: 'Whether what closed visits came to is used',
    query: null,
    body: z.strictObject({ learns: z.boolean({ error: 'learns must be true or false.' }) }),
    answer: learned,
  }),
} as const

/** An entry of a catalogue with the version a writer must have seen; 0 = not stored yet. */
export interface StoredPart<Spec extends PartSpec = PartSpec> {
  readonly entry: { readonly id: string; readonly spec: Spec; readonly removed: boolean }
  readonly version: number
}

/** The routes of one catalogue, at its own address. */
export function catalogueRoutes<Key extends CatalogueKey>(key: Key) {
  const at: CatalogueKey = key
  const row = catalogueOf(at)
  const spec = row.schema as z.ZodType<SpecOf<Key>, SpecOf<Key>>
  const stored: z.ZodType<StoredPart<SpecOf<Key>>> = z.object({ entry: z.object({ id: idSchema, spec, removed }), version: z.int() })
  const entries: z.ZodType<{ entries: StoredPart<SpecOf<Key>>[] }> = z.object({ entries: z.array(stored) })
  return {
    list: route({
      method: 'get',
      path: `/${at}`,
      summary: `The studio’s catalogue: ${row.what}`,
      query: null,
      body: null,
      answer: entries,
    }),
    write: route({
      method: 'put',
      path: `/${at}/{id}`,
      summary: `Writes or removes an entry of the catalogue: ${row.what}`,
      query: null,
      body: over({ spec, removed }),
      answer: stored,
    }),
  }
}

/** Every route there is, by a name of its own. */
export const everyRoute: Readonly<Record<string, Route>> = {
  ...contract,
  ...Object.fromEntries(
    catalogueKeys.flatMap((key) => {
      const { list, write } = catalogueRoutes(key)
      return [
        [`list-${key}`, list],
        [`write-${key}`, write],
      ]
    }),
  ),
}
