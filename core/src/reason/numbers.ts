import type { MetricKey } from '../body/metrics.ts'
import { kneeNow } from '../change/kneeNow.ts'
import { handsMiddle } from '../body/rider.ts'
import { shoeFit, ARCH_DROPS } from '../feet/shoeCheck.ts'
import { rotationReadings } from '../feet/inputs.ts'
import { TILT_IGNORED } from '../feet/wedges.ts'
import { alignmentGap } from '../hands/gripAlignment.ts'
import { barSweeps, forearmNow, gripOver, handAlignment, hookOf, leverAngleNow, leverFar, thumbOf, widthOver } from '../hands/inputs.ts'
import { paddleStanding } from '../hands/shifters.ts'
import { steeringArm, steeringAxis } from '../hands/steering.ts'
import { frontOf } from '../measure/riderModel.ts'
import type { NumberKey, ReadingKey } from '../measure/readingDefinitions.ts'
import { measured, standsAt } from '../measure/resolve.ts'
import { combined } from '../quantity/quantity.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { sides } from '../quantity/sided.ts'
import type { Side } from '../quantity/sided.ts'
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
  return value === null || plusMinus === null ? null : num(value, plusMinus, false)
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

/** Bar's width over what the shoulders ask for: hood to hood against the acromia, or a flat bar against its width by build. */
function barOver(facts: Facts): Found | null {
  const over = widthOver(facts.setup)
  return over && num(over.value, over.plusMinus)
}

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

/** What the station of the hands makes of one side, as a number that causes are tested on. */
const ofHand =
  (find: (setup: Facts['setup'], side: Side) => { readonly value: number; readonly plusMinus: number } | null) =>
  ({ setup }: Facts, side: Side): Found | null => {
    const found = find(setup, side)
    return found && num(found.value, found.plusMinus)
  }

/** How far the hook stands from the finger, either way. */
const hookMisses = ofHand((setup, side) => {
  const { found } = hookOf(setup, side)
  return found && { value: Math.abs(found.off), plusMinus: found.plusMinus }
})

/** How far the paddle lies outside of where the thumb works, either way. */
const paddleMisses = ofHand((setup, side) => {
  const { found } = thumbOf(setup, side)
  return found && { value: Math.abs(paddleStanding(found.zone, found.paddle).by), plusMinus: found.plusMinus }
})

/** Hand's own rise against the grip's, either way, roll included. */
const riseMisses = ofHand((setup, side) => {
  const [hand, sweeps] = [handAlignment(setup, side), barSweeps(setup)]
  return hand && sweeps && { value: Math.abs(alignmentGap(hand, sweeps).up), plusMinus: hand.plusMinus }
})

/** Levers further from the forearm's line in the ready position: + lower. */
const leverOff = ofHand((setup, side) => {
  const [angle, forearm] = [leverAngleNow(setup, side), forearmNow(setup)[side]]
  return angle && forearm && { value: angle.value - forearm.value, plusMinus: combined(angle.plusMinus, forearm.plusMinus) }
})

/** Steering arm of the hands, mm. */
function steerArm({ setup }: Facts): Found | null {
  const front = frontOf(setup.rider.values, setup.folded.by)
  const hand = setup.model && handsMiddle(setup.model)
  if (front === null || hand === null || !setup.model?.grips) return null
  const { left, right } = setup.model.grips
  return num(steeringArm(steeringAxis(front), { ...hand, z: (left.at.z + right.at.z) / 2 }), STEERING_DOUBT, false)
}
/** ± of a steering arm, mm; k = 2: tapes of the hands and of the frame. @source prior */
const STEERING_DOUBT = 8

/** Sides of one thing, the larger of which counts. */
const larger =
  (each: (facts: Facts, side: Side) => Found | null) =>
  (facts: Facts): Found | null =>
    sides.flatMap((side) => each(facts, side) ?? []).sort((a, b) => b.value - a.value)[0] ?? null

/** Numbers that causes are tested on. */
export const numbers = {
  kneeStraight: { label: 'Knee at the bottom, straighter than its band by', unit: 'deg', sided: true, readings: always('kneeFlexion'), of: kneePast('low') },
  kneeBent: { label: 'Knee at the bottom, more bent than its band by', unit: 'deg', sided: true, readings: always('kneeFlexion'), of: kneePast('high') },
  kneesApart: {
    label: 'Knees apart at the bottom',
    unit: 'deg',
    sided: false,
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
  wristBack: { label: 'Wrist bent back', unit: 'deg', sided: true, readings: always('leverAngle', 'elbowFlexion'), of: ofRider('wristBackLeft', 'wristBackRight') },
  load: { label: 'Share of the body on the hands', unit: '%', sided: false, readings: always('torsoAngle', 'elbowFlexion'), of: (facts) => metric(facts, 'load', 'load', 'left') },
  frontWheel: { label: 'Weight on the front wheel', unit: '%', sided: false, readings: always('chainstay', 'frontCentre', 'bbDrop'), of: (facts) => metric(facts, 'frontWheel', 'frontWheel', 'left') },
  handsBelow: { label: 'Hands below the seat', unit: 'mm', sided: false, readings: always('saddleHeight', 'handHeight'), of: handsBelow },
  barOver: { label: 'Bar wider than the shoulders ask for by', unit: 'mm', sided: false, readings: ({ setup }) => (setup.rider.bar === 'drop' ? ['acromionWidth', 'hoodWidth'] : ['acromionWidth', 'barWidth']), of: barOver },
  stem: { label: 'Stem', unit: 'mm', sided: false, readings: always('stemLength'), of: (facts) => plain('stemLength')(facts, 'left') },
  barRoll: { label: 'Bar rolled forward', unit: 'deg', sided: false, readings: always('barRoll'), of: (facts) => plain('barRoll')(facts, 'left') },
  leverAngle: { label: 'Lever below level', unit: 'deg', sided: true, readings: always('leverAngle'), of: plain('leverAngle') },
  hoodPlace: { label: 'Lever on the bend', unit: 'deg', sided: true, readings: always('hoodPosition'), of: hoodPlace },
  hoodIn: { label: 'Hoods turned in', unit: 'deg', sided: true, readings: always('hoodAngle'), of: plain('hoodAngle') },
  leverFar: { label: 'Lever further than the finger hooks by', unit: 'mm', sided: true, readings: always('leverReach', 'indexFinger'), of: ofHand(leverFar) },
  leverOff: { label: 'Lever below the forearm’s line by', unit: 'deg', sided: true, readings: always('leverAngle', 'forearmReady'), of: leverOff },
  hookMisses: { label: 'Hook beside the finger by', unit: 'mm', sided: true, readings: always('handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'leverHook'), of: hookMisses },
  paddleMisses: { label: 'Shifter outside of the thumb’s reach by', unit: 'mm', sided: true, readings: always('handFromEnd', 'handBreadth', 'thumbLength', 'gripLength', 'shifterClamp', 'shifterPaddle'), of: paddleMisses },
  steerArm: { label: 'Steering arm', unit: 'mm', sided: false, readings: always('handReach', 'handHeight', 'frameReach', 'frameStack', 'headAngle'), of: steerArm },
  gripOver: { label: 'Grip thicker than suits the hand by', unit: 'mm', sided: true, readings: always('gripDiameter', 'handLength'), of: ofHand((setup, side) => gripOver(setup, side)) },
  sweepOff: { label: 'Backsweep less than the hand’s own by', unit: 'deg', sided: true, readings: always('handSweep', 'barBacksweep'), of: less('handSweep', 'barBacksweep') },
  riseOff: { label: 'Upsweep off the hand’s own by', unit: 'deg', sided: true, readings: always('handRise', 'barUpsweep', 'barRoll'), of: riseMisses },
  tiltUp: { label: 'Nose higher than its band by', unit: 'deg', sided: false, readings: always('saddleTilt'), of: ({ seat: { tilt } }) => tilt.now && num(tilt.now.value - tilt.target.band.high, tilt.now.plusMinus) },
  tiltDown: { label: 'Nose lower than its band by', unit: 'deg', sided: false, readings: always('saddleTilt'), of: ({ seat: { tilt } }) => tilt.now && num(tilt.target.band.low - tilt.now.value, tilt.now.plusMinus) },
  saddleNarrow: { label: 'Saddle narrower than asked by', unit: 'mm', sided: false, readings: always('sitBoneSpacing', 'saddleWidth', 'torsoAngle'), of: (facts) => widthOff(facts, 1) },
  saddleWide: { label: 'Saddle wider than asked by', unit: 'mm', sided: false, readings: always('sitBoneSpacing', 'saddleWidth', 'torsoAngle'), of: (facts) => widthOff(facts, -1) },
  creep: { label: 'Comes forward under effort', unit: 'mm', sided: false, readings: always('creepForward'), of: (facts) => {
    const read = of(facts, 'creepForward')
    return read ? num(read.value, read.plusMinus) : facts.seat.creep === null ? null : num(facts.seat.creep, CREEP_DOUBT, false)
  } },
  cleatShort: { label: 'Axle further forward than the school’s band by', unit: 'mm', sided: true, readings: always('cleatSetback', 'shoeSize'), of: ({ feet }, side) => {
    const judged = feet.cleat[side]
    return judged.state === 'missing' ? null : num(judged.result.low - judged.now.value, judged.now.plusMinus)
  } },
  cleatsApart: { label: 'Cleats apart against their targets', unit: 'mm', sided: false, readings: always('cleatSetback', 'shoeSize'), of: ({ feet: { cleat } }) => {
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

/** ± of a creep that follows from angles read at the hard effort, mm; k = 2. @source prior */
const CREEP_DOUBT = 15
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
