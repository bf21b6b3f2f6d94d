import { severityNow } from '../ledger/severity.ts'
import { complaintTitle, isTold, positiveWarnings } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { factsAt } from './context.ts'
import type { ReasonInput } from './context.ts'
import { firstMoves, hasToAsk } from './firstMove.ts'
import type { FirstMove } from './firstMove.ts'
import { nearestSymptoms, symptomsOf } from './matching.ts'
import { nextReadings, shortList, weightOf } from './nextReading.ts'
import type { NextReading } from './nextReading.ts'
import { leftOver, rankCauses } from './rank.ts'
import type { RankedCause } from './rank.ts'
import { symptomOf, whyOf } from './symptomTable.ts'
import type { SymptomKey } from './symptomTable.ts'

/** What is thought of one complaint, or of several together. */
export interface CauseAnalysis {
  /** likeliest first */
  readonly causes: readonly RankedCause[]
  /** share left over for what no contact point causes, 0 to 1 */
  readonly leftOver: number
  /** what to read next, the most worth first */
  readonly next: readonly NextReading[]
  /** readings that could still change which cause comes first; empty = enough is read */
  readonly short: readonly NextReading[]
  /** what to try first, best first */
  readonly moves: readonly FirstMove[]
}

/** One complaint with what is thought of it. */
export interface ReasonedComplaint {
  readonly id: string
  readonly title: string
  /** "Why do the forearms tire?" */
  readonly why: string
  readonly symptoms: readonly SymptomKey[]
  /** symptoms next to it, where none fits */
  readonly nearest: readonly SymptomKey[]
  /** what to look at that no setting answers */
  readonly look: readonly string[]
  /** kind and severity are told */
  readonly isTold: boolean
  readonly causes: readonly RankedCause[]
  readonly leftOver: number
}

/** Everything the reasoner says of a visit. */
export interface Reasoning {
  readonly complaints: readonly ReasonedComplaint[]
  /** a warning sign is positive: nothing is offered */
  readonly isStopped: boolean
  /** warning signs are still to be asked */
  readonly hasToAsk: boolean
  /** id of the complaint in the middle; null = all together */
  readonly focus: string | null
  readonly reasoned: CauseAnalysis
}

/**
 * Ranks the causes of what was told, asks for the reading that would decide most, and offers what to
 * try first. It orders a fitter's search; it does not diagnose.
 * @param focus one complaint's id, or null for all together
 */
export function reason(input: ReasonInput, focus: string | null = null): Reasoning {
  const facts = factsAt(input)
  const { complaints } = input
  const each = complaints.map((complaint): ReasonedComplaint => {
    const causes = rankCauses(facts, [complaint])
    const symptoms = symptomsOf(complaint)
    const rows = symptoms.map(symptomOf)
    return {
      id: complaint.id,
      title: complaintTitle(complaint),
      why: rows[0] ? whyOf(rows[0], complaint) : 'What could this be?',
      symptoms,
      nearest: symptoms.length === 0 ? nearestSymptoms(complaint) : [],
      look: rows.flatMap(({ look }) => look ?? []),
      isTold: isTold(complaint),
      causes,
      leftOver: leftOver(causes),
    }
  })
  const chosen = complaints.filter(({ id }) => focus === null || id === focus)
  const asked = chosen.length > 0 ? chosen : complaints
  const only = asked.length === 1 ? each.find(({ id }) => id === asked[0]?.id) : undefined
  const causes = only?.causes ?? rankCauses(facts, asked)
  const weights = new Map(complaints.map((complaint) => [complaint.id, weightOf(complaint, nowOf(input, complaint))]))
  const weight = (id: string) => weights.get(id) ?? 0.5
  const next = nextReadings(causes, weight)
  return {
    complaints: each,
    isStopped: positiveWarnings(complaints).length > 0,
    hasToAsk: hasToAsk(asked),
    focus: asked === chosen ? focus : null,
    reasoned: {
      causes,
      leftOver: meanOf(each.filter(({ id }) => asked.some((one) => one.id === id)).map((one) => one.leftOver)),
      next,
      short: shortList(next),
      moves: firstMoves(facts, asked, causes, weight),
    },
  }
}

/** What is left over for something else, of several complaints: of each by itself, in the mean; all of it where nothing was told. */
function meanOf(shares: readonly number[]): number {
  return shares.length === 0 ? 1 : shares.reduce((sum, share) => sum + share, 0) / shares.length
}

const nowOf = ({ ratings, changes }: ReasonInput, complaint: Complaint) => severityNow(complaint, ratings, changes)
