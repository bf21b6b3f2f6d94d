import { joined, msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'
import { sideName } from '../../../kernel/finding.ts'

/** Room the float keeps beyond the heel's swing before release, each side, degrees. @source common-practice */
export const RELEASE_ROOM = 2
/** A turn smaller than half a step of the hand is no turn, degrees. @source prior */
const TURN_WORTH = 0.5
/** The widest float of any cleat, degrees. @source common-practice */
const MOST_FLOAT = 30
/** A swing seen at the end of the float may go on beyond it: then the reading is a lower bound. @source prior */
const AT_THE_STOP = 0.75

/** Angles of one foot, degrees, toes out is plus; null = not read. */
export interface RotationReadings {
  /** where the foot points by nature */
  readonly toeOut: Quantity | null
  /** where the foot points when the cleat stands in the middle of its float */
  readonly cleatTurn: Quantity | null
  readonly float: Quantity | null
  readonly heelIn: Quantity | null
  readonly heelOut: Quantity | null
  /** ± the cleat can be turned from straight on this sole */
  readonly turnRoom: Quantity | null
}

/** The plain numbers of it. */
export interface RotationInput {
  readonly toeOut: number
  readonly cleatTurn: number
  readonly float: number
  readonly heelIn: number
  readonly heelOut: number
  /** largest turn of the cleat from straight; Infinity where it was not read */
  readonly turnRoom: number | null
}

/** Where the foot may go and where it goes; degrees of toe-out. */
export interface Rotation {
  /** the angles the float allows now, and those the heel swings through */
  readonly floatNow: { readonly low: number; readonly high: number }
  readonly swing: { readonly low: number; readonly high: number }
  /** room between swing and float's end; minus = the float stops the heel */
  readonly roomIn: number
  readonly roomOut: number
  /** where the foot's natural direction may lie with room at both ends; its middle alone where the swing does not fit */
  readonly band: { readonly low: number; readonly high: number }
  /** where the cleat would put the middle of the float on the middle of the swing */
  readonly target: number
  /** the target held in what this sole lets the cleat turn, and what is left */
  readonly attainable: number
  readonly left: number
  /** turn of the cleat, + toes out */
  readonly difference: number
  /** room at the worse end after the turn */
  readonly roomAfter: number
  /** float that would hold the swing with room on both sides */
  readonly floatNeeded: number
  readonly floatEnough: boolean
}

/**
 * Rotation from the natural toe-out: the middle of the float goes to the middle of the heel's swing,
 * and the float must hold the whole swing with room on either side. The heel inward means toes
 * further out, so the swing runs from toe-out less the outward swing to toe-out plus the inward one.
 * @source common-practice
 */
export function cleatRotation({ toeOut, cleatTurn, float, heelIn, heelOut, turnRoom: room }: RotationInput): Rotation {
  const turnRoom = room ?? Infinity
  const half = float / 2
  const swing = { low: toeOut - heelOut, high: toeOut + heelIn }
  const target = (swing.low + swing.high) / 2
  const attainable = Math.min(Math.max(target, Math.min(-turnRoom, cleatTurn)), Math.max(turnRoom, cleatTurn))
  const at = (turn: number) => ({ in: turn + half - swing.high, out: swing.low - (turn - half) })
  const now = at(cleatTurn)
  const after = at(attainable)
  const band = { low: cleatTurn - half + RELEASE_ROOM + heelOut, high: cleatTurn + half - RELEASE_ROOM - heelIn }
  const floatNeeded = swing.high - swing.low + 2 * RELEASE_ROOM
  return {
    floatNow: { low: cleatTurn - half, high: cleatTurn + half },
    swing,
    band: band.low <= band.high ? band : { low: (band.low + band.high) / 2, high: (band.low + band.high) / 2 },
    roomIn: now.in,
    roomOut: now.out,
    target,
    attainable,
    left: target - attainable,
    difference: attainable - cleatTurn,
    roomAfter: Math.min(after.in, after.out),
    floatNeeded,
    floatEnough: float >= floatNeeded - 1e-9,
  }
}

/** The plain numbers of a foot's readings; without a measured swing the natural direction alone. Null while one is lacking. */
export function rotationInput({ toeOut, cleatTurn, float, heelIn, heelOut, turnRoom }: RotationReadings): RotationInput | null {
  if (toeOut === null || cleatTurn === null || float === null) return null
  return {
    toeOut: toeOut.value,
    cleatTurn: cleatTurn.value,
    float: float.value,
    heelIn: heelIn?.value ?? 0,
    heelOut: heelOut?.value ?? 0,
    turnRoom: turnRoom?.value ?? null,
  }
}

/** What to say about one foot's rotation. */
export type RotationJudgement =
  | { readonly state: 'missing'; readonly side: Side; readonly missing: readonly ('toeOut' | 'cleatTurn' | 'float')[] }
  | {
      readonly state: 'level' | 'near' | 'outside'
      readonly side: Side
      readonly rotation: Rotation
      /** the foot's own direction against what the float gives room for, degrees */
      readonly stands: Judged
      /** the float against the heel's swing with room, degrees; null while the swing is not read */
      readonly float: Judged | null
      /** ± of the turn, degrees */
      readonly turnPlusMinus: number
      readonly weight: 'act' | 'note' | 'fine'
      /** the heel's swing was not read, so the float is only centred on the natural toe-out */
      readonly swingRead: boolean
      /** a turn worth making, degrees, + toes out; 0 = leave it */
      readonly turn: number
      readonly headline: Message
      readonly sentence: Message
      readonly sure: Message
    }

/**
 * Judges one foot. Without a measured swing the natural toe-out alone is centred, and it says so.
 * @param twisted the pelvis is twisted or drops: then the seat comes first and nothing is turned
 */
export function judgeRotation(side: Side, readings: RotationReadings, twisted: boolean): RotationJudgement {
  const { toeOut, cleatTurn, float } = readings
  const input = rotationInput(readings)
  if (input === null || toeOut === null || cleatTurn === null || float === null) {
    const missing = (['toeOut', 'cleatTurn', 'float'] as const).filter((key) => readings[key] === null)
    return { state: 'missing', side, missing }
  }
  const swingRead = readings.heelIn !== null && readings.heelOut !== null
  const rotation = cleatRotation(input)
  const swingSpread = Math.max(readings.heelIn?.plusMinus ?? 0, readings.heelOut?.plusMinus ?? 0)
  const plusMinus = combined(toeOut.plusMinus, cleatTurn.plusMinus, float.plusMinus / 2, swingSpread)
  // The target is toe-out and half the difference of the swings; the float's width does not enter.
  const turnPlusMinus = combined(
    toeOut.plusMinus,
    cleatTurn.plusMinus,
    (readings.heelIn?.plusMinus ?? 0) / 2,
    (readings.heelOut?.plusMinus ?? 0) / 2,
  )
  const stands = judged(toeOut.value, plusMinus, rotation.band)
  const { isClear, weight: verdict } = verdictOf(stands)
  const floatStands = swingRead
    ? judged(
        float.value,
        combined(float.plusMinus, readings.heelIn?.plusMinus ?? 0, readings.heelOut?.plusMinus ?? 0),
        { low: rotation.floatNeeded, high: MOST_FLOAT },
        { aim: rotation.floatNeeded },
      )
    : null
  const worst = Math.min(rotation.roomIn, rotation.roomOut)
  const state = worst >= RELEASE_ROOM ? 'level' : worst >= 0 ? 'near' : 'outside'
  // Centring is worth it where an end is short and the turn gives the worse end room.
  const gains = rotation.roomAfter - worst
  const wanted = state !== 'level' && gains >= TURN_WORTH && Math.abs(rotation.difference) >= TURN_WORTH
  const turn = wanted && !twisted ? rotation.difference : 0
  const weight = verdict === 'act' && turn === 0 ? 'note' : verdict
  const said = words(side, rotation, { state, turn, twisted, swingRead, plusMinus, turnPlusMinus, isClear, wanted })
  return { state, side, rotation, stands, float: floatStands, turnPlusMinus, weight, swingRead, turn, ...said }
}

interface Standing {
  readonly state: 'level' | 'near' | 'outside'
  readonly turn: number
  readonly twisted: boolean
  readonly swingRead: boolean
  readonly plusMinus: number
  readonly turnPlusMinus: number
  readonly isClear: boolean
  readonly wanted: boolean
}

function words(side: Side, rotation: Rotation, { state, turn, twisted, swingRead, plusMinus, turnPlusMinus, isClear, wanted }: Standing) {
  const name = sideName(side)
  const degrees = (value: number) => `${trimmed(Math.abs(value), 1)}°`
  const { roomIn, roomOut, left, floatNeeded, floatEnough } = rotation
  const stopped = [
    ...(roomIn < 0 ? [`going in ${degrees(roomIn)} before its swing ends`] : []),
    ...(roomOut < 0 ? [`going out ${degrees(roomOut)} before its swing ends`] : []),
  ]
  const touches = roomIn <= AT_THE_STOP || roomOut <= AT_THE_STOP
  const sure = `±${trimmed(plusMinus, 1)}° on either end.${swingRead ? '' : ' The heel’s swing is not read: the foot’s natural direction alone is centred.'}${swingRead && touches ? ' A heel seen at its stop may want to go further: watch it on a loose pedal.' : ''}`
  const ends = `Room beyond the swing: ${trimmed(roomIn, 1)}° inward, ${trimmed(roomOut, 1)}° outward; ${RELEASE_ROOM}° each way is asked.`
  const headline =
    state === 'level'
      ? msg`${name} foot is centred in its ${term('float')}.`
      : state === 'outside'
        ? msg`${name} heel is stopped by the ${term('float')}.`
        : msg`${name} foot sits near the ${term('float')}’s end.`
  const what = stopped.length > 0 ? msg`The ${term('float')} stops the heel ${stopped.join(' and ')}. ${ends}` : ends
  let act = 'Leave it.'
  if (twisted && wanted)
    act = 'But the pelvis is not level: a twisted seat shows as a twisted foot. Correct the seat first, then look again.'
  else if (turn !== 0 && isClear) act = `Turn the ${side} cleat so that the toes point ${degrees(turn)} further ${turn > 0 ? 'out' : 'in'}.`
  else if (turn !== 0)
    act = `A turn of ${degrees(turn)} toe-${turn > 0 ? 'out' : 'in'} would centre it, but these readings tell no more than ±${degrees(turnPlusMinus)}: repeat them, or let the rider’s answer decide.`
  else if (state !== 'level' && !floatEnough) act = 'Turning alone does not help.'
  const rest = [
    ...(Math.abs(left) > 0.05 ? [`This sole stops the cleat ${degrees(left)} short of the middle.`] : []),
    ...(floatEnough ? [] : [msg`The whole swing with room asks for ${degrees(floatNeeded)} of ${term('float')}: this cleat has less.`]),
  ]
  return { headline, sentence: joined([what, act, ...rest]), sure }
}
