import type { SourceKey } from '../sources.ts'

/** A setting a change can move, with how far it may go at once and how finely a hand can set it. */
export interface Setting {
  readonly label: string
  /** the station whose work it is */
  readonly station: 'feet' | 'seat' | 'hands'
  readonly sided: boolean
  /** `kind`: one part for another, counted along the list of kinds */
  readonly unit: 'mm' | 'deg' | 'kind'
  /** largest move at once, in the setting's unit */
  readonly cap: number
  /** largest exchange that keeps the hands where they are: another part, not another position */
  readonly exchange?: number
  /** what a hand with a tape can set */
  readonly resolution: number
  readonly more: string
  readonly less: string
  readonly source: SourceKey
}

type Row = Omit<Setting, 'station' | 'source'>
const row = (label: string, unit: Setting['unit'], cap: number, resolution: number, more: string, less: string, sided = false): Row => ({
  label, unit, cap, resolution, more, less, sided,
}) // prettier-ignore

function at<Key extends string>(station: Setting['station'], rows: Readonly<Record<Key, Row>>): Readonly<Record<Key, Setting>> {
  const entries = Object.entries<Row>(rows).map(([key, value]) => [key, { ...value, station, source: 'common-practice' }])
  return Object.fromEntries(entries) as Record<Key, Setting>
}

/**
 * Every setting by the name of the reading it moves. Caps are the trade's largest step for a settled
 * rider; parts that come in sizes (cranks, stems, other bars) have the step of a usual exchange.
 */
export const settings = {
  ...at('feet', {
    cleatSetback: row('Cleat', 'mm', 5, 0.5, 'back', 'forward', true),
    cleatInboard: row('Cleat', 'mm', 5, 0.5, 'inboard', 'outboard', true),
    soleStack: row('Sole and pedal', 'mm', 20, 0.5, 'thicker', 'thinner', true),
    cleatTurn: row('Cleat', 'deg', 2, 0.5, 'toe-out', 'toe-in', true),
    cleatFloat: row('Float', 'deg', 15, 0.5, 'wider', 'narrower', true),
    wedge: row('Wedge', 'deg', 1, 0.5, 'big-toe side up', 'little-toe side up', true),
    archSupport: row('Arch support', 'mm', 3, 1, 'higher', 'lower', true),
    pedalKind: row('Pedals', 'kind', 6, 1, 'exchanged', 'exchanged'),
    adapter: row('Adapter', 'mm', 25, 1, 'longer', 'shorter', true),
    washer: row('Washer', 'mm', 1.5, 0.5, 'on', 'off', true),
    axleLength: row('Pedal axle', 'mm', 12, 1, 'longer', 'shorter', true),
    tread: row('Tread', 'mm', 30, 1, 'wider', 'narrower'),
    crank: row('Crank', 'mm', 10, 0.5, 'longer', 'shorter'),
  }),
  ...at('seat', {
    saddleHeight: row('Saddle', 'mm', 5, 0.5, 'up', 'down'),
    saddleSetback: row('Saddle', 'mm', 5, 0.5, 'back', 'forward'),
    saddleTilt: row('Saddle nose', 'deg', 1, 0.5, 'up', 'down'),
    saddleKind: row('Saddle', 'kind', 6, 1, 'exchanged', 'exchanged'),
    saddleWidth: row('Saddle’s width', 'mm', 120, 1, 'wider', 'narrower'),
    saddleZoneWidth: row('Width where you sit', 'mm', 120, 1, 'wider', 'narrower'),
    saddleNoseWidth: row('Saddle’s nose', 'mm', 60, 1, 'broader', 'narrower'),
    saddleLength: row('Saddle’s length', 'mm', 120, 1, 'longer', 'shorter'),
    sitFromNose: row('Nose to sit point', 'mm', 120, 1, 'more', 'less'),
    saddleRailHeight: row('Height over the rails', 'mm', 80, 0.5, 'more', 'less'),
  }),
  ...at('hands', {
    handReach: row('Hands', 'mm', 10, 1, 'forward', 'back'),
    handHeight: row('Hands', 'mm', 10, 1, 'up', 'down'),
    gripSpacing: row('Hands', 'mm', 12, 1, 'wider', 'narrower'),
    spacers: { ...row('Spacers', 'mm', 10, 1, 'more', 'fewer'), exchange: 40 },
    stemLength: { ...row('Stem', 'mm', 20, 1, 'longer', 'shorter'), exchange: 80 },
    stemAngle: { ...row('Stem', 'deg', 34, 0.5, 'steeper', 'flatter'), exchange: 70 },
    barWidth: row('Bar', 'mm', 12, 1, 'wider', 'narrower'),
    barRise: row('Bar rise', 'mm', 40, 1, 'more', 'less'),
    barForward: row('Bar offset', 'mm', 40, 1, 'forward', 'back'),
    barBacksweep: row('Backsweep', 'deg', 20, 0.5, 'more', 'less'),
    barUpsweep: row('Upsweep', 'deg', 10, 0.5, 'more', 'less'),
    barReach: row('Bar reach', 'mm', 20, 1, 'longer', 'shorter'),
    barRoll: row('Bar roll', 'deg', 5, 0.5, 'forward', 'back'),
    leverAngle: row('Levers', 'deg', 10, 0.5, 'down', 'up', true),
  }),
} as const satisfies Readonly<Record<string, Setting>>

export type SettingKey = keyof typeof settings
export const settingKeys = Object.keys(settings) as [SettingKey, ...SettingKey[]]

/** A row of the table. */
export function settingOf(key: SettingKey): Setting {
  return settings[key]
}

/** How far a move may go at once: an answer that keeps the hands in place may exchange a whole part. */
export function largestMove({ setting, role }: { readonly setting: SettingKey; readonly role: 'chosen' | 'knock-on' }): number {
  const { cap, exchange } = settingOf(setting)
  return role === 'knock-on' ? (exchange ?? cap) : cap
}
