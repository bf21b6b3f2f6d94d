import { DEGREES, RADIANS } from './contactPoints.ts'
import type { Point, Point3 } from './contactPoints.ts'

/** What carries the bar; lengths mm, angles degrees. */
export interface Front {
  /** bottom bracket to the top of the head tube, forward and up */
  readonly frameReach: number
  readonly frameStack: number
  /** above horizontal */
  readonly headAngle: number
  /** height of the upper headset parts */
  readonly headset: number
  readonly spacers: number
  /** half the height of the stem's steerer clamp */
  readonly halfClamp: number
  readonly stemLength: number
  /** from the perpendicular to the steerer, + up */
  readonly stemAngle: number
}

/** A flat or riser bar; `width` end to end. Rise and forward offset are those of the arm's beginning. */
export interface FlatBar {
  readonly barWidth: number
  readonly barRise: number
  readonly barBacksweep: number
  readonly barUpsweep: number
  readonly barForward: number
  /** + top of the bar turned forward */
  readonly barRoll: number
  /** middle of the bar to where the straight arm begins, along z */
  readonly barBend: number
  /** end of the bar to the middle of the hand, along the arm */
  readonly handFromEnd: number
}

/** A drop bar; widths centre to centre. */
export interface DropBar {
  readonly hoodWidth: number
  /** at the ends; null = from the flare */
  readonly dropWidth: number | null
  readonly barReach: number
  readonly barDrop: number
  readonly barFlare: number
  readonly barRoll: number
  /** where the lever is clamped on the bend: 0 = its top, 90 = its front */
  readonly hoodPosition: number
  /** hoods turned inward, + */
  readonly hoodAngle: number
}

/** Forearm extensions, from the bar clamp; mm, degrees. */
export interface Extensions {
  readonly padForward: number
  readonly padUp: number
  readonly padSpacing: number
  /** pad to the middle of the grip, along the extension */
  readonly extensionLength: number
  /** + rising forward */
  readonly extensionAngle: number
}

/** Where a hand holds, relative to the bar clamp, right side; and how the grip lies. */
export interface Grip {
  readonly at: Point3
  /** thumb to little finger along the grip, right hand, unit length; null where the hand lies on a hood or pad */
  readonly axis: Point3 | null
  /** direction in which a hood carries the hand, right side, unit length */
  readonly pointing: Point3 | null
  /** the forearm rests: it lies along `pointing`, and elbow, shoulder and trunk follow from there */
  readonly isRested?: true | undefined
}

/** Up the steerer. @source geometry */
export function steererUp(headAngle: number): Point {
  return { x: -Math.cos(headAngle * RADIANS), y: Math.sin(headAngle * RADIANS) }
}

/**
 * Centre of the bar clamp, from the bottom bracket.
 * @source geometry
 */
export function barClamp(front: Front): Point {
  const { x, y } = stemFoot(front)
  const e = (90 - front.headAngle + front.stemAngle) * RADIANS
  return { x: x + front.stemLength * Math.cos(e), y: y + front.stemLength * Math.sin(e) }
}

/** Where the stem's middle line meets the steerer. */
function stemFoot(front: Omit<Front, 'stemLength' | 'stemAngle'>): Point {
  const up = steererUp(front.headAngle)
  const along = front.headset + front.spacers + front.halfClamp
  return { x: front.frameReach + along * up.x, y: front.frameStack + along * up.y }
}

/**
 * Inverse of {@link barClamp}: the stem that puts the clamp at a point, for the spacers in place.
 * @source geometry
 */
export function stemForClamp(front: Omit<Front, 'stemLength' | 'stemAngle'>, clamp: Point): { stemLength: number; stemAngle: number } {
  const foot = stemFoot(front)
  const dx = clamp.x - foot.x
  const dy = clamp.y - foot.y
  return { stemLength: Math.hypot(dx, dy), stemAngle: Math.atan2(dy, dx) * DEGREES - (90 - front.headAngle) }
}

/** Turns an offset with the bar about its clamp: + top of the bar forward. @source geometry */
export function rolled<P extends Point>(point: P, roll: number): P {
  const c = Math.cos(roll * RADIANS)
  const s = Math.sin(roll * RADIANS)
  return { ...point, x: point.x * c + point.y * s, y: -point.x * s + point.y * c }
}

/** Axis of a flat bar's arm, right side, unit length, after roll. @source geometry */
export function flatGripAxis(bar: Pick<FlatBar, 'barBacksweep' | 'barUpsweep' | 'barRoll'>): Point3 {
  const axis = { x: -Math.tan(bar.barBacksweep * RADIANS), y: Math.tan(bar.barUpsweep * RADIANS), z: 1 }
  return unit(rolled(axis, bar.barRoll))
}

/** Backsweep and upsweep that are left after roll, degrees. @source geometry */
export function effectiveSweeps(axis: Point3): { backsweep: number; upsweep: number } {
  return { backsweep: Math.atan2(-axis.x, axis.z) * DEGREES, upsweep: Math.atan2(axis.y, axis.z) * DEGREES }
}

/** Hand on a flat bar, from the clamp. @source geometry */
export function flatGrip(bar: FlatBar): Grip {
  const back = Math.tan(bar.barBacksweep * RADIANS)
  const up = Math.tan(bar.barUpsweep * RADIANS)
  const perUnit = Math.sqrt(1 + back * back + up * up)
  // Along z from the arm's beginning to the hand, which is `handFromEnd` short of the end along the arm.
  const out = bar.barWidth / 2 - bar.barBend - bar.handFromEnd / perUnit
  const at = { x: bar.barForward - out * back, y: bar.barRise + out * up, z: bar.barBend + out }
  return { at: rolled(at, bar.barRoll), axis: flatGripAxis(bar), pointing: null }
}

export type DropHands = 'tops' | 'hoods' | 'drops' | 'aero'

/** Lever place on the bend at which a hood lies level on a level ramp, degrees. @source prior */
const HOOD_LEVEL_AT = 45
/** Hollow of the hood from the bar's middle line under the clamp, hood level: forward and up, mm. @source prior */
const HOOD_HOLLOW = { x: 10, y: 30 }
/** Tip of the hood, from the bar's middle line under the clamp, hood level: forward and up, mm. @source prior */
const HOOD_TIP = { x: 78, y: 58 }
/** Where the hand in the drops holds on the bend. @source prior */
const DROP_HAND_AT = 150
/** Hands on the tops hold this far inside the hoods, mm. @source prior */
const TOPS_INSIDE = 60

/**
 * Hand on a drop bar, from the clamp. The bend is drawn as a half circle between tops and drops,
 * its front at the bar's reach.
 * @source geometry
 */
export function dropGrip(bar: DropBar, hands: DropHands): Grip {
  const half = bar.hoodWidth / 2
  if (hands === 'tops') return { at: { x: 0, y: 0, z: Math.max(40, half - TOPS_INSIDE) }, axis: { x: 0, y: 0, z: 1 }, pointing: null }
  const onBend = (angle: number): Point => bendPoint(bar, angle)
  const hood = onBend(bar.hoodPosition)
  if (hands === 'hoods') {
    const rise = HOOD_LEVEL_AT - bar.hoodPosition
    const hollow = rolled(HOOD_HOLLOW, -rise)
    const at = rolled({ x: hood.x + hollow.x, y: hood.y + hollow.y, z: half }, bar.barRoll)
    const slope = (rise - bar.barRoll) * RADIANS
    const inward = bar.hoodAngle * RADIANS
    const pointing = {
      x: Math.cos(slope) * Math.cos(inward),
      y: Math.sin(slope) * Math.cos(inward),
      z: -Math.sin(inward),
    }
    return { at, axis: null, pointing }
  }
  if (hands === 'aero') {
    // The hand lies on the hood's tip, the forearm level behind it, however the bar is turned.
    const tip = rolled(HOOD_TIP, bar.hoodPosition - HOOD_LEVEL_AT)
    const at = rolled({ x: hood.x + tip.x, y: hood.y + tip.y, z: half }, bar.barRoll)
    return { at, axis: null, pointing: { x: 1, y: 0, z: 0 }, isRested: true }
  }
  const low = onBend(DROP_HAND_AT)
  const flare = Math.tan(bar.barFlare * RADIANS)
  const z = bar.dropWidth === null ? half + flare * (hood.y - low.y) : bar.dropWidth / 2
  // Along the bend toward its end: the little finger's side.
  const tangent = { x: Math.cos(DROP_HAND_AT * RADIANS), y: -Math.sin(DROP_HAND_AT * RADIANS), z: flare * Math.sin(DROP_HAND_AT * RADIANS) }
  return { at: rolled({ ...low, z }, bar.barRoll), axis: unit(rolled(tangent, bar.barRoll)), pointing: null }
}

/** A point of the bend's middle line: 0 = its top, 90 = its front, 180 = its bottom; from the clamp, roll 0. */
export function bendPoint(bar: Pick<DropBar, 'barReach' | 'barDrop'>, angle: number): Point {
  const radius = bar.barDrop / 2
  return { x: bar.barReach - radius + radius * Math.sin(angle * RADIANS), y: -radius + radius * Math.cos(angle * RADIANS) }
}

/** Pad and grip of forearm extensions, from the clamp. @source geometry */
export function extensionGrip(extensions: Extensions): Grip & { readonly pad: Point3 } {
  const { padForward, padUp, padSpacing, extensionLength, extensionAngle } = extensions
  const pad = { x: padForward, y: padUp, z: padSpacing / 2 }
  const pointing = { x: Math.cos(extensionAngle * RADIANS), y: Math.sin(extensionAngle * RADIANS), z: 0 }
  const at = { x: pad.x + extensionLength * pointing.x, y: pad.y + extensionLength * pointing.y, z: pad.z }
  return { at, axis: null, pointing, isRested: true, pad }
}

/** A direction at unit length. */
function unit(v: Point3): Point3 {
  const length = Math.sqrt(v.x * v.x + v.y * v.y + v.z * v.z)
  return { x: v.x / length, y: v.y / length, z: v.z / length }
}
