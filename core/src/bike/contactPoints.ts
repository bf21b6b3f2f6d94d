export const RADIANS = Math.PI / 180
export const DEGREES = 180 / Math.PI

/** A point in the bike's side view: mm from the bottom-bracket centre, x forward, y up. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** A point or direction in space: as {@link Point}, and z to the rider's right. */
export interface Point3 extends Point {
  readonly z: number
}

/**
 * Centre of the pedal axle.
 * @param crank crank length, mm
 * @param crankAngle degrees, 0 = top, 90 = forward, 180 = bottom
 * @source geometry
 */
export function pedalAxle(crank: number, crankAngle: number): Point {
  const a = crankAngle * RADIANS
  return { x: crank * Math.sin(a), y: crank * Math.cos(a) }
}

/**
 * Inverse of {@link sitPoint}: saddle height and seat angle from a measured place.
 * @param sit from the bottom bracket, mm
 * @source geometry
 */
export function saddleOfSitPoint(sit: Point): { saddleHeight: number; seatAngle: number } {
  return { saddleHeight: Math.hypot(sit.x, sit.y), seatAngle: Math.atan2(sit.y, -sit.x) * DEGREES }
}

/**
 * Where the rider sits, for a saddle height measured along the seat-tube line.
 * @param saddleHeight bottom bracket to saddle top, mm
 * @param seatAngle effective seat angle above horizontal, degrees
 * @source geometry
 */
export function sitPoint(saddleHeight: number, seatAngle: number): Point {
  const a = seatAngle * RADIANS
  return { x: -saddleHeight * Math.cos(a), y: saddleHeight * Math.sin(a) }
}
