import { z } from 'zod'
import { anyUnit, defineCalculation, numberField, pointSchema, spacePointSchema, xy } from '../calculation.ts'
import { factDefinitions, factKeys, riderFacts } from './facts.ts'
import type { RiderModel } from './rider.ts'
import { armChord, sideChord, upperPosture } from './upperBody.ts'
import { CalculationError } from '../quantity/problem.ts'

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

const upperBody = z.strictObject({
  trunk: numberField('trunk', 200, 900, 'mm', 'Hip joint to shoulder joint, mm'),
  ...arm,
  elbowFlexion: numberField('elbowFlexion', 0, 160, 'degrees'),
  elbowSwivel: numberField('elbowSwivel', -90, 180, 'degrees', '0 = elbow under the line from shoulder to hand, 90 = level outward'),
  handSet: numberField('handSet', -60, 60, 'degrees').default(0),
  naturalSweep: numberField('naturalSweep', -45, 60, 'degrees', 'The hand’s own obliqueness, degrees').default(10),
})
const grip = z.strictObject({ at: spacePointSchema, axis: spacePointSchema.nullable(), pointing: spacePointSchema.nullable() })

export const upperPostureCalculation = defineCalculation({
  name: 'trunk-and-arms',
  title: 'Trunk and arms from hip to hand',
  summary: 'Triangle of trunk, arm and hip-to-hand at a bend of the elbow; the elbow about the arm’s line; the hand against the grip.',
  input: z.strictObject({ body: upperBody, hip: pointSchema, grip }),
  output: z.object({
    reaches: z.boolean(),
    short: z.number(),
    torso: z.number(),
    elbowFlexion: z.number(),
    shoulderAngle: z.number(),
    forearmFall: z.number(),
    wrist: z.number().nullable(),
    spreadCost: z.number(),
    shoulder: spacePointSchema,
    elbow: spacePointSchema,
  }),
  sources: ['geometry', 'prior'],
  run: ({ body, hip, grip: held }) => upperPosture(body, hip, held),
  working: (_, out) => [
    {
      label: 'Torso',
      formula: 'bearing of the hand + acos((T² + R² − c′²) / 2TR)',
      value: out.reaches ? out.torso : 'out of reach',
      unit: 'deg',
      output: 'torso',
    },
    { label: 'Shoulder', formula: 'hip + T · (cos, sin) of the torso', value: xy(out.shoulder), unit: 'mm' },
    { label: 'Elbow', formula: 'on the circle about the arm’s line, turned by the swivel', value: xy(out.elbow), unit: 'mm' },
    { label: 'Shoulder angle', formula: 'trunk against upper arm', value: out.shoulderAngle, unit: 'deg', output: 'shoulderAngle' },
    { label: 'Forearm falls', formula: 'below horizontal, elbow to hand', value: out.forearmFall, unit: 'deg', output: 'forearmFall' },
    {
      label: 'Wrist to little finger',
      formula: 'forearm against grip, less the hand’s own alignment',
      value: out.wrist ?? 'not known',
      unit: 'deg',
      output: 'wrist',
    },
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
  })

/** A whole rider on a bike as plain numbers; see `RiderModel`. */
export const riderModelSchema = z.strictObject({
  legs: z.strictObject({ left: legSide('left'), right: legSide('right') }),
  pitchSwing: numberField('pitchSwing', 0, 45, 'degrees'),
  crank: numberField('crank', 50, 250, 'mm'),
  sit: pointSchema,
  hipForward: numberField('hipForward', -300, 350, 'mm'),
  hipUp: numberField('hipUp', -200, 400, 'mm'),
  hipWidth: numberField('hipWidth', 50, 400, 'mm'),
  upper: upperBody,
  grip: grip.nullable(),
  lever: numberField('lever', -90, 120, 'degrees', 'Lever blade below horizontal, degrees').nullable(),
}) satisfies z.ZodType<RiderModel>

const axlePair = z.strictObject({ rear: pointSchema, front: pointSchema }).nullable().default(null)
const factShape = Object.fromEntries(factKeys.map((key) => [key, z.number().nullable()])) as Record<
  (typeof factKeys)[number],
  z.ZodNullable<z.ZodNumber>
>

export const riderFactsCalculation = defineCalculation({
  name: 'rider-on-bike',
  title: 'The rider on the bike',
  summary: 'Both legs round the crank, trunk, arms, centre of mass and shares of weight for one set of contact points.',
  input: z.strictObject({ model: riderModelSchema, axles: axlePair }),
  output: z.object(factShape),
  sources: ['geometry', 'winter-table', 'prior'],
  run: ({ model, axles }) => riderFacts(model, axles),
  working: (_, out) =>
    factKeys.map((key) => {
      const { label, unit, note } = factDefinitions[key]
      return { label, formula: note, value: out[key] ?? 'no value', unit: anyUnit(unit), output: key } as const
    }),
})
