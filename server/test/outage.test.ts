import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { sql } from 'drizzle-orm'
import { testTime } from '@level-stance/core/testing'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

async function aVisit(): Promise<string> {
  const [riderId, bikeId, id] = [randomUUID(), randomUUID(), randomUUID()]
  await server.request('PUT', `/riders/${riderId}`, { version: 0, rider: { name: 'Outage Rider', note: '' } })
  await server.request('PUT', `/riders/${riderId}/bikes/${bikeId}`, { version: 0, bike: { name: 'Tourer', kind: 'drop bar' } })
  expect((await server.request('POST', '/visits', { id, riderId, bikeId, title: 'First visit' })).status).toBe(201)
  return id
}
/** A connection of the test's own to the server's database. */
async function ownClient(): Promise<pg.Client> {
  const { rows } = await server.db.execute<{ name: string }>(sql`select current_database() as name`)
  const client = new pg.Client({ connectionString: (process.env['TEST_DATABASE_URL'] ?? '').replace(/\/[^/]*$/, `/${rows[0]!.name}`) })
  await client.connect()
  return client
}
const others = 'from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database()'

describe('a database connection that is lost', () => {
  const entry = () => ({
    after: 0,
    entry: {
      kind: 'try',
      id: randomUUID(),
      at: testTime,
      station: 'seat',
      moves: [{ setting: 'saddleHeight', side: 'both', by: 2, role: 'chosen' }],
      exchanges: [],
      reason: 'Test.',
      later: '',
    },
  })

  it('in the middle of a transaction is answered with 503, stores nothing, and the next try goes through', async () => {
    const visitId = await aVisit()
    const lock = await ownClient()
    await lock.query('begin')
    await lock.query('select 1 from visits where id = $1 for update', [visitId])
    const write = entry()
    const waiting = server.request('POST', `/visits/${visitId}/ledger`, write)
    const waits = `${others} and wait_event_type = 'Lock'`
    while ((await lock.query(`select 1 ${waits}`)).rowCount === 0);
    await lock.query(`select pg_terminate_backend(pid) ${waits}`)
    const { status, body } = await waiting
    expect([status, body.code]).toEqual([503, 'no-database'])
    expect(body.message).toMatch(/Nothing you typed is lost/)
    await lock.query('rollback')
    await lock.end()
    expect((await server.request('POST', `/visits/${visitId}/ledger`, write)).status).toBe(200)
  })

  it('leaves no connection behind: after more losses than the pool is wide, everything answers', async () => {
    const visitId = await aVisit()
    const killer = await ownClient()
    for (let i = 0; i < 14; i++) {
      const write = server.request('POST', `/visits/${visitId}/ledger`, { ...entry(), after: 9 })
      await killer.query(`select pg_terminate_backend(pid) ${others}`)
      const { status } = await write
      // What the server says of itself, where it is neither.
      const said = [409, 503].includes(status) ? [] : server.log.filter((line) => line.includes('"level":50')).slice(-2)
      expect([[409, 503].includes(status), said]).toEqual([true, []])
    }
    await killer.end()
    const answers = await Promise.all(Array.from({ length: 20 }, () => server.request('GET', `/visits/${visitId}`)))
    expect(answers.map(({ status }) => status).filter((status) => status !== 200 && status !== 503)).toEqual([])
    expect((await server.request('GET', `/visits/${visitId}`)).status).toBe(200)
  })
})
