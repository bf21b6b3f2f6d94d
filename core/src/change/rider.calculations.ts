import { z } from 'zod'
import { barKinds } from '../bike/bikeKinds.ts'
import { freeKeys, knownKinds } from '../body/calibration.ts'
import { metricDefinitions, metricKeys } from '../body/metrics.ts'
import { anyUnit, defineCalculation, numberField } from '../calculation.ts'
import { readingSchema } from '../measure/reading.ts'
import { readingKeys } from '../measure/readingDefinitions.ts'
import { midSentence } from '../quantity/words.ts'
import { calibrateRider } from './calibrated.ts'
import { knockOn } from './knockOn.ts'
import { ledgerEntrySchema } from './ledger.ts'
import { foldedAt } from './timeline.ts'
import { exchangeWords, moveWords } from './moveWords.ts'
import { measureNext, nextWords } from './measureNext.ts'
import { setbackCurve } from './seatCurve.ts'
import { sensitivities } from './sensitivity.ts'
import { paceKeys } from './pace.ts'
import { exchangeSchema, slots } from './parts.ts'
import { handHolds, settingKeys, settings } from './settings.ts'
import { setupOf, standingOf } from './setup.ts'
import { keysOf } from '../quantity/tables.ts'

/** What every calculation on a whole visit takes. */
export const visitFields = {
  readings: z.array(readingSchema).max(500),
  ledger: z.array(ledgerEntrySchema).max(2000).default([]),
  bar: z.enum(barKinds, { error: `bar must be one of ${barKinds.join(', ')}.` }),
  /** ledger entries in force; left out = all */
  place: z.int({ error: 'place must be a whole number of ledger entries.' }).min(0).max(2000).optional(),
}
const side = z.enum(['left', 'right', 'both'])
const metricNumbers = z.partialRecord(z.enum(metricKeys), z.number().nullable())

export const calibrationCalculation = defineCalculation({
  name: 'calibrate-rider',
  title: 'The body model fitted to this rider',
  summary:
    'Hip joint, trunk, elbows, wrist, foot pitch and leg length solved so that the model gives back every angle measured on the bike.',
  input: z.strictObject(visitFields),
  output: z.object({
    state: z.enum(['none', 'exact', 'fitted']),
    values: z.record(z.enum(freeKeys), z.number()),
    residuals: z.array(z.object({ kind: z.enum(knownKinds), side, measured: z.number(), predicted: z.number(), residual: z.number() })),
    strained: z.array(z.enum(freeKeys)),
  }),
  sources: ['geometry', 'prior', 'gum'],
  run: ({ readings, ledger, bar, place }) => {
    const { usual } = calibrateRider(readings, ledger, bar, place)
    const residuals = usual.residuals.map(({ known, predicted, residual }) => ({
      kind: known.kind,
      side: known.side,
      measured: known.value,
      predicted,
      residual,
    }))
    return { state: usual.state, values: { ...usual.values }, residuals, strained: [...usual.strained] }
  },
  working: (_, out) => [
    ...out.residuals.map((row) => ({
      label: `${row.kind}${row.side === 'both' ? '' : `, ${row.side}`}: measured ${row.measured}°`,
      formula: `model gives ${row.predicted.toFixed(2)}°, off by`,
      value: row.residual,
      unit: 'deg' as const,
    })),
    ...freeKeys.map((key) => ({
      label: freeLabels[key].label,
      formula: 'solved, with a pull toward what is assumed',
      value: out.values[key] ?? 0,
      unit: freeLabels[key].unit,
      output: `values.${key}`,
    })),
  ],
})

/** The free parameters in words, with their units. */
export const freeLabels: Readonly<Record<(typeof freeKeys)[number], { readonly label: string; readonly unit: 'mm' | 'deg' }>> = {
  hipForward: { label: 'Hip joint ahead of the sit point', unit: 'mm' },
  hipUp: { label: 'Hip joint above the sit point', unit: 'mm' },
  trunk: { label: 'Effective trunk length', unit: 'mm' },
  elbowFlexion: { label: 'Elbow bend, both arms together', unit: 'deg' },
  elbowSwivel: { label: 'Elbows out', unit: 'deg' },
  twist: { label: 'Left shoulder ahead of the right', unit: 'mm' },
  handSetLeft: { label: 'Hand’s set on the grip, left', unit: 'deg' },
  handSetRight: { label: 'Hand’s set on the grip, right', unit: 'deg' },
  pitchLeft: { label: 'Foot pitch, left', unit: 'deg' },
  pitchRight: { label: 'Foot pitch, right', unit: 'deg' },
  legs: { label: 'Legs longer than taken for', unit: 'mm' },
  legsApart: { label: 'Left leg longer than the right, more than taken for', unit: 'mm' },
  hipsTurned: { label: 'Left hip joint ahead of the right', unit: 'mm' },
  hipsTilted: { label: 'Left hip joint above the right', unit: 'mm' },
}

const requestedMove = z.strictObject({
  setting: z.enum(settingKeys, { error: `setting must be one of ${settingKeys.join(', ')}.` }),
  side,
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
    moves: z.array(z.object({ setting: z.enum(settingKeys), side, by: z.number(), role: z.enum(['chosen', 'knock-on']) })),
    exchanges: z.array(exchangeSchema),
    exact: z.array(z.object({ setting: z.enum(settingKeys), side, exact: z.number(), limit: z.enum(['cap', 'room']).nullable() })),
    left: z.array(z.object({ what: z.string(), amount: z.number(), words: z.string() })),
    findings: z.array(z.string()),
    before: metricNumbers.nullable(),
    alone: metricNumbers.nullable(),
    after: metricNumbers.nullable(),
    later: z.string(),
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
      formula: exchangeWords(exchange, 'mm'),
      value: '',
      unit: 'none' as const,
    })),
    ...out.moves.map((move) => {
      const answer = out.exact.find((row) => row.setting === move.setting && row.side === move.side)
      return {
        label: moveWords(move, 'mm'),
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
    ...out.left.map(({ words, amount }) => ({ label: words, formula: 'left over', value: amount, unit: 'none' as const })),
  ],
})

export const measureNextCalculation = defineCalculation({
  name: 'measure-next',
  title: 'What to measure next',
  summary: 'Readings by how much of the variance of the judgements they would take away, each by its usual method.',
  input: z.strictObject(visitFields),
  output: z.object({
    next: z.array(
      z.object({ key: z.enum(readingKeys), why: z.enum(['needed', 'sharpens']), gain: z.number().nullable(), words: z.string() }),
    ),
  }),
  sources: ['gum', 'prior'],
  run: ({ readings, ledger, bar, place }) => ({
    next: measureNext(calibrateRider(readings, ledger, bar, place), foldedAt(ledger, place ?? ledger.length).by).map((row) => ({
      key: row.key,
      why: row.why,
      gain: Number.isFinite(row.gain) ? row.gain : null,
      words: nextWords(row),
    })),
  }),
  working: (_, { next }) =>
    next.slice(0, 12).map((row) => ({ label: row.key, formula: row.words, value: row.gain ?? 'first of all', unit: 'none' as const })),
})

export const sensitivityCalculation = defineCalculation({
  name: 'sensitivity',
  title: 'What one millimetre or degree does here',
  summary: 'Change of every metric per unit of every setting, all else left alone: the rule of thumb at this bike.',
  input: z.strictObject(visitFields),
  output: z.object({
    rows: z.array(
      z.object({ setting: z.enum(settingKeys), unit: z.enum(['mm', 'deg']), per: z.partialRecord(z.enum(metricKeys), z.number()) }),
    ),
  }),
  sources: ['geometry'],
  run: ({ readings, ledger, bar, place }) => ({
    rows: sensitivities(standingOf(setupOf(readings, ledger, bar, place))).map((row) => ({ ...row, per: { ...row.per } })),
  }),
  working: (_, { rows }) =>
    rows.map(({ setting, unit, per }) => ({
      label: `${settings[setting].label} ${settings[setting].more} 1 ${unit === 'deg' ? '°' : 'mm'}`,
      formula: Object.entries(per)
        .filter(([, value]) => Math.abs(value) >= 0.01)
        .map(([key, value]) => `${midSentence(metricDefinitions[key as keyof typeof metricDefinitions].label)} ${value.toFixed(2)}`)
        .join(', ')
        .replace(/-/g, '−'),
      value: '',
      unit: 'none' as const,
    })),
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
