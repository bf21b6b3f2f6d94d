import type { Message } from '@level-stance/core/kernel/message'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { messageOf } from '@level-stance/core/record/oldSentence'
import { ledgerFrom1 } from '@level-stance/core/record/visitFrom1'
import type { Database } from './queryable.ts'
import { ledger, readings } from './schema.ts'
import { showEntry, showReading } from './rows.ts'

/**
 * Changes of version 1 wrote an exchange of parts as moves along a list. They are written anew as
 * exchanges, once, by the very function that reads files of version 1. Rows of today always have
 * their list of exchanges, if only an empty one.
 */
export async function upgradeLedgers(db: Database): Promise<void> {
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

/**
 * Up to migration 0014 what a change meant was stored as a sentence in millimetres. Each that has a
 * length is written anew as a message, by the function that reads files of that time.
 */
export async function upgradeSentences(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    const old = sql`(jsonb_typeof(${ledger.reason}) = 'string' and ${ledger.reason} #>> '{}' like '% mm%')
      or (jsonb_typeof(${ledger.later}) = 'string' and ${ledger.later} #>> '{}' like '% mm%')`
    const rows = await tx.select({ id: ledger.id, reason: ledger.reason, later: ledger.later }).from(ledger).where(old)
    const asMessage = (said: Message | null) => (typeof said === 'string' ? messageOf(said) : said)
    const changed = rows
      .map(({ id, ...said }) => ({ id, said, now: { reason: asMessage(said.reason), later: asMessage(said.later) } }))
      .filter(({ said, now }) => JSON.stringify(said) !== JSON.stringify(now))
    if (changed.length === 0) return
    await tx.execute(sql`alter table ledger disable trigger ledger_append_only`)
    for (const { id, now } of changed) await tx.update(ledger).set(now).where(eq(ledger.id, id))
    await tx.execute(sql`alter table ledger enable trigger ledger_append_only`)
  })
}
