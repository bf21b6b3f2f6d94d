import { z } from 'zod'

/** The one shape of every error answer. */
export const errorSchema = z.object({
  code: z.string().default('error'),
  message: z.string(),
  fields: z
    .array(z.object({ field: z.string(), message: z.string() }))
    .readonly()
    .default([]),
  /** with `stale`: what is stored instead */
  current: z.unknown().optional(),
})
export type ErrorBody = z.infer<typeof errorSchema>
