import { joined, msg } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import { MATTERS } from '../ledger/outcome.ts'
import { midSentence } from '../kernel/words.ts'
import type { FirstMove } from '../reason/firstMove.ts'
import { complaintTitle } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { rideSituations } from '../talk/regions.ts'

/** A step of the next trial, in the order it is done. */
export interface TrialStep {
  readonly key: 'before' | 'set' | 'ride' | 'after' | 'decide'
  readonly title: Message
  readonly says: Message
}

/** Longer than this nobody pedals at the stand for one change, min. @source common-practice */
export const LONGEST_AT_STAND = 30

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' })

/**
 * The next trial step by step: what is rated, set, ridden, rated again, and when it is kept.
 * @param severities as they stand now, by complaint; what is left out was not rated
 * @source common-practice
 */
export function trialPlan(
  move: Pick<FirstMove, 'words' | 'cautions' | 'effects'>,
  complaints: readonly Complaint[],
  severities: ReadonlyMap<string, number | null>,
): TrialStep[] {
  const eased = move.effects.filter(({ words }) => words !== 'no change' && words !== 'watch')
  const about = complaints.find(({ id }) => eased.some(({ complaintId }) => complaintId === id)) ?? complaints[0]
  const rated = complaints.map((complaint) => `${midSentence(complaintTitle(complaint))} ${severities.get(complaint.id) ?? 'not rated'}`)
  const what = eased.map(({ title }) => midSentence(title)).join('; ')
  return [
    { key: 'before', title: 'Rate before', says: `Now: ${list.format(rated)}.` },
    { key: 'set', title: 'Set it', says: joined([msg`${move.words}.`, ...move.cautions]) },
    { key: 'ride', title: 'Ride', says: about === undefined ? 'At several efforts.' : loadWords(about) },
    { key: 'after', title: 'Rate again', says: 'The rider says the number before seeing the old one.' },
    {
      key: 'decide',
      title: 'Keep or undo',
      says: `Keep it if the rating${what === '' ? '' : ` (${what})`} falls by ${MATTERS.points} points or ${100 * MATTERS.share} %, and none rises by as much. If not, undo it.`,
    },
  ]
}

/** What to ride, and for how long, so that the complaint would come. */
function loadWords({ situation, startsAfter }: Complaint): string {
  const where = situation === 'anywhere' ? 'as usual' : midSentence(rideSituations[situation])
  if (startsAfter !== null && startsAfter > LONGEST_AT_STAND)
    return `At the stand for the feel, then a ride of more than ${startsAfter} minutes, ${where}: it starts only then.`
  const after = startsAfter === null ? '' : ` (after ${startsAfter} min)`
  return `Easy for five minutes, then ${where}, at several efforts, until it would have come${after}.`
}
