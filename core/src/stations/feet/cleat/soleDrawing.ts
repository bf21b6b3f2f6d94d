import { statureFractions } from '../../../body/proportions.ts'

/** A point on the sole: `across` from the foot's long axis, + outward (away from the bike); `along` from the heel, mm. */
export interface SolePoint {
  readonly across: number
  readonly along: number
}

/** What is known of a foot for drawing it from above; mm. */
export interface SoleInput {
  readonly footLength: number
  readonly heelToMtp1: number
  /** null: not measured, not drawn */
  readonly heelToMtp5: number | null
  /** breadth across the ball, and of the heel; left out = from length */
  readonly ballWidth?: number | null
  readonly heelWidth?: number | null
}

/** A sole from above, to scale; the outline is closed and drawn with a smooth curve. */
export interface SoleDrawing {
  readonly outline: readonly SolePoint[]
  readonly mtp1: SolePoint
  readonly mtp5: SolePoint | null
  readonly breadth: number
}

/** Foot breadth over foot length, from the two fractions of stature. @source drillis-contini */
const BREADTH_RATIO = 0.055 / statureFractions.footLength

/** Heel breadth over foot breadth in the drawing: its two outermost points. */
const HEEL_SHARE = 0.67
/** Up to this share of the length the heel's breadth holds; from the ball on the ball's. */
const HEEL_END = 0.2

/**
 * Outline of a foot, or of an insole, through its measured landmarks. Length, the places of both
 * metatarsal heads and the breadths that are given are to scale; a breadth that is not follows from
 * length, and the curve between is a drawing.
 */
export function soleDrawing({ footLength: length, heelToMtp1, heelToMtp5, ballWidth, heelWidth }: SoleInput): SoleDrawing {
  const breadth = BREADTH_RATIO * length
  const outerBall = heelToMtp5 ?? heelToMtp1 - 0.11 * length
  const ball = (ballWidth ?? breadth) / breadth
  const heel = heelWidth === null || heelWidth === undefined ? ball : heelWidth / (HEEL_SHARE * breadth)
  const from = HEEL_END * length
  /** From the heel's scale to the ball's, in between by place. */
  const scale = (along: number) => heel + (ball - heel) * Math.min(1, Math.max(0, (along - from) / (outerBall - from)))
  const at = (across: number, along: number): SolePoint => ({ across: across * breadth * scale(along), along })
  const toeRoom = length - heelToMtp1
  return {
    outline: [
      at(0, 0),
      at(-0.29, 0.055 * length),
      at(-0.33, 0.16 * length),
      at(-0.24, 0.62 * heelToMtp1),
      at(-0.5, heelToMtp1),
      at(-0.48, heelToMtp1 + 0.45 * toeRoom),
      at(-0.4, heelToMtp1 + 0.86 * toeRoom),
      at(-0.2, length),
      at(0.04, length - 0.025 * length),
      at(0.26, length - 0.07 * length),
      at(0.42, length - 0.15 * length),
      at(0.5, outerBall),
      at(0.4, 0.55 * outerBall),
      at(0.34, 0.16 * length),
      at(0.27, 0.05 * length),
    ],
    mtp1: at(-0.36, heelToMtp1),
    mtp5: heelToMtp5 === null ? null : at(0.38, heelToMtp5),
    breadth: breadth * ball,
  }
}
