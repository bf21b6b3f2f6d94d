import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { startingCockpit } from '@level-stance/core/stations/hands/cockpit/parts'
import type { CockpitSpec } from '@level-stance/core/stations/hands/cockpit/parts'
import type { SheetLine } from '@level-stance/core/kernel/trueSizeSheet'
import type { StoredPart } from '@level-stance/core/contract/contract'
import { demoVisits } from '../src/demo/riders.ts'
import { startTestServer } from './harness.ts'
import type { ErrorBody } from '@level-stance/core/contract/error'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const list = async () => (await server.request<{ entries: StoredPart<CockpitSpec>[] }>('GET', '/cockpit-parts')).body.entries
const imported = async (name: string) => {
  const file = demoVisits.find(({ rider }) => rider.name.startsWith(name))
  return (await server.request<{ visitId: string }>('POST', '/imports', JSON.stringify(file))).body.visitId
}

describe('the cockpit’s catalogue', () => {
  it('starts with the kinds of the trade, stems first, and takes a studio’s own by version', async () => {
    const entries = await list()
    expect(entries).toHaveLength(startingCockpit.length)
    expect(entries[0]?.entry.spec.kind).toBe('stem')
    const spec = { ...startingCockpit[0]!, name: 'Shop’s short stem', stemLength: 32 }
    const id = randomUUID()
    expect((await server.request('PUT', `/cockpit-parts/${id}`, { version: 0, spec, removed: false })).status).toBe(200)
    expect((await list()).some(({ entry }) => entry.spec.name === 'Shop’s short stem')).toBe(true)
    expect((await server.request('PUT', `/cockpit-parts/${id}`, { version: 0, spec: { ...spec, price: 3 }, removed: false })).status).toBe(
      409,
    )
    expect((await server.request('PUT', `/cockpit-parts/${randomUUID()}`, { version: 0, spec, removed: false })).status).toBe(409)
  })

  it('names the figure that a kind of part lacks', async () => {
    const spec = { ...startingCockpit.find(({ kind }) => kind === 'flat-bar')!, name: 'No width', barWidth: null }
    const answer = await server.request('PUT', `/cockpit-parts/${randomUUID()}`, { version: 0, spec, removed: false })
    expect(answer.status).toBe(400)
    expect((answer.body as ErrorBody).fields[0]).toEqual({ field: 'spec.barWidth', message: 'Flat or riser bar must say this figure.' })
  })
})

interface ReadBack {
  pages: { width: number; height: number; lines: Pick<SheetLine, 'from' | 'to'>[] }[]
  printScaling: string | null
}

describe('bar strips', () => {
  it('are read back out of the PDF in true size, and ask not to be scaled', async () => {
    const id = await imported('Ruta')
    const response = await fetch(`${server.url}/api/visits/${id}/strip.pdf`)
    expect(response.headers.get('content-type')).toContain('application/pdf')
    const pdf = Buffer.from(await response.arrayBuffer())
    const { pages, printScaling } = JSON.parse(
      execFileSync(process.execPath, [join(__dirname, 'readLines.mjs')], { input: pdf, encoding: 'utf8' }),
    ) as ReadBack
    expect(printScaling).toBe('None')
    const [page] = pages
    if (!page) throw new Error('no page')
    expect([page.width, page.height].map(Math.round)).toEqual([210, 297])
    const lengths = page.lines.map(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y))
    // The two bars a printer is checked by: 50 mm and two inches.
    expect(lengths.some((length) => Math.abs(length - 50) < 0.01)).toBe(true)
    expect(lengths.some((length) => Math.abs(length - 50.8) < 0.01)).toBe(true)
    // Across the right strip: the bar's end, and the grip's end 135 mm under it.
    const across = page.lines
      .filter(({ from, to }) => Math.abs(from.y - to.y) < 0.01 && from.x > 120 && to.x > 150 && to.x < 160)
      .map(({ from }) => from.y)
    const end = Math.min(...across)
    expect(across.some((y) => Math.abs(y - end - 135) < 0.02)).toBe(true)
  })

  it('are for flat bars, and need the grip’s length', async () => {
    const drop = await server.request('GET', `/visits/${await imported('Baptiste')}/strip.svg`)
    expect(drop).toMatchObject({ status: 400 })
    expect((drop.body as ErrorBody).message).toBe('Strips are for flat bars.')
    const town = await server.request('GET', `/visits/${await imported('Imre')}/strip.svg`)
    expect((town.body as ErrorBody).fields[0]?.field).toBe('gripLength')
    expect((await server.request('GET', `/visits/${randomUUID()}/strip.pdf`)).status).toBe(404)
  })
})
