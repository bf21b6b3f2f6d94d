import type { DrawnBar } from '../bike/bikeKinds.ts'
import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import { lazily } from '../kernel/lazily.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import type { Reading } from '../readings/reading.ts'
import { calibrateBody } from '../rider/calibrated.ts'
import type { CalibratedBody } from '../rider/calibrated.ts'
import { metricsAt } from '../rider/metricEstimate.ts'
import { setupOf } from '../rider/setup.ts'
import type { Setup } from '../rider/setup.ts'
import { metricSpreads, uncertaintyModelOf } from './uncertainty.ts'
import type { UncertaintyModel } from './uncertainty.ts'

/** ± of the rider's numbers; null = not known. */
export type Spreads = Readonly<Record<MetricKey, number | null>>

/** The rider on the bike at one place of the ledger; each part is worked out when it is first asked for. */
export interface RiderPlace {
  readonly setup: Setup
  /** the rider's numbers, as read where they were read; null while readings are lacking */
  readonly metrics: RiderMetrics | null
  /** null while readings are lacking */
  readonly uncertainty: UncertaintyModel | null
  readonly spreads: Spreads | null
}

/** One body, and the rider at every place of the ledger. */
export interface RiderPlaces {
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
  readonly bar: DrawnBar
  readonly body: CalibratedBody
  /** @param place how many ledger entries are in force */
  readonly at: (place: number) => RiderPlace
  /** with the whole ledger in force */
  readonly now: RiderPlace
  /** before any change */
  readonly start: RiderPlace
  /** where the next search for the body starts: this body if it was worked out, else where this one would have started */
  readonly nearest: CalibratedBody | undefined
}

/**
 * From readings and ledger to the rider at each place of it, in browser, worker and server alike.
 * @param before the same visit a moment ago: it is handed back where nothing of this has changed, else the search for the body starts from its body
 */
export function riderPlaces(
  readings: readonly Reading[],
  ledger: readonly LedgerEntry[],
  bar: DrawnBar,
  before?: RiderPlaces,
): RiderPlaces {
  if (before?.readings === readings && before.ledger === ledger && before.bar === bar) return before
  const from = before?.nearest
  let body: CalibratedBody | undefined
  const bodyNow = () => (body ??= calibrateBody(readings, ledger, bar, from))
  const made = new Map<number, RiderPlace>()
  const at = (place: number): RiderPlace => {
    const found = made.get(place) ?? placeAt(place)
    made.set(place, found)
    return found
  }
  const placeAt = (place: number) =>
    lazily<RiderPlace>({
      setup: () => setupOf(readings, ledger, bar, place, bodyNow()),
      metrics: ({ setup }) => metricsAt(setup),
      uncertainty: ({ setup }) => uncertaintyModelOf(setup.rider, setup.folded.by),
      spreads: ({ uncertainty }) => uncertainty && metricSpreads(uncertainty),
    })
  return {
    readings,
    ledger,
    bar,
    at,
    get body() {
      return bodyNow()
    },
    get now() {
      return at(ledger.length)
    },
    get start() {
      return at(0)
    },
    get nearest() {
      return body ?? from
    },
  }
}
