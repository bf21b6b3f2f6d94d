import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { optionField } from '../pedal/calculations.ts'
import { pedalKinds } from '../pedal/kinds.ts'
import { boltBite, LEAST_BITE } from './bolts.ts'
import { cleatUse } from './cleatWear.ts'

export const cleatUseCalculation = defineCalculation({
  name: 'cleat-use',
  title: 'Use of a pair of cleats',
  summary: 'How far a pair of cleats is used, by distance or hours, its kind, and walking.',
  input: z.strictObject({
    distance: numberField('distance', 0, 60000, 'km').nullable(),
    hours: numberField('hours', 0, 5000, 'h').nullable().default(null),
    kind: z.enum(pedalKinds, { error: `kind must be one of ${pedalKinds.join(', ')}.` }),
    walking: optionField('cleatWalking'),
    recess: optionField('recess'),
  }),
  output: z.object({
    use: z.object({ ridden: z.number(), life: z.number(), share: z.number(), from: z.enum(['distance', 'hours']) }).nullable(),
  }),
  sources: ['prior'],
  run: (input) => ({ use: cleatUse(input) }),
  working: (_, { use: out }) =>
    out === null
      ? [{ label: 'Use', formula: 'neither distance nor hours told, or no cleat', value: 'not known', unit: 'none' }]
      : [
          {
            label: 'Ridden',
            formula: out.from === 'hours' ? 'hours at the usual speed' : 'as told',
            value: out.ridden,
            unit: 'km',
            output: 'use.ridden',
          },
          { label: 'Life of such a cleat', formula: 'by kind, less what walking takes', value: out.life, unit: 'km', output: 'use.life' },
          { label: 'Used', formula: 'ridden / life', value: out.share, unit: 'none', output: 'use.share' },
        ],
})
const bolt = (label: string, min: number, max: number) => numberField(label, min, max, 'mm')
const plain = (value: number) => ({ value, plusMinus: 0, unit: 'mm', basis: 'measured' }) as const
export const boltBiteCalculation = defineCalculation({
  name: 'bolt-bite',
  title: 'Cleat bolt in the sole',
  summary: 'How much of a bolt reaches into the sole, and how much is spare before it comes through.',
  input: z.strictObject({ length: bolt('length', 4, 30), plate: bolt('plate', 1, 15), depth: bolt('depth', 3, 40) }),
  output: z.object({ bite: z.number(), spare: z.number() }),
  sources: ['geometry', 'iso-261'],
  run: ({ length, plate: under, depth }) => {
    const { bite, spare } = boltBite(plain(length), plain(under), plain(depth))
    return { bite, spare }
  },
  working: (i, out) => [
    {
      label: 'Reaches into the sole',
      formula: `${i.length} − ${i.plate}; at least ${LEAST_BITE}`,
      value: out.bite,
      unit: 'mm',
      output: 'bite',
    },
    { label: 'Spare before it comes through', formula: `${i.depth} − that`, value: out.spare, unit: 'mm', output: 'spare' },
  ],
})
