/** @jest-environment jsdom */
import { contract } from '@level-stance/core/contract/contract'
import { ApiError, UnreachableServer, putOwn } from '../src/data/client.ts'
import { cleanInput } from '../src/kit/cleanInput.ts'
import { once } from '../src/data/keptId.ts'

beforeEach(() => {
  sessionStorage.clear()
  let ids = 0
  Object.assign(globalThis.crypto, { randomUUID: () => `id-${(ids += 1)}` })
})
const refusal = (status: number) => new ApiError(status, { code: 'x', message: 'No.', fields: [] })

describe('something that is made once', () => {
  it('is asked for once however often the button is pressed', async () => {
    const make = jest.fn((id: string) => Promise.resolve(id))
    expect(await Promise.all([once('visit', make), once('visit', make), once('bike', make)])).toEqual(['id-1', 'id-1', 'id-2'])
    expect(make).toHaveBeenCalledTimes(2)
  })
  it('keeps its id while no answer has come, and takes a new one after an answer', async () => {
    const lost = (id: string) => Promise.reject(Object.assign(new UnreachableServer(), { id }))
    await expect(once('visit', lost)).rejects.toMatchObject({ id: 'id-1' })
    await expect(once('visit', () => Promise.reject(refusal(503)))).rejects.toThrow()
    expect(await once('visit', (id) => Promise.resolve(id))).toBe('id-1')
    expect(await once('visit', (id) => Promise.resolve(id))).toBe('id-2')
    await expect(once('visit', () => Promise.reject(refusal(409)))).rejects.toThrow()
    expect(await once('visit', (id) => Promise.resolve(id))).toBe('id-4')
  })
})

describe('something stored under an id of this window', () => {
  it('is written over its own earlier try, whose answer was lost', async () => {
    const sent: unknown[] = []
    const answers = [
      { status: 409, body: { code: 'stale', message: 'Changed.', fields: [], current: { version: 1, name: 'Mira' } } },
      { status: 200, body: { version: 2, name: 'Mira Mended' } },
    ]
    Object.assign(globalThis, {
      fetch: (_: string, init: RequestInit) => {
        sent.push(JSON.parse(String(init.body)))
        const { status, body } = answers.shift()!
        return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) })
      },
    })
    expect(
      await putOwn(contract.writeRider, (version) => ({
        params: { riderId: '1' },
        body: { version, rider: { name: 'Mira Mended', note: '' } },
      })),
    ).toMatchObject({ version: 2 })
    expect(sent).toEqual([
      { version: 0, rider: { name: 'Mira Mended', note: '' } },
      { version: 1, rider: { name: 'Mira Mended', note: '' } },
    ])
  })
})

it('characters that cannot be stored are taken out before a field hears of them, the caret where it was', () => {
  const stop = cleanInput()
  document.body.innerHTML = '<textarea></textarea>'
  const field = document.querySelector('textarea')!
  const heard: string[] = []
  field.addEventListener('input', () => heard.push(field.value))
  field.value = 'numb\0 after\n40 min\u0007'
  field.setSelectionRange(5, 5)
  field.dispatchEvent(new Event('input', { bubbles: true }))
  expect(heard).toEqual(['numb after\n40 min'])
  expect(field.selectionStart).toBe(4)
  stop()
})
