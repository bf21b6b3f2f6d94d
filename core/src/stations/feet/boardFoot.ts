import type { Side } from '../../kernel/sided.ts'
import { roomOf } from '../../ledger/moves.ts'
import { settingKeys } from '../../ledger/settings.ts'
import type { SettingKey } from '../../ledger/settings.ts'
import { isOneOf } from '../../kernel/tables.ts'
import { footMoved } from '../../model/riderModel.ts'
import type { NumberKey } from '../../readings/readingDefinitions.ts'
import { measuredValue, standsAt } from '../../readings/resolve.ts'
import { USUAL_TREAD } from '../../readings/table/bike.ts'
import type { Setup } from '../../rider/setup.ts'
import { slotRange } from './cleat/judge.ts'
import { cleatReadings } from './cleat/readings.ts'
import type { SchoolTarget } from './cleat/target.ts'

/** One foot as the board draws it; mm and degrees. */
export interface BoardFoot {
  readonly footLength: number | null
  readonly footEstimated: boolean
  readonly heelToMtp1: number | null
  readonly heelToMtp5: number | null
  /** measured breadths; null = the drawing's own */
  readonly footWidth: number | null
  readonly heelWidth: number | null
  /** the insole's outline; null = not read */
  readonly shoe: { readonly length: number; readonly ballWidth: number | null; readonly heelWidth: number | null } | null
  readonly setbackStart: number | null
  readonly setbackNow: number | null
  readonly slot: { readonly foremost: number; readonly rearmost: number } | null
  readonly slotAcross: number | null
  readonly aim: number | null
  readonly firstStep: number | null
  readonly schools: readonly SchoolTarget[]
  /** cleat toward the bike from the sole's middle */
  readonly inboard: number
  /** where the foot points in the middle of its float, toes out is plus; null = not read */
  readonly turn: number | null
  readonly turnAim: number | null
  /** how far a turn may go either way */
  readonly turnRoom: { readonly low: number; readonly high: number }
  readonly float: number | null
  /** angles the heel swings through of itself */
  readonly swing: { readonly low: number; readonly high: number } | null
  readonly heelOutside: number | null
  /** half stance now, and with what is asked for; what makes it, from the middle outward */
  readonly half: number
  /** tread or axle stands as is usual, not as it was read */
  readonly halfEstimated: boolean
  readonly halfAim: number | null
  readonly chain: readonly { readonly label: string; readonly length: number }[]
}

/** Crank and stays between the feet, mm; null = not read, not drawn. */
export interface BoardBike {
  readonly tread: number
  readonly treadEstimated: boolean
  readonly crank: number | null
  readonly stayWidth: number | null
}

/** What is asked for and not on the bike yet. */
export interface FootToTry {
  readonly aimed: (setting: SettingKey, side: Side | 'both') => number
  /** of the cleat's fore–aft move, what goes on the bike first, mm; null = all of it */
  readonly cleatStep: (side: Side) => number | null
}

/** Nothing is asked for. */
export const asItStands: FootToTry = { aimed: () => 0, cleatStep: () => null }

/**
 * One foot for the board.
 * @param start the setup before the first change
 * @param judged targets of the schools, and the heel's swing
 */
export function boardFootOf(
  { now: readings }: Pick<Setup, 'now'>,
  start: Pick<Setup, 'now'>,
  side: Side,
  judged: Pick<BoardFoot, 'schools' | 'swing'>,
  { aimed, cleatStep }: FootToTry,
): BoardFoot {
  const read = cleatReadings(readings, side)
  const { footLength, heelToMtp1, heelToMtp5 } = read
  const now = read.setbackNow?.value ?? null
  const asked = aimed('cleatSetback', side)
  const value = (key: NumberKey) => readings[key][side]?.value ?? 0
  const turn = measuredValue(readings, 'cleatTurn', side)
  const insole = measuredValue(readings, 'shoeLength', side)
  const room = roomOf(readings, 'cleatTurn', side)
  const chain = [
    { label: '½ tread', length: value('tread') / 2 },
    { label: 'axle', length: value('axleLength') },
    { label: 'washer', length: value('washer') },
    { label: 'adapter', length: value('adapter') },
    { label: 'cleat', length: value('cleatInboard') },
  ].filter((part) => part.label === 'axle' || part.length !== 0)
  const half = chain.reduce((sum, { length }) => sum + length, 0)
  const moved = footMoved((key, at) => (isOneOf(settingKeys, key) ? aimed(key, at) : 0), side)
  return {
    ...judged,
    footLength: footLength?.value ?? null,
    footEstimated: footLength?.basis === 'estimated' || heelToMtp1?.basis === 'estimated',
    heelToMtp1: heelToMtp1?.value ?? null,
    heelToMtp5: heelToMtp5?.basis === 'measured' ? heelToMtp5.value : null,
    footWidth: measuredValue(readings, 'footWidth', side),
    heelWidth: measuredValue(readings, 'heelWidth', side),
    shoe:
      insole === null
        ? null
        : {
            length: insole,
            ballWidth: measuredValue(readings, 'shoeBallWidth', side),
            heelWidth: measuredValue(readings, 'shoeHeelWidth', side),
          },
    setbackStart: start.now.cleatSetback[side]?.value ?? null,
    setbackNow: now,
    slot: slotRange(read),
    slotAcross: measuredValue(readings, 'slotAcross', side),
    aim: now === null || asked === 0 ? null : now + asked,
    firstStep: now === null || asked === 0 ? null : now + (cleatStep(side) ?? asked),
    inboard: value('cleatInboard'),
    turn,
    turnAim: turn !== null && turn !== 0 ? turn + aimed('cleatTurn', side) : null,
    turnRoom: { low: (turn ?? 0) + room.low, high: (turn ?? 0) + room.high },
    float: measuredValue(readings, 'cleatFloat', side),
    heelOutside: measuredValue(readings, 'shoeHeelOutside', side),
    half,
    halfEstimated: (['tread', 'axleLength'] as const).some((key) => standsAt(readings, key, side) === null),
    halfAim: moved === 0 ? null : half + moved,
    chain,
  }
}

/** Crank and stays for the board. */
export const boardBikeOf = ({ now }: Pick<Setup, 'now'>): BoardBike => ({
  tread: now.tread.left?.value ?? USUAL_TREAD,
  treadEstimated: now.tread.left?.basis !== 'measured',
  crank: now.crank.left?.value ?? null,
  stayWidth: measuredValue(now, 'stayWidth'),
})

/** A dragged setback held in the slot and to the half millimetre a hand can set. */
export function heldInSlot(setback: number, slot: BoardFoot['slot']): number {
  const { foremost, rearmost } = slot ?? { foremost: -30, rearmost: 90 }
  if (setback <= foremost) return foremost
  if (setback >= rearmost) return rearmost
  return Math.min(rearmost, Math.max(foremost, Math.round(setback * 2) / 2))
}

/** A dragged direction to half a degree, held in what this sole lets the cleat turn. */
export function heldTurn(turn: number, { low, high }: BoardFoot['turnRoom']): number {
  return Math.min(high, Math.max(low, Math.round(turn * 2) / 2))
}

/** Direction of a foot whose heel is dragged to a place about the pedal: toes go the other way. */
export function turnOfHeel(x: number, y: number, outward: 1 | -1): number {
  return (Math.atan2(-outward * x, y) * 180) / Math.PI
}
