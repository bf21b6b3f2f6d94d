import { DEGREES } from '../bike/contactPoints.ts'
import type { Point, Point3 } from '../bike/contactPoints.ts'
import { HALF_TURN, hipAngleBetween, hipOf, legAt, reachAt } from './rider.ts'
import type { LegAt, LegModel, RiderModel } from './rider.ts'
import { upperPosture } from './upperBody.ts'
import type { Side } from '../kernel/sided.ts'

/** What one turn of the crank shows of one side; degrees and mm. */
export interface TurnMetrics {
  /** at bottom dead centre; null when the leg does not reach there */
  readonly kneeAtBottom: number | null
  /** least flexion over the turn, and the crank angle it stands at */
  readonly kneeLeast: number | null
  /** crank angle of the longest hip-to-ankle distance */
  readonly longestReachAt: number
  readonly longestReach: number
  /** trunk to thigh where hip and ankle are nearest; null without trunk */
  readonly hipAngleAtTop: number | null
  /** knee ahead of the pedal axle with the crank forward, mm; a convention without mechanical proof */
  readonly kneeAheadOfAxle: number | null
  /** least gap between knee and forearm over the turn, skin to skin, mm; null without arms */
  readonly kneeElbowGap: number | null
}

/** Half widths of knee and forearm, mm. @source prior */
const HALF_KNEE = 55
const HALF_FOREARM = 40

/**
 * One turn of one leg.
 * @source geometry
 */
export function turnMetrics(model: RiderModel, side: Side): TurnMetrics {
  const leg = model.legs[side]
  const hip = hipOf(model)
  const at = (angle: number): LegAt => legAt(model, leg, hip, angle)
  const far = extremeReach(model, leg, hip, 1)
  const near = extremeReach(model, leg, hip, -1)
  const longest = at(far)
  const bottom = at(180)
  const forward = at(90)
  const upper = model.grips && upperPosture(model.upper, hip, model.grips)
  return {
    kneeAtBottom: bottom.kneeFlexion,
    kneeLeast: longest.kneeFlexion,
    longestReachAt: far,
    longestReach: longest.distance,
    hipAngleAtTop: hipAngleBetween(hip, upper, at(near)),
    kneeAheadOfAxle: forward.kneeFlexion === null ? null : forward.knee.x - forward.axle.x,
    kneeElbowGap: upper && kneeElbowGap(at, upper.arms[side].elbow, upper.arms[side].hand),
  }
}

/**
 * Crank angle in [0, 360) at which hip and ankle are furthest apart (sign 1) or nearest (−1). The
 * search starts where the crank is in line with the hip and ends by parabolas through ever closer
 * neighbours.
 * @source geometry
 */
export function extremeReach(model: RiderModel, leg: LegModel, hip: Point, sign: 1 | -1): number {
  const value = (angle: number) => reachAt(model, leg, hip, angle)
  let best = Math.atan2(hip.x, hip.y) * DEGREES + (sign === 1 ? HALF_TURN : 0)
  for (const h of [16, 3]) {
    const before = value(best - h)
    const after = value(best + h)
    const bend = before - 2 * value(best) + after
    if (bend * sign < 0) best += Math.min(h, Math.max(-h, (h * (before - after)) / (2 * bend)))
    else best += sign * after > sign * before ? h : -h
  }
  return ((best % 360) + 360) % 360
}

function kneeElbowGap(at: (angle: number) => LegAt, elbow: Point3, hand: Point3): number | null {
  let least = Infinity
  for (let angle = 290; angle <= 430; angle += 10) {
    const { knee, kneeAside, kneeFlexion } = at(angle)
    if (kneeFlexion === null) continue
    least = Math.min(least, toSegment({ x: knee.x, y: knee.y, z: kneeAside }, elbow, hand))
  }
  return Number.isFinite(least) ? least - HALF_KNEE - HALF_FOREARM : null
}

/** Distance from a point to a segment in space. @source geometry */
export function toSegment(p: Point3, a: Point3, b: Point3): number {
  const ux = b.x - a.x
  const uy = b.y - a.y
  const uz = b.z - a.z
  const wx = p.x - a.x
  const wy = p.y - a.y
  const wz = p.z - a.z
  const square = ux * ux + uy * uy + uz * uz
  const t = square > 0 ? Math.min(1, Math.max(0, (wx * ux + wy * uy + wz * uz) / square)) : 0
  const dx = wx - t * ux
  const dy = wy - t * uy
  const dz = wz - t * uz
  return Math.sqrt(dx * dx + dy * dy + dz * dz)
}
