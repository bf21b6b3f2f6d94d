import { bikeKindOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import type { MetricKey } from '../../../body/metrics.ts'
import type { Setup } from '../../../rider/setup.ts'
import { metricBand } from '../../../station/number.ts'
import { AERO_LOWER, DROPS_LOWER, fronts, PADS_TORSO } from '../../../body/postureLimits.ts'
import type { TargetBand } from '../../../kernel/band.ts'
import type { HandPosition } from '../../../readings/conditions.ts'

/** How much lower than on the hoods a torso is wanted there, degrees. */
const lower: Readonly<Partial<Record<HandPosition, number>>> = { drops: DROPS_LOWER, aero: AERO_LOWER }

/** Torsos that are not low on this kind of bike with the hands there, degrees from level. */
export function torsoBand(kind: BikeKind, hands: HandPosition): TargetBand {
  const { torso } = fronts[bikeKindOf(kind).use]
  if (hands === 'extension') return { low: PADS_TORSO, high: Infinity }
  return { low: torso - (lower[hands] ?? 0), high: Infinity }
}

/** An elbow in the drops bends deep; on pads, and where the forearm lies level over the hood, it is about square. Elsewhere a soft bend is wanted. @source common-practice */
const elbows: Readonly<Partial<Record<HandPosition, TargetBand>>> = {
  drops: { low: 10, high: 80 },
  aero: { low: 75, high: 105 },
  extension: { low: 60, high: 105 },
}

/** The band of a number of the rider with the hands there: of an elbow by the position, else the number's own. */
export function bandIn(setup: Pick<Setup, 'now'>, metric: MetricKey, hands: HandPosition): TargetBand | null {
  const own = metricBand(setup, metric)
  return metric === 'elbowLeft' || metric === 'elbowRight' ? (elbows[hands] ?? own) : own
}

/** How far below the seat the hands are neither low nor high on this kind of bike, mm. */
export function handsBand(kind: BikeKind): TargetBand {
  const { bar, use } = bikeKindOf(kind)
  const { deepest, highest } = fronts[use]
  return { low: highest[bar], high: deepest }
}
