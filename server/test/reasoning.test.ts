import { randomUUID } from 'node:crypto'
import { freshVisit } from '@level-stance/core/record/dossier'
import type { Dossier, VisitFields } from '@level-stance/core/record/dossier'
import type { StudioCounts } from '@level-stance/core/reason/studio'
import { complaintAt, controlComplaint, entryOf } from '@level-stance/core/testing'
import type { Complaint } from '@level-stance/core/talk/complaint'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => (server = await startTestServer()), 60_000)
afterAll(() => server.stop())

async function newVisit(name: string, more: object = {}) {
  const [riderId, bikeId, visitId] = [randomUUID(), randomUUID(), randomUUID()]
  await server.request('PUT', `/riders/${riderId}`, { version: 0, rider: { name, note: '' } })
  await server.request('PUT', `/riders/${riderId}/bikes/${bikeId}`, { version: 0, bike: { name: 'Tourer', kind: 'gravel' } })
  const { status, body } = await server.request<Dossier>('POST', '/visits', { id: visitId, riderId, bikeId, title: 'First visit', ...more })
  return { riderId, bikeId, visitId, status, body }
}
const dossier = async (id: string) => (await server.request<Dossier>('GET', `/visits/${id}`)).body
const tell = (visitId: string, complaint: Complaint, version = 0) =>
  server.request<{ message: string }>('PUT', `/visits/${visitId}/complaints`, { version, complaint, removed: false })
const learned = async () => (await server.request<{ learns: boolean; counts: StudioCounts }>('GET', '/studio/learned')).body

describe('complaints', () => {
  it('sit at several places or at none, and stay unanswered until somebody says', async () => {
    const { visitId } = await newVisit('Several Places')
    const places: Complaint['places'] = [
      { region: 'ring-finger', side: 'left' },
      { region: 'little-finger', side: 'both' },
    ]
    const told = { ...complaintAt(1, 'thumb', 'left'), id: randomUUID(), places, kind: null, severity: null }
    const control = {
      ...controlComplaint(2, 'washes-out', { tried: [{ what: 'softer-tyres', helped: 'no' }], since: 'months', changed: ['bar-controls'] }),
      id: randomUUID(),
    }
    for (const complaint of [told, control]) expect((await tell(visitId, complaint)).status).toBe(200)
    expect((await dossier(visitId)).complaints.map(({ complaint }) => complaint)).toEqual([told, control])
  })
  it.each<[string, Partial<Complaint>, RegExp]>([
    ['at no place and no symptom', { places: [] }, /Pick a place/],
    [
      'at one place twice',
      {
        places: [
          { region: 'calf', side: 'left' },
          { region: 'calf', side: 'right' },
        ],
      },
      /Each place once/,
    ],
    ['of a symptom nobody knows', { control: 'flies' as never }, /not known here/],
    ['with something tried that is not known', { tried: [{ what: 'magic' as never, helped: 'yes' }] }, /not known here/],
  ])('%s are refused with words', async (_, over, words) => {
    const { visitId } = await newVisit('Refused')
    const { status, body } = await tell(visitId, { ...complaintAt(1, 'calf', 'left'), id: randomUUID(), ...over })
    expect([status, body.message]).toEqual([400, expect.stringMatching(words)])
  })
})

describe('how the rider rides', () => {
  it('is stored with the first visit and carried to the next', async () => {
    const riding = { kinds: { gravel: 'most' }, longestRide: 6, aims: ['distance'], injuries: [{ place: 'knee', when: 'old' }] }
    const { riderId, bikeId, body } = await newVisit('Rides Gravel', { riding })
    expect(body.visit.riding).toEqual(riding)
    const next = await server.request<Dossier>('POST', '/visits', { id: randomUUID(), riderId, bikeId, title: 'Second visit' })
    expect(next.body.visit).toMatchObject({ riding, outcome: null })
  })
  it('out of range is refused, naming the range', async () => {
    const { status, body } = await newVisit('Too Many Hours', { riding: { hoursWeek: 200 } })
    expect(status).toBe(400)
    expect(JSON.stringify(body)).toContain('Hours a week must be a number from 0 to 60 h')
  })
})

describe('what closed visits came to', () => {
  const close = async (visitId: string, outcome: VisitFields['outcome']) => {
    const { visit } = await dossier(visitId)
    const fields = { ...freshVisit, title: visit.title, outcome }
    return server.request('PUT', `/visits/${visitId}`, { version: visit.version, visit: fields })
  }
  it('is counted once a visit is closed, follows what is rated later, and is gone when it is opened again', async () => {
    const { visitId } = await newVisit('Closed Visit')
    const complaint = { ...complaintAt(1, 'knee-back', 'right', { severity: 7 }), id: randomUUID() }
    await tell(visitId, complaint)
    const change = {
      ...entryOf(1, { setting: 'saddleHeight', side: 'both', by: -5, role: 'chosen' }),
      id: randomUUID(),
      station: 'seat' as const,
    }
    const append = (after: number, entry: object) => server.request('POST', `/visits/${visitId}/ledger`, { after, entry })
    await append(0, change)
    const rate = (version: number, severity: number) =>
      server.request('PUT', `/visits/${visitId}/ratings`, { version, rating: { complaintId: complaint.id, changeId: change.id, severity } })
    expect((await rate(0, 3)).status).toBe(200)
    await append(1, { kind: 'keep', id: randomUUID(), at: change.at, of: change.id })
    expect((await learned()).counts).toEqual([])
    expect((await close(visitId, 'solved')).status).toBe(200)
    expect(await learned()).toEqual({ learns: true, counts: [{ symptom: 'knee-back', cause: 'saddle-high', tried: 1, eased: 1 }] })
    await rate(1, 7)
    expect((await learned()).counts).toEqual([{ symptom: 'knee-back', cause: 'saddle-high', tried: 1, eased: 0 }])
    await close(visitId, null)
    expect((await learned()).counts).toEqual([])
  })
  it('can be left out, and says so', async () => {
    expect((await server.request('PUT', '/studio/learned', { learns: false })).body).toMatchObject({ learns: false })
    expect((await server.request('PUT', '/studio/learned', { learns: 'no' })).status).toBe(400)
    expect((await server.request('PUT', '/studio/learned', { learns: true })).body).toMatchObject({ learns: true })
  })
})
