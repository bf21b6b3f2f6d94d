import { messageSchema, plain } from '../../../kernel/message.ts'
import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { usualStock, stanceOptions, STANCE_MET, LEAST_THREAD } from './search.ts'
import { bySide } from '../../../kernel/sided.ts'
import { signed } from '../../../kernel/fields.ts'
import { turnsOfRide } from './targets.ts'

const partSide = (side: string) =>
  z.strictObject({
    washer: numberField(`${side}.washer`, 0, 20, 'mm').default(0),
    adapter: numberField(`${side}.adapter`, 0, 80, 'mm').default(0),
    axle: numberField(`${side}.axle`, 35, 130, 'mm').default(53),
    cleatInboard: numberField(`${side}.cleatInboard`, -15, 15, 'mm').default(0),
    target: numberField(`${side}.target`, 60, 260, 'mm', 'Half stance wanted'),
    low: numberField(`${side}.low`, 40, 280, 'mm', 'Least half stance that counts as met').optional(),
    high: numberField(`${side}.high`, 40, 280, 'mm', 'Largest that counts as met').optional(),
    cleatOut: numberField(`${side}.cleatOut`, 0, 25, 'mm', 'How far the cleat can go inward on the shoe, which moves the foot out').default(
      2,
    ),
    cleatIn: numberField(`${side}.cleatIn`, 0, 25, 'mm', 'How far it can go outward on the shoe').default(2),
    thread: numberField(`${side}.thread`, 6, 30, 'mm').nullable().default(null),
  })
const sizes = (label: string, usual: readonly number[]) =>
  z
    .array(numberField(label, 0, 350, 'mm'))
    .max(10, { error: `${label} takes at most 10 sizes.` })
    .default([...usual])
const sidedNumbers = z.object({ left: z.number(), right: z.number() })
const stanceMove = z.object({ mean: z.string(), side: z.string(), from: z.number(), to: z.number() })
export const stanceOptionsCalculation = defineCalculation({
  name: 'stance-options',
  title: 'Ways to a stance',
  summary: 'Cheapest safe combination of cleat, washer, axle, adapter and crank that brings both feet where they are wanted.',
  input: z.strictObject({
    tread: numberField('tread', 50, 350, 'mm'),
    left: partSide('left'),
    right: partSide('right'),
    washers: sizes('washers', usualStock.washers),
    axles: sizes('axles', usualStock.axles),
    adapters: sizes('adapters', usualStock.adapters),
    treads: sizes('treads', usualStock.treads),
  }),
  output: z.object({
    options: z.array(
      z.object({
        words: messageSchema,
        cost: z.number(),
        reaches: z.boolean(),
        left: sidedNumbers,
        miss: sidedNumbers,
        threadLeft: sidedNumbers,
        reversible: z.string(),
        moves: z.array(stanceMove).readonly(),
      }),
    ),
  }),
  sources: ['common-practice', 'iso-261', 'prior'],
  run: ({ tread, left, right, ...stock }) => {
    const half = { left, right }
    return {
      options: stanceOptions({
        now: bySide((side) => ({ ...half[side], tread })),
        target: bySide((side) => half[side].target),
        band: bySide((side) => ({
          low: half[side].low ?? half[side].target - STANCE_MET,
          high: half[side].high ?? half[side].target + STANCE_MET,
        })),
        cleatRoom: bySide((side) => ({ low: -half[side].cleatIn, high: half[side].cleatOut })),
        thread: bySide((side) => half[side].thread),
        stock,
      }).map(({ parts: _parts, ...option }) => option),
    }
  },
  working: (_, { options }) =>
    options.map((option, i) => ({
      label: `${i + 1}. ${plain(option.words)}`,
      formula: `cost ${option.cost}; thread left ${signed(option.threadLeft.left)} / ${signed(option.threadLeft.right)}, at least ${signed(LEAST_THREAD)}; ${option.reaches ? 'reaches it' : 'falls short'}`,
      value: Math.max(Math.abs(option.left.left), Math.abs(option.left.right)),
      unit: 'mm' as const,
    })),
})
export const turnsOfRideCalculation = defineCalculation({
  name: 'turns-of-ride',
  title: 'Turns of the crank on a ride',
  summary: 'How often a small misalignment repeats, each leg.',
  input: z.strictObject({ hours: numberField('hours', 0, 24, 'h'), cadence: numberField('cadence', 30, 140, 'rpm') }),
  output: z.object({ turns: z.number() }),
  sources: ['geometry'],
  run: ({ hours, cadence }) => ({ turns: turnsOfRide(hours, cadence) }),
  working: (i, { turns }) => [{ label: 'Turns', formula: `${i.hours} · 60 · ${i.cadence}`, value: turns, unit: 'none', output: 'turns' }],
})
