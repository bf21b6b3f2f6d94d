import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import type { Side } from '../kernel/sided.ts'
import type { Move } from './ledger.ts'
import { exchangeShifts, partName, partNow, slotOf } from './parts.ts'
import type { Exchange, Part, RequestedExchange, SlotKey } from './parts.ts'
import { settingKeys, settings } from './settings.ts'
import type { SettingKey } from './settings.ts'

/** A setting and the amount a fitter wants it moved by, whole; + as in the table of settings. */
export type RequestedMove = Pick<Move, 'setting' | 'side' | 'by'>

/** What a page, a handle, a ranking or a typed note asks for. */
export type Requested = RequestedMove | RequestedExchange
export function isExchange(requested: Requested): requested is RequestedExchange {
  return 'slot' in requested
}

/** What an exchange does to the settings, as moves; figures that are no setting take no part. */
export function movesOf(exchange: RequestedExchange): RequestedMove[] {
  return exchangeShifts(exchange).flatMap(({ key, side, by }) => {
    const setting = settingKeys.find((other) => other === key)
    return setting === undefined ? [] : [{ setting, side, by }]
  })
}

/** Everything asked for as the moves it comes to; an exchange by what its parts differ in. */
export function movesAsked(requested: readonly Requested[]): RequestedMove[] {
  return requested.flatMap((one) => (isExchange(one) ? movesOf(one) : [one]))
}

/** A change as it is written down. */
export interface WrittenChange {
  readonly moves: readonly Move[]
  readonly exchanges: readonly Exchange[]
}

/**
 * Writes moves down: sizes of parts are no moves but exchanges of the part, from the one on the bike
 * to one that differs in just these sizes.
 */
export function writtenMoves(now: ResolvedReadings, moves: readonly Move[]): WrittenChange {
  const plain = moves.filter((move) => !settings[move.setting].ofPart)
  const sizes = moves.filter((move) => settings[move.setting].ofPart)
  const touched = [...new Set(sizes.map(({ setting }) => slotOf(setting)))].filter((slot) => slot !== null)
  return {
    moves: plain,
    exchanges: touched.map((slot) =>
      resized(
        now,
        slot,
        sizes.filter((move) => slotOf(move.setting) === slot),
      ),
    ),
  }
}

/** The part in a slot, and one that differs from it in one size. */
export function otherSize(now: ResolvedReadings, slot: SlotKey, setting: SettingKey, by: number): RequestedExchange {
  const { from, to } = resized(now, slot, [{ setting, side: 'both', by, role: 'chosen' }])
  return { slot, from, to }
}

function resized(now: ResolvedReadings, slot: SlotKey, sizes: readonly Move[]): Exchange {
  const from = partNow(now, slot).properties
  const to: Part['properties'] = { ...from }
  for (const { setting, side, by } of sizes) {
    const { left, right } = now[setting]
    // A size that was not read is the usual one: the two parts differ by the move all the same.
    const before = { left: left?.value ?? 0, right: right?.value ?? 0 }
    const held = to[setting]
    const earlier = typeof held === 'object' ? held : { left: held ?? before.left, right: held ?? before.right }
    const after = {
      left: side === 'right' ? earlier.left : rounded(before.left + by),
      right: side === 'left' ? earlier.right : rounded(before.right + by),
    }
    from[setting] = definitionOf(setting).sided ? before : before.right
    to[setting] = definitionOf(setting).sided ? after : after.right
  }
  const role = sizes.some((move) => move.role === 'chosen') ? 'chosen' : 'knock-on'
  return { slot, from: { name: partName(slot, from), properties: from }, to: { name: partName(slot, to), properties: to }, role }
}

const rounded = (value: number) => Math.round(value * 1000) / 1000

/** How far a setting can still go on this bike, mm or degrees; ±Infinity where nothing limits it. */
export interface Room {
  readonly low: number
  readonly high: number
}

/** Sums of moves over those already in force. */
export function withMoves(by: MovedBy, moves: readonly RequestedMove[]): MovedBy {
  const sums = new Map<string, number>()
  for (const move of moves) {
    const slot = `${move.setting}:${move.side}`
    sums.set(slot, (sums.get(slot) ?? 0) + move.by)
  }
  return (setting, side) => by(setting, side) + (sums.get(`${setting}:${side}`) ?? 0)
}

/** The reading that says how far a setting can go a way; null where none does. */
function roomReading(setting: SettingKey, way: 'less' | 'more'): NumberKey | null {
  return rooms.get(`${setting} ${way}`) ?? null
}
const rooms = new Map(
  numberKeys.flatMap((key) => {
    const { roomOf: of } = definitionOf(key)
    return of === undefined ? [] : [[of.join(' '), key] as const]
  }),
)

/**
 * Room of a setting from where it is now: the hardware's where it was read, and never beyond what
 * the reading itself may be.
 */
export function roomOf(now: ResolvedReadings, setting: SettingKey, side: Side | 'both'): Room {
  const at = side === 'left' ? 'left' : 'right'
  const read = (key: NumberKey) => {
    const value = now[key][at]
    return value?.basis === 'measured' ? Math.max(0, value.value) : Infinity
  }
  const [low, high] = [roomReading(setting, 'less'), roomReading(setting, 'more')]
  const { min, max } = rangeOf(now, setting, at)
  const here = now[setting][at]?.value
  return {
    low: Math.max(low === null ? -Infinity : -read(low), here === undefined ? -Infinity : Math.min(0, min - here)),
    high: Math.min(high === null ? Infinity : read(high), here === undefined ? Infinity : Math.max(0, max - here)),
  }
}

/** Whether it was read how far a setting can go the way of a move. */
export function isRoomRead(now: ResolvedReadings, setting: SettingKey, side: Side | 'both', by: number): boolean {
  const key = roomReading(setting, by < 0 ? 'less' : 'more')
  return key !== null && now[key][side === 'left' ? 'left' : 'right']?.basis === 'measured'
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
