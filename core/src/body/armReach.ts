import { RADIANS } from '../bike/contactPoints.ts'
import { OPEN_SHOULDER } from './postureLimits.ts'
import { metricDefinition } from './metrics.ts'
import { handsMiddle, hipOf } from './rider.ts'
import type { RiderModel } from './rider.ts'
import { armChord, elbowForChord, sideChord, upperPosture } from './upperBody.ts'
import type { UpperPosture } from './upperBody.ts'
import type { Grip } from '../bike/cockpit.ts'
import { bySide, sides } from '../kernel/sided.ts'
import type { Sided } from '../kernel/sided.ts'

/** Where hands have to be for arms that are bent like this, the torso left where it is. */
export interface ArmReach {
  /** hands forward, + , or back, at the height they have; mm */
  readonly by: number
  /** both elbows taken together, degrees */
  readonly elbow: number
  /** the more open shoulder there, degrees */
  readonly shoulder: number
}

/** Elbows bent softly, degrees. @source common-practice */
const SOFT = 20
/** The most bent elbow that is aimed at, degrees. */
const MOST_BENT = metricDefinition('elbowLeft').band?.high ?? 45

/**
 * How far the hands come back, or go forward, until the elbows bend by `elbow` while hip, torso and height
 * of the hands stay. The torso, and not the elbow, is what a rider keeps when a reach that was too
 * long is taken in.
 * @returns null where the hands are not known, a forearm rests, or arms that bent do not span the height
 * @source geometry
 */
export function reachForElbow(model: RiderModel, elbow: number): ArmReach | null {
  const { grips, upper } = model
  const middle = handsMiddle(model)
  if (grips === null || middle === null || grips.left.isRested) return null
  const hip = hipOf(model)
  const now = upperPosture(upper, hip, grips)
  if (!now.reaches) return null
  const asides = sides.map((side) => {
    const { upperArm, forearm } = upper.arms[side]
    return sideChord(armChord(upperArm, forearm, elbow), 2 * grips[side].at.z, upper.acromionWidth)
  })
  const aside = asides.reduce((sum, one) => sum + one, 0) / asides.length
  const level = aside * aside - (middle.y - now.shoulder.y) ** 2
  if (asides.some((one) => one <= 0) || level < 0) return null
  const by = now.shoulder.x + Math.sqrt(level) - middle.x
  return { by, elbow, shoulder: openest(upperPosture({ ...upper, elbowFlexion: elbow }, hip, shifted(grips, by))) }
}

/** Hands so far forward, at their height. */
const shifted = (grips: Sided<Grip>, by: number): Sided<Grip> =>
  bySide((side) => ({ ...grips[side], at: { ...grips[side].at, x: grips[side].at.x + by } }))

const openest = ({ arms }: UpperPosture): number => Math.max(arms.left.shoulderAngle, arms.right.shoulderAngle)

/** How far a long reach is taken in: until the elbows bend softly and the shoulders are not open, the torso held. */
export function reachToComfort(model: RiderModel): ArmReach | null {
  for (let elbow = SOFT; elbow < MOST_BENT; elbow += 1) {
    const found = reachForElbow(model, elbow)
    if (found === null || found.shoulder <= OPEN_SHOULDER) return found
  }
  return reachForElbow(model, MOST_BENT)
}

/**
 * A rider who keeps the torso of another place and lets the elbows answer, within what arms can do.
 * @param model as it is now, by the elbow it is calibrated to
 * @param then the same body where the torso is kept from
 * @returns null where hands are not known in both, or a forearm rests
 * @source geometry
 */
export function torsoHeld(model: RiderModel, then: RiderModel): RiderModel | null {
  const { grips, upper } = model
  if (grips === null || then.grips === null || grips.left.isRested) return null
  const hip = hipOf(model)
  const [now, before] = [upperPosture(upper, hip, grips), upperPosture(then.upper, hipOf(then), then.grips)]
  if (!now.reaches || !before.reaches) return null
  const torso = before.torso * RADIANS
  const shoulder = { x: hip.x + upper.trunk * Math.cos(torso), y: hip.y + upper.trunk * Math.sin(torso) }
  const bends = sides.map((side) => {
    const { at } = grips[side]
    const chord = Math.hypot(at.x - shoulder.x, at.y - shoulder.y, at.z - upper.acromionWidth / 2)
    return elbowForChord(upper.arms[side].upperArm, upper.arms[side].forearm, chord)
  })
  return { ...model, upper: { ...upper, elbowFlexion: bends.reduce((sum, one) => sum + one, 0) / bends.length } }
}

/** Pads are looked for so far either way of where they are, mm; further than any are moved. */
const PADS_REACH = 200
const HALVINGS = 20

/**
 * How far pads and grips go along together, at their height, until elbows on them bend by so much more.
 * @param more degrees; minus = straighter
 * @returns mm, + forward; null where forearms do not rest, or no place does it
 * @source geometry
 */
export function padsForElbow(model: RiderModel, more: number): number | null {
  const { grips, upper } = model
  if (grips === null || !grips.left.isRested) return null
  const hip = hipOf(model)
  const bentAt = (by: number): number | null => {
    const { reaches, arms } = upperPosture(upper, hip, shifted(grips, by))
    return reaches ? (arms.left.elbowFlexion + arms.right.elbowFlexion) / 2 : null
  }
  const now = bentAt(0)
  if (now === null) return null
  // Further ahead elbows are straighter.
  let [near, far] = [0, more > 0 ? -PADS_REACH : PADS_REACH]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (near + far) / 2
    const bent = bentAt(middle)
    if (bent !== null && Math.abs(bent - now) < Math.abs(more)) near = middle
    else far = middle
  }
  const found = bentAt(near)
  return found !== null && Math.abs(found - now - more) < 0.5 ? near : null
}
