import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { bringLedgersOver } from './bringOver.ts'
import type { Database } from './queryable.ts'
import * as schema from './schema.ts'

/** Opens a pool. `onError` hears of connections lost while idle; without it the process would end. */
export function connect(url: string, onError: (error: Error) => void): { db: Database; close: () => Promise<void> } {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000, statement_timeout: 15_000 })
  pool.on('error', onError)
  return { db: drizzle(pool, { schema }), close: () => pool.end() }
}

/** Brings the tables up to date; safe to call at every start. */
export async function migrateDatabase(db: Database, folder: string): Promise<void> {
  await migrate(db, { migrationsFolder: folder })
  await bringLedgersOver(db)
}
