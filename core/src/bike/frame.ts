import { RADIANS } from './contactPoints.ts'
import type { Point } from './contactPoints.ts'

/** Wheels from the bottom bracket; mm. */
export interface WheelBase {
  readonly chainstay: number
  readonly frontCentre: number
  /** + bottom bracket below the line of the axles */
  readonly bbDrop: number
}

/**
 * Axles of both wheels; null where a stay is no longer than the drop.
 * @source geometry
 */
export function wheelAxles({ chainstay, frontCentre, bbDrop }: WheelBase): { rear: Point; front: Point } | null {
  const back = chainstay * chainstay - bbDrop * bbDrop
  const ahead = frontCentre * frontCentre - bbDrop * bbDrop
  if (!(back > 0 && ahead > 0)) return null
  return { rear: { x: -Math.sqrt(back), y: bbDrop }, front: { x: Math.sqrt(ahead), y: bbDrop } }
}

/** Share of a mass at `x` that the front wheel carries, the bike standing level; 0..1 between the axles. @source geometry */
export function frontWheelShare(x: number, axles: { readonly rear: Point; readonly front: Point }): number {
  return (x - axles.rear.x) / (axles.front.x - axles.rear.x)
}

/**
 * Where a point of the saddle goes when the saddle is tilted about its clamp.
 * @param offset the point from the clamp at the tilt it was measured at, mm
 * @param turn change of tilt, degrees, + nose up
 * @returns how the point moves, mm
 * @source geometry
 */
export function tiltShift(offset: Point, turn: number): Point {
  const c = Math.cos(turn * RADIANS)
  const s = Math.sin(turn * RADIANS)
  return { x: offset.x * c - offset.y * s - offset.x, y: offset.x * s + offset.y * c - offset.y }
}

/**
 * Bike's middle to the middle of one foot.
 * @source common-practice
 */
export function halfStance(parts: {
  readonly tread: number
  /** crank face to pedal centre */
  readonly axle: number
  readonly washer: number
  readonly adapter: number
  /** cleat toward the bike on the shoe, + : moves the foot outward */
  readonly cleatInboard: number
}): number {
  return parts.tread / 2 + parts.axle + parts.washer + parts.adapter + parts.cleatInboard
}
