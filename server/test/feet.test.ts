import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { eq } from 'drizzle-orm'
import { setupOf } from '@level-stance/core/rider/setup'
import { templateInput } from '@level-stance/core/stations/feet/cleat/templateInput'
import { barOf } from '@level-stance/core/bike/bikeKinds'
import { cleatTemplate } from '@level-stance/core/stations/feet/cleat/template'
import type { SheetLine } from '@level-stance/core/kernel/trueSizeSheet'
import type { PedalSpec } from '@level-stance/core/stations/feet/pedal/kinds'
import { startingPedals } from '@level-stance/core/stations/feet/pedal/kinds'
import type { Dossier } from '@level-stance/core/record/dossier'
import { demoVisits } from '../src/demo/riders.ts'
import { parts, studios } from '../src/db/schema.ts'
import { defaultCleatSchool } from '@level-stance/core/stations/feet/cleat/schools'
import { DEFAULT_STUDIO } from '../src/http/studio.ts'
import { ensureCatalogues } from '../src/catalogue/store.ts'
import type { StoredPart } from '@level-stance/core/contract/contract'
import type { ErrorBody } from '@level-stance/core/contract/error'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => void (server = await startTestServer()))
afterAll(() => server.stop())

const plate = startingPedals[0]!
const list = async () => (await server.request<{ entries: StoredPart<PedalSpec>[] }>('GET', '/pedals')).body.entries
const put = (id: string, version: number, spec: object, removed = false) =>
  server.request<StoredPart<PedalSpec> & ErrorBody>('PUT', `/pedals/${id}`, { version, spec, removed })

describe('the catalogue of pedals', () => {
  it('starts with the seven kinds, by kind', async () => {
    expect((await list()).map((row) => row.entry.spec.name)).toEqual(startingPedals.map(({ name }) => name))
  })

  it('takes a new entry, changes it, removes it, and keeps it removed', async () => {
    const id = randomUUID()
    expect((await put(id, 0, { ...plate, name: 'Long-axle plate', axles: [57, 61] })).status).toBe(200)
    const changed = await put(id, 1, { ...plate, name: 'Long-axle plate', axles: [61] })
    expect(changed.body).toMatchObject({ version: 2, entry: { spec: { axles: [61] } } })
    await put(id, 2, changed.body.entry.spec, true)
    expect((await list()).some((row) => row.entry.id === id)).toBe(false)
    await ensureCatalogues(server.db, DEFAULT_STUDIO)
    expect(await list()).toHaveLength(7)
  })

  it('shows a writer who saw an older version what is stored', async () => {
    const id = randomUUID()
    await put(id, 0, { ...plate, name: 'Twice written' })
    await put(id, 1, { ...plate, name: 'Twice written', mud: 4 })
    const late = await put(id, 1, { ...plate, name: 'Twice written', mud: 1 })
    expect(late.status).toBe(409)
    expect(late.body).toMatchObject({ code: 'stale', current: { version: 2, entry: { spec: { mud: 4 } } } })
    // The same again, whose answer was lost, is no conflict.
    expect((await put(id, 1, { ...plate, name: 'Twice written', mud: 4 })).status).toBe(200)
  })

  it('refuses a name that is taken, whatever its case, and a spec that cannot be', async () => {
    const taken = await put(randomUUID(), 0, { ...plate, name: 'TWO-bolt recessed' })
    expect(taken).toMatchObject({ status: 409, body: { code: 'name-taken', fields: [{ field: 'spec.name' }] } })
    const wrong = await put(randomUUID(), 0, { ...plate, name: 'Odd', stack: 99 })
    expect(wrong.status).toBe(400)
    expect(wrong.body.fields[0]).toEqual({ field: 'spec.stack', message: 'Stack must be a number from 0 to 45 mm.' })
    expect((await put('nonsense', 0, plate)).status).toBe(400)
    expect((await put(randomUUID(), 0, { ...plate, name: "'); drop table pedals; --" })).status).toBe(200)
    expect((await list()).length).toBeGreaterThan(7)
  })

  it('belongs to its studio', async () => {
    const other = randomUUID()
    await server.db.insert(studios).values({ id: other, name: 'Another room' })
    await ensureCatalogues(server.db, other)
    const [row] = await server.db.select().from(parts).where(eq(parts.studioId, other)).limit(1)
    const answer = await put(row!.id, 1, { ...plate, name: 'Not mine' })
    expect(answer.status).toBe(409)
    expect((await server.db.select().from(parts).where(eq(parts.id, row!.id)))[0]?.version).toBe(1)
  })
})

const courier = () => demoVisits.find((file) => file.bike.kind === 'cargo')!
const imported = async (file: unknown) =>
  (await server.request<{ visitId: string; riderId: string }>('POST', '/imports', JSON.stringify(file))).body

describe('stance across a rider’s bikes', () => {
  it('gives the half stances of the other bikes as their last visits left them', async () => {
    const { visitId, riderId } = await imported(courier())
    const bikes = () => server.request<{ bikes: unknown[] }>('GET', `/visits/${visitId}/other-bikes`)
    expect((await bikes()).body.bikes).toEqual([])
    const [bikeId, second] = [randomUUID(), randomUUID()]
    await server.request('PUT', `/riders/${riderId}/bikes/${bikeId}`, { version: 0, bike: { name: 'Town bike', kind: 'town' } })
    await server.request('POST', '/visits', { id: second, riderId, bikeId, title: 'Other bike' })
    const read = (key: string, side: string, value: number) =>
      server.request('PUT', `/visits/${second}/readings`, {
        version: 0,
        reading: {
          key,
          side,
          value,
          typed: String(value),
          method: 'tape',
          after: null,
          at: new Date().toISOString(),
          condition: 'usual',
          repeats: [],
        },
      })
    await read('tread', 'both', 150)
    expect((await bikes()).body.bikes).toEqual([])
    for (const [key, left, right] of [
      ['axleLength', 53, 57],
      ['washer', 1, 0],
    ] as const) {
      await read(key, 'left', left)
      await read(key, 'right', right)
    }
    // The shoes go along to the other bike, and their cleats with them: the left one 1 mm inward.
    expect((await bikes()).body.bikes).toEqual([{ name: 'Town bike', left: 75 + 53 + 1 + 1, right: 75 + 57 }])
  })

  it('is not found where there is no such visit', async () => {
    expect((await server.request('GET', `/visits/${randomUUID()}/other-bikes`)).status).toBe(404)
  })
})

interface ReadBack {
  pages: { width: number; height: number; lines: Pick<SheetLine, 'from' | 'to'>[] }[]
  printScaling: string | null
}
const readLines = (pdf: Buffer) =>
  JSON.parse(execFileSync(process.execPath, [join(__dirname, 'readLines.mjs')], { input: pdf, encoding: 'utf8' })) as ReadBack

describe('the cleat template', () => {
  let visitId: string
  let dossier: Dossier
  beforeAll(async () => {
    visitId = (await imported(courier())).visitId
    dossier = (await server.request<Dossier>('GET', `/visits/${visitId}`)).body
  })
  const template = (side: 'left' | 'right') =>
    cleatTemplate(
      templateInput(
        setupOf(
          dossier.readings.map((row) => row.reading),
          dossier.ledger,
          barOf(dossier.bike.kind),
        ),
        dossier.visit.choices.feet.cleatSchool ?? defaultCleatSchool,
        side,
        'x',
      ),
    )
  const near = (a: SheetLine | Pick<SheetLine, 'from' | 'to'>, b: Pick<SheetLine, 'from' | 'to'>) =>
    Math.max(Math.abs(a.from.x - b.from.x), Math.abs(a.from.y - b.from.y), Math.abs(a.to.x - b.to.x), Math.abs(a.to.y - b.to.y)) < 0.02

  it('has every line in true size on the PDF’s pages, read back with an independent reader', async () => {
    const { status, headers, body } = await server.request<Buffer>('GET', `/visits/${visitId}/template.pdf`)
    expect(status).toBe(200)
    expect(headers.get('content-type')).toMatch(/application\/pdf/)
    const { pages, printScaling } = readLines(body)
    expect(printScaling).toBe('None')
    expect(pages).toHaveLength(2)
    for (const [i, side] of (['left', 'right'] as const).entries()) {
      const page = pages[i]!
      expect(page.width).toBeCloseTo(210, 2)
      expect(page.height).toBeCloseTo(297, 2)
      const missing = template(side).lines.filter((line) => !page.lines.some((read) => near(read, line)))
      expect(missing.map((line) => line.key)).toEqual([])
      expect(page.lines).toHaveLength(template(side).lines.length)
      const across = page.lines.map(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y))
      expect(across.some((length) => Math.abs(length - 50) < 0.01)).toBe(true)
      expect(across.some((length) => Math.abs(length - 50.8) < 0.01)).toBe(true)
    }
  })

  it('follows the fitter’s own aim, one shoe alone, and comes as SVG as well', async () => {
    const { body } = await server.request<Buffer>('GET', `/visits/${visitId}/template.pdf?side=right&setback=30&turn=0`)
    const [page] = readLines(body).pages
    const mtp1 = template('right').lines.find((line) => line.key === 'mtp1')!
    // Square to the sole and 30 mm behind MTP1.
    expect(page!.lines.some(({ from, to }) => Math.abs(from.y - mtp1.from.y - 30) < 0.01 && Math.abs(from.y - to.y) < 0.01)).toBe(true)
    const svg = await server.request<Buffer>('GET', `/visits/${visitId}/template.svg?side=left`)
    expect(svg.headers.get('content-type')).toMatch(/image\/svg\+xml/)
    expect(svg.headers.get('content-disposition')).toMatch(/cleat-template-left\.svg/)
    expect(svg.body.toString()).toMatch(/width="210mm".*id="axle"/s)
  })

  it('says what is still to be read, and refuses an aim that cannot be', async () => {
    const bare = await imported({ ...courier(), readings: [], ledger: [], ratings: [] })
    const answer = await server.request('GET', `/visits/${bare.visitId}/template.pdf`)
    expect(answer).toMatchObject({
      status: 422,
      body: { code: 'missing', message: expect.stringMatching(/left template needs/) as string },
    })
    const wrong = await server.request('GET', `/visits/${visitId}/template.pdf?setback=900`)
    expect(wrong).toMatchObject({ status: 400, body: { fields: [{ field: 'setback' }] } })
    expect((await server.request('GET', `/visits/${visitId}/template.svg?side=both`)).status).toBe(400)
  })
})
