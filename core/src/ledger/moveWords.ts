import type { Message } from '../kernel/message.ts'
import { insideSentence, joined, mm, msg, partLabel } from '../kernel/message.ts'
import { trimmed } from '../kernel/entry.ts'
import type { Move } from './ledger.ts'
import type { Requested, RequestedMove } from './moves.ts'
import { exchangeShifts, slots } from './parts.ts'
import type { Exchange, RequestedExchange } from './parts.ts'
import { settingKeys, settings } from './settings.ts'
import type { SettingKey } from './settings.ts'

/** How far a setting goes, without its sign: "5 mm", "1.5°". */
export function amountWords(setting: SettingKey, by: number): Message {
  const size = Math.abs(by)
  return settings[setting].unit === 'deg' ? `${trimmed(size, 1)}°` : msg`${mm(size, 1)}`
}

/** "Cleat R back 5 mm". */
export function moveWords(move: Pick<Move, 'setting' | 'side' | 'by'>): Message {
  return msg`${moveName(move)} ${directionOf(move.setting, move.by)} ${amountWords(move.setting, move.by)}`
}

/** "Saddle: Touring, 165 for Long, curved, 139 mm"; "Pedals: pedal axle L longer 2 mm" where only a size differs. */
export function exchangeWords({ slot, from, to }: Pick<Exchange, 'slot' | 'from' | 'to'>): Message {
  const { label } = slots[slot]
  if (from.name === to.name) {
    const sizes = exchangeShifts({ from, to }).flatMap(({ key, side, by }) => {
      const setting = settingKeys.find((other) => other === key)
      return setting === undefined ? [] : [insideSentence(moveWords({ setting, side, by }))]
    })
    if (sizes.length > 0) return msg`${label}: ${joined(sizes, ', ')}`
  }
  const named = ({ name }: { readonly name: string }) => partLabel(name)
  const instead = from.name === label || from.name === to.name ? '' : ` for ${named(from)}`
  return `${label}: ${named(to)}${instead}`
}

/** Everything a change does, part by part and move by move. */
export function changeWords({
  moves,
  exchanges,
}: {
  readonly moves: readonly Pick<Move, 'setting' | 'side' | 'by'>[]
  readonly exchanges: readonly Pick<Exchange, 'slot' | 'from' | 'to'>[]
}): Message[] {
  return [...exchanges.map(exchangeWords), ...moves.map(moveWords)]
}

/** What is asked for, in words. */
export function requestedWords(requested: readonly Requested[]): Message {
  const exchanges = requested.filter((one): one is RequestedExchange => 'slot' in one)
  const moves = requested.filter((one): one is RequestedMove => !('slot' in one))
  return insideSentence(joined(changeWords({ moves, exchanges }), ' · '))
}

/** "Cleat R", "Saddle". */
export function moveName({ setting, side }: Pick<Move, 'setting' | 'side'>): string {
  return `${settings[setting].label}${side === 'both' ? '' : side === 'left' ? ' L' : ' R'}`
}

/** "back", "down": the word for a move of a setting. */
export function directionOf(setting: SettingKey, by: number): string {
  return by > 0 ? settings[setting].more : settings[setting].less
}
