import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { upgradeLedgers, upgradeSentences } from './upgrade.ts'
import { isLost } from './lost.ts'
import type { Database } from './queryable.ts'
import * as schema from './schema.ts'

/** Opens a pool. `onError` hears of every connection that is lost, idle or at work; without it the process would end. */
export function connect(url: string, onError: (error: Error) => void): { db: Database; close: () => Promise<void> } {
  // The pool itself listens to a connection only while it is idle: one that is lost while it is opened or
  // at work would end the process.
  class HeardClient extends pg.Client {
    constructor(config?: string | pg.ClientConfig) {
      super(config)
      this.on('error', onError)
    }
  }
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 5000,
    statement_timeout: 15_000,
    // Times are written and read in UTC, whatever zone the database has.
    options: '-c timezone=UTC',
    Client: HeardClient,
  })
  pool.on('error', onError)
  const db = drizzle(pool, { schema })
  // Drizzle's own gives a connection back only if `begin` has succeeded on it.
  db.transaction = async (work, config) => {
    const client = await pool.connect()
    let lost = false
    try {
      return await drizzle(client, { schema }).transaction(work, config)
    } catch (error) {
      lost = isLost(error)
      throw error
    } finally {
      client.release(lost)
    }
  }
  return { db, close: () => pool.end() }
}

/** Brings the tables up to date; safe to call at every start. */
export async function migrateDatabase(db: Database, folder: string): Promise<void> {
  await migrate(db, { migrationsFolder: folder })
  await upgradeLedgers(db)
  await upgradeSentences(db)
}
