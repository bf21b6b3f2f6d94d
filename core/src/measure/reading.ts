import { z } from 'zod'
import { conditionAllowed, conditionKeys } from './conditions.ts'
import { methodKeys, methodUncertainty } from './methods.ts'
import { definitionOf, readingKeys } from './readingDefinitions.ts'
import { rangeProblem, readingName } from './readingEntry.ts'
import { MAX_REPEATS } from './repeats.ts'

/** One reading as stored: held unit (mm, degrees, EU), how it was typed, how it was taken. */
export const readingSchema = z
  .strictObject({
    key: z.enum(readingKeys, { error: 'This reading is not known here.' }),
    side: z.enum(['left', 'right', 'both'], { error: 'side must be left, right or both.' }),
    value: z.number({ error: 'value must be a number, or null when cleared.' }).nullable(),
    /** exactly as the hand typed it */
    typed: z.string().max(60, { error: 'typed must be at most 60 characters.' }),
    method: z.enum(methodKeys, { error: `method must be one of ${methodKeys.join(', ')}.` }),
    takenAt: z.iso.datetime({ error: 'takenAt must be an ISO date and time ending in Z.' }),
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
    if (definition.sided !== (reading.side !== 'both')) {
      const message = definition.sided
        ? `${definition.label} is read left and right.`
        : `${definition.label} has one value: side must be both.`
      context.addIssue({ code: 'custom', path: ['side'], message })
    }
    if (reading.value !== null) {
      const problem = rangeProblem(reading.key, reading.side, reading.value)
      if (problem !== null) context.addIssue({ code: 'custom', path: ['value'], message: problem })
    }
    if (!conditionAllowed(reading.key, reading.condition)) {
      const message = `${readingName(reading.key, reading.side)} is not read under this condition.`
      context.addIssue({ code: 'custom', path: ['condition'], message })
    }
    const single = reading.repeats.length
    const mean = reading.repeats.reduce((sum, value) => sum + value, 0) / single
    if (single === 1 || (single > 1 && !(reading.value !== null && Math.abs(mean - reading.value) < 0.01))) {
      context.addIssue({ code: 'custom', path: ['repeats'], message: 'value must be the mean of two or more repeats.' })
    }
    for (const value of reading.repeats) {
      const problem = rangeProblem(reading.key, reading.side, value)
      if (problem !== null) context.addIssue({ code: 'custom', path: ['repeats'], message: problem })
    }
    if (definition.dimension === 'choice' && reading.value !== null && !Number.isInteger(reading.value)) {
      context.addIssue({ code: 'custom', path: ['value'], message: `${definition.label} must be a whole number: the place in its list.` })
    }
    if (methodUncertainty(reading.method, definition.dimension) === null) {
      const message = `${readingName(reading.key, reading.side)} cannot be read by ${reading.method}.`
      context.addIssue({ code: 'custom', path: ['method'], message })
    }
  })

export type Reading = z.infer<typeof readingSchema>
