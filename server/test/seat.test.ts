import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { startingSaddles } from '@level-stance/core/stations/seat/saddle/kinds'
import type { SaddleSpec } from '@level-stance/core/stations/seat/saddle/kinds'
import { exampleMatRider, exampleMarks, matText } from '@level-stance/core/simulate/examples'
import { impressionSpacing } from '@level-stance/core/stations/seat/saddle/impression'
import type { Attachment } from '@level-stance/core/record/attachments'
import { freshVisit } from '@level-stance/core/record/dossier'
import type { Dossier } from '@level-stance/core/record/dossier'
import { analyseMat } from '@level-stance/core/stations/seat/mat/analysis'
import { MatReader } from '@level-stance/core/stations/seat/mat/format'
import type { MatFrame } from '@level-stance/core/stations/seat/mat/format'
import { aReading } from '@level-stance/core/testing'
import { addAttachment } from '../src/attachments/store.ts'
import { ensureCatalogues } from '../src/catalogue/store.ts'
import type { StoredPart } from '@level-stance/core/contract/contract'
import { attachments, bikes, riders, studios, visits } from '../src/db/schema.ts'
import { loadDemo } from '../src/demo/load.ts'
import { drawnImpression } from '../src/demo/seatExtras.ts'
import type { ErrorBody } from '@level-stance/core/contract/error'
import type { TriedRow } from '../src/saddles/triedStore.ts'
import { DEFAULT_STUDIO } from '../src/http/studio.ts'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
let riderId: string
let visitId: string
beforeAll(async () => {
  server = await startTestServer()
  const [rider, bike, visit] = [randomUUID(), randomUUID(), randomUUID()]
  await server.request('PUT', `/riders/${rider}`, { version: 0, rider: { name: 'Mat Tester', note: '' } })
  await server.request('PUT', `/riders/${rider}/bikes/${bike}`, { version: 0, bike: { name: 'Tourer', kind: 'drop bar' } })
  await server.request('POST', '/visits', { id: visit, riderId: rider, bikeId: bike, title: 'First visit' })
  riderId = rider
  visitId = visit
})
afterAll(() => server.stop())

async function upload(kind: string, body: Uint8Array | string, title = 'A file', id: string = randomUUID()) {
  const query = new URLSearchParams({ id, kind, title })
  const response = await fetch(`${server.url}/api/visits/${visitId}/attachments?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: typeof body === 'string' ? body : Buffer.from(body),
  })
  return { status: response.status, body: (await response.json()) as Attachment & ErrorBody }
}
const content = async (id: string) => {
  const { status, headers, body } = await server.request<Buffer>('GET', `/attachments/${id}/content`)
  return { status, headers, body }
}

describe('pictures of an impression', () => {
  it('are stored upright, small enough, and without the place they were taken at', async () => {
    // A picture with a place in it, turned by its own note: EXIF orientation 6 means turned a quarter.
    const withPlace = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#a0b0c0' } })
      .withExif({
        IFD0: { Copyright: 'Nobody', Orientation: '6' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 12/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '4/1 30/1 0/1' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    expect((await sharp(withPlace).metadata()).exif).toBeDefined()
    const stored = await upload('impression', withPlace, 'On card')
    expect(stored).toMatchObject({ status: 201, body: { width: 200, height: 400, marks: null } })
    const { headers, body } = await content(stored.body.id)
    expect(headers.get('content-type')).toBe('image/jpeg')
    expect(headers.get('content-security-policy')).toMatch(/sandbox/)
    const metadata = await sharp(body).metadata()
    expect([metadata.exif, metadata.xmp, metadata.iptc]).toEqual([undefined, undefined, undefined])
    expect(body.includes(Buffer.from('GPS'))).toBe(false)
  })

  it('keep their marks by version, and the drawn demo picture gives the spacing it was drawn with', async () => {
    const { content: png, marks } = await drawnImpression(128)
    expect(impressionSpacing(marks, 2)!.spacing).toBeCloseTo(Math.hypot(128, 4), 3)
    const { body } = await upload('impression', png, 'Drawn')
    const put = (version: number, title: string) =>
      server.request<Attachment>('PUT', `/attachments/${body.id}`, { version, title, marks, removed: false })
    expect((await put(1, 'Marked')).body).toMatchObject({ version: 2, marks })
    expect(await put(1, 'Late')).toMatchObject({ status: 409, body: { code: 'stale', current: { title: 'Marked' } } })
    const wrong = await server.request('PUT', `/attachments/${body.id}`, {
      version: 2,
      title: 'x',
      marks: { ...exampleMarks, sheet: { width: 5, height: 210 } },
      removed: false,
    })
    expect(wrong).toMatchObject({
      status: 400,
      body: { fields: [{ field: 'marks.sheet.width', message: expect.stringMatching(/50 to 1500/) }] },
    })
  })

  it('go by what they are, not by their name: a PNG called anything is read, text, SVG and a torn file are refused', async () => {
    const png = await sharp({ create: { width: 30, height: 30, channels: 4, background: '#fff' } })
      .png()
      .toBuffer()
    expect((await upload('impression', png, 'photo.txt')).status).toBe(201)
    for (const bad of [
      Buffer.from('not a picture at all'),
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      png.subarray(0, 40),
    ]) {
      expect(await upload('impression', bad)).toMatchObject({ status: 415, body: { code: 'no-picture', fields: [{ field: 'file' }] } })
    }
    expect(await upload('impression', '')).toMatchObject({ status: 400, body: { code: 'empty' } })
  })

  it('of 50 MB are refused in words, and nothing of them is kept', async () => {
    const before = (await server.request<{ attachments: Attachment[] }>('GET', `/visits/${visitId}/attachments`)).body.attachments.length
    const big = await upload('impression', new Uint8Array(50 * 1024 * 1024)).catch(() => ({ status: 413, body: null }))
    expect(big.status).toBe(413)
    const after = (await server.request<{ attachments: Attachment[] }>('GET', `/visits/${visitId}/attachments`)).body.attachments.length
    expect(after).toBe(before)
  })
})

describe('pressure recordings', () => {
  it('come back word for word, and a lost answer asked for again is the same one', async () => {
    const text = matText(exampleMatRider, 1, 3)
    const id = randomUUID()
    const first = await upload('mat', text, 'Before', id)
    expect(first.status).toBe(201)
    expect((await upload('mat', text, 'Before', id)).body).toEqual(first.body)
    expect((await content(id)).body.toString('utf8')).toBe(text)
    expect(first.body.bytes).toBeLessThan(text.length)
  })
  it('that are broken are refused with their line', async () => {
    expect(await upload('mat', 'unit,psi\nrows,64\n')).toMatchObject({ status: 400, body: { code: 'no-recording' } })
    const text = matText(exampleMatRider, 1, 3).split('\n')
    text[20] = `-5,${text[20]!.split(',').slice(1).join(',')}`
    expect((await upload('mat', text.join('\n'))).body.message).toMatch(/Line 21: −5/)
    expect(await upload('film', 'x')).toMatchObject({ status: 400, body: { fields: [{ field: 'kind' }] } })
  })
  it('are removed, and then gone', async () => {
    const { body } = await upload('mat', matText(exampleMatRider, 1, 5), 'To go')
    await server.request('PUT', `/attachments/${body.id}`, { version: 1, title: 'To go', marks: null, removed: true })
    expect((await content(body.id)).status).toBe(404)
    expect((await server.request('GET', `/attachments/${randomUUID()}/content`)).status).toBe(404)
  })
})

describe('saddles', () => {
  const list = async () => (await server.request<{ entries: StoredPart<SaddleSpec>[] }>('GET', '/saddles')).body.entries
  it('the catalogue starts with the kinds of the trade, and takes a studio’s own', async () => {
    expect(await list()).toHaveLength(startingSaddles.length)
    const spec = { ...startingSaddles[3]!, name: 'Shop’s demo saddle', width: 158 }
    const id = randomUUID()
    expect((await server.request('PUT', `/saddles/${id}`, { version: 0, spec, removed: false })).status).toBe(200)
    expect((await list()).some((row) => row.entry.spec.name === 'Shop’s demo saddle')).toBe(true)
    const odd = await server.request('PUT', `/saddles/${randomUUID()}`, {
      version: 0,
      spec: { ...spec, name: 'Odd', noseWidth: 119, zoneWidth: 200, width: 110 },
      removed: false,
    })
    expect(odd.status).toBe(400)
    expect((odd.body as ErrorBody).fields.map((f) => f.field)).toEqual(['spec.zoneWidth', 'spec.noseWidth'])
  })
  it('a rider’s log is kept over visits, best first, by version', async () => {
    const saddle = { name: 'Touring, 165', width: 165, mark: 5, hours: 20, spare: false, note: '' }
    const id = randomUUID()
    const put = (version: number, mark: number | null, removed = false) =>
      server.request<TriedRow>('PUT', `/riders/${riderId}/saddles/${id}`, { version, saddle: { ...saddle, mark }, removed })
    await put(0, 5)
    await server.request('PUT', `/riders/${riderId}/saddles/${randomUUID()}`, {
      version: 0,
      saddle: { ...saddle, name: 'Flat', mark: 7 },
      removed: false,
    })
    const log = async () => (await server.request<{ saddles: TriedRow[] }>('GET', `/riders/${riderId}/saddles`)).body.saddles
    expect((await log()).map((row) => row.saddle.name)).toEqual(['Flat', 'Touring, 165'])
    await put(1, 9)
    expect((await log())[0]!.saddle.name).toBe('Touring, 165')
    expect(await put(1, 2)).toMatchObject({ status: 409 })
    await put(2, 9, true)
    expect(await log()).toHaveLength(1)
    expect((await server.request('GET', `/riders/${randomUUID()}/saddles`)).status).toBe(404)
    expect(
      await server.request('PUT', `/riders/${riderId}/saddles/${randomUUID()}`, {
        version: 0,
        saddle: { ...saddle, mark: 11 },
        removed: false,
      }),
    ).toMatchObject({ status: 400, body: { fields: [{ field: 'saddle.mark' }] } })
  })
})

describe('a reading with its own ±', () => {
  it('is kept and handed back, and one without has none', async () => {
    const write = (reading: object, version: number) =>
      server.request<Dossier['readings'][number]>('PUT', `/visits/${visitId}/readings`, { version, reading })
    const spacing = { ...aReading('sitBoneSpacing', 'both', 121), method: 'picture', plusMinus: 3.4 }
    expect((await write(spacing, 0)).body.reading).toEqual(spacing)
    const plain = aReading('sitBoneSpacing', 'both', 122)
    expect((await write(plain, 1)).body.reading).toEqual(plain)
    expect(await write({ ...spacing, plusMinus: 0 }, 2)).toMatchObject({ status: 400, body: { fields: [{ field: 'reading.plusMinus' }] } })
    const seat = { widthSchool: 'usual', saddleWeights: { width: 2 } }
    const visit = { title: 'First visit', acknowledged: [], choices: { feet: { cleatSchool: 'behind-ball' }, seat, hands: {} } }
    expect((await server.request<Dossier['visit']>('PUT', `/visits/${visitId}`, { version: 1, visit })).body.choices).toEqual(visit.choices)
    expect(
      await server.request('PUT', `/visits/${visitId}`, {
        version: 2,
        visit: { ...visit, choices: { ...visit.choices, seat: { widthSchool: 'guess' } } },
      }),
    ).toMatchObject({ status: 400 })
  })
})

describe('the demo’s extras', () => {
  it('come once with the riders: recordings that say what they were made of, a marked picture, saddles ridden', async () => {
    await loadDemo(server.db)
    await loadDemo(server.db)
    const found = await server.db.select().from(riders).where(eq(riders.name, 'Baptiste Okonjo'))
    expect(found).toHaveLength(1)
    const [rider] = await server.db.select().from(visits).where(eq(visits.riderId, found[0]!.id))
    const { attachments: kept } = (await server.request<{ attachments: Attachment[] }>('GET', `/visits/${rider!.id}/attachments`)).body
    expect(kept.map(({ kind }) => kind)).toEqual(['mat', 'mat', 'impression'])
    expect(impressionSpacing(kept[2]!.marks!, 2)!.spacing).toBeCloseTo(Math.hypot(128, 4), 3)
    const results = []
    for (const { id } of kept.slice(0, 2)) {
      const frames: MatFrame[] = []
      const reader = new MatReader((frame) => frames.push(frame))
      reader.push((await content(id)).body.toString('utf8'))
      reader.end()
      expect(reader.header!.simulated).toBe(true)
      results.push(analyseMat(reader.header!, frames)!)
    }
    // As it came the middle carries; on the wider saddle with relief the bones do, and their spacing is what was simulated.
    expect(results[0]!.softTissue).toBeGreaterThan(results[1]!.softTissue + 0.2)
    expect(Math.abs(results[1]!.spacing! - 128)).toBeLessThan(2)
    const log = (await server.request<{ saddles: TriedRow[] }>('GET', `/riders/${found[0]!.id}/saddles`)).body.saddles
    expect(log.map((row) => row.saddle.mark)).toEqual([8, 3])
  })
})

describe('what belongs to another studio', () => {
  it('is neither listed, read, written nor added to', async () => {
    const other = randomUUID()
    const [rider, bike, visit] = [randomUUID(), randomUUID(), randomUUID()]
    await server.db.insert(studios).values({ id: other, name: 'Elsewhere' })
    await server.db
      .insert(riders)
      .values({ id: rider, studioId: other, name: 'Stranger', note: '', search: 'stranger', touchedAt: new Date(), version: 1 })
    await server.db.insert(bikes).values({ id: bike, studioId: other, riderId: rider, name: 'Bike', kind: 'town', version: 1 })
    await server.db
      .insert(visits)
      .values({ id: visit, studioId: other, riderId: rider, bikeId: bike, ...freshVisit, startedAt: new Date(), version: 1 })
    const added = await addAttachment(
      server.db,
      other,
      visit,
      { id: randomUUID(), kind: 'mat', title: 'Theirs' },
      Buffer.from(matText(exampleMatRider, 1, 2)),
    )
    await ensureCatalogues(server.db, other)
    expect((await server.request('GET', `/visits/${visit}/attachments`)).status).toBe(404)
    expect((await content(added.id)).status).toBe(404)
    expect(
      (await server.request('PUT', `/attachments/${added.id}`, { version: 1, title: 'Mine', marks: null, removed: true })).status,
    ).toBe(404)
    expect((await upload('mat', matText(exampleMatRider, 1, 2), 'Mine', added.id)).status).toBe(404)
    expect((await server.request('GET', `/riders/${rider}/saddles`)).status).toBe(404)
    const names = (await server.request<{ entries: StoredPart<SaddleSpec>[] }>('GET', '/saddles')).body.entries.map(
      (row) => row.entry.spec.name,
    )
    expect(new Set(names).size).toBe(names.length)
  })
  it('the database itself refuses an unknown kind, and a picture without a size', async () => {
    const row = {
      id: randomUUID(),
      studioId: DEFAULT_STUDIO,
      visitId,
      title: 'x',
      mediaType: 'x',
      bytes: 1,
      content: Buffer.from('x'),
      createdAt: new Date(),
      version: 1,
    }
    await expect(server.db.insert(attachments).values({ ...row, kind: 'film' as never })).rejects.toThrow()
    await expect(server.db.insert(attachments).values({ ...row, kind: 'impression' })).rejects.toThrow()
  })
})

it('a new visit of the same rider starts from the seat’s choices of the last', async () => {
  const now = (await server.request<Dossier>('GET', `/visits/${visitId}`)).body
  const next = randomUUID()
  const answer = await server.request<Dossier>('POST', '/visits', { id: next, riderId, bikeId: now.bike.id, title: 'Second' })
  expect(answer.body.visit.choices.seat).toEqual(now.visit.choices.seat)
  expect(answer.body.readings.find((row) => row.reading.key === 'sitBoneSpacing')?.reading.value).toBe(122)
})
