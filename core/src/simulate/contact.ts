/** The bones rest this far behind the point that heights are read at, mm. @source prior */
export const BONES_BEHIND = 32
/** Upright, a pelvis stands on its bones; each degree below rolls it forward onto narrower bone. @source prior */
const UPRIGHT = 65
const AHEAD_PER_DEGREE = 0.9
const NARROWER_PER_DEGREE = 0.0035

/** Where the bones touch the saddle in a posture. */
export interface Contact {
  /** half of what lies between them there, mm */
  readonly half: number
  /** behind the sit point, mm */
  readonly behind: number
}

/**
 * Contact in a posture: narrower and further forward as the pelvis rolls. The direction is agreed;
 * the sizes are this product's own, to show and not to measure by.
 * @source prior
 */
export function contactOf(spacing: number, torso: number): Contact {
  const rolled = Math.max(0, UPRIGHT - torso)
  return { half: (spacing / 2) * (1 - NARROWER_PER_DEGREE * rolled), behind: BONES_BEHIND - AHEAD_PER_DEGREE * rolled }
}
