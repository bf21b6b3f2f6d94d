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
  const inside = slot === null ? Math.min(90, Math.max(-30, setback)) : Math.min(slot.rearmost, Math.max(slot.foremost, setback))
  const rounded = Math.round(inside * 2) / 2
  return slot !== null && (rounded > slot.rearmost || rounded < slot.foremost) ? inside : rounded
}
