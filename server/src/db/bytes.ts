import { customType } from 'drizzle-orm/pg-core'

/** Raw bytes. */
export const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'bytea' })
