import { messageSchema, plain } from '../kernel/message.ts'
import { sideField, defineCalculation, anyUnit, numberField } from '../kernel/calculation.ts'
import { z } from 'zod'
import { exchangeSchema, slots } from '../ledger/parts.ts'
import { paceKeys } from '../ledger/pace.ts'
import { exchangeWords, moveWords } from '../ledger/moveWords.ts'
import { keysOf } from '../kernel/tables.ts'
import { metricKeys, metricDefinitions } from '../body/metrics.ts'
import { handHolds, settingKeys, settings } from '../ledger/settings.ts'
import { knockOn } from './knockOn.ts'
import { standingOf, setupOf } from '../rider/setup.ts'
import { visitFields, metricNumbers } from '../rider/calculations.ts'
import { setbackCurve } from './seatCurve.ts'
import { cleatKnockOn } from './cleatKnockOn.ts'
import { trimmed } from '../kernel/entry.ts'
import { stepPlan } from '../ledger/stepPlan.ts'

const requestedMove = z.strictObject({
  setting: z.enum(settingKeys, { error: `setting must be one of ${settingKeys.join(', ')}.` }),
  side: sideField,
  by: z
    .number({ error: 'by must be a number.' })
    .min(-500, { error: 'by must lie between -500 and 500.' })
    .max(500, { error: 'by must lie between -500 and 500.' }),
})
export const knockOnCalculation = defineCalculation({
  name: 'knock-on',
  title: 'What a change brings along',
  summary:
    'Any settings moved; saddle, hands and levers answer so that what is to be held is held, within caps and room; what remains is said.',
  input: z.strictObject({
    ...visitFields,
    requested: z
      .array(z.union([exchangeSchema, requestedMove]))
      .min(1, { error: 'A change needs at least one move or exchange.' })
      .max(12),
    holds: z
      .strictObject({
        knee: z.boolean(),
        hands: z.enum(keysOf(handHolds), {
          error: `hands must be one of ${Object.keys(handHolds).join(', ')}.`,
        }),
        lever: z.boolean(),
      })
      .default({ knee: true, hands: 'seat', lever: true }),
    mode: z.enum(['whole', 'step']).default('step'),
    pace: z.enum(paceKeys, { error: `pace must be one of ${paceKeys.join(', ')}.` }).default('settled'),
  }),
  output: z.object({
    moves: z.array(z.object({ setting: z.enum(settingKeys), side: sideField, by: z.number(), role: z.enum(['chosen', 'knock-on']) })),
    exchanges: z.array(exchangeSchema),
    exact: z.array(
      z.object({ setting: z.enum(settingKeys), side: sideField, exact: z.number(), limit: z.enum(['cap', 'room']).nullable() }),
    ),
    left: z.array(z.object({ what: z.string(), amount: z.number(), words: messageSchema })),
    findings: z.array(z.string()),
    before: metricNumbers.nullable(),
    alone: metricNumbers.nullable(),
    after: metricNumbers.nullable(),
    later: messageSchema,
  }),
  sources: ['geometry', 'common-practice', 'prior'],
  run: ({ readings, ledger, bar, place, requested, holds, mode, pace }) => {
    const found = knockOn(standingOf(setupOf(readings, ledger, bar, place)), requested, holds, mode, pace)
    return {
      moves: [...found.moves],
      exchanges: [...found.exchanges],
      exact: found.answers.map((answer) => ({ setting: answer.setting, side: answer.side, exact: answer.exact, limit: answer.limit })),
      left: found.left.map(({ what, amount, words }) => ({ what, amount, words })),
      findings: [...found.findings],
      before: found.before,
      alone: found.alone,
      after: found.after,
      later: found.later,
    }
  },
  working: (_, out) => [
    ...out.exchanges.map((exchange) => ({
      label: slots[exchange.slot].label,
      formula: plain(exchangeWords(exchange)),
      value: '',
      unit: 'none' as const,
    })),
    ...out.moves.map((move) => {
      const answer = out.exact.find((row) => row.setting === move.setting && row.side === move.side)
      return {
        label: plain(moveWords(move)),
        formula:
          move.role === 'chosen'
            ? 'asked for, within cap and room'
            : `holds exactly at ${answer?.exact.toFixed(2) ?? ''}`.replace('-', '−'),
        value: move.by,
        unit: anyUnit(settings[move.setting].unit),
      }
    }),
    ...metricKeys.flatMap((key) => {
      const [before, alone, after] = [out.before?.[key], out.alone?.[key], out.after?.[key]]
      if (typeof before !== 'number' || typeof after !== 'number' || typeof alone !== 'number') return []
      if (Math.abs(alone - before) < 0.05 && Math.abs(after - before) < 0.05) return []
      const formula = `${before.toFixed(1)} → ${alone.toFixed(1)} by the move alone → with the answers`.replace(/-/g, '−')
      return [
        { label: metricDefinitions[key].label, formula, value: after, unit: anyUnit(metricDefinitions[key].unit), output: `after.${key}` },
      ]
    }),
    ...out.left.map(({ words, amount }) => ({ label: plain(words), formula: 'left over', value: amount, unit: 'none' as const })),
  ],
})
export const setbackCurveCalculation = defineCalculation({
  name: 'setback-curve',
  title: 'Height for every setback',
  summary: 'Slides of the saddle on its rails, each with the move of the post that keeps both knees bent as they are.',
  input: z.strictObject({
    ...visitFields,
    reach: numberField('reach', 1, 80, 'mm').default(40),
    step: numberField('step', 1, 20, 'mm').default(5),
  }),
  output: z.object({ points: z.array(z.object({ setback: z.number(), height: z.number().nullable(), inRoom: z.boolean() })) }),
  sources: ['geometry'],
  run: ({ readings, ledger, bar, place, reach, step }) => ({
    points: setbackCurve(standingOf(setupOf(readings, ledger, bar, place)), reach, step) ?? [],
  }),
  working: (_, { points }) =>
    points.length === 0
      ? [{ label: 'No curve', formula: 'the legs are not known', value: '–', unit: 'none' }]
      : points.map(({ setback, height }) => ({
          label: `${Math.abs(setback)} mm ${setback < 0 ? 'forward' : 'back'}`,
          formula: 'post that gives the knees back, halfway between the two',
          value: height ?? 'a leg does not reach',
          unit: 'mm' as const,
        })),
})
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
