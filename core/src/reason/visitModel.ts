import { drawnBarOf } from '../bike/bikeKinds.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { lazily } from '../kernel/lazily.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { paceOf } from '../ledger/pace.ts'
import type { Pace } from '../ledger/pace.ts'
import type { Reading } from '../readings/reading.ts'
import { plusMinusAsRead } from '../rider/metricEstimate.ts'
import type { Choices } from '../stations/choices.ts'
import type { OtherBike } from '../stations/feet/stance/judge.ts'
import type { MatResult } from '../stations/seat/mat/analysis.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'
import type { Riding } from '../talk/riding.ts'
import { riderPlaces } from '../uncertainty/riderPlaces.ts'
import type { RiderPlaces, Spreads } from '../uncertainty/riderPlaces.ts'
import { factsAt } from './context.ts'
import type { Facts, ReasonInput } from './context.ts'
import type { StudioCounts } from './studio.ts'

/** A visit as plain things, as a message to a worker or a file carries it: all that anything is worked out from. */
export interface VisitState {
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
  readonly complaints: readonly Complaint[]
  readonly ratings: readonly Rating[]
  readonly riding: Riding
  readonly kind: BikeKind
  readonly choices: Choices
  /** as the fitter says; null = not said */
  readonly pace: Pace | null
  readonly earlierVisits: number
  readonly otherBikes: readonly OtherBike[]
  /** a pressure recording of this rider; what is simulated does not come here */
  readonly mat: MatResult | null
  /** what this studio's closed visits came to; null = not to be used */
  readonly studio: StudioCounts | null
}

/** A visit with nothing in it. */
export const emptyVisit: VisitState = {
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

/** A visit, worked out once: body, setups, numbers with their ±, what the stations and the reasoner go by. Each part comes when it is first asked for. */
export interface VisitModel {
  readonly state: VisitState
  readonly places: RiderPlaces
  /** how far one change may go */
  readonly pace: Pace
  /** everything the reasoner goes by, the whole ledger in force */
  readonly input: ReasonInput
  /** the same, with what the stations make of it */
  readonly facts: Facts
}

/**
 * The one way from a visit to what is said of it, for browser, worker, sheet and server.
 * @param before the same visit a moment ago: what is the same of it is not worked out again
 * @param spreads ± of the rider's numbers where they are at hand already; null = none are known
 */
export function visitModel(
  state: VisitState,
  { before, spreads }: { readonly before?: VisitModel | undefined; readonly spreads?: Spreads | null } = {},
): VisitModel {
  const { readings, ledger } = state
  const places = riderPlaces(readings, ledger, drawnBarOf(state.kind), before?.places)
  return lazily<VisitModel>({
    state: () => state,
    places: () => places,
    pace: () => paceOf(state, places.now.setup.now),
    input: (model): ReasonInput => {
      const { setup } = places.now
      return {
        ...state,
        setup,
        start: places.start.setup,
        changes: setup.folded.changes,
        pace: model.pace,
        plusMinus: (metric) => plusMinusAsRead(setup, metric, (spreads === undefined ? places.now.spreads : spreads)?.[metric] ?? null),
      }
    },
    facts: ({ input }) => factsAt(input),
  })
}
