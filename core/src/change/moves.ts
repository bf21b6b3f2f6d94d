import type { MovedBy } from '../measure/riderModel.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import type { Side } from '../quantity/sided.ts'
import type { Move } from './ledger.ts'
import type { SettingKey } from './settings.ts'

/** A setting and the amount a fitter wants it moved by, whole; + as in the table of settings. */
export type Wish = Pick<Move, 'setting' | 'side' | 'by'>

/** How far a setting can still go on this bike, mm or degrees; ±Infinity where nothing limits it. */
export interface Room {
  readonly low: number
  readonly high: number
}

/** Sums of moves over those already in force. */
export function withMoves(by: MovedBy, moves: readonly Wish[]): MovedBy {
  const sums = new Map<string, number>()
  for (const move of moves) {
    const slot = `${move.setting}:${move.side}`
    sums.set(slot, (sums.get(slot) ?? 0) + move.by)
  }
  return (setting, side) => by(setting, side) + (sums.get(`${setting}:${side}`) ?? 0)
}

/** Readings that say how far a setting can go down and up. */
const roomReadings: Readonly<Partial<Record<SettingKey, readonly [low: ReadingKey, high: ReadingKey]>>> = {
  cleatSetback: ['slotForward', 'slotBack'],
  saddleHeight: ['postRoomDown', 'postRoomUp'],
  saddleSetback: ['railRoomForward', 'railRoomBack'],
  spacers: ['spacers', 'spacersAbove'],
}

/**
 * Room of a setting from where it is now: the hardware's where it was read, and never beyond what
 * the reading itself may be.
 */
export function roomOf(now: ResolvedReadings, setting: SettingKey, side: Side | 'both'): Room {
  const at = side === 'left' ? 'left' : 'right'
  const read = (key: ReadingKey) => {
    const value = now[key][at]
    return value?.basis === 'measured' ? Math.max(0, value.value) : Infinity
  }
  const [low, high] = roomReadings[setting] ?? [null, null]
  const { min, max } = rangeOf(now, setting, at)
  const here = now[setting][at]?.value
  return {
    low: Math.max(low === null ? -Infinity : -read(low), here === undefined ? -Infinity : Math.min(0, min - here)),
    high: Math.min(high === null ? Infinity : read(high), here === undefined ? Infinity : Math.max(0, max - here)),
  }
}

/** What a setting may be in all: the reading's own range, or less where this cleat and sole stop it on either side of straight. */
function rangeOf(now: ResolvedReadings, setting: SettingKey, at: Side): { readonly min: number; readonly max: number } {
  const { min, max } = definitionOf(setting)
  const stop = { cleatTurn: now.cleatTurnRoom[at]?.value, cleatInboard: halved(now.slotAcross[at]?.value) }
  const half = setting === 'cleatTurn' || setting === 'cleatInboard' ? stop[setting] : undefined
  return half === undefined ? { min, max } : { min: Math.max(min, -half), max: Math.min(max, half) }
}

const halved = (whole: number | undefined) => (whole === undefined ? undefined : whole / 2)

/** An amount held inside a room. */
export function heldIn(room: Room, by: number): number {
  return Math.min(room.high, Math.max(room.low, by))
}
