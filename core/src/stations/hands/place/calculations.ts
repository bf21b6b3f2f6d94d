import { optionalNumber, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { handSweep, broadMiddle } from './handSweep.ts'
import { visitFields } from '../../../rider/calculations.ts'
import { standingOf, setupOf } from '../../../rider/setup.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { steeringArm, turnPerCentimetre } from './steering.ts'

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
    lowEdge: optionalNumber('lowEdge', -200, 200, 'mm'),
    highEdge: optionalNumber('highEdge', -200, 200, 'mm'),
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
