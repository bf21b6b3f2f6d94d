import type { Message } from '../kernel/message.ts'
import type { StemOption } from '../bike/stemSearch.ts'
import type { RiderMetrics } from '../body/metrics.ts'
import type { RiderModel } from '../body/rider.ts'
import type { Move } from '../ledger/ledger.ts'
import type { RequestedMove } from '../ledger/moves.ts'
import type { Exchange } from '../ledger/parts.ts'
import type { HandHold } from '../ledger/settings.ts'
import type { StepPlan } from '../ledger/stepPlan.ts'

/** What the fitter wants held. */
export interface Holds {
  /** knee flexion at the bottom, by saddle height */
  readonly knee: boolean
  readonly hands: HandHold
  /** lever angle, when the bar is rolled */
  readonly lever: boolean
}

/** One compensating move. */
export interface Answer extends RequestedMove {
  /** what would hold exactly */
  readonly exact: number
  readonly limit: 'cap' | 'room' | null
}

/** A requested move with what becomes of it. */
export interface Chosen extends RequestedMove {
  /** the whole request as asked for */
  readonly wanted: number
  /** the same, held in the hardware's room */
  readonly aim: number
  readonly from: number | null
  readonly plan: StepPlan
  readonly heldByRoom: boolean
  /** what such a part commonly gives, where that is less than was asked for and its own room was not read; else null */
  readonly doubtfulBeyond: number | null
}

/** A change with everything it brings along. */
export interface KnockOn {
  readonly chosen: readonly Chosen[]
  readonly answers: readonly Answer[]
  /** what is set now, as it is written down: moves, and parts exchanged */
  readonly moves: readonly Move[]
  readonly exchanges: readonly Exchange[]
  /** what stays unheld */
  readonly left: readonly Leftover[]
  /** trouble in words: a leg that no longer reaches, hands that are not known */
  readonly findings: readonly string[]
  /** ways of doing the hands' move with stem and spacers, best first; empty where the front is not known */
  readonly stems: readonly StemOption[]
  /** metrics as they stand, with the chosen moves alone, and with the answers; worked out when asked for */
  readonly before: RiderMetrics | null
  readonly alone: RiderMetrics | null
  readonly after: RiderMetrics | null
  readonly model: RiderModel | null
  /** what stays for later, in words */
  readonly later: Message
}

/** Something that was to be held and is not, quite. */
export interface Leftover {
  readonly what: 'knee-left' | 'knee-right' | 'hand-level' | 'hand-height' | 'torso' | 'room'
  /** how much it is off, signed */
  readonly amount: number
  readonly unit: 'mm' | 'deg'
  readonly words: Message
}
