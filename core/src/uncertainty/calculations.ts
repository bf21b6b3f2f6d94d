import { entriesOf } from '../kernel/tables.ts'
import { messageSchema, plain } from '../kernel/message.ts'
import { z } from 'zod'
import { metricKeys, metricDefinitions } from '../body/metrics.ts'
import { defineCalculation } from '../kernel/calculation.ts'
import { settingKeys, settings } from '../ledger/settings.ts'
import { midSentence } from '../kernel/words.ts'
import { foldedAt } from '../ledger/timeline.ts'
import { readingKeys } from '../readings/readingDefinitions.ts'
import { visitFields } from '../rider/calculations.ts'
import { calibrateRider } from '../rider/calibrated.ts'
import { standingOf, setupOf } from '../rider/setup.ts'
import { measureNext, nextWords } from './measureNext.ts'
import { sensitivities } from './sensitivity.ts'

export const measureNextCalculation = defineCalculation({
  name: 'measure-next',
  title: 'What to measure next',
  summary: 'Readings by how much of the variance of the judgements they would take away, each by its usual method.',
  input: z.strictObject(visitFields),
  output: z.object({
    next: z.array(
      z.object({ key: z.enum(readingKeys), why: z.enum(['needed', 'sharpens']), gain: z.number().nullable(), words: messageSchema }),
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
    next
      .slice(0, 12)
      .map((row) => ({ label: row.key, formula: plain(row.words), value: row.gain ?? 'first of all', unit: 'none' as const })),
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
      formula: entriesOf(per)
        .filter(([, value]) => Math.abs(value) >= 0.01)
        .map(([key, value]) => `${midSentence(metricDefinitions[key].label)} ${value.toFixed(2)}`)
        .join(', ')
        .replace(/-/g, '−'),
      value: '',
      unit: 'none' as const,
    })),
})
