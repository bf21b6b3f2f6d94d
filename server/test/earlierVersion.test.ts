import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { barOf } from '@level-stance/core/bike/bikeKinds'
import { settingKeys } from '@level-stance/core/ledger/settings'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import { setupOf } from '@level-stance/core/rider/setup'
import { definitionOf, isChoice, optionsOf } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import type { Attachment } from '@level-stance/core/record/attachments'
import type { Dossier } from '@level-stance/core/record/dossier'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

/** A database as the version before this one left it: riders with changes, ratings, another saddle, pictures and recordings. */
const dump = gunzipSync(readFileSync(join(__dirname, 'fixtures/database-1.sql.gz')))
  .toString('utf8')
  .replace(/^\\(un)?restrict.*$/gm, '')

interface OldReading {
  visit_id: string
  key: ReadingKey
  side: 'left' | 'right' | 'both'
  condition: string
  value: number | null
  typed: string
  method: string
  taken_at: Date
  repeats: number[]
  plus_minus: number | null
}
interface OldEntry {
  id: string
  visit_id: string
  kind: 'try' | 'keep' | 'undo'
  at: Date
  of: string | null
  moves: { setting: string; side: string; by: number; role: string }[] | null
  reason: string | null
  later: string | null
}
let server: TestServer
let old: {
  readings: OldReading[]
  ledger: OldEntry[]
  counts: Record<string, number>
  visits: { id: string; seat: object; accepted: string[]; cleat_school: string; pedal_weights: object; stance_by: string | null }[]
  complaints: { id: string; visit_id: string; region: string; side: string; kind: string; severity: number; note: string }[]
  attachments: { id: string; content: Buffer }[]
}
const tables = [
  'riders',
  'bikes',
  'visits',
  'readings',
  'complaints',
  'ledger',
  'ratings',
  'pedals',
  'saddles',
  'tried_saddles',
  'attachments',
]

beforeAll(async () => {
  server = await startTestServer(async (client) => {
    await client.query(dump)
    await client.query('set search_path to public')
    const rows = async <Row>(query: string) => (await client.query(query)).rows as Row[]
    const counts: Record<string, number> = {}
    for (const table of tables) counts[table] = (await rows<{ n: number }>(`select count(*)::int as n from ${table}`))[0]?.n ?? -1
    old = {
      readings: await rows<OldReading>('select * from readings'),
      ledger: await rows<OldEntry>('select * from ledger order by visit_id, seq'),
      visits: await rows('select * from visits'),
      complaints: await rows('select * from complaints order by visit_id, seq'),
      attachments: await rows('select id, content from attachments'),
      counts,
    }
  })
})
afterAll(() => server.stop())

const dossierOf = async (id: string) => (await server.request<Dossier>('GET', `/visits/${id}`)).body
const withLedger = () => [...new Set(old.ledger.map((entry) => entry.visit_id))]

describe('a database of the version before', () => {
  it('has something of everything to lose', () => {
    for (const table of tables) expect([table, (old.counts[table] ?? 0) > 0]).toEqual([table, true])
  })

  it('opens with every row of every table', async () => {
    for (const table of tables) {
      // Catalogues were a table each then; now they are one, and each knows its own rows.
      const from = ['pedals', 'saddles'].includes(table) ? `parts where catalogue = '${table}'` : table
      const { rows } = await server.db.execute<{ n: number }>(`select count(*)::int as n from ${from}`)
      expect([table, rows[0]?.n]).toEqual([table, old.counts[table]])
    }
  })

  it('keeps every reading: value, words, method, repeats, ± and time', async () => {
    for (const { id } of old.visits) {
      const { readings } = await dossierOf(id)
      const before = old.readings.filter((row) => row.visit_id === id)
      expect(readings).toHaveLength(before.length)
      for (const row of before) {
        const found = readings.find(({ reading: r }) => r.key === row.key && r.side === row.side && r.condition === row.condition)?.reading
        const value = row.value !== null && isChoice(row.key) ? optionsOf(row.key)[row.value - 1] : row.value
        expect([row.key, found?.value]).toEqual([row.key, value])
        expect(found).toMatchObject({ method: row.method, repeats: row.repeats, at: row.taken_at.toISOString() })
        expect(found?.plusMinus ?? null).toBe(row.plus_minus)
        if (!isChoice(row.key)) expect(found?.typed).toBe(row.typed)
      }
    }
  })

  it('places what was read on the bike after the change it was read after', async () => {
    let placed = 0
    for (const id of withLedger()) {
      const { readings, ledger } = await dossierOf(id)
      for (const { reading } of readings) {
        const isFit = definitionOf(reading.key).owner === 'fit' && definitionOf(reading.key).group === 'on-bike'
        const last = ledger.filter((entry) => entry.at <= reading.at).at(-1)?.id ?? null
        if (isFit && reading.value !== null) expect([reading.key, reading.after]).toEqual([reading.key, last])
        if (reading.after !== null) placed += 1
      }
    }
    expect(placed).toBeGreaterThan(0)
  })

  it('keeps every change in its order, with its reason, and parts by name', async () => {
    for (const id of withLedger()) {
      const { ledger } = await dossierOf(id)
      const before = old.ledger.filter((entry) => entry.visit_id === id)
      expect(ledger.map((entry) => [entry.id, entry.kind, entry.at])).toEqual(before.map((row) => [row.id, row.kind, row.at.toISOString()]))
      ledger.forEach((entry, i) => {
        if (entry.kind !== 'try') expect(entry.of).toBe(before[i]?.of)
        else expect(entry).toMatchObject({ reason: before[i]?.reason, later: before[i]?.later })
      })
    }
    const parts = (await Promise.all(withLedger().map(dossierOf))).flatMap(({ ledger }) =>
      ledger.flatMap((e) => (e.kind === 'try' ? e.exchanges : [])),
    )
    expect(parts.map(({ slot }) => slot)).toEqual(expect.arrayContaining(['saddle', 'pedals', 'stem']))
    for (const { to } of parts) expect(to.name).not.toBe('')
  })

  it('stands with every setting where it stood: what was read and what was moved since', async () => {
    let compared = 0
    for (const id of withLedger()) {
      const { readings, ledger, bike } = await dossierOf(id)
      const { now } = setupOf(
        readings.map((row) => row.reading),
        ledger,
        barOf(bike.kind),
      )
      const before = old.ledger.filter((entry) => entry.visit_id === id)
      const undone = new Set(before.flatMap((entry) => (entry.kind === 'undo' ? [entry.of] : [])))
      const moves = before.filter((entry) => entry.kind === 'try' && !undone.has(entry.id)).flatMap((entry) => entry.moves ?? [])
      for (const { setting, side } of moves) {
        const key = settingKeys.find((other) => other === setting) as SettingKey | undefined
        const read = old.readings.find(
          (row) => row.visit_id === id && row.key === setting && row.side === side && row.condition === 'usual',
        )
        if (key === undefined || read?.value === undefined || read.value === null) continue
        const sum = moves.filter((move) => move.setting === setting && move.side === side).reduce((total, move) => total + move.by, 0)
        expect([setting, now[key][side === 'right' ? 'right' : 'left']?.value]).toEqual([setting, expect.closeTo(read.value + sum, 6)])
        compared += 1
      }
    }
    expect(compared).toBeGreaterThan(3)
  })

  it('keeps what the fitter chose and what was acknowledged', async () => {
    for (const row of old.visits) {
      const { choices, acknowledged } = (await dossierOf(row.id)).visit
      expect(acknowledged).toEqual(row.accepted)
      expect(choices.feet.cleatSchool ?? 'behind-ball').toBe(row.cleat_school)
      expect(choices.feet.pedalWeights ?? {}).toEqual(row.pedal_weights)
      expect(choices.feet.stanceBy ?? null).toBe(row.stance_by)
      expect(choices.seat).toEqual(row.seat)
    }
  })

  it('keeps every complaint at its place, with what was told of it', async () => {
    for (const { id } of old.visits) {
      const before = old.complaints.filter((row) => row.visit_id === id)
      const { complaints } = await dossierOf(id)
      expect(complaints.map(({ complaint }) => complaint)).toEqual(
        before.map(
          (row) =>
            expect.objectContaining({
              id: row.id,
              places: [{ region: row.region, side: row.side }],
              kind: row.kind,
              severity: row.severity,
              note: row.note,
              control: null,
            }) as unknown,
        ),
      )
    }
  })

  it('keeps ratings, and pictures and recordings byte by byte', async () => {
    const ratings = (await Promise.all(old.visits.map(({ id }) => dossierOf(id)))).flatMap((dossier) => dossier.ratings)
    expect(ratings).toHaveLength(old.counts['ratings'] ?? -1)
    const { rows } = await server.db.execute<{ id: string; content: Buffer }>('select id, content from attachments')
    for (const { id, content } of old.attachments) expect(rows.find((row) => row.id === id)?.content.equals(content)).toBe(true)
    for (const { id } of old.visits) {
      const { attachments } = (await server.request<{ attachments: Attachment[] }>('GET', `/visits/${id}/attachments`)).body
      for (const { id: file } of attachments) expect((await server.request('GET', `/attachments/${file}/content`)).status).toBe(200)
    }
  })

  it('is still closed to edits of the ledger', async () => {
    await expect(server.db.execute(`update ledger set reason = 'x'`)).rejects.toThrow()
  })
})

describe('a visit file of the version before', () => {
  const file = readFileSync(join(__dirname, '../../core/src/record/fixtures/visit-1.json'), 'utf8')
  it('comes in with its readings, changes and ratings, and goes out as a file of today', async () => {
    const before = JSON.parse(file) as {
      version: number
      readings: unknown[]
      ledger: unknown[]
      ratings: unknown[]
      complaints: unknown[]
    }
    expect(before.version).toBe(1)
    const { body, status } = await server.request<{ visitId: string }>('POST', '/imports', file)
    expect(status).toBe(201)
    const dossier = await dossierOf(body.visitId)
    expect([dossier.readings.length, dossier.ledger.length, dossier.ratings.length, dossier.complaints.length]).toEqual([
      before.readings.length,
      before.ledger.length,
      before.ratings.length,
      before.complaints.length,
    ])
    const out = (await server.request<{ version: number }>('GET', `/visits/${body.visitId}/file`)).body
    expect(out.version).toBe(4)
    expect((await server.request('POST', '/imports', JSON.stringify(out))).status).toBe(201)
  })
})
