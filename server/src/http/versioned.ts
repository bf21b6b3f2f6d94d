import { StaleError } from './errors.ts'
import type { WriteCondition } from './writeCondition.ts'

/** How to read and write one versioned row inside a transaction. */
export interface VersionedRow<Row extends { version: number; writtenBy?: string | null }> {
  readonly find: () => Promise<Row | undefined>
  /** whether the stored row already says what is to be written (a retry whose answer was lost) */
  readonly same: (row: Row) => boolean
  /** inserts with version 1; undefined when the row is there already */
  readonly insert: () => Promise<Row | undefined>
  /** writes over exactly this version, leaving the next; undefined when the row has another */
  readonly update: (seen: number) => Promise<Row | undefined>
  /** the row as the screens know it */
  readonly show: (row: Row) => unknown
}

/**
 * Writes a row only over the version the writer has seen; 0 means "I know of none". The write itself
 * carries the condition, so that of many writers exactly one succeeds. A row that this writer's own
 * write has made, of which it never heard, counts as seen.
 * @returns the stored row, with its new version
 * @throws StaleError with the row as it is
 */
export async function writeVersioned<Row extends { version: number; writtenBy?: string | null }>(
  seen: WriteCondition,
  row: VersionedRow<Row>,
): Promise<Row> {
  const written = seen.version === 0 ? await row.insert() : await row.update(seen.version)
  if (written) return written
  const current = await row.find()
  if (current && row.same(current)) return current
  const own = typeof current?.writtenBy === 'string' && seen.unanswered.includes(current.writtenBy)
  const over = current && own ? await row.update(current.version) : undefined
  if (over) return over
  throw new StaleError(current ? row.show(current) : null)
}
