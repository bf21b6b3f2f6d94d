import { z } from 'zod'
import { saddleWeightsSchema } from './saddleCriteria.ts'
import { widthSchoolKeys } from './saddleWidth.ts'
import { tiltUses } from './tilt.ts'
import { keysOf } from '../quantity/tables.ts'

export const tiltUseKeys = keysOf(tiltUses)

/** What the fitter has chosen at the seat; what is left out is as computed. */
export const seatChoicesSchema = z.strictObject({
  saddleWeights: saddleWeightsSchema.optional(),
  /** which posture decides the width */
  widthSchool: z.enum(widthSchoolKeys, { error: `Width must be decided by one of ${widthSchoolKeys.join(', ')}.` }).optional(),
  tiltUse: z.enum(tiltUseKeys, { error: `Tilt must be for one of ${tiltUseKeys.join(', ')}.` }).optional(),
})
export type SeatChoices = z.infer<typeof seatChoicesSchema>
