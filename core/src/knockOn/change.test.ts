import { plain } from '../kernel/message.ts'
import fc from 'fast-check'
import { aReading, entryOf, exampleReadings, uuid, said } from '../testing.ts'
import { cleatKnockOn } from './cleatKnockOn.ts'
import type { CleatKnockOnInput } from './cleatKnockOn.ts'
import { seatAngleOf } from '../model/riderModel.ts'
import { riderWith } from '../rider/calibrated.ts'
import { knockOn, saddleMoveFor } from './knockOn.ts'
import type { Holds } from './knockOnResult.ts'
import { withMoves } from '../ledger/moves.ts'
import type { RequestedMove } from '../ledger/moves.ts'
import { ledgerEntrySchema } from '../ledger/ledger.ts'
import { appendProblem, foldLedger } from '../ledger/fold.ts'
import { moveWords } from '../ledger/moveWords.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { settings } from '../ledger/settings.ts'
import { setupOf, standingOf } from '../rider/setup.ts'
import { stepPlan } from '../ledger/stepPlan.ts'

/** The worked leg: hip (−190, 790), ankle 130 behind and 90 above the axle at setback 0, pitch 20°. */
const worked: CleatKnockOnInput = {
  thigh: 430,
  shank: 440,
  heelToMtp1: 195,
  heelToAnkle: 65,
  ankleHeight: 68,
  stack: 22,
  crank: 172.5,
  saddleHeight: 700,
  seatAngle: 90,
  hipForward: -190,
  hipUp: 90,
  footPitch: 20,
  setbackFrom: 0,
  setbackTo: 10,
}

// Plane geometry, worked by hand: 10 mm back takes the knee from 30.54° to 28.18°.
describe('what a cleat move does to the leg', () => {
  it('gives the worked flexions and ankle move', () => {
    const out = cleatKnockOn(worked)
    expect(out.flexionBefore).toBeCloseTo(30.54, 2)
    expect(out.flexionUnanswered).toBeCloseTo(28.18, 2)
    expect([out.ankleForward, out.ankleUp]).toEqual([expect.closeTo(9.397, 3), expect.closeTo(-3.42, 3)])
  })

  it('answers with the saddle so that the knee is as it was', () => {
    const out = cleatKnockOn(worked)
    expect(out.saddleMove).toBeLessThan(0)
    expect(out.flexionAfter).toBeCloseTo(out.flexionBefore, 9)
    // Seat angle 90°: hip and saddle move straight up and down, so the height follows from Pythagoras alone.
    const ankle = {
      x: -130 * Math.cos(Math.PI / 9) + 90 * Math.sin(Math.PI / 9) + 9.39693,
      y: -172.5 + 130 * Math.sin(Math.PI / 9) + 90 * Math.cos(Math.PI / 9) - 3.4202,
    }
    const rise = Math.sqrt(839.2896 ** 2 - (-190 - ankle.x) ** 2)
    expect(out.saddleHeightAfter).toBeCloseTo(ankle.y + rise - 90, 1)
  })

  it('is undone by the way back, and does nothing for no move', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 40, noNaN: true }), fc.double({ min: -20, max: 40, noNaN: true }), (from, to) => {
        const there = cleatKnockOn({ ...worked, setbackFrom: from, setbackTo: to })
        const back = cleatKnockOn({ ...worked, saddleHeight: there.saddleHeightAfter, setbackFrom: to, setbackTo: from })
        expect(back.saddleHeightAfter).toBeCloseTo(worked.saddleHeight, 6)
      }),
    )
    expect(cleatKnockOn({ ...worked, setbackTo: 0 }).saddleMove).toBeCloseTo(0, 9)
  })

  it('further back is always lower, for any pitch with the heel up', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 35, noNaN: true }), fc.double({ min: 0.5, max: 20, noNaN: true }), (footPitch, back) => {
        const seat = { ...worked, seatAngle: 73, hipForward: 40, hipUp: 85, saddleHeight: 690, footPitch }
        expect(cleatKnockOn({ ...seat, setbackTo: back }).saddleMove).toBeLessThan(0)
      }),
    )
  })

  it('refuses a leg that cannot reach, with words', () => {
    expect(() => cleatKnockOn({ ...worked, saddleHeight: 800 })).toThrow(/does not reach/)
  })
})

// Common practice: step cap 5 mm for the cleat and for saddle height.
describe('steps', () => {
  it.each([
    [12, 5, 0.5, [5, 5, 2]],
    [-12, 5, 0.5, [-5, -5, -2]],
    [5, 5, 0.5, [5]],
    [3.4, 5, 0.5, [3]],
    [0.4, 5, 0.5, []],
    [0, 5, 0.5, []],
    [2.5, 2, 0.5, [2, 0.5]],
  ])('%s mm with a cap of %s, settable to %s, goes %j', (move, cap, resolution, steps) => {
    expect(stepPlan(move, cap, resolution).steps).toEqual(steps)
  })

  it('never exceeds the cap, never overshoots, and accounts for every bit', () => {
    fc.assert(
      fc.property(fc.double({ min: -80, max: 80, noNaN: true }), fc.double({ min: 0.5, max: 12, noNaN: true }), (move, cap) => {
        const { steps, total, unset } = stepPlan(move, cap, 0.5)
        for (const step of steps) expect(Math.abs(step)).toBeLessThanOrEqual(cap + 1e-9)
        expect(steps.reduce((a, b) => a + b, 0)).toBeCloseTo(total, 9)
        expect(total + unset).toBeCloseTo(move, 9)
        expect(Math.abs(total)).toBeLessThanOrEqual(Math.abs(move) + 1e-6)
        expect(Math.abs(unset)).toBeLessThan(0.5)
      }),
    )
  })

  it('does not make a million steps of a hostile input', () => {
    expect(stepPlan(1e9, 5, 0.5).steps.length).toBeLessThanOrEqual(200)
  })
})

describe('the ledger', () => {
  const tried = (n: number, by = 5): LedgerEntry => entryOf(n, { setting: 'cleatSetback', side: 'left', by, role: 'chosen' })
  const keep = (n: number, of: number): LedgerEntry => ({ kind: 'keep', id: uuid(n), at: tried(1).at, of: uuid(of) })
  const undo = (n: number, of: number): LedgerEntry => ({ kind: 'undo', id: uuid(n), at: tried(1).at, of: uuid(of) })

  it('folds to the sum of what is in force, and undo takes exactly its own change back', () => {
    const entries = [tried(1), keep(2, 1), tried(3, 2), keep(4, 3)]
    expect(foldLedger(entries).by('cleatSetback', 'left')).toBe(7)
    const undone = foldLedger([...entries, undo(5, 1)])
    expect(undone.by('cleatSetback', 'left')).toBe(2)
    expect(undone.changes.map((change) => change.state)).toEqual(['undone', 'kept'])
    expect(undone.by('cleatSetback', 'right')).toBe(0)
  })

  it('lets one change be tried at a time', () => {
    expect(appendProblem([tried(1)], tried(2))).toMatch(/one change at a time/)
    expect(appendProblem([tried(1), keep(2, 1)], tried(3))).toBeNull()
    expect(appendProblem([tried(1), undo(2, 1)], tried(3))).toBeNull()
  })

  it('takes a setting from where nobody advises it back to the edge at once, and says where it stood', () => {
    // 4° nose up: back to level, then one degree a week; from 1° down the same request is one step.
    const asked = (from: number, by: number) =>
      knockOn(
        standingOf(setupOf([...exampleReadings, aReading('saddleTilt', 'both', from)], [], 'drop')),
        [{ setting: 'saddleTilt', side: 'both', by }],
        { knee: false, hands: 'free', lever: true },
        'step',
      )
    const back = asked(4, -5.5)
    expect(back.moves).toEqual([{ setting: 'saddleTilt', side: 'both', by: -4, role: 'chosen', from: 4 }])
    expect(back.chosen[0]?.plan.steps).toEqual([-4, -1, -0.5])
    expect(asked(1.8, -3).moves[0]).toMatchObject({ by: -1 })
    expect(asked(-1, -2).moves[0]).toMatchObject({ by: -1 })
    expect(asked(-14, 6).moves[0]).toMatchObject({ by: 4, from: -14 })
    expect(asked(4, 2).moves[0]).toMatchObject({ by: 1 })
    const entry = (by: number, from?: number) => ({
      ...entryOf(1, { setting: 'saddleTilt', side: 'both', by, role: 'chosen', ...(from === undefined ? {} : { from }) }),
    })
    expect(ledgerEntrySchema.safeParse(entry(-4, 4)).success).toBe(true)
    for (const refused of [entry(-4), entry(-5, 4), entry(4, 4), entry(-4, -1), entry(-40, 40)])
      expect(ledgerEntrySchema.safeParse(refused).success).toBe(false)
  })

  it('refuses to keep or undo what is not there to be kept or undone', () => {
    expect(appendProblem([], keep(2, 1))).toMatch(/not in this visit/)
    expect(appendProblem([tried(1), keep(2, 1)], keep(3, 1))).toMatch(/already kept/)
    expect(appendProblem([tried(1), undo(2, 1)], undo(3, 1))).toMatch(/already undone/)
    expect(appendProblem([tried(1)], tried(1))).toMatch(/already in the ledger/)
  })

  it('refuses a move beyond its cap, of nothing, or on the wrong side', () => {
    const parse = (move: object) =>
      ledgerEntrySchema.safeParse({ ...tried(1), moves: [{ setting: 'cleatSetback', side: 'left', by: 5, role: 'chosen', ...move }] })
        .success
    expect(parse({})).toBe(true)
    expect(parse({ by: 5.01 })).toBe(false)
    expect(parse({ by: 0 })).toBe(false)
    expect(parse({ by: Number.NaN })).toBe(false)
    expect(parse({ side: 'both' })).toBe(false)
    expect(parse({ setting: 'saddleHeight', side: 'left' })).toBe(false)
  })

  it('speaks the trade’s words', () => {
    expect(plain(moveWords({ setting: 'cleatSetback', side: 'right', by: -2.5 }))).toBe('Cleat R forward 2.5 mm')
    expect(plain(moveWords({ setting: 'saddleHeight', side: 'both', by: -2 }), 'in')).toBe('Saddle down 0.08 in')
  })
})

describe('a cleat aimed at through the knock-on engine', () => {
  const aim = (left: number | null, right: number | null): RequestedMove[] =>
    (['left', 'right'] as const).flatMap((side) => {
      const by = side === 'left' ? left : right
      return by === null ? [] : [{ setting: 'cleatSetback' as const, side, by }]
    })
  const holds: Holds = { knee: true, hands: 'free', lever: true }
  const setup = setupOf(exampleReadings, [], 'drop')
  const step = (requested: readonly RequestedMove[], at = setup) => knockOn(standingOf(at), requested, holds, 'step')

  it('takes a step now and says the rest, each foot by itself', () => {
    const { moves, later } = step(aim(null, 12))
    expect(moves[0]).toEqual({ setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' })
    expect(said(later)).toBe('Next step, if test rides go well: cleat R back 5 mm, then 2 mm.')
    expect(moves.some(({ side }) => side === 'left')).toBe(false)
  })

  it('holds an aim at the end of the slot and says so', () => {
    expect(step(aim(null, 34)).chosen[0]).toMatchObject({ aim: 12, heldByRoom: true })
    expect(said(step(aim(null, 34)).left.map(({ words }) => words))).toContain('Cleat R: no room for another 22 mm back.')
    expect(step(aim(null, -46)).chosen[0]).toMatchObject({ aim: -6, heldByRoom: true })
  })

  it('brings the saddle along: for both feet alike it gives both knees back', () => {
    const same = exampleReadings.map((r) =>
      r.side === 'left' ? { ...exampleReadings.find((o) => o.key === r.key && o.side === 'right')!, side: 'left' as const } : r,
    )
    const { answers, before, after, moves } = step(aim(12, 12), setupOf(same, [], 'drop'))
    expect(answers[0]!.by).toBeLessThan(0)
    expect(Math.abs(answers[0]!.by - answers[0]!.exact)).toBeLessThanOrEqual(0.25 + 1e-9)
    expect(after!.kneeLeft).toBeCloseTo(after!.kneeRight!, 9)
    // 0.5 mm of saddle is the hand's resolution; a knee sees about half a degree per mm.
    expect(Math.abs(after!.kneeLeft! - before!.kneeLeft!)).toBeLessThan(0.3)
    expect(moves).toHaveLength(3)
  })

  it('goes halfway when one foot moves alone, and says what it leaves', () => {
    // Half of what 2 mm of one cleat ask for is less than 0.75 mm of saddle: nobody feels it, so it is not set.
    expect(step(aim(null, 2)).answers).toEqual([])
    const { answers, before, after, left } = knockOn(standingOf(setup), aim(null, 12), holds, 'step', 'new')
    const start = riderWith(setup.rider, setup.folded.by)!
    const moved = riderWith(setup.rider, withMoves(setup.folded.by, aim(null, 12)))!
    const wanted = saddleMoveFor(start, moved, 'right', seatAngleOf(setup.rider.values))!
    expect(answers[0]!.exact).toBeCloseTo(wanted / 2, 9)
    expect(after!.kneeRight! - before!.kneeRight!).toBeLessThan(0)
    expect(after!.kneeLeft! - before!.kneeLeft!).toBeGreaterThan(0)
    expect(left.map(({ what }) => what)).toEqual(['knee-left', 'knee-right'])
  })

  it('can leave the saddle alone', () => {
    const alone = knockOn(standingOf(setup), aim(6, 12), { ...holds, knee: false }, 'step')
    expect(alone.moves.every((move) => move.setting === 'cleatSetback')).toBe(true)
  })

  it('turns an unreachable leg into words, and still moves the cleat', () => {
    const far = exampleReadings.map((r) => (r.key === 'saddleHeight' ? aReading('saddleHeight', 'both', 950) : r))
    const { findings, moves } = step(aim(null, 12), setupOf(far, [], 'drop'))
    expect(findings.join(' ')).toMatch(/does not reach/)
    expect(moves).toHaveLength(1)
  })

  it('mirrors: exchanging the sides of everything exchanges the answer', () => {
    const mirrored = exampleReadings.map((r) =>
      r.side === 'both' ? r : { ...r, side: r.side === 'left' ? ('right' as const) : ('left' as const) },
    )
    const [straight, turned] = [step(aim(5, 12)), step(aim(12, 5), setupOf(mirrored, [], 'drop'))]
    expect(turned.answers[0]?.exact).toBeCloseTo(straight.answers[0]!.exact, 9)
    expect(turned.after!.kneeLeft).toBeCloseTo(straight.after!.kneeRight!, 9)
  })

  it('never leaves a cap or a slot, whatever is aimed at', () => {
    const mm = fc.double({ min: -200, max: 200, noNaN: true })
    fc.assert(
      fc.property(mm, mm, (left, right) => {
        for (const move of step(aim(left, right)).moves) expect(Math.abs(move.by)).toBeLessThanOrEqual(settings[move.setting].cap)
      }),
    )
  })

  it('moves with the ledger: setback, slot room and saddle follow what was changed', () => {
    const entry = entryOf(
      1,
      { setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' },
      { setting: 'saddleHeight', side: 'both', by: -2, role: 'knock-on' },
    )
    const { now } = setupOf(exampleReadings, [entry], 'drop')
    expect(now.cleatSetback.right?.value).toBe(11)
    expect(now.slotForward.right?.value).toBe(11)
    expect(now.slotBack.right?.value).toBe(7)
    expect(now.cleatSetback.left?.value).toBe(4)
    expect(now.saddleHeight.right?.value).toBe(722)
  })
})
