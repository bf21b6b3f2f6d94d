import { optionalNumber, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { impressionMarksSchema } from './impressionMarks.ts'
import { CLICK, impressionSpacing } from './impression.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { saddleWidthSchoolKeys, defaultSaddleWidthSchool, widthRange } from './width.ts'
import { rankingOutput, rankingAnswer, rankingWorking } from '../../../kernel/rankingAnswer.ts'
import { saddleWeightsSchema } from './criteria.ts'
import { saddleSpecSchema } from './kinds.ts'
import { rankSaddles } from './ranking.ts'

export const impressionCalculation = defineCalculation({
  name: 'impression-spacing',
  title: 'Sit-bone spacing from a picture',
  summary: 'Two points on a picture of an impression, through the plane of a sheet of known size or by a scale, with the ± of the marks.',
  input: z.strictObject({
    marks: impressionMarksSchema,
    click: numberField('click', 0.1, 200, 'px', '± of a mark in the picture’s pixels, k = 2').default(CLICK),
  }),
  output: z.object({
    spacing: z.number(),
    plusMinus: z.number(),
    clicking: z.number(),
    scaling: z.number(),
    impression: z.number(),
    uncorrected: z.number().nullable(),
  }),
  sources: ['geometry', 'gum', 'common-practice'],
  run: ({ marks, click }) => {
    const found = impressionSpacing(marks, click)
    if (found === null)
      throw new CalculationError('no-plane', 'These marks do not make a sheet: corners crossed, in a line, or on top of each other.', [
        { field: 'marks.corners', message: 'Mark the four corners in order round the sheet.' },
      ])
    return { ...found }
  },
  working: ({ marks, click }, out) => [
    {
      label: 'Spacing',
      formula:
        marks.by === 'sheet'
          ? `both points through the plane of ${marks.sheet.width} × ${marks.sheet.height} mm`
          : `pixels × ${marks.scale.length} mm over the scale’s pixels`,
      value: out.spacing,
      unit: 'mm',
      output: 'spacing',
    },
    ...(out.uncorrected === null
      ? []
      : [
          {
            label: 'As a ruler on the picture would say',
            formula: 'mean of the sheet’s two widths',
            value: out.uncorrected,
            unit: 'mm' as const,
          },
        ]),
    { label: '± of the marks', formula: `each mark ±${click} px through the same map`, value: out.clicking, unit: 'mm' },
    { label: '± of sheet or scale', formula: '±0.5 mm of its length', value: out.scaling, unit: 'mm' },
    {
      label: '± in all',
      formula: `√(${out.clicking.toFixed(2)}² + ${out.scaling.toFixed(2)}² + ${out.impression}²)`,
      value: out.plusMinus,
      unit: 'mm',
    },
  ],
})
export const saddleWidthCalculation = defineCalculation({
  name: 'saddle-width',
  title: 'Saddle width',
  summary: 'Sit-bone spacing plus an allowance by posture, for each position of the hands, and the range of the one that decides.',
  input: z.strictObject({
    spacing: numberField('spacing', 60, 200, 'mm', 'Centre to centre of the sit bones'),
    spacingPlusMinus: numberField('spacingPlusMinus', 0, 50, 'mm').default(3),
    postures: z
      .array(
        z.strictObject({
          hands: z.string().max(40),
          usual: z.boolean().default(false),
          torso: numberField('torso', -90, 180, 'degrees', 'Torso from level'),
          plusMinus: numberField('plusMinus', 0, 180, 'degrees').default(2),
        }),
      )
      .min(1, { error: 'postures needs at least one position.' })
      .max(8),
    school: z
      .enum(saddleWidthSchoolKeys, { error: `school must be one of ${saddleWidthSchoolKeys.join(', ')}.` })
      .default(defaultSaddleWidthSchool),
  }),
  output: z.object({
    low: z.number(),
    high: z.number(),
    middle: z.number(),
    decides: z.string(),
    postures: z.array(z.object({ hands: z.string(), allowance: z.number(), low: z.number(), high: z.number() })),
  }),
  sources: ['common-practice', 'prior'],
  run: ({ spacing, spacingPlusMinus, postures, school }) => {
    const range = widthRange({ value: spacing, plusMinus: spacingPlusMinus }, postures, school)
    if (range === null) throw new CalculationError('no-posture', 'A width needs a posture.', [])
    const { low, high, middle, decides } = range
    const rows = range.postures.map((row) => ({ hands: row.hands, allowance: row.allowance.allowance, low: row.low, high: row.high }))
    return { low, high, middle, decides: decides.hands, postures: rows }
  },
  working: (i, out) => [
    ...out.postures.map((row) => ({
      label: row.hands,
      formula: `${i.spacing} + ${row.allowance}`,
      value: i.spacing + row.allowance,
      unit: 'mm' as const,
    })),
    {
      label: 'Range',
      formula: `${out.decides} decides; half a size either way`,
      value: `${out.low.toFixed(0)} to ${out.high.toFixed(0)}`,
      unit: 'mm',
    },
  ],
})
export const saddleRankingCalculation = defineCalculation({
  name: 'saddle-ranking',
  title: 'Saddles ranked for a rider',
  summary: 'A weighted mean of marks over criteria whose weights follow readings and complaints; exclusions with their reasons.',
  input: z.strictObject({
    weights: saddleWeightsSchema.default({}),
    rider: z.strictObject({
      mass: optionalNumber('mass', 25, 250, 'kg'),
      spacing: optionalNumber('spacing', 60, 200, 'mm'),
      width: z
        .strictObject({ low: numberField('width.low', 60, 320, 'mm'), high: numberField('width.high', 60, 320, 'mm') })
        .nullable()
        .default(null),
      torso: optionalNumber('torso', -90, 180, 'degrees'),
      softTissue: z.boolean().default(false),
      sitBones: z.boolean().default(false),
      rocks: z.boolean().default(false),
      creeps: z.boolean().default(false),
      hours: optionalNumber('hours', 0, 24, 'h'),
      postRoomDown: optionalNumber('postRoomDown', 0, 400, 'mm'),
      railHeightNow: optionalNumber('railHeightNow', 20, 110, 'mm'),
      tried: z.record(z.string().max(80), numberField('mark', 0, 10, '')).default({}),
    }),
    catalogue: z.array(saddleSpecSchema).min(1).max(500),
  }),
  output: rankingOutput,
  sources: ['common-practice', 'prior'],
  run: ({ weights, rider, catalogue }) =>
    rankingAnswer(
      rankSaddles(
        catalogue.map((spec, i) => ({ id: String(i), spec })),
        rider,
        weights,
      ),
    ),
  working: (_, answer) => rankingWorking(answer),
})
