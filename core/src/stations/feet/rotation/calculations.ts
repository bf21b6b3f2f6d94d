import { z } from 'zod'
import { defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { rangeField, signed } from '../../../kernel/fields.ts'
import { heelClearance, nearestGap } from './heelClearance.ts'
import { cleatRotation, RELEASE_ROOM } from './judge.ts'

export const cleatRotationCalculation = defineCalculation({
  name: 'cleat-rotation',
  title: 'Cleat rotation',
  summary: 'The middle of the float on the middle of the heel’s swing, with room beyond it, within what this sole lets the cleat turn.',
  input: z.strictObject({
    toeOut: numberField('toeOut', -20, 45, 'degrees', 'Natural direction of the foot, toes out is plus'),
    cleatTurn: numberField('cleatTurn', -20, 30, 'degrees', 'Where the foot points in the middle of the float'),
    float: numberField('float', 0, 30, 'degrees', 'Whole float'),
    heelIn: numberField('heelIn', 0, 25, 'degrees').default(0),
    heelOut: numberField('heelOut', 0, 25, 'degrees').default(0),
    turnRoom: numberField('turnRoom', 0, 45, 'degrees', '± the cleat can be turned from straight; null = not read, taken as no limit')
      .nullable()
      .default(null),
  }),
  output: z.object({
    floatNow: rangeField,
    swing: rangeField,
    band: rangeField,
    roomIn: z.number(),
    roomOut: z.number(),
    target: z.number(),
    attainable: z.number(),
    left: z.number(),
    difference: z.number(),
    roomAfter: z.number(),
    floatNeeded: z.number(),
    floatEnough: z.boolean(),
  }),
  sources: ['common-practice'],
  run: cleatRotation,
  working: (i, out) => [
    {
      label: 'Swing',
      formula: `${i.toeOut} − ${i.heelOut} to ${i.toeOut} + ${i.heelIn}`,
      value: `${signed(out.swing.low)} to ${signed(out.swing.high)}`,
      unit: 'deg',
    },
    {
      label: 'Float now',
      formula: `${i.cleatTurn} ± ${i.float} / 2`,
      value: `${signed(out.floatNow.low)} to ${signed(out.floatNow.high)}`,
      unit: 'deg',
    },
    { label: 'Room inward', formula: 'float’s upper end − swing’s', value: out.roomIn, unit: 'deg', output: 'roomIn' },
    { label: 'Room outward', formula: 'swing’s lower end − float’s', value: out.roomOut, unit: 'deg', output: 'roomOut' },
    { label: 'Target', formula: 'middle of the swing', value: out.target, unit: 'deg', output: 'target' },
    {
      label: 'What this sole allows',
      formula: i.turnRoom === null ? 'room not read: not held' : `held within ±${trimmed(i.turnRoom, 2)}`,
      value: out.attainable,
      unit: 'deg',
      output: 'attainable',
    },
    { label: 'Turn', formula: 'allowed − now', value: out.difference, unit: 'deg', output: 'difference' },
    {
      label: 'Float that would hold it',
      formula: `swing + 2 · ${RELEASE_ROOM}`,
      value: out.floatNeeded,
      unit: 'deg',
      output: 'floatNeeded',
    },
  ],
})
const gap = z.object({ toeOut: z.number(), crank: z.number().nullable(), stay: z.number().nullable(), ankle: z.number().nullable() })
export const heelClearanceCalculation = defineCalculation({
  name: 'heel-clearance',
  title: 'Heel past crank and chainstay',
  summary: 'Gap from the round heel cup to the crank’s outer face and to the chainstay, at both ends of the float.',
  input: z.strictObject({
    tread: numberField('tread', 50, 350, 'mm'),
    axle: numberField('axle', 35, 130, 'mm'),
    washer: numberField('washer', 0, 20, 'mm').default(0),
    adapter: numberField('adapter', 0, 80, 'mm').default(0),
    cleatInboard: numberField('cleatInboard', -15, 15, 'mm').default(0),
    axleFromHeel: numberField('axleFromHeel', 0, 400, 'mm'),
    heelOutside: numberField('heelOutside', 45, 130, 'mm'),
    stayWidth: numberField('stayWidth', 60, 220, 'mm').nullable().default(null),
    crank: numberField('crank', 100, 220, 'mm'),
    ankle: z
      .strictObject({
        behind: numberField('ankle.behind', -150, 400, 'mm', 'Axle to the ankle along the foot'),
        above: numberField('ankle.above', 0, 400, 'mm'),
      })
      .nullable()
      .default(null),
    cleatTurn: numberField('cleatTurn', -20, 30, 'degrees'),
    float: numberField('float', 0, 30, 'degrees'),
  }),
  output: z.object({ heelOut: gap, heelIn: gap }),
  sources: ['geometry', 'prior'],
  run: heelClearance,
  working: (i, out) => {
    const nearest = nearestGap(out)
    return [
      {
        label: 'Heel cup’s middle behind the axle',
        formula: `${i.axleFromHeel} − ${i.heelOutside} / 2`,
        value: i.axleFromHeel - i.heelOutside / 2,
        unit: 'mm',
      },
      {
        label: 'Heel in, to the crank',
        formula: `half stance − arm · sin ${signed(out.heelIn.toeOut)}° − half the heel − half tread + lean of the arm`,
        value: out.heelIn.crank ?? 'does not pass it',
        unit: 'mm',
        output: 'heelIn.crank',
      },
      {
        label: 'Heel in, to the stay',
        formula: 'the same to half the width over the stays',
        value: out.heelIn.stay ?? 'not read',
        unit: 'mm',
        output: 'heelIn.stay',
      },
      {
        label: 'Ankle, to the crank',
        formula: `half stance − ankle behind the axle · sin − half the ankle − the arm’s face`,
        value: out.heelIn.ankle ?? 'not known',
        unit: 'mm',
        output: 'heelIn.ankle',
      },
      { label: 'Nearest', formula: nearest ? nearest.what : 'nothing', value: nearest ? nearest.gap : 'none', unit: 'mm' },
    ]
  },
})
