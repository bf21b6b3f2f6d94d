/**
 * Segment lengths as fractions of stature.
 * @source drillis-contini
 */
export const statureFractions = {
  ankleHeight: 0.039,
  shank: 0.246,
  thigh: 0.245,
  footLength: 0.152,
  hipHeight: 0.53,
} as const

/** Heel to first metatarsal head over foot length (men 0.741, women 0.739). @source ansur-ii */
export const BALL_OF_FOOT_RATIO = 0.74

/**
 * Crotch height over stature, used only to fill in an unmeasured inseam.
 * Ratio of the survey means, men 837.2/1756 and women 771.4/1628. @source prior
 */
export const INSEAM_RATIO = 0.475

/** Heel to ankle centre over foot length. @source prior */
export const HEEL_TO_ANKLE_RATIO = 0.25

/** Stature the hip-offset prior belongs to, mm. @source prior */
const PRIOR_STATURE = 1750

/**
 * Hip joint from the sit point, forward and up, mm, scaled with stature. The hip joint cannot be
 * seen or taped; this stands until it is calibrated.
 * @source prior
 */
export function hipOffsetPrior(stature: number): { forward: number; up: number } {
  const scale = stature / PRIOR_STATURE
  return { forward: 40 * scale, up: 85 * scale }
}
