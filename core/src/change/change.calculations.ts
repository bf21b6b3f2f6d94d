import { z } from 'zod'
import { defineCalculation, numberField } from '../calculation.ts'
import { cleatKnockOn } from './cleatKnockOn.ts'
import { trimmed } from '../quantity/entry.ts'
import { stepPlan } from './stepPlan.ts'

export const cleatKnockOnCalculation = defineCalculation({
  name: 'cleat-knock-on',
  title: 'What a cleat move does to saddle height',
  summary: 'Moves the cleat, keeps the foot’s pitch, and finds the saddle height that gives back the knee flexion at bottom dead centre.',
  input: z.strictObject({
    thigh: numberField('thigh', 100, 700, 'mm'),
    shank: numberField('shank', 100, 700, 'mm'),
    heelToMtp1: numberField('heelToMtp1', 80, 320, 'mm'),
    heelToAnkle: numberField('heelToAnkle', 0, 150, 'mm', 'Heel to ankle centre along the sole, mm'),
    ankleHeight: numberField('ankleHeight', 20, 150, 'mm', 'Ankle centre above the underside of the foot, mm'),
    stack: numberField('stack', 0, 100, 'mm', 'Pedal axle to the underside of the foot, mm'),
    crank: numberField('crank', 50, 250, 'mm'),
    saddleHeight: numberField('saddleHeight', 200, 1200, 'mm', 'Bottom bracket to saddle top along the seat tube, mm'),
    seatAngle: numberField('seatAngle', 50, 90, 'degrees'),
    hipForward: numberField('hipForward', -150, 250, 'mm'),
    hipUp: numberField('hipUp', -100, 300, 'mm'),
    footPitch: numberField('footPitch', -45, 75, 'degrees', 'Heel up at bottom dead centre, degrees'),
    lateral: numberField('lateral', -200, 300, 'mm', 'Hip joint to foot across the bike, mm').optional(),
    setbackFrom: numberField('setbackFrom', -50, 150, 'mm', 'Cleat setback before, behind MTP1, mm'),
    setbackTo: numberField('setbackTo', -50, 150, 'mm', 'Cleat setback after, behind MTP1, mm'),
  }),
  output: z.object({
    flexionBefore: z.number(),
    flexionUnanswered: z.number().nullable(),
    saddleHeightAfter: z.number(),
    saddleMove: z.number(),
    flexionAfter: z.number(),
    ankleForward: z.number(),
    ankleUp: z.number(),
  }),
  sources: ['geometry', 'drillis-contini', 'prior'],
  run: cleatKnockOn,
  working: (input, out) => [
    {
      label: 'Ankle moves',
      formula: `d = ${(input.setbackTo - input.setbackFrom).toFixed(1).replace('-', '−')}: (d · cos ${input.footPitch.toFixed(0)}°, −d · sin ${input.footPitch.toFixed(0)}°)`,
      value: `(${out.ankleForward.toFixed(2)}, ${out.ankleUp.toFixed(2)})`.replace(/-/g, '−'),
      unit: 'mm',
    },
    { label: 'Knee before', formula: '180° − acos((t² + s² − D²) / 2ts)', value: out.flexionBefore, unit: 'deg', output: 'flexionBefore' },
    {
      label: 'Knee, saddle left alone',
      formula: 'same, with the moved ankle',
      value: out.flexionUnanswered ?? 'out of reach',
      unit: 'deg',
    },
    {
      label: 'Saddle height that gives it back',
      formula: 'larger root of h² + 2h(u·p) + |p|² − D² = 0',
      value: out.saddleHeightAfter,
      unit: 'mm',
      output: 'saddleHeightAfter',
    },
    { label: 'Saddle moves', formula: `that − ${input.saddleHeight}`, value: out.saddleMove, unit: 'mm', output: 'saddleMove' },
  ],
})

const positive = (label: string, max: number) => {
  const error = `${label} must be a number above 0 and at most ${max}.`
  return z.number({ error }).positive({ error }).max(max, { error })
}

export const stepPlanCalculation = defineCalculation({
  name: 'step-plan',
  title: 'A move in steps',
  summary: 'Cuts a move at the step cap: the first step now, the rest later, one at a time.',
  input: z
    .strictObject({
      move: numberField('move', -500, 500, '', 'Signed move, in the setting’s unit'),
      cap: positive('cap', 100).default(5),
      resolution: positive('resolution', 100).default(0.5),
    })
    .refine(({ cap, resolution }) => resolution <= cap, { path: ['resolution'], error: 'resolution must not be above cap.' }),
  output: z.object({ steps: z.array(z.number()).readonly(), total: z.number(), unset: z.number() }),
  sources: ['common-practice'],
  run: ({ move, cap, resolution }) => stepPlan(move, cap, resolution),
  working: ({ move, cap }, out) => [
    {
      label: 'Steps',
      formula: `${trimmed(move, 2)} cut at ${trimmed(cap, 2)}`,
      value: out.steps.map((step) => trimmed(step, 2)).join(', ') || 'none',
      unit: 'none',
    },
    { label: 'Too fine to set', formula: 'move − steps', value: out.unset, unit: 'none' },
  ],
})
