import { oneOfKeys, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { gripSchoolKeys, defaultGripSchool, gripTarget } from './rules.ts'

export const gripDiameterCalculation = defineCalculation({
  name: 'grip-diameter',
  title: 'Diameter of the grip',
  summary: 'Full diameter that closes best round a hand, by its length, held to what is made.',
  input: z.strictObject({
    handLength: numberField('handLength', 120, 260, 'mm'),
    school: z.enum(gripSchoolKeys, oneOfKeys('school', gripSchoolKeys)).default(defaultGripSchool),
  }),
  output: z.object({ own: z.number(), aim: z.number() }),
  sources: ['kong-lowe', 'common-practice'],
  run: ({ handLength, school }) => ({ ...gripTarget(handLength, school) }),
  working: ({ handLength, school }, out) => [
    {
      label: 'By the hand',
      formula: `0.197 · ${handLength}${school === 'thinner' ? ' − 2' : ''}`,
      value: out.own,
      unit: 'mm',
      output: 'own',
    },
    { label: 'Held to what is made', formula: '28 to 36 mm', value: out.aim, unit: 'mm', output: 'aim' },
  ],
})
