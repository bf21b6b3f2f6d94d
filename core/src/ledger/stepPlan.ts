/** A move cut into steps: the first now, the others each after rides have shown that it agrees. */
export interface StepPlan {
  /** signed, in order; empty when the move is too small to set */
  readonly steps: readonly number[]
  /** what the steps add up to */
  readonly total: number
  /** wanted − total: what is too fine for a hand to set */
  readonly unset: number
}

/** More steps than this is not a plan; also what keeps a hostile input from asking for a million. */
const MAX_STEPS = 200

/**
 * Cuts a move at the cap: as much as the cap allows now, the rest in later steps.
 * Rounded toward zero to what a hand can set, so that a slot is never overrun.
 * @param move signed, any unit
 * @param cap largest single step, > 0
 * @param resolution finest settable step, > 0 and not above the cap
 * @source common-practice
 */
export function stepPlan(move: number, cap: number, resolution: number): StepPlan {
  const units = Math.min(Math.floor(Math.abs(move) / resolution + 1e-9), Math.floor((MAX_STEPS * cap) / resolution))
  const perStep = Math.max(1, Math.floor(cap / resolution + 1e-9))
  const sign = Math.sign(move)
  const steps: number[] = []
  for (let rest = units; rest > 0; rest -= perStep) steps.push(sign * Math.min(rest, perStep) * resolution)
  const total = units === 0 ? 0 : sign * units * resolution
  return { steps, total, unset: move - total }
}

/** The same with a first step of its own, where that goes further than the cap. */
export function stepPlanAfter(first: number, move: number, cap: number, resolution: number): StepPlan {
  const once = stepPlan(Math.sign(move) * Math.min(Math.abs(move), first), Math.max(cap, first), resolution).total
  if (Math.abs(once) <= cap) return stepPlan(move, cap, resolution)
  const rest = stepPlan(move - once, cap, resolution)
  return { steps: [once, ...rest.steps], total: once + rest.total, unset: rest.unset }
}

/** Weeks after which a change that was kept is looked at again. @source common-practice */
export const FOLLOW_UP_WEEKS = [1, 3, 6] as const
