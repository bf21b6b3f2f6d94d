import { metricKeys } from '../body/metrics.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import { unmoved } from '../readings/movedBy.ts'
import { seeded } from '../kernel/random.ts'
import { aReading, entryOf, exampleReadings, wholeReadings, said } from '../testing.ts'
import { calibrateRider, riderWith } from '../rider/calibrated.ts'
import { foldLedger } from '../ledger/fold.ts'
import { differenceSpread, estimatedMetrics, metricSpreads, uncertaintyModelOf, varianceShares } from './uncertainty.ts'
import { knockOn } from '../knockOn/knockOn.ts'
import { measureNext, nextWords } from './measureNext.ts'
import { withMoves } from '../ledger/moves.ts'
import { sampleMetrics } from './sampling.ts'
import { sensitivities } from './sensitivity.ts'
import { setupOf, standingOf } from '../rider/setup.ts'

const hands = [aReading('handReach', 'both', 520), aReading('handHeight', 'both', 655), aReading('gripSpacing', 'both', 420)]
const bare = calibrateRider([...exampleReadings, ...hands], [], 'drop')
const whole = calibrateRider(wholeReadings, [], 'drop')
/** Both arms read apart, each with its own error: no body gives all of it back exactly, as with most riders. */
const apart = calibrateRider(
  wholeReadings.map((reading) =>
    reading.key === 'elbowFlexion' && reading.side === 'left'
      ? { ...reading, value: 26 }
      : reading.key === 'shoulderAngle' && reading.side === 'left'
        ? { ...reading, value: 57.5 }
        : reading,
  ),
  [],
  'drop',
)

function drawn(rider: typeof whole, draws = 300) {
  const work = sampleMetrics(rider, unmoved, draws, seeded(7))
  let step = work.next()
  while (!step.done) step = work.next()
  return step.value
}

describe('first order against many draws', () => {
  // The GUM’s own check of a first-order ± is a Monte Carlo run (JCGM 101).
  it.each([
    ['measured on the bike', apart],
    ['estimated', bare],
  ] as const)('agrees within a third, rider %s', (_, rider) => {
    const spreads = metricSpreads(uncertaintyModelOf(rider, unmoved)!)
    const sampled = drawn(rider)
    for (const key of ['hipLeft', 'torso', 'elbowLeft', 'shoulderLeft', 'load', 'drop', 'kneeElbowLeft'] as const) {
      const half = (sampled[key]!.high - sampled[key]!.low) / 2
      expect([key, half / spreads[key]! > 0.66 && half / spreads[key]! < 1.5]).toEqual([key, true])
    }
  })

  it('is no surer than draws where the body gives back every angle exactly, and so the picture’s error whole', () => {
    expect([whole.usual.state, apart.usual.state]).toEqual(['exact', 'fitted'])
    const spreads = metricSpreads(uncertaintyModelOf(whole, unmoved)!)
    const sampled = drawn(whole)
    for (const key of ['hipLeft', 'torso', 'elbowLeft', 'shoulderLeft', 'load', 'drop', 'kneeElbowLeft'] as const)
      expect([key, (sampled[key]!.high - sampled[key]!.low) / 2 / spreads[key]! < 1.2]).toEqual([key, true])
  })

  it('shows what the first order cannot: knees of an unmeasured rider that do not reach', () => {
    expect(drawn(bare).kneeLeft!.lost).toBeGreaterThan(0.02)
    expect(drawn(whole).kneeLeft!.lost).toBeLessThan(0.01)
  })
})

describe('what is known', () => {
  it('knows a measured angle about as well as it was measured, and others far better than before', () => {
    const [before, after] = [metricSpreads(uncertaintyModelOf(bare, unmoved)!), metricSpreads(uncertaintyModelOf(whole, unmoved)!)]
    expect(after.kneeLeft!).toBeLessThan(3.05)
    expect(after.kneeLeft!).toBeGreaterThan(1)
    expect(after.elbowLeft!).toBeLessThan(2.05)
    for (const key of ['kneeLeft', 'torso', 'elbowLeft', 'hipLeft'] as const) expect(after[key]!).toBeLessThan(before[key]!)
  })

  it('names what rests on estimates, and no longer once the lengths are read', () => {
    const [guessed, read] = [bare, whole].map((rider) => estimatedMetrics(uncertaintyModelOf(rider, unmoved)!, rider))
    // Trunk and arms of the one follow from stature alone; the other was measured throughout.
    for (const key of ['torso', 'elbowLeft', 'shoulderRight'] as const)
      expect([key, guessed!.includes(key), read!.includes(key)]).toEqual([key, true, false])
    // Nobody has read the pedal axles and the cleats’ place across of either.
    expect([guessed!.includes('stance'), read!.includes('stance')]).toEqual([true, true])
  })

  it('knows a difference far better than either side of it', () => {
    const here = uncertaintyModelOf(whole, unmoved)!
    const there = uncertaintyModelOf(whole, withMoves(unmoved, [{ setting: 'saddleHeight', side: 'both', by: 5 }]))!
    expect(differenceSpread(here, there, 'kneeLeft')!).toBeLessThan(0.5)
    expect(differenceSpread(here, here, 'kneeLeft')).toBe(0)
  })

  it('names what a wide ± comes from: leg lengths, before anything was measured on the bike', () => {
    const shares = varianceShares(uncertaintyModelOf(bare, unmoved)!, 'kneeLeft')
    expect(shares.slice(0, 3).map(({ input }) => input.key)).toEqual(expect.arrayContaining(['thigh', 'shank']))
    for (const { share } of shares) expect(share).toBeLessThanOrEqual(1 + 1e-9)
  })

  it('is nothing while the legs cannot be drawn', () => {
    expect(uncertaintyModelOf(calibrateRider([], [], 'drop'), unmoved)).toBeNull()
  })
})

describe('what to measure next', () => {
  it('asks first for what is needed at all, stature before everything', () => {
    expect(measureNext(calibrateRider([], [], 'drop'), unmoved).map((next) => [next.key, next.why])).toEqual([
      ['stature', 'needed'],
      ['saddleHeight', 'needed'],
      ['crank', 'needed'],
      ['cleatSetback', 'needed'],
    ])
    expect(
      measureNext(calibrateRider(exampleReadings, [], 'drop'), unmoved)
        .slice(0, 2)
        .map((next) => next.key),
    ).toEqual(['handReach', 'handHeight'])
  })

  it('then for the knee on the bike, which narrows more than any tape', () => {
    const [first] = measureNext(bare, unmoved)
    expect(first!.key).toBe('kneeFlexion')
    expect(said(nextWords(first!))).toMatch(/^Narrows knee at the bottom, (left|right) from ±\d+° to ±[\d.]+°\.$/)
  })

  it('keeps its promise: the reading taken, the ± is what was said', () => {
    const next = measureNext(bare, unmoved).find((row) => row.key === 'torsoAngle' || row.key === 'elbowFlexion')!
    const metric = next.metric!
    const predicted = uncertaintyModelOf(bare, unmoved)!.metrics[next.key === 'elbowFlexion' ? 'elbowLeft' : 'torso']!
    const taken = calibrateRider([...exampleReadings, ...hands, aReading(next.key, 'both', predicted)], [], 'drop')
    expect(metricSpreads(uncertaintyModelOf(taken, unmoved)!)[metric]!).toBeCloseTo(next.to!, 0)
  })

  it('does not ask again for what was taken, nor for what another bar would have', () => {
    const keys = measureNext(whole, unmoved).map((next) => next.key)
    for (const key of ['kneeFlexion', 'torsoAngle', 'thigh', 'barWidth', 'barBacksweep']) expect(keys).not.toContain(key)
  })
})

describe('rules of thumb', () => {
  it('are the slope of the exact engine', () => {
    const standing = standingOf(setupOf(wholeReadings, [], 'drop'))
    const rows = sensitivities(standing)
    for (const setting of ['saddleHeight', 'saddleSetback', 'handReach'] as const) {
      const small = knockOn(standing, [{ setting, side: 'both', by: 0.5 }], { knee: false, hands: 'free', lever: false }, 'whole')
      const per = rows.find((row) => row.setting === setting)!.per
      for (const key of metricKeys) {
        if (small.before![key] === null || key.startsWith('longest')) continue
        expect((small.after![key]! - small.before![key]!) / 0.5).toBeCloseTo(per[key] ?? 0, 1)
      }
    }
  })
  it('say that a millimetre of saddle is about half a degree of knee', () => {
    const per = sensitivities(standingOf(setupOf(wholeReadings, [], 'drop'))).find((row) => row.setting === 'saddleHeight')!.per
    expect(per.kneeLeft!).toBeLessThan(-0.3)
    expect(per.kneeLeft!).toBeGreaterThan(-0.7)
    expect(per.stance).toBeUndefined()
  })
})

describe('calibration of a visit', () => {
  it('takes every angle at the contact points of its own time', () => {
    const moved = entryOf(1, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })
    const before = calibrateRider(wholeReadings, [moved], 'drop')
    expect(before.usual.values).toEqual(whole.usual.values)
    // All angles read after the change instead, whatever the clock says.
    const later = wholeReadings.map((r) =>
      definitionOf(r.key).owner === 'fit' ? { ...r, after: moved.id, at: '2001-01-01T00:00:00.000Z' } : r,
    )
    const after = calibrateRider(later, [moved], 'drop')
    expect(after.usual.values).not.toEqual(whole.usual.values)
    // Read after the saddle went up: at the bike as it stands now the model gives the reading back.
    const now = riderWith(after, foldLedger([moved]).by)!
    const metrics = knockOn(
      { rider: after, by: foldLedger([moved]).by, now: setupOf(later, [moved], 'drop').now },
      [],
      { knee: true, hands: 'free', lever: true },
      'whole',
    ).before!
    expect(now.sit.y).toBeGreaterThan(riderWith(after, unmoved)!.sit.y)
    expect(Math.abs(metrics.kneeLeft! - 32)).toBeLessThan(1)
  })

  it('tells how far the rider creeps forward under effort', () => {
    const hard = { ...aReading('kneeFlexion', 'left', 36), condition: 'hard' as const }
    const rider = calibrateRider(
      [
        ...wholeReadings,
        hard,
        { ...aReading('kneeFlexion', 'right', 35), condition: 'hard' },
        { ...aReading('torsoAngle', 'both', 49), condition: 'hard' },
      ],
      [],
      'drop',
    )
    expect(rider.others.map((row) => row.condition)).toEqual(['hard'])
    expect(Number.isFinite(rider.others[0]!.creep)).toBe(true)
    expect(rider.usual.values).toEqual(whole.usual.values)
  })
})
