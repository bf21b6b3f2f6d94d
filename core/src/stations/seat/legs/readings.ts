import { sides, bySide } from '../../../kernel/sided.ts'
import { measured, chosen } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { LegLengthReadings } from './judge.ts'

/** What leg length is judged from, less the complaint. */
export function legLengthReadings(now: ResolvedReadings): Omit<LegLengthReadings, 'pain'> {
  // Of soles that nobody measured, what a shim of this visit has made of them still counts.
  const isShimmed = sides.some((side) => now.soleStack[side]?.isMoved)
  return {
    difference: measured(now, 'legLengthDifference'),
    place: chosen(now, 'legDifferenceAt') ?? 'unknown',
    stack: bySide((side) => (isShimmed ? now.soleStack[side] : measured(now, 'soleStack', side))),
    cleat: bySide((side) => measured(now, 'cleatSetback', side)),
    pelvisLevel: chosen(now, 'pelvisLevel'),
  }
}
