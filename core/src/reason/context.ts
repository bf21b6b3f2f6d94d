import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import { riderMetrics } from '../body/metrics.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { metricsAsRead } from '../change/asRead.ts'
import type { Change } from '../change/fold.ts'
import type { LedgerEntry } from '../change/ledger.ts'
import type { Setup } from '../change/setup.ts'
import type { Pace } from '../change/pace.ts'
import { feetParts } from '../feet/station.ts'
import type { FeetParts, OtherBike } from '../feet/station.ts'
import type { FeetChoices } from '../feet/choices.ts'
import type { HandsChoices } from '../hands/choices.ts'
import { handsParts } from '../hands/station.ts'
import type { HandsParts } from '../hands/station.ts'
import { axlesOf } from '../measure/riderModel.ts'
import type { Reading } from '../measure/reading.ts'
import type { MatResult } from '../seat/matAnalysis.ts'
import { seatParts } from '../seat/station.ts'
import type { SeatParts } from '../seat/station.ts'
import type { SeatChoices } from '../seat/choices.ts'
import { lazily } from '../station.ts'
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
  readonly choices: { readonly feet: FeetChoices; readonly seat: SeatChoices; readonly hands: HandsChoices }
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
  return lazily<Facts>({
    input: () => input,
    setup: () => setup,
    metrics: () => metricsAsRead(setup.model && riderMetrics(setup.model, axlesOf(setup.rider.values)), setup),
    feet: ({ metrics }) =>
      feetParts({
        setup,
        start: input.start,
        complaints: input.complaints,
        kind: input.kind,
        choices: input.choices.feet,
        otherBikes: input.otherBikes,
        metrics,
        plusMinus: input.plusMinus,
        pace: input.pace,
        riding: input.riding,
      }),
    seat: ({ metrics }) =>
      seatParts({
        setup,
        start: input.start,
        complaints: input.complaints,
        kind: input.kind,
        choices: input.choices.seat,
        readings: input.readings,
        ledger: input.ledger,
        metrics,
        plusMinus: input.plusMinus,
        tried: {},
        mat: input.mat,
      }),
    hands: ({ metrics }) =>
      handsParts({
        setup,
        start: input.start,
        kind: input.kind,
        choices: input.choices.hands,
        riding: input.riding,
        metrics,
        plusMinus: input.plusMinus,
      }),
  })
}
