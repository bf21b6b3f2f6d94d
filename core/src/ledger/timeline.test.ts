import fc from 'fast-check'
import { predict } from '../body/calibration.ts'
import type { Reading } from '../readings/reading.ts'
import { chosen, countingReadings, resolveReadings } from '../readings/resolve.ts'
import { aReading, entryOf, uuid, wholeReadings } from '../testing.ts'
import { calibrateBody, calibrateRider, predictionOf, riderWith } from '../rider/calibrated.ts'
import type { LedgerEntry } from './ledger.ts'
import type { Exchange } from './parts.ts'
import { setupOf } from '../rider/setup.ts'
import { foldedAt, timelineOf } from './timeline.ts'
import { keysOf } from '../kernel/tables.ts'

const change = uuid(1)
const up = entryOf(1, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })
const keep: LedgerEntry = { kind: 'keep', id: uuid(2), at: up.at, of: change }
const undo: LedgerEntry = { kind: 'undo', id: uuid(3), at: up.at, of: change }
const kept = [up, keep]
const knee = (value: number, after: string | null) => aReading('kneeFlexion', 'right', value, after)
const knees = (readings: readonly Reading[], ledger: readonly LedgerEntry[], place: number) =>
  countingReadings(readings, timelineOf(ledger), place).get('kneeFlexion:right')?.reading.value

describe('which reading counts', () => {
  const both = [knee(31, null), knee(27, change)]

  it('is the one of the start at the start, and the newer one from its change on', () => {
    expect([0, 1, 2].map((place) => knees(both, kept, place))).toEqual([31, 27, 27])
  })

  it('does not depend on the order of the list nor on any clock', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(both, { minLength: 2, maxLength: 2 }),
        fc.array(fc.integer({ min: 0, max: 1e9 }), { minLength: 2, maxLength: 2 }),
        (list, times) => {
          const turned = list.map((reading, i) => ({ ...reading, at: new Date(times[i] ?? 0).toISOString() }))
          for (const place of [0, 1, 2]) expect(knees(turned, kept, place)).toBe(place === 0 ? 31 : 27)
        },
      ),
    )
  })

  it('is never one of the contact points that was read later, but may be one of the body', () => {
    expect(knees([knee(27, change)], kept, 0)).toBeUndefined()
    const later = resolveReadings([aReading('inseam', 'both', 850, change)], timelineOf(kept), 0)
    expect(later.inseam.left).toMatchObject({ value: 850, basis: 'measured' })
  })

  it('goes back to the one before when the newer is cleared', () => {
    expect(knees([knee(31, null), { ...knee(27, change), value: null }], kept, 2)).toBe(31)
  })

  it('reads a setting at its own place: what was moved before is in it, what is moved after comes on top', () => {
    const height = (after: string | null, value: number) => [
      ...wholeReadings.filter((r) => r.key !== 'saddleHeight'),
      aReading('saddleHeight', 'both', value, after),
    ]
    const at = (readings: readonly Reading[], ledger: readonly LedgerEntry[], place = ledger.length) =>
      setupOf(readings, ledger, 'drop', place).now.saddleHeight.left?.value
    expect(at(height(null, 724), kept)).toBe(729)
    // Read again after the change: 728.5 is what stands, whatever was meant to be moved.
    expect(at(height(change, 728.5), kept)).toBe(728.5)
    expect(at(height(change, 728.5), [up, undo])).toBe(723.5)
    expect(at([...height(null, 724), aReading('saddleHeight', 'both', 728.5, change)], kept, 0)).toBe(724)
  })
})

describe('one body read at two places', () => {
  // The example rider's own body makes the angles: at the start, and with the saddle 5 mm up.
  const truth = calibrateRider(wholeReadings, [], 'drop')
  const angle = (by: (setting: string) => number) => {
    const model = riderWith(truth, by)
    if (model === null) throw new Error('the example rider cannot be built')
    return predict(model, { kind: 'kneeFlexion', side: 'right' }) ?? NaN
  }
  const start = angle(() => 0)
  const raised = angle((setting) => (setting === 'saddleHeight' ? 5 : 0))
  const others = wholeReadings.filter((r) => !(r.key === 'kneeFlexion' && r.side === 'right'))

  it('gives back both angles, each at the contact points of its own place', () => {
    const readings = [...others, knee(start, null), knee(raised, change)]
    const body = calibrateBody(readings, kept, 'drop')
    for (const { known, values } of body.knowns.filter(({ known: k }) => k.kind === 'kneeFlexion' && k.side === 'right')) {
      expect(values).toBeDefined()
      const residual = body.usual.residuals.find((row) => row.known === known)
      expect(Math.abs(residual?.residual ?? 0)).toBeLessThan(0.2)
    }
    expect(raised).toBeLessThan(start - 1)
  })

  it('would be pulled apart if both were taken for one place', () => {
    const mixed = calibrateBody([...others, knee(start, null), { ...knee(raised, null), side: 'left' as const }], kept, 'drop')
    const apart = calibrateBody([...others, knee(start, null), knee(raised, change)], kept, 'drop')
    const worst = (body: typeof mixed) => Math.max(...body.usual.residuals.map(({ residual }) => Math.abs(residual)), 0)
    expect(worst(apart)).toBeLessThanOrEqual(worst(mixed) + 0.2)
  })

  it('predicts the second from the first', () => {
    const readings = [...others, knee(start, null), knee(raised, change)]
    const predicted = predictionOf(knee(raised, change), readings, kept, 'drop')
    expect(predicted).not.toBeNull()
    expect(Math.abs((predicted ?? 0) - raised)).toBeLessThan(0.3)
    expect(predictionOf(aReading('inseam', 'both', 830), readings, kept, 'drop')).toBeNull()
  })

  it('is found alike from anywhere the search begins', () => {
    const readings = [...others, knee(start, null)]
    const cold = calibrateBody(readings, kept, 'drop')
    // A key press later, and back: nothing of the detour is left.
    const detour = calibrateBody([...others, knee(75, null)], kept, 'drop', cold)
    const back = calibrateBody(readings, kept, 'drop', detour)
    for (const key of keysOf(cold.usual.values)) expect(Math.abs(back.usual.values[key] - cold.usual.values[key])).toBeLessThan(0.2)
    expect(calibrateBody(readings, kept, 'drop', cold).usual).toBe(cold.usual)
  })
})

describe('readings of a part', () => {
  const part = (name: string, kind: string, width: number) => ({ name, properties: { saddleKind: kind, saddleWidth: width } })
  const exchange: Exchange = { slot: 'saddle', from: part('Old', 'long-flat', 135), to: part('New', 'short-nose', 155), role: 'chosen' }
  const swapped = { ...entryOf(1), station: 'seat' as const, exchanges: [exchange] }
  const readings = [
    aReading('saddleWidth', 'both', 135),
    { ...aReading('saddleKind', 'both', null), value: 'long-flat', typed: 'long-flat' },
    aReading('saddleRelief', 'both', null),
  ]
  const at = (ledger: readonly LedgerEntry[], place = ledger.length) => {
    const { now } = setupOf(readings, ledger, 'drop', place)
    return [now.saddleWidth.left?.value, chosen(now, 'saddleKind')]
  }

  it('stay with the part: another one brings its own, and undo brings the old one back', () => {
    expect(at([swapped], 0)).toEqual([135, 'long-flat'])
    expect(at([swapped])).toEqual([155, 'short-nose'])
    expect(at([swapped, undo])).toEqual([135, 'long-flat'])
  })

  it('outrank what its maker says, once the new part is read itself', () => {
    const { now } = setupOf([...readings, aReading('saddleWidth', 'both', 154, uuid(1))], [swapped], 'drop')
    expect(now.saddleWidth.left?.value).toBe(154)
  })

  it('are worked out once for a ledger', () => {
    const ledger = [swapped]
    expect(timelineOf(ledger)).toBe(timelineOf(ledger))
    expect(foldedAt(ledger, 1)).toBe(foldedAt(ledger, 1))
  })
})
