import type { Point } from '../bike/contactPoints.ts'

/**
 * Segment mass over body mass, and the centre of mass from the proximal end over segment length.
 * One table, never mixed with another. `trunk` runs from the hip to the shoulder and holds head and neck.
 * @source winter-table
 */
export const segmentMasses = {
  hand: { mass: 0.006, centre: 0.506 },
  forearm: { mass: 0.016, centre: 0.43 },
  upperArm: { mass: 0.028, centre: 0.436 },
  foot: { mass: 0.0145, centre: 0.5 },
  shank: { mass: 0.0465, centre: 0.433 },
  thigh: { mass: 0.1, centre: 0.433 },
  trunk: { mass: 0.578, centre: 0.66 },
} as const

export type SegmentKey = keyof typeof segmentMasses

/** Adds a segment's share to a running sum of x·m, y·m, m; `count` when both sides are alike. */
export function addSegment(sum: { x: number; y: number; mass: number }, key: SegmentKey, proximal: Point, distal: Point, count = 1): void {
  const { mass, centre } = segmentMasses[key]
  sum.x += count * mass * (proximal.x + centre * (distal.x - proximal.x))
  sum.y += count * mass * (proximal.y + centre * (distal.y - proximal.y))
  sum.mass += count * mass
}
