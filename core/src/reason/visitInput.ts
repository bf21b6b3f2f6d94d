import type { Choices } from '../stations/choices.ts'
import type { MetricKey } from '../body/metrics.ts'
import { barOf } from '../bike/bikeKinds.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { plusMinusAsRead } from '../rider/metricEstimate.ts'
import { calibrateBody } from '../rider/calibrated.ts'
import type { CalibratedBody } from '../rider/calibrated.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { paceOf } from '../ledger/pace.ts'
import type { Pace } from '../ledger/pace.ts'
import { setupOf } from '../rider/setup.ts'
import { metricSpreads, uncertaintyModelOf } from '../uncertainty/uncertainty.ts'
import type { OtherBike } from '../stations/feet/stance/judge.ts'
import type { Reading } from '../readings/reading.ts'
import type { MatResult } from '../stations/seat/mat/analysis.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'
import type { Riding } from '../talk/riding.ts'
import type { ReasonInput } from './context.ts'
import type { StudioCounts } from './studio.ts'

/** A visit as plain things, as a message to a worker or a file carries it. */
export interface ReasonVisit {
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
  readonly complaints: readonly Complaint[]
  readonly ratings: readonly Rating[]
  readonly riding: Riding
  readonly kind: BikeKind
  readonly choices: Choices
  readonly pace: Pace | null
  readonly earlierVisits: number
  readonly otherBikes: readonly OtherBike[]
  readonly mat: MatResult | null
  readonly studio: StudioCounts | null
}

/** A visit with nothing in it. */
export const emptyVisit: ReasonVisit = {
  readings: [],
  ledger: [],
  complaints: [],
  ratings: [],
  riding: {},
  kind: 'other',
  choices: { feet: {}, seat: {}, hands: {} },
  pace: null,
  earlierVisits: 0,
  otherBikes: [],
  mat: null,
  studio: null,
}

export type Spreads = Readonly<Record<MetricKey, number | null>>

/**
 * Everything the reasoner goes by, from a visit: the body calibrated, the setups folded, every ± worked out.
 * @param before the same visit a moment ago: the search for the body starts there
 * @param spreads ± of the rider's numbers, where they are at hand already
 */
export function reasonInputOf(
  visit: ReasonVisit,
  { before, spreads: known }: { readonly before?: CalibratedBody | undefined; readonly spreads?: Spreads | null } = {},
): { readonly input: ReasonInput; readonly body: CalibratedBody } {
  const { readings, ledger, complaints, riding } = visit
  const body = calibrateBody(readings, ledger, barOf(visit.kind), before)
  const setup = setupOf(readings, ledger, body.bar, ledger.length, body)
  let spreads: Spreads | null | undefined = known
  const spreadsNow = (): Spreads | null => {
    if (spreads !== undefined) return spreads
    const uncertainty = uncertaintyModelOf(setup.rider, setup.folded.by)
    spreads = uncertainty && metricSpreads(uncertainty)
    return spreads
  }
  const { changes } = setup.folded
  const input: ReasonInput = {
    setup,
    start: setupOf(readings, ledger, body.bar, 0, body),
    readings,
    ledger,
    changes,
    complaints,
    ratings: visit.ratings,
    riding,
    kind: visit.kind,
    choices: visit.choices,
    otherBikes: visit.otherBikes,
    pace: paceOf(visit, setup.now),
    plusMinus: (metric) => plusMinusAsRead(setup, metric, spreadsNow()?.[metric] ?? null),
    mat: visit.mat,
    studio: visit.studio,
  }
  return { input, body }
}
