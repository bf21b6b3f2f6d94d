import { z } from 'zod'
import { defineCalculation, numberField, pointSchema, spacePointSchema, xy } from '../kernel/calculation.ts'
import { barClamp, dropGrip, effectiveSweeps, flatGrip, stemForClamp } from './cockpit.ts'
import { saddleOfSitPoint } from './contactPoints.ts'
import type { Front } from './cockpit.ts'
import { frontWheelShare, halfStance, tiltShift, wheelAxles } from './frame.ts'
import { stemOptions } from './stemSearch.ts'
import { CalculationError } from '../kernel/problem.ts'

/** A front end, from the frame to the stem. */
export const frontFields = {
  frameReach: numberField('frameReach', 100, 800, 'mm', 'Bottom bracket forward to the top of the head tube, mm'),
  frameStack: numberField('frameStack', 200, 1000, 'mm', 'Bottom bracket up to the top of the head tube, mm'),
  headAngle: numberField('headAngle', 50, 88, 'degrees', 'Steerer above horizontal, degrees'),
  headset: numberField('headset', 0, 80, 'mm', 'Height of the headset’s upper parts, mm'),
  spacers: numberField('spacers', 0, 150, 'mm', 'Spacers under the stem, mm'),
  halfClamp: numberField('halfClamp', 5, 40, 'mm', 'Half the height of the stem’s steerer clamp, mm').default(20),
  stemLength: numberField('stemLength', 0, 200, 'mm'),
  stemAngle: numberField('stemAngle', -60, 80, 'degrees', 'From square to the steerer, rising is plus, degrees'),
}
const upSteerer = (front: Front) => front.headset + front.spacers + front.halfClamp

export const barClampCalculation = defineCalculation({
  name: 'bar-clamp',
  title: 'Bar clamp from frame and stem',
  summary: 'Up the steerer from the top of the head tube, then out along the stem.',
  input: z.strictObject(frontFields),
  output: z.object({ clamp: pointSchema }),
  sources: ['geometry'],
  run: (front) => ({ clamp: barClamp(front) }),
  working: (front, { clamp }) => [
    { label: 'Up the steerer', formula: 'headset + spacers + half clamp', value: upSteerer(front), unit: 'mm' },
    {
      label: 'Stem above level',
      formula: `90° − ${front.headAngle}° + ${front.stemAngle}°`,
      value: 90 - front.headAngle + front.stemAngle,
      unit: 'deg',
    },
    { label: 'Clamp', formula: '(reach, stack) + up · (−cos A, sin A) + L · (cos e, sin e)', value: xy(clamp), unit: 'mm' },
  ],
})

export const stemSearchCalculation = defineCalculation({
  name: 'stem-search',
  title: 'Stems and spacers for a wanted bar clamp',
  summary: 'Nearest ways to a place with the spacers there are: spacers alone, the stem turned over, or another stem as commonly sold.',
  input: z.strictObject({
    ...frontFields,
    wanted: pointSchema,
    steerer: numberField('steerer', 0, 250, 'mm', 'Spacers under and above the stem together, mm'),
  }),
  output: z.object({
    exact: z.object({ stemLength: z.number(), stemAngle: z.number() }),
    options: z.array(
      z.object({
        effort: z.enum(['spacers', 'flip', 'stem']),
        stemLength: z.number(),
        stemAngle: z.number(),
        spacers: z.number(),
        left: pointSchema,
        misses: z.number(),
      }),
    ),
  }),
  sources: ['geometry', 'common-practice'],
  run: ({ wanted, steerer, ...front }) => ({ exact: stemForClamp(front, wanted), options: stemOptions(front, wanted, steerer, 5) }),
  working: (_, { exact, options }) => [
    {
      label: 'Exact stem, length',
      formula: '|wanted − stem’s foot on the steerer|',
      value: exact.stemLength,
      unit: 'mm',
      output: 'exact.stemLength',
    },
    {
      label: 'Exact stem, angle',
      formula: 'bearing of that, less 90° − A',
      value: exact.stemAngle,
      unit: 'deg',
      output: 'exact.stemAngle',
    },
    ...options.map((option, i) => ({
      label: `${i + 1}. ${option.stemLength} mm, ${option.stemAngle}°, spacers ${option.spacers}`,
      formula: `${option.effort}; misses by (${option.left.x.toFixed(1)}, ${option.left.y.toFixed(1)})`.replace(/-/g, '−'),
      value: option.misses,
      unit: 'mm' as const,
    })),
  ],
})

export const flatBarHandCalculation = defineCalculation({
  name: 'hand-on-flat-bar',
  title: 'Hand and grip axis on a flat bar',
  summary: 'From the clamp: forward offset and rise, out along the arm to the hand, everything turned by the roll.',
  input: z.strictObject({
    barWidth: numberField('barWidth', 300, 1100, 'mm', 'End to end, mm'),
    barRise: numberField('barRise', -80, 250, 'mm'),
    barForward: numberField('barForward', -100, 200, 'mm'),
    barBacksweep: numberField('barBacksweep', -15, 95, 'degrees').refine((value) => value < 89, {
      error: 'barBacksweep must be below 89 degrees.',
    }),
    barUpsweep: numberField('barUpsweep', -30, 40, 'degrees'),
    barRoll: numberField('barRoll', -90, 90, 'degrees', 'Top of the bar turned forward is plus, degrees'),
    barBend: numberField('barBend', 0, 300, 'mm', 'Middle of the bar to where the arm begins, mm'),
    handFromEnd: numberField('handFromEnd', 0, 250, 'mm', 'End of the bar to the middle of the hand, mm'),
  }),
  output: z.object({ hand: spacePointSchema, axis: spacePointSchema, backsweep: z.number(), upsweep: z.number() }),
  sources: ['geometry'],
  run: (bar) => {
    const { at, axis } = flatGrip(bar)
    const along = axis ?? { x: 0, y: 0, z: 1 }
    return { hand: at, axis: along, ...effectiveSweeps(along) }
  },
  working: (bar, out) => [
    {
      label: 'Grip axis',
      formula: `(−tan ${bar.barBacksweep}°, tan ${bar.barUpsweep}°, 1), turned by ${bar.barRoll}°`,
      value: '',
      unit: 'none',
    },
    { label: 'Backsweep after roll', formula: 'atan2(−gx, gz)', value: out.backsweep, unit: 'deg', output: 'backsweep' },
    { label: 'Upsweep after roll', formula: 'atan2(gy, gz)', value: out.upsweep, unit: 'deg', output: 'upsweep' },
    { label: 'Hand from the clamp, side view', formula: 'offset and arm, turned by the roll', value: xy(out.hand), unit: 'mm' },
    { label: 'Hand from the middle', formula: 'bend + what is left of the arm', value: out.hand.z, unit: 'mm', output: 'hand.z' },
  ],
})

export const dropBarHandCalculation = defineCalculation({
  name: 'hand-on-drop-bar',
  title: 'Hand on a drop bar',
  summary:
    'From the clamp: the bend as a half circle between tops and drops, the lever at its place on the bend, everything turned by the roll.',
  input: z.strictObject({
    hoodWidth: numberField('hoodWidth', 200, 700, 'mm', 'Centre to centre, mm'),
    dropWidth: numberField('dropWidth', 200, 900, 'mm').nullable().default(null),
    barReach: numberField('barReach', 20, 200, 'mm'),
    barDrop: numberField('barDrop', 40, 250, 'mm'),
    barFlare: numberField('barFlare', 0, 60, 'degrees').default(0),
    barRoll: numberField('barRoll', -90, 90, 'degrees').default(0),
    hoodPosition: numberField(
      'hoodPosition',
      0,
      120,
      'degrees',
      'Where the lever is clamped: 0 at the bend’s top, 90 at its front',
    ).default(45),
    hoodAngle: numberField('hoodAngle', -20, 45, 'degrees', 'Hoods turned inward, degrees').default(0),
    hands: z.enum(['tops', 'hoods', 'drops', 'aero'], { error: 'hands must be tops, hoods, drops or aero.' }).default('hoods'),
  }),
  output: z.object({ hand: spacePointSchema }),
  sources: ['geometry', 'prior'],
  run: ({ hands, ...bar }) => ({ hand: dropGrip(bar, hands).at }),
  working: ({ hands }, { hand }) => [
    {
      label: `Hand on the ${hands}, from the clamp`,
      formula: 'point of the bend, plus the hood’s hollow, turned by the roll',
      value: xy(hand),
      unit: 'mm',
    },
    { label: 'Hand from the middle', formula: 'half the width, plus flare on the drops', value: hand.z, unit: 'mm', output: 'hand.z' },
  ],
})

export const stanceCalculation = defineCalculation({
  name: 'stance-width',
  title: 'Stance width',
  summary: 'Half tread + axle + washer + adapter + cleat inboard, each side by itself.',
  input: z.strictObject({
    tread: numberField('tread', 50, 350, 'mm'),
    left: stanceSide('left'),
    right: stanceSide('right'),
  }),
  output: z.object({ left: z.number(), right: z.number(), stance: z.number() }),
  sources: ['common-practice'],
  run: ({ tread, left, right }) => {
    const [l, r] = [halfStance({ tread, ...left }), halfStance({ tread, ...right })]
    return { left: l, right: r, stance: l + r }
  },
  working: ({ tread, left, right }, out) => [
    { label: 'Left foot from the middle', formula: sumOf(tread, left), value: out.left, unit: 'mm', output: 'left' },
    { label: 'Right foot from the middle', formula: sumOf(tread, right), value: out.right, unit: 'mm', output: 'right' },
    { label: 'Stance', formula: 'left + right', value: out.stance, unit: 'mm', output: 'stance' },
  ],
})

interface StanceSide {
  readonly axle: number
  readonly washer: number
  readonly adapter: number
  readonly cleatInboard: number
}

function stanceSide(side: string) {
  return z.strictObject({
    axle: numberField(`${side}.axle`, 20, 150, 'mm', 'Crank face to pedal centre, mm').default(53),
    washer: numberField(`${side}.washer`, 0, 20, 'mm').default(0),
    adapter: numberField(`${side}.adapter`, 0, 80, 'mm').default(0),
    cleatInboard: numberField(
      `${side}.cleatInboard`,
      -25,
      25,
      'mm',
      'Cleat toward the bike on the shoe; moves the foot outward, mm',
    ).default(0),
  })
}

function sumOf(tread: number, { axle, washer, adapter, cleatInboard }: StanceSide): string {
  return `${tread} / 2 + ${axle} + ${washer} + ${adapter} + ${cleatInboard}`.replace(/-/g, '−')
}

export const saddlePlaceCalculation = defineCalculation({
  name: 'saddle-from-sit-point',
  title: 'Saddle height and seat angle from a measured place',
  summary: 'Where the rider sits, measured from the bottom bracket, as the height along the seat line and its angle.',
  input: z.strictObject({
    behind: numberField('behind', -300, 700, 'mm', 'Sit point behind the bottom bracket, mm'),
    above: numberField('above', 200, 1200, 'mm', 'Sit point above the bottom bracket, mm'),
  }),
  output: z.object({ saddleHeight: z.number(), seatAngle: z.number() }),
  sources: ['geometry'],
  run: ({ behind, above }) => saddleOfSitPoint({ x: -behind, y: above }),
  working: ({ behind, above }, out) => [
    { label: 'Saddle height', formula: `√(${behind}² + ${above}²)`, value: out.saddleHeight, unit: 'mm', output: 'saddleHeight' },
    { label: 'Seat angle', formula: `atan2(${above}, ${behind})`, value: out.seatAngle, unit: 'deg', output: 'seatAngle' },
  ],
})

export const tiltCalculation = defineCalculation({
  name: 'saddle-tilt-shift',
  title: 'What tilting does to the sit point',
  summary: 'The saddle turns about its clamp, so the place where the rider sits moves.',
  input: z.strictObject({
    ahead: numberField('ahead', -200, 250, 'mm', 'Sit point ahead of the clamp, mm'),
    above: numberField('above', 0, 200, 'mm', 'Sit point above the clamp, mm'),
    turn: numberField('turn', -45, 45, 'degrees', 'Change of tilt, nose up is plus, degrees'),
  }),
  output: z.object({ forward: z.number(), up: z.number() }),
  sources: ['geometry'],
  run: ({ ahead, above, turn }) => {
    const { x, y } = tiltShift({ x: ahead, y: above }, turn)
    return { forward: x, up: y }
  },
  working: ({ turn }, out) => [
    { label: 'Forward', formula: `a · cos ${turn}° − b · sin ${turn}° − a`, value: out.forward, unit: 'mm', output: 'forward' },
    { label: 'Up', formula: `a · sin ${turn}° + b · cos ${turn}° − b`, value: out.up, unit: 'mm', output: 'up' },
  ],
})

export const wheelShareCalculation = defineCalculation({
  name: 'wheel-share',
  title: 'Share of weight on the front wheel',
  summary: 'The centre of mass between the axles, bike level and at rest.',
  input: z.strictObject({
    chainstay: numberField('chainstay', 200, 900, 'mm'),
    frontCentre: numberField('frontCentre', 300, 2000, 'mm'),
    bbDrop: numberField('bbDrop', -150, 200, 'mm', 'Bottom bracket below the axles is plus, mm'),
    centreOfMass: numberField('centreOfMass', -1500, 2500, 'mm', 'Centre of mass ahead of the bottom bracket, mm'),
  }),
  output: z.object({ rear: pointSchema, front: pointSchema, frontShare: z.number() }),
  sources: ['geometry', 'iso-4210'],
  run: ({ centreOfMass, ...base }) => {
    const axles = wheelAxles(base)
    if (axles === null) {
      const message = 'A stay must be longer than the bottom-bracket drop.'
      throw new CalculationError('no-triangle', message, [{ field: 'chainstay', message }])
    }
    return { ...axles, frontShare: frontWheelShare(centreOfMass, axles) }
  },
  working: (_, out) => [
    { label: 'Rear axle', formula: '(−√(chainstay² − drop²), drop)', value: xy(out.rear), unit: 'mm' },
    { label: 'Front axle', formula: '(√(front centre² − drop²), drop)', value: xy(out.front), unit: 'mm' },
    { label: 'On the front wheel', formula: '(x − rear) / (front − rear)', value: out.frontShare, unit: 'none', output: 'frontShare' },
  ],
})
