import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { catalogueRoutes, contract, everyRoute } from '@level-stance/core/contract/contract'
import { routePath } from '@level-stance/core/contract/route'
import type { Asking, Filling, Route } from '@level-stance/core/contract/route'
import { freshVisit } from '@level-stance/core/record/dossier'
import { startingSaddles } from '@level-stance/core/stations/seat/saddle/kinds'
import { complaintAt, entryOf, exampleReadings, uuid } from '@level-stance/core/testing'
import { loadDemo } from '../src/demo/load.ts'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
  await loadDemo(server.db)
})
afterAll(() => server.stop())

/** The published document, as anybody gets it. */
interface Document {
  readonly paths: Readonly<Record<string, Readonly<Record<string, { readonly operationId: string; readonly responses: Responses }>>>>
}
type Responses = Readonly<Record<string, { readonly content: Readonly<Record<string, { readonly schema?: object }>> }>>
const published = async () => (await server.request<Document>('GET', '/openapi.json')).body

it('is published as a document that the schema of OpenAPI 3.1 accepts', async () => {
  // Source: OpenAPI Initiative, OpenAPI Specification 3.1 and its JSON Schema, as the validator brings them.
  const said = execFileSync(process.execPath, [join(__dirname, 'checkOpenApi.mjs')], { input: JSON.stringify(await published()) })
  expect(JSON.parse(said.toString())).toEqual({ valid: true, errors: null, version: '3.1' })
})

it('lists every route once', async () => {
  const { paths } = await published()
  const listed = Object.values(paths).flatMap((methods) => Object.values(methods).map(({ operationId }) => operationId))
  expect([...listed].sort()).toEqual(Object.keys(everyRoute).sort())
})

it('is kept by every answer of the demo: by the row’s own schema, and by the document’s as JSON Schema 2020-12', async () => {
  const { paths } = await published()
  const ajv = new Ajv2020({ strict: false })
  addFormats(ajv)
  const seen = new Set<Route>()
  async function read(row: Route, params: Readonly<Record<string, string>> = {}) {
    const { status, headers, body } = await server.request<unknown>('GET', routePath(row, { params }))
    expect({ path: row.path, status }).toEqual({ path: row.path, status: row.status ?? 200 })
    seen.add(row)
    const operation = paths[row.path]?.[row.method]
    const content = operation?.responses[String(status)]?.content ?? {}
    const type = (headers.get('content-type') ?? '').split(';')[0] ?? ''
    expect(Object.keys(content)).toContain(type)
    if (!('file' in row.answer)) {
      expect(row.answer.safeParse(body).error).toBeUndefined()
      const schema = content[type]?.schema
      if (schema) expect({ path: row.path, valid: ajv.validate(schema, body), errors: ajv.errors }).toMatchObject({ valid: true })
    }
    return body
  }
  for (const row of Object.values(everyRoute)) if (row.method === 'get' && !row.path.includes('{')) await read(row)
  const { riders } = contract.listRiders.answer.parse(await read(contract.listRiders))
  expect(riders).toHaveLength(5)
  await read(contract.readCalculation, { name: 'knee-flexion' })
  for (const { id: riderId } of riders) {
    const { visits } = contract.readRider.answer.parse(await read(contract.readRider, { riderId }))
    await read(contract.listTried, { riderId })
    for (const { id: visitId } of visits) {
      const dossier = contract.readVisit.answer.parse(await read(contract.readVisit, { visitId }))
      const { attachments } = contract.listAttachments.answer.parse(await read(contract.listAttachments, { visitId }))
      for (const { id } of attachments) await read(contract.readAttachment, { id })
      for (const row of [contract.readOtherBikes, contract.readVisitFile, contract.readSheet]) await read(row, { visitId })
      const hasGrips = dossier.readings.some(({ reading }) => reading.key === 'gripLength')
      for (const row of hasGrips ? [contract.readStripPdf, contract.readStripSvg] : [contract.readTemplatePdf, contract.readTemplateSvg])
        await read(row, { visitId })
    }
  }
  const unread = Object.values(everyRoute).filter((row) => row.method === 'get' && !seen.has(row))
  expect(unread.map(({ path }) => path)).toEqual([])
})

it('is kept by the answers to writes', async () => {
  const [riderId, bikeId, visitId] = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()]
  async function write<Row extends Route>(row: Row, { body, ...filling }: Asking<Row> & Filling) {
    const answer = await server.request<unknown>(row.method.toUpperCase(), routePath(row, filling), body)
    expect({ path: row.path, status: answer.status }).toEqual({ path: row.path, status: row.status ?? 200 })
    if (!('file' in row.answer)) expect(row.answer.safeParse(answer.body).error).toBeUndefined()
  }
  const [params, version] = [{ visitId }, 0]
  await write(contract.writeRider, { params: { riderId }, body: { version, rider: { name: 'Contract Rider', note: '' } } })
  await write(contract.writeBike, { params: { riderId, bikeId }, body: { version, bike: { name: 'Test bike', kind: 'drop bar' } } })
  await write(contract.createVisit, { body: { id: visitId, riderId, bikeId, title: 'First visit' } })
  for (const reading of exampleReadings) await write(contract.writeReading, { params, body: { version, reading } })
  await write(contract.writeComplaint, { params, body: { version, complaint: complaintAt(1, 'knee-outer', 'right'), removed: false } })
  const entry = entryOf(2, { setting: 'cleatTurn', side: 'right', by: 1, role: 'chosen' })
  await write(contract.appendToLedger, { params, body: { after: 0, entry } })
  const rating = { complaintId: uuid(1), changeId: entry.id, severity: 3 }
  await write(contract.writeRating, { params, body: { version, rating } })
  await write(contract.writeVisit, { params, body: { version: 1, visit: { ...freshVisit, title: 'Read again' } } })
  const saddle = startingSaddles[0]
  if (saddle) {
    const spec = { ...saddle, name: 'Saddle of the contract' }
    await write(catalogueRoutes('saddles').write, { params: { id: uuid(7) }, body: { version, spec, removed: false } })
  }
  await write(contract.writeLearns, { body: { learns: true } })
  await write(contract.runCalculation, {
    params: { name: 'knee-flexion' },
    body: { thigh: 430, shank: 420, distance: 800, plusMinus: { thigh: 5 } },
  })
})

it('an id that is none, a query outside its range and a body that does not fit are named', async () => {
  const asked = await Promise.all([
    server.request('GET', '/riders/1'),
    server.request('GET', `/riders?search=${'x'.repeat(121)}`),
    server.request('PUT', `/visits/${crypto.randomUUID()}/ratings`, { version: -1 }),
    server.request('GET', '/nowhere'),
  ])
  expect(asked.map(({ status, body }) => [status, body.code])).toEqual([
    [400, 'invalid'],
    [400, 'invalid'],
    [400, 'invalid'],
    [404, 'not-found'],
  ])
})
