import { z } from 'zod'
import { frontFields } from '../../../bike/bike.calculations.ts'
import { barKinds } from '../../../bike/bikeKinds.ts'
import { barClamp, flatGrip, stemForClamp } from '../../../bike/cockpit.ts'
import { defineCalculation, numberField, pointSchema } from '../../../kernel/calculation.ts'
import { clampSizes } from './parts.ts'
import { searchCockpit } from './search.ts'

/** As many stems or bars as one search takes. */
const MOST_PARTS = 2000
const clampSize = z
  .enum(clampSizes, { error: `Clamp must be one of ${clampSizes.join(', ')}.` })
  .nullable()
  .default(null)
const price = numberField('price', 0, 5, '').default(2)
const flatShape = {
  barWidth: numberField('barWidth', 350, 1000, 'mm'),
  barRise: numberField('barRise', -60, 200, 'mm'),
  barForward: numberField('barForward', -60, 150, 'mm'),
  barBacksweep: numberField('barBacksweep', -5, 90, 'degrees'),
  barUpsweep: numberField('barUpsweep', -20, 30, 'degrees'),
  barBend: numberField('barBend', 15, 220, 'mm'),
}
const shape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('flat'), ...flatShape }),
  z.strictObject({
    kind: z.literal('drop'),
    hoodWidth: numberField('hoodWidth', 260, 560, 'mm'),
    dropWidth: numberField('dropWidth', 260, 800, 'mm').nullable(),
    barReach: numberField('barReach', 40, 150, 'mm'),
    barDrop: numberField('barDrop', 60, 220, 'mm'),
    barFlare: numberField('barFlare', 0, 45, 'degrees'),
  }),
])
const turn = (name: string) =>
  z.strictObject({
    now: numberField(`${name}.now`, -60, 90, 'degrees').default(0),
    reach: numberField(`${name}.reach`, 0, 30, 'degrees').default(8),
    step: numberField(`${name}.step`, 0.25, 10, 'degrees').default(1),
  })
const list = <Part extends z.ZodType>(part: Part, name: string) =>
  z
    .array(part)
    .min(1, { error: `${name} needs at least one part.` })
    .max(MOST_PARTS, { error: `${name}: at most ${MOST_PARTS} parts.` })

export const cockpitSearchCalculation = defineCalculation({
  name: 'cockpit-search',
  title: 'Stems, spacers, bars and roll for wanted hands',
  summary: 'Every stem, turned over or not, with every height of spacers, bar, roll and lever place, ranked by where it puts the hands.',
  input: z.strictObject({
    bar: z.enum(barKinds),
    front: z.strictObject(frontFields),
    steerer: numberField('steerer', 0, 250, 'mm', 'Spacers under and above the stem together, mm'),
    spacerStep: z.union([z.literal(2.5), z.literal(5), z.literal(10)], { error: 'spacerStep must be 2.5, 5 or 10 mm.' }).default(5),
    stems: list(
      z.strictObject({
        name: z.string().max(80),
        clampSize,
        stemLength: numberField('stemLength', 0, 180, 'mm'),
        stemAngle: numberField('stemAngle', -45, 70, 'degrees'),
        price,
        isOn: z.boolean().default(false),
      }),
      'stems',
    ),
    bars: list(z.strictObject({ name: z.string().max(80), clampSize, price, isOn: z.boolean().default(false), shape }), 'bars'),
    stemWithin: numberField('stemWithin', 0, 200, 'mm').nullable().default(null),
    roll: turn('roll').default({ now: 0, reach: 8, step: 1 }),
    lever: turn('lever')
      .extend({ angle: numberField('angle', -10, 35, 'degrees').default(0) })
      .default({ now: 45, reach: 0, step: 5, angle: 0 }),
    handFromEnd: numberField('handFromEnd', 0, 200, 'mm').default(60),
    needed: numberField('needed', 0, 500, 'mm').default(0),
    wanted: z.discriminatedUnion('hold', [
      z.strictObject({
        hold: z.literal('place'),
        at: pointSchema,
        spacing: numberField('spacing', 150, 950, 'mm').nullable().default(null),
      }),
      z.strictObject({
        hold: z.literal('torso'),
        shoulder: pointSchema,
        chord: numberField('chord', 200, 900, 'mm'),
        acromionWidth: numberField('acromionWidth', 260, 520, 'mm'),
      }),
    ]),
    offset: pointSchema.default({ x: 0, y: 0 }),
    hands: z
      .array(z.strictObject({ back: numberField('back', -30, 90, 'degrees'), up: numberField('up', -40, 60, 'degrees') }))
      .max(2)
      .default([]),
    count: z.int().min(1).max(50).default(10),
  }),
  output: z.object({
    combinations: z.number(),
    leftOut: z.record(z.string(), z.number()),
    lines: z.array(
      z.object({
        stem: z.string(),
        flipped: z.boolean(),
        spacers: z.number(),
        bar: z.string(),
        roll: z.number(),
        lever: z.number(),
        misses: z.number(),
        apart: z.number().nullable(),
        wider: z.number(),
        steering: z.number(),
        score: z.number(),
      }),
    ),
  }),
  sources: ['geometry', 'prior', 'common-practice'],
  run: (input) => {
    const { lines, combinations, leftOut } = searchCockpit(input)
    return {
      combinations,
      leftOut: { ...leftOut },
      lines: lines.map(({ stem, bar, hand: _hand, left: _left, ...line }) => ({
        ...line,
        stem: input.stems[stem]?.name ?? '',
        bar: input.bars[bar]?.name ?? '',
      })),
    }
  },
  working: (_, { lines, combinations }) => [
    { label: 'Combinations', formula: 'stems, turned or not × spacers × bars × rolls × lever places', value: combinations, unit: 'none' },
    ...lines.map(({ stem, flipped, spacers, bar, roll, misses }, i) => ({
      label: `${i + 1}. ${stem}${flipped ? ', turned over' : ''}`,
      formula: `spacers ${spacers}, ${bar}, roll ${roll}°`,
      value: misses,
      unit: 'mm' as const,
    })),
  ],
})

export const likeForLikeStemCalculation = defineCalculation({
  name: 'like-for-like-stem',
  title: 'Stem that keeps the hand under another bar',
  summary: 'Length and angle of the stem that leave the hand where it is when a flat bar of other rise, sweep or width goes on.',
  input: z.strictObject({
    ...frontFields,
    from: z.strictObject({
      ...flatShape,
      barRoll: numberField('barRoll', -60, 60, 'degrees').default(0),
      handFromEnd: numberField('handFromEnd', 0, 200, 'mm').default(60),
    }),
    to: z.strictObject({
      ...flatShape,
      barRoll: numberField('barRoll', -60, 60, 'degrees').default(0),
      handFromEnd: numberField('handFromEnd', 0, 200, 'mm').default(60),
    }),
  }),
  output: z.object({ stemLength: z.number(), stemAngle: z.number(), wider: z.number() }),
  sources: ['geometry'],
  run: ({ from, to, ...front }) => {
    const clamp = barClamp(front)
    const [before, after] = [flatGrip(from).at, flatGrip(to).at]
    return { ...stemForClamp(front, { x: clamp.x + before.x - after.x, y: clamp.y + before.y - after.y }), wider: 2 * (after.z - before.z) }
  },
  working: ({ stemLength, stemAngle }, out) => [
    {
      label: 'Stem',
      formula: `clamp that puts the new bar’s hand where the old one’s was; now ${stemLength} mm`,
      value: out.stemLength,
      unit: 'mm',
      output: 'stemLength',
    },
    { label: 'Stem angle', formula: `now ${stemAngle}°`, value: out.stemAngle, unit: 'deg', output: 'stemAngle' },
    { label: 'Hands further apart by', formula: 'of the two bars', value: out.wider, unit: 'mm', output: 'wider' },
  ],
})
