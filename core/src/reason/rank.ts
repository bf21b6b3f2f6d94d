import { isOneOf } from '../kernel/tables.ts'
import { measuredValue } from '../readings/resolve.ts'
import type { Message } from '../kernel/message.ts'
import type { Told } from '../ledger/outcome.ts'
import { sides as bothOf } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { midSentence } from '../kernel/words.ts'
import { sidesOf } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { LIKELY, POSSIBLE, jointly, likelihoodOf, oddsOf, priorAt, probabilityOf } from './arithmetic.ts'
import { workStations } from '../kernel/stations.ts'
import { causeKeys, causeOf } from './causeTable.ts'
import type { CauseKey } from './causeTable.ts'
import type { Facts } from './context.ts'
import { numberAt, pastOf, testsOf, weigh } from './evidence.ts'
import type { Evidence, OpenTest } from './evidence.ts'
import { fromTold, fromTrials, moveFor } from './learning.ts'
import type { TrialFound, Learned } from './learning.ts'
import { modifierHolds, symptomsOf } from './matching.ts'
import { studioCount, withStudioCounts } from './studio.ts'
import { symptomOf } from './symptomTable.ts'

/** One line of the sum that makes a belief. */
export interface SumLine {
  readonly words: Message
  /** factor on the odds, as a log */
  readonly moves: number
}

/** A cause with how likely it is, and why. */
export interface RankedCause {
  readonly cause: CauseKey
  /** the side it lies on; null = one for the rider */
  readonly side: Side | 'both' | null
  readonly probability: number
  readonly prior: number
  readonly sum: readonly SumLine[]
  readonly said: readonly Evidence[]
  readonly open: readonly OpenTest[]
  /** trials and what was told of earlier ones */
  readonly learned: readonly Learned[]
  /** whether any test, or any trial, has something to go by */
  readonly isRead: boolean
  /** what a trial that stands has shown of it; null = nothing */
  readonly found: TrialFound | null
  /** what comes first, in words; null = nothing stands before it */
  readonly muted: string | null
  /** ids of the complaints it can explain */
  readonly explains: readonly string[]
  /** what the studio's own visits came to with it; null = nothing */
  readonly here: { readonly tried: number; readonly eased: number } | null
}

/** Odds before anything was read are moved by no more than this, up or down. @source prior */
const MOST_MODIFIED = Math.log(2)
/** Two sides this near to each other are one cause on both. @source prior */
const ALIKE = 0.2

/** What is asked of a cause: on which sides, and by which complaints. */
interface Asked {
  readonly cause: CauseKey
  readonly sides: readonly Side[]
  readonly side: Side | null
  readonly priors: readonly number[]
  readonly explains: readonly Complaint[]
  readonly modified: readonly SumLine[]
  readonly tried: number
  readonly eased: number
}

/** Everything the complaints ask for, each cause once for each side it has. */
function askedBy(facts: Facts, complaints: readonly Complaint[]): Asked[] {
  const { riding, studio } = facts.input
  const { bar } = facts.setup.rider
  const asked = new Map<string, Asked>()
  for (const complaint of complaints) {
    for (const symptom of symptomsOf(complaint)) {
      const { causes: listed, modifiers } = symptomOf(symptom)
      listed.forEach((cause, rank) => {
        const row = causeOf(cause)
        if (row.bar !== undefined && row.bar !== bar) return
        if (row.needs !== undefined && measuredValue(facts.setup.now, row.needs) === 0) return
        const count = studioCount(studio, symptom, cause)
        const holding = (modifiers ?? []).filter((one) => one.cause === cause && modifierHolds(one, complaint, riding))
        const factor = holding.reduce((sum, one) => sum + Math.log(one.factor), 0)
        const held = Math.max(-MOST_MODIFIED, Math.min(MOST_MODIFIED, factor))
        const prior = probabilityOf(oddsOf(withStudioCounts(priorAt(rank), count)) * Math.exp(held))
        const on = sidesOf(complaint)
        for (const side of row.sided ? on : [null]) {
          const key = `${cause}:${side ?? 'both'}`
          const before = asked.get(key)
          asked.set(key, {
            cause,
            side,
            sides: side === null ? [...new Set([...(before?.sides ?? []), ...on])] : [side],
            priors: [...(before?.priors ?? []), prior],
            explains: [...new Set([...(before?.explains ?? []), complaint])],
            modified: [...(before?.modified ?? []), ...holding.map(({ says, factor: by }) => ({ words: says, moves: Math.log(by) }))],
            tried: (before?.tried ?? 0) + (count?.tried ?? 0),
            eased: (before?.eased ?? 0) + (count?.eased ?? 0),
          })
        }
      })
    }
  }
  return [...asked.values()]
}

/** How much of a cause's setting is still to go, in its unit; null where its number is not known. */
export function stillToGo(facts: Facts, cause: CauseKey, sides: readonly Side[]): number | null {
  const move = moveFor(cause, facts.setup.rider.bar)
  if (move === null) return null
  const row = testsOf(cause).find((test) => 'of' in test && test.of === move.number)
  if (row === undefined || !('of' in row)) return null
  const past = sides.flatMap((side) => {
    const found = numberAt(facts, move.number, side)
    const line = found && pastOf(row, found)
    if (found === null || line === null) return []
    // Where the number has an aim of its own, all the way to it; else past its line by what the remedy says.
    if (found.aim === null) return [line / move.perUnit + (move.beyond ?? 0)]
    const toAim = row.past === 'high' ? found.value - found.aim : found.aim - found.value
    return [toAim / move.perUnit]
  })
  return past.length === 0 ? null : Math.max(...past)
}

/**
 * Causes of the complaints, likeliest first. Causes are taken as independent: several may be true. The
 * prior of a cause that several complaints point at is that at least one is right; evidence counts once.
 * @param facts at which setup
 */
export function rankCauses(facts: Facts, complaints: readonly Complaint[]): RankedCause[] {
  const told: Told = { complaints: facts.input.complaints, ratings: facts.input.ratings, changes: facts.input.changes }
  const single = askedBy(facts, complaints).map((asked): RankedCause => {
    const { cause, side, sides, explains, modified } = asked
    const prior = jointly(asked.priors)
    const { said, open, moves } = weigh(facts, cause, sides, explains)
    const rest = stillToGo(facts, cause, sides)
    const learned = [...fromTrials(cause, sides, explains, told, facts.setup.rider.bar, rest), ...fromTold(cause, explains)]
    const lessons = learned.reduce((sum, one) => sum + one.moves, 0)
    return {
      cause,
      side,
      probability: probabilityOf(oddsOf(prior) * Math.exp(moves + lessons)),
      prior,
      sum: [...modified, ...said.map(({ words, moves: by }) => ({ words, moves: by })), ...learned],
      said,
      open,
      learned,
      isRead: said.length > 0 || learned.length > 0,
      found: learned.find(({ found }) => found !== null)?.found ?? null,
      muted: null,
      explains: explains.map(({ id }) => id),
      here: asked.tried > 0 ? { tried: asked.tried, eased: asked.eased } : null,
    }
  })
  const merged = causeKeys.flatMap((cause) => mergedSides(single.filter((row) => row.cause === cause)))
  const sorted = merged.sort((a, b) => b.probability - a.probability || causeKeys.indexOf(a.cause) - causeKeys.indexOf(b.cause))
  return sorted.map((row) => ({ ...row, muted: mutedBy(facts, row, sorted) }))
}

/** Left and right of one cause as one row: of both where they are alike, else of the likelier side. */
function mergedSides(rows: readonly RankedCause[]): RankedCause[] {
  const [first, second] = [...rows].sort((a, b) => b.probability - a.probability)
  if (first === undefined) return []
  if (second === undefined) return [first]
  const alike = first.probability - second.probability < ALIKE
  const explains = [...new Set([...first.explains, ...second.explains])]
  const open = [...first.open, ...second.open.filter((test) => !first.open.some(({ of }) => of === test.of))].map((test) => ({
    ...test,
    missing: [...first.open, ...second.open].filter(({ of }) => of === test.of).flatMap(({ missing }) => missing),
  }))
  return [{ ...first, found: first.found ?? second.found, side: alike ? 'both' : first.side, explains, open }]
}

/** What is settled before a cause, whatever its own complaint: the pelvis comes before the cleat. */
function settledBefore(facts: Facts, cause: CauseKey): CauseKey | null {
  const found = (causeOf(cause).mutedBy ?? []).find(
    (key): key is CauseKey =>
      isOneOf(causeKeys, key) && weigh(facts, key, bothOf).said.some(({ speaks, strength }) => speaks === 'for' && strength === 'strong'),
  )
  return found ?? null
}

/**
 * The cause that is dealt with in the place of a muted one, for the same complaints; no complaint need name it.
 * @returns null where nothing of that kind stands before it
 */
export function insteadOf(facts: Facts, row: RankedCause): RankedCause | null {
  const cause = settledBefore(facts, row.cause)
  if (cause === null) return null
  const { said, open, moves } = weigh(facts, cause, bothOf)
  return {
    ...row,
    cause,
    side: null,
    prior: UNTOLD,
    probability: probabilityOf(oddsOf(UNTOLD) * Math.exp(moves)),
    sum: said.map(({ words, moves: by }) => ({ words, moves: by })),
    said,
    open,
    learned: [],
    isRead: true,
    found: null,
    muted: null,
    here: null,
  }
}

/** What must be settled before a cause, in words; null = nothing. */
function mutedBy(facts: Facts, row: RankedCause, ranked: readonly RankedCause[]): string | null {
  const { station } = causeOf(row.cause)
  const first = (key: CauseKey) => `First: ${midSentence(causeOf(key).label)}.`
  const crooked = settledBefore(facts, row.cause)
  if (crooked !== null) return `${first(crooked)} A cleat set for a crooked pelvis is right for neither.`
  if (station !== 'hands') return null
  const upstream = ranked.find(
    (other) =>
      workStations.indexOf(causeOf(other.cause).station) < workStations.indexOf('hands') &&
      other.isRead &&
      other.probability >= LIKELY &&
      other.explains.some((id) => row.explains.includes(id)),
  )
  return upstream === undefined ? null : `${first(upstream.cause)} The hands come after feet and seat.`
}

const foundWords: Readonly<Record<TrialFound, string>> = { it: 'it was this', part: 'part of it' }

/** How likely a cause is, in a word: "likely"; or what was found once it was tried; or that nothing was read yet. */
export function causeWord({ found, isRead, probability }: Pick<RankedCause, 'found' | 'isRead' | 'probability'>): string {
  if (found !== null) return foundWords[found]
  return isRead ? likelihoodOf(probability).words : 'nothing read yet'
}

/** Belief in a cause that no complaint points at, before anything is read. @source prior */
export const UNTOLD = 0.1

/** What is left over for what no contact point causes. */
export function leftOver(ranked: readonly Pick<RankedCause, 'probability'>[]): number {
  return ranked.reduce((rest, { probability }) => rest * (1 - probability), 1)
}

/** Whether a cause is likely enough to act on, and nothing stands before it. */
export function isOpenToAct({ probability, muted }: Pick<RankedCause, 'probability' | 'muted'>): boolean {
  return muted === null && probability >= POSSIBLE
}
