import type { Point } from '../bike/contactPoints.ts'
import type { TargetBand } from '../kernel/band.ts'
import type { SourceKey } from '../kernel/sources.ts'
import { loadShares } from './load.ts'
import { handsMiddle, riderAt } from './rider.ts'
import type { RiderModel } from './rider.ts'
import type { Side } from '../kernel/sided.ts'
import { turnMetrics } from './turn.ts'
import { keysOf } from '../kernel/tables.ts'

/** What a number of the rider on the bike means, and what is asked of it. */
export interface MetricDefinition {
  readonly label: string
  /** where room is short */
  readonly short: string
  readonly unit: 'deg' | 'mm' | '%'
  /** target, where the trade or a publication gives one; null = personal, to compare before and after */
  readonly band: TargetBand | null
  /** scale of its vial */
  readonly scale: { readonly min: number; readonly max: number }
  readonly source: SourceKey
  readonly note: string
  /** which part of the body moves it; `hands` and `arms` need the hands' place */
  readonly part: 'legs' | 'hands' | 'arms' | 'bike'
}

const metric = (
  label: string,
  short: string,
  unit: MetricDefinition['unit'],
  part: MetricDefinition['part'],
  band: readonly [low: number, high: number] | null,
  [min, max]: readonly [min: number, max: number],
  source: SourceKey,
  note: string,
): MetricDefinition => ({
  label,
  short,
  unit,
  part,
  band: band && { low: band[0], high: band[1] },
  scale: { min, max },
  source,
  note,
})

/** Knee at the bottom, measured still: the band of Holmes, Pruitt & Whalen. @source holmes */
export const STATIC_KNEE: TargetBand = { low: 25, high: 35 }
/** The same while pedalling. @source ferrer-roca */
export const DYNAMIC_KNEE: TargetBand = { low: 30, high: 40 }

/** How far below the hand's line a finger rests on a lever when the wrist is straight, degrees. @source prior */
const FINGER_SLOPE = 15

/** Everything the body model says of a rider at a set of contact points, in the order of the work. */
export const metricDefinitions = {
  kneeLeft: metric('Knee at the bottom, left', 'Knee, left', 'deg', 'legs', [25, 35], [10, 50], 'holmes', 'Held still; pedalling it bends 5 to 10° more.'),
  kneeRight: metric('Knee at the bottom, right', 'Knee, right', 'deg', 'legs', [25, 35], [10, 50], 'holmes', 'Held still; pedalling it bends 5 to 10° more.'),
  hipLeft: metric('Hip angle at top, left', 'Hip, left', 'deg', 'hands', null, [25, 95], 'geometry', 'Trunk against thigh where hip and ankle are nearest. Compare it before and after.'),
  hipRight: metric('Hip angle at top, right', 'Hip, right', 'deg', 'hands', null, [25, 95], 'geometry', 'Trunk against thigh where hip and ankle are nearest. Compare it before and after.'),
  torso: metric('Torso from level', 'Torso', 'deg', 'hands', null, [0, 90], 'geometry', 'Hip joint to shoulder joint. Personal: riding, reach and back decide it.'),
  elbowLeft: metric('Elbow bend, left', 'Elbow, left', 'deg', 'arms', [10, 45], [0, 90], 'prior', 'Straight is 0. Locked elbows are a common fault; the lines are this product’s own.'),
  elbowRight: metric('Elbow bend, right', 'Elbow, right', 'deg', 'arms', [10, 45], [0, 90], 'prior', 'Straight is 0. Locked elbows are a common fault; the lines are this product’s own.'),
  shoulderLeft: metric('Shoulder angle, left', 'Shoulder, left', 'deg', 'arms', null, [40, 130], 'geometry', 'Trunk against upper arm.'),
  shoulderRight: metric('Shoulder angle, right', 'Shoulder, right', 'deg', 'arms', null, [40, 130], 'geometry', 'Trunk against upper arm.'),
  wristLeft: metric('Wrist to little finger, left', 'Wrist, left', 'deg', 'arms', [-21.8, 14.5], [-45, 40], 'keir', 'Toward the little finger is plus; pressure in the wrist is least near 2°, the lines are the published limits.'),
  wristRight: metric('Wrist to little finger, right', 'Wrist, right', 'deg', 'arms', [-21.8, 14.5], [-45, 40], 'keir', 'Toward the little finger is plus; pressure in the wrist is least near 2°, the lines are the published limits.'),
  wristBackLeft: metric('Wrist bent back, left', 'Wrist back, left', 'deg', 'arms', [-48.6, 32.7], [-60, 50], 'keir', 'Finger on the lever: forearm’s fall and the finger’s own slope, less the lever’s. Straight is 0; the lines are the published limits.'),
  wristBackRight: metric('Wrist bent back, right', 'Wrist back, right', 'deg', 'arms', [-48.6, 32.7], [-60, 50], 'keir', 'Finger on the lever: forearm’s fall and the finger’s own slope, less the lever’s. Straight is 0; the lines are the published limits.'),
  leverLeft: metric('Lever below level, left', 'Lever, left', 'deg', 'arms', null, [0, 90], 'geometry', 'The blade, roll of the bar included. Steep ground asks for less, standing climbs for more: compare the two sides.'),
  leverRight: metric('Lever below level, right', 'Lever, right', 'deg', 'arms', null, [0, 90], 'geometry', 'The blade, roll of the bar included. Steep ground asks for less, standing climbs for more: compare the two sides.'),
  fingerLeft: metric('Finger past the lever’s reach, left', 'Finger, left', 'mm', 'arms', null, [-40, 40], 'pheasant', 'Length of the index finger less the lever’s reach; what wraps the grip is not taken off. Compare it.'),
  fingerRight: metric('Finger past the lever’s reach, right', 'Finger, right', 'mm', 'arms', null, [-40, 40], 'pheasant', 'Length of the index finger less the lever’s reach; what wraps the grip is not taken off. Compare it.'),
  load: metric('Load on hands', 'Hand load', '%', 'hands', null, [0, 30], 'winter-table', 'Share of body weight, static, with part of the trunk held by back and legs, more the further the hip lies behind the pedals. An index to compare, not newtons.'),
  frontWheel: metric('Weight on front wheel', 'Front wheel', '%', 'bike', null, [20, 70], 'winter-table', 'Rider’s weight between the axles, level ground.'),
  kneeElbowLeft: metric('Knee to forearm, left', 'Arm gap, left', 'mm', 'hands', [0, 600], [-50, 350], 'prior', 'Least gap over the turn, skin to skin, limbs of usual width.'),
  kneeElbowRight: metric('Knee to forearm, right', 'Arm gap, right', 'mm', 'hands', [0, 600], [-50, 350], 'prior', 'Least gap over the turn, skin to skin, limbs of usual width.'),
  kneeAheadLeft: metric('Knee ahead of axle, left', 'Knee ahead, left', 'mm', 'legs', null, [-100, 100], 'common-practice', 'Crank forward. A convention without mechanical proof.'),
  kneeAheadRight: metric('Knee ahead of axle, right', 'Knee ahead, right', 'mm', 'legs', null, [-100, 100], 'common-practice', 'Crank forward. A convention without mechanical proof.'),
  reach: metric('Seat to hands', 'Seat to hands', 'mm', 'hands', null, [350, 900], 'geometry', 'Level, from where the rider sits to the middle of the hand, plus what the spread of the hands costs the arm.'),
  drop: metric('Hands below seat', 'Hands below seat', 'mm', 'hands', null, [-250, 250], 'geometry', 'Where the rider sits, less the middle of the hand; hands above are minus.'),
  stance: metric('Stance width', 'Stance', 'mm', 'bike', null, [220, 380], 'geometry', 'Middle of one foot to the middle of the other.'),
  longestLeft: metric('Longest reach of the leg at, left', 'Longest at, left', 'deg', 'legs', null, [150, 190], 'geometry', 'Crank angle at which hip and ankle are furthest apart: where the crank is in line with the hip, not at 180°.'),
  longestRight: metric('Longest reach of the leg at, right', 'Longest at, right', 'deg', 'legs', null, [150, 190], 'geometry', 'Crank angle at which hip and ankle are furthest apart: where the crank is in line with the hip, not at 180°.'),
} as const satisfies Readonly<Record<string, MetricDefinition>> // prettier-ignore

export type MetricKey = keyof typeof metricDefinitions
export const metricKeys = keysOf(metricDefinitions)

/** Every metric of a rider, null where it cannot be said: the leg does not reach, or the hands are not known. */
export type RiderMetrics = Readonly<Record<MetricKey, number | null>>

export function metricDefinition(key: MetricKey): MetricDefinition {
  return metricDefinitions[key]
}

/**
 * All metrics of a rider at a set of contact points. Weight is shared with the cranks level.
 * Never throws; what has no answer is null.
 * @param axles wheel axles, when the wheels are known
 * @source geometry
 */
export function riderMetrics(model: RiderModel, axles: { readonly rear: Point; readonly front: Point } | null): RiderMetrics {
  const left = turnMetrics(model, 'left')
  const right = turnMetrics(model, 'right')
  const at = riderAt(model, 90)
  const { upper } = at
  const load = loadShares(at, axles)
  const reaches = upper !== null && upper.reaches
  const arms = reaches ? upper.arms : null
  const hand = handsMiddle(model)
  const wristBack = (side: Side): number | null => {
    const lever = model.levers[side]
    return arms === null || lever === null ? null : arms[side].forearmFall + FINGER_SLOPE - lever
  }
  return {
    kneeLeft: left.kneeAtBottom,
    kneeRight: right.kneeAtBottom,
    hipLeft: reaches ? left.hipAngleAtTop : null,
    hipRight: reaches ? right.hipAngleAtTop : null,
    torso: reaches ? upper.torso : null,
    elbowLeft: arms && arms.left.elbowFlexion,
    elbowRight: arms && arms.right.elbowFlexion,
    shoulderLeft: arms && arms.left.shoulderAngle,
    shoulderRight: arms && arms.right.shoulderAngle,
    wristLeft: arms && arms.left.wrist,
    wristRight: arms && arms.right.wrist,
    wristBackLeft: wristBack('left'),
    wristBackRight: wristBack('right'),
    leverLeft: model.levers.left,
    leverRight: model.levers.right,
    fingerLeft: model.fingers.left,
    fingerRight: model.fingers.right,
    load: load && 100 * load.hands,
    frontWheel: load === null || load.frontWheel === null ? null : 100 * load.frontWheel,
    kneeElbowLeft: reaches ? left.kneeElbowGap : null,
    kneeElbowRight: reaches ? right.kneeElbowGap : null,
    kneeAheadLeft: left.kneeAheadOfAxle,
    kneeAheadRight: right.kneeAheadOfAxle,
    reach: hand && upper && hand.x - model.sit.x + upper.spreadCost,
    drop: hand && model.sit.y - hand.y,
    stance: model.legs.left.halfStance + model.legs.right.halfStance,
    longestLeft: left.longestReachAt,
    longestRight: right.longestReachAt,
  }
}
