import { z } from 'zod'
import { defineCalculation } from '../calculation.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { NumberKey } from '../measure/readingDefinitions.ts'
import { allowedRange } from '../measure/readingEntry.ts'
import { trimmed } from '../quantity/entry.ts'
import { cleatSchool, cleatSchoolKeys, defaultCleatSchool } from './cleatSchools.ts'
import { cleatTarget } from './cleatTarget.ts'
import type { CleatTargetInput } from './cleatTarget.ts'

const fromReading = (field: string, key: NumberKey) => {
  const { min, max, how } = definitionOf(key)
  const error = `${field} must be a number from ${allowedRange(key)}.`
  return z.number({ error }).min(min, { error }).max(max, { error }).meta({ description: how })
}
const nullable = z.number().nullable()
const schoolTarget = z.object({
  school: z.enum(cleatSchoolKeys),
  target: nullable,
  low: nullable,
  high: nullable,
  attainable: nullable,
  left: nullable,
  missing: z.array(z.enum(['shoeSize', 'heelToMtp1', 'heelToMtp5', 'footLength'])),
  heldAtEnd: z.boolean(),
})

export const cleatTargetCalculation = defineCalculation({
  name: 'cleat-target',
  title: 'Cleat setback by school',
  summary: 'Where each school puts the axle on this foot, what the slot allows, and what is left.',
  input: z.strictObject({
    school: z.enum(cleatSchoolKeys, { error: `school must be one of ${cleatSchoolKeys.join(', ')}.` }).default(defaultCleatSchool),
    setbackNow: fromReading('setbackNow', 'cleatSetback'),
    slotForward: fromReading('slotForward', 'slotForward').optional(),
    slotBack: fromReading('slotBack', 'slotBack').optional(),
    shoeSize: fromReading('shoeSize', 'shoeSize').optional(),
    heelToMtp1: fromReading('heelToMtp1', 'heelToMtp1').optional(),
    heelToMtp5: fromReading('heelToMtp5', 'heelToMtp5').optional(),
    footLength: fromReading('footLength', 'footLength').optional(),
  }),
  output: z.object({
    schools: z.array(schoolTarget).readonly(),
    target: z.number(),
    low: z.number(),
    high: z.number(),
    attainable: z.number(),
    left: z.number(),
    difference: z.number(),
    heldAtEnd: z.boolean(),
  }),
  sources: ['common-practice'],
  run: (input) => {
    const { schools, ...rest } = cleatTarget(input)
    return { ...rest, schools: schools.map((row) => ({ ...row, missing: [...row.missing] })) }
  },
  working: (input, out) => [
    {
      label: `Target, ${cleatSchool(input.school).label.toLowerCase()}`,
      formula: ruleWords(input),
      value: out.target,
      unit: 'mm',
      output: 'target',
    },
    { label: 'Band', formula: 'the school’s lines on the vial', value: `${out.low.toFixed(1)} to ${out.high.toFixed(1)}`, unit: 'mm' },
    { label: 'What the slot allows', formula: slotWords(input), value: out.attainable, unit: 'mm', output: 'attainable' },
    { label: 'Left', formula: 'target − attainable', value: out.left, unit: 'mm', output: 'left' },
    { label: 'Move', formula: `attainable − ${input.setbackNow}`, value: out.difference, unit: 'mm', output: 'difference' },
  ],
})

function ruleWords({ school, shoeSize, heelToMtp1, heelToMtp5, footLength }: CleatTargetInput): string {
  const { rule } = cleatSchool(school)
  switch (rule.kind) {
    case 'band':
      return `middle of ${rule.low} to ${rule.high}`
    case 'by-shoe-size':
      return `EU ${figure(shoeSize)}: linear, EU ${rule.from[0]} → ${rule.from[1]}, EU ${rule.to[0]} → ${rule.to[1]}`
    case 'between-heads':
      return `(MTP1 ${figure(heelToMtp1)} − MTP5 ${figure(heelToMtp5)}) / 2`
    case 'share-of-foot':
      return `MTP1 ${figure(heelToMtp1)} − ${rule.share} · foot ${figure(footLength)}`
  }
}

const figure = (value: number | undefined) => (value === undefined ? '–' : trimmed(value, 2))

function slotWords({ setbackNow, slotForward, slotBack }: CleatTargetInput): string {
  const end = (room: number, sign: number) => (setbackNow + sign * room).toFixed(1).replace('-', '−')
  const [foremost, rearmost] = [slotForward === undefined ? null : end(slotForward, -1), slotBack === undefined ? null : end(slotBack, 1)]
  if (foremost === null && rearmost === null) return 'room in the slot not read: not held'
  if (foremost === null || rearmost === null) return foremost === null ? `target held before ${rearmost}` : `target held behind ${foremost}`
  return `target held between ${foremost} and ${rearmost}`
}
