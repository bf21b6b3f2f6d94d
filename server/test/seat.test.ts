import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { startingSaddles } from '@level-stance/core/seat/saddleKinds'
import type { SaddleSpec } from '@level-stance/core/seat/saddleKinds'
import { exampleMatRider, exampleMarks, matText } from '@level-stance/core/seat/examples'
import { impressionSpacing } from '@level-stance/core/seat/impression'
import type { Attachment } from '@level-stance/core/record/attachments'
import type { Dossier } from '@level-stance/core/record/dossier'
import { aReading } from '@level-stance/core/testing'
import type { StoredEntry } from '../src/catalogue/store.ts'
import { drawnImpression } from '../src/demo/seatExtras.ts'
import type { ErrorBody } from '../src/http/errors.ts'
import type { StoredTried } from '../src/saddles/triedStore.ts'
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
      .withExif({ IFD0: { Copyright: 'Nobody', Orientation: '6' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 12/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '4/1 30/1 0/1' } })
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
  }) // prettier-ignore

  it('keep their marks by version, and the drawn demo picture gives the spacing it was drawn with', async () => {
    const { content: png, marks } = await drawnImpression(128)
    expect(impressionSpacing(marks, 2)!.spacing).toBeCloseTo(Math.hypot(128, 4), 3)
    const { body } = await upload('impression', png, 'Drawn')
    const put = (version: number, title: string) => server.request<Attachment>('PUT', `/attachments/${body.id}`, { version, title, marks, removed: false }) // prettier-ignore
    expect((await put(1, 'Marked')).body).toMatchObject({ version: 2, marks })
    expect(await put(1, 'Late')).toMatchObject({ status: 409, body: { code: 'stale', current: { title: 'Marked' } } })
    const wrong = await server.request('PUT', `/attachments/${body.id}`, { version: 2, title: 'x', marks: { ...exampleMarks, sheet: { width: 5, height: 210 } }, removed: false }) // prettier-ignore
    expect(wrong).toMatchObject({ status: 400, body: { fields: [{ field: 'marks.sheet.width', message: expect.stringMatching(/50 to 1500/) }] } }) // prettier-ignore
  })

  it('go by what they are, not by their name: a PNG called anything is read, text, SVG and a torn file are refused', async () => {
    const png = await sharp({ create: { width: 30, height: 30, channels: 4, background: '#fff' } }).png().toBuffer() // prettier-ignore
    expect((await upload('impression', png, 'photo.txt')).status).toBe(201)
    for (const bad of [Buffer.from('not a picture at all'), Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'), png.subarray(0, 40)]) {
      expect(await upload('impression', bad)).toMatchObject({ status: 415, body: { code: 'no-picture', fields: [{ field: 'file' }] } })
    }
    expect(await upload('impression', '')).toMatchObject({ status: 400, body: { code: 'empty' } })
  }) // prettier-ignore

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
  const list = async () => (await server.request<{ entries: StoredEntry<SaddleSpec>[] }>('GET', '/saddles')).body.entries
  it('the catalogue starts with the kinds of the trade, and takes a studio’s own', async () => {
    expect(await list()).toHaveLength(startingSaddles.length)
    const spec = { ...startingSaddles[3]!, name: 'Shop’s demo saddle', width: 158 }
    const id = randomUUID()
    expect((await server.request('PUT', `/saddles/${id}`, { version: 0, spec, removed: false })).status).toBe(200)
    expect((await list()).some((row) => row.entry.spec.name === 'Shop’s demo saddle')).toBe(true)
    const odd = await server.request('PUT', `/saddles/${randomUUID()}`, { version: 0, spec: { ...spec, name: 'Odd', noseWidth: 119, zoneWidth: 200, width: 110 }, removed: false }) // prettier-ignore
    expect(odd.status).toBe(400)
    expect((odd.body as ErrorBody).fields.map((f) => f.field)).toEqual(['spec.zoneWidth', 'spec.noseWidth'])
  })
  it('a rider’s log is kept over visits, best first, by version', async () => {
    const saddle = { name: 'Touring, 165', width: 165, mark: 5, hours: 20, spare: false, note: '' }
    const id = randomUUID()
    const put = (version: number, mark: number | null, removed = false) =>
      server.request<StoredTried>('PUT', `/riders/${riderId}/saddles/${id}`, { version, saddle: { ...saddle, mark }, removed })
    await put(0, 5)
    await server.request('PUT', `/riders/${riderId}/saddles/${randomUUID()}`, { version: 0, saddle: { ...saddle, name: 'Flat', mark: 7 }, removed: false }) // prettier-ignore
    const log = async () => (await server.request<{ saddles: StoredTried[] }>('GET', `/riders/${riderId}/saddles`)).body.saddles
    expect((await log()).map((row) => row.saddle.name)).toEqual(['Flat', 'Touring, 165'])
    await put(1, 9)
    expect((await log())[0]!.saddle.name).toBe('Touring, 165')
    expect(await put(1, 2)).toMatchObject({ status: 409 })
    await put(2, 9, true)
    expect(await log()).toHaveLength(1)
    expect((await server.request('GET', `/riders/${randomUUID()}/saddles`)).status).toBe(404)
    expect(await server.request('PUT', `/riders/${riderId}/saddles/${randomUUID()}`, { version: 0, saddle: { ...saddle, mark: 11 }, removed: false })).toMatchObject({ status: 400, body: { fields: [{ field: 'saddle.mark' }] } }) // prettier-ignore
  })
})

describe('a reading with its own ±', () => {
  it('is kept and handed back, and one without has none', async () => {
    const write = (reading: object, version: number) => server.request<Dossier['readings'][number]>('PUT', `/visits/${visitId}/readings`, { version, reading }) // prettier-ignore
    const spacing = { ...aReading('sitBoneSpacing', 'both', 121), method: 'picture', plusMinus: 3.4 }
    expect((await write(spacing, 0)).body.reading).toEqual(spacing)
    const plain = aReading('sitBoneSpacing', 'both', 122)
    expect((await write(plain, 1)).body.reading).toEqual(plain)
    expect(await write({ ...spacing, plusMinus: 0 }, 2)).toMatchObject({ status: 400, body: { fields: [{ field: 'reading.plusMinus' }] } })
    const visit = { title: 'First visit', cleatSchool: 'behind-ball', accepted: [], pedalWeights: {}, stanceBy: null, seat: { widthSchool: 'usual', saddleWeights: { width: 2 } } } // prettier-ignore
    expect((await server.request<Dossier['visit']>('PUT', `/visits/${visitId}`, { version: 1, visit })).body.seat).toEqual(visit.seat)
    expect(await server.request('PUT', `/visits/${visitId}`, { version: 2, visit: { ...visit, seat: { widthSchool: 'guess' } } })).toMatchObject({ status: 400 }) // prettier-ignore
  })
})
