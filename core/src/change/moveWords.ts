import { trimmed } from '../quantity/entry.ts'
import type { Move } from './ledger.ts'
import { settings } from './settings.ts'
import type { SettingKey } from './settings.ts'

/** "Cleat R back 5", "Saddle down 2", "Pedals exchanged". */
export function moveWords(move: Pick<Move, 'setting' | 'side' | 'by'>): string {
  const words = `${moveName(move)} ${directionOf(move.setting, move.by)}`
  const { unit } = settings[move.setting]
  return unit === 'kind' ? words : `${words} ${trimmed(Math.abs(move.by), 1)}${unit === 'deg' ? '°' : ''}`
}

/** "Cleat R", "Saddle". */
export function moveName({ setting, side }: Pick<Move, 'setting' | 'side'>): string {
  return `${settings[setting].label}${side === 'both' ? '' : side === 'left' ? ' L' : ' R'}`
}

/** "back", "down": the word for a move of a setting. */
export function directionOf(setting: SettingKey, by: number): string {
  return by > 0 ? settings[setting].more : settings[setting].less
}
