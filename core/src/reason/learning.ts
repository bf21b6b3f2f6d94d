import type { Change } from '../change/fold.ts'
import { changeWords } from '../change/moveWords.ts'
import { outcomesOf, resultOf } from '../change/outcome.ts'
import type { Told, TrialResult } from '../change/outcome.ts'
import { capOf } from '../change/settings.ts'
import type { Side } from '../quantity/sided.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import type { Complaint } from '../talk/complaint.ts'
import { helpedWords, triedWords } from '../talk/history.ts'
import { midSentence } from '../quantity/words.ts'
import { causeOf } from './causeTable.ts'
import type { CauseKey, RemedyMove } from './causeTable.ts'

/** What a trial of the whole remedy moves the log odds by. @source prior */
export const trialWeights = { relieved: Math.log(3), unchanged: -Math.log(2.5), worse: -Math.log(4) } as const satisfies Readonly<
  Record<TrialResult, number>
>
/** What the rider tried without a fitter weighs this much of a trial. @source prior */
export const TOLD_SHARE = 0.5

/** One thing that was tried, as it speaks for or against a cause. */
export interface Learned {
  readonly moves: number
  readonly words: string
}

/** The move that answers a cause on this bar. */
export function moveFor(cause: CauseKey, bar: BarKind): RemedyMove | null {
  const { move, dropMove } = causeOf(cause).remedy
  return (bar === 'drop' ? dropMove : undefined) ?? move ?? null
}

/**
 * Share of a cause that a change took away: by how far it moved the setting that answers it, over that
 * and what is still asked for.
 * @param rest of the setting, still to go; null = not known
 */
export function shareTaken(change: Change, cause: CauseKey, sides: readonly Side[], bar: BarKind, rest: number | null): number {
  const { remedy } = causeOf(cause)
  const move = moveFor(cause, bar)
  const exchanged = change.exchanges.some(({ slot, role }) => role === 'chosen' && slot === remedy.slot)
  const moved = move
    ? change.moves.filter(
        (one) =>
          one.role === 'chosen' &&
          one.setting === move.setting &&
          Math.sign(one.by) === move.way &&
          (one.side === 'both' || sides.includes(one.side)),
      )
    : []
  const by = Math.max(0, ...moved.map((one) => Math.abs(one.by)))
  if (move && by > 0) {
    const whole = rest === null ? capOf(move.setting, change.pace) : by + Math.max(0, change.state === 'undone' ? rest - by : rest)
    return Math.min(1, by / whole)
  }
  return exchanged ? 1 : 0
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
  return told.changes.flatMap((change): Learned[] => {
    const share = shareTaken(change, cause, sides, bar, rest)
    if (share <= 0) return []
    const outcomes = outcomesOf(change, told).filter(({ complaint }) => explains.some(({ id }) => id === complaint.id))
    if (outcomes.length === 0) return []
    const results = outcomes.map(({ before, after }) => resultOf(before, after))
    const result = (['relieved', 'worse', 'unchanged'] as const).find((one) => results.includes(one)) ?? 'unchanged'
    const words = { relieved: 'eased it', unchanged: 'changed little', worse: 'made it worse' }[result]
    return [{ moves: share * trialWeights[result], words: `${changeWords(change).join(', ')} ${words}.` }]
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
      if (tried.same.includes(what)) return [{ moves: TOLD_SHARE * weight, words }]
      // What would make the cause worse tells by its opposite; no change tells nothing.
      if (!tried.opposite?.includes(what) || helped === 'no') return []
      return [{ moves: TOLD_SHARE * (helped === 'worse' ? trialWeights.relieved : trialWeights.unchanged), words }]
    }),
  )
}
