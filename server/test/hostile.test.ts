import { randomUUID } from 'node:crypto'
import { complaintAt, entryOf, aReading, testTime } from '@level-stance/core/testing'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import { readDossier } from '../src/visits/dossier.ts'
import { DEFAULT_STUDIO } from '../src/http/studio.ts'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => (server = await startTestServer()), 60_000)
afterAll(() => server.stop())

async function newVisit(name: string) {
  const [riderId, bikeId, visitId] = [randomUUID(), randomUUID(), randomUUID()]
  await server.request('PUT', `/riders/${riderId}`, { version: 0, rider: { name, note: '' } })
  await server.request('PUT', `/riders/${riderId}/bikes/${bikeId}`, { version: 0, bike: { name: 'Tourer', kind: 'gravel' } })
  const { body } = await server.request<Dossier>('POST', '/visits', { id: visitId, riderId, bikeId, title: 'First visit' })
  return { riderId, bikeId, visitId, dossier: body }
}
const fileOf = async (visitId: string) => (await server.request<Record<string, unknown>>('GET', `/visits/${visitId}/file`)).body
const stations = { saddle: entryOf(1, { setting: 'saddleHeight', side: 'both', by: 1, role: 'chosen' }) }

it('what is nested too deep is refused at the edge, however often, and the server goes on', async () => {
  const body = `{"x":${'['.repeat(5000)}1${']'.repeat(5000)}}`
  const answers = await Promise.all([1, 2, 3].map(() => server.request('POST', '/calculations/bar-clamp', body)))
  for (const { status, body: said } of answers) expect([status, said.code]).toEqual([400, 'too-deep'])
  expect((await server.request('GET', '/health')).status).toBe(200)
})

describe('numbers and dates that no column holds', () => {
  it('a version past the largest is refused with words, on every versioned write', async () => {
    const { riderId, bikeId, visitId, dossier } = await newVisit('Versions')
    const version = 2_147_483_647
    const { title, acknowledged, choices } = dossier.visit
    const complaint = { ...complaintAt(1, 'calf', 'left'), id: randomUUID() }
    const writes: [string, object][] = [
      [`/riders/${riderId}`, { version, rider: { name: 'X', note: '' } }],
      [`/riders/${riderId}/bikes/${bikeId}`, { version, bike: { name: 'X', kind: 'gravel' } }],
      [`/visits/${visitId}`, { version, visit: { title, acknowledged, choices } }],
      [`/visits/${visitId}/readings`, { version, reading: aReading('inseam', 'both', 830) }],
      [`/visits/${visitId}/complaints`, { version, complaint, removed: false }],
      [`/visits/${visitId}/ratings`, { version, rating: { complaintId: complaint.id, changeId: randomUUID(), severity: 3 } }],
    ]
    for (const [path, body] of writes) {
      const { status, body: said } = await server.request('PUT', path, body)
      expect([path, status, said.message]).toEqual([path, 400, expect.stringMatching(/from 0 to 2147483646/)])
    }
  })

  it.each(['0000-01-01T00:00:00.000Z', '0001-01-01T00:00:00.000Z', '-000001-01-01T00:00:00.000Z', '9999-12-31T23:59:59.999Z'])(
    '%s is no date here',
    async (at) => {
      const { visitId } = await newVisit('Dates')
      const reading = await server.request('PUT', `/visits/${visitId}/readings`, {
        version: 0,
        reading: { ...aReading('inseam', 'both', 830), at },
      })
      expect([reading.status, reading.body.message]).toEqual([400, expect.stringMatching(/^at must/)])
      const entry = await server.request('POST', `/visits/${visitId}/ledger`, {
        after: 0,
        entry: { ...stations.saddle, id: randomUUID(), at },
      })
      expect(entry.status).toBe(400)
      const file = await fileOf(visitId)
      const imported = await server.request('POST', '/imports', { ...file, visit: { ...(file['visit'] as object), startedAt: at } })
      expect([imported.status, imported.body.message]).toEqual([400, expect.stringMatching(/startedAt must/)])
    },
  )

  it('a cursor that is none is refused', async () => {
    for (const after of ['-'.repeat(36), `2026-01-01T00:00:00.000Z_${'-'.repeat(36)}`, 'x', `9999-01-01T00:00:00.000Z_${randomUUID()}`])
      expect([after, (await server.request('GET', `/riders?after=${after}`)).status]).toEqual([after, 400])
  })
})

describe('ids and repeats', () => {
  it('a ledger id of another visit is refused, not answered with 500', async () => {
    const [one, other] = [await newVisit('One'), await newVisit('Other')]
    const entry = { ...stations.saddle, id: randomUUID() }
    expect((await server.request('POST', `/visits/${one.visitId}/ledger`, { after: 0, entry })).status).toBe(200)
    const { status, body } = await server.request('POST', `/visits/${other.visitId}/ledger`, { after: 0, entry })
    expect([status, body.code]).toEqual([409, 'taken'])
  })

  it('a stale write that differs only in its repeats is no retry', async () => {
    const { visitId } = await newVisit('Repeats')
    const reading = { ...aReading('footLength', 'left', 265), typed: '265', repeats: [264, 266] }
    const put = (repeats: number[]) =>
      server.request('PUT', `/visits/${visitId}/readings`, { version: 0, reading: { ...reading, repeats } })
    expect((await put([264, 266])).status).toBe(200)
    expect((await put([264, 266])).status).toBe(200)
    expect((await put([263, 267])).status).toBe(409)
  })

  it('an import that is asked for again with its id is stored once', async () => {
    const { visitId } = await newVisit('Imported Once')
    const file = await fileOf(visitId)
    const id = randomUUID()
    const first = await server.request<{ visitId: string; riderId: string }>('POST', `/imports?id=${id}`, file)
    const again = await server.request<{ visitId: string; riderId: string }>('POST', `/imports?id=${id}`, file)
    expect([first.status, again.status, first.body.visitId]).toEqual([201, 201, id])
    expect(again.body).toEqual(first.body)
  })
})

it('a visit of 1,000 changes and 100 complaints is closed and rated while others are answered', async () => {
  const complaints = Array.from({ length: 100 }, (_, i) => complaintAt(i + 1, 'knee-front', 'both', { severity: 8 }))
  const ledger = Array.from({ length: 1000 }, (_, i): LedgerEntry[] => {
    const change = {
      ...entryOf(1000 + i, { setting: 'saddleHeight', side: 'both', by: i % 2 === 0 ? 5 : -5, role: 'chosen' }),
      station: 'seat' as const,
    }
    return [change, { kind: 'keep', id: randomUUID(), at: testTime, of: change.id }]
  }).flat()
  const ratings = Array.from({ length: 5000 }, (_, i) => ({
    complaintId: complaints[i % 100]!.id,
    changeId: ledger[2 * Math.floor(i / 5)]!.id,
    severity: i % 9,
  }))
  const { visitId } = await newVisit('Long Record')
  const imported = await server.request<{ visitId: string }>('POST', '/imports', {
    ...(await fileOf(visitId)),
    complaints,
    ledger,
    ratings,
  })
  expect(imported.status).toBe(201)
  const id = imported.body.visitId
  const { visit } = await readDossier(server.db, DEFAULT_STUDIO, id)
  const { version, id: _, startedAt: __, ...fields } = visit
  const closed = await server.request('PUT', `/visits/${id}`, { version, visit: { ...fields, outcome: 'better' } })
  expect(closed.status).toBe(200)
  const { counts } = (await server.request<{ counts: { symptom: string; tried: number }[] }>('GET', '/studio/learned')).body
  expect(counts.find(({ symptom }) => symptom === 'knee-front')?.tried).toBeGreaterThan(1000)
}, 60_000)
