import type { Point } from '../bike/contactPoints.ts'
import type { TargetBand } from '../quantity/band.ts'
import type { SourceKey } from '../sources.ts'
import { loadShares } from './load.ts'
import { riderAt } from './rider.ts'
import type { RiderModel } from './rider.ts'
import { turnFacts } from './turn.ts'

/** What a number of the rider on the bike means, and what is asked of it. */
export interface FactDefinition {
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
  /** which part of the body moves it; `hands` facts need the hands' place */
  readonly part: 'legs' | 'hands' | 'bike'
}

const fact = (
  label: string,
  short: string,
  unit: FactDefinition['unit'],
  part: FactDefinition['part'],
  band: readonly [low: number, high: number] | null,
  [min, max]: readonly [min: number, max: number],
  source: SourceKey,
  note: string,
): FactDefinition => ({
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
export const FINGER_SLOPE = 15

/** Everything the body model says of a rider at a set of contact points, in the order of the work. */
export const factDefinitions = {
  kneeLeft: fact('Knee at the bottom, left', 'Knee, left', 'deg', 'legs', [25, 35], [10, 50], 'holmes', 'Held still; pedalling it bends 5 to 10° more.'),
  kneeRight: fact('Knee at the bottom, right', 'Knee, right', 'deg', 'legs', [25, 35], [10, 50], 'holmes', 'Held still; pedalling it bends 5 to 10° more.'),
  hipLeft: fact('Hip angle at top, left', 'Hip, left', 'deg', 'hands', null, [25, 95], 'geometry', 'Trunk against thigh where hip and ankle are nearest. Compare it before and after.'),
  hipRight: fact('Hip angle at top, right', 'Hip, right', 'deg', 'hands', null, [25, 95], 'geometry', 'Trunk against thigh where hip and ankle are nearest. Compare it before and after.'),
  torso: fact('Torso from level', 'Torso', 'deg', 'hands', null, [0, 90], 'geometry', 'Hip joint to shoulder joint. Personal: riding, reach and back decide it.'),
  elbow: fact('Elbow bend', 'Elbow', 'deg', 'hands', [10, 45], [0, 90], 'prior', 'Straight is 0. Locked elbows are a fault of the trade; the lines are this product’s own.'),
  shoulder: fact('Shoulder angle', 'Shoulder', 'deg', 'hands', null, [40, 130], 'geometry', 'Trunk against upper arm.'),
  wrist: fact('Wrist to little finger', 'Wrist', 'deg', 'hands', [-21.8, 14.5], [-45, 40], 'keir', 'Toward the little finger is plus; pressure in the wrist is least near 2°, the lines are the published limits.'),
  wristBack: fact('Wrist bent back', 'Wrist back', 'deg', 'hands', [-48.6, 32.7], [-60, 50], 'keir', 'Finger on the lever: forearm’s fall and the finger’s own slope, less the lever’s. Straight is 0; the lines are the published limits.'),
  load: fact('Load on hands', 'Hand load', '%', 'hands', null, [0, 30], 'winter-table', 'Share of body weight, static, with part of the trunk held by back and legs, more the further the hip lies behind the pedals. An index to compare, no newtons.'),
  frontWheel: fact('Weight on front wheel', 'Front wheel', '%', 'bike', null, [20, 70], 'winter-table', 'Rider’s weight between the axles, level ground.'),
  kneeElbowLeft: fact('Knee to forearm, left', 'Arm gap, left', 'mm', 'hands', [0, 600], [-50, 350], 'prior', 'Least gap over the turn, skin to skin, limbs of usual width.'),
  kneeElbowRight: fact('Knee to forearm, right', 'Arm gap, right', 'mm', 'hands', [0, 600], [-50, 350], 'prior', 'Least gap over the turn, skin to skin, limbs of usual width.'),
  kneeAheadLeft: fact('Knee ahead of axle, left', 'Knee ahead, left', 'mm', 'legs', null, [-100, 100], 'common-practice', 'Crank forward. A convention without mechanical proof.'),
  kneeAheadRight: fact('Knee ahead of axle, right', 'Knee ahead, right', 'mm', 'legs', null, [-100, 100], 'common-practice', 'Crank forward. A convention without mechanical proof.'),
  reach: fact('Seat to hands', 'Seat to hands', 'mm', 'hands', null, [350, 900], 'geometry', 'Level, from where the rider sits to the middle of the hand, plus what the spread of the hands costs the arm.'),
  drop: fact('Hands below seat', 'Hands below seat', 'mm', 'hands', null, [-250, 250], 'geometry', 'Where the rider sits, less the middle of the hand; hands above are minus.'),
  stance: fact('Stance width', 'Stance', 'mm', 'bike', null, [220, 380], 'geometry', 'Middle of one foot to the middle of the other.'),
  longestLeft: fact('Longest reach of the leg at, left', 'Longest at, left', 'deg', 'legs', null, [150, 190], 'geometry', 'Crank angle at which hip and ankle are furthest apart: where the crank is in line with the hip, not at 180°.'),
  longestRight: fact('Longest reach of the leg at, right', 'Longest at, right', 'deg', 'legs', null, [150, 190], 'geometry', 'Crank angle at which hip and ankle are furthest apart: where the crank is in line with the hip, not at 180°.'),
} as const satisfies Readonly<Record<string, FactDefinition>> // prettier-ignore

export type FactKey = keyof typeof factDefinitions
export const factKeys = Object.keys(factDefinitions) as [FactKey, ...FactKey[]]

/** Every fact of a rider, null where it cannot be said: the leg does not reach, or the hands are not known. */
export type RiderFacts = Readonly<Record<FactKey, number | null>>

export function factDefinition(key: FactKey): FactDefinition {
  return factDefinitions[key]
}

/**
 * All facts of a rider at a set of contact points. Weight is shared with the cranks level.
 * Never throws; what has no answer is null.
 * @param axles wheel axles, when the wheels are known
 * @source geometry
 */
export function riderFacts(model: RiderModel, axles: { readonly rear: Point; readonly front: Point } | null): RiderFacts {
  const left = turnFacts(model, 'left')
  const right = turnFacts(model, 'right')
  const at = riderAt(model, 90)
  const { upper } = at
  const load = loadShares(at, axles)
  const reaches = upper !== null && upper.reaches
  const hand = model.grip?.at ?? null
  return {
    kneeLeft: left.kneeAtBottom,
    kneeRight: right.kneeAtBottom,
    hipLeft: reaches ? left.hipAngleAtTop : null,
    hipRight: reaches ? right.hipAngleAtTop : null,
    torso: reaches ? upper.torso : null,
    elbow: reaches ? upper.elbowFlexion : null,
    shoulder: reaches ? upper.shoulderAngle : null,
    wrist: reaches ? upper.wrist : null,
    wristBack: reaches && model.lever !== null ? upper.forearmFall + FINGER_SLOPE - model.lever : null,
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
