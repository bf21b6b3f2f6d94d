import { soldBy } from '../../../kernel/message.ts'
import { MM_PER_INCH } from '../../../kernel/entry.ts'
import type { SourceKey } from '../../../kernel/sources.ts'

/** How much a cut takes off each end, mm. @source common-practice */
export const CUT_A_SIDE = { least: 3, usual: 5, most: 2 * 3.175 } as const
/** Cuts that a saw guide commonly has, mm a side. @source common-practice */
export const cutSizes = {
  '3': { label: soldBy(3), perSide: 3 },
  '4': { label: soldBy(4), perSide: 4 },
  '5': { label: soldBy(5), perSide: 5 },
  '6': { label: soldBy(6), perSide: 6 },
  eighth: { label: '⅛ in', perSide: MM_PER_INCH / 8 },
  quarter: { label: '¼ in', perSide: MM_PER_INCH / 4 },
} as const
export type CutSizeKey = keyof typeof cutSizes
export const defaultCut: CutSizeKey = '5'
export const cutSizeKeys = ['3', '4', '5', '6', 'eighth', 'quarter'] as const satisfies readonly CutSizeKey[]

/** Widest and narrowest a bar may be, end to end, mm. @source iso-4210 */
export const BAR_LIMITS = { narrowest: 350, widest: 1000 } as const

/** Something a bar must not be cut below. */
export interface WidthFloor {
  /** grip and clamps need it, its maker's mark, the standard */
  readonly key: 'room' | 'mark' | 'standard'
  readonly width: number
  readonly source: SourceKey
}

/** One cut, with what the bar is after it. */
export interface Cut {
  readonly n: number
  /** off each end, mm */
  readonly perSide: number
  /** end to end after it, mm */
  readonly width: number
  /** off the whole bar so far, mm */
  readonly total: number
}

export interface CutPlan<Floor extends { readonly width: number } = WidthFloor> {
  readonly cuts: readonly Cut[]
  /** where it ends, mm */
  readonly width: number
  /** the floor that stops it short of what was asked; null where none does */
  readonly stoppedBy: Floor | null
}

/**
 * Cuts from one width to another, the same at both ends, a ride between each. The last cut takes what
 * remains, where a tape can tell it; less than that is left on the bar.
 * @param from end to end, mm
 * @param to wanted, mm; as wide or wider gives no cut
 * @param perSide off each end at a time, mm
 * @param floors what the bar must not be cut below
 * @source geometry
 */
export function cutPlan<Floor extends { readonly width: number } = WidthFloor>(
  from: number,
  to: number,
  perSide: number,
  floors: readonly Floor[] = [],
): CutPlan<Floor> {
  const highest = [...floors].sort((a, b) => b.width - a.width)[0] ?? null
  const stop = highest !== null && highest.width > to ? highest : null
  const end = stop ? stop.width : to
  const cuts: Cut[] = []
  let width = from
  while (width - end >= 2 * CUT_A_SIDE.least - EVEN) {
    const own = Math.min(perSide, (width - end) / 2)
    width -= 2 * own
    cuts.push({ n: cuts.length + 1, perSide: own, width, total: from - width })
  }
  return { cuts, width, stoppedBy: stop }
}

/** Widths this close are the same, mm. */
const EVEN = 1e-6
