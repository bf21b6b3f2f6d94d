/** @jest-environment jsdom */
import fc from 'fast-check'
import { boltPatterns, startingPedals } from '@level-stance/core/stations/feet/pedal/kinds'
import { heldInSlot, heldTurn, turnOfHeel } from '@level-stance/core/stations/feet/boardFoot'
import { emptyTexts, readTexts, textsOf } from '../src/catalogue/specForm.ts'
import { pedalForm } from '../src/catalogue/partForms.ts'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { usualStock } from '@level-stance/core/stations/feet/stance/search'
import { useMoulding } from '../src/data/moulding.ts'
import { readSizes, usePartsAtHand } from '../src/data/partsAtHand.ts'
import { usePedals } from '../src/data/catalogue.ts'
import type { StoredPart } from '@level-stance/core/contract/contract'
import type { PedalSpec } from '@level-stance/core/stations/feet/pedal/kinds'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('handles of a foot', () => {
  it('hold a dragged turn in what the sole allows, to half a degree', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.integer({ min: -20, max: 0 }),
        fc.integer({ min: 0, max: 30 }),
        (turn, low, high) => {
          const held = heldTurn(turn, { low, high })
          expect(held).toBeGreaterThanOrEqual(low)
          expect(held).toBeLessThanOrEqual(high)
          if (turn > low && turn < high) expect(Math.abs(held - turn)).toBeLessThanOrEqual(0.25 + 1e-9)
        },
      ),
    )
  })

  it('hold a dragged cleat in its slot', () => {
    fc.assert(
      fc.property(fc.double({ min: -200, max: 200, noNaN: true }), (setback) => {
        const held = heldInSlot(setback, { foremost: 2.3, rearmost: 18.9 })
        expect(held).toBeGreaterThanOrEqual(2.3)
        expect(held).toBeLessThanOrEqual(18.9)
      }),
    )
  })

  it('turn the toes out when the heel goes toward the bike, on both sides', () => {
    // Right foot: the bike lies to the left, so a heel at minus x is toes out; the left foot mirrors it.
    expect(turnOfHeel(-10, 100, 1)).toBeCloseTo((Math.atan2(10, 100) * 180) / Math.PI, 9)
    expect(turnOfHeel(10, 100, -1)).toBeCloseTo((Math.atan2(10, 100) * 180) / Math.PI, 9)
    expect(turnOfHeel(0, 100, 1)).toBeCloseTo(0, 9)
  })
})

describe('the catalogue’s form', () => {
  it('gives back every starting kind unchanged', () => {
    for (const spec of startingPedals) expect(readTexts(pedalForm, textsOf(pedalForm, spec))).toEqual({ spec })
  })

  it('has a field for every figure, and the choices the core knows', () => {
    const spec = startingPedals[0]!
    expect(pedalForm.fields.map((field) => field.key).sort()).toEqual(Object.keys(spec).sort())
    expect(pedalForm.fields.find((field) => field.key === 'bolts')?.options?.map(({ key }) => key)).toEqual(boltPatterns)
  })

  it('names what is wrong, field by field, and takes commas and lists as they are typed', () => {
    const spec = startingPedals[0]!
    const form = { ...textsOf(pedalForm, spec), patch: 'much', floats: '0, 2,5; 6', rockWorn: '1,5', massLimit: '' }
    expect(readTexts(pedalForm, form)).toEqual({ problems: { patch: 'Patch must be a number from 200 to 30000 mm².' } })
    expect(readTexts(pedalForm, { ...form, patch: '2400' })).toMatchObject({
      spec: { floats: [0, 2.5, 6], rockWorn: 1.5, massLimit: null },
    })
    const nothing = readTexts(pedalForm, emptyTexts(pedalForm))
    expect('problems' in nothing && Object.keys(nothing.problems)).toEqual(
      expect.arrayContaining(['name', 'kind', 'patch', 'floats', 'axles', 'bolts']),
    )
  })
})

describe('parts at hand', () => {
  it('are the usual ones at first, and kept in this browser', async () => {
    const parts = usePartsAtHand()
    expect(parts.stock).toEqual(usualStock)
    parts.set('washers', [0, 2])
    await nextTick()
    setActivePinia(createPinia())
    expect(usePartsAtHand().stock).toEqual({ ...usualStock, washers: [0, 2] })
  })

  it('fall back to the usual where the storage holds something else', () => {
    for (const text of ['nonsense', '{"washers":["a"],"axles":[900]}', '{"washers":[1,2,3,4,5,6,7,8,1,2,3]}', '[]', '4']) {
      localStorage.setItem('level-stance.parts', text)
      setActivePinia(createPinia())
      expect(usePartsAtHand().stock).toEqual(usualStock)
    }
  })

  it('reads sizes with spaces, commas and semicolons between, in order and each once', () => {
    expect(readSizes('washers', '1.5 0, 1; 1')).toEqual({ list: [0, 1, 1.5] })
    expect(readSizes('washers', '1,5 0')).toEqual({ list: [0, 1.5] })
    expect(readSizes('treads', '')).toEqual({ list: [] })
  })

  it.each([
    ['washers', '99', /Washers: numbers from 0 to 8 mm/],
    ['axles', 'long', /Axles: numbers from 35 to 130 mm/],
    ['adapters', '-5', /Adapters: numbers from 0 to 60 mm/],
    ['treads', Array.from({ length: 11 }, (_, i) => 140 + i).join(' '), /at most 10 sizes/],
  ] as const)('%s “%s” is told back', (key, text, words) => {
    expect(readSizes(key, text)).toEqual({ problem: expect.stringMatching(words) as string })
  })
})

describe('the catalogue', () => {
  const spec = startingPedals[0]!
  const row = (over: Partial<StoredPart<PedalSpec>> = {}): StoredPart<PedalSpec> => ({
    entry: { id: 'a', spec, removed: false },
    version: 1,
    ...over,
  })
  const answer = (status: number, body: unknown) =>
    Object.assign(globalThis, { fetch: () => Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) }) })

  it('is read once, kept in order, and says when it cannot be read', async () => {
    const pedals = usePedals()
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('no network')) })
    await pedals.load()
    expect(pedals.problem).toMatch(/cannot be reached/)
    answer(200, { entries: [row()] })
    await pedals.load()
    expect(pedals.problem).toBeNull()
    answer(200, row({ entry: { id: 'b', spec: { ...spec, name: 'A plate' }, removed: false } }))
    expect(await pedals.save('b', 0, spec)).toEqual({ ok: true })
    expect(pedals.entries.map(({ entry }) => entry.id)).toEqual(['b', 'a'])
    answer(200, row())
    await pedals.save('a', 1, spec, true)
    expect(pedals.entries.map(({ entry }) => entry.id)).toEqual(['b'])
  })

  it('shows what another has written meanwhile, and leaves everything alone when the server is away', async () => {
    const pedals = usePedals()
    answer(200, { entries: [row()] })
    await pedals.load()
    const theirs = row({ version: 2, entry: { id: 'a', spec: { ...spec, mud: 5 }, removed: false } })
    answer(409, { code: 'stale', message: 'Changed elsewhere.', fields: [], current: theirs })
    expect(await pedals.save('a', 1, { ...spec, mud: 1 })).toMatchObject({ ok: false, message: 'Changed elsewhere.', theirs })
    expect(pedals.entries[0]).toEqual(theirs)
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('no network')) })
    expect(await pedals.save('a', 2, spec)).toMatchObject({ ok: false, theirs: null })
    expect(pedals.entries[0]).toEqual(theirs)
  })
})

describe('the moulding clock', () => {
  beforeEach(() => jest.useFakeTimers({ now: 1_000_000 }))
  afterEach(() => jest.useRealTimers())

  it('counts down, goes on in a new window, and is over when its time is', async () => {
    const moulding = useMoulding()
    moulding.start('bake', 'v', 'Ada')
    await nextTick()
    expect(moulding.clock?.shown).toBe('20:00')
    jest.advanceTimersByTime(90_000)
    expect(moulding.clock?.shown).toBe('18:30')
    await nextTick()
    setActivePinia(createPinia())
    jest.setSystemTime(1_000_000 + 21 * 60_000)
    const again = useMoulding()
    jest.advanceTimersByTime(300)
    expect(again.over).toBe(true)
    expect(again.clock?.shown).toMatch(/^\+1:0/)
    again.stop()
    expect(again.running).toBeNull()
    expect(again.done).toEqual(['bake'])
    again.start('sit', 'v', 'Ada')
    again.stop()
    expect(again.done).toEqual(['bake'])
    again.setDone('bake', false)
    expect(again.done).toEqual([])
  })

  it('takes nothing for a clock that is none', () => {
    for (const text of ['{"step":"bake"}', 'x', '{"step":4,"startedAt":"now"}', 'null']) {
      localStorage.setItem('level-stance.moulding', text)
      setActivePinia(createPinia())
      expect(useMoulding().running).toBeNull()
    }
  })
})
