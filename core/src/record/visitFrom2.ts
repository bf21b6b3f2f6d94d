import { z } from 'zod'

const complaint2 = z.looseObject({ region: z.unknown(), side: z.unknown() })
const visit2 = z.looseObject({ complaints: z.array(z.unknown()).max(100) })

/**
 * A visit as version 2 wrote it, in today's form: a complaint sat at one place of the body, and
 * nothing was asked of its history. What does not look like version 2 is given back as it is, for
 * the schema to say what is wrong with it.
 */
export function visitFrom2(raw: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const parsed = visit2.safeParse(raw)
  if (!parsed.success) return { ...raw, version: 3 }
  return { ...raw, version: 3, complaints: parsed.data.complaints.map(complaintFrom2) }
}

function complaintFrom2(raw: unknown): unknown {
  const parsed = complaint2.safeParse(raw)
  if (!parsed.success) return raw
  const { region, side, ...rest } = parsed.data
  return { places: [{ region, side }], control: null, since: null, changed: [], tried: [], ...rest }
}
