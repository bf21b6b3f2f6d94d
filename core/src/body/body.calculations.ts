import { z } from 'zod'
import { anyUnit, defineCalculation, numberField, pointSchema, spacePointSchema, xy } from '../kernel/calculation.ts'
import { metricDefinitions, metricKeys, riderMetrics } from './metrics.ts'
import type { RiderModel } from './rider.ts'
import { armChord, sideChord, upperPosture } from './upperBody.ts'
import { CalculationError } from '../kernel/problem.ts'
import { sides } from '../kernel/sided.ts'
import { tableOf } from '../kernel/tables.ts'

const arm = {
  upperArm: numberField('upperArm', 100, 600, 'mm'),
  forearm: numberField('forearm', 100, 700, 'mm', 'Elbow to the middle of the closed hand, mm'),
  acromionWidth: numberField('acromionWidth', 150, 700, 'mm'),
}

export const armReachCalculation = defineCalculation({
  name: 'arm-reach',
  title: 'What is left of an arm’s reach',
  summary: 'The chord of a bent arm, and what the spread of the hands takes out of it in the side view.',
  input: z.strictObject({
    ...arm,
    elbowFlexion: numberField('elbowFlexion', 0, 160, 'degrees'),
    handSpacing: numberField('handSpacing', 0, 1200, 'mm', 'Middle of one hand to the middle of the other, mm'),
  }),
  output: z.object({ chord: z.number(), sideChord: z.number(), lost: z.number() }),
  sources: ['geometry'],
  run: ({ upperArm, forearm, elbowFlexion, handSpacing, acromionWidth }) => {
    const chord = armChord(upperArm, forearm, elbowFlexion)
    const left = sideChord(chord, handSpacing, acromionWidth)
    if (left < 0) {
      const message = 'The hands are further apart than the arms reach.'
      throw new CalculationError('unreachable', message, [{ field: 'handSpacing', message }])
    }
    return { chord, sideChord: left, lost: chord - left }
  },
  working: ({ upperArm, forearm, elbowFlexion, handSpacing, acromionWidth }, out) => [
    {
      label: 'Chord',
      formula: `√(${upperArm}² + ${forearm}² + 2 · ${upperArm} · ${forearm} · cos ${elbowFlexion}°)`,
      value: out.chord,
      unit: 'mm',
      output: 'chord',
    },
    {
      label: 'In the side view',
      formula: `√(chord² − ((${handSpacing} − ${acromionWidth}) / 2)²)`,
      value: out.sideChord,
      unit: 'mm',
      output: 'sideChord',
    },
    { label: 'Lost to the spread', formula: 'chord − that', value: out.lost, unit: 'mm', output: 'lost' },
  ],
})

const oneArm = (side: string) =>
  z.strictObject({
    upperArm: numberField(`${side}.upperArm`, 100, 600, 'mm'),
    forearm: numberField(`${side}.forearm`, 100, 700, 'mm', 'Elbow to the middle of the closed hand, mm'),
    handSet: numberField(`${side}.handSet`, -60, 60, 'degrees').default(0),
    naturalSweep: numberField(`${side}.naturalSweep`, -45, 60, 'degrees', 'The hand’s own obliqueness, degrees').default(10),
  })
const upperBody = z.strictObject({
  trunk: numberField('trunk', 200, 900, 'mm', 'Hip joint to the middle of the shoulder joints, mm'),
  acromionWidth: arm.acromionWidth,
  elbowFlexion: numberField('elbowFlexion', 0, 160, 'degrees', 'Bend of both elbows taken together, degrees'),
  elbowSwivel: numberField('elbowSwivel', -90, 180, 'degrees', '0 = elbow under the line from shoulder to hand, 90 = level outward'),
  twist: numberField('twist', -200, 200, 'mm', 'Left shoulder ahead of the right one, mm').default(0),
  arms: z.strictObject({ left: oneArm('left'), right: oneArm('right') }),
})
const oneGrip = z.strictObject({
  at: spacePointSchema,
  axis: spacePointSchema.nullable(),
  pointing: spacePointSchema.nullable(),
  isRested: z.literal(true).optional(),
})
const grips = z.strictObject({ left: oneGrip, right: oneGrip })
const armPosture = z.object({
  shoulder: spacePointSchema,
  elbow: spacePointSchema,
  hand: spacePointSchema,
  short: z.number(),
  elbowFlexion: z.number(),
  shoulderAngle: z.number(),
  forearmFall: z.number(),
  wrist: z.number().nullable(),
})

export const upperPostureCalculation = defineCalculation({
  name: 'trunk-and-arms',
  title: 'Trunk and arms from hip to hands',
  summary:
    'Triangle of trunk, arms and hip-to-hands at a bend of the elbows; each elbow about its arm’s line; each hand against its grip. Points lie with z outward on either side.',
  input: z.strictObject({ body: upperBody, hip: pointSchema, grips }),
  output: z.object({
    reaches: z.boolean(),
    short: z.number(),
    torso: z.number(),
    spreadCost: z.number(),
    shoulder: pointSchema,
    arms: z.object({ left: armPosture, right: armPosture }),
  }),
  sources: ['geometry', 'prior'],
  run: ({ body, hip, grips: held }) => upperPosture(body, hip, held),
  working: (_, out) => [
    {
      label: 'Torso',
      formula: 'bearing of the hands + acos((T² + R² − c′²) / 2TR), c′ the mean of both arms',
      value: out.reaches ? out.torso : 'out of reach',
      unit: 'deg',
      output: 'torso',
    },
    { label: 'Shoulders, middle', formula: 'hip + T · (cos, sin) of the torso', value: xy(out.shoulder), unit: 'mm' },
    ...sides.flatMap((side) => {
      const { elbow, elbowFlexion, shoulderAngle, forearmFall, wrist } = out.arms[side]
      const line = (label: string, formula: string, value: number | string, unit: 'deg' | 'mm', field?: string) => ({
        label: `${label}, ${side}`,
        formula,
        value,
        unit,
        ...(field ? { output: `arms.${side}.${field}` } : {}),
      })
      return [
        line('Elbow bend', '180° − the angle between upper arm and forearm', elbowFlexion, 'deg', 'elbowFlexion'),
        line('Elbow', 'on the circle about the arm’s line, turned by the swivel', xy(elbow), 'mm'),
        line('Shoulder angle', 'trunk against upper arm', shoulderAngle, 'deg', 'shoulderAngle'),
        line('Forearm falls', 'below horizontal, elbow to hand', forearmFall, 'deg', 'forearmFall'),
        line('Wrist to little finger', 'forearm against grip, less the hand’s own alignment', wrist ?? 'not known', 'deg', 'wrist'),
      ]
    }),
  ],
})

const legSide = (side: string) =>
  z.strictObject({
    thigh: numberField(`${side}.thigh`, 100, 700, 'mm'),
    shank: numberField(`${side}.shank`, 100, 700, 'mm'),
    ankleBehind: numberField(`${side}.ankleBehind`, -150, 400, 'mm'),
    ankleAbove: numberField(`${side}.ankleAbove`, 0, 300, 'mm'),
    axleFromHeel: numberField(`${side}.axleFromHeel`, 0, 400, 'mm'),
    stack: numberField(`${side}.stack`, 0, 150, 'mm'),
    footLength: numberField(`${side}.footLength`, 100, 450, 'mm'),
    footPitch: numberField(`${side}.footPitch`, -60, 80, 'degrees'),
    halfStance: numberField(`${side}.halfStance`, 20, 300, 'mm'),
    hipAhead: numberField(`${side}.hipAhead`, -100, 100, 'mm', 'This leg’s hip joint ahead of the middle of both, mm').default(0),
    hipAbove: numberField(`${side}.hipAbove`, -100, 100, 'mm', 'This leg’s hip joint above the middle of both, mm').default(0),
  })

const lever = (side: string) => numberField(`${side}.lever`, -90, 120, 'degrees', 'Lever blade below horizontal, degrees').nullable()
const finger = (side: string) =>
  numberField(`${side}.finger`, -150, 150, 'mm', 'Index finger’s length less the lever’s reach, mm').nullable()

/** A whole rider on a bike as plain numbers; see `RiderModel`. */
const riderModelSchema = z.strictObject({
  legs: z.strictObject({ left: legSide('left'), right: legSide('right') }),
  pitchSwing: numberField('pitchSwing', 0, 45, 'degrees'),
  crank: numberField('crank', 50, 250, 'mm'),
  sit: pointSchema,
  hipForward: numberField('hipForward', -300, 350, 'mm'),
  hipUp: numberField('hipUp', -200, 400, 'mm'),
  hipWidth: numberField('hipWidth', 50, 400, 'mm'),
  upper: upperBody,
  grips: grips.nullable(),
  levers: z.strictObject({ left: lever('left'), right: lever('right') }),
  fingers: z.strictObject({ left: finger('left'), right: finger('right') }),
}) satisfies z.ZodType<RiderModel>

const axlePair = z.strictObject({ rear: pointSchema, front: pointSchema }).nullable().default(null)
const factShape = tableOf(metricKeys, () => z.number().nullable())

export const riderMetricsCalculation = defineCalculation({
  name: 'rider-on-bike',
  title: 'The rider on the bike',
  summary: 'Both legs round the crank, trunk, arms, centre of mass and shares of weight for one set of contact points.',
  input: z.strictObject({ model: riderModelSchema, axles: axlePair }),
  output: z.object(factShape),
  sources: ['geometry', 'winter-table', 'prior'],
  run: ({ model, axles }) => riderMetrics(model, axles),
  working: (_, out) =>
    metricKeys.map((key) => {
      const { label, unit, note } = metricDefinitions[key]
      return { label, formula: note, value: out[key] ?? 'no value', unit: anyUnit(unit), output: key } as const
    }),
})
