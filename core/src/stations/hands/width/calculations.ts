import { plain } from '../../../kernel/message.ts'
import { optionalNumber, oneOfKeys, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { barWidthSchoolKeys, usualWidthSchool, widthSchoolOf, widthTarget, withinCaps } from './rules.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { barKinds, bikeKinds } from '../../../bike/bikeKinds.ts'
import { CUT_A_SIDE, cutPlan } from './cutPlan.ts'

const triple = z.object({ low: z.number(), aim: z.number(), high: z.number() })
export const barWidthTargetsCalculation = defineCalculation({
  name: 'bar-width-targets',
  title: 'Width of the bar',
  summary: 'Width that a school asks for: hood to hood by the shoulders on drop bars, end to end by build, stature or use on flat ones.',
  input: z.strictObject({
    bar: z.enum(barKinds, oneOfKeys('bar', ['flat', 'drop'])),
    kind: z.enum(bikeKinds).default('other'),
    acromionWidth: optionalNumber('acromionWidth', 260, 520, 'mm'),
    stature: optionalNumber('stature', 1200, 2300, 'mm'),
    upperArms: z.tuple([numberField('upperArms', 200, 460, 'mm'), numberField('upperArms', 200, 460, 'mm')]).default([320, 320]),
    handsFromEnd: z.tuple([numberField('handsFromEnd', 0, 200, 'mm'), numberField('handsFromEnd', 0, 200, 'mm')]).default([60, 60]),
    school: z.enum(barWidthSchoolKeys, oneOfKeys('school', barWidthSchoolKeys)).optional(),
    caps: z
      .array(
        z.strictObject({ most: numberField('most', 100, 2000, 'mm'), aim: numberField('aim', 40, 2000, 'mm'), words: z.string().max(80) }),
      )
      .max(10)
      .default([]),
  }),
  output: triple,
  sources: ['common-practice', 'prior', 'iso-4210'],
  run: ({ bar, school: asked, caps, ...input }) => {
    const school = asked ?? usualWidthSchool(bar, input.kind)
    if (widthSchoolOf(school).bar !== bar)
      throw new CalculationError('invalid', `This school is not for ${bar} bars.`, [
        { field: 'school', message: `Choose a school for ${bar} bars.` },
      ])
    const found = widthTarget(school, input)
    if (found === null)
      throw new CalculationError('missing', 'This school lacks what it goes by.', [
        {
          field: school === 'stature' ? 'stature' : school === 'use' ? 'kind' : 'acromionWidth',
          message: school === 'use' ? 'No width is common for this kind of bike.' : 'Not given.',
        },
      ])
    return { ...withinCaps(found, caps).target }
  },
  working: ({ bar, kind, school = usualWidthSchool(bar, kind), acromionWidth, stature, upperArms, handsFromEnd, caps }, out) => [
    {
      label: widthSchoolOf(school).label,
      formula:
        (school === 'build'
          ? `${acromionWidth ?? 0} + (${upperArms[0]} + ${upperArms[1]}) · sin 25° + ${handsFromEnd[0]} + ${handsFromEnd[1]}`
          : school === 'stature'
            ? `0.44 · ${stature ?? 0}`
            : plain(widthSchoolOf(school).says)) + capWords(caps, out.aim),
      value: out.aim,
      unit: 'mm',
      output: 'aim',
    },
    { label: 'From', formula: 'lower end of the band', value: out.low, unit: 'mm', output: 'low' },
    { label: 'To', formula: 'upper end of the band', value: out.high, unit: 'mm', output: 'high' },
  ],
})
/** "; at most 760: the widest common on this kind of bike", where that is what the aim came to. */
function capWords(caps: readonly { readonly aim: number; readonly words: string }[], aim: number): string {
  const held = caps.find((cap) => cap.aim === aim)
  return held === undefined ? '' : `; at most ${held.aim}: ${held.words}`
}

export const cutPlanCalculation = defineCalculation({
  name: 'cut-plan',
  title: 'Cutting a flat bar',
  summary: 'Cuts of the same amount off both ends, a ride between each, down to the aim or to what the bar must not be cut below.',
  input: z.strictObject({
    from: numberField('from', 350, 1000, 'mm'),
    to: numberField('to', 300, 1000, 'mm'),
    perSide: numberField('perSide', CUT_A_SIDE.least, 2 * CUT_A_SIDE.most, 'mm').default(5),
    floors: z
      .array(z.strictObject({ width: numberField('width', 0, 1000, 'mm'), words: z.string().max(80) }))
      .max(10)
      .default([]),
  }),
  output: z.object({
    cuts: z.array(z.object({ n: z.number(), perSide: z.number(), width: z.number(), total: z.number() })),
    width: z.number(),
    stoppedBy: z.string().nullable(),
  }),
  sources: ['geometry', 'common-practice', 'iso-4210'],
  run: ({ from, to, perSide, floors }) => {
    const plan = cutPlan(from, to, perSide, floors)
    return { cuts: [...plan.cuts], width: plan.width, stoppedBy: plan.stoppedBy?.words ?? null }
  },
  working: ({ from }, { cuts, stoppedBy }) =>
    cuts.length === 0
      ? [{ label: 'No cut', formula: stoppedBy ?? 'the bar is not too wide', value: from, unit: 'mm' }]
      : cuts.map(({ n, perSide, width, total }) => ({
          label: `Cut ${n}`,
          formula: `2 · ${perSide} off, ${total} in all`,
          value: width,
          unit: 'mm' as const,
        })),
})
