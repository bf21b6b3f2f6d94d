import { z } from 'zod'
import { evaluate } from './kernel/calculation.ts'
import { numericLeaves, withLeaf } from './kernel/propagate.ts'
import { complaintAt, exampleRider, onlyReadings, testTime, wholeReadings } from './testing.ts'
import { freshVisit } from './record/dossier.ts'
import { startingSaddles } from './stations/seat/saddle/kinds.ts'
import { exampleMarks, exampleMat } from './simulate/examples.ts'
import { startingPedals } from './stations/feet/pedal/kinds.ts'
import { calculationNamed, calculations } from './calculations.ts'
import type { CalculationError } from './kernel/problem.ts'
import { sources } from './kernel/sources.ts'

const frontEnd = {
  frameReach: 385,
  frameStack: 560,
  headAngle: 73,
  headset: 15,
  spacers: 20,
  halfClamp: 20,
  stemLength: 100,
  stemAngle: -6,
}
const { saddleHeight: _, ...exampleLeg } = {
  thigh: 430,
  shank: 440,
  ankleBehind: 130,
  ankleAbove: 90,
  crank: 172.5,
  seatAngle: 73,
  hipForward: 40,
  hipUp: 85,
  footPitch: 20,
  saddleHeight: 0,
}
const stanceSide = { axle: 53, washer: 1, adapter: 0, cleatInboard: 2 }
const flatShape = { barWidth: 760, barRise: 20, barForward: 0, barBacksweep: 9, barUpsweep: 5, barBend: 80 }
const visit = { readings: wholeReadings, ledger: [], bar: 'drop' }

const toldVisit = {
  format: 'level-stance/visit',
  version: 4,
  rider: { name: 'Test Rider', note: '' },
  bike: { name: 'Tourer', kind: 'drop bar' },
  visit: { ...freshVisit, startedAt: testTime },
  readings: onlyReadings({ kneeFlexion: 16 }),
  complaints: [complaintAt(1, 'knee-back', 'right')],
  ledger: [],
  ratings: [],
}

/** One good input per calculation; results are checked where the pure functions are. */
const goodInputs: Readonly<Record<string, Record<string, unknown>>> = {
  'knee-flexion': { thigh: 430, shank: 440, distance: 840 },
  'distance-for-flexion': { thigh: 430, shank: 440, kneeFlexion: 30 },
  'leg-posture': {
    thigh: 430,
    shank: 440,
    ankleBehind: 130,
    ankleAbove: 90,
    crank: 172.5,
    seatAngle: 73,
    hipForward: 40,
    hipUp: 85,
    footPitch: 20,
    saddleHeight: 700,
  },
  'saddle-height-for-flexion': {
    thigh: 430,
    shank: 440,
    ankleBehind: 130,
    ankleAbove: 90,
    crank: 172.5,
    seatAngle: 73,
    hipForward: 40,
    hipUp: 85,
    footPitch: 20,
    kneeFlexion: 30,
  },
  'cleat-target': { setbackNow: 6, shoeSize: 43, slotForward: 6, slotBack: 12 },
  'cleat-knock-on': {
    thigh: 430,
    shank: 440,
    heelToMtp1: 195,
    heelToAnkle: 65,
    ankleHeight: 68,
    stack: 22,
    crank: 172.5,
    saddleHeight: 700,
    seatAngle: 73,
    hipForward: 40,
    hipUp: 85,
    footPitch: 20,
    setbackFrom: 0,
    setbackTo: 5,
  },
  'step-plan': { move: 12 },
  'complaint-causes': { visit: toldVisit },
  'cause-evidence': { visit: toldVisit, cause: 'saddle-high' },
  'cleat-rotation': { toeOut: 9, cleatTurn: 6, float: 6, heelIn: 1, heelOut: 1, turnRoom: 12 },
  'heel-clearance': { tread: 146, axle: 53, axleFromHeel: 170, heelOutside: 70, stayWidth: 130, crank: 172.5, cleatTurn: 5, float: 6 },
  'stance-options': { tread: 146, left: { target: 130 }, right: { target: 127 } },
  'pedal-ranking': { weights: { patch: 3 }, rider: { mass: 75 }, catalogue: startingPedals },
  'cleat-template': { setback: 24, side: 'left', title: 'Rider', setbackNow: 10, turn: 5, float: 6 },
  'cleat-use': { distance: 3000, kind: 'plate-coil', walking: 'some' },
  'bolt-bite': { length: 12, plate: 5, depth: 9 },
  'toe-clearance': { frontCentre: 590, bbDrop: 70, wheelDiameter: 672, crank: 172.5, toeAhead: 95 },
  'turns-of-ride': { hours: 2, cadence: 90 },
  'impression-spacing': { marks: exampleMarks },
  'saddle-width': {
    spacing: 112,
    postures: [
      { hands: 'hoods', torso: 48 },
      { hands: 'drops', torso: 33 },
    ],
  },
  'saddle-ranking': { rider: { spacing: 112, width: { low: 132, high: 142 }, softTissue: true }, catalogue: startingSaddles },
  'tilt-turns': { kind: 'two-bolts', change: -1.5 },
  'climb-tilt': { wheelbase: 1180, rearSag: 30, forkSag: 10, gradient: 15 },
  'leg-length': { difference: 9 },
  'pressure-mat': exampleMat,
  'setback-curve': { ...visit, reach: 10 },
  'bar-width-targets': { bar: 'flat', acromionWidth: 400, stature: 1756 },
  'cut-plan': { from: 800, to: 760, perSide: 5 },
  'bar-room': { barWidth: 760, barBend: 80, barBacksweep: 8, barUpsweep: 5, pieces: [{ key: 'grip', width: 135 }] },
  'grip-alignment': { barBacksweep: 9, barUpsweep: 5, barRoll: 8, hand: { back: 12, up: 6 } },
  'roll-for-alignment': { barBacksweep: 9, barUpsweep: 5, hands: [{ back: 12, up: 6 }] },
  'lever-clamp-target': { handFromEnd: 50, handBreadth: 77, gripLength: 132, leverClamp: 8, leverHook: 74 },
  'lever-angle': { forearm: 35, angle: 48 },
  'lever-reach': { indexFinger: 70, reach: 80 },
  'grip-diameter': { handLength: 175 },
  'steering-arm': { headAngle: 67, axisX: 440, axisY: 620, handX: 500, handY: 700, handOut: 340 },
  'hand-height-sweep': visit,
  'like-for-like-stem': { ...frontEnd, from: { ...flatShape, handFromEnd: 60 }, to: { ...flatShape, barRise: 35, handFromEnd: 60 } },
  'cockpit-search': {
    bar: 'flat',
    front: frontEnd,
    steerer: 30,
    stems: [
      { name: 'On the bike', stemLength: 100, stemAngle: -6, isOn: true },
      { name: 'Shorter', stemLength: 80, stemAngle: 6 },
    ],
    bars: [{ name: 'On the bike', isOn: true, shape: { kind: 'flat', ...flatShape } }],
    wanted: { hold: 'place', at: { x: 430, y: 660 } },
  },
  'bar-clamp': frontEnd,
  'stem-search': { ...frontEnd, wanted: { x: 470, y: 640 }, steerer: 30 },
  'hand-on-flat-bar': {
    barWidth: 760,
    barRise: 20,
    barForward: 0,
    barBacksweep: 9,
    barUpsweep: 5,
    barRoll: 8,
    barBend: 70,
    handFromEnd: 65,
  },
  'hand-on-drop-bar': { hoodWidth: 420, barReach: 80, barDrop: 125, barFlare: 8, hands: 'drops' },
  'stance-width': { tread: 146, left: stanceSide, right: stanceSide },
  'saddle-from-sit-point': { behind: 211, above: 693 },
  'saddle-tilt-shift': { ahead: -20, above: 50, turn: -2 },
  'wheel-share': { chainstay: 430, frontCentre: 610, bbDrop: 70, centreOfMass: 60 },
  'arm-reach': { upperArm: 300, forearm: 330, acromionWidth: 400, elbowFlexion: 25, handSpacing: 420 },
  'trunk-and-arms': { body: exampleRider.upper, hip: { x: -170, y: 780 }, grips: exampleRider.grips },
  'rider-on-bike': { model: exampleRider, axles: null },
  'calibrate-rider': visit,
  'measure-next': visit,
  sensitivity: visit,
  'saddle-heights': { inseam: 830, leg: exampleLeg },
  'knock-on': {
    ...visit,
    requested: [{ setting: 'saddleSetback', side: 'both', by: 5 }],
    holds: { knee: true, hands: 'seat', lever: true },
  },
}

describe.each(calculations.map((calculation) => [calculation.name, calculation] as const))('%s', (name, calculation) => {
  it('answers, with working, sources and an output that holds to its own schema', () => {
    const answer = evaluate(calculation, goodInputs[name])
    expect(calculation.output.safeParse(answer.result).success).toBe(true)
    expect(answer.working.length).toBeGreaterThan(0)
    for (const line of answer.working) expect(String(line.value)).not.toMatch(/NaN|undefined/)
    expect(answer.sources.length).toBeGreaterThan(0)
    for (const key of calculation.sources) expect(sources[key]).toBeDefined()
  })

  it('names the field when one is missing, a word, too large or unknown', () => {
    const good = goodInputs[name]!
    const path = Object.keys(numericLeaves(good)).find((leaf) => !/takenAt|repeats/.test(leaf))!
    const field = path.split('.')[0]!
    const fails = (input: unknown) => {
      try {
        evaluate(calculation, input)
      } catch (error) {
        return error as CalculationError
      }
      throw new Error('was accepted')
    }
    expect(fails(withLeaf(good, path, 'a word' as never)).fields[0]?.field).toBe(path)
    expect(fails({ ...good, [field]: undefined }).fields[0]?.field.split('.')[0]).toBe(field)
    expect(fails({ ...good, nonsense: 1 }).fields[0]?.field).toBe('nonsense')
    expect(fails(withLeaf(good, path, 1e9)).message).toMatch(/from|between|at most|reads versions/)
    expect(fails([]).code).toBe('invalid')
    expect(fails(null).code).toBe('invalid')
  })

  it('has a JSON Schema for both ends', () => {
    expect(z.toJSONSchema(calculation.input)).toMatchObject({ type: 'object' })
    expect(z.toJSONSchema(calculation.output)).toMatchObject({ type: 'object' })
  })

  it('carries uncertainty when asked to', () => {
    const good = goodInputs[name]!
    const plusMinus = Object.fromEntries(
      Object.keys(numericLeaves(good))
        .slice(0, 12)
        .map((path) => [path, 1]),
    )
    const answer = evaluate(calculation, { ...good, plusMinus })
    expect(Object.values(answer.plusMinus).some((value) => value > 0)).toBe(true)
  })
})

it('no calculation has an input by the name that carries uncertainties', () => {
  for (const { name, input } of calculations) {
    const { properties } = z.toJSONSchema(input) as { properties?: object }
    expect([name, Object.keys(properties ?? {})]).not.toEqual([name, expect.arrayContaining(['plusMinus'])])
  }
  expect(
    evaluate(calculationNamed('leg-length')!, { difference: 9, differencePlusMinus: 5, plusMinus: { difference: 2 } }).result,
  ).toMatchObject({ state: 'shim' })
})

it('finds by name, and nothing by another', () => {
  expect(calculationNamed('knee-flexion')?.title).toMatch(/Knee flexion/)
  expect(calculationNamed('__proto__')).toBeNull()
})
