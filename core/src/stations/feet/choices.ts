import { z } from 'zod'
import { cleatSchoolKeys } from './cleat/schools.ts'
import { weightsSchema } from './pedal/criteria.ts'
import { stanceMethodKeys } from './stance/targets.ts'

/** What the fitter has chosen at the feet; what is left out is as computed. */
export const feetChoicesSchema = z.strictObject({
  cleatSchool: z.enum(cleatSchoolKeys, { error: `School must be one of ${cleatSchoolKeys.join(', ')}.` }).optional(),
  /** the fitter's own weights for choosing pedals, by criterion */
  pedalWeights: weightsSchema.optional(),
  /** how the stance is judged; left out = by the first way that has what it needs */
  stanceBy: z.enum(stanceMethodKeys, { error: `Stance must be judged by one of ${stanceMethodKeys.join(', ')}.` }).optional(),
})
export type FeetChoices = z.infer<typeof feetChoicesSchema>
