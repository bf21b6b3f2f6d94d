import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { legFields } from '../../../body/leg.calculations.ts'
import { heightMethodKeys, heightMethods, heightsFor } from './methods.ts'

export const saddleHeightsCalculation = defineCalculation({
  name: 'saddle-heights',
  title: 'Saddle-height methods side by side',
  summary: 'What each method gives for this leg, all from the bottom bracket to the saddle’s top along the seat line.',
  input: z.strictObject({
    inseam: numberField('inseam', 400, 1300, 'mm'),
    leg: z.strictObject(legFields),
    pedalling: z.boolean({ error: 'pedalling must be true or false.' }).default(false),
  }),
  output: z.object({
    heights: z.array(z.object({ key: z.enum(heightMethodKeys), low: z.number().nullable(), high: z.number().nullable() })),
  }),
  sources: ['holmes', 'ferrer-roca', 'fonda', 'hamley-thomas', 'common-practice', 'geometry'],
  run: ({ inseam, leg, pedalling }) => ({ heights: heightsFor({ inseam, leg: { ...leg, saddleHeight: 0 }, pedalling }) }),
  working: ({ inseam, leg, pedalling }, { heights }) =>
    heights.map(({ key, low, high }) => ({
      label: heightMethods[key].label,
      formula: {
        'static-knee': pedalling
          ? 'heights that give 35° + 7.5° and 25° + 7.5°: the knee was read while pedalling'
          : 'heights that give 35° and 25°',
        'dynamic-knee': pedalling ? 'the same for 40° and 30°' : 'the same for 40° − 7.5° and 30° − 7.5°',
        'inseam-883': `0.883 · ${inseam}`,
        'inseam-109': `1.09 · ${inseam} − ${leg.crank}`,
        regression: `221 + 0.896 · ${inseam} − 1.5 · (40, 30) − ${leg.crank}`,
        heel: 'straight leg, ankle over the axle, crank along the seat line',
      }[key],
      value: low === null || high === null ? 'no height gives it' : low === high ? low : `${low.toFixed(1)} to ${high.toFixed(1)}`,
      unit: 'mm' as const,
    })),
})
