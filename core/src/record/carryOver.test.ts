import fc from 'fast-check'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { barOf } from '../bike/bikeKinds.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { writtenMoves } from '../ledger/moves.ts'
import { settingKeys, settingOf } from '../ledger/settings.ts'
import { capOf } from '../ledger/pace.ts'
import type { SettingKey } from '../ledger/settings.ts'
import { settled } from '../rider/setup.ts'
import { foldedAt, timelineOf } from '../ledger/timeline.ts'
import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import type { Reading } from '../readings/reading.ts'
import { resolveReadings } from '../readings/resolve.ts'
import { buildModel, gripsAt, modelValues, sitOf } from '../model/riderModel.ts'
import { unmoved } from '../readings/movedBy.ts'
import { sides } from '../kernel/sided.ts'
import { aReading, entryOf, exampleReadings, testTime, uuid, wholeReadings } from '../testing.ts'
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

/** Places that more than one number tells: they go along as a tape would read them. */
const places: readonly NumberKey[] = ['saddleHeight', 'saddleSetback', 'seatAngle', 'handReach', 'handHeight', 'gripSpacing']
const flatReadings = [
  ...wholeReadings.filter(({ key }) => !['handReach', 'handHeight', 'gripSpacing'].includes(key)),
  ...Object.entries({
    frameReach: 440,
    frameStack: 600,
    headAngle: 67,
    headset: 20,
    spacers: 15,
    stemLength: 50,
    stemAngle: 0,
    barWidth: 760,
  }).map(([key, value]) => aReading(key as NumberKey, 'both', value)),
  aReading('leverAngle', 'left', 40),
  aReading('leverAngle', 'right', 41),
  aReading('saddleSetback', 'both', 60),
]

/** A kept change of some settings by a share of their caps, sizes of parts written as exchanges. */
function keptChange(
  n: number,
  kind: BikeKind,
  readings: readonly Reading[],
  entries: readonly LedgerEntry[],
  asked: readonly [SettingKey, number, 'left' | 'right'][],
): LedgerEntry[] {
  const now = settled(resolveReadings(readings, timelineOf(entries)), foldedAt(entries, entries.length).by)
  const here = asked.filter(([setting]) => [undefined, barOf(kind)].includes(definitionOf(setting).bar))
  const moves = here.map(([setting, share, side]) => {
    const { sided, resolution } = settingOf(setting)
    const by = Math.round((share * capOf(setting, 'settled')) / resolution) * resolution || resolution
    return { setting, side: sided ? side : ('both' as const), by, role: 'chosen' as const }
  })
  // A size of a part that nothing tells has no exchange with figures.
  const known = moves.filter(
    ({ setting, side }) => !settingOf(setting).ofPart || now[setting][side === 'right' ? 'right' : 'left'] !== null,
  )
  const written = writtenMoves(now, known)
  if (written.moves.length + written.exchanges.length === 0) return []
  const entry: LedgerEntry = { ...entryOf(n), moves: [...written.moves], exchanges: [...written.exchanges] }
  return [entry, { kind: 'keep', id: uuid(n + 500), at: testTime, of: entry.id }]
}

describe('what was kept stands in the next visit', () => {
  const askedFor = fc.uniqueArray(
    fc.tuple(
      fc.constantFrom(...settingKeys),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.constantFrom('left' as const, 'right' as const),
    ),
    {
      minLength: 1,
      maxLength: 5,
      selector: ([setting]) => setting,
    },
  )
  const visits: readonly [BikeKind, readonly Reading[]][] = [
    ['drop bar', wholeReadings],
    ['drop bar', exampleReadings],
    ['trail', flatReadings],
  ]

  it('number by number and place by place, for any ledger, also through a file', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...visits),
        fc.uniqueArray(fc.nat(200), { maxLength: 12 }),
        fc.array(askedFor, { maxLength: 4 }),
        ([kind, all], left, changes) => {
          const readings = all.filter((_, i) => !left.includes(i))
          const ledger = changes.reduce<LedgerEntry[]>(
            (entries, asked, i) => [...entries, ...keptChange(i + 1, kind, readings, [...entries], asked)],
            [],
          )
          const bike = { name: 'Bike', kind }
          const carried = carryOver({ bike, readings: [...readings], ledger }, true)
          const again = JSON.parse(JSON.stringify({ bike, readings, ledger })) as {
            bike: typeof bike
            readings: Reading[]
            ledger: LedgerEntry[]
          }
          expect(carryOver(again, true)).toEqual(carried)

          const { by } = foldedAt(ledger, ledger.length)
          const base = resolveReadings(readings, timelineOf(ledger))
          const [end, next] = [settled(base, by), resolveReadings(carried)]
          const numbers = numberKeys.filter((key) => definitionOf(key).owner !== 'fit' && !places.includes(key))
          const differing = numbers.flatMap((key) =>
            sides.flatMap((side) => {
              const [was, is] = [end[key][side], next[key][side]]
              const { min, max, isRoom } = definitionOf(key)
              // What no tape could read is not written down.
              if (was === null || was.value < min || was.value > max || isRoom) return []
              const isSame = is !== null && Math.abs(is.value - was.value) < 1e-5 && is.basis === was.basis
              return isSame ? [] : [{ key, side, was, is }]
            }),
          )
          expect(differing).toEqual([])
          const [values, then] = [modelValues(base), modelValues(next)]
          const bar = barOf(kind)
          const [made, found] = [buildModel(values, bar, by), buildModel(then, bar)]
          expect(found.missing).toEqual(made.missing)
          if (end.saddleHeight.left !== null) {
            const [sit, sits] = [sitOf(values, by), sitOf(then, unmoved)]
            expect(sits.x).toBeCloseTo(sit.x, 4)
            expect(sits.y).toBeCloseTo(sit.y, 4)
          }
          const [grips, gripsNext] = [gripsAt(values, bar, by), gripsAt(then, bar, unmoved)]
          for (const side of sides) {
            if (made.model !== null) expect(found.model?.legs[side].axleFromHeel).toBeCloseTo(made.model.legs[side].axleFromHeel, 4)
            if (grips === null) continue
            for (const axis of ['x', 'y', 'z'] as const)
              expect([axis, gripsNext?.[side].at[axis]]).toEqual([axis, expect.closeTo(grips[side].at[axis], 4)])
          }
        },
      ),
      { numRuns: 300 },
    )
  })
})
