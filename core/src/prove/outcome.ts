import type { Change } from '../change/fold.ts'
import { isExchange } from '../change/moves.ts'
import type { Requested } from '../change/moves.ts'
import { midSentence } from '../quantity/words.ts'
import { changeWords } from '../change/moveWords.ts'
import { complaintTitle } from '../talk/complaint.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'
import { severityNow } from './severity.ts'

/** What became of a complaint under a change: rated again, against what it was before. */
export interface Outcome {
  readonly complaint: Complaint
  /** 0 to 10 */
  readonly before: number
  readonly after: number
  readonly word: 'better' | 'same' | 'worse'
}

/** What was told and rated in a visit. */
export interface Told {
  readonly complaints: readonly Complaint[]
  readonly ratings: readonly Rating[]
  /** of the ledger, in order */
  readonly changes: readonly Change[]
}

/** Every complaint that was rated under a change; those that were not are left out. */
export function outcomesOf(change: Pick<Change, 'id'>, { complaints, ratings, changes }: Told): Outcome[] {
  const place = changes.findIndex((other) => other.id === change.id)
  const earlier = changes.slice(0, place < 0 ? changes.length : place)
  return complaints.flatMap((complaint): Outcome[] => {
    const rating = ratings.find((row) => row.changeId === change.id && row.complaintId === complaint.id)
    if (rating === undefined) return []
    const [before, after] = [severityNow(complaint, ratings, earlier), rating.severity]
    return [{ complaint, before, after, word: after > before ? 'worse' : after < before ? 'better' : 'same' }]
  })
}

/** "Outer knee, right is worse: 6 → 8"; empty where nothing is. */
export function worseWords(outcomes: readonly Outcome[]): string {
  return outcomes
    .filter(({ word }) => word === 'worse')
    .map(({ complaint, before, after }) => `${complaintTitle(complaint)} is worse: ${before} → ${after}`)
    .join('; ')
}

/**
 * Whether a change has failed: something got worse under it and nothing better, or it was undone after
 * nothing had got better.
 */
export function hasFailed(change: Change, told: Told): boolean {
  const words = outcomesOf(change, told).map(({ word }) => word)
  if (words.length === 0 || words.includes('better')) return false
  return words.includes('worse') || change.state === 'undone'
}

/**
 * The failed change that a request would repeat: every part of it the same setting and side the same
 * way, or the same part. What failed is not offered again; a fitter may still ask for it by hand.
 */
export function failedBefore(requested: readonly Requested[], told: Told): Change | null {
  const isIn = (change: Change) => (one: Requested) =>
    isExchange(one)
      ? change.exchanges.some(({ slot, to, role }) => role === 'chosen' && slot === one.slot && to.name === one.to.name)
      : change.moves.some(
          ({ setting, side, by, role }) =>
            role === 'chosen' && setting === one.setting && side === one.side && Math.sign(by) === Math.sign(one.by),
        )
  if (requested.length === 0) return null
  return told.changes.findLast((change) => change.state !== 'trying' && hasFailed(change, told) && requested.every(isIn(change))) ?? null
}

/** "Not offered again: saddle back 5 was tried. Outer knee, right is worse: 6 → 8." */
export function failedWords(change: Change, told: Told): string {
  const worse = worseWords(outcomesOf(change, told))
  return `Not offered again: ${midSentence(changeWords(change).join(', '))} was tried. ${worse === '' ? 'Nothing got better' : worse}.`
}
