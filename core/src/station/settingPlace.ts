import type { Side } from '../kernel/sided.ts'
import type { SettingKey } from '../ledger/settings.ts'

/** A setting with the side it is set on. */
export interface SettingPlace {
  readonly setting: SettingKey
  readonly side: Side | 'both'
}

/** Both sides of a setting. */
export function bothSides(setting: SettingKey): SettingPlace[] {
  return [
    { setting, side: 'left' },
    { setting, side: 'right' },
  ]
}

/** A setting that is one for the bike. */
export function singlePlace(setting: SettingKey): SettingPlace[] {
  return [{ setting, side: 'both' }]
}
