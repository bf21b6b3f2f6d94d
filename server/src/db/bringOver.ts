import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { ledgerFrom1 } from '@level-stance/core/record/visitFrom1'
import type { Database } from './queryable.ts'
import { ledger, readings } from './schema.ts'
import { showEntry, showReading } from './rows.ts'

/**
 * Changes of version 1 wrote an exchange of parts as moves along a list. They are written anew as
 * exchanges, once, by the very function that reads files of version 1. Rows of today always have
 * their list of exchanges, if only an empty one.
 */
export async function bringLedgersOver(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    const old = and(eq(ledger.kind, 'try'), isNull(ledger.exchanges))
    const [first] = await tx.select({ id: ledger.id }).from(ledger).where(old).limit(1)
    if (!first) return
    await tx.execute(sql`alter table ledger disable trigger ledger_append_only`)
    const visits = await tx.selectDistinct({ visitId: ledger.visitId }).from(ledger).where(old)
    for (const { visitId } of visits) {
      const read = await tx.select().from(readings).where(eq(readings.visitId, visitId))
      const rows = await tx.select().from(ledger).where(eq(ledger.visitId, visitId)).orderBy(asc(ledger.seq))
      const written = ledgerFrom1(
        rows.map(showEntry),
        read.map((row) => showReading(row).reading),
      )
      for (const entry of written) {
        if (entry.kind !== 'try') continue
        const { moves, exchanges } = entry
        await tx
          .update(ledger)
          .set({ moves, exchanges })
          .where(and(eq(ledger.visitId, visitId), eq(ledger.id, entry.id)))
      }
    }
    await tx.execute(sql`alter table ledger enable trigger ledger_append_only`)
  })
}
