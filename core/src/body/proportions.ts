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
  hipWidth: 0.191,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  shoulderHeight: 0.818,
} as const

/** Hip to shoulder over stature: the difference of the two heights. @source drillis-contini */
export const TRUNK_RATIO = statureFractions.shoulderHeight - statureFractions.hipHeight

/** Elbow to the middle of the closed hand: the forearm and the hand's centre of mass. @source drillis-contini */
export const FOREARM_TO_GRIP_RATIO = statureFractions.forearm + 0.506 * statureFractions.hand

/** Biacromial breadth over stature: men 415.7/1756.2, women 365.3/1628.5, their mean. @source ansur-ii */
export const ACROMION_RATIO = 0.2305

/** Hand length over stature: men 193.4/1756.2, women 181/1628.5, their mean. @source ansur-ii */
export const HAND_LENGTH_RATIO = 0.1106

/** Index finger over hand length: men 72/189, women 67/174, their mean. @source pheasant */
export const INDEX_FINGER_RATIO = 0.383

/** Hip joint to hip joint over stature. @source prior */
export const HIP_SPACING_RATIO = 0.1

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

/** Diameter of the grip that closes best, over the hand's length. @source kong-lowe */
export const HAND_LENGTH_SHARE = 0.197
