import { tableFrom } from '../../../kernel/tables.ts'
import type { Side } from '../../../kernel/sided.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import { hiddenParts, measured, measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { ClearanceInput } from './heelClearance.ts'
import type { RotationReadings } from './judge.ts'

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
  const missing = clearanceKeys.map(([, key]): NumberKey => key).filter((key) => now[key][side] === null)
  if (behind === null) missing.push('cleatSetback')
  if (ball === null) missing.push('heelToMtp1')
  if (missing.length > 0 || behind === null || ball === null) return { missing }
  const values = tableFrom(clearanceKeys.map(([field, key]) => [field, now[key][side]?.value ?? 0] as const))
  const axleFromHeel = ball.value - behind.value
  const { heelToAnkle, ankleHeight } = hiddenParts(now, side)
  const stack = now.soleStack[side]
  const ankle = heelToAnkle && ankleHeight && stack && { behind: axleFromHeel - heelToAnkle.value, above: ankleHeight.value + stack.value }
  return { ...values, axleFromHeel, ankle, stayWidth: measuredValue(now, 'stayWidth') }
}
