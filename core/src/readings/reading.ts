import { plain } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import { z } from 'zod'
import { momentField } from '../kernel/moment.ts'
import { conditionAllowed, conditionKeys } from './conditions.ts'
import { methodKeys, methodUncertainty } from './table/methods.ts'
import { definitionOf, isChoice, readingKeys } from './readingDefinitions.ts'
import { rangeProblem, readingName } from './readingEntry.ts'
import { MAX_REPEATS } from './repeats.ts'

/** One reading as stored: held unit (mm, degrees, EU) or the key of a choice, how it was typed, how it was taken. */
export const readingSchema = z
  .strictObject({
    key: z.enum(readingKeys, { error: 'This reading is not known here.' }),
    side: z.enum(['left', 'right', 'both'], { error: 'side must be left, right or both.' }),
    value: z
      .union([z.number(), z.string().max(40)], { error: 'value must be a number, a key of its list, or null when cleared.' })
      .nullable(),
    /** exactly as the hand typed it */
    typed: z.string().max(60, { error: 'typed must be at most 60 characters.' }),
    method: z.enum(methodKeys, { error: `method must be one of ${methodKeys.join(', ')}.` }),
    /** the ledger entry after which it was read; null = before any change */
    after: z.uuid({ error: 'after must be the id of a ledger entry, or null.' }).nullable().default(null),
    /** when it was noted: for information only, nothing is concluded from it */
    at: momentField('at'),
    /** what the rider did while it was taken */
    condition: z.enum(conditionKeys, { error: `condition must be one of ${conditionKeys.join(', ')}.` }).default('usual'),
    /** the single values behind a repeated reading, whose mean is the value; empty for one reading */
    repeats: z
      .array(z.number({ error: 'repeats must be numbers.' }))
      .max(MAX_REPEATS, { error: `A reading is repeated at most ${MAX_REPEATS} times.` })
      .default([]),
    /** ± of this very value, where its method computed one (marks on a picture, a pressure mat); else the method’s */
    plusMinus: z
      .number({ error: 'plusMinus must be a number, or left out.' })
      .positive({ error: 'plusMinus must be more than 0.' })
      .max(100, { error: 'plusMinus must be at most 100.' })
      .optional(),
  })
  .superRefine((reading, context) => {
    const definition = definitionOf(reading.key)
    const wrong = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message })
    const oneForBoth = definition.onceForBoth === true && reading.side === 'both'
    if (!oneForBoth && definition.sided !== (reading.side !== 'both')) {
      wrong(
        'side',
        definition.sided ? `${definition.label} is read left and right.` : `${definition.label} has one value: side must be both.`,
      )
    }
    const { value } = reading
    const problem = value === null ? null : valueProblem(reading.key, reading.side, value)
    if (problem !== null) wrong('value', plain(problem))
    if (!conditionAllowed(reading.key, reading.condition)) {
      wrong('condition', `${readingName(reading.key, reading.side)} is not read under this condition.`)
    }
    const single = reading.repeats.length
    const mean = reading.repeats.reduce((sum, one) => sum + one, 0) / single
    if (single === 1 || (single > 1 && !(typeof value === 'number' && Math.abs(mean - value) < 0.01))) {
      wrong('repeats', 'value must be the mean of two or more repeats.')
    }
    for (const one of reading.repeats) {
      const outside = valueProblem(reading.key, reading.side, one)
      if (outside !== null) wrong('repeats', plain(outside))
    }
    if (methodUncertainty(reading.method, definition.dimension) === null) {
      wrong('method', `${readingName(reading.key, reading.side)} cannot be read by ${reading.method}.`)
    }
  })

export type Reading = z.infer<typeof readingSchema>

/** Why a held value cannot be stored: out of range, or no key of its list; null when it can. */
export function valueProblem(key: Reading['key'], side: Reading['side'], value: number | string): Message | null {
  if (!isChoice(key)) return typeof value === 'number' ? rangeProblem(key, side, value) : `${readingName(key, side)} must be a number.`
  const options = definitionOf(key).options
  return typeof value === 'string' && Object.hasOwn(options, value)
    ? null
    : `${readingName(key, side)} must be one of ${Object.keys(options).join(', ')}.`
}
