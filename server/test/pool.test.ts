import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { calculationPool } from '../src/calculations/pool.ts'

/** A thread that answers, fails with words, breaks or never ends, as it is told. */
const script = `
const { parentPort } = require('node:worker_threads')
parentPort.on('message', ({ name, body }) => {
  if (name === 'endless') for (;;);
  if (name === 'dies') process.exit(3)
  if (name === 'dies-later') { setTimeout(() => { throw new Error('idle') }, 30); return parentPort.postMessage({ ok: true, answer: 'soon' }) }
  if (name === 'breaks') throw new Error('broken')
  if (name === 'refuses') return parentPort.postMessage({ ok: false, code: 'invalid', message: 'thigh must be a number.', fields: [{ field: 'thigh', message: 'thigh must be a number.' }] })
  if (name === 'unknown') return parentPort.postMessage({ ok: false, code: null })
  parentPort.postMessage({ ok: true, answer: body })
})`
const folder = mkdtempSync(join(tmpdir(), 'pool-'))
const file = join(folder, 'worker.cjs')
writeFileSync(file, script)
afterAll(() => rmSync(folder, { recursive: true }))

let pool: ReturnType<typeof calculationPool>
beforeEach(() => (pool = calculationPool(pathToFileURL(file), 2, 800)))
afterEach(() => pool.close())

describe('calculations in threads of their own', () => {
  it('answer each its own caller, more of them than there are threads', async () => {
    const answers = await Promise.all(Array.from({ length: 20 }, (_, i) => pool.calculate('echo', { i })))
    expect(answers).toEqual(Array.from({ length: 20 }, (_, i) => ({ i })))
  })

  it('pass on words for the screen, and keep what else went wrong for the log', async () => {
    await expect(pool.calculate('refuses', {})).rejects.toMatchObject({ code: 'invalid', fields: [{ field: 'thigh' }] })
    await expect(pool.calculate('unknown', {})).rejects.toThrow(/failed in its worker/)
    await expect(pool.calculate('breaks', {})).rejects.toThrow('broken')
    expect(await pool.calculate('echo', 1)).toBe(1)
  })

  it('end with their thread when they run past the limit; the others go on meanwhile', async () => {
    const endless = pool.calculate('endless', {})
    expect(await Promise.all([1, 2, 3].map((n) => pool.calculate('echo', n)))).toEqual([1, 2, 3])
    await expect(endless).rejects.toMatchObject({ status: 422, code: 'too-long' })
    expect(await pool.calculate('echo', 4)).toBe(4)
  })

  it('refuse what cannot be handed to a thread, and keep the thread', async () => {
    let deep: unknown = 1
    for (let i = 0; i < 50_000; i++) deep = [deep]
    const refused = await Promise.allSettled([1, 2, 3].map(() => pool.calculate('echo', { x: deep })))
    for (const one of refused) expect(one).toMatchObject({ status: 'rejected', reason: { status: 400, code: 'too-deep' } })
    await expect(pool.calculate('echo', () => 1)).rejects.toMatchObject({ status: 400 })
    expect(await Promise.all([1, 2, 3].map((n) => pool.calculate('echo', n)))).toEqual([1, 2, 3])
  })

  it('outlive threads that die while they are idle', async () => {
    await expect(pool.calculate('dies-later', {})).resolves.toBe('soon')
    await new Promise((resolve) => setTimeout(resolve, 150))
    expect(await Promise.all([1, 2, 3].map((n) => pool.calculate('echo', n)))).toEqual([1, 2, 3])
  })

  it('are given up when their thread dies', async () => {
    await expect(pool.calculate('dies', {})).rejects.toThrow()
    expect(await pool.calculate('echo', 5)).toBe(5)
  })

  it('are turned away where too many wait already', async () => {
    const endless = [pool.calculate('endless', {}), pool.calculate('endless', {})].map((one) => one.catch((error: Error) => error))
    const rest = await Promise.allSettled(Array.from({ length: 40 }, (_, i) => pool.calculate('echo', i)))
    expect(rest.filter(({ status }) => status === 'fulfilled')).toHaveLength(32)
    const turned = rest.find((one) => one.status === 'rejected')
    expect(turned).toMatchObject({ reason: { status: 503, code: 'busy' } })
    await Promise.all(endless)
  })
})
