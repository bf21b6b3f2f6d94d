import type { Reading } from './reading.ts'

/** Which reading it is within a visit: key, side and condition together. */
export function readingPlace(reading: Pick<Reading, 'key' | 'side' | 'condition'>): string {
  return reading.condition === 'usual' ? `${reading.key}:${reading.side}` : `${reading.key}:${reading.side}:${reading.condition}`
}
