import { StaleError } from '../http/errors.ts'

/** How to read and write one versioned row inside a transaction. */
export interface VersionedRow<Row extends { version: number }> {
  /** reads the row and locks it */
  readonly find: () => Promise<Row | undefined>
  /** whether the stored row already says what is to be written (a retry whose answer was lost) */
  readonly same: (row: Row) => boolean
  /** returns undefined when somebody inserted first */
  readonly insert: () => Promise<Row | undefined>
  readonly update: (version: number) => Promise<Row | undefined>
  /** the row as the screens know it */
  readonly show: (row: Row) => unknown
}

/**
 * Writes a row only over the version the writer has seen; 0 means "I know of none".
 * @returns the stored row, with its new version
 * @throws StaleError with the row as it is
 */
export async function writeVersioned<Row extends { version: number }>(seen: number, row: VersionedRow<Row>): Promise<Row> {
  const current = await row.find()
  if (current && row.same(current)) return current
  if ((current?.version ?? 0) !== seen) throw new StaleError(current ? row.show(current) : null)
  const written = current ? await row.update(seen + 1) : await row.insert()
  if (written) return written
  const winner = await row.find()
  throw new StaleError(winner ? row.show(winner) : null)
}
