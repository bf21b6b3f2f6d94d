import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import type { Dossier } from '@level-stance/core/record/dossier'
import { sheetOf } from '@level-stance/core/record/sheet'
import { readingPlace } from '@level-stance/core/readings/readingPlace'
import type { VisitFile } from '@level-stance/core/record/visitFile'
import { loadDemo } from '../src/demo/load.ts'
import { demoVisits } from '../src/demo/riders.ts'
import { loadSheetFonts } from '../src/pdf/fonts.ts'
import { sheetPdf } from '../src/pdf/sheetPdf.ts'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => void (server = await startTestServer()))
afterAll(() => server.stop())

const stories = demoVisits.map((file) => [file.rider.name, file] as const)
const importFile = (file: unknown) =>
  server.request<{ visitId: string; code: string; message: string }>(
    'POST',
    '/imports',
    typeof file === 'string' ? file : JSON.stringify(file),
  )
const exported = async (visitId: string) => (await server.request<VisitFile>('GET', `/visits/${visitId}/file`)).body

/** Ids are given anew on import; two files are the same when only the ids differ, and differ alike. */
function withoutIds(file: VisitFile): unknown {
  const names = new Map<string, string>()
  return JSON.parse(
    JSON.stringify(file).replace(
      /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g,
      (id) => names.get(id) ?? names.set(id, `id${names.size}`).get(id)!,
    ),
  )
}
const sorted = (file: VisitFile): VisitFile => ({
  ...file,
  readings: [...file.readings].sort((a, b) => readingPlace(a).localeCompare(readingPlace(b))),
})

describe('the open visit file', () => {
  it.each(stories)('%s: goes out and comes in as the same visit', async (_, file) => {
    const { body } = await importFile(file)
    const out = await exported(body.visitId)
    expect(withoutIds(sorted(out))).toEqual(withoutIds(sorted(file)))
    const again = await exported((await importFile(out)).body.visitId)
    expect(withoutIds(again)).toEqual(withoutIds(out))
  })

  it('never touches what is there: the same file twice is two riders', async () => {
    const [a, b] = [await importFile(demoVisits[0]), await importFile(demoVisits[0])]
    expect(a.body.visitId).not.toBe(b.body.visitId)
  })

  it.each([
    ['broken', '{"format": "level', 400, 'broken-file'],
    ['of another kind', '{"hello": 1}', 400, 'other-format'],
    ['of another version', JSON.stringify({ ...demoVisits[0], version: 5 }), 400, 'other-version'],
    ['huge', JSON.stringify({ ...demoVisits[0], rider: { name: 'x'.repeat(3_000_000), note: '' } }), 413, 'too-large'],
    ['larger than anything', 'x'.repeat(4_500_000), 413, 'too-large'],
    ['hostile', JSON.stringify(demoVisits[0]).replace('{', '{"__proto__":{"isAdmin":true},'), 400, 'invalid'],
    ['script in a name', JSON.stringify({ ...demoVisits[0], rider: { name: '', note: '<script>' } }), 400, 'invalid'],
  ])('refuses a %s file with words and stores nothing of it', async (_, text, status, code) => {
    const count = async () => (await server.db.execute(sql`select count(*)::int as n from riders`)).rows[0]
    const before = await count()
    const answer = await importFile(text)
    expect(answer.status).toBe(status)
    expect(answer.body.code).toBe(code)
    expect(answer.body.message.length).toBeGreaterThan(10)
    expect(await count()).toEqual(before)
  })

  it('publishes its schema', async () => {
    const { body } = await server.request<{ title: string }>('GET', '/schemas/visit-file')
    expect(body.title).toBe('Level Stance visit')
  })
})

describe('demo data', () => {
  it('is loaded once, and never again over what a user did', async () => {
    expect(await loadDemo(server.db)).toBe(true)
    await server.db.execute(sql`delete from riders`)
    expect(await loadDemo(server.db)).toBe(false)
    expect((await server.db.execute(sql`select count(*)::int as n from riders`)).rows).toEqual([{ n: 0 }])
  })
})

/** Text of a PDF, read back by an independent reader in a process of its own. */
function readPdf(data: Buffer): { pages: number; text: string } {
  return JSON.parse(
    execFileSync(process.execPath, [join(__dirname, 'readPdf.mjs')], { input: data, encoding: 'utf8', stdio: ['pipe', 'pipe', 'ignore'] }),
  ) as never
}

describe('the printed sheet', () => {
  const fonts = loadSheetFonts(__filename)

  it('holds a short visit on one page', async () => {
    const file = demoVisits.at(-1)!
    const short = {
      ...file,
      readings: file.readings.filter((reading) => ['stature', 'saddleHeight', 'crank', 'cleatSetback', 'slotBack'].includes(reading.key)),
    }
    expect(readPdf(await sheetPdf(sheetOf(short), fonts, 'mm')).pages).toBe(1)
  })

  it('holds a whole visit as real text: what was set and its drawings first, its readings two abreast on further pages, with its fonts inside', async () => {
    const { body } = await importFile(demoVisits.at(-1))
    const answer = await server.request<Buffer>('GET', `/visits/${body.visitId}/sheet.pdf`)
    expect(answer.headers.get('content-type')).toBe('application/pdf')
    expect(answer.headers.get('content-disposition')).toContain('baptiste-okonjo-2026-10-06.pdf')
    const { pages, text } = readPdf(answer.body)
    expect(pages).toBe(2)
    for (const words of [
      'Baptiste Okonjo',
      'Torso from level',
      'Hand ahead of BB',
      'Cleat behind MTP1, left',
      '4 mm',
      '9 mm',
      '736 mm',
      '733.5 mm',
      'Toes and ball of foot, both',
      // Over the body on which it is marked.
      'front',
      'Re-check every bolt',
      // In the drawings: an angle of the rider, and the lengths of the stance.
      'Soles from above',
      '67°',
      'stance 254 mm',
    ])
      expect(text).toContain(words)
    const raw = answer.body.toString('latin1')
    expect(raw).toMatch(/\/FontFile2/)
    expect(raw).not.toMatch(/\/BaseFont \/Helvetica/)
  })

  it('writes names of other alphabets, in inches, and a long visit on more pages than one', async () => {
    const file = demoVisits.at(-1)!
    const long = {
      ...file,
      rider: { name: 'Živa Østergård Ελένη Зоя', note: '' },
      complaints: Array.from({ length: 60 }, () => ({ ...file.complaints[0]!, id: randomUUID() })),
    }
    const { pages, text } = readPdf(await sheetPdf(sheetOf(long), fonts, 'in'))
    expect(pages).toBeGreaterThan(1)
    expect(text.replace(/ /g, '')).toContain('ŽivaØstergårdΕλένηЗоя')
    expect(text).toContain('28.98 in')
  })

  it('carries the stop words', async () => {
    const file = demoVisits[0]!
    const stopped = { ...file, complaints: [{ ...file.complaints[0]!, warnings: { 'lost-strength': 'yes' as const } }] }
    expect(readPdf(await sheetPdf(sheetOf(stopped), fonts, 'mm')).text).toContain('Stop and refer')
  })

  it('is refused politely for a visit that is not there or a unit that is none', async () => {
    expect((await server.request('GET', `/visits/${randomUUID()}/sheet.pdf`)).status).toBe(404)
    const { body } = await importFile(demoVisits[0])
    expect((await server.request('GET', `/visits/${body.visitId}/sheet.pdf?unit=furlong`)).status).toBe(400)
    expect((await server.request<Dossier>('GET', `/visits/${body.visitId}`)).status).toBe(200)
  })
})
