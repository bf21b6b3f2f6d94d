import { z } from 'zod'
import { feetChoicesSchema } from './feet/choices.ts'
import { handsChoicesSchema } from './hands/choices.ts'
import { seatChoicesSchema } from './seat/choices.ts'

/** What the fitter has picked, station by station; what is left out is as computed. */
export const choicesSchema = z.strictObject({ feet: feetChoicesSchema, seat: seatChoicesSchema, hands: handsChoicesSchema })
export type Choices = z.infer<typeof choicesSchema>
