import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { Dossier } from '@level-stance/core/record/dossier'
import { aReading, entryOf, testTime } from '@level-stance/core/testing'
import { demoVisits } from '../src/demo/riders.ts'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
let visitId: string
let before: Dossier
const other = randomUUID()
/** Every table that holds something of a rider; the studio of a row is its own column. */
const tables = ['riders', 'bikes', 'visits', 'readings', 'complaints', 'ledger', 'ratings', 'attachments', 'tried_saddles', 'parts']

beforeAll(async () => {
  server = await startTestServer()
  visitId = (await server.request<{ visitId: string }>('POST', '/imports', JSON.stringify(demoVisits.at(-1)))).body.visitId
  before = (await server.request<Dossier>('GET', `/visits/${visitId}`)).body
})
afterAll(() => server.stop())

it('every table says whose each row is', async () => {
  const { rows } = await server.db.execute<{ table_name: string }>(
    sql`select table_name from information_schema.columns where table_schema = 'public' and column_name = 'studio_id' and is_nullable = 'NO'`,
  )
  expect(rows.map((row) => row.table_name)).toEqual(expect.arrayContaining(tables))
})

it('a row of a visit cannot belong to another studio than its visit, whatever the code does', async () => {
  await server.db.execute(sql`insert into studios (id, name) values (${other}, 'Elsewhere')`)
  for (const table of ['readings', 'complaints']) {
    await expect(server.db.execute(sql.raw(`update ${table} set studio_id = '${other}' where visit_id = '${visitId}'`))).rejects.toThrow()
  }
})

describe('a visit that goes to another studio', () => {
  // Moved as a whole, with its rider and bike, below the code that guards it.
  beforeAll(async () => {
    await server.db.transaction(async (tx) => {
      await tx.execute(sql`set local session_replication_role = replica`)
      for (const table of tables) await tx.execute(sql.raw(`update ${table} set studio_id = '${other}'`))
    })
  })
  const isUnknown = async (method: string, path: string, body?: unknown) =>
    expect([path, (await server.request(method, path, body)).status]).toEqual([path, 404])

  it('is not found by any route that reads', async () => {
    for (const end of ['', '/file', '/sheet.pdf', '/template.pdf?side=left', '/attachments', '/other-bikes'])
      await isUnknown('GET', `/visits/${visitId}${end}`)
    await isUnknown('GET', `/riders/${before.rider.id}/saddles`)
    const { riders } = (await server.request<{ riders: unknown[] }>('GET', '/riders?search=')).body
    expect(riders).toEqual([])
  })

  it('is not written by any route that writes, whatever version it names', async () => {
    const reading = { ...before.readings[0]!.reading }
    await isUnknown('PUT', `/visits/${visitId}/readings`, { version: before.readings[0]!.version, reading })
    await isUnknown('PUT', `/visits/${visitId}/readings`, { version: 0, reading: aReading('mass', 'both', 70) })
    const { complaint, version } = before.complaints[0]!
    await isUnknown('PUT', `/visits/${visitId}/complaints`, { version, complaint, removed: true })
    await isUnknown('POST', `/visits/${visitId}/ledger`, {
      after: before.ledger.length,
      entry: { ...entryOf(1, { setting: 'saddleHeight', side: 'both', by: 2, role: 'chosen' }), id: randomUUID() },
    })
    const { title, acknowledged, choices } = before.visit
    await isUnknown('PUT', `/visits/${visitId}`, { version: before.visit.version, visit: { title: `${title}!`, acknowledged, choices } })
    await isUnknown('POST', '/visits', { id: randomUUID(), riderId: before.rider.id, bikeId: before.bike.id, title: 'Stolen' })
  })

  it('is as it was when all of that is over', async () => {
    const { rows } = await server.db.execute<{ title: string; n: number; last: string }>(
      sql`select v.title, (select count(*)::int from readings r where r.visit_id = v.id) as n, (select max(at)::text from ledger l where l.visit_id = v.id) as last from visits v where v.id = ${visitId}`,
    )
    expect(rows[0]).toMatchObject({ title: before.visit.title, n: before.readings.length })
    expect(testTime).not.toBe(rows[0]?.last)
  })
})
