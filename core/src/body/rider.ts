import { RADIANS } from '../bike/contactPoints.ts'
import type { Point } from '../bike/contactPoints.ts'
import type { Grip } from '../bike/cockpit.ts'
import type { Sided } from '../kernel/sided.ts'
import { ankleAt, footPitchAt, solveLeg } from './leg.ts'
import { FOREARM_TO_GRIP_RATIO, statureFractions } from './proportions.ts'
import { addSegment } from './segments.ts'
import { angleBetween, upperPosture } from './upperBody.ts'
import type { ArmPosture, UpperBody, UpperPosture } from './upperBody.ts'

/** One leg with its foot on the pedal; lengths mm, angles degrees. */
export interface LegModel {
  readonly thigh: number
  readonly shank: number
  /** axle to ankle along the sole and out of it */
  readonly ankleBehind: number
  readonly ankleAbove: number
  /** axle ahead of the heel along the sole, for drawing the foot */
  readonly axleFromHeel: number
  /** axle to the underside of the foot */
  readonly stack: number
  readonly footLength: number
  /** heel up at bottom dead centre */
  readonly footPitch: number
  /** bike's middle to the middle of the foot */
  readonly halfStance: number
  /** this leg's hip joint from the middle of both, side view: a pelvis that is turned or tilted */
  readonly hipAhead: number
  readonly hipAbove: number
}

/** A whole rider on a bike, as plain numbers: what every posture is computed from. */
export interface RiderModel {
  readonly legs: Sided<LegModel>
  /** amplitude of the foot-pitch curve, degrees */
  readonly pitchSwing: number
  readonly crank: number
  /** where the rider sits */
  readonly sit: Point
  /** hip joint from the sit point */
  readonly hipForward: number
  readonly hipUp: number
  /** hip joint to hip joint */
  readonly hipWidth: number
  readonly upper: UpperBody
  /** where each hand holds; null while the hands' place is not known */
  readonly grips: Sided<Grip> | null
  /** brake lever's blade below horizontal, degrees; null while not read, or where the hands hold no bar */
  readonly levers: Sided<number | null>
  /** length of the index finger less the lever's reach, mm; null while the reach is not read */
  readonly fingers: Sided<number | null>
}

/** One leg at one crank angle. */
export interface LegAt {
  /** of this leg */
  readonly hip: Point
  readonly axle: Point
  readonly ankle: Point
  readonly knee: Point
  /** hip to ankle, true length, mm */
  readonly distance: number
  /** degrees; null when the leg cannot form a triangle */
  readonly kneeFlexion: number | null
  readonly footPitch: number
  /** knee and ankle across the bike, + outward from its middle */
  readonly kneeAside: number
}

/** A whole rider at one crank angle. */
export interface RiderAt {
  readonly hip: Point
  readonly legs: Sided<LegAt>
  readonly upper: UpperPosture | null
  /** centre of mass of the rider, side view; null while the hands' place is not known */
  readonly centreOfMass: Point | null
}

/** The left crank stands half a turn from the right. */
export const HALF_TURN = 180

/** Middle of both hip joints. */
export function hipOf(model: Pick<RiderModel, 'sit' | 'hipForward' | 'hipUp'>): Point {
  return { x: model.sit.x + model.hipForward, y: model.sit.y + model.hipUp }
}

/**
 * The whole rider at a crank angle of the right side: both legs, trunk, arms, centre of mass.
 * Never throws and never gives NaN: what does not reach is null and drawn straight.
 * @param crankAngle of the right crank, degrees; the left stands half a turn on
 * @source geometry
 */
export function riderAt(model: RiderModel, crankAngle: number): RiderAt {
  const hip = hipOf(model)
  const right = legAt(model, model.legs.right, hip, crankAngle)
  const left = legAt(model, model.legs.left, hip, crankAngle + HALF_TURN)
  const upper = model.grips && upperPosture(model.upper, hip, model.grips)
  return { hip, legs: { left, right }, upper, centreOfMass: upper && centreOfMass(hip, left, right, upper, model) }
}

/** Hip joint to foot across the bike, mm. */
export function lateralOf(model: Pick<RiderModel, 'hipWidth'>, leg: Pick<LegModel, 'halfStance'>): number {
  return leg.halfStance - model.hipWidth / 2
}

/** One leg at a crank angle of its own side. @param middle of both hip joints @source geometry */
export function legAt(model: RiderModel, leg: LegModel, middle: Point, crankAngle: number): LegAt {
  const hip = { x: middle.x + leg.hipAhead, y: middle.y + leg.hipAbove }
  const a = crankAngle * RADIANS
  const axle = { x: model.crank * Math.sin(a), y: model.crank * Math.cos(a) }
  const footPitch = footPitchAt(crankAngle, leg.footPitch, model.pitchSwing)
  const ankle = ankleAt(axle, leg.ankleBehind, leg.ankleAbove, footPitch)
  const halfHip = model.hipWidth / 2
  const lateral = lateralOf(model, leg)
  const { knee, distance, kneeFlexion } = solveLeg(hip, ankle, leg.thigh, leg.shank, lateral)
  const share = distance > 0 ? (leg.thigh * leg.thigh - leg.shank * leg.shank + distance * distance) / (2 * distance * distance) : 0
  return { hip, axle, ankle, knee, distance, kneeFlexion, footPitch, kneeAside: halfHip + lateral * share }
}

/** Hip to ankle of one leg at a crank angle, true length, mm: what {@link legAt} gives, without the knee. @source geometry */
export function reachAt(model: RiderModel, leg: LegModel, hip: Point, crankAngle: number): number {
  const a = crankAngle * RADIANS
  const pitch = footPitchAt(crankAngle, leg.footPitch, model.pitchSwing) * RADIANS
  const [cos, sin] = [Math.cos(pitch), Math.sin(pitch)]
  const dx = model.crank * Math.sin(a) - leg.ankleBehind * cos + leg.ankleAbove * sin - hip.x - leg.hipAhead
  const dy = model.crank * Math.cos(a) + leg.ankleBehind * sin + leg.ankleAbove * cos - hip.y - leg.hipAbove
  const lateral = lateralOf(model, leg)
  return Math.sqrt(dx * dx + dy * dy + lateral * lateral)
}

/**
 * Point of a foot at `along` from the heel and `above` its underside, in the side view. The foot's
 * frame is read back from axle and ankle, so that no angle is turned twice.
 */
export function footPoint(leg: LegModel, at: Pick<LegAt, 'axle' | 'ankle'>, along: number, above: number): Point {
  const { ankleBehind: a, ankleAbove: b } = leg
  const dx = at.ankle.x - at.axle.x
  const dy = at.ankle.y - at.axle.y
  const square = a * a + b * b
  const s = (b * dx + a * dy) / square
  const c = (b * dy - a * dx) / square
  const f = along - leg.axleFromHeel
  const n = leg.stack + above
  return { x: at.axle.x + f * c + n * s, y: at.axle.y - f * s + n * c }
}

/** @source winter-table */
function centreOfMass(hip: Point, left: LegAt, right: LegAt, upper: UpperPosture, model: RiderModel): Point {
  const sum = { x: 0, y: 0, mass: 0 }
  addSegment(sum, 'trunk', hip, upper.shoulder)
  addArm(sum, upper.arms.left)
  addArm(sum, upper.arms.right)
  addLeg(sum, left, model.legs.left)
  addLeg(sum, right, model.legs.right)
  return { x: sum.x / sum.mass, y: sum.y / sum.mass }
}

/** Elbow to wrist over elbow to the middle of the closed hand. @source drillis-contini */
const WRIST_SHARE = statureFractions.forearm / FOREARM_TO_GRIP_RATIO

function addArm(sum: { x: number; y: number; mass: number }, { shoulder, elbow, hand }: ArmPosture): void {
  addSegment(sum, 'upperArm', shoulder, elbow)
  // The forearm ends at the wrist, the grip lies further on.
  const wrist = { x: elbow.x + WRIST_SHARE * (hand.x - elbow.x), y: elbow.y + WRIST_SHARE * (hand.y - elbow.y) }
  addSegment(sum, 'forearm', elbow, wrist)
  addSegment(sum, 'hand', hand, hand)
}

function addLeg(sum: { x: number; y: number; mass: number }, at: LegAt, leg: LegModel): void {
  addSegment(sum, 'thigh', at.hip, at.knee)
  addSegment(sum, 'shank', at.knee, at.ankle)
  addSegment(sum, 'foot', at.ankle, footPoint(leg, at, leg.axleFromHeel, 0))
}

/** Middle between the hands; null while their place is not known. */
export function handsMiddle({ grips }: Pick<RiderModel, 'grips'>): Point | null {
  return grips && { x: (grips.left.at.x + grips.right.at.x) / 2, y: (grips.left.at.y + grips.right.at.y) / 2 }
}

/** Angle between trunk and thigh, degrees; null without trunk or where the leg does not reach. @source geometry */
export function hipAngleBetween(hip: Point, upper: UpperPosture | null, leg: LegAt): number | null {
  if (upper === null || leg.kneeFlexion === null) return null
  return angleBetween(upper.shoulder.x - hip.x, upper.shoulder.y - hip.y, leg.knee.x - leg.hip.x, leg.knee.y - leg.hip.y)
}
