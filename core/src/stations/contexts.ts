import type { Choices } from './choices.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import type { Reading } from '../readings/reading.ts'
import type { VisitContext } from '../station/context.ts'
import type { FeetContext } from './feet/station.ts'
import type { OtherBike } from './feet/stance/judge.ts'
import type { HandsContext } from './hands/context.ts'
import type { MatResult } from './seat/mat/analysis.ts'
import type { SeatContext } from './seat/station.ts'

/** What the contexts of all stations are made from. */
export interface ContextSource {
  readonly visit: VisitContext
  readonly choices: Choices
  readonly otherBikes: readonly OtherBike[]
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
  /** saddles ridden, with the mark of each, by name in small letters */
  readonly tried: SeatContext['tried']
  /** a pressure recording of this rider; what is simulated does not come here */
  readonly mat: MatResult | null
}

/** The one place where a station's context is made, for the browser, its worker and the server; each takes of the source what it needs. */
export const stationContexts = {
  feet: ({ visit, choices, otherBikes }: ContextSource): FeetContext => ({ ...visit, choices: choices.feet, otherBikes }),
  seat: ({ visit, choices, readings, ledger, tried, mat }: ContextSource): SeatContext => ({
    ...visit,
    choices: choices.seat,
    readings,
    ledger,
    tried,
    mat,
  }),
  hands: ({ visit, choices }: ContextSource): HandsContext => ({ ...visit, choices: choices.hands }),
} as const
