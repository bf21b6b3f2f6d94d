import { aReading, entryOf, exampleReadings, testTime, uuid } from '../testing.ts'
import { carryOver } from './carryOver.ts'

const bike = { name: 'Tourer', kind: 'drop bar' } as const
const change = entryOf(
  1,
  { setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' },
  { setting: 'saddleHeight', side: 'both', by: -2, role: 'knock-on' },
)
const value = (readings: ReturnType<typeof carryOver>, key: string, side: string) =>
  readings.find((r) => r.key === key && r.side === side)?.value

describe('what a new visit starts from', () => {
  it('is the bike as it was left, slot room moved with the cleat', () => {
    const carried = carryOver({ bike, readings: [...exampleReadings], ledger: [change] }, true)
    expect(value(carried, 'cleatSetback', 'right')).toBe(11)
    expect(value(carried, 'slotForward', 'right')).toBe(11)
    expect(value(carried, 'slotBack', 'right')).toBe(7)
    expect(value(carried, 'cleatSetback', 'left')).toBe(4)
    expect(value(carried, 'saddleHeight', 'both')).toBe(722)
  })

  it('leaves out what was undone', () => {
    const carried = carryOver(
      { bike, readings: [...exampleReadings], ledger: [change, { kind: 'undo', id: uuid(2), at: testTime, of: uuid(1) }] },
      true,
    )
    expect(carried).toEqual(exampleReadings)
  })

  it('on another bike is the body, and the shoes with their cleats', () => {
    const carried = carryOver({ bike, readings: [...exampleReadings, aReading('soleStack', 'left', 22)], ledger: [change] }, false)
    expect(new Set(carried.map((r) => r.key))).toEqual(
      new Set(['stature', 'footLength', 'shoeSize', 'heelToMtp1', 'cleatSetback', 'slotForward', 'slotBack']),
    )
    expect(value(carried, 'cleatSetback', 'right')).toBe(11)
  })
  it('is the newest of each reading; what belonged to contact points that are no more stays behind', () => {
    const knee = (degrees: number, after: string | null) => aReading('kneeFlexion', 'left', degrees, after)
    const carried = (...knees: ReturnType<typeof knee>[]) =>
      carryOver({ bike, readings: [...exampleReadings, ...knees], ledger: [change] }, true)
    expect(value(carried(knee(30, null)), 'kneeFlexion', 'left')).toBeUndefined()
    expect(value(carried(knee(30, null), knee(34, change.id)), 'kneeFlexion', 'left')).toBe(34)
    const saddle = [aReading('saddleHeight', 'both', 724), aReading('saddleHeight', 'both', 721, change.id)]
    expect(value(carryOver({ bike, readings: saddle, ledger: [change] }, true), 'saddleHeight', 'both')).toBe(721)
    for (const reading of carried(knee(34, change.id))) expect(reading.after).toBeNull()
  })
  it('has the figures of the saddle fitted last, not of the one before', () => {
    const to = { name: 'Touring, 165', properties: { saddleKind: 'touring', saddleWidth: 165 } }
    const exchange = { slot: 'saddle', from: { name: 'Saddle', properties: { saddleWidth: 139 } }, to, role: 'chosen' } as const
    const readings = [aReading('saddleWidth', 'both', 139), aReading('saddleSound', 'both', 'sags-left')]
    const carried = carryOver({ bike, readings, ledger: [{ ...entryOf(3), exchanges: [exchange] }] }, true)
    expect(value(carried, 'saddleWidth', 'both')).toBe(165)
    expect(value(carried, 'saddleKind', 'both')).toBe('touring')
    expect(value(carried, 'saddleSound', 'both')).toBeUndefined()
  })
  it('drops cleared readings and keeps when and how the rest were taken', () => {
    const carried = carryOver({ bike, readings: [aReading('crank', 'both', null), aReading('stature', 'both', 1700)], ledger: [] }, true)
    expect(carried).toEqual([aReading('stature', 'both', 1700)])
  })

  it('shows a moved value as set, not as it was typed before', () => {
    const typed = exampleReadings.map((r) => (r.key === 'cleatSetback' && r.side === 'right' ? { ...r, typed: '1/4 in' } : r))
    const moved = carryOver({ bike, readings: typed, ledger: [change] }, true).find((r) => r.key === 'cleatSetback' && r.side === 'right')
    expect(moved).toMatchObject({ value: 11, typed: '11' })
  })
})
