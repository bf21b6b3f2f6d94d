import { request as rawRequest } from 'node:http'
import { startTestServer } from './harness.ts'
import type { TestServer } from './harness.ts'

let server: TestServer
beforeAll(async () => void (server = await startTestServer()))
afterAll(() => server.stop())

/** A request whose Host header is free to choose. */
function withHost(host: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = rawRequest(`${server.url}/api/health`, { headers: { host } }, (response) => {
      response.resume()
      resolve(response.statusCode ?? 0)
    })
    request.on('error', reject)
    request.end()
  })
}

describe('calculations over HTTP', () => {
  it('are listed with names, titles, schemas and sources', async () => {
    const { body } = await server.request<{
      calculations: { name: string; title: string; schemas: { input: object }; sources: unknown[] }[]
    }>('GET', '/calculations')
    expect(body.calculations.map((c) => c.name)).toEqual(
      expect.arrayContaining(['knee-flexion', 'cleat-target', 'cleat-knock-on', 'step-plan']),
    )
    for (const entry of body.calculations) {
      expect(entry.title).not.toBe('')
      expect(entry.schemas.input).toMatchObject({ type: 'object' })
      expect(entry.sources.length).toBeGreaterThan(0)
    }
  })

  // Plane geometry, worked by hand: thigh 430, shank 440, distance 840 → 30.18°.
  it('answer with result, ± and working', async () => {
    const { status, body } = await server.request<{
      result: { kneeFlexion: number }
      plusMinus: Record<string, number>
      working: unknown[]
    }>('POST', '/calculations/knee-flexion', {
      thigh: 430,
      shank: 440,
      distance: 840,
      plusMinus: { distance: 3 },
    })
    expect(status).toBe(200)
    expect(body.result.kneeFlexion).toBeCloseTo(30.18, 2)
    // About half a degree a millimetre near 30°.
    expect(body.plusMinus['kneeFlexion']).toBeCloseTo(1.53, 1)
    expect(body.working).toHaveLength(2)
  })

  it.each([
    [{ thigh: 'x', shank: 440, distance: 840 }, 400, 'thigh'],
    [{ thigh: 430, shank: 440 }, 400, 'distance'],
    [{ thigh: 430, shank: 440, distance: 871 }, 422, 'distance'],
    [{ thigh: 430, shank: 440, distance: 840, extra: 1 }, 400, 'extra'],
    [[1], 400, ''],
  ])('name the field for %j', async (input, status, field) => {
    const answer = await server.request('POST', '/calculations/knee-flexion', input)
    expect(answer.status).toBe(status)
    expect(answer.body.fields[0]?.field).toBe(field)
  })

  it('that do not exist are said not to', async () => {
    expect((await server.request('POST', '/calculations/__proto__', {})).status).toBe(404)
    expect((await server.request('GET', '/calculations/nothing')).body.code).toBe('not-found')
  })
})

describe('the door', () => {
  it('answers health', async () => expect(await server.request('GET', '/health')).toMatchObject({ status: 200, body: { status: 'ok' } }))

  it('sends safe headers and a policy without inline script', async () => {
    const { headers } = await server.request('GET', '/health')
    const policy = headers.get('content-security-policy') ?? ''
    expect(policy).toContain("script-src 'self'")
    expect(policy.split(';').find((part) => part.includes('script-src'))).not.toContain('unsafe')
    expect(policy).toContain("frame-ancestors 'none'")
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('x-powered-by')).toBeNull()
  })

  it('lets in only this machine’s names and no foreign origin', async () => {
    expect(await withHost('127.0.0.1:1234')).toBe(200)
    expect(await withHost('localhost')).toBe(200)
    expect(await withHost('evil.example')).toBe(403)
    expect((await server.request('PUT', '/riders/x', {}, { origin: 'http://evil.example' })).status).toBe(403)
    expect((await server.request('GET', '/health', undefined, { origin: server.url })).status).toBe(200)
  })

  it.each([
    ['broken JSON', '{"a":', 400, 'broken-json'],
    ['too large a body', JSON.stringify({ a: 'x'.repeat(300_000) }), 413, 'too-large'],
  ])('answers %s in the one error shape', async (_, body, status, code) => {
    const answer = await server.request('POST', '/calculations/knee-flexion', body)
    expect(answer.status).toBe(status)
    expect(answer.body).toMatchObject({ code, message: expect.any(String), fields: [] })
  })

  it('takes no form posts: only JSON reaches a route', async () => {
    const answer = await server.request('POST', '/calculations/knee-flexion', 'thigh=1', { 'content-type': 'text/plain' })
    expect(answer.status).toBe(400)
  })

  it('never shows a stack trace, and logs no names', async () => {
    const answers = [
      await server.request('GET', '/visits/not-a-uuid'),
      await server.request('GET', '/nothing'),
      await server.request('GET', '/riders?search=Secretname'),
    ]
    expect(JSON.stringify(answers.map((a) => a.body))).not.toMatch(/at .*\.ts|node_modules/)
    expect(server.log.join('')).toContain('/api/riders')
    expect(server.log.join('')).not.toContain('Secretname')
  })
})
