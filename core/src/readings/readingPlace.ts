import type { Reading } from './reading.ts'

/** What is read: key, side and condition together. Readings of one thing at several times share it. */
export function readingPlace(reading: Pick<Reading, 'key' | 'side' | 'condition'>): string {
  return reading.condition === 'usual' ? `${reading.key}:${reading.side}` : `${reading.key}:${reading.side}:${reading.condition}`
}

/** One reading of a visit: what is read, and after which ledger entry. */
export function readingIdentity(reading: Pick<Reading, 'key' | 'side' | 'condition' | 'after'>): string {
  return reading.after === null ? readingPlace(reading) : `${readingPlace(reading)}@${reading.after}`
}
