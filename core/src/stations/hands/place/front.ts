import { bikeKindOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import { DROPS_LOWER, fronts, PADS_TORSO } from '../../../body/postureLimits.ts'
import type { TargetBand } from '../../../kernel/band.ts'
import type { HandPosition } from '../../../readings/conditions.ts'

/** Torsos that are not low on this kind of bike with the hands there, degrees from level. */
export function torsoBand(kind: BikeKind, hands: HandPosition): TargetBand {
  const { torso } = fronts[bikeKindOf(kind).use]
  return { low: hands === 'extension' ? PADS_TORSO : hands === 'drops' ? torso - DROPS_LOWER : torso, high: Infinity }
}

/** How far below the seat the hands are neither low nor high on this kind of bike, mm. */
export function handsBand(kind: BikeKind): TargetBand {
  const { bar, use } = bikeKindOf(kind)
  const { deepest, highest } = fronts[use]
  return { low: highest[bar], high: deepest }
}
