import type { TargetBand } from '../kernel/band.ts'
import type { WorkStation } from '../kernel/stations.ts'
import type { SourceKey } from '../kernel/sources.ts'
import { keysOf, tableOf } from '../kernel/tables.ts'

/** What the hands are held to while something else moves. */
export const handHolds = {
  seat: 'hands to the seat: reach and drop',
  frame: 'hands to the bike: their place',
  torso: 'the torso’s angle',
  free: 'no hands: leave them where they are',
} as const
export type HandHold = keyof typeof handHolds

/** Sizes a part is sold in: from the first on by their step. */
interface Sizes {
  readonly from: number
  readonly to: number
  readonly step: number
}

/** A setting a change can move, with how far it may go at once and how finely a hand can set it. */
export interface Setting {
  readonly label: string
  /** the station whose work it is */
  readonly station: WorkStation
  readonly sided: boolean
  readonly unit: 'mm' | 'deg'
  /** largest move at once, in the setting's unit */
  readonly cap: number
  /** largest answer that keeps the hands where they are: another part, not another position */
  readonly answerCap?: number
  /** what such a part commonly gives either way, where its room was not read */
  readonly usualRoom?: number
  /** largest move at once on a new set-up, which no body has got used to yet; else the cap holds there too */
  readonly wholeCap?: number
  /** where anybody would have it, as it is read: from outside it goes back to the edge at once */
  readonly advised?: TargetBand
  /** what a hand with a tape can set */
  readonly resolution: number
  /** less than this is no trial by itself: a part comes in sizes; else a third of the largest move */
  readonly least?: number
  readonly more: string
  readonly less: string
  /** what the hands are held to by default while it moves; else to the seat */
  readonly hands?: HandHold
  /** the knee is not held while it moves: it is what moves the knee */
  readonly freesKnee?: true
  /** a move this way cannot be taken back: it is asked once more */
  readonly forGood?: 'more' | 'less'
  /** it turns or slides the stem's clamp: no other stem is looked for beside it */
  readonly movesClamp?: true
  /** sold and fitted in pairs: the other side is exchanged with it where it asks for the same */
  readonly inPairs?: true
  /** a size of a part: it changes by exchanging the part */
  readonly ofPart?: true
  /** the sizes it is sold in */
  readonly sold?: Sizes
  readonly source: SourceKey
}

type Row = Omit<Setting, 'station' | 'source'>
type More = Partial<
  Pick<
    Setting,
    | 'answerCap'
    | 'usualRoom'
    | 'wholeCap'
    | 'hands'
    | 'freesKnee'
    | 'forGood'
    | 'movesClamp'
    | 'ofPart'
    | 'least'
    | 'inPairs'
    | 'advised'
    | 'sold'
  >
>

/** A setting that is one for the bike. */
function row(label: string, unit: Setting['unit'], cap: number, resolution: number, more: string, less: string, rest: More = {}): Row {
  return { label, unit, cap, resolution, more, less, sided: false, ...rest }
}

/** A setting of each side by itself. */
function rows(label: string, unit: Setting['unit'], cap: number, resolution: number, more: string, less: string, rest: More = {}): Row {
  return { label, unit, cap, resolution, more, less, sided: true, ...rest }
}

function at<Key extends string>(station: Setting['station'], table: Readonly<Record<Key, Row>>): Readonly<Record<Key, Setting>> {
  return tableOf(keysOf(table), (key): Setting => ({ ...table[key], station, source: 'common-practice' }))
}

const part = { ofPart: true } as const
const clamp = { hands: 'free', movesClamp: true } as const

/**
 * Every setting by the name of the reading it moves. Caps are the trade's largest step for a settled
 * rider; parts that come in sizes (cranks, stems, other bars) have the step of a usual exchange.
 */
export const settings = {
  ...at('feet', {
    cleatSetback: rows('Cleat', 'mm', 5, 0.5, 'back', 'forward', { wholeCap: 25, usualRoom: 12 }),
    cleatInboard: rows('Cleat', 'mm', 5, 0.5, 'inboard', 'outboard', { wholeCap: 10 }),
    soleStack: rows('Sole and pedal', 'mm', 20, 0.5, 'thicker', 'thinner'),
    cleatTurn: rows('Cleat', 'deg', 2, 0.5, 'toe-out', 'toe-in', { wholeCap: 10 }),
    cleatFloat: rows('Float', 'deg', 15, 0.5, 'wider', 'narrower', { ...part, inPairs: true, least: 3 }),
    wedge: rows('Wedge', 'deg', 1, 0.5, 'big-toe side up', 'little-toe side up'),
    heelWedge: rows('Heel wedge', 'deg', 1, 0.5, 'inner side up', 'outer side up'),
    archSupport: rows('Arch support', 'mm', 3, 1, 'higher', 'lower'),
    adapter: rows('Adapter', 'mm', 25, 1, 'longer', 'shorter'),
    washer: rows('Washer', 'mm', 1.5, 0.5, 'on', 'off'),
    axleLength: rows('Pedal axle', 'mm', 12, 1, 'longer', 'shorter', part),
    tread: row('Tread', 'mm', 30, 1, 'wider', 'narrower', part),
    crank: row('Crank', 'mm', 10, 0.5, 'longer', 'shorter', { ...part, least: 2.5, sold: { from: 140, to: 180, step: 2.5 } }),
  }),
  ...at('seat', {
    saddleHeight: row('Saddle', 'mm', 5, 0.5, 'up', 'down', { freesKnee: true, wholeCap: 100 }),
    saddleSetback: row('Saddle', 'mm', 5, 0.5, 'back', 'forward', { wholeCap: 60 }),
    saddleTilt: row('Saddle nose', 'deg', 1, 0.5, 'up', 'down', { wholeCap: 10, advised: { low: -10, high: 0 } }),
    saddleWidth: row('Saddle’s width', 'mm', 120, 1, 'wider', 'narrower', { ...part, least: 8 }),
    saddleZoneWidth: row('Width where you sit', 'mm', 120, 1, 'wider', 'narrower', part),
    saddleNoseWidth: row('Saddle’s nose', 'mm', 60, 1, 'broader', 'narrower'),
    saddleLength: row('Saddle’s length', 'mm', 120, 1, 'longer', 'shorter', part),
    sitFromNose: row('Nose to sit point', 'mm', 120, 1, 'more', 'less', part),
    saddleRailHeight: row('Height over the rails', 'mm', 80, 0.5, 'more', 'less', part),
  }),
  ...at('hands', {
    handReach: row('Hands', 'mm', 10, 1, 'forward', 'back', { hands: 'free', wholeCap: 80 }),
    handHeight: row('Hands', 'mm', 10, 1, 'up', 'down', { hands: 'free', wholeCap: 80 }),
    gripSpacing: row('Hands', 'mm', 12, 1, 'wider', 'narrower', { wholeCap: 80 }),
    spacers: row('Spacers', 'mm', 10, 1, 'more', 'fewer', { answerCap: 40, wholeCap: 40, ...clamp }),
    stemLength: row('Stem', 'mm', 20, 1, 'longer', 'shorter', {
      answerCap: 80,
      least: 10,
      sold: { from: 30, to: 140, step: 10 },
      ...clamp,
      ...part,
    }),
    stemAngle: row('Stem', 'deg', 34, 0.5, 'steeper', 'flatter', { answerCap: 70, ...clamp, ...part }),
    barWidth: row('Bar', 'mm', 12.7, 0.05, 'wider', 'narrower', { forGood: 'less' }),
    hoodWidth: row('Bar', 'mm', 120, 1, 'wider', 'narrower', { hands: 'frame', least: 10, ...part }),
    barRise: row('Bar rise', 'mm', 40, 1, 'more', 'less', { hands: 'frame', ...part }),
    barForward: row('Bar offset', 'mm', 40, 1, 'forward', 'back', { hands: 'frame', ...part }),
    barBacksweep: row('Backsweep', 'deg', 20, 0.5, 'more', 'less', { hands: 'frame', ...part }),
    barUpsweep: row('Upsweep', 'deg', 10, 0.5, 'more', 'less', { hands: 'frame', ...part }),
    barReach: row('Bar reach', 'mm', 20, 1, 'longer', 'shorter', { hands: 'frame', ...part }),
    barRoll: row('Bar roll', 'deg', 5, 0.5, 'forward', 'back', { hands: 'free', wholeCap: 20 }),
    leverAngle: rows('Levers', 'deg', 10, 0.5, 'down', 'up', { wholeCap: 40, least: 3 }),
    leverReach: rows('Lever reach', 'mm', 15, 1, 'longer', 'shorter', { hands: 'free', wholeCap: 30, least: 2 }),
    leverClamp: rows('Lever clamp', 'mm', 15, 1, 'inboard', 'outboard', { hands: 'free', wholeCap: 40 }),
    hoodPosition: rows('Lever on the bend', 'deg', 10, 1, 'down', 'up', { wholeCap: 45, hands: 'free' }),
    hoodAngle: rows('Hood', 'deg', 3, 0.5, 'turned in', 'turned out', { wholeCap: 10, hands: 'free' }),
    shifterClamp: rows('Shifter clamp', 'mm', 60, 1, 'inboard', 'outboard', { hands: 'free' }),
    remoteClamp: rows('Remote clamp', 'mm', 60, 1, 'inboard', 'outboard', { hands: 'free' }),
    padForward: row('Pads', 'mm', 10, 1, 'forward', 'back', { wholeCap: 60, hands: 'free' }),
    padUp: row('Pads', 'mm', 10, 1, 'up', 'down', { wholeCap: 60, hands: 'free' }),
    padSpacing: row('Pads', 'mm', 20, 1, 'wider', 'closer', { wholeCap: 80, hands: 'free' }),
    extensionLength: row('Extensions', 'mm', 10, 1, 'longer', 'shorter', { wholeCap: 60, hands: 'free' }),
    extensionAngle: row('Extensions', 'deg', 5, 0.5, 'rising', 'falling', { wholeCap: 30, hands: 'free' }),
    gripDiameter: rows('Grip', 'mm', 8, 1, 'thicker', 'thinner', { hands: 'free', least: 1, inPairs: true, ...part }),
  }),
} as const satisfies Readonly<Record<string, Setting>>

export type SettingKey = keyof typeof settings
export const settingKeys = keysOf(settings)

/** A row of the table. */
export function settingOf(key: SettingKey): Setting {
  return settings[key]
}

/** The smallest move that is a trial by itself, in the setting's unit. @source prior */
export function leastOf(setting: SettingKey): number {
  const { cap, least, resolution } = settingOf(setting)
  return Math.max(resolution, least ?? cap / 3)
}

/**
 * A change of a part's size as it can be bought: to the sold size nearest to what is asked, at least one
 * size on; as asked where it is sold in any size, or the present one is not known.
 * @returns 0 where no size lies further that way
 */
export function soldMove(key: SettingKey, now: number | null, by: number): number {
  const { sold } = settingOf(key)
  if (sold === undefined || now === null || by === 0) return by
  const { from, to, step } = sold
  const way = Math.sign(by)
  const nearest = from + Math.round((now + by - from) / step) * step
  const next = from + (way > 0 ? Math.floor((now - from) / step + 1e-9) + 1 : Math.ceil((now - from) / step - 1e-9) - 1) * step
  const size = way > 0 ? Math.min(to, Math.max(nearest, next)) : Math.max(from, Math.min(nearest, next))
  return way * Math.max(0, way * (size - now))
}
