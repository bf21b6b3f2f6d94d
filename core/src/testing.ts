import type { LedgerEntry, Move } from './change/ledger.ts'
import type { Reading } from './measure/reading.ts'
import { definitionOf } from './measure/readingDefinitions.ts'
import type { ReadingKey } from './measure/readingDefinitions.ts'

/** Fixed values for tests of every package; the rider is made up. */
export const testTime = '2026-03-02T09:30:00.000Z'

/** A valid UUID that says which one it is. */
export function uuid(n: number): string {
  return `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
}

export function aReading(key: ReadingKey, side: Reading['side'], value: number | null): Reading {
  return {
    key,
    side,
    value,
    typed: value === null ? '' : String(value),
    method: definitionOf(key).method,
    takenAt: testTime,
    condition: 'usual',
    repeats: [],
  }
}

const pair = (key: ReadingKey, left: number, right: number) => [aReading(key, 'left', left), aReading(key, 'right', right)]

/** A rider with all that the feet and the leg model need; segments estimated from stature. */
export const exampleReadings: readonly Reading[] = [
  aReading('stature', 'both', 1756),
  aReading('saddleHeight', 'both', 724),
  aReading('crank', 'both', 172.5),
  ...pair('footLength', 264, 265),
  ...pair('shoeSize', 43, 43),
  ...pair('heelToMtp1', 195, 196),
  ...pair('cleatSetback', 4, 6),
  ...pair('slotForward', 6, 6),
  ...pair('slotBack', 12, 12),
]

/** A tried change with the given moves. */
export function entryOf(n: number, ...moves: Move[]): Extract<LedgerEntry, { kind: 'try' }> {
  return { kind: 'try', id: uuid(n), at: testTime, station: 'feet', moves, reason: 'Test.', later: '' }
}
