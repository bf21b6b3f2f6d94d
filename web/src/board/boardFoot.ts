import type { SchoolTarget } from '@level-stance/core/feet/cleatTarget'

/** One foot as the board draws it; mm. */
export interface BoardFoot {
  readonly footLength: number | null
  readonly footEstimated: boolean
  readonly heelToMtp1: number | null
  readonly heelToMtp5: number | null
  readonly setbackStart: number | null
  readonly setbackNow: number | null
  readonly slot: { readonly foremost: number; readonly rearmost: number } | null
  readonly aim: number | null
  readonly firstStep: number | null
  readonly schools: readonly SchoolTarget[]
}

/** A dragged setback held in the slot and to the half millimetre a hand can set. */
export function heldInSlot(setback: number, slot: BoardFoot['slot']): number {
  const { foremost, rearmost } = slot ?? { foremost: -30, rearmost: 90 }
  if (setback <= foremost) return foremost
  if (setback >= rearmost) return rearmost
  return Math.min(rearmost, Math.max(foremost, Math.round(setback * 2) / 2))
}
