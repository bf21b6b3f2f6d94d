import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { tiltUseKeys, climbTilt, tiltTarget, tiltUses } from './rules.ts'
import { headKinds, threads, tiltTurns, threadPitches } from './bolts.ts'

export const tiltTurnsCalculation = defineCalculation({
  name: 'tilt-turns',
  title: 'Bolt turns for a saddle’s tilt',
  summary: 'Turns of the head’s bolts from thread pitch and distance, in eighths, which bolt and which way, alternating.',
  input: z.strictObject({
    kind: z.enum(headKinds, { error: `kind must be one of ${headKinds.join(', ')}.` }),
    change: numberField('change', -20, 20, 'degrees', 'Nose up is plus'),
    thread: z.enum(threads, { error: `thread must be one of ${threads.join(', ')}.` }).default('M6'),
    spacing: numberField('spacing', 15, 90, 'mm', 'Bolts apart, or tilt screw to pivot').default(40),
    notch: numberField('notch', 0.2, 8, 'degrees').default(1),
  }),
  output: z.object({
    turns: z.number().nullable(),
    perTurn: z.number().nullable(),
    gives: z.number(),
    left: z.number(),
    steps: z.array(z.object({ bolt: z.enum(['front', 'rear', 'clamp', 'screw']), eighths: z.number(), words: z.string() })),
  }),
  sources: ['geometry', 'iso-261', 'common-practice'],
  run: ({ change, ...head }) => {
    const { steps, ...turns } = tiltTurns(head, change)
    return { ...turns, steps: [...steps] }
  },
  working: (i, out) => [
    ...(out.turns === null
      ? []
      : [
          {
            label: 'One turn of one bolt',
            formula: `atan(${threadPitches[i.thread]} / ${i.spacing})`,
            value: out.perTurn ?? 0,
            unit: 'deg' as const,
            output: 'perTurn',
          },
          {
            label: 'Turns, both bolts together',
            formula: `${i.spacing} · tan ${Math.abs(i.change)}° / ${threadPitches[i.thread]}`,
            value: out.turns,
            unit: 'none' as const,
            output: 'turns',
          },
        ]),
    {
      label: 'What eighths give',
      formula: out.steps.map(({ words }) => words).join('; ') || 'nothing to do',
      value: out.gives,
      unit: 'deg',
      output: 'gives',
    },
  ],
})
export const climbTiltCalculation = defineCalculation({
  name: 'climb-tilt',
  title: 'Tilt on a climb',
  summary: 'How far the slope and the suspension stand the bike nose up, and the target that follows.',
  input: z.strictObject({
    rearSag: numberField('rearSag', 0, 120, 'mm').default(0),
    forkSag: numberField('forkSag', 0, 120, 'mm').default(0),
    wheelbase: numberField('wheelbase', 700, 2600, 'mm'),
    gradient: numberField('gradient', 0, 40, '%').default(0),
    use: z.enum(tiltUseKeys, { error: `use must be one of ${tiltUseKeys.join(', ')}.` }).default('mountain'),
  }),
  output: z.object({ slope: z.number(), sag: z.number(), shift: z.number(), low: z.number(), high: z.number(), aim: z.number() }),
  sources: ['geometry', 'common-practice', 'prior'],
  run: ({ use, ...input }) => {
    const climb = climbTilt(input)
    const { band, aim } = tiltTarget(use, climb, { down: [], up: [] })
    return { ...climb, low: band.low, high: band.high, aim }
  },
  working: (i, out) => [
    { label: 'Slope', formula: `atan(${i.gradient} / 100)`, value: out.slope, unit: 'deg', output: 'slope' },
    { label: 'Suspension', formula: `atan((${i.rearSag} − ${i.forkSag}) / ${i.wheelbase})`, value: out.sag, unit: 'deg', output: 'sag' },
    { label: 'Target goes', formula: 'suspension whole, of the slope a share, at most 3°', value: out.shift, unit: 'deg', output: 'shift' },
    { label: 'Band', formula: `${tiltUses[i.use].label}, shifted`, value: `${out.low.toFixed(1)} to ${out.high.toFixed(1)}`, unit: 'deg' },
  ],
})
