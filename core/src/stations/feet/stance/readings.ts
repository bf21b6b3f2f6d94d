import { combined } from '../../../kernel/quantity.ts'
import { bySide } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { roomOf } from '../../../ledger/moves.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import { measured } from '../../../readings/resolve.ts'
import type { StanceParts } from './targets.ts'

/** The parts of a half stance as they stand, estimates included; null while one is neither read nor estimable. */
export function stanceParts(now: ResolvedReadings): Sided<StanceParts> | null {
  const keys = ['tread', 'axleLength', 'washer', 'adapter', 'cleatInboard'] as const
  if (keys.some((key) => now[key].left === null || now[key].right === null)) return null
  return bySide((side) => {
    const of = (key: NumberKey) => now[key][side]?.value ?? 0
    return {
      tread: of('tread'),
      axle: of('axleLength'),
      washer: of('washer'),
      adapter: of('adapter'),
      cleatInboard: of('cleatInboard'),
    }
  })
}

/** Parts of the stance that are not read but taken as usual. */
export function stanceEstimated(now: ResolvedReadings): NumberKey[] {
  return (['tread', 'axleLength', 'cleatInboard'] as const).filter(
    (key) => now[key].left?.basis === 'estimated' || now[key].right?.basis === 'estimated',
  )
}

/** Whether the parts that make a stance were read, and not taken as usual. */
export function isStanceRead(now: ResolvedReadings): boolean {
  return !stanceEstimated(now).some((key) => key === 'tread' || key === 'axleLength')
}

/** Half of a usual slot's room across, mm. @source prior */
const USUAL_SLOT = 2
/** How far each cleat can still go across; unread slots allow what a usual one does, either way of the middle. */
export function cleatRoom(now: ResolvedReadings): Sided<{ readonly low: number; readonly high: number }> {
  return bySide((side) => {
    if (measured(now, 'slotAcross', side) !== null) return roomOf(now, 'cleatInboard', side)
    const here = now.cleatInboard[side]?.value ?? 0
    return { low: Math.min(0, -USUAL_SLOT - here), high: Math.max(0, USUAL_SLOT - here) }
  })
}

/** ± of a half stance: of its parts, taken together. */
export function stancePlusMinus(now: ResolvedReadings): number {
  const of = (key: NumberKey) => now[key].left?.plusMinus ?? 0
  return combined(of('tread') / 2, of('axleLength'), of('cleatInboard'))
}
