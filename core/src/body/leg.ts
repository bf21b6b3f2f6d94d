import { mm, msg } from '../kernel/message.ts'
import { DEGREES, RADIANS, pedalAxle, sitPoint } from '../bike/contactPoints.ts'
import type { Point } from '../bike/contactPoints.ts'
import { UnreachableError } from '../kernel/problem.ts'

/**
 * Knee flexion for a hip-to-ankle distance (law of cosines).
 * @param thigh trochanter to knee, mm
 * @param shank knee to malleolus, mm
 * @param distance hip to ankle, mm; must lie in [|thigh − shank|, thigh + shank]
 * @returns flexion in degrees, 0 = straight leg
 * @throws UnreachableError when no triangle exists
 * @source geometry
 */
export function kneeFlexion(thigh: number, shank: number, distance: number): number {
  assertReach(thigh, shank, distance)
  const cosine = (thigh * thigh + shank * shank - distance * distance) / (2 * thigh * shank)
  return 180 - Math.acos(Math.min(1, Math.max(-1, cosine))) * DEGREES
}

/**
 * Hip-to-ankle distance for a knee flexion; inverse of {@link kneeFlexion}.
 * @param flexion degrees, 0 = straight, below 180
 * @returns mm
 * @source geometry
 */
export function distanceForFlexion(thigh: number, shank: number, flexion: number): number {
  return Math.sqrt(thigh * thigh + shank * shank + 2 * thigh * shank * Math.cos(flexion * RADIANS))
}

/** Everything the leg model needs for one side; lengths mm, angles degrees. */
export interface LegInput {
  readonly thigh: number
  readonly shank: number
  /** axle to ankle along the sole, + ankle behind the axle */
  readonly ankleBehind: number
  /** axle to ankle out of the sole, + ankle above the axle */
  readonly ankleAbove: number
  readonly crank: number
  readonly saddleHeight: number
  readonly seatAngle: number
  /** hip joint ahead of and above the sit point */
  readonly hipForward: number
  readonly hipUp: number
  /** heel up, at bottom dead centre */
  readonly footPitch: number
  /** hip to foot across the bike (half stance less half hip spacing); 0 when left out */
  readonly lateral?: number | undefined
}

/** Where a leg is at one crank angle. */
export interface LegPosture {
  readonly hip: Point
  readonly knee: Point
  readonly ankle: Point
  readonly axle: Point
  /** hip to ankle, mm */
  readonly distance: number
  /** degrees, 0 = straight */
  readonly kneeFlexion: number
  /** degrees, heel up */
  readonly footPitch: number
}

/** Crank angle at which the heel stands highest over the turn, degrees. @source prior */
const STEEPEST_PITCH_AT = 300
const SHAPE_AT_BOTTOM = Math.cos((180 - STEEPEST_PITCH_AT) * RADIANS)

/**
 * Foot pitch over the turn: φ(α) = φm + A·cos(α − 300°), drawn through the pitch at bottom dead centre.
 * @param swing amplitude A, degrees; 0 holds the pitch constant
 */
export function footPitchAt(crankAngle: number, pitchAtBottom: number, swing: number): number {
  if (swing === 0) return pitchAtBottom
  return pitchAtBottom + swing * (Math.cos((crankAngle - STEEPEST_PITCH_AT) * RADIANS) - SHAPE_AT_BOTTOM)
}

/**
 * Ankle behind and above the pedal axle in the foot's own frame.
 * @returns mm; `behind` along the sole, `above` out of it
 * @source geometry
 */
export function ankleFromAxle(foot: {
  readonly heelToMtp1: number
  readonly heelToAnkle: number
  readonly ankleHeight: number
  /** pedal axle to the underside of the foot: pedal, cleat, sole, insole */
  readonly stack: number
  readonly cleatSetback: number
}): { behind: number; above: number } {
  return {
    behind: foot.heelToMtp1 - foot.cleatSetback - foot.heelToAnkle,
    above: foot.ankleHeight + foot.stack,
  }
}

/**
 * Hip, knee, ankle and knee flexion at a crank angle, in the side view.
 * The knee lies ahead of the line from hip to ankle.
 * @param swing see {@link footPitchAt}
 * @throws UnreachableError when the pedal is out of the leg's reach
 * @source geometry
 */
export function legPosture(leg: LegInput, crankAngle: number, swing = 0): LegPosture {
  return legSweep(leg, swing)(crankAngle)
}

/**
 * The leg as a function of the crank angle alone: what does not turn is worked out once.
 * For sweeps round the crank; each call is {@link legPosture}.
 */
export function legSweep(leg: LegInput, swing = 0): (crankAngle: number) => LegPosture {
  const { thigh, shank, crank, ankleBehind, ankleAbove, footPitch, lateral = 0 } = leg
  const sit = sitPoint(leg.saddleHeight, leg.seatAngle)
  const hip = { x: sit.x + leg.hipForward, y: sit.y + leg.hipUp }
  return (crankAngle) => {
    const axle = pedalAxle(crank, crankAngle)
    const pitch = footPitchAt(crankAngle, footPitch, swing)
    const ankle = ankleAt(axle, ankleBehind, ankleAbove, pitch)
    const { knee, distance, kneeFlexion: flexion } = solveLeg(hip, ankle, thigh, shank, lateral)
    if (flexion === null) assertReach(thigh, shank, distance)
    return { hip, knee, ankle, axle, distance, kneeFlexion: flexion ?? 0, footPitch: pitch }
  }
}

/**
 * The triangle of one leg without throwing: what no triangle can be drawn of comes back straight or
 * folded toward the ankle, with flexion null.
 * @param lateral hip to ankle across the bike, mm: the true distance is √(D² + δ²)
 * @returns the knee in the side view, the true distance, flexion in degrees
 * @source geometry
 */
export function solveLeg(
  hip: Point,
  ankle: Point,
  thigh: number,
  shank: number,
  lateral: number,
): { knee: Point; distance: number; kneeFlexion: number | null } {
  const dx = ankle.x - hip.x
  const dy = ankle.y - hip.y
  const flat = Math.sqrt(dx * dx + dy * dy)
  const distance = lateral === 0 ? flat : Math.sqrt(flat * flat + lateral * lateral)
  const cosine = (thigh * thigh + shank * shank - distance * distance) / (2 * thigh * shank)
  if (!(cosine >= -1 - 1e-12 && cosine <= 1 + 1e-12)) {
    const share = distance > 0 ? thigh / distance : 0
    return { knee: { x: hip.x + dx * share, y: hip.y + dy * share }, distance, kneeFlexion: null }
  }
  // Foot of the knee's height on the hip–ankle line, then out to the front of it, in the bike's plane.
  const along = (thigh * thigh - shank * shank + distance * distance) / (2 * distance)
  const out = Math.sqrt(Math.max(0, thigh * thigh - along * along))
  const knee = {
    x: hip.x + (along * dx) / distance - (out * dy) / flat,
    y: hip.y + (along * dy) / distance + (out * dx) / flat,
  }
  return { knee, distance, kneeFlexion: 180 - Math.acos(Math.min(1, Math.max(-1, cosine))) * DEGREES }
}

/** Ankle for an axle and a foot pitch (heel up, degrees). @source geometry */
export function ankleAt(axle: Point, behind: number, above: number, pitch: number): Point {
  const sine = Math.sin(pitch * RADIANS)
  const cosine = Math.cos(pitch * RADIANS)
  return { x: axle.x - behind * cosine + above * sine, y: axle.y + behind * sine + above * cosine }
}

/**
 * Saddle height that gives a knee flexion at a crank angle: the larger root of
 * h² + 2h(u·p) + |p|² − D² = 0 along the seat-tube line.
 * @param leg its `saddleHeight` is not used
 * @param flexion degrees
 * @returns bottom bracket to saddle top, mm
 * @throws UnreachableError when no height on this line gives it
 * @source geometry
 */
export function saddleHeightForFlexion(leg: LegInput, flexion: number, crankAngle = 180, swing = 0): number {
  const pitch = footPitchAt(crankAngle, leg.footPitch, swing)
  const ankle = ankleAt(pedalAxle(leg.crank, crankAngle), leg.ankleBehind, leg.ankleAbove, pitch)
  const distance = distanceForFlexion(leg.thigh, leg.shank, flexion)
  const height = heightForDistance({ x: leg.hipForward - ankle.x, y: leg.hipUp - ankle.y }, leg.seatAngle, distance, leg.lateral)
  if (height === null || !(height > 0)) {
    throw new UnreachableError(
      `No saddle height along a ${leg.seatAngle}° seat line gives ${flexion.toFixed(1)}° of knee flexion with these leg lengths. Check thigh, shank and seat angle.`,
      'flexion',
    )
  }
  return height
}

/**
 * Height along the seat line at which the hip is a given distance from a point: the larger root of
 * h² + 2h(u·p) + |p|² + δ² − D² = 0 with u = (−cos ψ, sin ψ).
 * @param p hip offset from the sit point, less the point (ankle), mm
 * @returns mm; null when there is none
 * @source geometry
 */
export function heightForDistance(p: Point, seatAngle: number, distance: number, lateral = 0): number | null {
  const half = -Math.cos(seatAngle * RADIANS) * p.x + Math.sin(seatAngle * RADIANS) * p.y
  const discriminant = half * half - (p.x * p.x + p.y * p.y + lateral * lateral - distance * distance)
  return discriminant < 0 ? null : -half + Math.sqrt(discriminant)
}

/** Throws when the three sides make no triangle. */
function assertReach(thigh: number, shank: number, distance: number): void {
  const longest = thigh + shank
  const shortest = Math.abs(thigh - shank)
  if (distance > longest) {
    throw new UnreachableError(
      msg`The leg does not reach: hip to ankle is ${mm(distance)} and the straight leg is ${mm(longest)}. Check saddle height, crank, thigh and shank.`,
      'distance',
    )
  }
  if (!(distance >= shortest)) {
    throw new UnreachableError(
      msg`No triangle: hip to ankle is ${mm(distance)} and the folded leg is no shorter than ${mm(shortest)}. Check saddle height, thigh and shank.`,
      'distance',
    )
  }
}
