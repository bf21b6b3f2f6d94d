import { z } from 'zod'
import { defineCalculation, numberField } from '../calculation.ts'
import { trimmed } from '../quantity/entry.ts'
import { rankingAnswer, rankingOutput, rankingWorking } from '../quantity/rankingAnswer.ts'
import { bySide } from '../quantity/sided.ts'
import { LEAST_BITE, boltBite } from './boltCheck.ts'
import { RELEASE_ROOM, cleatRotation } from './cleatRotation.ts'
import { templateSvg } from '../quantity/trueSizeSheet.ts'
import { cleatTemplate } from './cleatTemplate.ts'
import { cleatUse } from './cleatWear.ts'
import { heelClearance, nearestGap } from './heelClearance.ts'
import { weightsSchema } from './pedalCriteria.ts'
import { boltPatterns, pedalKinds, pedalSpecSchema } from './pedalKinds.ts'
import { optionsOf } from '../measure/readingDefinitions.ts'
import type { ChoiceKey } from '../measure/readingDefinitions.ts'
import { rankPedals } from './pedalRanking.ts'
import { LEAST_THREAD, STANCE_MET, stanceOptions, usualStock } from './stanceSearch.ts'
import { turnsOfRide } from './stance.ts'
import { TOE_ASKED, toeClearance } from './toeClearance.ts'

const signed = (value: number, digits = 1) => value.toFixed(digits).replace('-', '−')
const range = z.object({ low: z.number(), high: z.number() })

export const cleatRotationCalculation = defineCalculation({
  name: 'cleat-rotation',
  title: 'Cleat rotation',
  summary: 'The middle of the float on the middle of the heel’s swing, with room beyond it, within what this sole lets the cleat turn.',
  input: z.strictObject({
    toeOut: numberField('toeOut', -20, 45, 'degrees', 'Natural direction of the foot, toes out is plus'),
    cleatTurn: numberField('cleatTurn', -20, 30, 'degrees', 'Where the foot points in the middle of the float'),
    float: numberField('float', 0, 30, 'degrees', 'Whole float'),
    heelIn: numberField('heelIn', 0, 25, 'degrees').default(0),
    heelOut: numberField('heelOut', 0, 25, 'degrees').default(0),
    turnRoom: numberField('turnRoom', 0, 45, 'degrees', '± the cleat can be turned from straight; null = not read, taken as no limit')
      .nullable()
      .default(null),
  }),
  output: z.object({
    floatNow: range,
    swing: range,
    band: range,
    roomIn: z.number(),
    roomOut: z.number(),
    target: z.number(),
    attainable: z.number(),
    left: z.number(),
    difference: z.number(),
    roomAfter: z.number(),
    floatNeeded: z.number(),
    floatEnough: z.boolean(),
  }),
  sources: ['common-practice'],
  run: cleatRotation,
  working: (i, out) => [
    {
      label: 'Swing',
      formula: `${i.toeOut} − ${i.heelOut} to ${i.toeOut} + ${i.heelIn}`,
      value: `${signed(out.swing.low)} to ${signed(out.swing.high)}`,
      unit: 'deg',
    },
    {
      label: 'Float now',
      formula: `${i.cleatTurn} ± ${i.float} / 2`,
      value: `${signed(out.floatNow.low)} to ${signed(out.floatNow.high)}`,
      unit: 'deg',
    },
    { label: 'Room inward', formula: 'float’s upper end − swing’s', value: out.roomIn, unit: 'deg', output: 'roomIn' },
    { label: 'Room outward', formula: 'swing’s lower end − float’s', value: out.roomOut, unit: 'deg', output: 'roomOut' },
    { label: 'Target', formula: 'middle of the swing', value: out.target, unit: 'deg', output: 'target' },
    {
      label: 'What this sole allows',
      formula: i.turnRoom === null ? 'room not read: not held' : `held within ±${trimmed(i.turnRoom, 2)}`,
      value: out.attainable,
      unit: 'deg',
      output: 'attainable',
    },
    { label: 'Turn', formula: 'allowed − now', value: out.difference, unit: 'deg', output: 'difference' },
    {
      label: 'Float that would hold it',
      formula: `swing + 2 · ${RELEASE_ROOM}`,
      value: out.floatNeeded,
      unit: 'deg',
      output: 'floatNeeded',
    },
  ],
})

const gap = z.object({ toeOut: z.number(), crank: z.number().nullable(), stay: z.number().nullable(), ankle: z.number().nullable() })

export const heelClearanceCalculation = defineCalculation({
  name: 'heel-clearance',
  title: 'Heel past crank and chainstay',
  summary: 'Gap from the round heel cup to the crank’s outer face and to the chainstay, at both ends of the float.',
  input: z.strictObject({
    tread: numberField('tread', 50, 350, 'mm'),
    axle: numberField('axle', 35, 130, 'mm'),
    washer: numberField('washer', 0, 20, 'mm').default(0),
    adapter: numberField('adapter', 0, 80, 'mm').default(0),
    cleatInboard: numberField('cleatInboard', -15, 15, 'mm').default(0),
    axleFromHeel: numberField('axleFromHeel', 0, 400, 'mm'),
    heelOutside: numberField('heelOutside', 45, 130, 'mm'),
    stayWidth: numberField('stayWidth', 60, 220, 'mm').nullable().default(null),
    crank: numberField('crank', 100, 220, 'mm'),
    ankle: z
      .strictObject({
        behind: numberField('ankle.behind', -150, 400, 'mm', 'Axle to the ankle along the foot'),
        above: numberField('ankle.above', 0, 400, 'mm'),
      })
      .nullable()
      .default(null),
    cleatTurn: numberField('cleatTurn', -20, 30, 'degrees'),
    float: numberField('float', 0, 30, 'degrees'),
  }),
  output: z.object({ heelOut: gap, heelIn: gap }),
  sources: ['geometry', 'prior'],
  run: heelClearance,
  working: (i, out) => {
    const nearest = nearestGap(out)
    return [
      {
        label: 'Heel cup’s middle behind the axle',
        formula: `${i.axleFromHeel} − ${i.heelOutside} / 2`,
        value: i.axleFromHeel - i.heelOutside / 2,
        unit: 'mm',
      },
      {
        label: 'Heel in, to the crank',
        formula: `half stance − arm · sin ${signed(out.heelIn.toeOut)}° − half the heel − half tread + lean of the arm`,
        value: out.heelIn.crank ?? 'does not pass it',
        unit: 'mm',
        output: 'heelIn.crank',
      },
      {
        label: 'Heel in, to the stay',
        formula: 'the same to half the width over the stays',
        value: out.heelIn.stay ?? 'not read',
        unit: 'mm',
        output: 'heelIn.stay',
      },
      {
        label: 'Ankle, to the crank',
        formula: `half stance − ankle behind the axle · sin − half the ankle − the arm’s face`,
        value: out.heelIn.ankle ?? 'not known',
        unit: 'mm',
        output: 'heelIn.ankle',
      },
      { label: 'Nearest', formula: nearest ? nearest.what : 'nothing', value: nearest ? nearest.gap : 'none', unit: 'mm' },
    ]
  },
})

const partSide = (side: string) =>
  z.strictObject({
    washer: numberField(`${side}.washer`, 0, 20, 'mm').default(0),
    adapter: numberField(`${side}.adapter`, 0, 80, 'mm').default(0),
    axle: numberField(`${side}.axle`, 35, 130, 'mm').default(53),
    cleatInboard: numberField(`${side}.cleatInboard`, -15, 15, 'mm').default(0),
    target: numberField(`${side}.target`, 60, 260, 'mm', 'Half stance wanted'),
    low: numberField(`${side}.low`, 40, 280, 'mm', 'Least half stance that counts as met').optional(),
    high: numberField(`${side}.high`, 40, 280, 'mm', 'Largest that counts as met').optional(),
    cleatOut: numberField(`${side}.cleatOut`, 0, 25, 'mm', 'How far the cleat can go inward on the shoe, which moves the foot out').default(
      2,
    ),
    cleatIn: numberField(`${side}.cleatIn`, 0, 25, 'mm', 'How far it can go outward on the shoe').default(2),
    thread: numberField(`${side}.thread`, 6, 30, 'mm').nullable().default(null),
  })
const sizes = (label: string, usual: readonly number[]) =>
  z
    .array(numberField(label, 0, 350, 'mm'))
    .max(10, { error: `${label} takes at most 10 sizes.` })
    .default([...usual])
const sidedNumbers = z.object({ left: z.number(), right: z.number() })
const stanceMove = z.object({ mean: z.string(), side: z.string(), from: z.number(), to: z.number() })

export const stanceOptionsCalculation = defineCalculation({
  name: 'stance-options',
  title: 'Ways to a stance',
  summary: 'Cheapest safe combination of cleat, washer, axle, adapter and crank that brings both feet where they are wanted.',
  input: z.strictObject({
    tread: numberField('tread', 50, 350, 'mm'),
    left: partSide('left'),
    right: partSide('right'),
    washers: sizes('washers', usualStock.washers),
    axles: sizes('axles', usualStock.axles),
    adapters: sizes('adapters', usualStock.adapters),
    treads: sizes('treads', usualStock.treads),
  }),
  output: z.object({
    options: z.array(
      z.object({
        words: z.string(),
        cost: z.number(),
        reaches: z.boolean(),
        left: sidedNumbers,
        miss: sidedNumbers,
        threadLeft: sidedNumbers,
        reversible: z.string(),
        moves: z.array(stanceMove).readonly(),
      }),
    ),
  }),
  sources: ['common-practice', 'iso-261', 'prior'],
  run: ({ tread, left, right, ...stock }) => {
    const half = { left, right }
    return {
      options: stanceOptions({
        now: bySide((side) => ({ ...half[side], tread })),
        target: bySide((side) => half[side].target),
        band: bySide((side) => ({
          low: half[side].low ?? half[side].target - STANCE_MET,
          high: half[side].high ?? half[side].target + STANCE_MET,
        })),
        cleatRoom: bySide((side) => ({ low: -half[side].cleatIn, high: half[side].cleatOut })),
        thread: bySide((side) => half[side].thread),
        stock,
      }).map(({ parts: _parts, ...option }) => option),
    }
  },
  working: (_, { options }) =>
    options.map((option, i) => ({
      label: `${i + 1}. ${option.words}`,
      formula: `cost ${option.cost}; thread left ${signed(option.threadLeft.left)} / ${signed(option.threadLeft.right)}, at least ${signed(LEAST_THREAD)}; ${option.reaches ? 'reaches it' : 'falls short'}`,
      value: Math.max(Math.abs(option.left.left), Math.abs(option.left.right)),
      unit: 'mm' as const,
    })),
})

const optional = (label: string, min: number, max: number, unit: string) => numberField(label, min, max, unit).nullable().default(null)

/** One of a reading’s words by its key; left out = not read. */
function oneOf<Key extends ChoiceKey>(key: Key) {
  const options = optionsOf(key)
  return z
    .enum(options, { error: `${key} must be one of ${options.join(', ')}.` })
    .nullable()
    .default(null)
}

export const pedalRankingCalculation = defineCalculation({
  name: 'pedal-ranking',
  title: 'Pedal systems for a rider',
  summary: 'Weighted mean of marks per criterion, with exclusions, the schools’ verdicts and what would make the second win.',
  input: z.strictObject({
    weights: weightsSchema,
    rider: z.strictObject({
      mass: optional('rider.mass', 20, 250, 'kg'),
      soleStiffness: oneOf('soleStiffness'),
      forefoot: z.boolean().default(false),
      knee: z.boolean().default(false),
      entry: z.boolean().default(false),
      loose: z.boolean().default(false),
      bowLegged: z.boolean().default(false),
      use: z.enum(['town', 'mountain', 'road', 'long']).default('road'),
      widen: numberField('rider.widen', 0, 100, 'mm').default(0),
      swing: optional('rider.swing', 0, 50, 'degrees'),
      bolts: z.enum(boltPatterns).nullable().default(null),
      kindNow: oneOf('pedalKind'),
      axleNow: optional('rider.axleNow', 35, 130, 'mm'),
      hours: optional('rider.hours', 0, 24, 'h'),
    }),
    catalogue: z.array(pedalSpecSchema).min(1).max(500),
  }),
  output: rankingOutput,
  sources: ['common-practice', 'prior'],
  run: ({ weights, rider, catalogue }) =>
    rankingAnswer(
      rankPedals(
        catalogue.map((spec, i) => ({ id: String(i), spec })),
        rider,
        weights,
      ),
    ),
  working: (_, answer) => rankingWorking(answer),
})

export const cleatTemplateCalculation = defineCalculation({
  name: 'cleat-template',
  title: 'Cleat template',
  summary: 'A template for one shoe in true size, as SVG in millimetres.',
  input: z.strictObject({
    setback: numberField('setback', -30, 90, 'mm', 'Axle behind MTP1 where the cleat shall go'),
    side: z.enum(['left', 'right']),
    title: z.string().max(120).default(''),
    setbackNow: optional('setbackNow', -30, 90, 'mm'),
    mtp5Behind: optional('mtp5Behind', -20, 80, 'mm'),
    slot: z
      .strictObject({ foremost: numberField('slot.foremost', -60, 120, 'mm'), rearmost: numberField('slot.rearmost', -60, 170, 'mm') })
      .nullable()
      .default(null),
    slotAcross: optional('slotAcross', 0, 25, 'mm'),
    inboard: numberField('inboard', -15, 15, 'mm').default(0),
    turn: numberField('turn', -20, 30, 'degrees').default(0),
    float: optional('float', 0, 30, 'degrees'),
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

export const cleatUseCalculation = defineCalculation({
  name: 'cleat-use',
  title: 'Use of a pair of cleats',
  summary: 'How far a pair of cleats is used, by distance or hours, its kind, and walking.',
  input: z.strictObject({
    distance: numberField('distance', 0, 60000, 'km').nullable(),
    hours: numberField('hours', 0, 5000, 'h').nullable().default(null),
    kind: z.enum(pedalKinds, { error: `kind must be one of ${pedalKinds.join(', ')}.` }),
    walking: oneOf('cleatWalking'),
    recess: oneOf('recess'),
  }),
  output: z.object({
    use: z.object({ ridden: z.number(), life: z.number(), share: z.number(), from: z.enum(['distance', 'hours']) }).nullable(),
  }),
  sources: ['prior'],
  run: (input) => ({ use: cleatUse(input) }),
  working: (_, { use: out }) =>
    out === null
      ? [{ label: 'Use', formula: 'neither distance nor hours told, or no cleat', value: 'not known', unit: 'none' }]
      : [
          {
            label: 'Ridden',
            formula: out.from === 'hours' ? 'hours at the usual speed' : 'as told',
            value: out.ridden,
            unit: 'km',
            output: 'use.ridden',
          },
          { label: 'Life of such a cleat', formula: 'by kind, less what walking takes', value: out.life, unit: 'km', output: 'use.life' },
          { label: 'Used', formula: 'ridden / life', value: out.share, unit: 'none', output: 'use.share' },
        ],
})

const bolt = (label: string, min: number, max: number) => numberField(label, min, max, 'mm')
const plain = (value: number) => ({ value, plusMinus: 0, unit: 'mm', basis: 'measured' }) as const

export const boltBiteCalculation = defineCalculation({
  name: 'bolt-bite',
  title: 'Cleat bolt in the sole',
  summary: 'How much of a bolt reaches into the sole, and how much is spare before it comes through.',
  input: z.strictObject({ length: bolt('length', 4, 30), plate: bolt('plate', 1, 15), depth: bolt('depth', 3, 40) }),
  output: z.object({ bite: z.number(), spare: z.number() }),
  sources: ['geometry', 'iso-261'],
  run: ({ length, plate: under, depth }) => {
    const { bite, spare } = boltBite(plain(length), plain(under), plain(depth))
    return { bite, spare }
  },
  working: (i, out) => [
    {
      label: 'Reaches into the sole',
      formula: `${i.length} − ${i.plate}; at least ${LEAST_BITE}`,
      value: out.bite,
      unit: 'mm',
      output: 'bite',
    },
    { label: 'Spare before it comes through', formula: `${i.depth} − that`, value: out.spare, unit: 'mm', output: 'spare' },
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

export const turnsOfRideCalculation = defineCalculation({
  name: 'turns-of-ride',
  title: 'Turns of the crank on a ride',
  summary: 'How often a small misalignment repeats, each leg.',
  input: z.strictObject({ hours: numberField('hours', 0, 24, 'h'), cadence: numberField('cadence', 30, 140, 'rpm') }),
  output: z.object({ turns: z.number() }),
  sources: ['geometry'],
  run: ({ hours, cadence }) => ({ turns: turnsOfRide(hours, cadence) }),
  working: (i, { turns }) => [{ label: 'Turns', formula: `${i.hours} · 60 · ${i.cadence}`, value: turns, unit: 'none', output: 'turns' }],
})
