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
import { anyCalculation } from './kernel/calculation.ts'
import type { AnyCalculation } from './kernel/calculation.ts'
import { stepPlanCalculation, cleatKnockOnCalculation, setbackCurveCalculation, knockOnCalculation } from './knockOn/calculations.ts'
import { sensitivityCalculation, measureNextCalculation } from './uncertainty/calculations.ts'
import { calibrationCalculation } from './rider/calculations.ts'
import { cleatTargetCalculation, toeClearanceCalculation, cleatTemplateCalculation } from './stations/feet/cleat/calculations.ts'
import { boltBiteCalculation, cleatUseCalculation } from './stations/feet/wear/calculations.ts'
import { pedalRankingCalculation } from './stations/feet/pedal/calculations.ts'
import { turnsOfRideCalculation, stanceOptionsCalculation } from './stations/feet/stance/calculations.ts'
import { heelClearanceCalculation, cleatRotationCalculation } from './stations/feet/rotation/calculations.ts'
import { cockpitSearchCalculation, likeForLikeStemCalculation } from './stations/hands/cockpit/calculations.ts'
import { handHeightSweepCalculation, steeringArmCalculation } from './stations/hands/place/calculations.ts'
import { barRoomCalculation } from './stations/hands/controls/calculations.ts'
import { gripDiameterCalculation } from './stations/hands/grips/calculations.ts'
import { leverReachCalculation, leverAngleCalculation, leverClampCalculation } from './stations/hands/levers/calculations.ts'
import { rollForAlignmentCalculation, gripAlignmentCalculation } from './stations/hands/roll/calculations.ts'
import { cutPlanCalculation, barWidthTargetsCalculation } from './stations/hands/width/calculations.ts'
import { matCalculation } from './stations/seat/mat/calculations.ts'
import { legLengthCalculation } from './stations/seat/legs/calculations.ts'
import { climbTiltCalculation, tiltTurnsCalculation } from './stations/seat/tilt/calculations.ts'
import { saddleRankingCalculation, saddleWidthCalculation, impressionCalculation } from './stations/seat/saddle/calculations.ts'
import { causeEvidence, complaintCauses } from './record/reason.calculations.ts'
import { saddleHeightsCalculation } from './stations/seat/height/calculations.ts'

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
