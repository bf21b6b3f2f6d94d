import { said } from '../../../testing.ts'
import fc from 'fast-check'
import { halfWidth, outline, shapeFrom } from '../../../bike/saddleShape.ts'
import type { SaddleRider } from './criteria.ts'
import { saddleSpecSchema, saddleShapeOf, startingSaddles } from './kinds.ts'
import type { SaddleSpec } from './kinds.ts'
import { rankSaddles, saddleExclusions, saddleDisturbs } from './ranking.ts'
import { allowanceFor, widthRange } from './width.ts'
import { byMark, marksByName, spareAdvice } from '../../../record/triedSaddles.ts'

const spacing = { value: 112, plusMinus: 3 }
const at = (torso: number, plusMinus = 0, usual = true) => ({ hands: 'hoods', usual, torso, plusMinus })

describe('saddle width', () => {
  it('adds the trade’s allowance by posture (common practice)', () => {
    // Torso above 60° +30; 45–60° +25; 30–45° +20; below 30° +10.
    expect([70, 60.1, 60, 52, 45, 44, 30, 29, 5].map((torso) => allowanceFor(torso).allowance)).toEqual([
      30, 30, 25, 25, 25, 20, 20, 10, 10,
    ])
    expect(widthRange(spacing, [at(52)], 'upright')).toMatchObject({ middle: 137, low: 132, high: 142 })
  })
  it('the school says which posture decides', () => {
    const postures = [at(48), at(62, 0, false), at(28, 0, false)]
    const middle = (school: 'upright' | 'usual' | 'lowest') => widthRange(spacing, postures, school)!.middle
    expect([middle('upright'), middle('usual'), middle('lowest')]).toEqual([142, 137, 122])
    expect(widthRange(spacing, [], 'upright')).toBeNull()
  })
  it('a torso whose ± reaches over an edge widens the range and says so', () => {
    const range = widthRange(spacing, [at(46, 3)], 'upright')!
    expect(range.decides.doubt?.key).toBe('leaning')
    expect([range.low, range.high]).toEqual([127, 142])
  })
})

const rider = (more: Partial<SaddleRider> = {}): SaddleRider => ({
  mass: 72,
  spacing: 112,
  width: { low: 132, high: 142 },
  torso: 48,
  softTissue: false,
  sitBones: false,
  rocks: false,
  creeps: false,
  hours: 2,
  postRoomDown: null,
  railHeightNow: null,
  tried: {},
  ...more,
})
const catalogue = startingSaddles.map((spec, i) => ({ id: String(i), spec }))
const named = (name: string): SaddleSpec => startingSaddles.find((spec) => spec.name === name)!

describe('choosing a saddle', () => {
  it('starts from kinds that hold to their own schema, each with a name of its own', () => {
    for (const spec of startingSaddles) expect(saddleSpecSchema.safeParse(spec).error?.issues ?? []).toEqual([])
    expect(new Set(startingSaddles.map((spec) => spec.name)).size).toBe(startingSaddles.length)
  })
  it('puts a saddle of the right width first, and leaves out what bones would overhang', () => {
    const { ranked } = rankSaddles(catalogue, rider())
    const first = ranked[0]!.spec.width
    expect(first).toBeGreaterThanOrEqual(130)
    expect(first).toBeLessThanOrEqual(146)
    const wideBones = rankSaddles(catalogue, rider({ spacing: 140, width: { low: 160, high: 170 } }))
    for (const row of wideBones.ranked) expect(row.excluded.length > 0).toBe(row.spec.width < 148 || row.spec.width > 210)
  })
  it('wants relief for a numb saddle area, and firm padding for long hours (common practice)', () => {
    const score = (list: ReturnType<typeof rankSaddles>, key: string) => list.weights.find((w) => w.key === key)!.weight
    expect(score(rankSaddles(catalogue, rider({ softTissue: true })), 'relief')).toBe(5)
    const numb = rankSaddles(catalogue, rider({ softTissue: true })).ranked[0]!.spec
    expect(numb.relief).toBe('cut-out')
    const long = rankSaddles(catalogue, rider({ hours: 6 }))
    expect(long.weights.find((w) => w.key === 'padding')!.because).toMatch(/firm/)
  })
  it('excludes by mass, by post room and by what the rider has rated badly, each in words', () => {
    expect(saddleExclusions(named('Short nose, 155, carbon rails'), rider({ mass: 104 }))[0]).toMatch(/limit is 100 kg/)
    expect(
      said(
        saddleExclusions(named('Broad, sprung, 220'), rider({ width: { low: 190, high: 200 }, postRoomDown: 20, railHeightNow: 48 })),
      ).join(),
    ).toMatch(/48 mm taller/)
    expect(said(saddleExclusions(named('Long, flat, 132'), rider({ tried: { 'long, flat, 132': 2 } }))).join()).toMatch(/rated 2 of 10/)
  })
  it('what was ridden and liked outranks every figure', () => {
    const { ranked } = rankSaddles(catalogue, rider({ tried: { 'touring, 165': 9 } }))
    expect(ranked[0]!.spec.name).toBe('Touring, 165')
  })
  it('weights of nought and equal specs keep the catalogue’s order; totals stay within 0 to 100', () => {
    const weights = Object.fromEntries(rankSaddles(catalogue, rider()).weights.map(({ key }) => [key, 0]))
    const flat = rankSaddles(catalogue, rider(), weights)
    const open = flat.ranked.filter((row) => row.excluded.length === 0)
    expect(open.map((row) => Number(row.id))).toEqual([...open.map((row) => Number(row.id))].sort((a, b) => a - b))
    for (const row of rankSaddles(catalogue, rider()).ranked) expect(row.total >= 0 && row.total <= 100).toBe(true)
  })
  it('an exchange keeps the seat: the nose follows the saddle’s own length, the post its height', () => {
    const now = { sitFromNose: 165, railHeight: 48, nose: 60 }
    const words = said(saddleDisturbs(named('Short nose, 155'), now)).join(' ')
    expect(words).toMatch(/97 mm behind the bottom bracket instead of 60/)
    expect(words).toMatch(/3 mm lower over the rails: the post goes up/)
    expect(said(saddleDisturbs(named('Short nose, 155'), { ...now, nose: null, railHeight: null })[0])).toMatch(/not to the nose/)
  })
})

describe('saddles ridden', () => {
  const ridden = (name: string, mark: number | null, spare = false) => ({ name, width: null, mark, hours: null, spare, note: '' })
  it('stand best first, and the one that worked asks for a spare until there is one', () => {
    const list = [ridden('Flat', 3), ridden('Unrated', null), ridden('Touring', 8)]
    expect(byMark(list).map((s) => s.name)).toEqual(['Touring', 'Flat', 'Unrated'])
    expect(spareAdvice(list)).toMatch(/Touring.*own a spare/)
    expect(spareAdvice([ridden('Touring', 8, true), ridden('Flat', 3)])).toBeNull()
    expect(spareAdvice([ridden('Flat', 5)])).toBeNull()
    expect(marksByName(list)).toEqual({ flat: 3, touring: 8 })
  })
})

describe('the outline from above', () => {
  it('meets nose, zone and widest place as given, never goes below nought, and has no step', () => {
    fc.assert(
      fc.property(fc.constantFrom(...startingSaddles), (spec) => {
        const shape = saddleShapeOf(spec)
        expect(2 * halfWidth(shape, shape.sitFromNose)).toBeCloseTo(shape.zoneWidth, 6)
        const widths = outline(shape, 400).map(({ y }) => 2 * y)
        expect(Math.max(...widths)).toBeLessThan(shape.width + 1.5)
        expect(Math.max(...widths)).toBeGreaterThan(shape.width - 1)
        expect(Math.min(...widths)).toBeGreaterThanOrEqual(0)
        const inner = widths.slice(40, -40)
        inner.forEach((width, i) => i > 0 && expect(Math.abs(width - inner[i - 1]!)).toBeLessThan(4))
      }),
    )
    expect(halfWidth(shapeFrom({}), -5)).toBe(0)
    expect(halfWidth(shapeFrom({}), 999)).toBe(0)
  })
})
