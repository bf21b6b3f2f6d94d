import { z } from 'zod'
import { defineCalculation, numberField, pointSchema, xy } from '../kernel/calculation.ts'
import { distanceForFlexion, kneeFlexion, legPosture, saddleHeightForFlexion } from './leg.ts'

const segment = (label: string) => numberField(label, 100, 700, 'mm')
export const legFields = {
  thigh: segment('thigh'),
  shank: segment('shank'),
  ankleBehind: numberField('ankleBehind', -100, 350, 'mm', 'Pedal axle to ankle along the sole, + ankle behind, mm'),
  ankleAbove: numberField('ankleAbove', 0, 250, 'mm', 'Pedal axle to ankle out of the sole, mm'),
  crank: numberField('crank', 50, 250, 'mm'),
  seatAngle: numberField('seatAngle', 50, 90, 'degrees', 'Effective seat angle above horizontal, degrees'),
  hipForward: numberField('hipForward', -150, 250, 'mm', 'Hip joint ahead of the sit point, mm'),
  hipUp: numberField('hipUp', -100, 300, 'mm', 'Hip joint above the sit point, mm'),
  footPitch: numberField('footPitch', -45, 75, 'degrees', 'Foot pitch at bottom dead centre, heel up, degrees'),
  lateral: numberField('lateral', -200, 300, 'mm', 'Hip joint to foot across the bike (half stance less half hip spacing), mm').optional(),
}
const crankAngle = numberField('crankAngle', -360, 720, 'degrees', '0 = top, 90 = forward, 180 = bottom').default(180)
const pitchSwing = numberField('pitchSwing', 0, 40, 'degrees', 'Amplitude of foot pitch over the turn; 0 = constant').default(0)
const point = pointSchema

export const kneeFlexionCalculation = defineCalculation({
  name: 'knee-flexion',
  title: 'Knee flexion for a hip-to-ankle distance',
  summary: 'Law of cosines in the triangle of thigh, shank and distance; 0° is a straight leg.',
  input: z.strictObject({ thigh: segment('thigh'), shank: segment('shank'), distance: numberField('distance', 1, 1500, 'mm') }),
  output: z.object({ kneeFlexion: z.number() }),
  sources: ['geometry'],
  run: ({ thigh, shank, distance }) => ({ kneeFlexion: kneeFlexion(thigh, shank, distance) }),
  working: ({ thigh, shank, distance }, out) => [
    {
      label: 'Included angle',
      formula: `acos((${thigh}² + ${shank}² − ${distance}²) / (2 · ${thigh} · ${shank}))`,
      value: 180 - out.kneeFlexion,
      unit: 'deg',
    },
    { label: 'Knee flexion', formula: '180° − included angle', value: out.kneeFlexion, unit: 'deg', output: 'kneeFlexion' },
  ],
})

export const distanceForFlexionCalculation = defineCalculation({
  name: 'distance-for-flexion',
  title: 'Hip-to-ankle distance for a knee flexion',
  summary: 'Inverse of the knee flexion for a distance.',
  input: z.strictObject({ thigh: segment('thigh'), shank: segment('shank'), kneeFlexion: numberField('kneeFlexion', 0, 170, 'degrees') }),
  output: z.object({ distance: z.number() }),
  sources: ['geometry'],
  run: (input) => ({ distance: distanceForFlexion(input.thigh, input.shank, input.kneeFlexion) }),
  working: ({ thigh, shank, kneeFlexion: k }, out) => [
    {
      label: 'Distance',
      formula: `√(${thigh}² + ${shank}² + 2 · ${thigh} · ${shank} · cos ${k}°)`,
      value: out.distance,
      unit: 'mm',
      output: 'distance',
    },
  ],
})

export const legPostureCalculation = defineCalculation({
  name: 'leg-posture',
  title: 'Leg posture at a crank angle',
  summary: 'Hip, knee, ankle and knee flexion in the side view, from saddle, crank, foot and segments.',
  input: z.strictObject({ ...legFields, saddleHeight: numberField('saddleHeight', 200, 1200, 'mm'), crankAngle, pitchSwing }),
  output: z.object({
    hip: point,
    knee: point,
    ankle: point,
    axle: point,
    distance: z.number(),
    kneeFlexion: z.number(),
    footPitch: z.number(),
  }),
  sources: ['geometry', 'prior'],
  run: ({ crankAngle: angle, pitchSwing: swing, ...leg }) => legPosture(leg, angle, swing),
  working: (input, out) => [
    {
      label: 'Pedal axle',
      formula: `${input.crank} · (sin ${input.crankAngle}°, cos ${input.crankAngle}°)`,
      value: xy(out.axle),
      unit: 'mm',
    },
    { label: 'Ankle', formula: 'axle + foot turned by the pitch', value: xy(out.ankle), unit: 'mm' },
    { label: 'Hip', formula: 'sit point + hip offset', value: xy(out.hip), unit: 'mm' },
    { label: 'Hip to ankle', formula: '|hip − ankle|', value: out.distance, unit: 'mm', output: 'distance' },
    { label: 'Knee flexion', formula: '180° − acos((t² + s² − D²) / 2ts)', value: out.kneeFlexion, unit: 'deg', output: 'kneeFlexion' },
  ],
})

export const saddleHeightForFlexionCalculation = defineCalculation({
  name: 'saddle-height-for-flexion',
  title: 'Saddle height for a knee flexion',
  summary: 'Height along the seat-tube line at which the leg, with the pedal at the given crank angle, has the wanted knee flexion.',
  input: z.strictObject({ ...legFields, kneeFlexion: numberField('kneeFlexion', 0, 150, 'degrees'), crankAngle, pitchSwing }),
  output: z.object({ saddleHeight: z.number() }),
  sources: ['geometry', 'holmes'],
  run: ({ kneeFlexion: wanted, crankAngle: angle, pitchSwing: swing, ...leg }) => ({
    saddleHeight: saddleHeightForFlexion({ ...leg, saddleHeight: 0 }, wanted, angle, swing),
  }),
  working: (input, out) => [
    {
      label: 'Hip to ankle',
      formula: `√(t² + s² + 2ts · cos ${input.kneeFlexion}°)`,
      value: distanceForFlexion(input.thigh, input.shank, input.kneeFlexion),
      unit: 'mm',
    },
    {
      label: 'Saddle height',
      formula: 'larger root of h² + 2h(u·p) + |p|² − D² = 0',
      value: out.saddleHeight,
      unit: 'mm',
      output: 'saddleHeight',
    },
  ],
})
