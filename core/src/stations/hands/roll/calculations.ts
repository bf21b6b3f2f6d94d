import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { gripAlignment, alignmentGap, rollForAlignment } from './gripAlignment.ts'

export const sweep = (label: string) => numberField(label, -30, 90, 'degrees')
const alignment = z.strictObject({ back: numberField('back', -30, 90, 'degrees'), up: numberField('up', -40, 60, 'degrees') })
export const gripAlignmentCalculation = defineCalculation({
  name: 'grip-alignment',
  title: 'Grip against hand',
  summary: 'How a flat bar’s grip lies after roll, and what the hand’s own direction has over it, in both planes and in space.',
  input: z.strictObject({
    barBacksweep: sweep('barBacksweep'),
    barUpsweep: sweep('barUpsweep'),
    barRoll: numberField('barRoll', -60, 60, 'degrees').default(0),
    hand: alignment,
  }),
  output: z.object({ gripBack: z.number(), gripUp: z.number(), back: z.number(), up: z.number(), apart: z.number() }),
  sources: ['geometry', 'prior'],
  run: ({ hand, ...bar }) => {
    const grip = gripAlignment(bar)
    return { gripBack: grip.back, gripUp: grip.up, ...alignmentGap(hand, bar) }
  },
  working: ({ barBacksweep, barUpsweep, barRoll, hand }, out) => [
    {
      label: 'Grip, back',
      formula: `(−tan ${barBacksweep}°, tan ${barUpsweep}°, 1) turned by ${barRoll}°`,
      value: out.gripBack,
      unit: 'deg',
      output: 'gripBack',
    },
    { label: 'Grip, up', formula: 'of the same direction', value: out.gripUp, unit: 'deg', output: 'gripUp' },
    { label: 'Hand over grip, back', formula: `${hand.back} − ${out.gripBack}`, value: out.back, unit: 'deg', output: 'back' },
    { label: 'Hand over grip, up', formula: `${hand.up} − ${out.gripUp}`, value: out.up, unit: 'deg', output: 'up' },
    { label: 'Apart in space', formula: 'angle between the two directions', value: out.apart, unit: 'deg', output: 'apart' },
  ],
})
export const rollForAlignmentCalculation = defineCalculation({
  name: 'roll-for-alignment',
  title: 'Roll that suits the hands',
  summary: 'The roll at which a flat bar’s grips lie nearest both hands’ own directions, and what is left.',
  input: z.strictObject({
    barBacksweep: sweep('barBacksweep'),
    barUpsweep: sweep('barUpsweep'),
    hands: z.array(alignment).min(1, { error: 'hands needs at least one hand.' }).max(2),
  }),
  output: z.object({ roll: z.number(), left: z.array(z.object({ back: z.number(), up: z.number(), apart: z.number() })) }),
  sources: ['geometry'],
  run: ({ hands, ...bar }) => {
    const roll = rollForAlignment(hands, bar)
    return { roll, left: hands.map((hand) => ({ ...alignmentGap(hand, { ...bar, barRoll: roll }) })) }
  },
  working: (_, { roll, left }) => [
    {
      label: 'Roll',
      formula: 'turns the grip’s part square to the bar onto the sum of the hands’',
      value: roll,
      unit: 'deg',
      output: 'roll',
    },
    ...left.map(({ apart }, i) => ({
      label: `Left, hand ${i + 1}`,
      formula: 'angle between hand and grip there',
      value: apart,
      unit: 'deg' as const,
    })),
  ],
})
