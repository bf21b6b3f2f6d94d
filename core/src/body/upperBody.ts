import { DEGREES, RADIANS } from '../bike/contactPoints.ts'
import type { Point, Point3 } from '../bike/contactPoints.ts'
import type { Grip } from '../bike/cockpit.ts'
import type { Sided } from '../kernel/sided.ts'

/** One arm; lengths mm, angles degrees. */
export interface ArmModel {
  readonly upperArm: number
  /** elbow to the middle of the closed hand */
  readonly forearm: number
  /** how much further the hand is bent to the little-finger side than forearm and grip alone make it; calibrated */
  readonly handSet: number
  /** how far the knuckle line of the relaxed hand lies oblique to the forearm: outer end back, + */
  readonly naturalSweep: number
}

/** Trunk and arms of a rider; lengths mm, angles degrees. */
export interface UpperBody {
  /** hip joint to the middle of the shoulder joints: spine, shoulder girdle and slouch together */
  readonly trunk: number
  /** acromion to acromion */
  readonly acromionWidth: number
  /** bend of both elbows taken together, 0 = straight; each arm’s own follows from where its shoulder and hand are */
  readonly elbowFlexion: number
  /** 0 = elbow hangs under the line from shoulder to hand, 90 = level outward */
  readonly elbowSwivel: number
  /** how far the left shoulder stands ahead of the right one, square to the trunk */
  readonly twist: number
  readonly arms: Sided<ArmModel>
}

/** One arm at a grip. Points lie with z outward from the bike’s middle, on either side. */
export interface ArmPosture {
  readonly shoulder: Point3
  readonly elbow: Point3
  readonly hand: Point3
  /** mm that the arm is too short for its hand; 0 when it reaches */
  readonly short: number
  readonly elbowFlexion: number
  /** between trunk and upper arm, in the side view */
  readonly shoulderAngle: number
  /** forearm below horizontal, elbow to hand */
  readonly forearmFall: number
  /**
   * Hand bent to the little-finger side against the forearm, +. On a bar: the forearm's lean along the
   * grip less the hand's own obliqueness; on a hood or extension: how far the hand on it points below
   * the forearm's line. Null where neither is known.
   */
  readonly wrist: number | null
}

/** What the upper body does at a pair of grips; angles in degrees. */
export interface UpperPosture {
  /** whether trunk and arms meet; where not, they are drawn straight toward the hands */
  readonly reaches: boolean
  /** mm that trunk and arms are short of the hands (+) or too long for them (−); 0 when they reach */
  readonly short: number
  /** middle of the shoulder joints */
  readonly shoulder: Point
  /** trunk above horizontal */
  readonly torso: number
  /** mm that the spread of the hands takes out of the arms' reach, mean of both */
  readonly spreadCost: number
  readonly arms: Sided<ArmPosture>
}

/** Shoulder to hand for an elbow flexion (law of cosines). @source geometry */
export function armChord(upperArm: number, forearm: number, elbowFlexion: number): number {
  return Math.sqrt(upperArm * upperArm + forearm * forearm + 2 * upperArm * forearm * Math.cos(elbowFlexion * RADIANS))
}

/** Elbow flexion for shoulder to hand, degrees; an arm that is too short is straight, one that is too long folded. @source geometry */
export function elbowForChord(upperArm: number, forearm: number, chord: number): number {
  const held = Math.min(upperArm + forearm, Math.max(Math.abs(upperArm - forearm), chord))
  const straight = (upperArm * upperArm + forearm * forearm - held * held) / (2 * upperArm * forearm)
  return 180 - Math.acos(Math.min(1, Math.max(-1, straight))) * DEGREES
}

/**
 * What is left of an arm's chord in the side view when the hands are spread wider or narrower than
 * the shoulders; −1 when they are further apart than the arms reach.
 * @source geometry
 */
export function sideChord(chord: number, handSpacing: number, acromionWidth: number): number {
  const across = (handSpacing - acromionWidth) / 2
  const square = chord * chord - across * across
  return square < 0 ? -1 : Math.sqrt(square)
}

/** What carries the trunk in front: a hand at arm's length, or the elbow of a forearm that rests. */
interface Prop {
  readonly at: Point3
  /** from the shoulder, as the elbow is bent, mm */
  readonly chord: number
}

function propOf(arm: ArmModel, elbowFlexion: number, grip: Grip): Prop {
  if (grip.isRested && grip.pointing) return { at: restedElbow(arm, grip.at, grip.pointing), chord: arm.upperArm }
  return { at: grip.at, chord: armChord(arm.upperArm, arm.forearm, elbowFlexion) }
}

/** Elbow of a forearm that lies on a pad: behind the hand along the pad's line. @source geometry */
function restedElbow({ forearm }: ArmModel, hand: Point3, along: Point3): Point3 {
  return { x: hand.x - forearm * along.x, y: hand.y - forearm * along.y, z: hand.z - forearm * along.z }
}

/**
 * Trunk and arms from the hip to the hands with the elbows at a given bend. One freedom: given the
 * contact points, torso angle and elbow bend are tied, so the torso follows from both arms together;
 * each elbow then bends as its own shoulder and hand ask for. Where forearms rest, the pads say where
 * the elbows are, and the torso follows from them.
 * @param hip hip joint in the side view
 * @param grips where the hands hold, from the bottom bracket
 * @source geometry
 */
export function upperPosture(body: UpperBody, hip: Point, grips: Sided<Grip>): UpperPosture {
  const half = body.acromionWidth / 2
  const left = propOf(body.arms.left, body.elbowFlexion, grips.left)
  const right = propOf(body.arms.right, body.elbowFlexion, grips.right)
  const leftAside = Math.max(0, sideChord(left.chord, 2 * left.at.z, body.acromionWidth))
  const rightAside = Math.max(0, sideChord(right.chord, 2 * right.at.z, body.acromionWidth))
  const aside = (leftAside + rightAside) / 2
  const dx = (left.at.x + right.at.x) / 2 - hip.x
  const dy = (left.at.y + right.at.y) / 2 - hip.y
  const r = Math.sqrt(dx * dx + dy * dy)
  const cosine = (body.trunk * body.trunk + r * r - aside * aside) / (2 * body.trunk * r)
  const reaches = cosine >= -1 && cosine <= 1 && leftAside > 0 && rightAside > 0
  const short = reaches ? 0 : r > body.trunk ? r - body.trunk - aside : r - Math.abs(body.trunk - aside)
  const torso = Math.atan2(dy, dx) + (reaches ? Math.acos(cosine) : 0)
  const cos = Math.cos(torso)
  const sin = Math.sin(torso)
  const shoulder = { x: hip.x + body.trunk * cos, y: hip.y + body.trunk * sin }
  // Forward of the trunk's line: the twist carries the left shoulder that way and the right one back.
  const tx = (sin * body.twist) / 2
  const ty = (-cos * body.twist) / 2
  return {
    reaches,
    short,
    shoulder,
    torso: torso * DEGREES,
    spreadCost: (left.chord - leftAside + right.chord - rightAside) / 2,
    arms: {
      left: armPosture(body.arms.left, body.elbowSwivel, hip, grips.left, { x: shoulder.x + tx, y: shoulder.y + ty, z: half }),
      right: armPosture(body.arms.right, body.elbowSwivel, hip, grips.right, { x: shoulder.x - tx, y: shoulder.y - ty, z: half }),
    },
  }
}

/** Arm and wrist for a shoulder and a hand in their places; an arm that is too short is straight. */
function armPosture(arm: ArmModel, swivel: number, hip: Point, grip: Grip, shoulder: Point3): ArmPosture {
  if (grip.isRested && grip.pointing) return restedArm(arm, hip, grip.at, grip.pointing, shoulder)
  const hand = grip.at
  const cx = hand.x - shoulder.x
  const cy = hand.y - shoulder.y
  const cz = hand.z - shoulder.z
  const c = Math.sqrt(cx * cx + cy * cy + cz * cz)
  const a = arm.upperArm
  const b = arm.forearm
  const held = Math.min(a + b, Math.max(Math.abs(a - b), c))
  const along = (a * a - b * b + held * held) / (2 * held)
  const out = Math.sqrt(Math.max(0, a * a - along * along))
  const ux = cx / c
  const uy = cy / c
  const uz = cz / c
  // v: down, square to the chord. w: outward, square to both.
  const v = Math.sqrt(Math.max(0, 1 - uy * uy)) || 1
  const vx = (uy * ux) / v
  const vy = (uy * uy - 1) / v
  const vz = (uy * uz) / v
  const wz = vx * uy - vy * ux
  const cs = Math.cos(swivel * RADIANS) * out
  const sn = Math.sin(swivel * RADIANS) * (wz < 0 ? -out : out)
  const elbow = {
    x: shoulder.x + ux * along + vx * cs + (vy * uz - vz * uy) * sn,
    y: shoulder.y + uy * along + vy * cs + (vz * ux - vx * uz) * sn,
    z: shoulder.z + uz * along + vz * cs + wz * sn,
  }
  const fx = hand.x - elbow.x
  const fy = hand.y - elbow.y
  const fz = hand.z - elbow.z
  const f = Math.sqrt(fx * fx + fy * fy + fz * fz) || 1
  const forearmFall = Math.asin(Math.min(1, Math.max(-1, -fy / f))) * DEGREES
  const lean = grip.axis ? (fx * grip.axis.x + fy * grip.axis.y + fz * grip.axis.z) / f : 0
  return {
    shoulder,
    elbow,
    hand,
    short: Math.max(0, c - a - b),
    elbowFlexion: elbowForChord(a, b, c),
    shoulderAngle: angleBetween(hip.x - shoulder.x, hip.y - shoulder.y, elbow.x - shoulder.x, elbow.y - shoulder.y),
    forearmFall,
    wrist: wristBend(arm, grip, lean, forearmFall),
  }
}

/** A forearm on its pad, and the upper arm from there to the shoulder; the extension's end is bent to the hand. */
function restedArm(arm: ArmModel, hip: Point, hand: Point3, along: Point3, shoulder: Point3): ArmPosture {
  const elbow = restedElbow(arm, hand, along)
  const [ux, uy, uz] = [elbow.x - shoulder.x, elbow.y - shoulder.y, elbow.z - shoulder.z]
  const u = Math.hypot(ux, uy, uz) || 1
  const straight = (ux * along.x + uy * along.y + uz * along.z) / u
  return {
    shoulder,
    elbow,
    hand,
    short: Math.max(0, u - arm.upperArm),
    elbowFlexion: Math.acos(Math.min(1, Math.max(-1, straight))) * DEGREES,
    shoulderAngle: angleBetween(hip.x - shoulder.x, hip.y - shoulder.y, ux, uy),
    forearmFall: -Math.asin(Math.min(1, Math.max(-1, along.y))) * DEGREES,
    wrist: arm.handSet,
  }
}

/** The hand on a hood lies this much below where it points: the web of the thumb sits in its hollow. @source prior */
const HAND_BELOW_HOOD = 25

function wristBend(body: ArmModel, { axis, pointing }: Grip, lean: number, fall: number): number | null {
  if (axis) return body.handSet - Math.asin(Math.min(1, Math.max(-1, lean))) * DEGREES - body.naturalSweep
  if (pointing) return body.handSet + HAND_BELOW_HOOD - Math.asin(Math.min(1, Math.max(-1, pointing.y))) * DEGREES - fall
  return null
}

/** Angle between two directions of the side view, degrees 0..180. */
export function angleBetween(ax: number, ay: number, bx: number, by: number): number {
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * DEGREES
}
