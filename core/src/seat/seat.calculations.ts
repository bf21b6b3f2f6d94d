import { z } from 'zod'
import { defineCalculation, numberField } from '../calculation.ts'
import { rankingAnswer, rankingOutput, rankingWorking } from '../quantity/rankingAnswer.ts'
import { impressionSpacing, CLICK } from './impression.ts'
import { impressionMarksSchema } from './impressionMarks.ts'
import { judgeLegLength, differencePlaces } from './legLength.ts'
import { analyseMat } from './matAnalysis.ts'
import { MAT_LIMITS } from './matFormat.ts'
import { CalculationError } from '../quantity/problem.ts'
import { saddleSpecSchema } from './saddleKinds.ts'
import { saddleWeightsSchema } from './saddleCriteria.ts'
import { rankSaddles } from './saddleRanking.ts'
import { defaultWidthSchool, widthRange, widthSchoolKeys } from './saddleWidth.ts'
import { climbTilt, tiltTarget, tiltUses } from './tilt.ts'
import { tiltUseKeys } from './choices.ts'
import { headKinds, threadPitches, threads, tiltTurns } from './tiltBolts.ts'

const optional = (label: string, min: number, max: number, unit: string) => numberField(label, min, max, unit).nullable().default(null)

export const impressionCalculation = defineCalculation({
  name: 'impression-spacing',
  title: 'Sit-bone spacing from a picture',
  summary: 'Two points on a picture of an impression, through the plane of a sheet of known size or by a scale, with the ± of the marks.',
  input: z.strictObject({
    marks: impressionMarksSchema,
    click: numberField('click', 0.1, 200, 'px', '± of a mark in the picture’s pixels, k = 2').default(CLICK),
  }),
  output: z.object({
    spacing: z.number(),
    plusMinus: z.number(),
    clicking: z.number(),
    scaling: z.number(),
    impression: z.number(),
    uncorrected: z.number().nullable(),
  }),
  sources: ['geometry', 'gum', 'common-practice'],
  run: ({ marks, click }) => {
    const found = impressionSpacing(marks, click)
    if (found === null)
      throw new CalculationError('no-plane', 'These marks do not make a sheet: corners crossed, in a line, or on top of each other.', [
        { field: 'marks.corners', message: 'Mark the four corners in order round the sheet.' },
      ])
    return { ...found }
  },
  working: ({ marks, click }, out) => [
    {
      label: 'Spacing',
      formula:
        marks.by === 'sheet'
          ? `both points through the plane of ${marks.sheet.width} × ${marks.sheet.height} mm`
          : `pixels × ${marks.scale.length} mm over the scale’s pixels`,
      value: out.spacing,
      unit: 'mm',
      output: 'spacing',
    },
    ...(out.uncorrected === null
      ? []
      : [
          {
            label: 'As a ruler on the picture would say',
            formula: 'mean of the sheet’s two widths',
            value: out.uncorrected,
            unit: 'mm' as const,
          },
        ]),
    { label: '± of the marks', formula: `each mark ±${click} px through the same map`, value: out.clicking, unit: 'mm' },
    { label: '± of sheet or scale', formula: '±0.5 mm of its length', value: out.scaling, unit: 'mm' },
    {
      label: '± in all',
      formula: `√(${out.clicking.toFixed(2)}² + ${out.scaling.toFixed(2)}² + ${out.impression}²)`,
      value: out.plusMinus,
      unit: 'mm',
    },
  ],
})

export const saddleWidthCalculation = defineCalculation({
  name: 'saddle-width',
  title: 'Saddle width',
  summary: 'Sit-bone spacing plus an allowance by posture, for each position of the hands, and the range of the one that decides.',
  input: z.strictObject({
    spacing: numberField('spacing', 60, 200, 'mm', 'Centre to centre of the sit bones'),
    spacingPlusMinus: numberField('spacingPlusMinus', 0, 50, 'mm').default(3),
    postures: z
      .array(
        z.strictObject({
          hands: z.string().max(40),
          usual: z.boolean().default(false),
          torso: numberField('torso', -90, 180, 'degrees', 'Torso from level'),
          plusMinus: numberField('plusMinus', 0, 180, 'degrees').default(2),
        }),
      )
      .min(1, { error: 'postures needs at least one position.' })
      .max(8),
    school: z.enum(widthSchoolKeys, { error: `school must be one of ${widthSchoolKeys.join(', ')}.` }).default(defaultWidthSchool),
  }),
  output: z.object({
    low: z.number(),
    high: z.number(),
    middle: z.number(),
    decides: z.string(),
    postures: z.array(z.object({ hands: z.string(), allowance: z.number(), low: z.number(), high: z.number() })),
  }),
  sources: ['common-practice', 'prior'],
  run: ({ spacing, spacingPlusMinus, postures, school }) => {
    const range = widthRange({ value: spacing, plusMinus: spacingPlusMinus }, postures, school)
    if (range === null) throw new CalculationError('no-posture', 'A width needs a posture.', [])
    const { low, high, middle, decides } = range
    const rows = range.postures.map((row) => ({ hands: row.hands, allowance: row.allowance.allowance, low: row.low, high: row.high }))
    return { low, high, middle, decides: decides.hands, postures: rows }
  },
  working: (i, out) => [
    ...out.postures.map((row) => ({
      label: row.hands,
      formula: `${i.spacing} + ${row.allowance}`,
      value: i.spacing + row.allowance,
      unit: 'mm' as const,
    })),
    {
      label: 'Range',
      formula: `${out.decides} decides; half a size either way`,
      value: `${out.low.toFixed(0)} to ${out.high.toFixed(0)}`,
      unit: 'mm',
    },
  ],
})

export const saddleRankingCalculation = defineCalculation({
  name: 'saddle-ranking',
  title: 'Saddles ranked for a rider',
  summary: 'A weighted mean of marks over criteria whose weights follow readings and complaints; exclusions with their reasons.',
  input: z.strictObject({
    weights: saddleWeightsSchema.default({}),
    rider: z.strictObject({
      mass: optional('mass', 25, 250, 'kg'),
      spacing: optional('spacing', 60, 200, 'mm'),
      width: z
        .strictObject({ low: numberField('width.low', 60, 320, 'mm'), high: numberField('width.high', 60, 320, 'mm') })
        .nullable()
        .default(null),
      torso: optional('torso', -90, 180, 'degrees'),
      softTissue: z.boolean().default(false),
      sitBones: z.boolean().default(false),
      rocks: z.boolean().default(false),
      creeps: z.boolean().default(false),
      hours: optional('hours', 0, 24, 'h'),
      postRoomDown: optional('postRoomDown', 0, 400, 'mm'),
      railHeightNow: optional('railHeightNow', 20, 110, 'mm'),
      tried: z.record(z.string().max(80), numberField('mark', 0, 10, '')).default({}),
    }),
    catalogue: z.array(saddleSpecSchema).min(1).max(500),
  }),
  output: rankingOutput,
  sources: ['common-practice', 'prior'],
  run: ({ weights, rider, catalogue }) =>
    rankingAnswer(
      rankSaddles(
        catalogue.map((spec, i) => ({ id: String(i), spec })),
        rider,
        weights,
      ),
    ),
  working: (_, answer) => rankingWorking(answer),
})

export const tiltTurnsCalculation = defineCalculation({
  name: 'tilt-turns',
  title: 'Bolt turns for a saddle’s tilt',
  summary: 'Turns of the head’s bolts from thread pitch and distance, in eighths, which bolt and which way, alternating.',
  input: z.strictObject({
    kind: z.enum(headKinds, { error: `kind must be one of ${headKinds.join(', ')}.` }),
    change: numberField('change', -20, 20, 'degrees', 'Nose up is plus'),
    thread: z.enum(threads, { error: `thread must be one of ${threads.join(', ')}.` }).default('M6'),
    spacing: numberField('spacing', 15, 90, 'mm', 'Bolts apart, or tilt screw to pivot').default(40),
    notch: numberField('notch', 0.2, 8, 'degrees').default(1),
  }),
  output: z.object({
    turns: z.number().nullable(),
    perTurn: z.number().nullable(),
    gives: z.number(),
    left: z.number(),
    steps: z.array(z.object({ bolt: z.enum(['front', 'rear', 'clamp', 'screw']), eighths: z.number(), words: z.string() })),
  }),
  sources: ['geometry', 'iso-261', 'common-practice'],
  run: ({ change, ...head }) => {
    const { steps, ...turns } = tiltTurns(head, change)
    return { ...turns, steps: [...steps] }
  },
  working: (i, out) => [
    ...(out.turns === null
      ? []
      : [
          {
            label: 'One turn of one bolt',
            formula: `atan(${threadPitches[i.thread]} / ${i.spacing})`,
            value: out.perTurn ?? 0,
            unit: 'deg' as const,
            output: 'perTurn',
          },
          {
            label: 'Turns, both bolts together',
            formula: `${i.spacing} · tan ${Math.abs(i.change)}° / ${threadPitches[i.thread]}`,
            value: out.turns,
            unit: 'none' as const,
            output: 'turns',
          },
        ]),
    {
      label: 'What eighths give',
      formula: out.steps.map(({ words }) => words).join('; ') || 'nothing to do',
      value: out.gives,
      unit: 'deg',
      output: 'gives',
    },
  ],
})

export const climbTiltCalculation = defineCalculation({
  name: 'climb-tilt',
  title: 'Tilt on a climb',
  summary: 'How far the slope and the suspension stand the bike nose up, and the target that follows.',
  input: z.strictObject({
    rearSag: numberField('rearSag', 0, 120, 'mm').default(0),
    forkSag: numberField('forkSag', 0, 120, 'mm').default(0),
    wheelbase: numberField('wheelbase', 700, 2600, 'mm'),
    gradient: numberField('gradient', 0, 40, '%').default(0),
    use: z.enum(tiltUseKeys, { error: `use must be one of ${tiltUseKeys.join(', ')}.` }).default('mountain'),
  }),
  output: z.object({ slope: z.number(), sag: z.number(), shift: z.number(), low: z.number(), high: z.number(), aim: z.number() }),
  sources: ['geometry', 'common-practice', 'prior'],
  run: ({ use, ...input }) => {
    const climb = climbTilt(input)
    const { band, aim } = tiltTarget(use, climb, { down: [], up: [] })
    return { ...climb, low: band.low, high: band.high, aim }
  },
  working: (i, out) => [
    { label: 'Slope', formula: `atan(${i.gradient} / 100)`, value: out.slope, unit: 'deg', output: 'slope' },
    { label: 'Suspension', formula: `atan((${i.rearSag} − ${i.forkSag}) / ${i.wheelbase})`, value: out.sag, unit: 'deg', output: 'sag' },
    { label: 'Target goes', formula: 'suspension whole, of the slope a share, at most 3°', value: out.shift, unit: 'deg', output: 'shift' },
    { label: 'Band', formula: `${tiltUses[i.use].label}, shifted`, value: `${out.low.toFixed(1)} to ${out.high.toFixed(1)}`, unit: 'deg' },
  ],
})

export const legLengthCalculation = defineCalculation({
  name: 'leg-length',
  title: 'Leg-length difference',
  summary: 'How much of it to put under the sole at first, and when a clinician comes first.',
  input: z.strictObject({
    difference: numberField('difference', -60, 60, 'mm', 'The right one is the shorter: plus'),
    differencePlusMinus: numberField('differencePlusMinus', 0, 20, 'mm').default(5),
    place: z.enum(differencePlaces, { error: `place must be one of ${differencePlaces.join(', ')}.` }).default('unknown'),
    stackLeft: optional('stackLeft', 0, 90, 'mm'),
    stackRight: optional('stackRight', 0, 90, 'mm'),
    pain: numberField('pain', 0, 10, '').default(0),
  }),
  output: z.object({
    state: z.enum(['missing', 'none', 'refer', 'shim', 'met']),
    shorter: z.enum(['left', 'right']).nullable(),
    start: z.number(),
    already: z.number(),
    now: z.number(),
    words: z.array(z.string()),
  }),
  sources: ['common-practice', 'knutson', 'prior'],
  run: ({ difference, differencePlusMinus, place, stackLeft, stackRight, pain }) => {
    const mm = (value: number | null) => (value === null ? null : ({ value, plusMinus: 1, unit: 'mm', basis: 'measured' } as const))
    const { findings, ...judged } = judgeLegLength({
      difference: { value: difference, plusMinus: differencePlusMinus, unit: 'mm', basis: 'measured' },
      place,
      stack: { left: mm(stackLeft), right: mm(stackRight) },
      cleat: { left: null, right: null },
      pelvisLevel: null,
      pain,
    })
    return { ...judged, words: findings.map(({ headline, sentence }) => `${headline} ${sentence}`) }
  },
  working: (i, out) => [
    {
      label: 'To start with',
      formula: out.start > 0 ? `half of ${Math.abs(i.difference)}, whole halves of a mm` : out.words.join(' '),
      value: out.start,
      unit: 'mm',
      output: 'start',
    },
    { label: 'Already there', formula: 'stack under the shorter leg less the other', value: out.already, unit: 'mm', output: 'already' },
    { label: 'Now', formula: 'at most 3 at a time', value: out.now, unit: 'mm', output: 'now' },
  ],
})

export const matCalculation = defineCalculation({
  name: 'pressure-mat',
  title: 'What a pressure mat says',
  summary: 'Frames of a mat: sit bones and their spacing, shares, centre of pressure and its wander.',
  input: z
    .strictObject({
      frames: z
        .array(
          z.strictObject({
            at: numberField('at', 0, 100_000, 's', 'Seconds from the beginning'),
            values: z.array(numberField('values', 0, MAT_LIMITS.pressure, 'kPa')).max(65_536),
          }),
        )
        .min(1, { error: 'frames needs at least one frame.' })
        .max(100, { error: 'frames takes at most 100 frames here.' }),
      rows: numberField('rows', ...MAT_LIMITS.cells, ''),
      columns: numberField('columns', ...MAT_LIMITS.cells, ''),
      cellAcross: numberField('cellAcross', ...MAT_LIMITS.cell, 'mm'),
      cellAlong: numberField('cellAlong', ...MAT_LIMITS.cell, 'mm'),
    })
    .superRefine(({ frames, rows, columns }, context) => {
      frames.forEach(({ values }, i) => {
        if (values.length !== rows * columns)
          context.addIssue({
            code: 'custom',
            path: ['frames', i, 'values'],
            message: `A frame must have ${rows} × ${columns} values; this one has ${values.length}.`,
          })
      })
    }),
  output: z.object({
    frames: z.number(),
    seconds: z.number(),
    peak: z.number(),
    force: z.number(),
    area: z.number(),
    spacing: z.number().nullable(),
    spacingPlusMinus: z.number().nullable(),
    turned: z.number().nullable(),
    left: z.number(),
    front: z.number(),
    softTissue: z.number(),
    softPeak: z.number(),
    centre: z.object({ x: z.number(), y: z.number() }),
    wander: z.object({ x: z.number(), y: z.number() }),
    asymmetry: z.number(),
    rocking: z.number(),
  }),
  sources: ['geometry', 'common-practice', 'prior'],
  run: ({ frames, ...size }) => {
    const header = { ...size, source: '', simulated: false }
    const result = analyseMat(
      header,
      frames.map(({ at, values }) => ({ at, values: Float32Array.from(values) })),
    )
    if (result === null)
      throw new CalculationError('empty', 'Nothing presses on the mat in this recording.', [
        { field: 'frames', message: 'Nothing presses on the mat.' },
      ])
    const { mean: _mean, bones: _bones, peakAt: _peakAt, ...numbers } = result
    return numbers
  },
  working: (_, out) => [
    {
      label: 'Spacing',
      formula: out.spacing === null ? 'no pair of bones stands out' : 'tops of two bells laid through the cells about the peaks',
      value: out.spacing ?? '–',
      unit: 'mm',
    },
    { label: 'Left', formula: 'load left of the middle line over all', value: 100 * out.left, unit: '%' },
    { label: 'Before the bones', formula: 'load ahead of their line over all', value: 100 * out.front, unit: '%' },
    { label: 'Middle before the bones', formula: 'within a quarter of the spacing either way', value: 100 * out.softTissue, unit: '%' },
    {
      label: 'Centre strays',
      formula: 'two deviations across, along',
      value: `${out.wander.x.toFixed(1)}, ${out.wander.y.toFixed(1)}`,
      unit: 'mm',
    },
  ],
})
