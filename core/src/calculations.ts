import {
  distanceForFlexionCalculation,
  kneeFlexionCalculation,
  legPostureCalculation,
  saddleHeightForFlexionCalculation,
} from './body/leg.calculations.ts'
import type { Calculation } from './calculation.ts'
import { cleatKnockOnCalculation, stepPlanCalculation } from './change/change.calculations.ts'
import { cleatTargetCalculation } from './feet/cleatTarget.calculations.ts'

type AnyCalculation = Calculation<never, unknown>

/** Every calculation, in the order of the work. */
export const calculations = [
  kneeFlexionCalculation,
  distanceForFlexionCalculation,
  legPostureCalculation,
  saddleHeightForFlexionCalculation,
  cleatTargetCalculation,
  cleatKnockOnCalculation,
  stepPlanCalculation,
] as unknown as readonly AnyCalculation[]

/** A calculation by its name, or null. */
export function calculationNamed(name: string): AnyCalculation | null {
  return calculations.find((calculation) => calculation.name === name) ?? null
}
