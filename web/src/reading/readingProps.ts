import type { ConditionKey } from '@level-stance/core/readings/conditions'
import type { Reading } from '@level-stance/core/readings/reading'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'

/** The reading a field shows: while one is read again, only what was taken at this place of the ledger. */
export function shownReading(counting: Reading | null, again: boolean, after: string | null): Reading | null {
  return again && counting?.after !== after ? null : counting
}

/**
 * What a reading is of, and its place in the ledger: mending a stored one keeps its place, a new one
 * is taken where the visit stands.
 */
export function readingProps(
  { readingKey, side, condition }: { readonly readingKey: ReadingKey; readonly side: Reading['side']; readonly condition: ConditionKey },
  stored: Pick<Reading, 'after'> | null,
  after: string | null,
): Pick<Reading, 'key' | 'side' | 'condition' | 'after' | 'at'> {
  return { key: readingKey, side, condition, after: stored ? stored.after : after, at: new Date().toISOString() }
}
