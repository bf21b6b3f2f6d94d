import {
  distanceForFlexionCalculation,
  kneeFlexionCalculation,
  legPostureCalculation,
  saddleHeightForFlexionCalculation,
} from './body/leg.calculations.ts'
import { anyCalculation } from './calculation.ts'
import type { AnyCalculation } from './calculation.ts'
import { cleatKnockOnCalculation, stepPlanCalculation } from './change/change.calculations.ts'
import { cleatTargetCalculation } from './feet/cleatTarget.calculations.ts'

/** Every calculation, in the order of the work. */
export const calculations: readonly AnyCalculation[] = [
  anyCalculation(kneeFlexionCalculation),
  anyCalculation(distanceForFlexionCalculation),
  anyCalculation(legPostureCalculation),
  anyCalculation(saddleHeightForFlexionCalculation),
  anyCalculation(cleatTargetCalculation),
  anyCalculation(cleatKnockOnCalculation),
  anyCalculation(stepPlanCalculation),
]

/** A calculation by its name, or null. */
export function calculationNamed(name: string): AnyCalculation | null {
  return calculations.find((calculation) => calculation.name === name) ?? null
}
