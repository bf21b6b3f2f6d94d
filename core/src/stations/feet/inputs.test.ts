import { plain } from '../../kernel/message.ts'
import fc from 'fast-check'
import { definitionOf } from '../../readings/readingDefinitions.ts'
import type { Reading } from '../../readings/reading.ts'
import { aReading, entryOf, testTime, uuid, wholeReadings, said } from '../../testing.ts'
import { boltReadings, cleatLook, wearInput } from './wear/readings.ts'
import { supportReadings } from './support/readings.ts'
import { cleatRoom, stanceEstimated, stanceParts } from './stance/readings.ts'
import { clearanceInput, rotationReadings } from './rotation/readings.ts'
import { shoeReadings } from './shoe/readings.ts'
import { startingPedals } from './pedal/kinds.ts'
import { pedalPage } from './pedal/page.ts'
import { chosen, measuredValue } from '../../readings/resolve.ts'
import type { ReadingKey } from '../../readings/readingDefinitions.ts'
import { sides } from '../../kernel/sided.ts'
import { templateInput } from './cleat/templateInput.ts'
import { pedalExchange, stanceMoves } from './exchange.ts'
import { defaultHolds, knockOn } from '../../knockOn/knockOn.ts'
import type { LedgerEntry, Move } from '../../ledger/ledger.ts'
import { changeWords, moveWords } from '../../ledger/moveWords.ts'
import { roomOf } from '../../ledger/moves.ts'
import type { RequestedMove } from '../../ledger/moves.ts'
import { setupOf, standingOf } from '../../rider/setup.ts'
import { judgeFootbed, judgeWedge } from './support/judge.ts'
import { judgeLegLength } from '../seat/legs/judge.ts'
import { legLengthReadings } from '../seat/legs/readings.ts'

const setupWith = (more: readonly Reading[], entries: readonly LedgerEntry[] = []) => {
  const placed = new Set(more.map((r) => `${r.key}:${r.side}`))
  return setupOf([...wholeReadings.filter((r) => !placed.has(`${r.key}:${r.side}`)), ...more], entries, 'drop')
}
const tried = (...moves: Omit<Move, 'role'>[]) => entryOf(40, ...moves.map((move) => ({ ...move, role: 'chosen' as const })))

const pair = (key: ReadingKey, value: number) => sides.map((side) => aReading(key, side, value))

describe('how far a cleat can be turned and shifted', () => {
  it('never goes beyond what this sole allows on either side of straight, wherever it stands', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (room, share, wished) => {
          const turn = Math.round(share * Math.min(20, room) * 2) / 2
          const setup = setupWith([aReading('cleatTurn', 'right', turn), aReading('cleatTurnRoom', 'right', room)])
          const { low, high } = roomOf(setup.now, 'cleatTurn', 'right')
          expect(turn + high).toBeLessThanOrEqual(Math.min(room, definitionOf('cleatTurn').max) + 1e-9)
          expect(turn + low).toBeGreaterThanOrEqual(Math.max(-room, definitionOf('cleatTurn').min) - 1e-9)
          const request: RequestedMove = { setting: 'cleatTurn', side: 'right', by: wished }
          const step = knockOn(standingOf(setup), [request], defaultHolds([request]), 'step')
          for (const move of step.moves) {
            expect(Math.abs(move.by)).toBeLessThanOrEqual(2)
            expect(Math.abs(turn + move.by)).toBeLessThanOrEqual(Math.max(room, Math.abs(turn)) + 1e-9)
          }
        },
      ),
      { numRuns: 25 },
    )
  })

  it('shifts across by half the slot’s room either way, and says the turn that is left in degrees', () => {
    const setup = setupWith([
      aReading('cleatInboard', 'left', 1),
      aReading('slotAcross', 'left', 4),
      aReading('cleatTurn', 'left', 4),
      aReading('cleatTurnRoom', 'left', 6),
    ])
    expect(roomOf(setup.now, 'cleatInboard', 'left')).toEqual({ low: -3, high: 1 })
    expect(cleatRoom(setup.now).left).toEqual({ low: -3, high: 1 })
    const request: RequestedMove = { setting: 'cleatTurn', side: 'left', by: 5 }
    expect(knockOn(standingOf(setup), [request], defaultHolds([request]), 'step').left[0]?.words).toBe(
      'Cleat L: no room for another 3° toe-out.',
    )
  })
})

describe('another pedal', () => {
  const plate = startingPedals.find(({ kind }) => kind === 'plate-coil')!
  const recessed = [
    aReading('pedalKind', 'both', 'recessed'),
    ...pair('soleStack', 23),
    ...pair('soleThickness', 9),
    ...pair('axleLength', 53),
    ...pair('cleatFloat', 4),
  ]

  it('takes its stack to the saddle: 3 mm thicker, about as much up, never more', () => {
    const setup = setupWith(recessed)
    const exchange = pedalExchange(plate, { swing: null }, setup.now)
    expect(exchange.from).toMatchObject({ name: 'Two-bolt recessed', properties: { pedalStack: 14, axleLength: 53, cleatFloat: 4 } })
    const { answers, exchanges } = knockOn(standingOf(setup), [exchange], defaultHolds([exchange]), 'step')
    expect(exchanges).toEqual([{ ...exchange, role: 'chosen' }])
    const saddle = answers.find(({ setting }) => setting === 'saddleHeight')
    expect(saddle?.exact).toBeGreaterThan(2)
    expect(saddle?.exact).toBeLessThanOrEqual(3.2)
  })

  it('is another kind from then on, said in words, and the old one again when it is undone', () => {
    const { now } = setupWith(recessed)
    const entry = { ...tried(), exchanges: [{ ...pedalExchange(plate, { swing: 1 }, now), role: 'chosen' as const }] }
    const after = setupWith(recessed, [entry]).now
    expect(chosen(after, 'pedalKind')).toBe('plate-coil')
    expect([after.soleStack.left?.value, after.cleatFloat.right?.value]).toEqual([26, 6])
    // Nothing read of the old pedal is said of the new one.
    expect(setupWith([...recessed, ...pair('axleThread', 13)], [entry]).now.axleThread.left).toBeNull()
    const undo: LedgerEntry = { kind: 'undo', id: uuid(41), at: testTime, of: entry.id }
    const back = setupWith(recessed, [entry, undo]).now
    expect([chosen(back, 'pedalKind'), back.soleStack.left?.value]).toEqual(['recessed', 23])
    expect(changeWords(entry)).toEqual(['Pedals: Three-bolt plate, coil spring for Two-bolt recessed'])
    expect(plain(moveWords({ setting: 'cleatTurn', side: 'right', by: -1.5 }))).toBe('Cleat R toe-in 1.5°')
    expect(plain(moveWords({ setting: 'archSupport', side: 'left', by: 3 }))).toBe('Arch support L higher 3 mm')
  })

  it('of which only a size differs is written down as an exchange too', () => {
    const setup = setupWith(recessed)
    const longer = sides.map((side): RequestedMove => ({ setting: 'axleLength', side, by: 4 }))
    const { moves, exchanges } = knockOn(standingOf(setup), longer, defaultHolds(longer), 'step')
    expect(moves.some(({ setting }) => setting === 'axleLength')).toBe(false)
    expect(exchanges[0]).toMatchObject({
      slot: 'pedals',
      to: { properties: { pedalKind: 'recessed', axleLength: { left: 57, right: 57 } } },
    })
    const now = setupWith(recessed, [{ ...tried(), exchanges: [...exchanges] }]).now
    expect([now.axleLength.left?.value, chosen(now, 'pedalKind'), now.cleatFloat.left?.value]).toEqual([57, 'recessed', 4])
  })
})

describe('numbers taken out of a setup', () => {
  it('count an estimate as not read', () => {
    const bare = setupOf([], [], 'drop').now
    expect(measuredValue(bare, 'tread')).toBeNull()
    expect(stanceParts(bare)?.left).toMatchObject({ tread: 148, axle: 53 })
    expect(stanceEstimated(bare)).toEqual(['tread', 'axleLength', 'cleatInboard'])
    expect(shoeReadings(bare, 'left').footLength).toBeNull()
    expect(rotationReadings(bare, 'left')).toEqual({
      toeOut: null,
      cleatTurn: null,
      float: null,
      heelIn: null,
      heelOut: null,
      turnRoom: null,
    })
    expect(clearanceInput(bare, 'left')).toMatchObject({
      missing: expect.arrayContaining(['shoeHeelOutside', 'cleatTurn', 'cleatFloat', 'cleatSetback']) as string[],
    })
    expect(wearInput(bare)).toEqual({ kind: null, distance: null, hours: null, walking: null, recess: null })
    expect(cleatLook(bare, 'right')).toEqual({ wear: null, play: null, release: null })
    expect(boltReadings(bare).fitted).toEqual({ left: null, right: null })
  })

  it('take the hanging foot before the standing one', () => {
    const hanging = aReading('toeOutHanging', 'left', 6)
    const standing = aReading('toeOutStanding', 'left', 9)
    expect(rotationReadings(setupOf([hanging, standing], [], 'drop').now, 'left').toeOut?.value).toBe(6)
    expect(rotationReadings(setupOf([standing], [], 'drop').now, 'left').toeOut?.value).toBe(9)
  })

  it('follow the changes: a washer is in the stance, a turned cleat in the rotation', () => {
    const { now } = setupWith(
      [aReading('cleatTurn', 'right', 4)],
      [tried({ setting: 'washer', side: 'right', by: 1.5 }, { setting: 'cleatTurn', side: 'right', by: 2 })],
    )
    const before = stanceParts(setupWith([]).now)
    expect((stanceParts(now)?.right.washer ?? NaN) - (before?.right.washer ?? NaN)).toBe(1.5)
    expect(rotationReadings(now, 'right').cleatTurn?.value).toBe(6)
  })
})

describe('what nobody had read before this visit put something there', () => {
  // Never more than half of a tilt, and no more than half of a leg's difference (common practice).
  const feet = pair('forefootTilt', 8).concat(pair('archDrop', 12), [aReading('legLengthDifference', 'both', 12)])
  const setup = (...moves: Omit<Move, 'role'>[]) => setupOf(feet, moves.length === 0 ? [] : [tried(...moves)], 'drop')
  it('is nothing while nothing was put there', () => {
    expect(supportReadings(setup().now, 'right')).toMatchObject({ wedge: null, archSupport: null })
    expect(legLengthReadings(setup().now).stack).toEqual({ left: null, right: null })
  })
  it('counts as what was put there: the wedge, the footbed and the shim are not asked for once more', () => {
    const { now } = setup(
      { setting: 'wedge', side: 'right', by: 4 },
      { setting: 'archSupport', side: 'right', by: 3 },
      { setting: 'soleStack', side: 'right', by: 6 },
    )
    const read = { ...supportReadings(now, 'right'), complaint: true }
    expect([read.wedge?.value, read.archSupport?.value]).toEqual([4, 3])
    expect(said(judgeWedge('right', 'wedge', read))).toMatchObject({ by: 0, headline: expect.stringMatching(/has its wedge/) as string })
    // 12 mm of drop asks for 8 at most; 3 are in, and 3 more is the next step.
    expect(judgeFootbed('right', read).by).toBeLessThanOrEqual(3)
    expect(judgeLegLength({ ...legLengthReadings(now), pain: 4 })).toMatchObject({ state: 'met', shorter: 'right', already: 6, now: 0 })
  })
})

describe('the template of a setup', () => {
  const rotation = (['left', 'right'] as const).flatMap((side) => [
    aReading('toeOutHanging', side, 8),
    aReading('cleatTurn', side, 4),
    aReading('cleatFloat', side, 6),
    aReading('cleatTurnRoom', side, 7),
  ])

  it('goes where school and slot allow and turns the cleat to the swing, as far as this sole lets it', () => {
    const input = templateInput(setupWith(rotation), 'behind-ball', 'left', 'A rider')
    expect(input).toMatchObject({ side: 'left', title: 'A rider', turn: 7, float: 6 })
    expect(input.setback).toBeLessThanOrEqual(input.slot?.rearmost ?? NaN)
    expect(templateInput(setupWith(rotation), 'behind-ball', 'left', '', { setback: 11, turn: 2 })).toMatchObject({ setback: 11, turn: 2 })
  })

  it('names what it still needs', () => {
    expect(() => templateInput(setupOf([], [], 'drop'), 'behind-ball', 'right', '')).toThrow(
      /right template needs behind ball of foot first/,
    )
  })
})

describe('ways and exchanges as requested', () => {
  it('move the setting each part stands for, by how much it changes', () => {
    const moves = [
      { mean: 'crank', side: 'both', from: 146, to: 150 },
      { mean: 'axle', side: 'left', from: 53, to: 57 },
      { mean: 'washer', side: 'right', from: 1.5, to: 0 },
      { mean: 'adapter', side: 'right', from: 0, to: 20 },
      { mean: 'cleat', side: 'left', from: 1, to: -1 },
    ] as const
    expect(stanceMoves({ moves })).toEqual([
      { setting: 'tread', side: 'both', by: 4 },
      { setting: 'axleLength', side: 'left', by: 4 },
      { setting: 'washer', side: 'right', by: -1.5 },
      { setting: 'adapter', side: 'right', by: 20 },
      { setting: 'cleatInboard', side: 'left', by: -2 },
    ])
  })
})

describe('the pedals as they are (common practice)', () => {
  const foundOf = (...more: readonly Reading[]) =>
    pedalPage.judge({ context: { setup: setupWith(more) } }).findings!.map(({ key, side, weight }) => `${key} ${side} ${weight}`)
  const pedal = (kind: string) => aReading('pedalKind', 'both', kind)
  const shoe = (bolts: string) => aReading('boltPattern', 'both', bolts)

  it('do not go with a shoe for other bolts: that comes first, and flat ones go with any', () => {
    expect(foundOf(pedal('recessed'), shoe('three bolts'))).toContain('other-bolts both first')
    expect(foundOf(pedal('recessed'), shoe('two bolts'))).toEqual([])
    expect(foundOf(pedal('flat-pins'), shoe('three bolts'))).toEqual([])
    expect(foundOf(shoe('three bolts'))).toEqual([])
    const [none] = pedalPage.judge({ context: { setup: setupWith([pedal('recessed'), shoe('none')]) } }).findings!
    expect(said(none!.sentence)).toContain('want two bolts; the shoe has no holes for any.')
  })
  it('that let go hard warn on their side, and a heavy rider’s limit is asked of the maker', () => {
    expect(foundOf(aReading('releaseFeel', 'right', 'hard'))).toEqual(['hard-release right act'])
    expect(foundOf(pedal('plate-coil'), aReading('mass', 'both', 96))).toContain('mass-limit both note')
    expect(foundOf(pedal('plate-coil'), aReading('mass', 'both', 70))).toEqual([])
  })
})
