import { lengthWords, trimmed } from '../kernel/entry.ts'
import type { LengthUnit } from '../kernel/entry.ts'
import { partName } from '../kernel/inUnit.ts'
import { midSentence } from '../kernel/words.ts'
import type { Move } from './ledger.ts'
import type { Requested, RequestedMove } from './moves.ts'
import { exchangeShifts, slots } from './parts.ts'
import type { Exchange, RequestedExchange } from './parts.ts'
import { settingKeys, settings } from './settings.ts'
import type { SettingKey } from './settings.ts'

/** How far a setting goes, without its sign: "5 mm", "0.2 in", "1.5°". */
export function amountWords(setting: SettingKey, by: number, unit: LengthUnit): string {
  const size = Math.abs(by)
  return settings[setting].unit === 'deg' ? `${trimmed(size, 1)}°` : lengthWords(size, unit, unit === 'mm' ? 1 : 2)
}

/** "Cleat R back 5 mm", "Saddle down 0.08 in". */
export function moveWords(move: Pick<Move, 'setting' | 'side' | 'by'>, unit: LengthUnit): string {
  return `${moveName(move)} ${directionOf(move.setting, move.by)} ${amountWords(move.setting, move.by, unit)}`
}

/** "Saddle: Touring, 165 for Long, curved, 139 mm"; "Pedals: pedal axle L longer 2 mm" where only a size differs. */
export function exchangeWords({ slot, from, to }: Pick<Exchange, 'slot' | 'from' | 'to'>, unit: LengthUnit): string {
  const { label } = slots[slot]
  if (from.name === to.name) {
    const sizes = exchangeShifts({ from, to }).flatMap(({ key, side, by }) => {
      const setting = settingKeys.find((other) => other === key)
      return setting === undefined ? [] : [midSentence(moveWords({ setting, side, by }, unit))]
    })
    if (sizes.length > 0) return `${label}: ${sizes.join(', ')}`
  }
  const named = ({ name }: { readonly name: string }) => (unit === 'mm' ? name : partName(name))
  const instead = from.name === label || from.name === to.name ? '' : ` for ${named(from)}`
  return `${label}: ${named(to)}${instead}`
}

/** Everything a change does, part by part and move by move. */
export function changeWords(
  {
    moves,
    exchanges,
  }: {
    readonly moves: readonly Pick<Move, 'setting' | 'side' | 'by'>[]
    readonly exchanges: readonly Pick<Exchange, 'slot' | 'from' | 'to'>[]
  },
  unit: LengthUnit,
): string[] {
  return [...exchanges.map((exchange) => exchangeWords(exchange, unit)), ...moves.map((move) => moveWords(move, unit))]
}

/** What is asked for, in words. */
export function requestedWords(requested: readonly Requested[], unit: LengthUnit): string {
  const exchanges = requested.filter((one): one is RequestedExchange => 'slot' in one)
  const moves = requested.filter((one): one is RequestedMove => !('slot' in one))
  return midSentence(changeWords({ moves, exchanges }, unit).join(' · '))
}

/** "Cleat R", "Saddle". */
export function moveName({ setting, side }: Pick<Move, 'setting' | 'side'>): string {
  return `${settings[setting].label}${side === 'both' ? '' : side === 'left' ? ' L' : ' R'}`
}

/** "back", "down": the word for a move of a setting. */
export function directionOf(setting: SettingKey, by: number): string {
  return by > 0 ? settings[setting].more : settings[setting].less
}
