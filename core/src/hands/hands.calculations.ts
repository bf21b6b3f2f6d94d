import { z } from 'zod'
import { barKinds, bikeKinds } from '../bike/bikeKinds.ts'
import { defineCalculation, numberField } from '../calculation.ts'
import { visitFields } from '../change/rider.calculations.ts'
import { setupOf, standingOf } from '../change/setup.ts'
import { CalculationError } from '../quantity/problem.ts'
import { barRoom, narrowestFor } from './barRoom.ts'
import { cutPlan, CUT_A_SIDE } from './cutPlan.ts'
import { alignmentGap, gripAlignment, rollForAlignment } from './gripAlignment.ts'
import { defaultGripSchool, gripSchoolKeys, gripTarget } from './grips.ts'
import { broadMiddle, handSweep } from './handSweep.ts'
import { defaultLeverSchool, fingerHooksAt, hookPlace, leverAngleTarget, leverReachLimit, leverSchoolKeys } from './levers.ts'
import { steeringArm, turnPerCentimetre } from './steering.ts'
import { defaultWidthSchool, widthSchoolKeys, widthSchoolOf, widthTarget } from './width.ts'

const optional = (label: string, min: number, max: number, unit: string) => numberField(label, min, max, unit).nullable().default(null)
const sweep = (label: string) => numberField(label, -30, 90, 'degrees')
const alignment = z.strictObject({ back: numberField('back', -30, 90, 'degrees'), up: numberField('up', -40, 60, 'degrees') })
const keyOf = (name: string, keys: readonly [string, ...string[]]) => ({ error: `${name} must be one of ${keys.join(', ')}.` })
const triple = z.object({ low: z.number(), aim: z.number(), high: z.number() })

export const barWidthTargetsCalculation = defineCalculation({
  name: 'bar-width-targets',
  title: 'Width of the bar',
  summary: 'Width that a school asks for: hood to hood by the shoulders on drop bars, end to end by build, stature or use on flat ones.',
  input: z.strictObject({
    bar: z.enum(barKinds, keyOf('bar', ['flat', 'drop'])),
    kind: z.enum(bikeKinds).default('other'),
    acromionWidth: optional('acromionWidth', 260, 520, 'mm'),
    stature: optional('stature', 1200, 2300, 'mm'),
    upperArms: z.tuple([numberField('upperArms', 200, 460, 'mm'), numberField('upperArms', 200, 460, 'mm')]).default([320, 320]),
    handsFromEnd: z.tuple([numberField('handsFromEnd', 0, 200, 'mm'), numberField('handsFromEnd', 0, 200, 'mm')]).default([60, 60]),
    school: z.enum(widthSchoolKeys, keyOf('school', widthSchoolKeys)).optional(),
  }),
  output: triple,
  sources: ['common-practice', 'prior', 'iso-4210'],
  run: ({ bar, school = defaultWidthSchool[bar], ...input }) => {
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
    return { ...found }
  },
  working: ({ bar, school = defaultWidthSchool[bar], acromionWidth, stature, upperArms, handsFromEnd }, out) => [
    {
      label: widthSchoolOf(school).label,
      formula:
        school === 'build'
          ? `${acromionWidth ?? 0} + (${upperArms[0]} + ${upperArms[1]}) · sin 25° + ${handsFromEnd[0]} + ${handsFromEnd[1]}`
          : school === 'stature'
            ? `0.44 · ${stature ?? 0}`
            : widthSchoolOf(school).says,
      value: out.aim,
      unit: 'mm',
      output: 'aim',
    },
    { label: 'From', formula: 'lower end of the band', value: out.low, unit: 'mm', output: 'low' },
    { label: 'To', formula: 'upper end of the band', value: out.high, unit: 'mm', output: 'high' },
  ],
})

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
      ? [{ label: 'No cut', formula: stoppedBy ?? 'the bar is no wider than asked', value: from, unit: 'mm' }]
      : cuts.map(({ n, perSide, width, total }) => ({
          label: `Cut ${n}`,
          formula: `2 · ${perSide} off, ${total} in all`,
          value: width,
          unit: 'mm' as const,
        })),
})

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
    angle: optional('angle', -20, 90, 'degrees'),
    school: z.enum(leverSchoolKeys, keyOf('school', leverSchoolKeys)).default(defaultLeverSchool),
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
    reach: optional('reach', 10, 150, 'mm'),
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

export const gripDiameterCalculation = defineCalculation({
  name: 'grip-diameter',
  title: 'Diameter of the grip',
  summary: 'Full diameter that closes best round a hand, by its length, held to what is made.',
  input: z.strictObject({
    handLength: numberField('handLength', 120, 260, 'mm'),
    school: z.enum(gripSchoolKeys, keyOf('school', gripSchoolKeys)).default(defaultGripSchool),
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
          middle: optional('middle', 0, 500, 'mm'),
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

export const steeringArmCalculation = defineCalculation({
  name: 'steering-arm',
  title: 'Steering arm of the hands',
  summary: 'Distance of a hand from the steering axis, and how far the front turns for 10 mm of its travel. An index to compare.',
  input: z.strictObject({
    headAngle: numberField('headAngle', 55, 82, 'degrees'),
    axisX: numberField('axisX', -2000, 2000, 'mm', 'A point on the steerer, forward of the bottom bracket, mm'),
    axisY: numberField('axisY', -2000, 2000, 'mm'),
    handX: numberField('handX', -2000, 2000, 'mm'),
    handY: numberField('handY', -2000, 2000, 'mm'),
    handOut: numberField('handOut', 1, 600, 'mm', 'Middle of the bike to the middle of the hand, mm'),
  }),
  output: z.object({ arm: z.number(), turn: z.number() }),
  sources: ['geometry'],
  run: ({ headAngle, axisX, axisY, handX, handY, handOut }) => {
    const arm = steeringArm({ at: { x: axisX, y: axisY }, headAngle }, { x: handX, y: handY, z: handOut })
    return { arm, turn: turnPerCentimetre(arm) }
  },
  working: ({ handOut }, { arm, turn }) => [
    { label: 'Arm', formula: `√(${handOut}² + distance from the axis in the side view²)`, value: arm, unit: 'mm', output: 'arm' },
    { label: 'Turn for 10 mm of travel', formula: `10 ÷ ${arm}, in degrees`, value: turn, unit: 'deg', output: 'turn' },
  ],
})

const point = z.object({
  at: z.number(),
  torso: z.number().nullable(),
  neck: z.number().nullable(),
  load: z.number().nullable(),
  hip: z.number().nullable(),
  gap: z.number().nullable(),
})

export const handHeightSweepCalculation = defineCalculation({
  name: 'hand-height-sweep',
  title: 'Hands up and down',
  summary:
    'Torso, neck, hip, hand load and the knee’s gap as the hands go 60 mm down and up from where they are, reach held, with the broad middle.',
  input: z.strictObject({
    ...visitFields,
    lowEdge: optional('lowEdge', -200, 200, 'mm'),
    highEdge: optional('highEdge', -200, 200, 'mm'),
  }),
  output: z.object({ points: z.array(point), low: z.number().nullable(), high: z.number().nullable() }),
  sources: ['geometry', 'prior', 'winter-table', 'common-practice'],
  run: ({ readings, ledger, bar, place, lowEdge, highEdge }) => {
    const points = handSweep(standingOf(setupOf(readings, ledger, bar, place)), 'height')
    if (points === null)
      throw new CalculationError('missing', 'Rider or hands are not known yet.', [
        { field: 'readings', message: 'Read the rider’s lengths and where the hands are.' },
      ])
    const middle = broadMiddle(points, { low: lowEdge, high: highEdge })
    return {
      points: points.map(({ at, metrics, neck, worse }) => ({
        at,
        torso: metrics?.torso ?? null,
        neck,
        load: metrics?.load ?? null,
        hip: worse.hip,
        gap: worse.gap,
      })),
      low: middle.low,
      high: middle.high,
    }
  },
  working: (_, { points, low, high }) => [
    ...points
      .filter(({ at }) => at % 20 === 0)
      .map(({ at, torso }) => ({
        label: at === 0 ? 'Torso as it is' : `Torso, hands ${Math.abs(at)} mm ${at > 0 ? 'up' : 'down'}`,
        formula: 'hip to hands closed by trunk and arms, elbows held',
        value: torso ?? 'not reached',
        unit: 'deg' as const,
      })),
    { label: 'Middle from', formula: 'edge found, a line crossed, or 15 mm', value: low ?? '–', unit: 'mm' as const },
    { label: 'Middle to', formula: 'edge found, a line crossed, or 15 mm', value: high ?? '–', unit: 'mm' as const },
  ],
})
