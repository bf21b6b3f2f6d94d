import type { CalibratedBody } from '@level-stance/core/change/calibrated'
import { thoughtsOver } from '@level-stance/core/reason/history'
import type { Stage } from '@level-stance/core/reason/history'
import { reason } from '@level-stance/core/reason/reason'
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
  /** whether what was thought after each trial is shown */
  readonly looksBack: boolean
}
export interface ReasonAnswer {
  readonly id: number
  readonly reasoning: Reasoning
  /** what was thought at the start and after each trial; empty where nobody looks at it, and while nothing was changed */
  readonly stages: readonly Stage[]
}

/** The worker's whole work, apart from the mailbox. The search for the body starts where it ended a question ago. */
export function reasonWorker(): (question: ReasonQuestion) => ReasonAnswer {
  let before: CalibratedBody | undefined
  return ({ id, visit, spreads, focus, unit, looksBack }) => {
    const { input, body } = reasonInputOf(visit, spreads === null ? { before } : { before, spreads })
    before = body
    return { id, reasoning: reason(input, focus, unit), stages: looksBack && visit.ledger.length > 0 ? thoughtsOver(visit, spreads) : [] }
  }
}
