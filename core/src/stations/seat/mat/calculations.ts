import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { analyseMat } from './analysis.ts'
import { MAT_LIMITS } from './format.ts'

export const matCalculation = defineCalculation({
  name: 'pressure-mat',
  title: 'What a pressure mat says',
  summary: 'Frames of a mat: sit bones and their spacing, shares, centre of pressure and its wander.',
  input: z
    .strictObject({
      frames: z
        .array(
          z.strictObject({
            at: numberField('at', 0, 100000, 's', 'Seconds from the beginning'),
            values: z.array(numberField('values', 0, MAT_LIMITS.pressure, 'kPa')).max(65536),
          }),
        )
        .min(1, { error: 'frames needs at least one frame.' })
        .max(100, { error: 'frames takes at most 100 frames here.' }),
      rows: numberField('rows', ...MAT_LIMITS.cells, ''),
      columns: numberField('columns', ...MAT_LIMITS.cells, ''),
      cellAcross: numberField('cellAcross', ...MAT_LIMITS.cell, 'mm'),
      cellAlong: numberField('cellAlong', ...MAT_LIMITS.cell, 'mm'),
    })
    .superRefine(({ frames, rows, columns }, context) => {
      frames.forEach(({ values }, i) => {
        if (values.length !== rows * columns)
          context.addIssue({
            code: 'custom',
            path: ['frames', i, 'values'],
            message: `A frame must have ${rows} × ${columns} values; this one has ${values.length}.`,
          })
      })
    }),
  output: z.object({
    frames: z.number(),
    seconds: z.number(),
    peak: z.number(),
    force: z.number(),
    area: z.number(),
    spacing: z.number().nullable(),
    spacingPlusMinus: z.number().nullable(),
    turned: z.number().nullable(),
    left: z.number(),
    front: z.number(),
    softTissue: z.number(),
    softPeak: z.number(),
    centre: z.object({ x: z.number(), y: z.number() }),
    wander: z.object({ x: z.number(), y: z.number() }),
    asymmetry: z.number(),
    rocking: z.number(),
  }),
  sources: ['geometry', 'common-practice', 'prior'],
  run: ({ frames, ...size }) => {
    const header = { ...size, source: '', simulated: false }
    const result = analyseMat(
      header,
      frames.map(({ at, values }) => ({ at, values: Float32Array.from(values) })),
    )
    if (result === null)
      throw new CalculationError('empty', 'Nothing presses on the mat in this recording.', [
        { field: 'frames', message: 'Nothing presses on the mat.' },
      ])
    const { mean: _mean, bones: _bones, peakAt: _peakAt, ...numbers } = result
    return numbers
  },
  working: (_, out) => [
    {
      label: 'Spacing',
      formula: out.spacing === null ? 'no pair of bones stands out' : 'tops of two bells laid through the cells about the peaks',
      value: out.spacing ?? '–',
      unit: 'mm',
    },
    { label: 'Left', formula: 'load left of the middle line over all', value: 100 * out.left, unit: '%' },
    { label: 'Before the bones', formula: 'load ahead of their line over all', value: 100 * out.front, unit: '%' },
    { label: 'Middle before the bones', formula: 'within a quarter of the spacing either way', value: 100 * out.softTissue, unit: '%' },
    {
      label: 'Centre strays',
      formula: 'two deviations across, along',
      value: `${out.wander.x.toFixed(1)}, ${out.wander.y.toFixed(1)}`,
      unit: 'mm',
    },
  ],
})
