import fc from 'fast-check'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { riderMetrics } from '../body/metrics.ts'
import { hipOf, legAt } from '../body/rider.ts'
import { unmoved } from '../readings/movedBy.ts'
import type { Reading } from '../readings/reading.ts'
import { aReading, entryOf, wholeReadings, said } from '../testing.ts'
import { cautionsFor, cautionRows } from '../ledger/cautions.ts'
import { riderWith } from '../rider/calibrated.ts'
import { defaultHolds, knockOn, saddleMoveFor, seatToHands, stemMoves } from './knockOn.ts'
import type { Holds } from './knockOnResult.ts'
import { ledgerEntrySchema, moveSchema } from '../ledger/ledger.ts'
import { movesOf, withMoves } from '../ledger/moves.ts'
import type { RequestedMove } from '../ledger/moves.ts'
import { slotKeys } from '../ledger/parts.ts'
import { settingKeys, settingOf, settings } from '../ledger/settings.ts'
import { setupOf, standingOf } from '../rider/setup.ts'
import { keysOf } from '../kernel/tables.ts'

const flatReadings: readonly Reading[] = [
  ...wholeReadings.filter((reading) => !['handReach', 'handHeight', 'gripSpacing'].includes(reading.key)),
  ...Object.entries({
    frameReach: 430,
    frameStack: 610,
    headAngle: 68,
    headset: 12,
    spacers: 20,
    spacersAbove: 15,
    stemLength: 60,
    stemAngle: 6,
    barWidth: 740,
    barRise: 20,
    barForward: 0,
    barBacksweep: 9,
    barUpsweep: 5,
    barBend: 75,
    handFromEnd: 65,
    barRoll: 0,
  }).map(([key, value]) => aReading(key as Reading['key'], 'both', value)),
  aReading('leverAngle', 'left', 40),
  aReading('leverAngle', 'right', 40),
]
const drop = standingOf(setupOf(wholeReadings, [], 'drop'))
const flat = standingOf(setupOf(flatReadings, [], 'flat'))
const all: Holds = { knee: true, hands: 'seat', lever: true }
const one = (setting: RequestedMove['setting'], by: number, side: RequestedMove['side'] = 'both'): RequestedMove[] => [
  { setting, side, by },
]
const feet = (setting: RequestedMove['setting'], by: number): RequestedMove[] => [...one(setting, by, 'left'), ...one(setting, by, 'right')]
const answerOf = (result: ReturnType<typeof knockOn>, setting: RequestedMove['setting']) =>
  result.answers.find((answer) => answer.setting === setting)

// The rows of the trade (common practice): direction first, then exactness.
describe('what one move asks of the next', () => {
  it.each([
    ['cleat back', feet('cleatSetback', 5), -1],
    ['cleat forward', feet('cleatSetback', -5), 1],
    ['thicker sole or pedal', feet('soleStack', 5), 1],
    ['longer crank', one('crank', 5), -1],
    ['shorter crank', one('crank', -5), 1],
    ['saddle back', one('saddleSetback', 5), -1],
    ['saddle forward', one('saddleSetback', -5), 1],
    ['wider stance', one('tread', 20), -1],
  ] as const)('%s: the saddle answers', (_, requested, direction) => {
    expect(Math.sign(answerOf(knockOn(drop, requested, all, 'whole'), 'saddleHeight')!.exact)).toBe(direction)
  })

  // Worked example: saddle at (−180, 700), crank 172.5, hip-to-pedal held: 10 mm back → −2.1 mm, 10 forward → +2.0 mm of height in a bare triangle.
  it('saddle 10 back lowers it by about 2 mm, 10 forward raises it by about 2', () => {
    const back = answerOf(knockOn(drop, one('saddleSetback', 10), all, 'whole'), 'saddleHeight')!.exact
    const forward = answerOf(knockOn(drop, one('saddleSetback', -10), all, 'whole'), 'saddleHeight')!.exact
    expect(back).toBeLessThan(-0.5)
    expect(back).toBeGreaterThan(-4)
    expect(forward).toBeGreaterThan(0.5)
    expect(forward).toBeLessThan(4)
  })

  it('saddle up: the drop grows by the move, and the hands follow by it', () => {
    const result = knockOn(drop, one('saddleHeight', 5), { ...all, knee: false }, 'whole')
    const rise = 5 * Math.sin((73 * Math.PI) / 180)
    expect(result.alone!.drop! - result.before!.drop!).toBeCloseTo(rise, 6)
    expect(answerOf(result, 'handHeight')!.exact).toBeCloseTo(rise, 6)
    expect(result.after!.drop).toBeCloseTo(result.before!.drop!, 6)
  })

  it('saddle back: reach grows by the move; forward: the hands carry more', () => {
    const back = knockOn(drop, one('saddleSetback', 5), { ...all, knee: false, hands: 'free' }, 'whole')
    expect(back.after!.reach! - back.before!.reach!).toBeCloseTo(5, 6)
    const forward = knockOn(drop, one('saddleSetback', -20), all, 'whole')
    expect(forward.after!.load!).toBeGreaterThan(forward.before!.load!)
  })

  it('longer crank closes the hip at the top', () => {
    const { before, after } = knockOn(drop, one('crank', 10), all, 'whole')
    expect(after!.hipRight!).toBeLessThan(before!.hipRight!)
  })

  it('tilting the nose down about the clamp moves the sit point, and the saddle height answers', () => {
    const result = knockOn(drop, one('saddleTilt', -3), all, 'whole')
    expect(Math.abs(answerOf(result, 'saddleHeight')!.exact)).toBeGreaterThan(0.1)
    expect(result.after!.kneeLeft!).toBeCloseTo(result.before!.kneeLeft!, 1)
  })

  it('a wider bar costs reach by what the spread takes out of the arm, and the hands come back by it', () => {
    const result = knockOn(flat, one('barWidth', 60), { ...all, knee: false, hands: 'free' }, 'whole')
    expect(result.after!.reach!).toBeGreaterThan(result.before!.reach!)
    const held = knockOn(flat, one('barWidth', 60), { ...all, knee: false }, 'whole')
    expect(answerOf(held, 'handReach')!.exact).toBeLessThan(0)
    expect(held.after!.reach!).toBeCloseTo(held.before!.reach!, 6)
  })

  it('another sweep moves the hand, and the stem answers with the place it had', () => {
    const result = knockOn(flat, one('barBacksweep', 12), { ...all, hands: 'frame' }, 'whole')
    expect(answerOf(result, 'handReach')!.exact).toBeGreaterThan(20)
    expect(result.model!.grips!.right.at.x).toBeCloseTo(riderWith(flat.rider, flat.by)!.grips!.right.at.x, 6)
    const step = knockOn(flat, one('barBacksweep', 12), { ...all, hands: 'frame' }, 'step')
    const stem = step.exchanges.find(({ slot }) => slot === 'stem')!
    expect(Number(stem.to.properties.stemLength)).toBeGreaterThan(60)
    expect(stem).toMatchObject({ role: 'knock-on', from: { name: '60 mm, 6°' } })
    expect(step.exchanges.find(({ slot }) => slot === 'bar')).toMatchObject({ role: 'chosen', to: { properties: { barBacksweep: 21 } } })
  })

  it('roll turns grip and levers by it; the levers are turned back', () => {
    const rolled = knockOn(flat, one('barRoll', 5), { knee: true, hands: 'free', lever: true }, 'step')
    expect(rolled.moves.filter((move) => move.setting === 'leverAngle').map((move) => move.by)).toEqual([-5, -5])
    const kept = setupOf(flatReadings, [entryOf(1, { setting: 'barRoll', side: 'both', by: 5, role: 'chosen' })], 'flat')
    expect(kept.now.leverAngle.left!.value).toBe(45)
  })

  it('levers that nobody read turn with the bar as well; those of a drop bar stay with their hoods', () => {
    const leversOf = (readings: typeof flatReadings, bar: 'flat' | 'drop') =>
      knockOn(standingOf(setupOf(readings, [], bar)), one('barRoll', -5), all, 'step').moves.filter(
        ({ setting }) => setting === 'leverAngle',
      )
    expect(
      leversOf(
        flatReadings.filter(({ key }) => key !== 'leverAngle'),
        'flat',
      ).map(({ by }) => by),
    ).toEqual([5, 5])
    expect(leversOf([...wholeReadings, aReading('leverAngle', 'left', 40), aReading('leverAngle', 'right', 40)], 'drop')).toEqual([])
  })
})

describe('what is held', () => {
  it('is the knee exactly, halfway between two legs that ask for different things', () => {
    const result = knockOn(drop, feet('cleatSetback', 5), all, 'whole')
    const [left, right] = (['kneeLeft', 'kneeRight'] as const).map((key) => result.after![key]! - result.before![key]!)
    expect(left! + right!).toBeCloseTo(0, 1)
    const same = knockOn(drop, one('soleStack', 4, 'left'), all, 'whole')
    const wants = saddleMoveFor(
      riderWith(drop.rider, unmoved)!,
      riderWith(drop.rider, withMoves(unmoved, one('soleStack', 4, 'left')))!,
      'left',
      73,
    )
    expect(answerOf(same, 'saddleHeight')!.exact).toBeCloseTo(wants! / 2, 9)
  })

  // An independent general solver of a maths library, asked for the same thing: saddle, hands forward, hands up.
  it('is found by a general solver at the same place', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), fc.double({ min: -6, max: 6, noNaN: true }), (setback, cleat) => {
        const requested = [...one('saddleSetback', setback), ...feet('cleatSetback', cleat)]
        const result = knockOn(drop, requested, all, 'whole')
        const start = riderWith(drop.rider, unmoved)!
        const want = seatToHands(start)
        const asked = (['left', 'right'] as const).map((side) => legAt(start, start.legs[side], hipOf(start), 180).distance)
        const residual = ([height = 0, reach = 0, rise = 0]: readonly number[]) => {
          const moved = riderWith(
            drop.rider,
            withMoves(unmoved, [...requested, ...one('saddleHeight', height), ...one('handReach', reach), ...one('handHeight', rise)]),
          )!
          const now = seatToHands(moved)
          const legs = (['left', 'right'] as const).map((side, i) => legAt(moved, moved.legs[side], hipOf(moved), 180).distance - asked[i]!)
          return [(legs[0]! + legs[1]!) / 2, now.reach - want.reach, now.drop - want.drop]
        }
        const fit = levenbergMarquardt({ x: [0, 1, 2], y: [0, 0, 0] }, (p) => (i: number) => residual(p)[i]!, {
          initialValues: [0, 0, 0],
          damping: 1e-3,
          maxIterations: 100,
          errorTolerance: 1e-14,
          gradientDifference: 1e-3,
          centralDifference: true,
        })
        const ours = ['saddleHeight', 'handReach', 'handHeight'].map((key) => answerOf(result, key as RequestedMove['setting'])?.exact ?? 0)
        // Halfway between two legs' requested and the height at which their misses cancel are the same to a tenth of a millimetre.
        fit.parameterValues.forEach((value, i) => expect(Math.abs(value - ours[i]!)).toBeLessThan(0.12))
      }),
      { numRuns: 15 },
    )
  })

  it('can be the torso’s angle instead, by the height of the hands alone', () => {
    const result = knockOn(drop, one('saddleSetback', 8), { knee: true, hands: 'torso', lever: true }, 'whole')
    expect(result.after!.torso!).toBeCloseTo(result.before!.torso!, 6)
    expect(answerOf(result, 'handReach')).toBeUndefined()
  })

  it('comes back when the change is taken back: the reverse of the reverse', () => {
    const keys = settingKeys.filter((key) => !settings[key].sided && key !== 'spacers' && !key.startsWith('stem') && !key.startsWith('bar'))
    fc.assert(
      fc.property(fc.constantFrom(...keys), fc.double({ min: -6, max: 6, noNaN: true }), (setting, by) => {
        const there = knockOn(drop, one(setting, by), all, 'whole')
        // Sizes of parts are written as exchanges: they are moves of the bike all the same.
        const moved = withMoves(drop.by, [...there.moves, ...there.exchanges.flatMap(movesOf)])
        const back = knockOn({ ...drop, by: moved }, one(setting, -by), all, 'whole')
        for (const answer of there.answers) expect(answer.exact + (answerOf(back, answer.setting)?.exact ?? 0)).toBeCloseTo(0, 2)
      }),
      { numRuns: 40 },
    )
  })

  it('is by default what a fitter would want', () => {
    expect(defaultHolds(one('saddleHeight', 3))).toEqual({ knee: false, hands: 'seat', lever: true })
    expect(defaultHolds(one('barRise', 10))).toEqual({ knee: true, hands: 'frame', lever: true })
    expect(defaultHolds(one('handReach', 10)).hands).toBe('free')
    expect(defaultHolds(feet('cleatSetback', 3))).toEqual({ knee: true, hands: 'seat', lever: true })
  })
})

describe('a step', () => {
  it('stays within caps, room and what a hand can set, and makes an entry the ledger takes', () => {
    const roomy = setupOf(
      [...flatReadings, aReading('postRoomUp', 'both', 3), aReading('postRoomDown', 'both', 2), aReading('railRoomBack', 'both', 4)],
      [],
      'flat',
    )
    const standing = standingOf(roomy)
    fc.assert(
      fc.property(fc.constantFrom(...settingKeys), fc.double({ min: -60, max: 60, noNaN: true }), (setting, by) => {
        const requested = settings[setting].sided ? feet(setting, by) : one(setting, by)
        const result = knockOn(standing, requested, defaultHolds(requested), 'step')
        for (const move of result.moves) expect(moveSchema.safeParse(move).success).toBe(true)
        for (const move of result.moves.filter((m) => m.setting === 'saddleHeight')) {
          expect(move.by).toBeLessThanOrEqual(3)
          expect(move.by).toBeGreaterThanOrEqual(-2)
        }
        if (result.moves.length > 0) expect(ledgerEntrySchema.safeParse(entryOf(1, ...result.moves)).success).toBe(true)
        for (const words of [...result.left.map((l) => l.words), result.later, ...result.findings])
          expect(said(words)).not.toMatch(/NaN|undefined|Infinity/)
      }),
      { numRuns: 120 },
    )
  })

  it('says what there is no room for, and what is left at the knee', () => {
    const tight = standingOf(setupOf([...wholeReadings, aReading('postRoomDown', 'both', 0)], [], 'drop'))
    const result = knockOn(tight, one('crank', 10), all, 'step')
    expect(result.moves.map((move) => move.setting)).not.toContain('saddleHeight')
    expect(said(result.left.map((left) => left.words)).join(' ')).toMatch(/left knee ends .*straighter/)
    const wished = knockOn(tight, one('saddleHeight', -6), all, 'step')
    expect(wished.moves).toEqual([])
    expect(said(wished.left[0]!.words)).toMatch(/no room for another 6 mm down/)
  })

  it('leaves the hands when the tape could not tell, and says by how much they are off', () => {
    const result = knockOn(drop, one('saddleHeight', 2), { knee: false, hands: 'seat', lever: true }, 'step')
    expect(result.moves.map((move) => move.setting)).toEqual(['saddleHeight'])
    expect(said(result.left.map((left) => left.words)).join(' ')).toMatch(/lower against the seat/)
  })

  it('offers stems that do what they say', () => {
    const result = knockOn(flat, one('barRise', 30), { knee: true, hands: 'frame', lever: true }, 'step')
    expect(result.stems.length).toBeGreaterThan(0)
    const best = result.stems.find((option) => stemMoves(flat, option) !== null)!
    const moved = riderWith(flat.rider, withMoves(flat.by, [...one('barRise', 30), ...stemMoves(flat, best)!]))!
    const start = riderWith(flat.rider, flat.by)!
    expect(Math.hypot(moved.grips!.right.at.x - start.grips!.right.at.x, moved.grips!.right.at.y - start.grips!.right.at.y)).toBeCloseTo(
      best.misses,
      6,
    )
  })

  it('says by which stem hands moved by themselves would get there', () => {
    const [best] = knockOn(
      flat,
      [...one('handHeight', 15), ...one('handReach', -10)],
      { knee: true, hands: 'free', lever: true },
      'step',
    ).stems
    const front = { spacers: 20, stemLength: 60, stemAngle: 6 } as const
    const parts = keysOf(front).flatMap((key) => one(key, best![key] - front[key]))
    const moved = riderWith(flat.rider, withMoves(flat.by, parts))!
    const start = riderWith(flat.rider, flat.by)!
    expect(
      Math.hypot(moved.grips!.right.at.x - start.grips!.right.at.x + 10, moved.grips!.right.at.y - start.grips!.right.at.y - 15),
    ).toBeCloseTo(best!.misses, 6)
    expect(knockOn(drop, one('handHeight', 15), all, 'step').stems).toEqual([])
  })

  it('turns what cannot be into words', () => {
    const far = standingOf(
      setupOf(
        wholeReadings
          .filter((r) => !['kneeFlexion', 'thigh', 'shank'].includes(r.key))
          .map((r) => (r.key === 'saddleHeight' ? { ...r, value: 990 } : r)),
        [],
        'drop',
      ),
    )
    const result = knockOn(far, feet('cleatSetback', 5), all, 'step')
    expect(result.findings.join(' ')).toMatch(/does not reach/)
    const noHands = standingOf(
      setupOf(
        wholeReadings.filter((r) => !r.key.startsWith('hand')),
        [],
        'drop',
      ),
    )
    expect(knockOn(noHands, one('saddleSetback', 5), all, 'step').findings.join(' ')).toMatch(/hands are is not known/)
  })
})

it('has a caution for every setting a hand can move', () => {
  const covered = new Set(cautionRows.flatMap((row) => row.settings))
  for (const key of settingKeys.filter((setting) => setting !== 'soleStack' && !settingOf(setting).ofPart)) expect(covered).toContain(key)
  const slotsCovered = new Set(cautionRows.flatMap((row) => row.slots ?? []))
  for (const slot of slotKeys.filter((key) => !['grips', 'extensions'].includes(key))) expect(slotsCovered).toContain(slot)
  const height = { setting: 'saddleHeight' } as const
  expect(cautionsFor({ moves: [height, height], exchanges: [{ slot: 'saddle' }] })).toHaveLength(2)
})

it('keeps metrics the same whatever the order of the moves', () => {
  const moves = [...one('saddleHeight', 3), ...one('handReach', -6), ...feet('cleatSetback', 4)]
  const metrics = (order: readonly RequestedMove[]) => riderMetrics(riderWith(drop.rider, withMoves(drop.by, order))!, null)
  expect(metrics([...moves].reverse())).toEqual(metrics(moves))
})
