import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { Reading } from '@level-stance/core/readings/reading'
import type { Complaint } from '@level-stance/core/talk/complaint'
import { aReading, entryOf, exampleReadings, testTime, uuid } from '@level-stance/core/testing'
import { DEFAULT_STUDIO } from '../src/http/studio.ts'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => void (server = await startTestServer()))
afterAll(() => server.stop())

/** A rider with a bike and an open visit, made through the routes. */
async function newVisit(name = 'Test Rider', riderId: string = randomUUID(), bikeId: string = randomUUID()) {
  const visitId = randomUUID()
  await server.request('PUT', `/riders/${riderId}`, { version: 0, rider: { name, note: '' } })
  await server.request('PUT', `/riders/${riderId}/bikes/${bikeId}`, { version: 0, bike: { name: 'Tourer', kind: 'drop bar' } })
  const created = await server.request<Dossier>('POST', '/visits', { id: visitId, riderId, bikeId, title: 'First visit' })
  expect(created.status).toBe(201)
  return { riderId, bikeId, visitId }
}
const dossier = async (visitId: string) => (await server.request<Dossier>('GET', `/visits/${visitId}`)).body
const putReading = (visitId: string, version: number, reading: Reading) =>
  server.request<{ version: number }>('PUT', `/visits/${visitId}/readings`, { version, reading })
const complaint = (change: Partial<Complaint> = {}): Complaint => ({
  id: randomUUID(),
  places: [{ region: 'forefoot', side: 'right' }],
  control: null,
  since: null,
  changed: [],
  tried: [],
  kind: 'numb',
  startsAfter: 30,
  situation: 'anywhere',
  severity: 6,
  note: '',
  warnings: {},
  ...change,
})
const tried = (id: string, by = 5) => ({ ...entryOf(1, { setting: 'cleatSetback', side: 'right', by, role: 'chosen' }), id })

describe('readings at several efforts and hand positions', () => {
  it('stand beside each other, each with its own version, and come back as they were read', async () => {
    const { visitId } = await newVisit('Many Conditions')
    const torso = (condition: Reading['condition'], value: number): Reading => ({ ...aReading('torsoAngle', 'both', value), condition })
    for (const reading of [torso('usual', 46), torso('hard', 42), torso('hard-drops', 36)])
      expect((await putReading(visitId, 0, reading)).status).toBe(200)
    expect((await putReading(visitId, 1, torso('hard', 41))).body.version).toBe(2)
    const { readings } = await dossier(visitId)
    expect(readings.map(({ reading, version }) => [reading.condition, reading.value, version])).toEqual([
      ['hard', 41, 2],
      ['hard-drops', 36, 1],
      ['usual', 46, 1],
    ])
  })

  it('keep the single values of a repeated reading, and refuse a mean that is none', async () => {
    const { visitId } = await newVisit('Repeated')
    const reading: Reading = { ...aReading('footLength', 'left', 265), typed: '264; 266', repeats: [264, 266] }
    expect((await putReading(visitId, 0, reading)).status).toBe(200)
    expect((await dossier(visitId)).readings[0]!.reading).toEqual(reading)
    const refused = await server.request<{ message: string }>('PUT', `/visits/${visitId}/readings`, {
      version: 1,
      reading: { ...reading, value: 300 },
    })
    expect([refused.status, refused.body.message]).toEqual([400, expect.stringMatching(/mean of two or more repeats/)])
  })

  it('are refused where a condition makes no sense, or is not known', async () => {
    const { visitId } = await newVisit('No Such Condition')
    for (const condition of ['hard', 'asleep']) {
      const answer = await server.request<{ message: string }>('PUT', `/visits/${visitId}/readings`, {
        version: 0,
        reading: { ...aReading('stature', 'both', 1700), condition },
      })
      expect(answer.status).toBe(400)
      expect(answer.body.message).toMatch(/condition/)
    }
    expect((await dossier(visitId)).readings).toEqual([])
  })

  it('take moves of every setting into the ledger, within its cap alone', async () => {
    const { visitId } = await newVisit('Every Setting')
    const entry = (by: number) => ({
      ...entryOf(
        1,
        { setting: 'barRoll', side: 'both', by, role: 'chosen' },
        { setting: 'leverAngle', side: 'left', by: -by, role: 'knock-on' },
      ),
      id: randomUUID(),
      station: 'hands',
    })
    expect((await server.request('POST', `/visits/${visitId}/ledger`, { after: 0, entry: entry(9) })).status).toBe(400)
    expect((await server.request('POST', `/visits/${visitId}/ledger`, { after: 0, entry: entry(5) })).status).toBe(200)
    expect((await dossier(visitId)).ledger).toHaveLength(1)
  })
})

describe('riders', () => {
  it('are found by any part of their name, without case or accents, newest first', async () => {
    for (const name of ['Živa Kovač', 'Øyvind Størk', 'Ann 100%_sure']) await newVisit(name)
    const find = async (search: string) =>
      (await server.request<{ riders: { name: string }[] }>('GET', `/riders?search=${encodeURIComponent(search)}`)).body.riders.map(
        (r) => r.name,
      )
    expect(await find('ziva kov')).toEqual(['Živa Kovač'])
    expect(await find('OYVIND')).toEqual(['Øyvind Størk'])
    expect(await find('100%_')).toEqual(['Ann 100%_sure'])
    expect(await find('%')).toEqual(['Ann 100%_sure'])
    expect(await find("'; drop table riders; --")).toEqual([])
    expect((await find(''))[0]).toBe('Ann 100%_sure')
  })

  it('come in pages that neither repeat nor skip', async () => {
    for (let i = 0; i < 90; i++)
      await server.request('PUT', `/riders/${randomUUID()}`, { version: 0, rider: { name: `Paged ${i}`, note: '' } })
    const seen: string[] = []
    let after: string | null = ''
    while (after !== null) {
      const query: string = after === '' ? '' : `&after=${encodeURIComponent(after)}`
      const page: { body: { riders: { id: string }[]; next: string | null } } = await server.request('GET', `/riders?search=paged${query}`)
      seen.push(...page.body.riders.map((r) => r.id))
      after = page.body.next
    }
    expect(seen).toHaveLength(90)
    expect(new Set(seen).size).toBe(90)
  })

  it('keep what was there when a stale write comes, and show it', async () => {
    const id = randomUUID()
    const write = (version: number, name: string) =>
      server.request<{ version: number; current: { name: string } }>('PUT', `/riders/${id}`, { version, rider: { name, note: '' } })
    expect((await write(0, 'First')).body.version).toBe(1)
    expect((await write(1, 'Second')).body.version).toBe(2)
    const stale = await write(1, 'Third')
    expect(stale.status).toBe(409)
    expect(stale.body).toMatchObject({ code: 'stale', current: { name: 'Second', version: 2 } })
    expect((await write(2, 'Third')).status).toBe(200)
  })

  it.each([
    [{ name: '   ', note: '' }, 'rider.name'],
    [{ name: 'x'.repeat(121), note: '' }, 'rider.name'],
    [{ name: 'a\u0000b', note: '' }, 'rider.name'],
    [{ name: 'ok', note: 'x'.repeat(2001) }, 'rider.note'],
    [{ name: 'ok', note: '', admin: true }, 'rider.admin'],
  ])('refuse %j naming the field', async (rider, field) => {
    const answer = await server.request('PUT', `/riders/${randomUUID()}`, { version: 0, rider })
    expect(answer.status).toBe(400)
    expect(answer.body.fields[0]?.field).toBe(field)
  })
})

describe('readings', () => {
  it('are stored per side with their method and come back as typed', async () => {
    const { visitId } = await newVisit()
    const reading = { ...aReading('cleatSetback', 'left', 6.35), typed: '1/4 in' }
    expect((await putReading(visitId, 0, reading)).body).toEqual({ reading, version: 1 })
    expect((await dossier(visitId)).readings).toEqual([{ reading, version: 1 }])
  })

  it('answer a retry whose first answer was lost as if nothing had happened', async () => {
    const { visitId } = await newVisit()
    const reading = aReading('crank', 'both', 172.5)
    await putReading(visitId, 0, reading)
    expect(await putReading(visitId, 0, reading)).toMatchObject({ status: 200, body: { version: 1 } })
  })

  it('answer a stale write with what is stored', async () => {
    const { visitId } = await newVisit()
    await putReading(visitId, 0, aReading('crank', 'both', 170))
    const stale = await putReading(visitId, 0, aReading('crank', 'both', 175))
    expect(stale).toMatchObject({ status: 409, body: { code: 'stale', current: { reading: { value: 170 }, version: 1 } } })
    expect((await dossier(visitId)).readings[0]?.reading.value).toBe(170)
  })

  it('let exactly one of many simultaneous writers win', async () => {
    const { visitId } = await newVisit()
    const answers = await Promise.all(Array.from({ length: 8 }, (_, i) => putReading(visitId, 0, aReading('crank', 'both', 165 + i))))
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409, 409, 409, 409, 409])
  })

  it.each([
    ['out of range', aReading('crank', 'both', 172500), 'reading.value', /between 100 and 220 mm/],
    ['negative room', aReading('slotBack', 'left', -4), 'reading.value', /wrong way round/],
    ['a word', { ...aReading('crank', 'both', 170), value: 'long' }, 'reading.value', /number/],
    ['a wrong side', aReading('crank', 'left', 170), 'reading.side', /one value/],
    ['an unknown key', { ...aReading('crank', 'both', 170), key: 'wheel' }, 'reading.key', /not known/],
    ['a method that cannot', { ...aReading('seatAngle', 'both', 73), method: 'tape' }, 'reading.method', /cannot be read/],
    ['no time', { ...aReading('crank', 'both', 170), at: 'today' }, 'reading.at', /ISO/],
  ])('refuse %s naming the field', async (_, reading, field, message) => {
    const { visitId } = await newVisit()
    const answer = await server.request('PUT', `/visits/${visitId}/readings`, { version: 0, reading })
    expect(answer.status).toBe(400)
    expect(answer.body.fields).toContainEqual({ field, message: expect.stringMatching(message) })
    expect((await dossier(visitId)).readings).toEqual([])
  })

  it('can be cleared and taken again without losing the count of versions', async () => {
    const { visitId } = await newVisit()
    await putReading(visitId, 0, aReading('crank', 'both', 170))
    expect((await putReading(visitId, 1, aReading('crank', 'both', null))).body.version).toBe(2)
    expect((await putReading(visitId, 2, aReading('crank', 'both', 175))).body.version).toBe(3)
  })
})

describe('readings in the ledger’s time', () => {
  const append = (visitId: string, after: number, entry: object) => server.request('POST', `/visits/${visitId}/ledger`, { after, entry })

  it('stand beside each other, one at the start and one after a change, each with its own version', async () => {
    const { visitId } = await newVisit('Read Again')
    const start = aReading('kneeFlexion', 'right', 33)
    await putReading(visitId, 0, start)
    const id = randomUUID()
    await append(visitId, 0, tried(id))
    const later = { ...aReading('kneeFlexion', 'right', 30), after: id }
    expect(await putReading(visitId, 0, later)).toMatchObject({ status: 200, body: { version: 1 } })
    // Mending a typo of the first one leaves the second alone.
    expect(await putReading(visitId, 1, { ...start, value: 34, typed: '34' })).toMatchObject({ status: 200, body: { version: 2 } })
    const { readings } = await dossier(visitId)
    expect(readings.map(({ reading, version }) => [reading.after, reading.value, version]).sort()).toEqual(
      [
        [null, 34, 2],
        [id, 30, 1],
      ].sort(),
    )
  })

  it('are not taken after a change that the visit does not have, nor after another visit’s', async () => {
    const [one, other] = [await newVisit(), await newVisit()]
    const id = randomUUID()
    await append(other.visitId, 0, tried(id))
    for (const after of [randomUUID(), id]) {
      const answer = await putReading(one.visitId, 0, { ...aReading('kneeFlexion', 'right', 33), after })
      expect(answer.status).toBe(404)
    }
    expect((await dossier(one.visitId)).readings).toEqual([])
  })

  it('hold a choice by its key, and refuse one that is not on its list', async () => {
    const { visitId } = await newVisit()
    const sole = { ...aReading('soleStiffness', 'both', 0), value: 'soft', typed: 'soft', method: 'eye' as const }
    expect((await putReading(visitId, 0, sole)).status).toBe(200)
    expect((await dossier(visitId)).readings[0]?.reading.value).toBe('soft')
    for (const value of ['squishy', 1]) expect((await putReading(visitId, 1, { ...sole, value })).status).toBe(400)
  })
})

describe('parts in the ledger', () => {
  const saddle = (name: string, width: number) => ({ name, properties: { saddleKind: 'long-curved', saddleWidth: width } })
  const exchange = (width: number) => ({ slot: 'saddle', from: saddle('Old one', 139), to: saddle('New one', width), role: 'chosen' })
  const entry = (exchanges: object[], id = randomUUID()) => ({ ...tried(id), station: 'seat', moves: [], exchanges })

  it('are exchanged whole and come back by name', async () => {
    const { visitId } = await newVisit('Parts')
    const given = entry([exchange(155)])
    expect((await server.request('POST', `/visits/${visitId}/ledger`, { after: 0, entry: given })).status).toBe(200)
    expect((await dossier(visitId)).ledger).toEqual([given])
  })

  it.each([
    ['an unknown slot', { ...exchange(155), slot: 'wheel' }],
    ['a property of another part', { ...exchange(155), to: { name: 'New', properties: { stemLength: 90 } } }],
    ['a width that no saddle has', exchange(1550)],
  ])('are refused with %s', async (_, bad) => {
    const { visitId } = await newVisit()
    expect((await server.request('POST', `/visits/${visitId}/ledger`, { after: 0, entry: entry([bad]) })).status).toBe(400)
  })
})

describe('the ledger', () => {
  const append = (visitId: string, after: number, entry: object) => server.request('POST', `/visits/${visitId}/ledger`, { after, entry })

  it('takes a change, a rating and the decision, in order', async () => {
    const { visitId } = await newVisit()
    const told = complaint()
    await server.request('PUT', `/visits/${visitId}/complaints`, { version: 0, complaint: told, removed: false })
    const id = randomUUID()
    expect((await append(visitId, 0, tried(id))).status).toBe(200)
    const rating = { complaintId: told.id, changeId: id, severity: 2 }
    expect((await server.request('PUT', `/visits/${visitId}/ratings`, { version: 0, rating })).status).toBe(200)
    expect((await append(visitId, 1, { kind: 'keep', id: randomUUID(), at: testTime, of: id })).status).toBe(200)
    const whole = await dossier(visitId)
    expect(whole.ledger.map((entry) => entry.kind)).toEqual(['try', 'keep'])
    expect(whole.ratings[0]?.rating).toEqual(rating)
  })

  it('is idempotent for a retried entry and stale for one that missed another', async () => {
    const { visitId } = await newVisit()
    const id = randomUUID()
    await append(visitId, 0, tried(id))
    expect((await append(visitId, 0, tried(id))).status).toBe(200)
    expect(await append(visitId, 0, tried(randomUUID()))).toMatchObject({ status: 409, body: { code: 'stale' } })
    expect(await append(visitId, 1, tried(randomUUID()))).toMatchObject({
      status: 409,
      body: { code: 'not-now', message: expect.stringMatching(/one change at a time/) },
    })
    expect((await dossier(visitId)).ledger).toHaveLength(1)
  })

  it('refuses a step beyond the cap', async () => {
    const { visitId } = await newVisit()
    const answer = await append(visitId, 0, tried(randomUUID(), 12))
    expect(answer).toMatchObject({
      status: 400,
      body: { fields: [{ field: 'entry.moves.0.by', message: expect.stringMatching(/at most 5 mm at once/) }] },
    })
  })

  it('is stopped by a positive warning sign until a clinician has seen it', async () => {
    const { visitId } = await newVisit()
    const told = complaint({ warnings: { 'lost-strength': 'yes' } })
    const put = (version: number, changed: Complaint) =>
      server.request('PUT', `/visits/${visitId}/complaints`, { version, complaint: changed, removed: false })
    await put(0, told)
    expect(await append(visitId, 0, tried(randomUUID()))).toMatchObject({
      status: 409,
      body: { code: 'stopped', message: expect.stringMatching(/clinician/) },
    })
    await put(1, { ...told, warnings: { 'lost-strength': 'cleared' } })
    expect((await append(visitId, 0, tried(randomUUID()))).status).toBe(200)
  })

  it('cannot be edited, not even by the database’s own user', async () => {
    const { visitId } = await newVisit()
    await append(visitId, 0, tried(randomUUID()))
    const refused = (statement: ReturnType<typeof sql>) =>
      expect(server.db.execute(statement)).rejects.toMatchObject({
        cause: expect.objectContaining({ message: expect.stringMatching(/append-only/) }),
      })
    await refused(sql`update ledger set reason = '"changed"' where visit_id = ${visitId}`)
    await refused(sql`delete from ledger where visit_id = ${visitId}`)
    await server.db.execute(sql`delete from visits where id = ${visitId}`)
    expect((await server.db.execute(sql`select count(*)::int as n from ledger where visit_id = ${visitId}`)).rows).toEqual([{ n: 0 }])
  })

  it('takes no rating for another visit’s complaint or change', async () => {
    const [one, other] = [await newVisit(), await newVisit()]
    const told = complaint()
    await server.request('PUT', `/visits/${one.visitId}/complaints`, { version: 0, complaint: told, removed: false })
    const id = randomUUID()
    await append(other.visitId, 0, tried(id))
    const rating = { complaintId: told.id, changeId: id, severity: 2 }
    expect((await server.request('PUT', `/visits/${other.visitId}/ratings`, { version: 0, rating })).status).toBe(404)
    expect((await server.request('PUT', `/visits/${one.visitId}/ratings`, { version: 0, rating })).status).toBe(404)
  })
})

describe('the database itself', () => {
  it('refuses what must not be stored, whatever the code does', async () => {
    const { visitId } = await newVisit()
    const bad = [
      sql`insert into complaints (id, studio_id, visit_id, seq, places, kind, situation, severity, note, warnings, removed, version) values (${randomUUID()}, ${DEFAULT_STUDIO}, ${visitId}, 1, '[]', 'pain', 'x', 11, '', '{}', false, 1)`,
      sql`insert into readings (studio_id, visit_id, key, side, value, typed, method, taken_at, version) values (${DEFAULT_STUDIO}, ${visitId}, 'crank', 'up', 1, '', 'tape', now(), 1)`,
      sql`insert into readings (studio_id, visit_id, key, side, value, typed, method, taken_at, version) values (${DEFAULT_STUDIO}, ${randomUUID()}, 'crank', 'both', 1, '', 'tape', now(), 1)`,
      sql`insert into readings (studio_id, visit_id, key, side, value, typed, method, taken_at, version) values (${DEFAULT_STUDIO}, ${visitId}, 'crank', 'both', 'NaN', '', 'tape', now(), 1)`,
      sql`insert into ledger (id, studio_id, visit_id, seq, kind, at) values (${randomUUID()}, ${DEFAULT_STUDIO}, ${visitId}, 1, 'try', now())`,
      sql`insert into riders (id, studio_id, name, note, search, touched_at, version) values (${randomUUID()}, ${randomUUID()}, 'x', '', 'x', now(), 1)`,
    ]
    for (const statement of bad) await expect(server.db.execute(statement)).rejects.toThrow()
  })

  it('keeps a visit on the bike of its own rider', async () => {
    const [one, other] = [await newVisit(), await newVisit()]
    const answer = await server.request('POST', '/visits', { id: randomUUID(), riderId: one.riderId, bikeId: other.bikeId, title: 'Mixed' })
    expect(answer.status).toBe(404)
  })
})

describe('a second visit', () => {
  it('starts from the body and, on the same bike, from how it was left', async () => {
    const first = await newVisit()
    for (const reading of exampleReadings) await putReading(first.visitId, 0, reading)
    await server.request('POST', `/visits/${first.visitId}/ledger`, {
      after: 0,
      entry: {
        ...entryOf(
          1,
          { setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' },
          { setting: 'saddleHeight', side: 'both', by: -2, role: 'knock-on' },
        ),
        id: randomUUID(),
      },
    })
    const again = (
      await server.request<Dossier>('POST', '/visits', { id: randomUUID(), riderId: first.riderId, bikeId: first.bikeId, title: 'Visit 2' })
    ).body
    const value = (d: Dossier, key: string, side: string) =>
      d.readings.find(({ reading }) => reading.key === key && reading.side === side)?.reading.value
    expect(value(again, 'stature', 'both')).toBe(1756)
    expect(value(again, 'cleatSetback', 'right')).toBe(11)
    expect(value(again, 'slotBack', 'right')).toBe(7)
    expect(value(again, 'saddleHeight', 'both')).toBe(722)
    expect(again.ledger).toEqual([])

    const bikeId = randomUUID()
    await server.request('PUT', `/riders/${first.riderId}/bikes/${bikeId}`, { version: 0, bike: { name: 'Other', kind: 'mountain' } })
    const elsewhere = (
      await server.request<Dossier>('POST', '/visits', { id: uuid(987), riderId: first.riderId, bikeId, title: 'Visit 3' })
    ).body
    expect(value(elsewhere, 'stature', 'both')).toBe(1756)
    expect(value(elsewhere, 'saddleHeight', 'both')).toBeUndefined()
  })
})

describe('a write whose answer was lost', () => {
  const put = (visitId: string, version: number, value: number, write: string, unanswered: readonly string[] = []) =>
    server.request<{ version: number; code: string; current: { reading: Reading } }>(
      'PUT',
      `/visits/${visitId}/readings`,
      { version, reading: aReading('inseam', 'both', value) },
      { 'x-write': write, ...(unanswered.length === 0 ? {} : { 'x-unanswered': unanswered.join(',') }) },
    )

  it('is no conflict for who wrote it: the newer value goes over it', async () => {
    const { visitId } = await newVisit('Lost Answer')
    const [first, second] = [randomUUID(), randomUUID()]
    expect((await put(visitId, 0, 801, first)).status).toBe(200)
    // The answer never came; the writer still knows of no version.
    expect((await put(visitId, 0, 822, second)).status).toBe(409)
    expect((await put(visitId, 0, 822, second, [first])).body.version).toBe(2)
    expect((await dossier(visitId)).readings[0]!.reading.value).toBe(822)
  })

  it('is one as soon as another has written since, or where the mark is somebody else’s', async () => {
    const { visitId } = await newVisit('Lost And Changed')
    const [mine, theirs] = [randomUUID(), randomUUID()]
    await put(visitId, 0, 801, mine)
    expect((await put(visitId, 1, 810, theirs)).status).toBe(200)
    const stale = await put(visitId, 0, 822, randomUUID(), [mine])
    expect([stale.status, stale.body.current.reading.value]).toEqual([409, 810])
    for (const nonsense of ['', 'null', 'x'.repeat(400), `${theirs}x`])
      expect((await put(visitId, 0, 822, mine, [nonsense])).status).toBe(409)
  })

  it('is recognised in complaints, ratings and the visit’s own fields as well', async () => {
    const { visitId } = await newVisit('Lost Elsewhere')
    const [first, second] = [randomUUID(), randomUUID()]
    const lost = { 'x-write': second, 'x-unanswered': first }
    const told = complaint()
    const send = (version: number, severity: number, headers: Record<string, string>) =>
      server.request('PUT', `/visits/${visitId}/complaints`, { version, complaint: { ...told, severity }, removed: false }, headers)
    await send(0, 6, { 'x-write': first })
    expect((await send(0, 7, lost)).status).toBe(200)
    const { version, title, acknowledged, choices } = (await dossier(visitId)).visit
    const rename = (name: string, headers: Record<string, string>) =>
      server.request('PUT', `/visits/${visitId}`, { version, visit: { title: name, acknowledged, choices } }, headers)
    await rename(`${title} one`, { 'x-write': first })
    expect((await rename(`${title} two`, { 'x-write': second })).status).toBe(409)
    expect((await rename(`${title} two`, lost)).status).toBe(200)
    expect((await dossier(visitId)).visit.title).toBe(`${title} two`)
  })
})

describe('pace and what must not be ridden', () => {
  const fields = async (visitId: string, change: object) => {
    const { version, title, acknowledged, choices } = (await dossier(visitId)).visit
    return server.request<{ message: string }>('PUT', `/visits/${visitId}`, { version, visit: { title, acknowledged, choices, ...change } })
  }

  it('are kept with the visit; what an older window leaves out stands as it is usual', async () => {
    const { visitId } = await newVisit('Paced')
    expect((await dossier(visitId)).visit).toMatchObject({ pace: null, overruled: [] })
    const overruled = [{ block: 'cracked:both', reason: 'Photo only, nobody pedals.' }]
    expect((await fields(visitId, { pace: 'new', overruled })).status).toBe(200)
    expect((await dossier(visitId)).visit).toMatchObject({ pace: 'new', overruled })
    expect((await fields(visitId, { pace: 'slow' })).body.message).toMatch(/Pace must be one of settled, new, careful/)
    expect((await fields(visitId, { overruled: [{ block: 'x', reason: 'a' }] })).body.message).toMatch(/Reason must have 3 to 300/)
  })

  it('come with how many visits this bike had before: another bike’s do not count', async () => {
    const { visitId, riderId, bikeId } = await newVisit('Earlier')
    expect((await dossier(visitId)).earlierVisits).toBe(0)
    const again = await server.request<Dossier>('POST', '/visits', { id: randomUUID(), riderId, bikeId, title: 'Second' })
    expect(again.body.earlierVisits).toBe(1)
    const other = randomUUID()
    await server.request('PUT', `/riders/${riderId}/bikes/${other}`, { version: 0, bike: { name: 'Other', kind: 'flat bar' } })
    const third = await server.request<Dossier>('POST', '/visits', { id: randomUUID(), riderId, bikeId: other, title: 'Third' })
    expect(third.body.earlierVisits).toBe(0)
  })

  it('let a whole move onto the record of a new set-up only', async () => {
    const { visitId } = await newVisit('Whole Moves')
    const raised = (pace: string) => ({
      ...entryOf(1, { setting: 'saddleHeight', side: 'both', by: 24, role: 'chosen' }),
      id: randomUUID(),
      station: 'seat',
      pace,
    })
    const append = (entry: object) => server.request<{ message: string }>('POST', `/visits/${visitId}/ledger`, { after: 0, entry })
    const refused = await append(raised('settled'))
    expect([refused.status, refused.body.message]).toEqual([400, expect.stringMatching(/at most 5 mm at once/)])
    expect((await append(raised('new'))).status).toBe(200)
    expect((await dossier(visitId)).ledger).toMatchObject([{ pace: 'new' }])
  })
})

it('a record of a thousand changes is read in, and printed', async () => {
  const at = testTime
  const ledger = Array.from({ length: 1000 }, (_, i) => [
    { ...tried(randomUUID(), i % 2 === 0 ? 1 : -1), at },
    { kind: 'keep', id: randomUUID(), at, of: '' },
  ]).flatMap(([change, keep]) => [change, { ...keep, of: change!.id }])
  const { visitId } = await newVisit('Long Record')
  const file = (await server.request<object>('GET', `/visits/${visitId}/file`)).body
  const imported = await server.request<{ visitId: string }>('POST', '/imports', { ...file, ledger })
  expect(imported.status).toBe(201)
  const stored = await dossier(imported.body.visitId)
  expect(stored.ledger).toHaveLength(2000)
  expect((await server.request('GET', `/visits/${imported.body.visitId}/sheet.pdf`)).status).toBe(200)
})

describe('the next visit on a bike', () => {
  const moves = [
    { setting: 'cleatSetback', side: 'left', by: 5, role: 'chosen' },
    { setting: 'heelWedge', side: 'left', by: 1, role: 'chosen' },
    { setting: 'spacers', side: 'both', by: -6, role: 'knock-on' },
  ] as const
  const nextVisit = async (riderId: string, bikeId: string) =>
    (await server.request<Dossier>('POST', '/visits', { id: randomUUID(), riderId, bikeId, title: 'Next' })).body
  const value = ({ readings }: Dossier, key: string, side: string) =>
    readings.find(({ reading }) => reading.key === key && reading.side === side)?.reading

  it('begins with what was kept, read or estimated, open complaints with their last ratings, and says what was kept', async () => {
    const { visitId, riderId, bikeId } = await newVisit('Comes Back')
    for (const reading of exampleReadings) await putReading(visitId, 0, reading)
    const [open, gone] = [
      complaint({ warnings: { 'lasting-numbness': 'no' } }),
      complaint({ places: [{ region: 'calf', side: 'left' }], kind: 'pain' }),
    ]
    // Eased, but with a positive sign: it stops the next visit too.
    const stopped = complaint({ places: [{ region: 'heel', side: 'left' }], kind: 'pain', warnings: { fall: 'yes', 'night-pain': 'no' } })
    for (const told of [open, gone])
      await server.request('PUT', `/visits/${visitId}/complaints`, { version: 0, complaint: told, removed: false })
    const change = { ...entryOf(1, ...moves), id: randomUUID() }
    const append = (after: number, entry: object) => server.request('POST', `/visits/${visitId}/ledger`, { after, entry })
    expect((await append(0, change)).status).toBe(200)
    const undone = { ...entryOf(2, { setting: 'wedge', side: 'left', by: 1, role: 'chosen' }), id: randomUUID() }
    await append(1, { kind: 'keep', id: randomUUID(), at: testTime, of: change.id })
    await append(2, undone)
    await append(3, { kind: 'undo', id: randomUUID(), at: testTime, of: undone.id })
    const rate = (complaintId: string, severity: number) =>
      server.request('PUT', `/visits/${visitId}/ratings`, { version: 0, rating: { complaintId, changeId: change.id, severity } })
    await rate(open.id, 3)
    await rate(gone.id, 0)
    await server.request('PUT', `/visits/${visitId}/complaints`, { version: 0, complaint: stopped, removed: false })
    await rate(stopped.id, 0)

    const next = await nextVisit(riderId, bikeId)
    expect(value(next, 'cleatSetback', 'left')).toMatchObject({ value: 9, method: 'ruler' })
    expect(value(next, 'heelWedge', 'left')).toMatchObject({ value: 1, method: 'carried', plusMinus: 1 })
    expect(value(next, 'spacers', 'both')).toMatchObject({ value: 9, method: 'carried', plusMinus: 15 })
    expect(value(next, 'wedge', 'left')).toBeUndefined()
    expect(next.complaints.map(({ complaint: told }) => told)).toEqual([
      { ...open, id: expect.any(String) as string, severity: 3, warnings: {} },
      { ...stopped, id: expect.any(String) as string, severity: 0, warnings: { fall: 'yes' } },
    ])
    expect(next.complaints[0]!.complaint.id).not.toBe(open.id)
    expect(next.last).toMatchObject({ title: 'First visit', kept: [{ moves, exchanges: [] }] })
    expect((await dossier(visitId)).last).toBeNull()
  })

  it('takes bike and complaints from the last visit on it, shoes and body from the last one of the rider', async () => {
    const { visitId, riderId, bikeId } = await newVisit('Two Bikes')
    for (const reading of exampleReadings) await putReading(visitId, 0, reading)
    await server.request('PUT', `/visits/${visitId}/complaints`, { version: 0, complaint: complaint(), removed: false })
    const other = randomUUID()
    await server.request('PUT', `/riders/${riderId}/bikes/${other}`, { version: 0, bike: { name: 'Other', kind: 'trail' } })
    const there = await nextVisit(riderId, other)
    expect(value(there, 'saddleHeight', 'both')).toBeUndefined()
    expect(there.complaints).toEqual([])
    const change = { ...entryOf(1, ...moves.slice(0, 2)), id: randomUUID() }
    await server.request('POST', `/visits/${there.visit.id}/ledger`, { after: 0, entry: change })
    const back = await nextVisit(riderId, bikeId)
    expect(value(back, 'saddleHeight', 'both')?.value).toBe(724)
    expect(value(back, 'cleatSetback', 'left')?.value).toBe(9)
    expect(value(back, 'heelWedge', 'left')?.value).toBe(1)
    expect(back.complaints).toHaveLength(1)
  })

  it('is made once for one id, and an id of another visit is no answer', async () => {
    const [mine, theirs] = [await newVisit('Mine'), await newVisit('Theirs')]
    const ask = (body: object) => server.request<Dossier & { code: string }>('POST', '/visits', body)
    const again = { id: mine.visitId, riderId: mine.riderId, bikeId: mine.bikeId, title: 'First visit' }
    const twice = await Promise.all([ask(again), ask(again)])
    expect(twice.map(({ status }) => status)).toEqual([201, 201])
    const taken = await ask({ ...again, id: theirs.visitId })
    expect([taken.status, taken.body.code]).toEqual([409, 'taken'])
  })
})
