/** @jest-environment jsdom */
import { contract } from '@level-stance/core/contract/contract'
import { createPinia, setActivePinia } from 'pinia'
import { computed, nextTick, ref } from 'vue'
import { ApiError, UnreachableServer, ask } from '../src/data/client.ts'
import { stable } from '../src/kit/stable.ts'
import { useDrafts } from '../src/data/drafts.ts'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('typed words that are not values', () => {
  it('outlive the store, each in its place, until they are cleared', async () => {
    const drafts = useDrafts()
    drafts.set('v/crank:both', 'long')
    drafts.set('v/stature:both', '69')
    await nextTick()
    setActivePinia(createPinia())
    const again = useDrafts()
    expect(again.get('v/crank:both')).toBe('long')
    expect(again.any('v/')).toBe(true)
    again.clear('v/crank:both')
    expect(again.get('v/crank:both')).toBeNull()
    expect(again.get('v/stature:both')).toBe('69')
    expect(again.any('w/')).toBe(false)
  })
})

describe('a stable value', () => {
  it('stays the same object while nothing in it changes, so that what depends on it rests', () => {
    const source = ref({ a: 1, noise: 0 })
    const part = stable(() => ({ a: source.value.a, list: [source.value.a] }))
    let runs = 0
    const dependent = computed(() => {
      runs += 1
      return part.value.a
    })
    const first = part.value
    expect(dependent.value).toBe(1)
    source.value = { a: 1, noise: 5 }
    expect(part.value).toBe(first)
    expect(dependent.value).toBe(1)
    expect(runs).toBe(1)
    source.value = { a: 2, noise: 5 }
    expect(dependent.value).toBe(2)
    expect(part.value).not.toBe(first)
  })
})

describe('talking to the server', () => {
  const row = contract.readLearned
  const answers = (answer: () => Promise<unknown>) => Object.assign(globalThis, { fetch: answer })

  it('gives the answer', async () => {
    answers(() => Promise.resolve({ ok: true, json: () => Promise.resolve({ a: 1 }) }))
    await expect(ask(row, {})).resolves.toEqual({ a: 1 })
  })

  it('turns an error of the server into its words', async () => {
    answers(() =>
      Promise.resolve({
        ok: false,
        status: 409,
        json: () => Promise.resolve({ code: 'stale', message: 'Changed.', fields: [], current: 5 }),
      }),
    )
    await expect(ask(row, {})).rejects.toMatchObject({ status: 409, message: 'Changed.', body: { code: 'stale', current: 5 } })
  })

  it('has words of its own for an answer that is none', async () => {
    answers(() => Promise.resolve({ ok: false, status: 502, json: () => Promise.reject(new SyntaxError('<html>')) }))
    await expect(ask(row, {})).rejects.toBeInstanceOf(ApiError)
    await expect(ask(row, {})).rejects.toThrow('The server answered with an error (502).')
  })

  it('says when there is no answer at all', async () => {
    answers(() => Promise.reject(new TypeError('refused')))
    await expect(ask(row, {})).rejects.toBeInstanceOf(UnreachableServer)
  })
})
