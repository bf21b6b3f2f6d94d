import { said } from '../../../testing.ts'
import fc from 'fast-check'
import { halfStance } from '../../../bike/frame.ts'
import { bySide } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import {
  OVER_FOOT,
  USUAL_AXLE,
  chosenTarget,
  halves,
  stanceTargets,
  treadEfficiency,
  treadWords,
  turnsOfRide,
  usualTread,
} from './targets.ts'
import type { StanceInput, StanceParts } from './targets.ts'
import {
  LEAST_THREAD,
  PEDAL_PITCH,
  STANCE_MET,
  USUAL_THREAD,
  stanceMeans,
  missWords,
  stanceOptions,
  threadFinding,
  usualStock,
} from './search.ts'
import type { StanceSearchInput } from './search.ts'

const parts = (over: Partial<StanceParts> = {}): StanceParts => ({ tread: 146, axle: 53, washer: 0, adapter: 0, cleatInboard: 0, ...over })
const both = <T>(value: T): Sided<T> => ({ left: value, right: value })
const room = both({ low: -2, high: 2 })
const search = (over: Partial<StanceSearchInput> = {}): StanceSearchInput => ({
  now: both(parts()),
  target: both(126),
  cleatRoom: room,
  thread: both(null),
  stock: usualStock,
  ...over,
})

describe('stance (common practice; worked example of the trade)', () => {
  it('half tread 73 + axle 53 + washer 1 + cleat inboard 2 = 129, both alike 258', () => {
    const h = halves(both(parts({ washer: 1, cleatInboard: 2 })))
    expect(h.left + h.right).toBe(258)
  })

  it('two hours at 90 rpm are 10,800 turns', () => {
    expect(turnsOfRide(2, 90)).toBe(10_800)
    expect(turnsOfRide(0, 90)).toBe(0)
  })

  it('gives the published efficiencies at the treads that were tried, and nothing outside (Disley & Li 2014, values from memory)', () => {
    expect(treadEfficiency(90)).toBe(19.38)
    expect(treadEfficiency(120)).toBe(19.38)
    expect(treadEfficiency(150)).toBe(19.09)
    expect(treadEfficiency(180)).toBe(19.05)
    expect(treadEfficiency(89)).toBeNull()
    expect(treadEfficiency(181)).toBeNull()
    expect(said(treadWords(146))).toMatch(/Trained riders, seated/)
    expect(said(treadWords(220))).toMatch(/lies outside/)
  })

  const ask = (over: Partial<StanceInput> = {}): StanceInput => ({
    now: both(parts()),
    kneeOutside: both(null),
    otherStance: null,
    otherBikes: [],
    use: 'road',
    stature: 1750,
    hipBreadth: null,
    mass: null,
    bowLegged: false,
    ...over,
  })

  it('moves the foot out under a knee that lies outside it, each side by itself', () => {
    const target = chosenTarget(stanceTargets(ask({ kneeOutside: { left: 3, right: 14 } })), null)
    expect(target.key).toBe('knee-over-foot')
    expect(target.half?.right).toEqual({ target: 140, low: 140 - OVER_FOOT, high: 140 + OVER_FOOT })
    expect(target.half?.left.target).toBe(129)
  })

  it('falls back in order: other bike, build, usual; and keeps to the one chosen while it has what it needs', () => {
    const all = ask({ kneeOutside: both(2), otherBikes: [{ name: 'Road bike', left: 128, right: 127 }], bowLegged: true })
    expect(chosenTarget(stanceTargets(all), 'other-bike').half?.right.target).toBe(127)
    expect(chosenTarget(stanceTargets({ ...all, kneeOutside: both(null) }), null).key).toBe('other-bike')
    expect(chosenTarget(stanceTargets({ ...all, kneeOutside: both(null), otherBikes: [] }), null).key).toBe('build')
    expect(chosenTarget(stanceTargets(ask()), 'knee-over-foot').key).toBe('use')
    expect(chosenTarget(stanceTargets(ask({ otherStance: 256 })), null).half?.left.target).toBe(128)
  })

  it('takes usual treads from the trade: road 145 to 150, mountain about 170, fat tyres 200 and more', () => {
    expect(usualTread.road).toEqual({ low: 145, high: 150 })
    expect((usualTread.mountain.low + usualTread.mountain.high) / 2).toBe(170)
    expect(usualTread.fat.low).toBeGreaterThanOrEqual(200)
    const usual = stanceTargets(ask()).at(-1)
    expect(usual?.half?.left).toEqual({ target: 147.5 / 2 + USUAL_AXLE, low: 72.5 + USUAL_AXLE, high: 75 + USUAL_AXLE })
  })
})

describe('the thread that stays in the crank', () => {
  it('has the pitch of 20 turns an inch, and eight turns are left', () => {
    expect(PEDAL_PITCH).toBeCloseTo(1.27, 9)
    expect(LEAST_THREAD).toBeCloseTo(10.16, 9)
  })

  it('is too little already: that comes before any way to a stance', () => {
    expect(threadFinding('left', parts({ washer: 3 }), 12.5)).toMatchObject({
      weight: 'first',
      headline: 'Left pedal has too little thread in the crank.',
    })
    expect(threadFinding('left', parts({ washer: 2 }), 12.5)).toBeNull()
    expect(threadFinding('left', parts({ washer: 3 }), null)).toBeNull()
  })

  it('is never less than asked for after a change', () => {
    fc.assert(
      fc.property(
        fc.record({ left: fc.integer({ min: 110, max: 150 }), right: fc.integer({ min: 110, max: 150 }) }),
        fc.record({ left: fc.integer({ min: 6, max: 20 }), right: fc.integer({ min: 6, max: 20 }) }),
        (target, thread) => {
          for (const option of stanceOptions(search({ target, thread, stock: { ...usualStock, washers: [0, 1, 1.5, 3, 5] } }), 50))
            for (const move of option.moves)
              if ((move.mean === 'washer' || move.mean === 'adapter') && move.side !== 'both')
                expect(option.threadLeft[move.side]).toBeGreaterThanOrEqual(LEAST_THREAD - 1e-9)
        },
      ),
      { numRuns: 60 },
    )
  })
})

/** Every combination there is, by plain loops; the cheapest cost that brings both feet to their targets, or null. */
function cheapest(input: StanceSearchInput): number | null {
  const { now, target, cleatRoom, thread, stock } = input
  const has = (list: readonly number[], own: number) => (list.includes(own) ? list : [...list, own])
  let best: number | null = null
  for (const tread of has(stock.treads, now.left.tread))
    for (const axle of ['own', ...stock.axles] as const) {
      let cost = tread === now.left.tread ? 0 : stanceMeans.crank.cost
      const changes = axle !== 'own' && !(axle === now.left.axle && axle === now.right.axle)
      if (changes) cost += stanceMeans.axle.cost
      let reachable = true
      for (const side of ['left', 'right'] as const) {
        let cheapestSide: number | null = null
        for (const washer of has(stock.washers, now[side].washer))
          for (const adapter of has(stock.adapters, now[side].adapter))
            for (let shift = -20; shift <= 20; shift += 0.5) {
              const kept = washer === now[side].washer && adapter === now[side].adapter
              if (!kept && ((thread[side] ?? USUAL_THREAD) - washer < LEAST_THREAD || (adapter > 0 && washer > 0))) continue
              if (shift !== 0 && (shift < cleatRoom[side].low || shift > cleatRoom[side].high)) continue
              const half = halfStance({
                tread,
                axle: axle === 'own' ? now[side].axle : axle,
                washer,
                adapter,
                cleatInboard: now[side].cleatInboard + shift,
              })
              if (Math.abs(target[side] - half) > STANCE_MET + 1e-9) continue
              const price =
                (shift === 0 ? 0 : stanceMeans.cleat.cost) +
                (washer === now[side].washer ? 0 : stanceMeans.washer.cost) +
                (adapter === now[side].adapter ? 0 : stanceMeans.adapter.cost)
              if (cheapestSide === null || price < cheapestSide) cheapestSide = price
            }
        if (cheapestSide === null) reachable = false
        else cost += cheapestSide
      }
      if (reachable && (best === null || cost < best)) best = cost
    }
  return best
}

describe('ways to a stance', () => {
  it('leaves alone what already stands', () => {
    expect(stanceOptions(search())[0]).toMatchObject({ moves: [], cost: 0, reaches: true, words: 'Leave it as it is' })
  })

  it('takes the cleat first, then the washer, then the axle, in the order of the trade', () => {
    const first = (by: number) => stanceOptions(search({ target: both(126 + by) }))[0]
    expect(new Set(first(2)?.moves.map((m) => m.mean))).toEqual(new Set(['cleat']))
    expect(new Set(first(3.5)?.moves.map((m) => m.mean))).toEqual(new Set(['cleat', 'washer']))
    expect(first(6)?.moves.some((m) => m.mean === 'axle')).toBe(true)
    expect(stanceOptions(search({ target: { left: 126, right: 128 } }))[0]?.moves).toEqual([
      { mean: 'cleat', side: 'right', from: 0, to: 2 },
    ])
  })

  it('agrees with plain loops over every combination on what the cheapest way costs', () => {
    const half = fc.integer({ min: -14, max: 44 }).map((by) => 126 + by / 2)
    const own = fc.record({ washer: fc.constantFrom(0, 1), cleatInboard: fc.constantFrom(-1, 0, 1.5), axle: fc.constantFrom(53, 57) })
    fc.assert(
      fc.property(half, half, own, own, fc.constantFrom(null, 10.5, 15), (left, right, l, r, thread) => {
        const input = search({
          now: { left: parts(l), right: parts(r) },
          target: { left, right },
          thread: both(thread),
          cleatRoom: {
            left: { low: -2 - l.cleatInboard, high: 2 - l.cleatInboard },
            right: { low: -2 - r.cleatInboard, high: 2 - r.cleatInboard },
          },
          stock: { washers: [0, 1, 1.5], axles: [50, 53, 57], adapters: [0, 20], treads: [150] },
        })
        const wanted = cheapest(input)
        const [first] = stanceOptions(input)
        if (wanted === null) expect(first?.reaches).toBe(false)
        else expect(first).toMatchObject({ reaches: true, cost: wanted })
      }),
      { numRuns: 80 },
    )
  })

  it('gives parts that add up to what it says is left, inside the slot', () => {
    fc.assert(
      fc.property(fc.integer({ min: 90, max: 190 }), fc.integer({ min: 90, max: 190 }), (left, right) => {
        const input = search({ target: { left, right } })
        for (const option of stanceOptions(input, 30)) {
          const h = bySide((side) => halfStance(option.parts[side]))
          expect(h.left + option.left.left).toBeCloseTo(left, 9)
          expect(h.right + option.left.right).toBeCloseTo(right, 9)
          expect(option.parts.left.tread).toBe(option.parts.right.tread)
          for (const side of ['left', 'right'] as const) expect(Math.abs(option.parts[side].cleatInboard)).toBeLessThanOrEqual(2)
        }
      }),
    )
  })

  it('says what is left where nothing reaches, nearest first', () => {
    const options = stanceOptions(search({ target: both(200) }))
    expect(options[0]?.reaches).toBe(false)
    const misses = options.map((o) => Math.max(o.miss.left, o.miss.right))
    expect([...misses].sort((a, b) => a - b)).toEqual(misses)
  })

  it('is content inside the band that counts as met, and moves no more than that asks for', () => {
    const band = both({ low: 125, high: 135 })
    expect(stanceOptions(search({ target: both(130), band }))[0]?.moves).toEqual([])
    const [first] = stanceOptions(search({ target: both(130), band: both({ low: 127, high: 133 }) }))
    expect(new Set(first?.moves.map((m) => m.mean))).toEqual(new Set(['cleat']))
    expect(first).toMatchObject({ reaches: true, left: { left: 2, right: 2 }, miss: { left: 0, right: 0 } })
  })

  it('also shows a cheap first step that does not reach', () => {
    const options = stanceOptions(search({ target: both(131) }))
    expect(options.some((option) => !option.reaches)).toBe(true)
    expect(options.map((option) => option.reaches)).toEqual(
      [...options.map((option) => option.reaches)].sort((a, b) => Number(b) - Number(a)),
    )
  })

  it('names how each is undone', () => {
    const options = stanceOptions(search({ target: both(134) }), 20)
    expect(options.find((o) => o.moves.some((m) => m.mean === 'axle'))?.reversible).toMatch(/old pedals/)
  })
})

describe('a way that cannot reach', () => {
  // Wanted +15 each side with a 20 mm adapter in the drawer: 7 mm too far leads the knee the other way.
  const asked = both(15)
  const options = stanceOptions(
    search({
      target: both(141),
      band: both({ low: 136, high: 146 }),
      stock: { washers: [0, 1, 1.5], axles: [53, 57], adapters: [0, 20], treads: [] },
    }),
    12,
  )
  it('is rather short than past where the foot is wanted', () => {
    const first = options.find(({ reaches }) => !reaches)!
    expect(first.left.left).toBeGreaterThan(0)
    expect(said(missWords(first, asked))).toMatch(/^[\d.]+ mm short of the aim$/)
  })
  it('never takes a foot the wrong way: 14 mm inward on the right wants no longer axle, and a narrower crank is among the ways', () => {
    const target = { left: 126, right: 112 }
    const found = stanceOptions(
      search({
        target,
        band: { left: { low: 121, high: 131 }, right: { low: 107, high: 117 } },
        stock: { washers: [0, 1, 1.5], axles: [53, 57], adapters: [0, 20], treads: [130] },
      }),
      20,
    )
    expect(found.length).toBeGreaterThan(1)
    for (const { left } of found) expect(Math.abs(left.right)).toBeLessThanOrEqual(14)
    const withOwnCrank = found.filter(({ moves }) => moves.every(({ mean }) => mean !== 'crank'))
    expect(withOwnCrank.flatMap(({ moves }) => moves).filter(({ mean }) => mean === 'axle' || mean === 'adapter')).toEqual([])
    expect(found.some(({ moves }) => moves.some(({ mean, to }) => mean === 'crank' && to === 130))).toBe(true)
  })
  it('names no dearer way that comes no nearer: no crank for half a millimetre, no washer on a foot that stands well', () => {
    const found = stanceOptions(
      search({
        target: { left: 126, right: 112 },
        band: { left: { low: 121, high: 131 }, right: { low: 107, high: 117 } },
        stock: { washers: [0, 1, 1.5], axles: [53, 57], adapters: [0, 20], treads: [145, 150] },
      }),
      20,
    )
    expect(found.filter(({ reaches }) => !reaches).flatMap(({ moves }) => moves.map(({ mean }) => mean))).toEqual(['cleat'])
  })
  it('says which way it misses', () => {
    expect(said(missWords({ miss: both(2), left: both(-7) }, asked))).toBe('7 mm past the aim')
    expect(said(missWords({ miss: { left: 0, right: 3 }, left: { left: 1, right: 8 } }, asked))).toBe('8 mm short of the aim right')
    expect(said(missWords({ miss: { left: 2, right: 3 }, left: { left: -7, right: 8 } }, asked))).toBe(
      '7 mm past the aim left, 8 mm short of the aim right',
    )
  })
  it('never puts an adapter on one side where both ask for the same', () => {
    for (const by of [8, 12, 15, 20, 30]) {
      for (const { parts: found } of stanceOptions(search({ target: both(126 + by) }), 50))
        expect(found.left.adapter).toBe(found.right.adapter)
    }
    // One knee that asks for much more than the other still gets one.
    const uneven = stanceOptions(search({ target: { left: 126, right: 146 } }), 50)
    expect(uneven.some(({ parts: found }) => found.left.adapter !== found.right.adapter)).toBe(true)
  })
})
