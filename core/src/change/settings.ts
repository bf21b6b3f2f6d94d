import type { SourceKey } from '../sources.ts'

/** A setting a change can move, with how far it may go at once and how finely a hand can set it. */
export interface Setting {
  readonly label: string
  readonly sided: boolean
  readonly unit: 'mm' | 'deg'
  /** largest move at once, in the setting's unit */
  readonly cap: number
  /** what a hand with a tape can set */
  readonly resolution: number
  readonly more: string
  readonly less: string
  readonly source: SourceKey
}

/** Step caps of the trade; a settled rider moves no further than this at once. */
export const settings = {
  cleatSetback: {
    label: 'Cleat',
    sided: true,
    unit: 'mm',
    cap: 5,
    resolution: 0.5,
    more: 'back',
    less: 'forward',
    source: 'common-practice',
  },
  saddleHeight: { label: 'Saddle', sided: false, unit: 'mm', cap: 5, resolution: 0.5, more: 'up', less: 'down', source: 'common-practice' },
} as const satisfies Readonly<Record<string, Setting>>

export type SettingKey = keyof typeof settings
export const settingKeys = Object.keys(settings) as [SettingKey, ...SettingKey[]]
