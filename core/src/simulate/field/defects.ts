import type { BarKind } from '../../bike/bikeKinds.ts'
import type { NumberKey, ReadingKey } from '../../readings/readingDefinitions.ts'
import type { ControlSymptomKey } from '../../talk/controlSymptoms.ts'
import type { BodyRegionKey, ComplaintKind } from '../../talk/regions.ts'

/** A number that is put off: by so much, give or take. */
type Off = readonly [reading: NumberKey, by: number, spread: number]
/** A word that becomes true, as often as this. */
type Shows = readonly [reading: ReadingKey, word: string, often: number]

/** Something wrong with a bike or a body, as fitters describe it, and what it makes of what can be read. */
export interface Defect {
  /** what the hand does to the bike, or what the part is; numbers in their unit */
  readonly off?: readonly Off[]
  readonly shows?: readonly Shows[]
  /** on one side only */
  readonly oneSided?: true
  readonly bar?: BarKind
}

/**
 * Defects of the trade: sizes are what makes riders complain, drawn around them. How far a body's own
 * angles follow is this product's assumption, made without a look at what the reasoner asks.
 * @source prior
 */
export const defects = {
  'seat post 16 mm too far out': { off: [['saddleHeight', 16, 4], ['kneeFlexion', -9, 2.5], ['footPitch', 4, 2], ['hipAngle', 2, 1]], shows: [['pelvisRock', 'some', 0.6]] },
  'seat post 18 mm too far in': { off: [['saddleHeight', -18, 5], ['kneeFlexion', 9.5, 2.5], ['hipAngle', -3, 1.5]] },
  'saddle slid back past where it carries': { off: [['saddleSetback', 18, 5], ['hipAngle', -3, 1.5], ['kneeFlexion', -2.5, 1], ['elbowFlexion', -5, 2]], shows: [['sitsWhere', 'nose', 0.8]] },
  'saddle slid forward past where it carries': { off: [['saddleSetback', -18, 5], ['hipAngle', 3, 1.5], ['kneeFlexion', 2.5, 1]], shows: [['sitsWhere', 'tail', 0.85]] },
  'nose of the saddle up': { off: [['saddleTilt', 3, 0.8]] },
  'nose of the saddle far down': { off: [['saddleTilt', -4, 1], ['creepForward', 10, 5]], shows: [['sitsWhere', 'nose', 0.6]] },
  'saddle a size too narrow': { off: [['saddleWidth', -16, 4]] },
  'saddle two sizes too wide': { off: [['saddleWidth', 24, 5]], shows: [['pelvisRock', 'some', 0.5]] },
  'closed saddle': { shows: [['saddleRelief', 'none', 1]] },
  'saddle broken on one side': { shows: [['saddleSound', 'sags-left', 0.9]] },
  'broad padded saddle ridden hard': { off: [['saddleNoseWidth', 14, 3]], shows: [['saddleKind', 'broad-padded', 1], ['pelvisRock', 'some', 0.4]] },
  'never stands up': { shows: [['standsUp', 'hardly', 0.95]] },
  'one leg 11 mm shorter': { off: [['legLengthDifference', 11, 2.5]], shows: [['pelvisLevel', 'drops-left', 0.75]] },
  'pelvis twisted': { shows: [['pelvisLevel', 'twisted', 0.9]] },
  'one cleat 9 mm ahead of the other': { off: [['cleatSetback', -9, 2]], oneSided: true },
  'cleats far forward': { off: [['cleatSetback', -14, 3], ['kneeFlexion', -2, 1]] },
  'cleat turned 9° off the foot': { off: [['cleatTurn', -9, 2]] },
  'cleat with hardly any float': { off: [['cleatFloat', -6, 1]] },
  'feet too far in': { off: [['kneeOutside', 20, 5]] },
  'feet too far out': { off: [['kneeOutside', -20, 5]] },
  'forefoot that tilts': { off: [['forefootTilt', 8, 1.5], ['heelTilt', 3, 1.5]] },
  'arch that drops': { off: [['archDrop', 10, 2]] },
  'cleat worn down': { shows: [['cleatWear', 'worn', 0.9], ['cleatPlay', 'much', 0.7], ['releaseFeel', 'vague', 0.5]] },
  'spring screwed tight': { shows: [['releaseFeel', 'hard', 0.95]] },
  'narrow shoe': { off: [['shoeBallWidth', -6, 1.5]] },
  'shoe pulled tight': { shows: [['laces', 'tight', 0.95]] },
  'soft shoe': { shows: [['soleStiffness', 'soft', 0.9], ['shoeUpper', 'soft', 0.8], ['heelCup', 'soft', 0.5]] },
  'small pedal under a soft sole': { shows: [['pedalKind', 'recessed', 1], ['soleStiffness', 'soft', 0.9]] },
  'board-stiff sole': { shows: [['soleStiffness', 'stiff', 1]] },
  'plate pedal with a cleat that stands out': { shows: [['pedalKind', 'plate-leaf', 1], ['recess', 'flush', 0.9]] },
  'cranks 13 mm too long': { off: [['crank', 13, 2], ['hipAngle', -7, 2], ['kneeFlexion', -3, 1]] },
  'bar 35 mm too far away': { off: [['handReach', 35, 8], ['elbowFlexion', -19, 4], ['shoulderAngle', 9, 3], ['torsoAngle', -3, 1.5], ['creepForward', 8, 4]] },
  'bar 35 mm too near': { off: [['handReach', -35, 8], ['elbowFlexion', 20, 5], ['shoulderAngle', -8, 3], ['stemLength', -20, 8]] },
  'bar 70 mm too low': { off: [['handHeight', -70, 15], ['torsoAngle', -15, 3], ['hipAngle', -12, 3], ['shoulderAngle', 4, 3]] },
  'bar 75 mm too high': { off: [['handHeight', 75, 12], ['torsoAngle', 10, 3], ['hipAngle', 7, 2]] },
  'bar 55 mm too wide': { off: [['barWidth', 55, 10], ['elbowFlexion', -5, 3]], bar: 'flat' },
  'hoods 50 mm too wide': { off: [['hoodWidth', 50, 10], ['elbowFlexion', -5, 3]], bar: 'drop' },
  'bar 80 mm too narrow': { off: [['barWidth', -80, 15]], bar: 'flat' },
  'long stem': { off: [['stemLength', 38, 6]], bar: 'flat' },
  'bar rolled back': { off: [['barRoll', -9, 2], ['wristAngle', -5, 2]], bar: 'flat' },
  'bar rolled forward': { off: [['barRoll', 9, 2], ['wristAngle', 5, 2]], bar: 'flat' },
  'hoods low on the bend': { off: [['hoodPosition', 22, 4], ['wristAngle', 20, 3]], bar: 'drop' },
  'hoods high on the bend': { off: [['hoodPosition', -24, 4]], bar: 'drop' },
  'hoods turned far in': { off: [['hoodAngle', 11, 2]], bar: 'drop' },
  'levers too flat': { off: [['leverAngle', -17, 3]], bar: 'flat' },
  'levers too low': { off: [['leverAngle', 18, 3]], bar: 'flat' },
  'levers too far away': { off: [['leverReach', 17, 4]] },
  'lever slid off the finger': { off: [['leverClamp', -16, 4]], shows: [['fingerOnLever', 'inside', 0.85]], bar: 'flat' },
  'shifter out of reach': { shows: [['thumbReach', 'lets', 0.9]], bar: 'flat' },
  'two fingers on the brake': { shows: [['brakeFingers', 'two', 0.95]], bar: 'flat' },
  'grips too thick': { off: [['gripDiameter', 5, 1]], bar: 'flat' },
  'grips too thin': { off: [['gripDiameter', -9, 1]], bar: 'flat' },
  'bar that sweeps against the hand': { off: [['handSweep', 11, 2]], bar: 'flat' },
  'tyres hard as wood': { shows: [['tyreFeel', 'hard', 0.95]] },
  'fork soft as butter': { shows: [['tyreFeel', 'soft', 0.95]], bar: 'flat' },
  'saddle left up on steep ground': { shows: [['saddleOnDescents', 'up', 0.95]], bar: 'flat' },
} as const satisfies Readonly<Record<string, Defect>> // prettier-ignore
export type DefectName = keyof typeof defects

/** What a rider says, and what a fitter of the trade would find behind it, most usual first. */
export interface FieldComplaint {
  readonly at?: readonly BodyRegionKey[]
  readonly kind?: ComplaintKind
  readonly control?: ControlSymptomKey
  readonly side?: 'one'
  readonly because: readonly DefectName[]
}

/** The trade's own table of complaints and causes. @source common-practice */
export const fieldComplaints: readonly FieldComplaint[] = [
  { at: ['hand-little'], kind: 'numb', because: ['nose of the saddle far down', 'bar 35 mm too far away', 'hoods 50 mm too wide', 'hoods low on the bend', 'saddle slid forward past where it carries', 'grips too thick'] },
  { at: ['hand-thumb'], kind: 'numb', because: ['levers too flat', 'hoods high on the bend', 'levers too low', 'bar 70 mm too low', 'grips too thick', 'bar that sweeps against the hand'] },
  { at: ['forearm'], kind: 'tired', because: ['levers too far away', 'two fingers on the brake', 'grips too thick', 'grips too thin', 'levers too low', 'tyres hard as wood'] },
  { at: ['neck', 'shoulder'], kind: 'pain', because: ['bar 35 mm too far away', 'hoods 50 mm too wide', 'hoods low on the bend', 'bar 70 mm too low', 'bar 75 mm too high', 'nose of the saddle far down'] },
  { at: ['low-back'], kind: 'pain', because: ['nose of the saddle up', 'bar 35 mm too far away', 'seat post 16 mm too far out', 'bar 70 mm too low'] },
  { at: ['groin'], kind: 'numb', because: ['nose of the saddle up', 'saddle a size too narrow', 'closed saddle', 'seat post 16 mm too far out', 'never stands up'] },
  { at: ['sit-bone'], kind: 'pain', side: 'one', because: ['one leg 11 mm shorter', 'pelvis twisted', 'one cleat 9 mm ahead of the other', 'saddle broken on one side'] },
  { control: 'rocks', because: ['seat post 16 mm too far out', 'saddle two sizes too wide', 'one leg 11 mm shorter', 'bar 70 mm too low'] },
  { control: 'slides-back', because: ['saddle a size too narrow', 'bar 35 mm too near', 'nose of the saddle up'] },
  { control: 'slides-forward', because: ['nose of the saddle far down', 'bar 35 mm too far away', 'broad padded saddle ridden hard', 'saddle slid back past where it carries'] },
  { at: ['knee-front'], kind: 'pain', because: ['seat post 18 mm too far in', 'saddle slid forward past where it carries', 'cleats far forward', 'cranks 13 mm too long'] },
  { at: ['knee-back', 'hamstring'], kind: 'pain', because: ['seat post 16 mm too far out', 'saddle slid back past where it carries'] },
  { at: ['knee-inner', 'knee-outer'], kind: 'pain', because: ['cleat turned 9° off the foot', 'cleat with hardly any float', 'feet too far in', 'feet too far out', 'cleat worn down', 'forefoot that tilts'] },
  { at: ['forefoot'], kind: 'numb', because: ['narrow shoe', 'shoe pulled tight', 'cleats far forward', 'small pedal under a soft sole', 'arch that drops'] },
  { at: ['calf', 'achilles'], kind: 'pain', because: ['cleats far forward', 'seat post 16 mm too far out'] },
  { control: 'leg-disconnected', because: ['soft shoe', 'arch that drops', 'forefoot that tilts', 'cleat worn down', 'one leg 11 mm shorter'] },
  { control: 'cramp-after', because: ['bar 70 mm too low', 'cranks 13 mm too long', 'saddle slid back past where it carries', 'seat post 18 mm too far in'] },
  { control: 'nervous-steering', because: ['long stem', 'bar 80 mm too narrow'] },
  { control: 'front-heavy', because: ['bar 55 mm too wide', 'bar 35 mm too near'] },
  { control: 'washes-out', because: ['bar 75 mm too high', 'bar rolled back'] },
  { control: 'pitched-forward', because: ['bar 70 mm too low', 'bar rolled forward', 'levers too low', 'saddle left up on steep ground', 'fork soft as butter', 'tyres hard as wood'] },
  { control: 'weak-braking', because: ['lever slid off the finger', 'levers too far away', 'hoods turned far in'] },
  { control: 'missed-shift', because: ['shifter out of reach', 'lever slid off the finger'] },
  { control: 'unstable-standing', because: ['feet too far in', 'small pedal under a soft sole', 'board-stiff sole'] },
  { control: 'clipping', because: ['spring screwed tight', 'plate pedal with a cleat that stands out', 'cleat worn down'] },
] // prettier-ignore
