import { joined, messageSchema, msg, plain } from '../../../kernel/message.ts'
import { optionalNumber, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { differencePlaces, judgeLegLength } from './judge.ts'

export const legLengthCalculation = defineCalculation({
  name: 'leg-length',
  title: 'Leg-length difference',
  summary: 'How much of it to put under the sole at first, and when a clinician comes first.',
  input: z.strictObject({
    difference: numberField('difference', -60, 60, 'mm', 'The right one is the shorter: plus'),
    differencePlusMinus: numberField('differencePlusMinus', 0, 20, 'mm').default(5),
    place: z.enum(differencePlaces, { error: `place must be one of ${differencePlaces.join(', ')}.` }).default('unknown'),
    stackLeft: optionalNumber('stackLeft', 0, 90, 'mm'),
    stackRight: optionalNumber('stackRight', 0, 90, 'mm'),
    pain: numberField('pain', 0, 10, '').default(0),
  }),
  output: z.object({
    state: z.enum(['missing', 'none', 'refer', 'shim', 'met']),
    shorter: z.enum(['left', 'right']).nullable(),
    start: z.number(),
    already: z.number(),
    now: z.number(),
    words: z.array(messageSchema),
  }),
  sources: ['common-practice', 'knutson', 'prior'],
  run: ({ difference, differencePlusMinus, place, stackLeft, stackRight, pain }) => {
    const mm = (value: number | null) => (value === null ? null : ({ value, plusMinus: 1, unit: 'mm', basis: 'measured' } as const))
    const { findings, ...judged } = judgeLegLength({
      difference: { value: difference, plusMinus: differencePlusMinus, unit: 'mm', basis: 'measured' },
      place,
      stack: { left: mm(stackLeft), right: mm(stackRight) },
      cleat: { left: null, right: null },
      pelvisLevel: null,
      pain,
    })
    return { ...judged, words: findings.map(({ headline, sentence }) => msg`${headline} ${sentence}`) }
  },
  working: (i, out) => [
    {
      label: 'To start with',
      formula: out.start > 0 ? `half of ${Math.abs(i.difference)}, whole halves of a mm` : plain(joined(out.words)),
      value: out.start,
      unit: 'mm',
      output: 'start',
    },
    { label: 'Already there', formula: 'stack under the shorter leg less the other', value: out.already, unit: 'mm', output: 'already' },
    { label: 'Now', formula: 'at most 3 at a time', value: out.now, unit: 'mm', output: 'now' },
  ],
})
