import type { MetricKey } from '../body/metrics.ts'
import { asRead } from '../rider/asRead.ts'
import { creepNow } from '../rider/creep.ts'
import { kneeNow } from '../rider/kneeNow.ts'
import { shoeFit, ARCH_DROPS } from '../stations/feet/shoe/judge.ts'
import { rotationReadings } from '../stations/feet/rotation/readings.ts'
import { TILT_IGNORED } from '../stations/feet/support/judge.ts'
import { leverFar } from '../stations/hands/levers/readings.ts'
import { steeringStanding } from '../stations/hands/place/judge.ts'
import { paddleStanding } from '../stations/hands/controls/shifters.ts'
import type { NumberKey, ReadingKey } from '../readings/readingDefinitions.ts'
import { measured, standsAt } from '../readings/resolve.ts'
import { combined } from '../kernel/quantity.ts'
import type { Quantity } from '../kernel/quantity.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import type { Facts } from './context.ts'

/** A number of rider and bike that causes are tested on, as it stands, with its ±; k = 2. */
export interface Found {
  readonly value: number
  readonly plusMinus: number
  /** read, and not only the model's */
  readonly isRead: boolean
}

interface NumberRow {
  readonly label: string
  readonly unit: 'mm' | 'deg' | '%'
  readonly sided: boolean
  /** of left against right: it has no band of its own that a move of one side could leave */
  readonly compares?: true
  /** the shortest way to it: readings, in the order a fitter takes them; those of one side where it is sided */
  readonly readings: (facts: Facts) => readonly ReadingKey[]
  readonly of: (facts: Facts, side: Side) => Found | null
}

const num = (value: number, plusMinus: number, isRead = true): Found => ({ value, plusMinus, isRead })
const of = (facts: Facts, key: NumberKey, side: Side = 'left'): Quantity | null => measured(facts.setup.now, key, side)
const plain = (key: NumberKey) => (facts: Facts, side: Side) => {
  const read = of(facts, key, side)
  return read && num(read.value, read.plusMinus)
}
/** One reading less another, both of the same side. */
const less = (key: NumberKey, other: NumberKey) => (facts: Facts, side: Side) => {
  const [a, b] = [of(facts, key, side), of(facts, other, side)]
  return a && b && num(a.value - b.value, combined(a.plusMinus, b.plusMinus))
}
const always =
  (...keys: readonly ReadingKey[]) =>
  () =>
    keys

/** A number of the rider as it was read, or as the model has it where its ± is known. */
function metric(facts: Facts, left: MetricKey, right: MetricKey, side: Side): Found | null {
  const key = side === 'left' ? left : right
  const value = facts.metrics?.[key] ?? null
  const plusMinus = facts.input.plusMinus(key)
  return value === null || plusMinus === null ? null : num(value, plusMinus, asRead(facts.setup, key, value)?.isRead ?? false)
}
const ofRider = (left: MetricKey, right: MetricKey) => (facts: Facts, side: Side) => metric(facts, left, right, side)

/** The knee at the bottom past one end of the band that its method has, degrees; minus is inside. */
const kneePast = (end: 'low' | 'high') => (facts: Facts, side: Side) => {
  const key = side === 'left' ? 'kneeLeft' : 'kneeRight'
  const modelled = facts.setup.model === null ? null : (facts.metrics?.[key] ?? null)
  const knee = kneeNow(facts.setup, side, modelled, facts.input.plusMinus(key))
  if (knee === null || knee.plusMinus === null) return null
  const past = end === 'low' ? knee.band.low - knee.value : knee.value - knee.band.high
  return num(past, knee.plusMinus, knee.isRead)
}

/** Elbows: the straighter or the more bent of the two. */
const elbow = (pick: 'straightest' | 'most bent') => (facts: Facts) => {
  const found = sides.flatMap((side) => metric(facts, 'elbowLeft', 'elbowRight', side) ?? [])
  const sorted = found.sort((a, b) => a.value - b.value)
  return (pick === 'straightest' ? sorted[0] : sorted.at(-1)) ?? null
}

/** Bar's width beyond an end of the band that the fitter's school has. */
const widthPast =
  (end: 'high' | 'low') =>
  ({ hands: { width } }: Facts): Found | null =>
    width.past && num(width.past[end], width.past.plusMinus)

/** A lever's place on a drop bar's bend, from its top, as the bar's roll has it now. */
function hoodPlace(facts: Facts, side: Side): Found | null {
  const place = of(facts, 'hoodPosition', side)
  const roll = standsAt(facts.setup.now, 'barRoll')
  return place && num(place.value + (roll?.value ?? 0), place.plusMinus)
}

/** Hands below the seat: the model's, or by the tape alone. */
function handsBelow(facts: Facts): Found | null {
  const modelled = metric(facts, 'drop', 'drop', 'left')
  if (modelled !== null) return modelled
  const [saddle, hand] = [of(facts, 'saddleHeight'), of(facts, 'handHeight')]
  const angle = facts.setup.now.seatAngle.left
  if (saddle === null || hand === null || angle === null) return null
  const radians = (angle.value * Math.PI) / 180
  const byAngle = saddle.value * Math.cos(radians) * ((angle.plusMinus * Math.PI) / 180)
  return num(saddle.value * Math.sin(radians) - hand.value, combined(saddle.plusMinus, hand.plusMinus, byAngle))
}

/** How far a hook stands from the finger, either way. */
function hookMisses({ hands }: Facts, side: Side): Found | null {
  const { found } = hands.levers.sides[side].hook
  return found && num(Math.abs(found.off), found.plusMinus)
}

/** How far the shifter's paddle lies outside of where the thumb works, either way. */
function paddleMisses({ hands }: Facts, side: Side): Found | null {
  const found = hands.controls.controls.shifter[side].thumb?.found
  return found ? num(Math.abs(paddleStanding(found.zone, found.paddle).by), found.plusMinus) : null
}

/** Hand's own direction against the grip's in a plane, either way, roll included. */
const gripMisses =
  (plane: 'back' | 'up') =>
  ({ hands: { roll } }: Facts, side: Side): Found | null => {
    const [gap, hand] = [roll.gaps[side], roll.hands[side]]
    return gap && hand && num(Math.abs(gap[plane]), hand.plusMinus)
  }

/** Lever's angle beyond an end of what the fitter's school asks. */
const leverPast =
  (end: 'flat' | 'low') =>
  ({ hands }: Facts, side: Side): Found | null => {
    const { angle, target, forearm } = hands.levers.sides[side]
    if (angle === null) return null
    const past = end === 'flat' ? target.low - angle.value : angle.value - target.high
    return num(past, combined(angle.plusMinus, forearm.plusMinus), forearm.by === 'reading')
  }

function gripThicker({ hands }: Facts, side: Side): Found | null {
  const over = hands.grips.over[side]
  return over && num(over.value, over.plusMinus)
}

function leverFurther({ setup }: Facts, side: Side): Found | null {
  const far = leverFar(setup, side)
  return far && num(far.value, far.plusMinus)
}

/** Steering arm of the hands, mm. */
function steerArm({ setup, input }: Facts): Found | null {
  const steering = steeringStanding({ setup, start: input.start })
  return steering && num(steering.arm, STEERING_DOUBT, false)
}
/** ± of a steering arm, mm; k = 2: tapes of the hands and of the frame. @source prior */
const STEERING_DOUBT = 8

/** Sides of one thing, the larger of which counts. */
const larger =
  (each: (facts: Facts, side: Side) => Found | null) =>
  (facts: Facts): Found | null =>
    sides.flatMap((side) => each(facts, side) ?? []).sort((a, b) => b.value - a.value)[0] ?? null

/** What a width by the shoulders is judged from. */
const widthReadings = ({ setup }: Facts): readonly ReadingKey[] =>
  setup.rider.bar === 'drop' ? ['acromionWidth', 'hoodWidth'] : ['acromionWidth', 'barWidth']

/** Numbers that causes are tested on. */
export const numbers = {
  kneeStraight: { label: 'Knee too straight at the bottom by', unit: 'deg', sided: true, readings: always('kneeFlexion'), of: kneePast('low') },
  kneeBent: { label: 'Knee at the bottom, more bent than its band by', unit: 'deg', sided: true, readings: always('kneeFlexion'), of: kneePast('high') },
  kneesApart: {
    label: 'Knees apart at the bottom',
    unit: 'deg',
    sided: false,
    compares: true,
    readings: always('kneeFlexion'),
    of: (facts) => {
      const [left, right] = [of(facts, 'kneeFlexion', 'left'), of(facts, 'kneeFlexion', 'right')]
      return left && right && num(Math.abs(left.value - right.value), combined(left.plusMinus, right.plusMinus))
    },
  },
  hip: { label: 'Hip angle at top', unit: 'deg', sided: true, readings: always('hipAngle'), of: ofRider('hipLeft', 'hipRight') },
  torso: { label: 'Torso from level', unit: 'deg', sided: false, readings: always('torsoAngle'), of: (facts) => metric(facts, 'torso', 'torso', 'left') },
  elbowStraight: { label: 'The straighter elbow', unit: 'deg', sided: false, readings: always('elbowFlexion'), of: elbow('straightest') },
  elbowBent: { label: 'The more bent elbow', unit: 'deg', sided: false, readings: always('elbowFlexion'), of: elbow('most bent') },
  shoulder: { label: 'Shoulder angle', unit: 'deg', sided: false, readings: always('shoulderAngle'), of: larger(ofRider('shoulderLeft', 'shoulderRight')) },
  wristSide: { label: 'Wrist to the little finger', unit: 'deg', sided: true, readings: always('wristAngle'), of: ofRider('wristLeft', 'wristRight') },
  load: { label: 'Share of the body on the hands', unit: '%', sided: false, readings: always('torsoAngle', 'elbowFlexion'), of: (facts) => metric(facts, 'load', 'load', 'left') },
  frontWheel: { label: 'Weight on the front wheel', unit: '%', sided: false, readings: always('chainstay', 'frontCentre', 'bbDrop'), of: (facts) => metric(facts, 'frontWheel', 'frontWheel', 'left') },
  handsBelow: { label: 'Hands below the seat', unit: 'mm', sided: false, readings: always('saddleHeight', 'handHeight'), of: handsBelow },
  barWide: { label: 'Bar wider than its band by', unit: 'mm', sided: false, readings: widthReadings, of: widthPast('high') },
  barNarrow: { label: 'Bar narrower than its band by', unit: 'mm', sided: false, readings: widthReadings, of: widthPast('low') },
  stem: { label: 'Stem', unit: 'mm', sided: false, readings: always('stemLength'), of: (facts) => plain('stemLength')(facts, 'left') },
  barRoll: { label: 'Bar rolled forward', unit: 'deg', sided: false, readings: always('barRoll'), of: (facts) => plain('barRoll')(facts, 'left') },
  hoodPlace: { label: 'Lever on the bend', unit: 'deg', sided: true, readings: always('hoodPosition'), of: hoodPlace },
  hoodIn: { label: 'Hoods turned in', unit: 'deg', sided: true, readings: always('hoodAngle'), of: plain('hoodAngle') },
  leverFar: { label: 'Lever further than the finger hooks by', unit: 'mm', sided: true, readings: always('leverReach', 'indexFinger'), of: leverFurther },
  leverFlat: { label: 'Lever flatter than the forearm asks by', unit: 'deg', sided: true, readings: always('leverAngle', 'forearmReady'), of: leverPast('flat') },
  leverLow: { label: 'Lever lower than the forearm asks by', unit: 'deg', sided: true, readings: always('leverAngle', 'forearmReady'), of: leverPast('low') },
  hookMisses: { label: 'Hook beside the finger by', unit: 'mm', sided: true, readings: always('handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'leverHook'), of: hookMisses },
  paddleMisses: { label: 'Shifter outside of the thumb’s reach by', unit: 'mm', sided: true, readings: always('handFromEnd', 'handBreadth', 'thumbLength', 'gripLength', 'shifterClamp', 'shifterPaddle'), of: paddleMisses },
  steerArm: { label: 'Steering arm', unit: 'mm', sided: false, readings: always('handReach', 'handHeight', 'frameReach', 'frameStack', 'headAngle'), of: steerArm },
  gripOver: { label: 'Grip thicker than suits the hand by', unit: 'mm', sided: true, readings: always('gripDiameter', 'handLength'), of: gripThicker },
  sweepOff: { label: 'Backsweep off the hand’s own by', unit: 'deg', sided: true, readings: always('handSweep', 'handRise', 'barBacksweep', 'barUpsweep'), of: gripMisses('back') },
  riseOff: { label: 'Upsweep off the hand’s own by', unit: 'deg', sided: true, readings: always('handSweep', 'handRise', 'barBacksweep', 'barUpsweep'), of: gripMisses('up') },
  tiltUp: { label: 'Nose higher than its band by', unit: 'deg', sided: false, readings: always('saddleTilt'), of: ({ seat: { tilt } }) => tilt.now && num(tilt.now.value - tilt.target.band.high, tilt.now.plusMinus) },
  tiltDown: { label: 'Nose lower than its band by', unit: 'deg', sided: false, readings: always('saddleTilt'), of: ({ seat: { tilt } }) => tilt.now && num(tilt.target.band.low - tilt.now.value, tilt.now.plusMinus) },
  saddleNarrow: { label: 'Saddle narrower than asked by', unit: 'mm', sided: false, readings: always('sitBoneSpacing', 'saddleWidth', 'torsoAngle'), of: (facts) => widthOff(facts, 1) },
  saddleWide: { label: 'Saddle wider than asked by', unit: 'mm', sided: false, readings: always('sitBoneSpacing', 'saddleWidth', 'torsoAngle'), of: (facts) => widthOff(facts, -1) },
  creep: { label: 'Comes forward under effort', unit: 'mm', sided: false, readings: always('creepForward'), of: (facts) => {
    const creep = creepNow(facts.setup)
    return creep && num(creep.value, creep.plusMinus, creep.isRead)
  } },
  cleatShort: { label: 'Axle further forward than the school’s band by', unit: 'mm', sided: true, readings: always('cleatSetback', 'shoeSize'), of: ({ feet }, side) => {
    const judged = feet.cleat[side]
    return judged.state === 'missing' ? null : num(judged.result.low - judged.now.value, judged.now.plusMinus)
  } },
  cleatsApart: { label: 'Cleats apart against their targets', unit: 'mm', sided: false, compares: true, readings: always('cleatSetback', 'shoeSize'), of: ({ feet: { cleat } }) => {
    const { left, right } = cleat
    if (left.state === 'missing' || right.state === 'missing') return null
    return num(Math.abs(left.now.value - left.result.target - (right.now.value - right.result.target)), combined(left.now.plusMinus, right.now.plusMinus))
  } },
  turnOff: { label: 'Cleat turned off the foot’s own direction by', unit: 'deg', sided: true, readings: always('toeOutHanging', 'cleatTurn', 'cleatFloat'), of: (facts, side) => {
    const judged = facts.feet.rotation[side]
    if (judged.state === 'missing') return null
    const { toeOut, cleatTurn } = rotationReadings(facts.setup.now, side)
    return num(Math.abs(judged.rotation.difference), combined(toeOut?.plusMinus ?? 0, cleatTurn?.plusMinus ?? 0))
  } },
  floatShort: { label: 'Float less than the heel’s swing with room by', unit: 'deg', sided: true, readings: always('heelIn', 'heelOut', 'cleatFloat'), of: (facts, side) => {
    const { float, heelIn, heelOut } = rotationReadings(facts.setup.now, side)
    const judged = facts.feet.rotation[side]
    if (float === null || heelIn === null || heelOut === null || judged.state === 'missing') return null
    return num(judged.rotation.floatNeeded - float.value, combined(float.plusMinus, heelIn.plusMinus, heelOut.plusMinus))
  } },
  stanceIn: { label: 'Foot too far in by', unit: 'mm', sided: true, readings: always('kneeOutside'), of: (facts, side) => stanceOff(facts, side, 1) },
  stanceOut: { label: 'Foot too far out by', unit: 'mm', sided: true, readings: always('kneeOutside'), of: (facts, side) => stanceOff(facts, side, -1) },
  shoeNarrow: { label: 'Shoe narrower than the foot has room for by', unit: 'mm', sided: true, readings: always('footWidth', 'shoeBallWidth'), of: (facts, side) => {
    const found = less('footWidth', 'shoeBallWidth')(facts, side)
    return found && { ...found, value: found.value + shoeFit.ballWidth.low }
  } },
  shoeShort: { label: 'Shoe shorter than the toes need by', unit: 'mm', sided: true, readings: always('footLength', 'shoeLength'), of: (facts, side) => {
    const found = less('footLength', 'shoeLength')(facts, side)
    return found && { ...found, value: found.value + shoeFit.length.low }
  } },
  shoeLoose: { label: 'Shoe longer than the foot needs by', unit: 'mm', sided: true, readings: always('footLength', 'shoeLength'), of: (facts, side) => {
    const found = less('shoeLength', 'footLength')(facts, side)
    return found && { ...found, value: found.value - shoeFit.length.high }
  } },
  archOpen: { label: 'Arch drop over what is supported', unit: 'mm', sided: true, readings: always('archDrop'), of: (facts, side) => {
    const drop = of(facts, 'archDrop', side)
    return drop && num(drop.value - ARCH_DROPS - (standsAt(facts.setup.now, 'archSupport', side)?.value ?? 0), drop.plusMinus)
  } },
  tilt: { label: 'Forefoot tilt beyond what feet are', unit: 'deg', sided: true, readings: always('forefootTilt'), of: (facts, side) => {
    const tilt = of(facts, 'forefootTilt', side)
    return tilt && num(Math.abs(tilt.value) - TILT_IGNORED - 2 * Math.abs(standsAt(facts.setup.now, 'wedge', side)?.value ?? 0), tilt.plusMinus)
  } },
  heelTilt: { label: 'Heel tilt beyond what feet are', unit: 'deg', sided: true, readings: always('heelTilt'), of: (facts, side) => {
    const tilt = of(facts, 'heelTilt', side)
    return tilt && num(Math.abs(tilt.value) - TILT_IGNORED - 2 * Math.abs(standsAt(facts.setup.now, 'heelWedge', side)?.value ?? 0), tilt.plusMinus)
  } },
  legDifference: { label: 'Legs differ by', unit: 'mm', sided: false, readings: always('legLengthDifference'), of: (facts) => {
    const read = of(facts, 'legLengthDifference')
    if (read === null) return null
    // What is under the shorter leg already makes up for it; once its shim is in, nothing is asked any more.
    const { state, already } = facts.seat.legs
    return num(state === 'met' ? 0 : Math.max(0, Math.abs(read.value) - already), read.plusMinus)
  } },
  crankLong: { label: 'Crank over a share of the inseam by', unit: 'mm', sided: false, readings: always('crank', 'inseam'), of: (facts) => {
    const [crank, inseam] = [of(facts, 'crank'), of(facts, 'inseam')]
    return crank && inseam && num(crank.value - CRANK_SHARE * inseam.value, combined(crank.plusMinus, CRANK_SHARE * inseam.plusMinus))
  } },
  matTurned: { label: 'Sit bones turned on the mat', unit: 'deg', sided: false, readings: always('pelvisLevel'), of: ({ input: { mat } }) => (mat === null || mat.turned === null ? null : num(Math.abs(mat.turned), MAT_DOUBT)) },
  matMiddle: { label: 'Pressure in the middle against the bones’ peaks', unit: '%', sided: false, readings: always('saddleRelief'), of: ({ seat: { mat }, input }) => (input.mat === null ? null : num(mat.some(({ key, weight }) => key === 'middle' && weight === 'act') ? 1 : -1, 0.5)) },
} as const satisfies Readonly<Record<string, NumberRow>> // prettier-ignore

export type NumberName = keyof typeof numbers
export function numberRow(name: NumberName): NumberRow {
  return numbers[name]
}

/** ± of a mat's turn, degrees; k = 2. @source prior */
const MAT_DOUBT = 3
/** Cranks are commonly near a fifth of the inseam; longer than this share is long. @source prior */
const CRANK_SHARE = 0.216

/** How much the saddle is narrower (1) or wider (−1) than asked. */
function widthOff({ seat: { width }, setup }: Facts, way: 1 | -1): Found | null {
  const saddle = measured(setup.now, 'saddleWidth')
  if (width === null || saddle === null) return null
  const by = way === 1 ? width.low - saddle.value : saddle.value - width.high
  return num(by, combined(width.plusMinus, saddle.plusMinus))
}

/** How far a foot stands too far in (1) or out (−1), beyond its band; only where the stance has a target of this rider's own. */
function stanceOff({ feet: { stance } }: Facts, side: Side, way: 1 | -1): Found | null {
  if (stance === null || stance.target.key === 'use' || stance.target.half === null) return null
  const { low, high } = stance.band[side]
  return num(way === 1 ? low - stance.now[side] : stance.now[side] - high, stance.beyondPlusMinus[side])
}
