import type { Riding } from '../talk/riding.ts'
import { isBackFromInjury } from '../talk/riding.ts'
import { chosen, measuredValue } from '../readings/resolve.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { sides } from '../kernel/sided.ts'
import { settingOf } from './settings.ts'
import type { SettingKey } from './settings.ts'
import type { SourceKey } from '../kernel/sources.ts'
import { keysOf } from '../kernel/tables.ts'

/** How far a visit may go at once, and why. */
export interface PaceRow {
  readonly label: string
  readonly says: string
  readonly source: SourceKey
}

/** A body gets used to a position over years: then small steps; where there is nothing to get used to, whole moves. */
export const paces = {
  settled: {
    label: 'settled',
    says: 'Rides this bike as it is: one small step at a time, weeks apart.',
    source: 'common-practice',
  },
  new: {
    label: 'new set-up',
    says: 'New bike, or first fit on it: whole moves at once of what was read, then ride in.',
    source: 'common-practice',
  },
  careful: {
    label: 'after injury',
    says: 'Back after an injury or operation: half of a settled rider’s step at a time, and look again before the next.',
    source: 'prior',
  },
} as const satisfies Readonly<Record<string, PaceRow>>
export type Pace = keyof typeof paces
export const paceKeys = keysOf(paces)

/** What tells a new set-up from a rider who is used to the bike. */
export interface PaceSigns {
  /** visits on this bike before this one */
  readonly earlierVisits: number
  /** what was told about riding it */
  readonly complaints: number
  /** whether shoes or cleats tell of kilometres; see {@link isRidden} */
  readonly ridden: boolean
  /** a recent injury or operation */
  readonly injured: boolean
}

/** Where the fitter has not said: small steps after a recent injury; a new set-up where nobody has been fitted on this bike before, and nothing told or read says that it is ridden. */
export function usualPace({ earlierVisits, complaints, ridden, injured }: PaceSigns): Pace {
  if (injured) return 'careful'
  return earlierVisits === 0 && complaints === 0 && !ridden ? 'new' : 'settled'
}

/** What of a visit its pace goes by. */
export interface PacedVisit {
  /** as the fitter says; null = not said */
  readonly pace: Pace | null
  readonly earlierVisits: number
  readonly complaints: readonly unknown[]
  readonly riding: Riding
}

/** How far one change may go: as the fitter says, else as what was told and ridden suggests. */
export function paceOf({ pace, earlierVisits, complaints, riding }: PacedVisit, now: ResolvedReadings): Pace {
  return pace ?? usualPace({ earlierVisits, complaints: complaints.length, ridden: isRidden(now), injured: isBackFromInjury(riding) })
}

/** Whether cleats tell that this rider rides as they are set: kilometres, hours, or wear. */
export function isRidden(now: ResolvedReadings): boolean {
  const told = (['cleatDistance', 'cleatHours'] as const).some((key) => (measuredValue(now, key) ?? 0) > 0)
  return told || sides.some((side) => ['worn', 'at-mark'].includes(chosen(now, 'cleatWear', side) ?? ''))
}

/** First rides after whole moves: hours, and what is asked of them. @source prior */
const rideIn = [
  { rides: 3, hours: 1, effort: 'easy' },
  { rides: 3, hours: 2, effort: 'steady' },
] as const

/** Whether any of the moves goes further at once than a settled rider would be moved. */
export function isWholeMove(moves: readonly { readonly setting: SettingKey; readonly by: number }[]): boolean {
  return moves.some(({ setting, by }) => Math.abs(by) > capOf(setting, 'settled') + 1e-9)
}

/** Said where a whole move is about to be made. */
export const wholeMoveCaution =
  'A whole move at once, for a set-up nobody is used to. Anything that hurts or goes numb on the way: half of it back.'

/** "Ride in: 3 easy rides of 1 h, then 3 steady rides of 2 h, before long or hard ones." */
export function rideInWords(): string {
  const parts = rideIn.map(({ rides, hours, effort }) => `${rides} ${effort} rides of ${hours} h`)
  return `Ride in: ${parts.join(', then ')}, before long or hard ones.`
}

/** A move, and where its setting stood by what was read, where the step goes by that. */
interface MoveFrom {
  readonly setting: SettingKey
  readonly by: number
  readonly from?: number | null | undefined
}

/** So many of a settled rider's steps past what is advised are far outside. @source prior */
const FAR_STEPS = 2

/** How far a setting that stands far from where anybody advises it is past the edge it is moved back to; else 0. */
export function wayBack({ setting, by, from = null }: MoveFrom): number {
  const { advised, cap, wholeCap = cap } = settingOf(setting)
  if (advised === undefined || from === null) return 0
  const past = by < 0 ? from - advised.high : advised.low - from
  // No further than a whole move, whatever was written down of where it stood.
  return past >= FAR_STEPS * cap ? Math.min(past, wholeCap) : 0
}

/** Said where a setting goes back at once to where somebody would have it. */
export const wayBackCaution = 'It is far outside what anyone advises: back to the edge at once, the rest in steps. Easy rides first.'

/** How far a move may go at once: an answer that keeps the hands in place may take a whole other part. */
export function largestMove(move: MoveFrom & { readonly role: 'chosen' | 'knock-on' }, pace: Pace): number {
  const { setting, role } = move
  const most = Math.max(capOf(setting, pace), wayBack(move))
  return role === 'knock-on' ? Math.max(settingOf(setting).answerCap ?? 0, most) : most
}

/** Share of a settled rider's step that is moved at once after an injury. @source prior */
const CAREFUL = 0.5

/** How far a setting may be moved at once at a pace; sizes of parts come as they are sold. */
export function capOf(setting: SettingKey, pace: Pace): number {
  const { cap, wholeCap, ofPart, resolution } = settingOf(setting)
  if (pace === 'new') return wholeCap ?? cap
  return pace === 'settled' || ofPart ? cap : Math.max(resolution, Math.floor((CAREFUL * cap) / resolution + 1e-9) * resolution)
}

/** The pace at which a setting is moved that nobody has read: never a whole move at once. */
export function unreadPace(pace: Pace): Pace {
  return pace === 'new' ? 'settled' : pace
}
