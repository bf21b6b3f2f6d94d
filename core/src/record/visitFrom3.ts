import { z } from 'zod'
import { messageOf } from './oldSentence.ts'

const entry3 = z.looseObject({ kind: z.literal('try'), reason: z.string(), later: z.string() })
const visit3 = z.looseObject({ ledger: z.array(z.unknown()).max(2000) })

/**
 * A visit as version 3 wrote it, in today's form: what a change meant was stored as a sentence in
 * millimetres. What does not look like version 3 is given back as it is, for the schema to say what is
 * wrong with it.
 */
export function visitFrom3(raw: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const parsed = visit3.safeParse(raw)
  if (!parsed.success) return { ...raw, version: 4 }
  return { ...raw, version: 4, ledger: parsed.data.ledger.map(entryFrom3) }
}

function entryFrom3(raw: unknown): unknown {
  const parsed = entry3.safeParse(raw)
  if (!parsed.success) return raw
  const { reason, later, ...rest } = parsed.data
  return { ...rest, reason: messageOf(reason), later: messageOf(later) }
}
