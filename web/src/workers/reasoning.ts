import type { CalibratedBody } from '@level-stance/core/change/calibrated'
import { reason } from '@level-stance/core/reason/reason'
import type { RankedCause } from '@level-stance/core/reason/rank'
import type { Reasoning } from '@level-stance/core/reason/reason'
import { reasonInputOf } from '@level-stance/core/reason/visitInput'
import type { ReasonVisit, Spreads } from '@level-stance/core/reason/visitInput'
import type { LengthUnit } from '@level-stance/core/quantity/entry'

/** What the worker is asked: a visit as it stands, and which complaint is looked at. */
export interface ReasonQuestion {
  readonly id: number
  readonly visit: ReasonVisit
  /** ± of the rider's numbers as they were last worked out; null = not yet, work them out here */
  readonly spreads: Spreads | null
  readonly focus: string | null
  readonly unit: LengthUnit
}
/** What was thought before anything was changed. */
export interface Earlier {
  readonly complaintId: string
  readonly causes: readonly Pick<RankedCause, 'cause' | 'side' | 'probability' | 'isRead'>[]
}
export interface ReasonAnswer {
  readonly id: number
  readonly reasoning: Reasoning
  /** empty while nothing was changed */
  readonly earlier: readonly Earlier[]
}

/** The worker's whole work, apart from the mailbox. The search for the body starts where it ended a question ago. */
export function reasonWorker(): (question: ReasonQuestion) => ReasonAnswer {
  let before: CalibratedBody | undefined
  return ({ id, visit, spreads, focus, unit }) => {
    const { input, body } = reasonInputOf(visit, spreads === null ? { before } : { before, spreads })
    before = body
    return { id, reasoning: reason(input, focus, unit), earlier: visit.ledger.length > 0 ? earlierOf(visit, spreads) : [] }
  }
}

/** The same complaints by what was read before the first change. */
function earlierOf(visit: ReasonVisit, spreads: Spreads | null): Earlier[] {
  const readings = visit.readings.filter(({ after }) => after === null)
  const { input } = reasonInputOf({ ...visit, readings, ledger: [], ratings: [] }, spreads === null ? {} : { spreads })
  return reason(input).complaints.map(({ id, causes }) => ({
    complaintId: id,
    causes: causes.map(({ cause, side, probability, isRead }) => ({ cause, side, probability, isRead })),
  }))
}
