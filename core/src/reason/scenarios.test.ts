import type { BikeKind } from '../bike/bikeKinds.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import type { Complaint } from '../talk/complaint.ts'
import { complaintAt, controlComplaint, onlyReadings, readingsWith } from '../testing.ts'
import { flatBar } from '../stations/hands/testing.ts'
import { causeKeys } from './causeTable.ts'
import type { CauseKey } from './causeTable.ts'
import { reason } from './reason.ts'
import { aVisit } from './testing.ts'
import { visitModel } from './visitModel.ts'

type Over = Partial<Record<ReadingKey, number | string | readonly [number | string, number | string]>>

interface Scenario {
  readonly what: string
  readonly complaints: readonly Complaint[]
  /** over a rider wholly read, or alone with `alone` */
  readonly read: Over
  readonly first: CauseKey
  readonly kind?: BikeKind
  readonly alone?: true
}
const row = (what: string, first: CauseKey, complaints: readonly Complaint[], read: Over, more: Partial<Scenario> = {}): Scenario => ({
  what,
  first,
  complaints,
  read,
  ...more,
})
const at = (...told: Parameters<typeof complaintAt> extends [number, ...infer Rest] ? Rest : never) => [complaintAt(1, ...told)]
const fails = (...told: Parameters<typeof controlComplaint> extends [number, ...infer Rest] ? Rest : never) => [
  controlComplaint(1, ...told),
]
const trail = { kind: 'trail' } as const

/**
 * Riders written by hand, each with the cause that the trade would look at first.
 * @source common-practice: complaints and causes as fitters order them
 */
const scenarios: readonly Scenario[] = [
  row('numb toes, axle under the ball', 'cleat-forward', at('forefoot', 'right', { kind: 'numb' }), { cleatSetback: [2, 0], shoeSize: 43, laces: 'snug', footWidth: 99, shoeBallWidth: 100, shoeLength: 274 }),
  row('numb toes in a narrow shoe', 'shoe-small', at('forefoot', 'both', { kind: 'numb' }), { cleatSetback: 26, footWidth: 104, shoeBallWidth: 95, shoeLength: 273, laces: 'snug' }),
  row('hot feet, tied hard', 'shoe-tight', at('forefoot', 'both'), { cleatSetback: 26, footWidth: 98, shoeBallWidth: 99, shoeLength: 273, laces: 'tight' }),
  row('hot spot over a small pedal in a soft shoe', 'small-patch', at('ball-inner', 'both'), { cleatSetback: 26, footWidth: 98, shoeBallWidth: 99, shoeLength: 273, laces: 'snug', pedalKind: 'recessed', soleStiffness: 'soft', archDrop: 3 }),
  row('toes numb, arch falls', 'no-arch-support', at('forefoot', 'left', { kind: 'numb' }), { cleatSetback: 26, footWidth: 98, shoeBallWidth: 99, shoeLength: 273, laces: 'snug', pedalKind: 'plate-coil', soleStiffness: 'stiff', archDrop: 14 }),
  row('back of the knee, straight leg', 'saddle-high', at('knee-back', 'right'), { kneeFlexion: 16 }),
  row('hamstring, knee fine, sits on the nose', 'saddle-back', at('hamstring', 'both'), { kneeFlexion: 30, sitsWhere: 'nose' }),
  row('front of the knee, bent leg', 'saddle-low', at('knee-front', 'left'), { kneeFlexion: 45 }),
  row('front of the knee, falls off the tail', 'saddle-forward', at('knee-front', 'both'), { kneeFlexion: 30, sitsWhere: 'tail', cleatSetback: 26 }),
  row('front of the knee, cleats under the toes', 'cleat-forward', at('knee-front', 'both'), { kneeFlexion: 30, sitsWhere: 'middle', cleatSetback: -2, shoeSize: 43 }),
  row('front of the knee, cranks far too long', 'crank-long', at('knee-front', 'both'), { kneeFlexion: 30, sitsWhere: 'middle', cleatSetback: 26, crank: 190, inseam: 760, hipAngle: 30 }),
  row('outer knee, cleat turned in', 'rotation', at('knee-outer', 'right'), { toeOutHanging: [6, 12], cleatTurn: [6, 2], cleatFloat: 6, heelIn: 1, heelOut: 1, kneeOutside: 0 }),
  row('inner knee, heel swings past its float', 'float-small', at('knee-inner', 'left'), { toeOutHanging: 6, cleatTurn: 6, cleatFloat: 2.5, heelIn: 5, heelOut: 5, kneeOutside: 0 }),
  row('outer knee, knee far outside the foot', 'stance-narrow', at('knee-outer', 'both'), { toeOutHanging: 6, cleatTurn: 6, cleatFloat: 9, heelIn: 1, heelOut: 1, kneeOutside: 30, cleatWear: 'fresh', cleatPlay: 'none' }),
  row('inner knee, knee far inside the foot', 'stance-wide', at('knee-inner', 'both'), { toeOutHanging: 6, cleatTurn: 6, cleatFloat: 9, heelIn: 1, heelOut: 1, kneeOutside: -30, cleatWear: 'fresh', cleatPlay: 'none' }),
  row('outer knee, foot rocks in the pedal', 'worn-cleat', at('knee-outer', 'right'), { toeOutHanging: 6, cleatTurn: 6, cleatFloat: 9, heelIn: 1, heelOut: 1, kneeOutside: 0, cleatWear: 'worn', cleatPlay: 'much' }),
  row('inner knee, forefoot tilts', 'foot-tilt', at('knee-inner', 'right'), { toeOutHanging: 6, cleatTurn: 6, cleatFloat: 9, heelIn: 1, heelOut: 1, kneeOutside: 0, cleatWear: 'fresh', cleatPlay: 'none', forefootTilt: 13 }),
  row('calf, axle ahead of the ball', 'cleat-forward', at('calf', 'left'), { cleatSetback: -3, shoeSize: 43, kneeFlexion: 30 }),
  row('Achilles tendon, saddle high', 'saddle-high', at('achilles', 'both'), { cleatSetback: 26, kneeFlexion: 14 }),
  row('saddle numbness, nose up', 'nose-up', at('groin', 'middle', { kind: 'numb' }), { saddleTilt: 3, saddleRelief: 'cut-out', kneeFlexion: 30 }),
  row('saddle numbness, narrow saddle', 'saddle-narrow', at('groin', 'middle', { kind: 'numb' }), { saddleTilt: -1, sitBoneSpacing: 145, saddleWidth: 128, saddleRelief: 'cut-out', kneeFlexion: 30 }),
  row('saddle numbness, closed saddle', 'no-relief', at('groin', 'middle', { kind: 'numb' }), { saddleTilt: -1, sitBoneSpacing: 118, saddleWidth: 145, saddleRelief: 'none', kneeFlexion: 30, elbowFlexion: 20, standsUp: 'yes' }),
  row('saddle numbness, never stands', 'never-moves', at('groin', 'middle', { kind: 'numb', situation: 'flat-steady' }), { saddleTilt: -1, sitBoneSpacing: 118, saddleWidth: 145, saddleRelief: 'cut-out', kneeFlexion: 30, standsUp: 'hardly' }),
  row('rocks, knee straight', 'saddle-high', fails('rocks'), { kneeFlexion: 13, pelvisRock: 'much', sitBoneSpacing: 120, saddleWidth: 145 }),
  row('rocks, knee fine, saddle far too wide', 'saddle-wide', fails('rocks'), { kneeFlexion: 30, pelvisRock: 'much', sitBoneSpacing: 105, saddleWidth: 185, pelvisLevel: 'level', legLengthDifference: 0 }),
  row('rocks, one leg shorter', 'leg-length', fails('rocks'), { kneeFlexion: 30, pelvisRock: 'some', sitBoneSpacing: 120, saddleWidth: 145, pelvisLevel: 'drops-right', legLengthDifference: 14 }),
  row('one sit bone, leg shorter', 'leg-length', at('sit-bone', 'right'), { legLengthDifference: 16, pelvisLevel: 'drops-right' }),
  row('one sit bone, saddle sags', 'saddle-worn', at('sit-bone', 'left'), { legLengthDifference: 0, pelvisLevel: 'level', saddleSound: 'sags-left', cleatSetback: 26, kneeFlexion: 30 }),
  row('one sit bone, cleats apart', 'cleats-apart', at('sit-bone', 'left'), { legLengthDifference: 0, pelvisLevel: 'level', saddleSound: 'sound', cleatSetback: [28, 12], kneeFlexion: 30 }),
  row('slides forward, nose down', 'nose-down', fails('slides-forward'), { saddleTilt: -7, elbowFlexion: 25 }),
  row('slides forward, arms straight', 'reach-long', fails('slides-forward'), { saddleTilt: -1, elbowFlexion: 1, shoulderAngle: 98, creepForward: 40, sitsWhere: 'middle' }),
  row('pushes back, narrow saddle', 'saddle-narrow', fails('slides-back'), { sitBoneSpacing: 150, saddleWidth: 130, saddleTilt: -1 }),
  row('pushes back, cramped', 'reach-short', fails('slides-back'), { sitBoneSpacing: 118, saddleWidth: 145, saddleTilt: -1, elbowFlexion: 70 }),
  row('low back, nose up', 'nose-up', at('low-back', 'middle'), { saddleTilt: 4, elbowFlexion: 25, kneeFlexion: 30 }),
  row('low back, locked arms', 'reach-long', at('low-back', 'middle'), { saddleTilt: -1, elbowFlexion: 1, shoulderAngle: 98, creepForward: 35, kneeFlexion: 30 }),
  row('neck, elbows locked', 'reach-long', at('neck', 'middle'), { elbowFlexion: 1, shoulderAngle: 98, creepForward: 35, saddleTilt: -1 }),
  row('neck, very low torso', 'front-low', at('neck', 'middle', { situation: 'low' }), { elbowFlexion: 25, creepForward: 3, torsoAngle: 24, saddleTilt: -1 }),
  row('shoulders, bar far too wide', 'bar-wide', at('shoulder', 'both'), { elbowFlexion: 25, creepForward: 3, hoodWidth: 470, acromionWidth: 370, torsoAngle: 50, saddleTilt: -1 }),
  row('little fingers, nose down', 'nose-down', at('little-finger', 'both', { kind: 'numb' }), { saddleTilt: -7, elbowFlexion: 25, hoodWidth: 400 }),
  row('little fingers, wrists bent', 'hoods-low', at('hand-little', 'both', { kind: 'numb' }), { saddleTilt: -1, elbowFlexion: 25, creepForward: 3, hoodWidth: 400, wristAngle: 24, sitsWhere: 'middle' }),
  row('little fingers, wide bar', 'bar-wide', at('hand-little', 'both', { kind: 'numb' }), { saddleTilt: -1, elbowFlexion: 25, creepForward: 3, hoodWidth: 470, acromionWidth: 370, wristAngle: 0, sitsWhere: 'middle' }),
  row('thumbs, levers far down on a trail bike', 'wrist-forward', at('thumb', 'both', { kind: 'numb', situation: 'descending' }), { leverAngle: 68, gripDiameter: 34, handLength: 180, torsoAngle: 60, saddleTilt: -2 }, { ...trail, alone: true }),
  row('thumbs, thick grips', 'grip-thick', at('hand-thumb', 'both', { kind: 'numb' }), { leverAngle: 38, gripDiameter: 40, handLength: 165, torsoAngle: 60, saddleTilt: -1 }, { ...trail, alone: true }),
  row('forearms, lever too far', 'lever-far', at('forearm', 'both', { kind: 'tired', situation: 'descending' }), { leverReach: 90, indexFinger: 64, brakeFingers: 'one', gripDiameter: 33, handLength: 172, leverAngle: 35 }, { ...trail, alone: true }),
  row('forearms, two fingers', 'two-fingers', at('forearm', 'both', { kind: 'tired' }), { leverReach: 66, indexFinger: 66, brakeFingers: 'two', gripDiameter: 33, handLength: 172, leverAngle: 35, tyreFeel: 'right' }, { ...trail, alone: true }),
  row('forearms, hard tyres', 'tyres-hard', at('forearm', 'both', { kind: 'tired' }), { leverReach: 66, indexFinger: 66, brakeFingers: 'one', gripDiameter: 33, handLength: 172, leverAngle: 35, tyreFeel: 'hard' }, { ...trail, alone: true }),
  row('washes out, bar rolled back', 'rolled-back', fails('washes-out'), { barRoll: -9, tyreFeel: 'right', torsoAngle: 55 }, { ...trail, alone: true }),
  row('missed shifts, thumb lets go', 'shifter-side', fails('missed-shift'), { thumbReach: 'lets', fingerOnLever: 'hook' }, { ...trail, alone: true }),
  row('weak braking, hoods turned in', 'hoods-in', fails('weak-braking'), { hoodAngle: 18, leverReach: 66, indexFinger: 66, hoodPosition: 45 }, { alone: true }),
  row('missed braking, finger inside of the hook', 'hook-off', fails('weak-braking'), { fingerOnLever: 'inside', leverReach: 66, indexFinger: 66 }, { ...trail, alone: true }),
  row('nervous, long stem', 'stem-long', fails('nervous-steering'), { stemLength: 130, hoodWidth: 400, acromionWidth: 400, torsoAngle: 50 }),
  row('nervous, narrow bar', 'bar-narrow', fails('nervous-steering'), { stemLength: 80, hoodWidth: 340, acromionWidth: 420, torsoAngle: 50 }),
  row('pitched forward, saddle left up', 'saddle-up-downhill', fails('pitched-forward'), { saddleOnDescents: 'up', torsoAngle: 55, barRoll: 0 }, { ...trail, alone: true }),
  row('unstable standing, narrow stance', 'stance-narrow', fails('unstable-standing'), { kneeOutside: 30, kneeAlignment: 'bow-legged', pedalKind: 'plate-coil', soleStiffness: 'medium' }),
  row('cannot get out of the pedal', 'tension', fails('clipping'), { releaseFeel: 'hard', pedalKind: 'recessed', boltsFitted: 'two' }),
  row('cannot get in, one-sided pedals', 'pedal-system', fails('clipping'), { releaseFeel: 'clean', pedalKind: 'plate-leaf', recess: 'flush', cleatWear: 'fresh', cleatPlay: 'none' }),
  row('stomach cramp after, low front', 'front-low', fails('cramp-after'), { torsoAngle: 22, crank: 170, sitsWhere: 'middle' }),
  row('one leg disconnected, soft shoe', 'soft-shoe', fails('leg-disconnected'), { soleStiffness: 'soft', shoeUpper: 'soft', archDrop: 3, legLengthDifference: 0 }),
  row('unstable standing, sole does not give', 'stiff-sole', fails('unstable-standing'), { soleStiffness: 'stiff', kneeOutside: 0, kneeAlignment: 'straight', pedalKind: 'platform', cleatWear: 'fresh', cleatPlay: 'none' }, { alone: true }),
  row('cannot get out, a bolt is missing', 'loose-bolts', fails('clipping'), { boltsFitted: 'one', releaseFeel: 'clean', recess: 'proud', cleatWear: 'fresh' }, { alone: true }),
  row('pushed forward at hard effort on a broad saddle', 'rubs-under-load', fails('slides-forward', { situation: 'hard-effort' }), { saddleKind: 'broad-padded', pelvisRock: 'some', saddleTilt: -1, elbowFlexion: 25, creepForward: 0, sitsWhere: 'middle' }),
  row('one sit bone, pelvis twisted, legs alike', 'sits-rotated', at('sit-bone', 'left'), { legLengthDifference: 0, pelvisLevel: 'twisted', saddleSound: 'sound', cleatSetback: [26, 26] }),
  row('front wanders, hands far above the seat', 'front-high', fails('washes-out'), { handHeight: 860, torsoAngle: 76, barRoll: 0, tyreFeel: 'right' }, { ...trail }),
  row('pitched forward, bar rolled forward', 'rolled-forward', fails('pitched-forward'), { barRoll: 12, saddleOnDescents: 'down', torsoAngle: 60, leverAngle: 36, tyreFeel: 'right' }, { ...trail, alone: true }),
  row('thumbs, levers flat on a trail bike', 'wrist-back', at('thumb', 'both', { kind: 'numb' }), { leverAngle: 8, gripDiameter: 33, handLength: 180, torsoAngle: 60, saddleTilt: -1 }, { ...trail, alone: true }),
  row('thumbs, a bar without sweep', 'sweep-off', at('thumb', 'both', { kind: 'numb' }), { ...flatBar, barBacksweep: 0, barUpsweep: 0, handSweep: [16, 16], handRise: [10, 10], leverAngle: [52, 52], forearmReady: [52, 52], torsoAngle: 60, saddleTilt: -1, wristAngle: 0, handHeight: 720, thumbReach: 'reached' }, { ...trail }),
  row('forearms, grips far too thin', 'grip-thin', at('forearm', 'both', { kind: 'tired' }), { leverReach: 66, indexFinger: 66, brakeFingers: 'one', gripDiameter: 25, handLength: 205, leverAngle: 35, tyreFeel: 'right' }, { ...trail, alone: true }),
  row('pitched forward, fork dives', 'front-soft', fails('pitched-forward'), { barRoll: 0, saddleOnDescents: 'down', torsoAngle: 60, leverAngle: 36, tyreFeel: 'soft' }, { ...trail, alone: true }),
  row('foot loose, shoe too long', 'shoe-loose', at('forefoot', 'right', { kind: 'slips' }), { footLength: 255, shoeLength: 285, soleStiffness: 'stiff', shoeUpper: 'firm' }),
] // prettier-ignore

describe('the cause that must come first', () => {
  it.each(scenarios.map((scenario) => [scenario.what, scenario] as const))('%s', (_, { complaints, read, first, kind, alone }) => {
    const readings = alone ? onlyReadings(read) : readingsWith(read)
    const { input } = visitModel(aVisit({ readings, complaints, kind: kind ?? 'drop bar' }))
    const { causes } = reason(input).reasoned
    expect(causes.slice(0, 3).map(({ cause, probability }) => [cause, probability.toFixed(2)])).toEqual([
      [first, expect.anything()],
      ...causes.slice(1, 3).map(() => expect.anything()),
    ])
    expect(causes[0]?.said.some(({ speaks }) => speaks === 'for')).toBe(true)
  })

  it('has a rider for every cause there is', () => {
    expect(causeKeys.filter((cause) => !scenarios.some(({ first }) => first === cause))).toEqual([])
  })
})
