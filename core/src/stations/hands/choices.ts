import { z } from 'zod'
import { numberField } from '../../kernel/calculation.ts'
import { handPositions } from '../../readings/conditions.ts'
import { cutSizeKeys } from './width/cutPlan.ts'
import { gripSchoolKeys } from './grips/rules.ts'
import { leverSchoolKeys } from './levers/rules.ts'
import { barWidthSchoolKeys } from './width/rules.ts'

const oneOfThese = (what: string, keys: readonly string[]) => ({ error: `${what} must be one of ${keys.join(', ')}.` })

/** What the fitter has chosen at the hands; what is left out is as computed. */
export const handsChoicesSchema = z.strictObject({
  widthSchool: z.enum(barWidthSchoolKeys, oneOfThese('Width', barWidthSchoolKeys)).optional(),
  leverSchool: z.enum(leverSchoolKeys, oneOfThese('Lever angle', leverSchoolKeys)).optional(),
  gripSchool: z.enum(gripSchoolKeys, oneOfThese('Grip', gripSchoolKeys)).optional(),
  /** how much a cut takes off each end */
  cutSize: z.enum(cutSizeKeys, oneOfThese('Cut', cutSizeKeys)).optional(),
  /** share of a usual ride in each position of the hands, % */
  shares: z.partialRecord(z.enum(handPositions), numberField('Share of the ride', 0, 100, '%')).optional(),
})
export type HandsChoices = z.infer<typeof handsChoicesSchema>
