import type { Point3 } from '../bike/contactPoints.ts'
import { hipAngleAt, hipOf, legAt, riderAt } from './rider.ts'
import type { LegAt, LegModel, RiderModel } from './rider.ts'
import type { Side } from '../quantity/sided.ts'

/** What one turn of the crank shows of one side; degrees and mm. */
export interface TurnFacts {
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
export const HALF_KNEE = 55
export const HALF_FOREARM = 40

/**
 * One turn of one leg.
 * @source geometry
 */
export function turnFacts(model: RiderModel, side: Side): TurnFacts {
  const leg = model.legs[side]
  const hip = hipOf(model)
  const at = (angle: number): LegAt => legAt(model, leg, hip, angle)
  const far = extreme((angle) => at(angle).distance, 1)
  const near = extreme((angle) => at(angle).distance, -1)
  const bottom = at(180)
  const forward = at(90)
  const whole = riderAt(model, side === 'right' ? near : near + 180)
  return {
    kneeAtBottom: bottom.kneeFlexion,
    kneeLeast: at(far).kneeFlexion,
    longestReachAt: far,
    longestReach: at(far).distance,
    hipAngleAtTop: hipAngleAt(whole, side),
    kneeAheadOfAxle: forward.kneeFlexion === null ? null : forward.knee.x - forward.axle.x,
    kneeElbowGap: whole.upper === null ? null : kneeElbowGap(model, leg, at, whole.upper.elbow, whole.upper.hand),
  }
}

/**
 * Crank angle in [0, 360) of the largest (sign 1) or smallest (−1) value of a smooth round function:
 * a coarse round, then parabolas through ever closer neighbours.
 */
export function extreme(value: (angle: number) => number, sign: 1 | -1): number {
  const step = 20
  let best = 0
  for (let angle = step; angle < 360; angle += step) if (sign * value(angle) > sign * value(best)) best = angle
  for (const h of [step, step / 4, step / 20]) {
    const before = value(best - h)
    const after = value(best + h)
    const bend = before - 2 * value(best) + after
    if (bend * sign < 0) best += Math.min(h, Math.max(-h, (h * (before - after)) / (2 * bend)))
  }
  return (best + 360) % 360
}

function kneeElbowGap(model: RiderModel, leg: LegModel, at: (angle: number) => LegAt, elbow: Point3, hand: Point3): number | null {
  let least = Infinity
  for (let angle = 270; angle <= 450; angle += 5) {
    const { knee, kneeAside, kneeFlexion } = at(angle)
    if (kneeFlexion === null) continue
    least = Math.min(least, toSegment({ ...knee, z: kneeAside }, elbow, hand))
  }
  return Number.isFinite(least) ? least - HALF_KNEE - HALF_FOREARM : null
}

/** Distance from a point to a segment in space. @source geometry */
export function toSegment(p: Point3, a: Point3, b: Point3): number {
  const [ux, uy, uz] = [b.x - a.x, b.y - a.y, b.z - a.z]
  const [wx, wy, wz] = [p.x - a.x, p.y - a.y, p.z - a.z]
  const square = ux * ux + uy * uy + uz * uz
  const t = square > 0 ? Math.min(1, Math.max(0, (wx * ux + wy * uy + wz * uz) / square)) : 0
  return Math.hypot(wx - t * ux, wy - t * uy, wz - t * uz)
}
