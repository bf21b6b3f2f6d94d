import { stationContexts } from '../stations/contexts.ts'
import type { ContextSource } from '../stations/contexts.ts'
import type { Choices } from '../stations/choices.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { metricsAt } from '../rider/metricEstimate.ts'
import type { Change } from '../ledger/fold.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import type { Setup } from '../rider/setup.ts'
import type { Pace } from '../ledger/pace.ts'
import { feetParts } from '../stations/feet/station.ts'
import type { FeetParts } from '../stations/feet/station.ts'
import type { OtherBike } from '../stations/feet/stance/judge.ts'
import { handsParts } from '../stations/hands/station.ts'
import type { HandsParts } from '../stations/hands/station.ts'
import type { Reading } from '../readings/reading.ts'
import type { MatResult } from '../stations/seat/mat/analysis.ts'
import { seatParts } from '../stations/seat/station.ts'
import type { SeatParts } from '../stations/seat/station.ts'
import { lazily } from '../kernel/lazily.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'
import type { Riding } from '../talk/riding.ts'
import type { StudioCounts } from './studio.ts'

/** Everything the reasoner goes by, as the visit stands. */
export interface ReasonInput {
  readonly setup: Setup
  /** the setup before any change */
  readonly start: Setup
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
  readonly changes: readonly Change[]
  readonly complaints: readonly Complaint[]
  readonly ratings: readonly Rating[]
  readonly riding: Riding
  readonly kind: BikeKind
  readonly choices: Choices
  readonly otherBikes: readonly OtherBike[]
  readonly pace: Pace
  /** ± of a number of the rider; null while it is not known */
  readonly plusMinus: (metric: MetricKey) => number | null
  /** a pressure recording of this rider; what is simulated does not come here */
  readonly mat: MatResult | null
  /** what this studio's closed visits came to; null = not to be used */
  readonly studio: StudioCounts | null
}

/** The same at a setup, with what the stations make of it; each part is worked out when it is first asked for. */
export interface Facts {
  readonly input: ReasonInput
  readonly setup: Setup
  readonly metrics: RiderMetrics | null
  readonly feet: FeetParts
  readonly seat: SeatParts
  readonly hands: HandsParts
}

/** What is known at a setup: the visit's own, or the one a change would lead to. */
export function factsAt(input: ReasonInput, setup: Setup = input.setup): Facts {
  const { start, complaints, kind, riding, pace, plusMinus } = input
  const source = (metrics: RiderMetrics | null): ContextSource => ({
    ...input,
    tried: {},
    visit: { setup, start, complaints, kind, riding, pace, metrics, plusMinus },
  })
  return lazily<Facts>({
    input: () => input,
    setup: () => setup,
    metrics: () => metricsAt(setup),
    feet: ({ metrics }) => feetParts(stationContexts.feet(source(metrics))),
    seat: ({ metrics }) => seatParts(stationContexts.seat(source(metrics))),
    hands: ({ metrics }) => handsParts(stationContexts.hands(source(metrics))),
  })
}
