import { optionalNumber, oneOfKeys, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { defaultLeverSchool, hookPlace, leverSchoolKeys, leverAngleTarget, leverReachLimit, fingerHooksAt } from './rules.ts'

const along = {
  handFromEnd: numberField('handFromEnd', 0, 300, 'mm'),
  handBreadth: numberField('handBreadth', 40, 140, 'mm'),
  gripLength: numberField('gripLength', 40, 260, 'mm'),
}
export const leverClampCalculation = defineCalculation({
  name: 'lever-clamp-target',
  title: 'Lever’s clamp along the bar',
  summary:
    'Where the index finger and the lever’s hook lie from the bar’s end, and where the clamp goes so that the finger lands on the hook.',
  input: z.strictObject({
    ...along,
    leverClamp: numberField('leverClamp', 0, 260, 'mm'),
    leverHook: numberField('leverHook', 0, 200, 'mm'),
  }),
  output: z.object({ finger: z.number(), hook: z.number(), off: z.number(), clamp: z.number() }),
  sources: ['geometry', 'prior', 'common-practice'],
  run: (input) => {
    const place = hookPlace(input)
    return { ...place, clamp: input.leverClamp + place.off }
  },
  working: ({ handFromEnd, handBreadth, gripLength, leverClamp, leverHook }, out) => [
    { label: 'Index finger', formula: `${handFromEnd} + 0.30 · ${handBreadth}`, value: out.finger, unit: 'mm', output: 'finger' },
    { label: 'Hook', formula: `${gripLength} + ${leverClamp} − ${leverHook}`, value: out.hook, unit: 'mm', output: 'hook' },
    { label: 'Hook outside of the finger by', formula: `${out.finger} − ${out.hook}`, value: out.off, unit: 'mm', output: 'off' },
    { label: 'Grip end to clamp, aim', formula: `${leverClamp} + ${out.off}`, value: out.clamp, unit: 'mm', output: 'clamp' },
  ],
})
export const leverAngleCalculation = defineCalculation({
  name: 'lever-angle',
  title: 'Angle of a flat bar’s lever',
  summary: 'What a school asks of the blade, from how far the forearm falls when the rider stands ready.',
  input: z.strictObject({
    forearm: numberField('forearm', -20, 90, 'degrees'),
    angle: optionalNumber('angle', -20, 90, 'degrees'),
    school: z.enum(leverSchoolKeys, oneOfKeys('school', leverSchoolKeys)).default(defaultLeverSchool),
  }),
  output: z.object({ low: z.number(), aim: z.number(), high: z.number(), off: z.number().nullable() }),
  sources: ['common-practice', 'prior'],
  run: ({ forearm, angle, school }) => {
    const target = leverAngleTarget(forearm, school)
    return { ...target, off: angle === null ? null : angle - target.aim }
  },
  working: ({ forearm, angle }, out) => [
    {
      label: 'Aim below level',
      formula: `${forearm} ${out.aim < forearm ? '−' : '+'} ${Math.abs(out.aim - forearm)}`,
      value: out.aim,
      unit: 'deg',
      output: 'aim',
    },
    { label: 'From', formula: 'flattest', value: out.low, unit: 'deg', output: 'low' },
    { label: 'To', formula: 'lowest', value: out.high, unit: 'deg', output: 'high' },
    ...(out.off === null
      ? []
      : [{ label: 'Lower than the aim by', formula: `${angle ?? 0} − ${out.aim}`, value: out.off, unit: 'deg' as const, output: 'off' }]),
  ],
})
export const leverReachCalculation = defineCalculation({
  name: 'lever-reach',
  title: 'Reach of a brake lever',
  summary:
    'Where one finger hooks a blade with a straight wrist, by three bones from a knuckle set back by the grip, and the standard’s limit.',
  input: z.strictObject({
    indexFinger: numberField('indexFinger', 40, 120, 'mm'),
    gripDiameter: numberField('gripDiameter', 15, 60, 'mm').default(32),
    handLength: numberField('handLength', 120, 260, 'mm', 'Only for the limit of small hands, mm').default(185),
    reach: optionalNumber('reach', 10, 150, 'mm'),
  }),
  output: z.object({ hooksAt: z.number(), limit: z.number(), far: z.number().nullable() }),
  sources: ['prior', 'iso-4210', 'pheasant'],
  run: ({ indexFinger, gripDiameter, handLength, reach }) => {
    const at = fingerHooksAt(indexFinger, gripDiameter)
    return { hooksAt: at, limit: leverReachLimit(handLength), far: reach === null ? null : reach - at }
  },
  working: ({ indexFinger, gripDiameter, reach }, out) => [
    {
      label: 'Finger hooks at',
      formula: `bones of ${indexFinger} mm over a grip of ${gripDiameter} mm; ±7, own model`,
      value: out.hooksAt,
      unit: 'mm',
      output: 'hooksAt',
    },
    { label: 'Limit', formula: 'grip dimension of the standard', value: out.limit, unit: 'mm', output: 'limit' },
    ...(out.far === null
      ? []
      : [
          {
            label: 'Further out than the finger hooks by',
            formula: `${reach ?? 0} − ${out.hooksAt}`,
            value: out.far,
            unit: 'mm' as const,
            output: 'far',
          },
        ]),
  ],
})
