import {
  distanceForFlexionCalculation,
  kneeFlexionCalculation,
  legPostureCalculation,
  saddleHeightForFlexionCalculation,
} from './body/leg.calculations.ts'
import {
  barClampCalculation,
  dropBarHandCalculation,
  flatBarHandCalculation,
  stanceCalculation,
  saddlePlaceCalculation,
  stemSearchCalculation,
  tiltCalculation,
  wheelShareCalculation,
} from './bike/bike.calculations.ts'
import { armReachCalculation, riderMetricsCalculation, upperPostureCalculation } from './body/body.calculations.ts'
import { anyCalculation } from './calculation.ts'
import type { AnyCalculation } from './calculation.ts'
import { cleatKnockOnCalculation, stepPlanCalculation } from './change/change.calculations.ts'
import {
  calibrationCalculation,
  knockOnCalculation,
  measureNextCalculation,
  sensitivityCalculation,
  setbackCurveCalculation,
} from './change/rider.calculations.ts'
import { cleatTargetCalculation } from './feet/cleatTarget.calculations.ts'
import {
  boltBiteCalculation,
  cleatRotationCalculation,
  cleatTemplateCalculation,
  cleatUseCalculation,
  heelClearanceCalculation,
  pedalRankingCalculation,
  stanceOptionsCalculation,
  toeClearanceCalculation,
  turnsOfRideCalculation,
} from './feet/feet.calculations.ts'
import { cockpitSearchCalculation, likeForLikeStemCalculation } from './hands/cockpit.calculations.ts'
import {
  barRoomCalculation,
  barWidthTargetsCalculation,
  cutPlanCalculation,
  gripAlignmentCalculation,
  gripDiameterCalculation,
  handHeightSweepCalculation,
  leverAngleCalculation,
  leverClampCalculation,
  leverReachCalculation,
  rollForAlignmentCalculation,
  steeringArmCalculation,
} from './hands/hands.calculations.ts'
import {
  climbTiltCalculation,
  impressionCalculation,
  legLengthCalculation,
  matCalculation,
  saddleRankingCalculation,
  saddleWidthCalculation,
  tiltTurnsCalculation,
} from './seat/seat.calculations.ts'
import { causeEvidence, complaintCauses } from './record/reason.calculations.ts'
import { saddleHeightsCalculation } from './seat/height.calculations.ts'

/** Every calculation, in the order of the work. */
export const calculations: readonly AnyCalculation[] = [
  anyCalculation(barClampCalculation),
  anyCalculation(stemSearchCalculation),
  anyCalculation(flatBarHandCalculation),
  anyCalculation(dropBarHandCalculation),
  anyCalculation(stanceCalculation),
  anyCalculation(saddlePlaceCalculation),
  anyCalculation(tiltCalculation),
  anyCalculation(wheelShareCalculation),
  anyCalculation(kneeFlexionCalculation),
  anyCalculation(distanceForFlexionCalculation),
  anyCalculation(legPostureCalculation),
  anyCalculation(saddleHeightForFlexionCalculation),
  anyCalculation(armReachCalculation),
  anyCalculation(upperPostureCalculation),
  anyCalculation(riderMetricsCalculation),
  anyCalculation(calibrationCalculation),
  anyCalculation(measureNextCalculation),
  anyCalculation(sensitivityCalculation),
  anyCalculation(cleatTargetCalculation),
  anyCalculation(cleatRotationCalculation),
  anyCalculation(heelClearanceCalculation),
  anyCalculation(stanceOptionsCalculation),
  anyCalculation(pedalRankingCalculation),
  anyCalculation(cleatTemplateCalculation),
  anyCalculation(cleatUseCalculation),
  anyCalculation(boltBiteCalculation),
  anyCalculation(toeClearanceCalculation),
  anyCalculation(turnsOfRideCalculation),
  anyCalculation(impressionCalculation),
  anyCalculation(saddleWidthCalculation),
  anyCalculation(saddleRankingCalculation),
  anyCalculation(tiltTurnsCalculation),
  anyCalculation(climbTiltCalculation),
  anyCalculation(saddleHeightsCalculation),
  anyCalculation(setbackCurveCalculation),
  anyCalculation(legLengthCalculation),
  anyCalculation(matCalculation),
  anyCalculation(barWidthTargetsCalculation),
  anyCalculation(cutPlanCalculation),
  anyCalculation(barRoomCalculation),
  anyCalculation(gripAlignmentCalculation),
  anyCalculation(rollForAlignmentCalculation),
  anyCalculation(leverClampCalculation),
  anyCalculation(leverAngleCalculation),
  anyCalculation(leverReachCalculation),
  anyCalculation(gripDiameterCalculation),
  anyCalculation(steeringArmCalculation),
  anyCalculation(handHeightSweepCalculation),
  anyCalculation(likeForLikeStemCalculation),
  anyCalculation(cockpitSearchCalculation),
  anyCalculation(knockOnCalculation),
  anyCalculation(cleatKnockOnCalculation),
  anyCalculation(stepPlanCalculation),
  anyCalculation(complaintCauses),
  anyCalculation(causeEvidence),
]

/** A calculation by its name, or null. */
export function calculationNamed(name: string): AnyCalculation | null {
  return calculations.find((calculation) => calculation.name === name) ?? null
}
