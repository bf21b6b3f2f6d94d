import type { BarKind } from '../../bike/bikeKinds.ts'
import type { NumberKey, ReadingKey } from '../../readings/readingDefinitions.ts'
import type { Side } from '../../kernel/sided.ts'
import type { CauseKey } from '../../reason/causeTable.ts'

/** A number of the practice rider that a cause puts off, by so much at size 1, in the reading's unit. */
export interface Put {
  readonly reading: NumberKey
  readonly by: number
}

/** A word that a cause makes true, and what it is without it. */
export interface Say {
  readonly reading: ReadingKey
  readonly bad: string
  readonly good: string
}

/** How a hidden cause is made: what it is, and what it brings along. */
export interface Plant {
  /** what the complaint hangs on: as far as this is put right, it eases */
  readonly main: Put | Say
  readonly also?: readonly (Put | Say)[]
  /** on a drop bar, where it is another */
  readonly drop?: Put
}

const put = (reading: NumberKey, by: number): Put => ({ reading, by })
const say = (reading: ReadingKey, bad: string, good: string): Say => ({ reading, bad, good })
export const isPut = (one: Put | Say): one is Put => 'by' in one

/** Hidden causes of practice riders: own sizes, drawn around what fitters find. @source prior */
export const plants: Readonly<Partial<Record<CauseKey, Plant>>> = {
  'shoe-small': { main: put('shoeBallWidth', -6) },
  'shoe-tight': { main: say('laces', 'tight', 'snug') },
  'soft-shoe': { main: say('soleStiffness', 'soft', 'medium'), also: [say('shoeUpper', 'soft', 'firm')] },
  'shoe-loose': { main: put('shoeLength', 9) },
  'stiff-sole': { main: say('soleStiffness', 'stiff', 'medium') },
  'small-patch': { main: say('pedalKind', 'recessed', 'recessed-platform'), also: [say('soleStiffness', 'soft', 'medium')] },
  'pedal-system': { main: say('pedalKind', 'plate-leaf', 'recessed-platform'), also: [say('recess', 'flush', 'recessed')] },
  'cleat-forward': { main: put('cleatSetback', -14) },
  'cleats-apart': { main: put('cleatSetback', -9) },
  rotation: { main: put('cleatTurn', -6) },
  'float-small': { main: put('cleatFloat', -6) },
  'stance-narrow': { main: put('kneeOutside', 24) },
  'stance-wide': { main: put('kneeOutside', -24) },
  'foot-tilt': { main: put('forefootTilt', 8) },
  'no-arch-support': { main: put('archDrop', 9) },
  'worn-cleat': { main: say('cleatPlay', 'much', 'none'), also: [say('cleatWear', 'worn', 'fresh')] },
  'loose-bolts': { main: say('boltsFitted', 'one', 'two') },
  tension: { main: say('releaseFeel', 'hard', 'clean') },
  'crank-long': { main: put('crank', 14), also: [put('hipAngle', -14)] },
  'nose-up': { main: put('saddleTilt', 3.2) },
  'nose-down': { main: put('saddleTilt', -4.2), also: [put('creepForward', 12)] },
  'saddle-narrow': { main: put('saddleWidth', -17) },
  'saddle-wide': { main: put('saddleWidth', 24) },
  'no-relief': { main: say('saddleRelief', 'none', 'cut-out') },
  'saddle-worn': { main: say('saddleSound', 'sags-left', 'sound') },
  'rubs-under-load': { main: say('saddleKind', 'broad-padded', 'short-nose'), also: [say('pelvisRock', 'some', 'none')] },
  'saddle-high': { main: put('kneeFlexion', -10), also: [put('saddleHeight', 22)] },
  'saddle-low': { main: put('kneeFlexion', 11), also: [put('saddleHeight', -22)] },
  'saddle-forward': { main: say('sitsWhere', 'tail', 'middle'), also: [put('saddleSetback', -25)] },
  'saddle-back': { main: say('sitsWhere', 'nose', 'middle'), also: [put('hipAngle', -16), put('saddleSetback', 20)] },
  'never-moves': { main: say('standsUp', 'hardly', 'yes') },
  'saddle-up-downhill': { main: say('saddleOnDescents', 'up', 'down') },
  'leg-length': { main: put('legLengthDifference', 9), also: [say('pelvisLevel', 'drops-right', 'level')] },
  'sits-rotated': { main: say('pelvisLevel', 'twisted', 'level') },
  'reach-long': { main: put('elbowFlexion', -19), also: [put('handReach', 25), put('shoulderAngle', 15), put('creepForward', 14)] },
  'reach-short': { main: put('elbowFlexion', 32), also: [put('handReach', -30)] },
  'front-low': { main: put('handHeight', -35), also: [put('torsoAngle', -17), put('hipAngle', -20)] },
  'front-high': { main: put('handHeight', 70), also: [put('torsoAngle', 6)] },
  'bar-wide': { main: put('barWidth', 70), drop: put('hoodWidth', 42) },
  'bar-narrow': { main: put('barWidth', -80), drop: put('hoodWidth', -52) },
  'stem-long': { main: put('stemLength', 42) },
  'rolled-back': { main: put('barRoll', -8) },
  'rolled-forward': { main: put('barRoll', 9) },
  'hoods-low': { main: put('wristAngle', 19), also: [put('hoodPosition', 15)] },
  'hoods-in': { main: put('hoodAngle', 16) },
  'wrist-back': { main: put('leverAngle', -24), drop: put('hoodPosition', -26) },
  'wrist-forward': { main: put('leverAngle', 24), drop: put('hoodPosition', 26) },
  'sweep-off': { main: put('handSweep', 12) },
  'grip-thick': { main: put('gripDiameter', 5) },
  'grip-thin': { main: put('gripDiameter', -9) },
  'lever-far': { main: put('leverReach', 17) },
  'two-fingers': { main: say('brakeFingers', 'two', 'one') },
  'hook-off': { main: say('fingerOnLever', 'inside', 'hook') },
  'shifter-side': { main: say('thumbReach', 'lets', 'reached') },
  'tyres-hard': { main: say('tyreFeel', 'hard', 'right') },
  'front-soft': { main: say('tyreFeel', 'soft', 'right') },
}

/** What a cause hangs on with a bar. */
export function mainOf(plant: Plant, bar: BarKind): Put | Say {
  return bar === 'drop' ? (plant.drop ?? plant.main) : plant.main
}

/** The side a cause of the whole rider is put on, where only one side makes it. */
export const oneSidedPlants: Readonly<Partial<Record<CauseKey, Side>>> = { 'cleats-apart': 'left' }
