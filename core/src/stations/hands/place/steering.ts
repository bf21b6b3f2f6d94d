import { steererUp } from '../../../bike/cockpit.ts'
import type { Front } from '../../../bike/cockpit.ts'
import { DEGREES } from '../../../bike/contactPoints.ts'
import type { Point, Point3 } from '../../../bike/contactPoints.ts'

/** Where the steering axis passes, and how it leans. */
export interface SteeringAxis {
  /** a point on it, from the bottom bracket */
  readonly at: Point
  /** above horizontal, degrees */
  readonly headAngle: number
}

export function steeringAxis(front: Pick<Front, 'frameReach' | 'frameStack' | 'headAngle'>): SteeringAxis {
  return { at: { x: front.frameReach, y: front.frameStack }, headAngle: front.headAngle }
}

/**
 * Lever arm of a hand about the steering axis: its distance square to the axis, mm.
 * @param hand z outward from the bike's middle
 * @source geometry
 */
export function steeringArm({ at, headAngle }: SteeringAxis, hand: Point3): number {
  const up = steererUp(headAngle)
  const [x, y] = [hand.x - at.x, hand.y - at.y]
  // Across the axis in the side view; out of it by z.
  return Math.hypot(x * up.y - y * up.x, hand.z)
}

/** How far the front turns for 10 mm of a hand's travel, degrees. @source geometry */
export function turnPerCentimetre(arm: number): number {
  return (10 / arm) * DEGREES
}

/** Share of the arm that riders notice. @source prior */
export const FELT = 0.03

/** What another arm feels like, in words. */
export function steeringWords(before: number, after: number): string {
  const by = after / before - 1
  const percent = Math.round(100 * Math.abs(by))
  if (Math.abs(by) < FELT) return 'Steering as before.'
  return by < 0 ? `Steering ${percent} % quicker: shorter arm, twitchier.` : `Steering ${percent} % slower: longer arm, calmer.`
}
