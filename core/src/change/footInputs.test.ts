import fc from 'fast-check'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { Reading } from '../measure/reading.ts'
import { aReading, entryOf, testTime, uuid, wholeReadings } from '../testing.ts'
import { boltReadings, clearanceInput, cleatLook, cleatRoom, measuredValue, pedalInUse, rotationReadings, shoeReadings, stanceEstimated, stanceParts, wearInput } from './footInputs.ts' // prettier-ignore
import { templateInput } from './footTemplate.ts'
import { pedalWishes, stanceWishes } from './footWishes.ts'
import { defaultHolds, knockOn } from './knockOn.ts'
import type { LedgerEntry, Move } from './ledger.ts'
import { moveWords } from './moveWords.ts'
import { roomOf } from './moves.ts'
import type { Wish } from './moves.ts'
import { setupOf, standingOf } from './setup.ts'

const setupWith = (more: readonly Reading[], entries: readonly LedgerEntry[] = []) => {
  const placed = new Set(more.map((r) => `${r.key}:${r.side}`))
  return setupOf([...wholeReadings.filter((r) => !placed.has(`${r.key}:${r.side}`)), ...more], entries, 'drop')
}
const tried = (...moves: Omit<Move, 'role'>[]) => entryOf(40, ...moves.map((move) => ({ ...move, role: 'chosen' as const })))

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
          const wish: Wish = { setting: 'cleatTurn', side: 'right', by: wished }
          const step = knockOn(standingOf(setup), [wish], defaultHolds([wish]), 'step')
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
    const setup = setupWith([aReading('cleatInboard', 'left', 1), aReading('slotAcross', 'left', 4), aReading('cleatTurn', 'left', 4), aReading('cleatTurnRoom', 'left', 6)]) // prettier-ignore
    expect(roomOf(setup.now, 'cleatInboard', 'left')).toEqual({ low: -3, high: 1 })
    expect(cleatRoom(setup.now).left).toEqual({ low: -3, high: 1 })
    const wish: Wish = { setting: 'cleatTurn', side: 'left', by: 5 }
    expect(knockOn(standingOf(setup), [wish], defaultHolds([wish]), 'step').left[0]?.words).toBe('Cleat L: no room for another 3° toe-out.')
  })
})

describe('another pedal', () => {
  it('takes its stack to the saddle: 3 mm thicker, about as much up, never more', () => {
    const setup = setupWith([])
    const wishes: Wish[] = [{ setting: 'pedalKind', side: 'both', by: 2 }, ...(['left', 'right'] as const).map((side) => ({ setting: 'soleStack' as const, side, by: 3 }))] // prettier-ignore
    const [saddle] = knockOn(standingOf(setup), wishes, defaultHolds(wishes), 'step').answers
    expect(saddle?.setting).toBe('saddleHeight')
    expect(saddle?.exact).toBeGreaterThan(2)
    expect(saddle?.exact).toBeLessThanOrEqual(3.2)
  })

  it('is another kind from then on, said in words, and the old one again when it is undone', () => {
    const readings = [aReading('pedalKind', 'both', 5)]
    const exchange = tried({ setting: 'pedalKind', side: 'both', by: 1 })
    expect(measuredValue(setupWith(readings, [exchange]).now, 'pedalKind')).toBe(6)
    const undo: LedgerEntry = { kind: 'undo', id: uuid(41), at: testTime, of: exchange.id }
    expect(measuredValue(setupWith(readings, [exchange, undo]).now, 'pedalKind')).toBe(5)
    expect(moveWords({ setting: 'pedalKind', side: 'both', by: 1 })).toBe('Pedals exchanged')
    expect(moveWords({ setting: 'cleatTurn', side: 'right', by: -1.5 })).toBe('Cleat R toe-in 1.5°')
    expect(moveWords({ setting: 'archSupport', side: 'left', by: 3 })).toBe('Arch support L higher 3')
  })
})

describe('numbers taken out of a setup', () => {
  it('count an estimate as not read', () => {
    const bare = setupOf([], [], 'drop').now
    expect(measuredValue(bare, 'tread')).toBeNull()
    expect(stanceParts(bare)?.left).toMatchObject({ tread: 155, axle: 53 })
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
    expect(clearanceInput(bare, 'left')).toMatchObject({ missing: expect.arrayContaining(['shoeHeelOutside', 'cleatTurn', 'cleatFloat', 'cleatSetback']) as string[] }) // prettier-ignore
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
    const { now } = setupWith([aReading('cleatTurn', 'right', 4)], [tried({ setting: 'washer', side: 'right', by: 1.5 }, { setting: 'cleatTurn', side: 'right', by: 2 })]) // prettier-ignore
    const before = stanceParts(setupWith([]).now)
    expect((stanceParts(now)?.right.washer ?? NaN) - (before?.right.washer ?? NaN)).toBe(1.5)
    expect(rotationReadings(now, 'right').cleatTurn?.value).toBe(6)
  })
})

describe('the template of a setup', () => {
  const rotation = (['left', 'right'] as const).flatMap((side) => [aReading('toeOutHanging', side, 8), aReading('cleatTurn', side, 4), aReading('cleatFloat', side, 6), aReading('cleatTurnRoom', side, 7)]) // prettier-ignore

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

describe('ways and exchanges as wishes', () => {
  it('move the setting each part stands for, by how much it changes', () => {
    const moves = [
      { mean: 'crank', side: 'both', from: 146, to: 150 },
      { mean: 'axle', side: 'left', from: 53, to: 57 },
      { mean: 'washer', side: 'right', from: 1.5, to: 0 },
      { mean: 'adapter', side: 'right', from: 0, to: 20 },
      { mean: 'cleat', side: 'left', from: 1, to: -1 },
    ] as const
    expect(stanceWishes({ moves })).toEqual([
      { setting: 'tread', side: 'both', by: 4 },
      { setting: 'axleLength', side: 'left', by: 4 },
      { setting: 'washer', side: 'right', by: -1.5 },
      { setting: 'adapter', side: 'right', by: 20 },
      { setting: 'cleatInboard', side: 'left', by: -2 },
    ])
  })

  it('exchange kind, stack, axle and the float that is read; what does not change is left alone', () => {
    const { now } = setupWith([aReading('cleatFloat', 'right', 4), aReading('soleStack', 'left', 26), aReading('soleThickness', 'left', 9), aReading('recess', 'both', 1)]) // prettier-ignore
    expect(pedalInUse(now)).toMatchObject({ stack: 17, recess: 'recessed, walkable' })
    expect(pedalWishes({ kind: { from: 5, to: 1 }, stack: 3, axle: 0.1, float: 6, disturbs: [] }, now)).toEqual([
      { setting: 'pedalKind', side: 'both', by: -4 },
      { setting: 'soleStack', side: 'left', by: 3 },
      { setting: 'soleStack', side: 'right', by: 3 },
      { setting: 'cleatFloat', side: 'right', by: 2 },
    ])
    expect(pedalWishes({ kind: null, stack: null, axle: null, float: null, disturbs: [] }, now)).toEqual([])
  })
})
