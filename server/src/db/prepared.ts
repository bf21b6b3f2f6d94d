import pg from 'pg'
import type { Database, Queryable } from './queryable.ts'

const kept = new WeakMap<Database, Map<string, unknown>>()

/** Whether this is the pool itself and not a transaction on it. */
function isPool(db: Queryable): db is Database {
  return '$client' in db && db.$client instanceof pg.Pool
}

/**
 * A statement that is asked often: built once for a pool and planned once for each of its
 * connections. Inside a transaction it is built anew, since a transaction lives only once.
 * @param build makes the statement, with placeholders, and prepares it under the given name
 */
export function prepared<Statement>(db: Queryable, name: string, build: (db: Queryable, name: string) => Statement): Statement {
  if (!isPool(db)) return build(db, name)
  const statements = kept.get(db) ?? new Map<string, unknown>()
  kept.set(db, statements)
  if (!statements.has(name)) statements.set(name, build(db, name))
  return statements.get(name) as Statement
}
