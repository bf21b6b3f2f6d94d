import { z } from 'zod'

/** What the fitter has chosen at the hands: nothing yet. */
export const handsChoicesSchema = z.strictObject({})
export type HandsChoices = z.infer<typeof handsChoicesSchema>
