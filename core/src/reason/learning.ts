import { joined, msg } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import type { Change } from '../ledger/fold.ts'
import { changeWords } from '../ledger/moveWords.ts'
import { outcomesOf, resultOf } from '../ledger/outcome.ts'
import type { Told, TrialResult } from '../ledger/outcome.ts'
import { capOf } from '../ledger/pace.ts'
import type { Side } from '../kernel/sided.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import type { Complaint } from '../talk/complaint.ts'
import { helpedWords, triedWords } from '../talk/history.ts'
import { midSentence } from '../kernel/words.ts'
import { causeOf } from './causeTable.ts'
import type { CauseKey, RemedyMove } from './causeTable.ts'

/** What a trial of the whole remedy moves the log odds by. @source prior */
export const trialWeights = { relieved: Math.log(3), unchanged: -Math.log(2.5), worse: -Math.log(4) } as const satisfies Readonly<
  Record<TrialResult, number>
>
/** What the rider tried without a fitter weighs this much of a trial. @source prior */
export const TOLD_SHARE = 0.5
/** A full step takes this share of a cause away where nothing read tells how far there is to go. @source prior */
export const UNREAD_WORKS = 0.35

/** One thing that was tried, as it speaks for or against a cause. */
export interface Learned {
  readonly moves: number
  readonly words: Message
  /** what stands has eased it: to half or less of every complaint, or in part */
  readonly found: TrialFound | null
}
export type TrialFound = 'it' | 'part'

/** The move that answers a cause on this bar. */
export function moveFor(cause: CauseKey, bar: BarKind): RemedyMove | null {
  const { move, dropMove } = causeOf(cause).remedy
  return (bar === 'drop' ? dropMove : undefined) ?? move ?? null
}

/** By how far a change moved the setting that answers a cause, the way that answers it; 0 where it did not. */
function movedBy(change: Change, move: RemedyMove | null, sides: readonly Side[]): number {
  const answering = change.moves.filter(
    ({ role, setting, side, by }) =>
      role === 'chosen' && setting === move?.setting && Math.sign(by) === move.way && (side === 'both' || sides.includes(side)),
  )
  return Math.max(0, ...answering.map(({ by }) => Math.abs(by)))
}

/**
 * Share of a cause that changes took away together: by how far they moved the setting that answers it,
 * over that and what is still asked for; an exchange of the part that answers it takes all of it.
 * @param steps one after the other, and undone or not all alike
 * @param rest of the setting, still to go; null = not known
 */
export function shareTaken(steps: readonly Change[], cause: CauseKey, sides: readonly Side[], bar: BarKind, rest: number | null): number {
  const { remedy } = causeOf(cause)
  const move = moveFor(cause, bar)
  const by = steps.reduce((sum, change) => sum + movedBy(change, move, sides), 0)
  const [first] = steps
  if (move === null || first === undefined || by === 0)
    return steps.some(({ exchanges }) => exchanges.some(({ slot, role }) => role === 'chosen' && slot === remedy.slot)) ? 1 : 0
  const isUndone = first.state === 'undone'
  // Where nothing tells how far to go, or that it was far enough, a full step is taken for a part of the way.
  if (rest === null || (isUndone && rest <= 0)) return Math.min(1, (UNREAD_WORKS * by) / capOf(move.setting, first.pace))
  return by / (by + Math.max(0, isUndone ? rest - by : rest))
}

/** Changes that answer a cause: steps the same way that stand are one trial together, what was undone is one by itself. */
function trialsOf(cause: CauseKey, sides: readonly Side[], changes: readonly Change[], bar: BarKind): Change[][] {
  const move = moveFor(cause, bar)
  const answering = changes.filter((change) => shareTaken([change], cause, sides, bar, null) > 0)
  const isStep = (change: Change) => change.state !== 'undone' && movedBy(change, move, sides) > 0
  const standing = answering.filter(isStep)
  return [...(standing.length > 0 ? [standing] : []), ...answering.filter((change) => !isStep(change)).map((change) => [change])]
}

/** Whether steps of this visit that answer a cause stand: then its plan is under way, and later steps are no guess. */
export function isUnderWay(cause: CauseKey, sides: readonly Side[], changes: readonly Change[], bar: BarKind): boolean {
  const move = moveFor(cause, bar)
  return changes.some((change) => change.state !== 'undone' && movedBy(change, move, sides) > 0)
}

/** What the trials of this visit say of a cause, for the complaints it could explain. */
export function fromTrials(
  cause: CauseKey,
  sides: readonly Side[],
  explains: readonly Complaint[],
  told: Told,
  bar: BarKind,
  rest: number | null,
): Learned[] {
  return trialsOf(cause, sides, told.changes, bar).flatMap((steps): Learned[] => {
    const share = shareTaken(steps, cause, sides, bar, rest)
    const rated = steps.map((change) => outcomesOf(change, told).filter(({ complaint }) => explains.some(({ id }) => id === complaint.id)))
    // From before the first step to after the last, complaint by complaint.
    const spans = explains.flatMap(({ id }) => {
      const mine = rated.flat().filter(({ complaint }) => complaint.id === id)
      const [first, last] = [mine[0], mine.at(-1)]
      return first === undefined || last === undefined ? [] : [{ before: first.before, after: last.after }]
    })
    const results = spans.map(({ before, after }) => resultOf(before, after))
    if (results.length === 0) return []
    const result = (['relieved', 'worse', 'unchanged'] as const).find((one) => results.includes(one)) ?? 'unchanged'
    const stands = result === 'relieved' && !results.includes('worse') && steps.every(({ state }) => state !== 'undone')
    const isHalved = spans.every(({ before, after }) => 2 * after <= before)
    const words = { relieved: 'eased it', unchanged: 'changed little', worse: 'made it worse' }[result]
    return [
      {
        moves: share * trialWeights[result],
        found: stands ? (isHalved ? 'it' : 'part') : null,
        words: msg`${joined(
          steps.map((change) => joined(changeWords(change), ', ')),
          ', then ',
        )} ${words}.`,
      },
    ]
  })
}

/** What the rider tried before coming. */
export function fromTold(cause: CauseKey, explains: readonly Complaint[]): Learned[] {
  const { tried } = causeOf(cause)
  if (tried === undefined) return []
  return explains.flatMap((complaint) =>
    complaint.tried.flatMap(({ what, helped }): Learned[] => {
      const words = `Tried before: ${midSentence(triedWords[what])}, ${helpedWords[helped]}.`
      const weight = helped === 'yes' ? trialWeights.relieved : helped === 'no' ? trialWeights.unchanged : trialWeights.worse
      if (tried.same.includes(what)) return [{ moves: TOLD_SHARE * weight, words, found: null }]
      // What would make the cause worse tells by its opposite; no change tells nothing.
      if (!tried.opposite?.includes(what) || helped === 'no') return []
      return [{ moves: TOLD_SHARE * (helped === 'worse' ? trialWeights.relieved : trialWeights.unchanged), words, found: null }]
    }),
  )
}
