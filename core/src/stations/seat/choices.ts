import { z } from 'zod'
import { saddleWeightsSchema } from './saddle/criteria.ts'
import { saddleWidthSchoolKeys } from './saddle/width.ts'
import { tiltUseKeys } from './tilt/rules.ts'

/** What the fitter has chosen at the seat; what is left out is as computed. */
export const seatChoicesSchema = z.strictObject({
  saddleWeights: saddleWeightsSchema.optional(),
  /** which posture decides the width */
  widthSchool: z.enum(saddleWidthSchoolKeys, { error: `Width must be decided by one of ${saddleWidthSchoolKeys.join(', ')}.` }).optional(),
  tiltUse: z.enum(tiltUseKeys, { error: `Tilt must be for one of ${tiltUseKeys.join(', ')}.` }).optional(),
})
export type SeatChoices = z.infer<typeof seatChoicesSchema>
