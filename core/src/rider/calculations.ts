import { sideField, defineCalculation } from '../kernel/calculation.ts'
import { z } from 'zod'
import { barKinds } from '../bike/bikeKinds.ts'
import { freeKeys, knownKinds } from '../body/calibration.ts'
import { metricKeys } from '../body/metrics.ts'
import { ledgerEntrySchema } from '../ledger/ledger.ts'
import { readingSchema } from '../readings/reading.ts'
import { calibrateRider } from './calibrated.ts'

/** What every calculation on a whole visit takes. */
export const visitFields = {
  readings: z.array(readingSchema).max(500),
  ledger: z.array(ledgerEntrySchema).max(2000).default([]),
  bar: z.enum(barKinds, { error: `bar must be one of ${barKinds.join(', ')}.` }),
  /** ledger entries in force; left out = all */
  place: z.int({ error: 'place must be a whole number of ledger entries.' }).min(0).max(2000).optional(),
}
export const metricNumbers = z.partialRecord(z.enum(metricKeys), z.number().nullable())
export const calibrationCalculation = defineCalculation({
  name: 'calibrate-rider',
  title: 'The body model fitted to this rider',
  summary:
    'Hip joint, trunk, elbows, wrist, foot pitch and leg length solved so that the model gives back every angle measured on the bike.',
  input: z.strictObject(visitFields),
  output: z.object({
    state: z.enum(['none', 'exact', 'fitted']),
    values: z.record(z.enum(freeKeys), z.number()),
    residuals: z.array(
      z.object({ kind: z.enum(knownKinds), side: sideField, measured: z.number(), predicted: z.number(), residual: z.number() }),
    ),
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
