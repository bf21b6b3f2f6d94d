import type { SchoolTarget } from '@level-stance/core/stations/feet/cleat/target'

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
