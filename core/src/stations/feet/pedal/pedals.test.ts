import { said } from '../../../testing.ts'
import { plain } from '../../../kernel/message.ts'
import fc from 'fast-check'
import { MAX_WEIGHT } from '../../../kernel/ranking.ts'
import { criteria } from './criteria.ts'
import type { PedalRider } from './criteria.ts'
import { pedalSpecSchema, startingPedals } from './kinds.ts'
import type { PedalKind, PedalSpec } from './kinds.ts'
import { exclusions, rankPedals } from './ranking.ts'
import { pedalChoice, pedalDisturbs } from './switch.ts'

const rider = (over: Partial<PedalRider> = {}): PedalRider => ({
  mass: 72,
  soleStiffness: 'stiff',
  forefoot: false,
  knee: false,
  entry: false,
  loose: false,
  bowLegged: false,
  use: 'road',
  widen: 0,
  swing: null,
  bolts: 'three bolts',
  kindNow: 'plate-coil',
  axleNow: 53,
  hours: 2,
  ...over,
})
const catalogue = startingPedals.map((spec) => ({ id: spec.kind, spec }))
const kind = (key: PedalKind): PedalSpec => catalogue.find(({ id }) => id === key)!.spec
const winner = (over: Partial<PedalRider>, own = {}) => rankPedals(catalogue, rider(over), own).ranked[0]?.spec.kind

describe('pedal kinds (common practice of the trade)', () => {
  it('refuse what cannot be, naming the field and its range', () => {
    const bad = (over: object) => pedalSpecSchema.safeParse({ ...kind('plate-coil'), ...over }).error?.issues[0]?.message
    expect(bad({ name: ' ' })).toBe('Name must have 1 to 80 characters.')
    expect(bad({ patch: 5 })).toBe('Patch must be a number from 200 to 30000 mm².')
    expect(bad({ floats: [] })).toBe('Float needs at least one value.')
    expect(bad({ floats: [31] })).toMatch(/Float must be a number from 0 to 30/)
    expect(bad({ mud: 2.5 })).toBe('Mud must be a whole mark from 1 (poor) to 5 (good).')
    expect(bad({ kind: 9 })).toMatch(/Kind must be one of plate-coil, /)
    expect(bad({ made: 'up' })).toBeDefined()
  })
})

describe('ranking', () => {
  it('names a fact about the part and this rider where something speaks against it, never the criterion itself', () => {
    const labels = criteria.map(({ label }) => label.toLowerCase())
    for (const over of [{}, { use: 'town' }, { knee: true, swing: 9 }, { forefoot: true, soleStiffness: 'soft' }] as const)
      for (const { reason } of rankPedals(catalogue, rider(over), {}).ranked) {
        const against = plain(reason).split('Against: ')[1]?.replace(/\.$/, '')
        if (against !== undefined) expect([against.length > 0, labels.includes(against)]).toEqual([true, false])
      }
    // "Little float for a heel that swings 9°": the figure of both.
    const float = criteria.find(({ key }) => key === 'float')!
    expect(float.against(kind('plate-glide'), rider({ swing: 9 }))).toMatch(/^[\d.]+° of float for a heel that swings 9°$/)
  })

  it('gives each rider of the trade’s table its kind', () => {
    // "Most stable and durable; first choice for heavy, powerful, bow-legged."
    expect(winner({ mass: 96, bowLegged: true })).toBe('plate-coil')
    // "Walkable, mud-proof, long-lived"; a shoe leaning on a cage is steadier.
    expect(['recessed', 'recessed-platform']).toContain(winner({ use: 'mountain', bolts: 'two bolts', kindNow: 'recessed' }))
    // A courier who stops every few minutes walks and steps in all day.
    expect(['recessed', 'recessed-platform', 'flat-pins']).toContain(winner({ use: 'town' }))
  })

  it('puts what goes with the shoe, entered from both sides, before flats for a beginner on a road shoe; a leaf spring first for the light', () => {
    const order = rankPedals(catalogue, rider({ entry: true })).ranked.map(({ id }) => id)
    expect(order.indexOf('cleat-mechanism')).toBeLessThan(order.indexOf('flat-pins'))
    expect(order.indexOf('cleat-mechanism')).toBeLessThan(2)
    expect(winner({ mass: 52 })).toBe('plate-leaf')
    expect(winner({ mass: 72 })).toBe('plate-coil')
  })

  it('leaves out a glide entry where the stance must widen, a small patch under a hot foot on a soft sole, a weak spring under a heavy rider', () => {
    expect(said(exclusions(kind('plate-glide'), rider({ widen: 6 }))[0])).toMatch(/6 mm wider a side; it has 0 mm/)
    expect(exclusions(kind('plate-coil'), rider({ widen: 6 }))).toEqual([])
    expect(exclusions(kind('recessed'), rider({ forefoot: true, soleStiffness: 'soft' }))[0]).toMatch(/small patch on a soft sole/)
    expect(exclusions(kind('recessed'), rider({ forefoot: true, soleStiffness: 'stiff' }))).toEqual([])
    // A limit of mass is a model's own, from its maker's sheet; a kind has none.
    expect(startingPedals.map(({ massLimit }) => massLimit).filter((limit) => limit !== null)).toEqual([])
    expect(exclusions({ ...kind('plate-leaf'), massLimit: 90 }, rider({ mass: 95 }))[0]).toMatch(/limit is 90 kg/)
    expect(exclusions(kind('flat-pins'), rider())[0]).toMatch(/Nothing holds the foot/)
    expect(exclusions(kind('flat-pins'), rider({ use: 'mountain' }))).toEqual([])
    expect(exclusions(kind('flat-pins'), rider({ entry: true }))).toEqual([])
    // Short of room either side is a mark against it; past the float's own width the foot is let go.
    expect(exclusions(kind('plate-coil'), rider({ swing: 5 }))).toEqual([])
    expect(said(exclusions(kind('plate-coil'), rider({ swing: 7 }))[0])).toMatch(
      /swings 7°, and needs 11° with room; its widest float is 6°/,
    )
  })

  it('excludes no pedal for its float where no pedal there is holds the swing, and puts the widest float before the narrow ones', () => {
    const wide = catalogue.map(({ spec }) => Math.max(...spec.floats)).reduce((a, b) => Math.max(a, b)) + 1
    for (const row of rankPedals(catalogue, rider({ swing: wide })).ranked) expect(said(row.excluded).join(' ')).not.toMatch(/float/)
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
          const total = (id: string) =>
            rankPedals(catalogue, rider(), {
              ...Object.fromEntries(criteria.map((c, i) => [c.key, rankPedals(catalogue, rider(), own).weights[i]!.weight])),
              [key]: Math.max(0, Math.min(MAX_WEIGHT, beyond)),
            }).ranked.find((r) => r.id === id)!.total
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
    const disturbs = pedalDisturbs(kind('recessed'), rider({ kindNow: 'plate-coil' }), { stack: 17, axle: 55, recess: null })
    expect(said(disturbs).join(' ')).toMatch(/3 mm thinner: saddle down.*Stance 4 mm (wider|narrower).*shoes for two bolts/)
  })

  it('takes the narrowest float that holds the swing with room, else the widest', () => {
    expect(pedalChoice(kind('cleat-mechanism'), { swing: 3 }, { axle: null }).float).toBe(10)
    expect(pedalChoice(kind('plate-coil'), { swing: 20 }, { axle: null }).float).toBe(6)
  })

  it('disturbs nothing when it is the same pedal', () => {
    expect(pedalDisturbs(kind('plate-coil'), rider(), { stack: 17, axle: 53, recess: null })).toEqual([])
  })
})
