import type { Side } from '../../../kernel/sided.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import { measured, standsAt, chosen } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { SupportReadings } from './judge.ts'

/** What a wedge or a footbed is chosen from, less the complaint. */
export function supportReadings(now: ResolvedReadings, side: Side): Omit<SupportReadings, 'complaint'> {
  const of = (key: NumberKey) => measured(now, key, side)
  return {
    forefootTilt: of('forefootTilt'),
    archDrop: of('archDrop'),
    wedge: standsAt(now, 'wedge', side),
    heelTilt: of('heelTilt'),
    heelWedge: standsAt(now, 'heelWedge', side),
    heelCup: chosen(now, 'heelCup'),
    archSupport: standsAt(now, 'archSupport', side),
    shoeUpper: chosen(now, 'shoeUpper'),
  }
}
