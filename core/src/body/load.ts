import { frontWheelShare } from '../bike/frame.ts'
import type { Point } from '../bike/contactPoints.ts'
import { segmentMasses } from './segments.ts'
import type { RiderAt } from './rider.ts'
import type { ArmPosture } from './upperBody.ts'

/**
 * How the body's weight is shared, static and on level ground. An index to compare before and
 * after, not newtons to trust: pedalling, braking and bracing change it.
 */
export interface LoadShares {
  /** of the rider's weight, 0..1; null while wheels are not known */
  readonly frontWheel: number | null
  /** vertical shares of the rider's weight on hands, seat and feet; they sum to 1 */
  readonly hands: number
  readonly seat: number
  readonly feet: number
}

/**
 * Share of the trunk's moment about the hip that back and hip muscles hold; the hands hold the rest.
 * They hold it against the pedals, so the share grows with how far the hip lies behind the bottom
 * bracket: this half at this distance, mm, in proportion, and never more than the most.
 * @source prior
 */
const BACK_SHARE = { half: 0.5, at: 180, most: 0.8 } as const
/** Of the legs' weight, what the pedals carry in easy pedalling; the seat carries the rest. @source prior */
const PEDAL_SHARE_OF_LEGS = 0.6

/**
 * Static shares for a posture. Trunk and arms balance about the hip: what the back does not hold,
 * the hands carry at their lever. Legs are shared between pedals and seat by a fixed assumption.
 * @param axles wheel axles, when the wheels are known
 * @returns null while the hands' place is not known or the arms do not reach
 * @source winter-table
 */
export function loadShares(at: RiderAt, axles: { readonly rear: Point; readonly front: Point } | null): LoadShares | null {
  const { hip, upper, centreOfMass } = at
  if (upper === null || centreOfMass === null || !upper.reaches) return null
  const { trunk, upperArm, forearm, hand, thigh, shank, foot } = segmentMasses
  const towards = (a: Point, b: Point, share: number) => a.x + share * (b.x - a.x) - hip.x
  const ofArm = ({ shoulder, elbow, hand: held }: ArmPosture) =>
    upperArm.mass * towards(shoulder, elbow, upperArm.centre) +
    forearm.mass * towards(elbow, held, forearm.centre) +
    hand.mass * (held.x - hip.x)
  const moment = trunk.mass * towards(hip, upper.shoulder, trunk.centre) + ofArm(upper.arms.left) + ofArm(upper.arms.right)
  const lever = (upper.arms.left.hand.x + upper.arms.right.hand.x) / 2 - hip.x
  const upperMass = trunk.mass + 2 * (upperArm.mass + forearm.mass + hand.mass)
  const held = Math.min(BACK_SHARE.most, Math.max(0, (BACK_SHARE.half * -hip.x) / BACK_SHARE.at))
  const hands = lever > 0 ? Math.min(upperMass, Math.max(0, ((1 - held) * moment) / lever)) : 0
  const feet = PEDAL_SHARE_OF_LEGS * 2 * (thigh.mass + shank.mass + foot.mass)
  return { frontWheel: axles && frontWheelShare(centreOfMass.x, axles), hands, feet, seat: 1 - hands - feet }
}
