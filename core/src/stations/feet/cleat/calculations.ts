import { plain } from '../../../kernel/message.ts'
import { optionalNumber, defineCalculation, numberField } from '../../../kernel/calculation.ts'
import { z } from 'zod'
import { definitionOf } from '../../../readings/readingDefinitions.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import { allowedRange } from '../../../readings/readingEntry.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { cleatSchool, cleatSchoolKeys, defaultCleatSchool } from './schools.ts'
import { cleatTarget } from './target.ts'
import type { CleatTargetInput } from './target.ts'
import { templateSvg } from '../../../kernel/trueSizeSheet.ts'
import { cleatTemplate } from './template.ts'
import { toeClearance, TOE_ASKED } from './toeClearance.ts'

const fromReading = (field: string, key: NumberKey) => {
  const { min, max, how } = definitionOf(key)
  const error = `${field} must be a number from ${plain(allowedRange(key))}.`
  return z
    .number({ error })
    .min(min, { error })
    .max(max, { error })
    .meta({ description: plain(how) })
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
export const cleatTemplateCalculation = defineCalculation({
  name: 'cleat-template',
  title: 'Cleat template',
  summary: 'A template for one shoe in true size, as SVG in millimetres.',
  input: z.strictObject({
    setback: numberField('setback', -30, 90, 'mm', 'Axle behind MTP1 where the cleat shall go'),
    side: z.enum(['left', 'right']),
    title: z.string().max(120).default(''),
    setbackNow: optionalNumber('setbackNow', -30, 90, 'mm'),
    mtp5Behind: optionalNumber('mtp5Behind', -20, 80, 'mm'),
    slot: z
      .strictObject({ foremost: numberField('slot.foremost', -60, 120, 'mm'), rearmost: numberField('slot.rearmost', -60, 170, 'mm') })
      .nullable()
      .default(null),
    slotAcross: optionalNumber('slotAcross', 0, 25, 'mm'),
    inboard: numberField('inboard', -15, 15, 'mm').default(0),
    turn: numberField('turn', -20, 30, 'degrees').default(0),
    float: optionalNumber('float', 0, 30, 'degrees'),
  }),
  output: z.object({ svg: z.string(), axle: z.object({ x: z.number(), y: z.number() }) }),
  sources: ['geometry'],
  run: (input) => {
    const template = cleatTemplate(input)
    const line = template.lines.find(({ key }) => key === 'axle')
    const [from, to] = [line?.from ?? { x: 0, y: 0 }, line?.to ?? { x: 0, y: 0 }]
    return { svg: templateSvg(template), axle: { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 } }
  },
  working: (i, { axle }) => [
    {
      label: 'Axle on the sheet, from its left edge',
      formula: 'middle of the sheet, less cleat inboard toward the bike',
      value: axle.x,
      unit: 'mm',
      output: 'axle.x',
    },
    { label: 'Axle on the sheet, from its upper edge', formula: `MTP1’s mark + ${i.setback}`, value: axle.y, unit: 'mm', output: 'axle.y' },
  ],
})
export const toeClearanceCalculation = defineCalculation({
  name: 'toe-clearance',
  title: 'Toes and the front wheel',
  summary: 'Least gap over the turn from the pedal’s axle and from the shoe’s tip to the tyre, wheel turned across.',
  input: z.strictObject({
    frontCentre: numberField('frontCentre', 450, 1800, 'mm'),
    bbDrop: numberField('bbDrop', -80, 150, 'mm').default(0),
    wheelDiameter: numberField('wheelDiameter', 280, 800, 'mm'),
    crank: numberField('crank', 100, 220, 'mm'),
    toeAhead: numberField('toeAhead', 20, 250, 'mm', 'Pedal’s axle to the shoe’s tip'),
  }),
  output: z.object({ axle: z.number(), toe: z.number() }),
  sources: ['geometry', 'iso-4210'],
  run: toeClearance,
  working: (i, out) => [
    {
      label: 'Pedal’s axle to the tyre',
      formula: `${i.frontCentre} − ${i.crank} − ${i.wheelDiameter} / 2; asked for ${TOE_ASKED.free}, ${TOE_ASKED.held} with the foot held`,
      value: out.axle,
      unit: 'mm',
      output: 'axle',
    },
    { label: 'Shoe’s tip to the tyre', formula: `the same from ${i.toeAhead} further ahead`, value: out.toe, unit: 'mm', output: 'toe' },
  ],
})
