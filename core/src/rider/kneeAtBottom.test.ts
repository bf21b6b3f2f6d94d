import fc from 'fast-check'
import { calculationNamed } from '../calculations.ts'
import { evaluate } from '../kernel/calculation.ts'
import { heightFindings, judgeHeight } from '../stations/seat/height/judge.ts'
import { heightInputOf } from '../stations/seat/height/input.ts'
import { DYNAMIC_MORE, heightsFor } from '../stations/seat/height/methods.ts'
import { kneeStanding } from '../stations/seat/height/readings.ts'
import { riderMetrics } from '../body/metrics.ts'
import { axlesOf } from '../model/riderModel.ts'
import { bySide } from '../kernel/sided.ts'
import { aReading, entryOf, readingsWith } from '../testing.ts'
import { metricsAsRead } from './metricEstimate.ts'
import { isPedalling, kneeBand, kneeAtBottom, saddleFor } from './kneeAtBottom.ts'
import { setupOf } from './setup.ts'
import type { Reading } from '../readings/reading.ts'

const at = (readings: readonly Reading[], ...moves: Parameters<typeof entryOf>[1][]) =>
  setupOf(readings, moves.length === 0 ? [] : [entryOf(1, ...moves)], 'drop')
const modelled = (setup: ReturnType<typeof at>) => {
  const metrics = setup.model && riderMetrics(setup.model, axlesOf(setup.rider.values))
  return { left: metrics?.kneeLeft ?? null, right: metrics?.kneeRight ?? null }
}
const knees = (setup: ReturnType<typeof at>) => bySide((side) => kneeAtBottom(setup, side, modelled(setup)[side]))
const photo = (readings: readonly Reading[]) => readings.map((r) => (r.key === 'kneeFlexion' ? { ...r, method: 'photo' as const } : r))

describe('a knee that was read', () => {
  it('is judged as it was read, also where the model cannot make it: its ± says how far the two are apart', () => {
    // One hip for two legs of equal length cannot bend the knees 40° and 26°.
    const setup = at(readingsWith({ kneeFlexion: [40, 26] }))
    const { left, right } = knees(setup)
    expect([left!.value, right!.value].map(Math.round)).toEqual([40, 26])
    expect(saddleFor(left!)).toBe('low')
    expect(left!.plusMinus!).toBeGreaterThanOrEqual(Math.abs(left!.overModel))
    const standing = bySide((side) => kneeStanding(setup, side, knees(setup)[side]))
    const judged = judgeHeight(724, standing)
    const keys = heightFindings(judged, { pelvisLevel: null, rocking: null, dropperTravel: null, knees: standing, tooWide: false }).map(
      (f) => f.key,
    )
    expect(keys).toEqual(expect.arrayContaining(['knee-left', 'apart']))
    expect(judged.windows.left!.high).toBeGreaterThan(724)
  })

  it('is judged with nothing else entered; how far to move is what the leg is needed for', () => {
    const setup = at([aReading('kneeFlexion', 'left', 38), aReading('kneeFlexion', 'right', 38), aReading('saddleHeight', 'both', 700)])
    expect(setup.model).toBeNull()
    const standing = bySide((side) => kneeStanding(setup, side, kneeAtBottom(setup, side, null)))
    expect(standing.left).toMatchObject({ value: 38, plusMinus: 3, leg: null })
    const found = heightFindings(null, { pelvisLevel: null, rocking: null, dropperTravel: null, knees: standing, tooWide: false })
    expect(found.map((f) => f.key)).toEqual(['knee-left', 'knee-right'])
    expect(found[0]!.headline).toBe('Left knee: the saddle is low for it.')
    expect(judgeHeight(700, standing)).toMatchObject({ by: 0, common: null })
  })

  it('is carried on by the model over what was changed since', () => {
    const readings = readingsWith({ kneeFlexion: [40, 26] })
    const [before, after] = [knees(at(readings)), knees(at(readings, { setting: 'saddleHeight', side: 'both', by: 10, role: 'chosen' }))]
    // Law of cosines with thigh and shank of 432 mm each: hip to ankle is 864·cos(half the bend), and grows by nearly the centimetre.
    const bentAfter = (bend: number) => (2 * Math.acos(Math.cos((bend * Math.PI) / 360) + 9.6 / 864) * 180) / Math.PI
    for (const side of ['left', 'right'] as const) expect(Math.abs(after[side]!.value - bentAfter(before[side]!.value))).toBeLessThan(0.6)
  })

  it('read twice alike, before and after a change, is carried on from the reading that counts where one looks', () => {
    const change = entryOf(1, { setting: 'saddleHeight', side: 'both', by: 10, role: 'chosen' })
    const again = { ...aReading('kneeFlexion', 'left', 32), after: change.id }
    const readings = [...readingsWith({}), again]
    for (const place of [0, 1]) {
      const setup = setupOf(readings, [change], 'drop', place)
      expect(kneeAtBottom(setup, 'left', modelled(setup).left)!.value).toBeCloseTo(32, 6)
    }
  })

  it('that was not read is the model’s own, and two of which one was not read do not differ', () => {
    const readings = readingsWith({}).filter(({ key, side }) => key !== 'kneeFlexion' || side === 'right')
    const setup = at(readings)
    const { left, right } = knees(setup)
    expect([left!.plusMinus, left!.overModel, right!.plusMinus]).toEqual([null, 0, 3])
    const far = { left: { ...left!, value: 20 }, right: right! }
    const found = heightFindings(null, { pelvisLevel: null, rocking: null, dropperTravel: null, knees: far, tooWide: false })
    expect(found.map((f) => f.key)).not.toContain('apart')
    expect(found.find((f) => f.key === 'knee-left')!.sentence).toContain('by the model')
    expect(kneeAtBottom(at([]), 'left', null)).toBeNull()
  })

  it('shows in the numbers of the rider as it was read', () => {
    const setup = at(readingsWith({ kneeFlexion: [40, 26] }))
    const metrics = riderMetrics(setup.model!, axlesOf(setup.rider.values))
    const shown = metricsAsRead(metrics, setup)!
    expect([shown.kneeLeft, shown.kneeRight].map((value) => Math.round(value!))).toEqual([40, 26])
    // The torso was read as 54°; load, which nothing reads, stays the model’s.
    expect(shown.torso).toBeCloseTo(54, 6)
    expect(shown.load).toBe(metrics.load)
  })

  it('inside its band never speaks against the saddle, whatever else was read', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 25, max: 35, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.integer({ min: 690, max: 750 }),
        (left, right, saddleHeight) => {
          const setup = at(readingsWith({ kneeFlexion: [left, right], saddleHeight }))
          const standing = bySide((side) => kneeStanding(setup, side, knees(setup)[side]))
          expect(saddleFor(standing.left!)).toBe('level')
          const found = heightFindings(judgeHeight(saddleHeight, standing), {
            pelvisLevel: null,
            rocking: 'much',
            dropperTravel: null,
            knees: standing,
            tooWide: true,
          })
          expect(found.map((f) => f.key)).not.toContain('knee-left')
        },
      ),
      { numRuns: 30 },
    )
  })
})

describe('a knee read while pedalling', () => {
  // Fonda and others: pedalling bends a knee 5 to 10° more than held still; bands 25–35° and 30–40°.
  it('has one band everywhere, by its method', () => {
    const setup = at(photo(readingsWith({ kneeFlexion: [37, 37] })))
    expect(kneeBand(setup.now, 'left')).toEqual({ low: 30, high: 40 })
    expect(isPedalling(setup.now, 'left')).toBe(true)
    expect(saddleFor(knees(setup).left!)).toBe('level')
    expect(kneeBand(at(readingsWith({})).now, 'left')).toEqual({ low: 25, high: 35 })
  })

  it('makes the methods’ table one of a pedalling leg: the saddle stands inside the band it is judged by', () => {
    const setup = at(photo(readingsWith({ kneeFlexion: [37, 37] })))
    const input = heightInputOf(setup, 'left')!
    const row = (key: string) => heightsFor(input).find((answer) => answer.key === key)!
    const dynamic = row('dynamic-knee')
    expect(dynamic.low!).toBeLessThan(724)
    expect(dynamic.high!).toBeGreaterThan(724)
    // 25 to 35° held still are 32.5 to 42.5° pedalling: lower than 30 to 40°.
    expect(row('static-knee').high!).toBeLessThan(dynamic.high!)
    const held = heightsFor({ ...input, pedalling: false }).find((answer) => answer.key === 'static-knee')!
    expect(row('static-knee').high!).toBeLessThan(held.high!)
    expect(DYNAMIC_MORE).toBe(7.5)
    const { saddleHeight: _, ...leg } = input.leg
    const { result } = evaluate(calculationNamed('saddle-heights')!, { inseam: 832, leg, pedalling: true })
    expect((result as { heights: { key: string; low: number }[] }).heights.find(({ key }) => key === 'dynamic-knee')!.low).toBeCloseTo(
      dynamic.low!,
      6,
    )
  })
})
