import { z } from 'zod'

/** Years a date may lie in: what every part of the way, from the field to the database, holds exactly. */
const YEARS = { from: 1970, to: 2199 } as const

/**
 * A moment as it is written down: ISO date and time in UTC.
 * @param name of the field, for the words of a refusal
 */
export function momentField(name: string) {
  return z.iso
    .datetime({ error: `${name} must be an ISO date and time ending in Z.` })
    .refine((text) => Number(text.slice(0, 4)) >= YEARS.from && Number(text.slice(0, 4)) <= YEARS.to, {
      error: `${name} must lie between the years ${YEARS.from} and ${YEARS.to}.`,
    })
}
