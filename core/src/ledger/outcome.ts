import { isKeyOf } from '../kernel/tables.ts'
import type { Message } from '../kernel/message.ts'
import { insideSentence, joined, msg } from '../kernel/message.ts'
import type { Change } from './fold.ts'
import { isExchange } from './moves.ts'
import type { Requested, RequestedMove } from './moves.ts'
import type { Exchange, Part } from './parts.ts'
import { changeWords } from './moveWords.ts'
import { complaintTitle } from '../talk/complaint.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'
import { itemAt } from '../kernel/dense.ts'

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
export function outcomesOf(change: Pick<Change, 'id'>, told: Told): Outcome[] {
  return allOutcomes(told).get(change.id) ?? []
}

/**
 * What became of the complaints under every change, by its id: each rating against the last one given
 * under an earlier change still in force. One pass over changes and ratings, however long the record.
 */
export function allOutcomes({ complaints, ratings, changes }: Told): Map<string, Outcome[]> {
  const given = new Map<string, Map<string, number>>()
  for (const { changeId, complaintId, severity } of ratings) {
    const rated = given.get(changeId) ?? new Map<string, number>()
    given.set(changeId, rated.set(complaintId, severity))
  }
  const order = new Map(complaints.map((complaint, i) => [complaint.id, i]))
  const standing = new Map<string, number | null>(complaints.map(({ id, severity }) => [id, severity]))
  return new Map(
    changes.map(({ id, state }) => {
      const rated = [...(given.get(id) ?? [])].flatMap(([complaintId, after]) => {
        const place = order.get(complaintId)
        return place === undefined ? [] : [{ complaint: itemAt(complaints, place), after, place }]
      })
      const outcomes = rated
        .sort((a, b) => a.place - b.place)
        .flatMap(({ complaint, after }): Outcome[] => {
          const before = standing.get(complaint.id) ?? null
          if (before === null) return []
          return [{ complaint, before, after, word: wordOf[resultOf(before, after)] }]
        })
      if (state !== 'undone') for (const { complaint, after } of rated) standing.set(complaint.id, after)
      return [id, outcomes] as const
    }),
  )
}

/** A difference that matters, in a word: one point is within what riders vary. */
const wordOf = { relieved: 'better', unchanged: 'same', worse: 'worse' } as const satisfies Readonly<Record<TrialResult, Outcome['word']>>

/** "Outer knee, right is worse: 6 → 8"; empty where nothing is. */
export function worseWords(outcomes: readonly Outcome[]): string {
  return outcomes
    .filter(({ word }) => word === 'worse')
    .map(({ complaint, before, after }) => `${complaintTitle(complaint)} is worse: ${before} → ${after}`)
    .join('; ')
}

/** Why keeping a change is asked once more: something is worse, or all of it is rated and nothing better; empty where it is not. */
export function doubtWords(outcomes: readonly Outcome[], complaints: readonly Pick<Complaint, 'id'>[]): string {
  const worse = worseWords(outcomes)
  if (worse !== '' || outcomes.some(({ word }) => word === 'better')) return worse
  const isRated = outcomes.length > 0 && complaints.every(({ id }) => outcomes.some(({ complaint }) => complaint.id === id))
  return isRated ? 'Nothing got better by enough to matter' : ''
}

/**
 * A difference that matters on a scale from 0 to 10: two points, or three tenths of what it was. One
 * point is within what riders vary, whatever its share.
 * @source farrar
 */
export const MATTERS = { points: 2, share: 0.3, varies: 1 } as const

/** What came of a trial for one complaint, by differences that matter. */
export type TrialResult = 'relieved' | 'unchanged' | 'worse'
export function resultOf(before: number, after: number): TrialResult {
  const by = Math.abs(after - before)
  if (by <= MATTERS.varies || (by < MATTERS.points && by < MATTERS.share * before)) return 'unchanged'
  return after < before ? 'relieved' : 'worse'
}

/**
 * Whether a change has failed: something got worse under it by a difference that matters and nothing
 * better, or it was undone after nothing had got better by as much.
 */
export function hasFailed(change: Change, told: Told): boolean {
  const outcomes = outcomesOf(change, told)
  const results = outcomes.map(({ before, after }) => resultOf(before, after))
  if (results.length === 0 || results.includes('relieved')) return false
  return results.includes('worse') || change.state === 'undone'
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
        ) || change.exchanges.some((exchange) => exchange.role === 'chosen' && Math.sign(grownBy(exchange, one)) === Math.sign(one.by))
  if (requested.length === 0) return null
  return told.changes.findLast((change) => change.state !== 'trying' && hasFailed(change, told) && requested.every(isIn(change))) ?? null
}

/** By how much a part's size on a side is more than that of the part it took the place of; 0 where it is not told. */
function grownBy({ from, to }: Pick<Exchange, 'from' | 'to'>, { setting, side }: Pick<RequestedMove, 'setting' | 'side'>): number {
  const size = ({ properties }: Part): number => {
    const value = isKeyOf(properties, setting) ? properties[setting] : undefined
    return Number(typeof value === 'object' ? value[side === 'right' ? 'right' : 'left'] : value)
  }
  const by = size(to) - size(from)
  return Number.isFinite(by) ? by : 0
}

/** "Not offered again: saddle back 5 mm was tried. Outer knee, right is worse: 6 → 8." */
export function failedWords(change: Change, told: Told): Message {
  const worse = worseWords(outcomesOf(change, told))
  return msg`Not offered again: ${insideSentence(joined(changeWords(change), ', '))} was tried. ${worse === '' ? 'Nothing got better' : worse}.`
}
