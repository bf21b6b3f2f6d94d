import type { CleatReadings } from './cleatJudgement.ts'
import type { ShoeReadings } from './shoeCheck.ts'
import type { BoltReadings } from './boltCheck.ts'
import type { CleatLook, WearInput } from './cleatWear.ts'
import type { ClearanceInput } from './heelClearance.ts'
import type { RotationReadings } from './cleatRotation.ts'
import type { InUse } from './pedalSwitch.ts'
import type { StanceParts } from './stance.ts'
import type { SupportReadings } from './wedges.ts'
import { TIP } from './toeClearance.ts'
import type { ToeInput } from './toeClearance.ts'
import type { NumberKey } from '../measure/readingDefinitions.ts'
import { chosen, hiddenParts, measured, measuredValue, standsAt } from '../measure/resolve.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import { combined } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import { roomOf } from '../change/moves.ts'

/** One foot with its cleat and shoe; estimates included. */
export function cleatReadings(now: ResolvedReadings, side: Side): CleatReadings {
  return {
    setbackNow: now.cleatSetback[side],
    slotForward: now.slotForward[side],
    slotBack: now.slotBack[side],
    shoeSize: now.shoeSize[side],
    heelToMtp1: now.heelToMtp1[side],
    heelToMtp5: now.heelToMtp5[side],
    footLength: now.footLength[side],
  }
}

/** Foot and shoe for the check before the cleat, less what the cleat's school asks for. */
export function shoeReadings(now: ResolvedReadings, side: Side): Omit<ShoeReadings, 'slotEnd' | 'setbackTarget'> {
  const of = (key: NumberKey) => measured(now, key, side)
  return {
    footLength: of('footLength'),
    footWidth: of('footWidth'),
    heelWidth: of('heelWidth'),
    shoeLength: of('shoeLength'),
    shoeBallWidth: of('shoeBallWidth'),
    shoeHeelWidth: of('shoeHeelWidth'),
    archDrop: of('archDrop'),
    soleStiffness: chosen(now, 'soleStiffness'),
    shoeUpper: chosen(now, 'shoeUpper'),
  }
}

/** Natural toe-out is taken from the hanging foot, which carries nothing; standing where that is not read. */
export function rotationReadings(now: ResolvedReadings, side: Side): RotationReadings {
  const of = (key: NumberKey) => measured(now, key, side)
  return {
    toeOut: of('toeOutHanging') ?? of('toeOutStanding'),
    cleatTurn: of('cleatTurn'),
    float: of('cleatFloat'),
    heelIn: of('heelIn'),
    heelOut: of('heelOut'),
    turnRoom: of('cleatTurnRoom'),
  }
}

/** The parts of a half stance as they stand, estimates included; null while one is neither read nor estimable. */
export function stanceParts(now: ResolvedReadings): Sided<StanceParts> | null {
  const keys = ['tread', 'axleLength', 'washer', 'adapter', 'cleatInboard'] as const
  if (keys.some((key) => now[key].left === null || now[key].right === null)) return null
  return bySide((side) => {
    const of = (key: NumberKey) => now[key][side]?.value ?? 0
    return {
      tread: of('tread'),
      axle: of('axleLength'),
      washer: of('washer'),
      adapter: of('adapter'),
      cleatInboard: of('cleatInboard'),
    }
  })
}

/** Parts of the stance that are not read but taken as usual. */
export function stanceEstimated(now: ResolvedReadings): NumberKey[] {
  return (['tread', 'axleLength', 'cleatInboard'] as const).filter(
    (key) => now[key].left?.basis === 'estimated' || now[key].right?.basis === 'estimated',
  )
}

/** How far each cleat can still go across; unread slots allow what a usual one does, either way of the middle. */
export function cleatRoom(now: ResolvedReadings): Sided<{ readonly low: number; readonly high: number }> {
  return bySide((side) => {
    if (measured(now, 'slotAcross', side) !== null) return roomOf(now, 'cleatInboard', side)
    const here = now.cleatInboard[side]?.value ?? 0
    return { low: Math.min(0, -USUAL_SLOT - here), high: Math.max(0, USUAL_SLOT - here) }
  })
}
/** Half of a usual slot's room across, mm. @source prior */
const USUAL_SLOT = 2

const clearanceKeys = [
  ['tread', 'tread'],
  ['axle', 'axleLength'],
  ['washer', 'washer'],
  ['adapter', 'adapter'],
  ['cleatInboard', 'cleatInboard'],
  ['crank', 'crank'],
  ['heelOutside', 'shoeHeelOutside'],
  ['cleatTurn', 'cleatTurn'],
  ['float', 'cleatFloat'],
] as const

/** Heel past crank and stay, or the readings it still lacks. */
export function clearanceInput(now: ResolvedReadings, side: Side): ClearanceInput | { readonly missing: readonly NumberKey[] } {
  const behind = now.cleatSetback[side]
  const ball = now.heelToMtp1[side]
  const missing = clearanceKeys.map(([, key]) => key).filter((key) => now[key][side] === null) as NumberKey[]
  if (behind === null) missing.push('cleatSetback')
  if (ball === null) missing.push('heelToMtp1')
  if (missing.length > 0 || behind === null || ball === null) return { missing }
  const values = Object.fromEntries(clearanceKeys.map(([field, key]) => [field, now[key][side]?.value ?? 0])) as unknown as Omit<
    ClearanceInput,
    'axleFromHeel' | 'ankle' | 'stayWidth'
  >
  const axleFromHeel = ball.value - behind.value
  const { heelToAnkle, ankleHeight } = hiddenParts(now, side)
  const stack = now.soleStack[side]
  const ankle = heelToAnkle && ankleHeight && stack && { behind: axleFromHeel - heelToAnkle.value, above: ankleHeight.value + stack.value }
  return { ...values, axleFromHeel, ankle, stayWidth: measuredValue(now, 'stayWidth') }
}

/** What a wedge or a footbed is chosen from, less the complaint. */
export function supportReadings(now: ResolvedReadings, side: Side): Omit<SupportReadings, 'complaint'> {
  const of = (key: NumberKey) => measured(now, key, side)
  return {
    forefootTilt: of('forefootTilt'),
    archDrop: of('archDrop'),
    wedge: standsAt(now, 'wedge', side),
    heelTilt: of('heelTilt'),
    heelWedge: standsAt(now, 'heelWedge', side),
    heelCup: chosen(now, 'heelCup'),
    archSupport: standsAt(now, 'archSupport', side),
    shoeUpper: chosen(now, 'shoeUpper'),
  }
}

export function wearInput(now: ResolvedReadings): WearInput {
  return {
    kind: chosen(now, 'pedalKind'),
    distance: measuredValue(now, 'cleatDistance'),
    hours: measuredValue(now, 'cleatHours'),
    walking: chosen(now, 'cleatWalking'),
    recess: chosen(now, 'recess'),
  }
}

export function cleatLook(now: ResolvedReadings, side: Side): CleatLook {
  return {
    wear: chosen(now, 'cleatWear', side),
    play: chosen(now, 'cleatPlay', side),
    release: chosen(now, 'releaseFeel', side),
  }
}

export function boltReadings(now: ResolvedReadings): BoltReadings {
  return {
    pattern: chosen(now, 'boltPattern'),
    fitted: bySide((side) => chosen(now, 'boltsFitted', side)),
    length: measured(now, 'boltLength'),
    plate: measured(now, 'cleatPlate'),
    depth: measured(now, 'boltDepth'),
    torque: measuredValue(now, 'boltTorque'),
  }
}

/** Toes past the front wheel at a cleat setback, or null while wheel, crank or foot are not read. */
export function toeInput(now: ResolvedReadings, side: Side, setback = now.cleatSetback[side]?.value): ToeInput | null {
  const frontCentre = measuredValue(now, 'frontCentre')
  const wheelDiameter = measuredValue(now, 'wheelDiameter')
  const crank = measuredValue(now, 'crank')
  const ball = now.heelToMtp1[side]
  const shoe = measuredValue(now, 'shoeLength', side)
  const foot = measuredValue(now, 'footLength', side)
  const tip = shoe === null ? (foot === null ? null : foot + TIP.foot) : shoe + TIP.insole
  if (frontCentre === null || wheelDiameter === null || crank === null || ball === null || tip === null || setback === undefined)
    return null
  return { frontCentre, bbDrop: now.bbDrop[side]?.value ?? 0, wheelDiameter, crank, toeAhead: tip - (ball.value - setback) }
}

/** ± of a half stance: of its parts, taken together. */
export function stancePlusMinus(now: ResolvedReadings): number {
  const of = (key: NumberKey) => now[key].left?.plusMinus ?? 0
  return combined(of('tread') / 2, of('axleLength'), of('cleatInboard'))
}

/** Pedal and shoe in use. Axle to the sole's outside is what was measured to the foot, less the sole. */
export function pedalInUse(now: ResolvedReadings): InUse {
  const stack = measuredValue(now, 'soleStack')
  const sole = measuredValue(now, 'soleThickness')
  return {
    stack: stack === null || sole === null ? null : stack - sole,
    axle: measuredValue(now, 'axleLength'),
    recess: chosen(now, 'recess'),
  }
}
