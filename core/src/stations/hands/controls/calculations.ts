import { optionalNumber, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { barRoom, narrowestFor } from '../bar/room.ts'
import { sweep } from '../roll/calculations.ts'

export const barRoomCalculation = defineCalculation({
  name: 'bar-room',
  title: 'Room on a half of the bar',
  summary: 'Straight part of a flat bar’s half, what grip and clamps take of it, what is left, and the narrowest bar they still fit.',
  input: z.strictObject({
    barWidth: numberField('barWidth', 300, 1000, 'mm'),
    barBend: numberField('barBend', 0, 300, 'mm'),
    barBacksweep: sweep('barBacksweep').default(0),
    barUpsweep: numberField('barUpsweep', -20, 40, 'degrees').default(0),
    pieces: z
      .array(
        z.strictObject({
          key: z.enum(['grip', 'brake', 'shifter', 'remote']),
          label: z.string().max(60).default(''),
          width: numberField('width', 0, 300, 'mm'),
          middle: optionalNumber('middle', 0, 500, 'mm'),
        }),
      )
      .max(12),
  }),
  output: z.object({ straight: z.number(), taken: z.number(), left: z.number(), inside: z.number(), narrowest: z.number() }),
  sources: ['geometry'],
  run: ({ pieces, ...bar }) => {
    const { straight, left, inside } = barRoom(bar, pieces)
    const taken = pieces.reduce((sum, { width }) => sum + width, 0)
    return { straight, taken, left, inside, narrowest: narrowestFor(bar, taken) }
  },
  working: ({ barWidth, barBend, pieces }, out) => [
    {
      label: 'Straight part',
      formula: `(${barWidth} ÷ 2 − ${barBend}) along the arm`,
      value: out.straight,
      unit: 'mm',
      output: 'straight',
    },
    {
      label: 'Grip and clamps',
      formula: pieces.map(({ width }) => width).join(' + ') || '0',
      value: out.taken,
      unit: 'mm',
      output: 'taken',
    },
    { label: 'Left', formula: `${out.straight} − ${out.taken}`, value: out.left, unit: 'mm', output: 'left' },
    { label: 'Inside of the last clamp', formula: 'as they stand', value: out.inside, unit: 'mm', output: 'inside' },
    {
      label: 'Narrowest bar',
      formula: `2 · (${barBend} + ${out.taken} straight across)`,
      value: out.narrowest,
      unit: 'mm',
      output: 'narrowest',
    },
  ],
})
