import { complaintTitle } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { causeOf } from './causeTable.ts'
import type { CauseKey } from './causeTable.ts'
import { causeWord, rankCauses } from './rank.ts'
import type { RankedCause } from './rank.ts'
import { visitModel } from './visitModel.ts'
import type { Spreads } from '../uncertainty/riderPlaces.ts'
import type { VisitState } from './visitModel.ts'

/** A cause as it was thought of at one time. */
export type Thought = Pick<RankedCause, 'cause' | 'side' | 'probability' | 'isRead' | 'found'>

/** What was thought of each complaint before anything was changed, or once a change had been rated and kept or undone. */
export interface Stage {
  /** null = the start */
  readonly changeId: string | null
  readonly complaints: readonly { readonly complaintId: string; readonly causes: readonly Thought[] }[]
}

/** What a trial changed in what is thought of one cause of a complaint. */
export interface Turn {
  readonly complaintId: string
  readonly title: string
  readonly cause: CauseKey
  /** "Saddle too high: was likely, now unlikely"; "… was likely, it was this" */
  readonly words: string
}

/** Trials that are looked back on, the last ones; a visit with more has its start and these. */
const MOST_STAGES = 6
/** Causes of a complaint that are worth a word. */
const MOST_CAUSES = 3

/**
 * What was thought at the start and after each trial, each by what had been read, changed and rated
 * by then.
 * @param spreads ± of the rider's numbers as they were last worked out; null = work them out for each stage
 */
export function thoughtsOver(visit: VisitState, spreads: Spreads | null): Stage[] {
  const tries = visit.ledger.flatMap((entry, place) => (entry.kind === 'try' ? [{ id: entry.id, place }] : []))
  const stages = tries.slice(-MOST_STAGES).map(({ id }) => {
    const next = tries[tries.findIndex((one) => one.id === id) + 1]
    return stageAt(visit, id, next?.place ?? visit.ledger.length, spreads)
  })
  return [stageAt(visit, null, 0, spreads), ...stages]
}

function stageAt(visit: VisitState, changeId: string | null, length: number, spreads: Spreads | null): Stage {
  const ledger = visit.ledger.slice(0, length)
  const known = new Set<string | null>([null, ...ledger.map(({ id }) => id)])
  const then: VisitState = {
    ...visit,
    ledger,
    readings: visit.readings.filter(({ after }) => known.has(after)),
    ratings: visit.ratings.filter((rating) => known.has(rating.changeId)),
  }
  const facts = visitModel(then, spreads === null ? {} : { spreads }).facts
  const thought = (complaint: Complaint) => ({
    complaintId: complaint.id,
    causes: rankCauses(facts, [complaint]).map(({ cause, side, probability, isRead, found }) => ({
      cause,
      side,
      probability,
      isRead,
      found,
    })),
  })
  return { changeId, complaints: visit.complaints.map(thought) }
}

/** "likely", or what was found, or that nothing was read yet. */
export function thoughtWords(thought: Pick<Thought, 'probability' | 'isRead' | 'found'> | undefined): string {
  return thought === undefined ? 'not thought of' : causeWord(thought)
}

/** What each trial turned: causes of a complaint, the likeliest before or after it, whose word became another. */
export function turnsOf(stages: readonly Stage[], complaints: readonly Complaint[]): ReadonlyMap<string, readonly Turn[]> {
  const turns = new Map<string, readonly Turn[]>()
  stages.forEach(({ changeId, complaints: now }, i) => {
    const before = stages[i - 1]
    if (changeId === null || before === undefined) return
    const found = now.flatMap(({ complaintId, causes }): Turn[] => {
      const complaint = complaints.find(({ id }) => id === complaintId)
      const were = before.complaints.find((one) => one.complaintId === complaintId)?.causes ?? []
      if (complaint === undefined) return []
      const told = [...new Set([...were.slice(0, MOST_CAUSES), ...causes.slice(0, MOST_CAUSES)].map(({ cause }) => cause))]
      return told.flatMap((cause): Turn[] => {
        const [before, after] = [were, causes].map((list) => list.find((row) => row.cause === cause))
        const [was, is] = [before, after].map(thoughtWords)
        const turned = after?.found ? is : `now ${is}`
        return was === is
          ? []
          : [{ complaintId, title: complaintTitle(complaint), cause, words: `${causeOf(cause).label}: was ${was}, ${turned}` }]
      })
    })
    turns.set(changeId, found)
  })
  return turns
}
