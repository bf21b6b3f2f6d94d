import type { BikeKind } from '../bike/bikeKinds.ts'
import type { RiderMetrics, MetricKey } from '../body/metrics.ts'
import type { Setup } from '../change/setup.ts'
import type { Riding } from '../talk/riding.ts'
import type { HandsChoices } from './choices.ts'

/** What the station is judged from. */
export interface HandsContext {
  readonly setup: Setup
  /** the setup before any change */
  readonly start: Setup
  readonly kind: BikeKind
  readonly choices: HandsChoices
  readonly riding: Riding
  /** of lengths in sentences */
  readonly metrics: RiderMetrics | null
  /** ± of a number; null until the worker has said it */
  readonly plusMinus: (key: MetricKey) => number | null
}
