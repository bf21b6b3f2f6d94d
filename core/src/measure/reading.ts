import { z } from 'zod'
import { methodKeys, methodUncertainty } from './methods.ts'
import { definitionOf, readingKeys } from './readingDefinitions.ts'
import { rangeProblem, readingName } from './readingEntry.ts'

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
    if (methodUncertainty(reading.method, definition.dimension) === null) {
      const message = `${readingName(reading.key, reading.side)} cannot be read by ${reading.method}.`
      context.addIssue({ code: 'custom', path: ['method'], message })
    }
  })

export type Reading = z.infer<typeof readingSchema>
