import fc from 'fast-check'
import { definitionOf } from '../measure/readingDefinitions.ts'
import { MAX_WEIGHT } from '../quantity/ranking.ts'
import { criteria } from './pedalCriteria.ts'
import type { PedalRider } from './pedalCriteria.ts'
import { pedalSpecSchema, startingPedals } from './pedalKinds.ts'
import type { PedalSpec } from './pedalKinds.ts'
import { exclusions, rankPedals } from './pedalRanking.ts'
import { pedalSwitch } from './pedalSwitch.ts'

const rider = (over: Partial<PedalRider> = {}): PedalRider => ({
  mass: 72, soleStiffness: 3, forefoot: false, knee: false, entry: false, loose: false, bowLegged: false, use: 'road', widen: 0,
  swing: null, bolts: 'three bolts', kindNow: 1, axleNow: 53, hours: 2, ...over,
}) // prettier-ignore
const catalogue = startingPedals.map(({ seed, ...spec }) => ({ id: String(seed), spec }))
const kind = (n: number): PedalSpec => catalogue[n - 1]!.spec
const winner = (over: Partial<PedalRider>, own = {}) => rankPedals(catalogue, rider(over), own).ranked[0]?.spec.kind

describe('pedal kinds (common practice of the trade)', () => {
  it('start with the seven kinds the reading knows, each whole', () => {
    expect(startingPedals.map(({ kind: n }) => n)).toEqual(definitionOf('pedalKind').options?.map((_, i) => i + 1))
    for (const { seed: _seed, ...spec } of startingPedals) expect(pedalSpecSchema.parse(spec)).toEqual(spec)
  })

  it('carry what the trade says of float, rock and room: 0 / ~2.5 / ~6°, 0 / ~4.5 / ~9°, ~5–10°, window to ~15°, ~4–6°, about 3° of rock even new', () => {
    expect(kind(1).floats).toEqual([0, 2.5, 6])
    expect(kind(2).floats).toEqual([0, 4.5, 9])
    expect(kind(3).floats).toEqual([5, 10])
    expect(Math.max(...kind(4).floats)).toBe(15)
    expect(kind(5).floats).toEqual([4, 6])
    expect(kind(5).rockNew).toBe(3)
    expect(kind(3).lateral).toBe(0)
    expect(kind(1).walking).toBeLessThan(kind(5).walking)
  })

  it('refuse what cannot be, naming the field and its range', () => {
    const bad = (over: object) => pedalSpecSchema.safeParse({ ...kind(1), ...over }).error?.issues[0]?.message
    expect(bad({ name: ' ' })).toBe('Name must have 1 to 80 characters.')
    expect(bad({ patch: 5 })).toBe('Patch must be a number from 200 to 30000 mm².')
    expect(bad({ floats: [] })).toBe('Float needs at least one value.')
    expect(bad({ floats: [31] })).toMatch(/Float must be a number from 0 to 30/)
    expect(bad({ mud: 2.5 })).toBe('Mud must be a whole mark from 1 (poor) to 5 (good).')
    expect(bad({ kind: 9 })).toMatch(/Kind must be a number from 1 to 7/)
    expect(bad({ made: 'up' })).toBeDefined()
  })
})

describe('ranking', () => {
  it('gives each rider of the trade’s table its kind', () => {
    // "Most stable and durable; first choice for heavy, powerful, bow-legged."
    expect(winner({ mass: 96, bowLegged: true })).toBe(1)
    // "Walkable, mud-proof, long-lived"; a shoe leaning on a cage is steadier.
    expect([5, 6]).toContain(winner({ use: 'mountain', bolts: 'two bolts', kindNow: 5 }))
    // A courier who stops every few minutes walks and steps in all day.
    expect([5, 6, 7]).toContain(winner({ use: 'town' }))
  })

  it('leaves out a glide entry where the stance must widen, a small patch under a hot foot on a soft sole, a weak spring under a heavy rider', () => {
    expect(exclusions(kind(3), rider({ widen: 6 }))[0]).toMatch(/6 mm wider a side; it has 0 mm/)
    expect(exclusions(kind(1), rider({ widen: 6 }))).toEqual([])
    expect(exclusions(kind(5), rider({ forefoot: true, soleStiffness: 1 }))[0]).toMatch(/small patch on a soft sole/)
    expect(exclusions(kind(5), rider({ forefoot: true, soleStiffness: 3 }))).toEqual([])
    expect(exclusions(kind(2), rider({ mass: 95 }))[0]).toMatch(/limit is 90 kg/)
    expect(exclusions(kind(7), rider())[0]).toMatch(/Nothing holds the foot/)
    expect(exclusions(kind(7), rider({ use: 'mountain' }))).toEqual([])
    expect(exclusions(kind(7), rider({ entry: true }))).toEqual([])
    expect(exclusions(kind(1), rider({ swing: 5 }))[0]).toMatch(/needs 9° of float with room; its widest is 6°/)
  })

  it('puts what is out at the end, whatever it scores', () => {
    const { ranked } = rankPedals(catalogue, rider({ widen: 6, use: 'town', mass: 95 }))
    const places = ranked.map((row) => row.excluded.length > 0)
    expect(places).toEqual([...places].sort((a, b) => Number(a) - Number(b)))
    expect(places).toContain(true)
  })

  it('is the weighted mean, by plain arithmetic', () => {
    const { ranked, weights } = rankPedals(catalogue, rider({ knee: true, swing: 2 }))
    for (const row of ranked) {
      let sum = 0
      let whole = 0
      for (const criterion of criteria) {
        const weight = weights.find((w) => w.key === criterion.key)!.weight
        sum += weight * criterion.score(row.spec, rider({ knee: true, swing: 2 }))
        whole += weight
      }
      expect(row.total).toBeCloseTo((100 * sum) / whole, 9)
    }
  })

  /** As the sliders set them. */
  const weight = fc.integer({ min: 0, max: 2 * MAX_WEIGHT }).map((half) => half / 2)
  const someWeights = fc.dictionary(fc.constantFrom(...criteria.map((c) => c.key)), weight)

  it('turns exactly where it says the second would win', () => {
    fc.assert(
      fc.property(someWeights, (own) => {
        const { ranked, turning } = rankPedals(catalogue, rider(), own)
        const [first, second] = ranked
        for (const { key, from, to } of turning.slice(0, 4)) {
          const beyond = to + Math.sign(to - from) * 1e-6
          const total = (id: string) => rankPedals(catalogue, rider(), { ...Object.fromEntries(criteria.map((c, i) => [c.key, rankPedals(catalogue, rider(), own).weights[i]!.weight])), [key]: Math.max(0, Math.min(MAX_WEIGHT, beyond)) }).ranked.find((r) => r.id === id)!.total // prettier-ignore
          expect(total(second!.id)).toBeGreaterThanOrEqual(total(first!.id) - 1e-6)
        }
      }),
      { numRuns: 30 },
    )
  })

  it('never leaves a score or a part outside its range', () => {
    fc.assert(
      fc.property(
        someWeights,
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 30, max: 200, noNaN: true }),
        (own, widen, mass) => {
          for (const row of rankPedals(catalogue, rider({ widen, mass }), own).ranked) {
            expect(row.total).toBeGreaterThanOrEqual(0)
            expect(row.total).toBeLessThanOrEqual(100 + 1e-9)
            for (const part of row.parts) expect(part.score >= 0 && part.score <= 1).toBe(true)
          }
        },
      ),
    )
  })

  it('follows the fitter’s own weights and says whose they are', () => {
    const before = rankPedals(catalogue, rider({ use: 'town' }))
    const after = rankPedals(catalogue, rider({ use: 'town' }), { walking: 0, entry: 0, mud: 0, stability: 5, patch: 5 })
    expect(after.ranked[0]?.spec.kind).not.toBe(before.ranked[0]?.spec.kind)
    expect(after.weights.find((w) => w.key === 'walking')).toMatchObject({ weight: 0, own: true, because: 'set by you' })
  })

  it('shows both schools: the walkable recessed one and the stable plate', () => {
    const { schools } = rankPedals(catalogue, rider())
    const best = Object.fromEntries(schools.map((s) => [s.key, catalogue.find((e) => e.id === s.best?.id)?.spec.bolts]))
    expect(best['stable']).toBe('three bolts')
    expect(best['walkable']).not.toBe('three bolts')
  })

  it('stands with nothing to rank, one to rank, and no weight at all', () => {
    expect(rankPedals([], rider())).toMatchObject({ ranked: [], turning: [] })
    expect(rankPedals(catalogue.slice(0, 1), rider()).turning).toEqual([])
    const none = Object.fromEntries(criteria.map((c) => [c.key, 0]))
    for (const row of rankPedals(catalogue, rider(), none).ranked) expect(row.total).toBe(0)
  })
})

describe('what a switch disturbs', () => {
  it('stack to the saddle, axle to the stance, another bolt pattern to the shoes', () => {
    const change = pedalSwitch(kind(5), rider({ kindNow: 1 }), { stack: 17, axle: 55, recess: null })
    expect(change).toMatchObject({ kind: { from: 1, to: 5 }, stack: -3 })
    expect(change.disturbs.join(' ')).toMatch(/3 mm thinner: saddle down.*Stance 4 mm (wider|narrower).*shoes for two bolts/)
  })

  it('takes the narrowest float that holds the swing with room, else the widest', () => {
    expect(pedalSwitch(kind(4), rider({ swing: 3 }), { stack: null, axle: null, recess: null }).float).toBe(10)
    expect(pedalSwitch(kind(1), rider({ swing: 20 }), { stack: null, axle: null, recess: null }).float).toBe(6)
  })

  it('disturbs nothing when it is the same pedal', () => {
    expect(pedalSwitch(kind(1), rider(), { stack: 17, axle: 53, recess: null })).toMatchObject({
      kind: null,
      stack: 0,
      axle: 0,
      disturbs: [],
    })
  })
})
