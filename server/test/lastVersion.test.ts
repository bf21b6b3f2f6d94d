import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { readingKeys } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import { conditionsFor } from '@level-stance/core/readings/conditions'
import { plain } from '@level-stance/core/kernel/message'
import { visitFileFrom } from '@level-stance/core/record/visitFile'
import type { VisitFile } from '@level-stance/core/record/visitFile'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

const fixture = (name: string) => gunzipSync(readFileSync(join(__dirname, 'fixtures', name))).toString('utf8')
/** A database at migration 0012: the demo riders, and a visit with every reading under every condition. */
const dump = fixture('database-12.sql.gz').replace(/^\\(un)?restrict.*$/gm, '')
/** What that version's server answered of each visit, and of its catalogues. */
const kept = JSON.parse(fixture('database-12.json.gz')) as {
  visits: { id: string; file: VisitFile; attachments: { attachments: { id: string }[] }; saddles: unknown }[]
  catalogues: Readonly<Record<'pedals' | 'saddles' | 'cockpit', unknown>>
}

let server: TestServer
beforeAll(async () => {
  server = await startTestServer(async (client) => {
    await client.query(dump)
    await client.query('set search_path to public')
  })
})
afterAll(() => server.stop())
const get = async (path: string) => (await server.request<unknown>('GET', path)).body

/** What there was nothing to read of at that version: readings and positions that came later, and readings that are taken in more positions since. */
const since = {
  readings: ['leverRoomIn', 'leverBite', 'saddleNoseLeast'],
  conditions: ['aero', 'hard-aero'],
  elsewhere: { kneeElbowGap: ['usual'], kneeFlexion: ['usual', 'hard'], footPitch: ['usual', 'hard'], sitsWhere: ['usual', 'hard'] },
} as const satisfies {
  readings: readonly ReadingKey[]
  conditions: readonly ConditionKey[]
  elsewhere: Readonly<Partial<Record<ReadingKey, readonly ConditionKey[]>>>
}
function wasThere(key: ReadingKey, condition: ConditionKey): boolean {
  const elsewhere: Readonly<Partial<Record<ReadingKey, readonly ConditionKey[]>>> = since.elsewhere
  const later: readonly string[] = [...since.readings, ...since.conditions]
  return !later.includes(key) && !later.includes(condition) && (elsewhere[key]?.includes(condition) ?? true)
}

describe('a database at migration 0012', () => {
  it('has every reading under every condition to lose', () => {
    const read = new Set(kept.visits.flatMap(({ file }) => file.readings.map(({ key, condition }) => `${key} ${condition}`)))
    for (const key of readingKeys)
      for (const condition of conditionsFor(key, 'drop').filter((one) => wasThere(key, one)))
        expect([...read]).toContain(`${key} ${condition}`)
    expect(read.size).toBeGreaterThan(readingKeys.length - since.readings.length)
  })

  it('gives every visit’s file as it was, its sentences as messages that read the same', async () => {
    let changes = 0
    for (const { id, file } of kept.visits) {
      const now = (await get(`/visits/${id}/file`)) as VisitFile
      expect(now).toEqual(visitFileFrom(file))
      expect(asVersion3(now)).toEqual(file)
      changes += now.ledger.filter((entry) => entry.kind === 'try' && typeof entry.later === 'object').length
    }
    expect(changes).toBeGreaterThan(0)
  })

  it('keeps pictures and recordings, saddles ridden and catalogues', async () => {
    for (const { id, attachments } of kept.visits) {
      expect(await get(`/visits/${id}/attachments`)).toEqual(attachments)
      for (const { id: file } of attachments.attachments)
        expect((await server.request('GET', `/attachments/${file}/content`)).status).toBe(200)
    }
    const { rows } = await server.db.execute<{ id: string; rider_id: string }>('select id, rider_id from visits')
    for (const { id, saddles } of kept.visits)
      expect(await get(`/riders/${rows.find((row) => row.id === id)?.rider_id}/saddles`)).toEqual(saddles)
    expect(await get('/pedals')).toEqual(kept.catalogues.pedals)
    expect(await get('/saddles')).toEqual(kept.catalogues.saddles)
    expect(await get('/cockpit-parts')).toEqual(kept.catalogues.cockpit)
  })
})

describe('visit files of version 3', () => {
  it('come in, and go out the same', async () => {
    for (const { file } of kept.visits) {
      const { body, status } = await server.request<{ visitId: string }>('POST', '/imports', JSON.stringify(file))
      expect(status).toBe(201)
      const out = (await get(`/visits/${body.visitId}/file`)) as VisitFile
      // Ids are made anew; all else is the same.
      const bare = (value: unknown) => JSON.parse(JSON.stringify(value, (key, one: unknown) => (isId(key) ? undefined : one))) as unknown
      expect(bare(asVersion3(out))).toEqual(bare(file))
    }
  })
})
/** A file as version 3 wrote it: sentences in millimetres. */
const asVersion3 = (file: VisitFile) => ({
  ...file,
  version: 3,
  ledger: file.ledger.map((entry) => (entry.kind === 'try' ? { ...entry, reason: plain(entry.reason), later: plain(entry.later) } : entry)),
})
const isId = (key: string) => ['id', 'of', 'after', 'complaintId', 'changeId'].includes(key)
