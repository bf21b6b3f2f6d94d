import type { BodyRegionKey } from '@level-stance/core/talk/regions'

/** Where a region lies on the drawn figure: an ellipse, for sided ones on the figure's +x half. */
export interface RegionShape {
  readonly x: number
  readonly y: number
  readonly rx: number
  readonly ry: number
}

/** The figure is 420 high, its middle at x = 0. */
export const regionShapes: Readonly<Record<BodyRegionKey, RegionShape>> = {
  head: { x: 0, y: 34, rx: 15, ry: 18 },
  chest: { x: 0, y: 108, rx: 20, ry: 18 },
  stomach: { x: 0, y: 152, rx: 19, ry: 18 },
  shoulder: { x: 40, y: 88, rx: 12, ry: 11 },
  'upper-arm': { x: 52, y: 124, rx: 9, ry: 18 },
  forearm: { x: 64, y: 180, rx: 9, ry: 20 },
  'hand-thumb': { x: 63, y: 226, rx: 7, ry: 12 },
  'hand-little': { x: 78, y: 228, rx: 7, ry: 12 },
  groin: { x: 0, y: 208, rx: 10, ry: 11 },
  hip: { x: 31, y: 198, rx: 10, ry: 10 },
  'thigh-front': { x: 25, y: 248, rx: 12, ry: 25 },
  'knee-front': { x: 25, y: 302, rx: 8, ry: 10 },
  'knee-inner': { x: 11, y: 302, rx: 6, ry: 12 },
  'knee-outer': { x: 40, y: 302, rx: 7, ry: 12 },
  shin: { x: 26, y: 346, rx: 9, ry: 20 },
  forefoot: { x: 31, y: 402, rx: 14, ry: 9 },
  neck: { x: 0, y: 64, rx: 11, ry: 10 },
  'upper-back': { x: 0, y: 104, rx: 28, ry: 20 },
  'low-back': { x: 0, y: 162, rx: 22, ry: 16 },
  'sit-bone': { x: 14, y: 212, rx: 11, ry: 11 },
  hamstring: { x: 25, y: 256, rx: 12, ry: 24 },
  'knee-back': { x: 25, y: 303, rx: 11, ry: 10 },
  calf: { x: 26, y: 341, rx: 11, ry: 21 },
  achilles: { x: 26, y: 378, rx: 8, ry: 9 },
  heel: { x: 28, y: 402, rx: 12, ry: 9 },
}

/** The figure behind the regions: trunk, and limbs of one side as thick strokes. */
export const trunkPath =
  'M-38 78 Q0 66 38 78 Q46 82 42 104 L32 150 Q30 166 37 196 Q38 212 24 218 L-24 218 Q-38 212 -37 196 Q-30 166 -32 150 L-42 104 Q-46 82 -38 78 Z'
export const limbPaths = [
  { d: 'M39 90 L53 130 L64 178 L68 212', width: 21 },
  { d: 'M68 214 L70 232', width: 24 },
  { d: 'M22 206 L25 300', width: 33 },
  { d: 'M25 300 L27 388', width: 24 },
  { d: 'M26 396 L34 404', width: 22 },
] as const
