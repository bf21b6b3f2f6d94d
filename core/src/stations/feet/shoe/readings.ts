import type { Side } from '../../../kernel/sided.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import { measured, chosen } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { ShoeReadings } from './judge.ts'

/** Foot and shoe for the check before the cleat, less what the cleat's school asks for. */
export function shoeReadings(now: ResolvedReadings, side: Side): Omit<ShoeReadings, 'slotEnd' | 'setbackTarget'> {
  const of = (key: NumberKey) => measured(now, key, side)
  return {
    footLength: of('footLength'),
    footWidth: of('footWidth'),
    heelWidth: of('heelWidth'),
    shoeLength: of('shoeLength'),
    shoeBallWidth: of('shoeBallWidth'),
    shoeHeelWidth: of('shoeHeelWidth'),
    archDrop: of('archDrop'),
    soleStiffness: chosen(now, 'soleStiffness'),
    shoeUpper: chosen(now, 'shoeUpper'),
  }
}
