import type { NodePgDatabase } from 'drizzle-orm/node-postgres'
import type * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema>
/** The database, or a transaction on it. */
export type Queryable = Database | Parameters<Parameters<Database['transaction']>[0]>[0]
