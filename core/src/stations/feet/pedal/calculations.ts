import { optionalNumber, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { rankingOutput, rankingAnswer, rankingWorking } from '../../../kernel/rankingAnswer.ts'
import { optionsOf } from '../../../readings/readingDefinitions.ts'
import type { ChoiceKey } from '../../../readings/readingDefinitions.ts'
import { rankPedals } from './ranking.ts'
import { boltPatterns, pedalSpecSchema } from './kinds.ts'
import { weightsSchema } from './criteria.ts'

/** One of a reading’s words by its key; left out = not read. */
export function optionField<Key extends ChoiceKey>(key: Key) {
  const options = optionsOf(key)
  return z
    .enum(options, { error: `${key} must be one of ${options.join(', ')}.` })
    .nullable()
    .default(null)
}
export const pedalRankingCalculation = defineCalculation({
  name: 'pedal-ranking',
  title: 'Pedal systems for a rider',
  summary: 'Weighted mean of marks per criterion, with exclusions, the schools’ verdicts and what would make the second win.',
  input: z.strictObject({
    weights: weightsSchema,
    rider: z.strictObject({
      mass: optionalNumber('rider.mass', 20, 250, 'kg'),
      soleStiffness: optionField('soleStiffness'),
      forefoot: z.boolean().default(false),
      knee: z.boolean().default(false),
      entry: z.boolean().default(false),
      loose: z.boolean().default(false),
      bowLegged: z.boolean().default(false),
      use: z.enum(['town', 'mountain', 'road', 'long']).default('road'),
      widen: numberField('rider.widen', 0, 100, 'mm').default(0),
      swing: optionalNumber('rider.swing', 0, 50, 'degrees'),
      bolts: z.enum(boltPatterns).nullable().default(null),
      kindNow: optionField('pedalKind'),
      axleNow: optionalNumber('rider.axleNow', 35, 130, 'mm'),
      hours: optionalNumber('rider.hours', 0, 24, 'h'),
    }),
    catalogue: z.array(pedalSpecSchema).min(1).max(500),
  }),
  output: rankingOutput,
  sources: ['common-practice', 'prior'],
  run: ({ weights, rider, catalogue }) =>
    rankingAnswer(
      rankPedals(
        catalogue.map((spec, i) => ({ id: String(i), spec })),
        rider,
        weights,
      ),
    ),
  working: (_, answer) => rankingWorking(answer),
})
