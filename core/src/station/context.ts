import type { BikeKind } from '../bike/bikeKinds.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import type { Pace } from '../ledger/pace.ts'
import type { Setup } from '../rider/setup.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { Riding } from '../talk/riding.ts'

/** What every station is judged from: the visit at one setup. */
export interface VisitContext {
  readonly setup: Setup
  /** the setup before any change */
  readonly start: Setup
  readonly complaints: readonly Complaint[]
  readonly kind: BikeKind
  /** how the rider rides, as told */
  readonly riding: Riding
  /** how far one change may go */
  readonly pace: Pace
  /** the rider's numbers as they stand, where the model has them */
  readonly metrics: RiderMetrics | null
  /** ± of a number of the rider; null while it is not known */
  readonly plusMinus: (metric: MetricKey) => number | null
}
