import { entriesOf, keysOf } from '../kernel/tables.ts'
import type { ReadKind } from './calibration.ts'

/** Something that makes every angle off one picture err alike, whatever each was read with. */
interface PictureError {
  /** standard deviation, in its own unit */
  readonly deviation: number
  /** what one unit of it adds to an angle, degrees */
  readonly adds: Readonly<Partial<Record<ReadKind, number>>>
}

/**
 * A camera that is not quite level turns what is read against the horizon. A hip marker beside the
 * joint turns the lines to shoulder and knee about their other ends: 57.3° by the offset square to
 * the line, over its length. Here for a trunk of 500 mm at 45°, a thigh of 430 mm at 70° below level
 * with the crank at the bottom and level at the top. Roll in degrees, marker in mm.
 * @source prior: a camera within 3°, a marker within 14 mm each way, k = 2
 */
const pictureErrors = {
  cameraRoll: { deviation: 1.5, adds: { torsoAngle: 1, footPitch: 1 } },
  markerAhead: { deviation: 7, adds: { torsoAngle: 0.081, hipAngle: 0.081, kneeFlexion: -0.125 } },
  markerUp: { deviation: 7, adds: { torsoAngle: -0.081, hipAngle: 0.052, kneeFlexion: -0.046 } },
} as const satisfies Readonly<Record<string, PictureError>>

export type PictureErrorKey = keyof typeof pictureErrors
export const pictureErrorKeys = keysOf(pictureErrors)
const rowOf = (key: PictureErrorKey): PictureError => pictureErrors[key]

/** Standard deviation of a picture's error, in its own unit. */
export function pictureDeviation(key: PictureErrorKey): number {
  return rowOf(key).deviation
}

/** What one unit of a picture's error adds to an angle that is read off it, degrees. */
export function pictureAdds(key: PictureErrorKey, kind: ReadKind): number {
  return rowOf(key).adds[kind] ?? 0
}

/** ± that camera and marker give an angle beside its method's own, k = 2, degrees. */
export function picturePlusMinus(kind: ReadKind): number {
  return 2 * Math.hypot(...entriesOf(pictureErrors).map(([key, { deviation }]) => deviation * pictureAdds(key, kind)))
}
