import { DEGREES, RADIANS } from '../bike/contactPoints.ts'
import type { Point, Point3 } from '../bike/contactPoints.ts'
import type { Grip } from '../bike/cockpit.ts'

/** Trunk and arms of a rider; lengths mm, angles degrees. */
export interface UpperBody {
  /** hip joint to shoulder joint: spine, shoulder girdle and slouch together */
  readonly trunk: number
  /** acromion to acromion */
  readonly acromionWidth: number
  readonly upperArm: number
  /** elbow to the middle of the closed hand */
  readonly forearm: number
  /** 0 = straight */
  readonly elbowFlexion: number
  /** 0 = elbow hangs under the line from shoulder to hand, 90 = level outward */
  readonly elbowSwivel: number
  /** how much further the hand is bent to the little-finger side than forearm and grip alone make it; calibrated */
  readonly handSet: number
  /** how far the knuckle line of the relaxed hand lies oblique to the forearm: outer end back, + */
  readonly naturalSweep: number
}

/** What the upper body does at a grip. Angles in degrees; points of the right arm. */
export interface UpperPosture {
  /** whether trunk and arms meet; where not, they are drawn straight toward the hands */
  readonly reaches: boolean
  /** mm that trunk and arms are short of the hands (+) or too long for them (−); 0 when they reach */
  readonly short: number
  readonly shoulder: Point3
  readonly elbow: Point3
  readonly hand: Point3
  /** trunk above horizontal */
  readonly torso: number
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
  /** mm that the spread of the hands takes out of the arm's reach */
  readonly spreadCost: number
}

/** Shoulder to hand for an elbow flexion (law of cosines). @source geometry */
export function armChord(upperArm: number, forearm: number, elbowFlexion: number): number {
  return Math.sqrt(upperArm * upperArm + forearm * forearm + 2 * upperArm * forearm * Math.cos(elbowFlexion * RADIANS))
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

/**
 * Trunk and arms from the hip to the hands with the elbows at a given bend. One freedom: given the
 * contact points, torso angle and elbow bend are tied, so the torso follows.
 * @param hip hip joint in the side view
 * @param grip where the hand holds, from the bottom bracket
 * @source geometry
 */
export function upperPosture(body: UpperBody, hip: Point, grip: Grip): UpperPosture {
  const chord = armChord(body.upperArm, body.forearm, body.elbowFlexion)
  const handSpacing = 2 * grip.at.z
  const chordAside = Math.max(0, sideChord(chord, handSpacing, body.acromionWidth))
  const dx = grip.at.x - hip.x
  const dy = grip.at.y - hip.y
  const r = Math.sqrt(dx * dx + dy * dy)
  const cosine = (body.trunk * body.trunk + r * r - chordAside * chordAside) / (2 * body.trunk * r)
  const reaches = cosine >= -1 && cosine <= 1 && chordAside > 0
  const short = reaches ? 0 : r > body.trunk ? r - body.trunk - chordAside : r - Math.abs(body.trunk - chordAside)
  const bearing = Math.atan2(dy, dx)
  const torso = bearing + (reaches ? Math.acos(cosine) : 0)
  const shoulder = {
    x: hip.x + body.trunk * Math.cos(torso),
    y: hip.y + body.trunk * Math.sin(torso),
    z: body.acromionWidth / 2,
  }
  return arm(body, hip, grip, shoulder, torso, reaches, short, chord - chordAside)
}

/** Arm and wrist for a shoulder and a hand in their places. */
function arm(
  body: UpperBody,
  hip: Point,
  grip: Grip,
  shoulder: Point3,
  torso: number,
  reaches: boolean,
  short: number,
  spreadCost: number,
): UpperPosture {
  const hand = grip.at
  const cx = hand.x - shoulder.x
  const cy = hand.y - shoulder.y
  const cz = hand.z - shoulder.z
  const c = Math.sqrt(cx * cx + cy * cy + cz * cz)
  const a = body.upperArm
  const b = body.forearm
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
  const cs = Math.cos(body.elbowSwivel * RADIANS) * out
  const sn = Math.sin(body.elbowSwivel * RADIANS) * (wz < 0 ? -out : out)
  const elbow = {
    x: shoulder.x + ux * along + vx * cs + (vy * uz - vz * uy) * sn,
    y: shoulder.y + uy * along + vy * cs + (vz * ux - vx * uz) * sn,
    z: shoulder.z + uz * along + vz * cs + wz * sn,
  }
  const fx = hand.x - elbow.x
  const fy = hand.y - elbow.y
  const fz = hand.z - elbow.z
  const f = Math.sqrt(fx * fx + fy * fy + fz * fz) || 1
  const fall = Math.asin(Math.min(1, Math.max(-1, -fy / f))) * DEGREES
  const lean = grip.axis ? (fx * grip.axis.x + fy * grip.axis.y + fz * grip.axis.z) / f : 0
  const straight = (a * a + b * b - held * held) / (2 * a * b)
  return {
    reaches,
    short,
    shoulder,
    elbow,
    hand,
    torso: torso * DEGREES,
    elbowFlexion: reaches ? body.elbowFlexion : 180 - Math.acos(Math.min(1, Math.max(-1, straight))) * DEGREES,
    shoulderAngle: angleBetween(hip.x - shoulder.x, hip.y - shoulder.y, elbow.x - shoulder.x, elbow.y - shoulder.y),
    forearmFall: fall,
    wrist: wristBend(body, grip, lean, fall),
    spreadCost,
  }
}

/** The hand on a hood or extension lies this much below where it points: the web of the thumb sits in its hollow. @source prior */
const HAND_BELOW_HOOD = 25

function wristBend(body: UpperBody, { axis, pointing }: Grip, lean: number, fall: number): number | null {
  if (axis) return body.handSet - Math.asin(Math.min(1, Math.max(-1, lean))) * DEGREES - body.naturalSweep
  if (pointing) return body.handSet + HAND_BELOW_HOOD - Math.asin(Math.min(1, Math.max(-1, pointing.y))) * DEGREES - fall
  return null
}

/** Angle between two directions of the side view, degrees 0..180. */
export function angleBetween(ax: number, ay: number, bx: number, by: number): number {
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * DEGREES
}
