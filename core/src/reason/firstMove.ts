import { joined } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import { knockOn, defaultHolds } from '../knockOn/knockOn.ts'
import { failedBefore } from '../ledger/outcome.ts'
import type { Told } from '../ledger/outcome.ts'
import { cautionsFor } from '../ledger/cautions.ts'
import type { KnockOn } from '../knockOn/knockOnResult.ts'
import { isExchange, movesAsked, movesOf, withMoves } from '../ledger/moves.ts'
import type { Requested, RequestedMove } from '../ledger/moves.ts'
import { changeWords } from '../ledger/moveWords.ts'
import { settingOf } from '../ledger/settings.ts'
import { settled, standingOf } from '../rider/setup.ts'
import type { Setup } from '../rider/setup.ts'
import { withFree } from '../body/calibration.ts'
import { buildModel } from '../model/riderModel.ts'
import { sides as bothSides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { complaintTitle, isTold, positiveWarnings, unansweredWarnings } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { LIKELY, POSSIBLE, oddsOf, probabilityOf } from './arithmetic.ts'
import { workStations } from '../kernel/stations.ts'
import { causeKeys, causeOf } from './causeTable.ts'
import type { CauseKey, Remedy } from './causeTable.ts'
import { factsAt } from './context.ts'
import type { Facts } from './context.ts'
import { numberAt, numberTests, pastOf, weigh } from './evidence.ts'
import { numberRow } from './numbers.ts'
import type { NumberName } from './numbers.ts'
import { UNREAD_WORKS, isUnderWay } from './learning.ts'
import { UNTOLD, insteadOf, isOpenToAct, stillToGo } from './rank.ts'
import type { RankedCause } from './rank.ts'
import { remedyMoves } from './remedyMoves.ts'

/** What a move is expected to do for a complaint. */
export interface Effect {
  readonly complaintId: string
  readonly title: string
  readonly words: 'much better' | 'better' | 'somewhat better' | 'no change' | 'watch'
  /** fall of the belief in its causes, 0 to 1; minus is a rise */
  readonly eases: number
}

/** A change to try first. */
export interface FirstMove {
  readonly cause: CauseKey
  readonly side: RankedCause['side']
  /** "Saddle down 5", or what part to look for */
  readonly words: Message
  /** what is asked for on the move card, whole; empty where it is a part to look for, or an advice */
  readonly requested: readonly Requested[]
  /** why, for the record */
  readonly reason: Message
  readonly effects: readonly Effect[]
  /** what it would make likelier that nobody has told of */
  readonly harms: readonly { readonly cause: CauseKey; readonly rises: number }[]
  readonly minutes: number
  readonly part: string | null
  readonly says: Message
  readonly cautions: readonly Message[]
  /** nothing can be read that would speak for it: one smallest step that promises nothing */
  readonly isGuess: boolean
  readonly score: number
}

/** Of what a first step leaves, later steps take this share: a cap is no reason to do something else first. @source prior */
const LATER_STEPS = 0.6
/** A part or an advice takes this share of its cause away, where nothing can be computed. @source prior */
const PART_WORKS = 0.75
/** What a minute, a part, and a step upstream weigh against relief. @source prior */
const costs = { minute: 0.006, part: 0.08, station: 0.004 } as const
/** A rise of a belief smaller than this is no harm. @source prior */
const NO_HARM = 0.05
/** Severity of what nobody has told of. @source prior */
const UNTOLD_WEIGHT = 0.3

/** Measured numbers that a change takes out of their band: in it before, past a line of the tests after. */
export function takenOut(before: Facts, after: Facts): NumberName[] {
  const out = numberTests
    .filter((row) => numberRow(row.of).compares === undefined)
    .filter((row) =>
      bothSides.some((side) => {
        const [was, is] = [numberAt(before, row.of, side), numberAt(after, row.of, side)]
        const [inside, outside] = [was && pastOf(row, was), is && pastOf(row, is)]
        return was?.isRead === true && inside !== null && outside !== null && inside <= EDGE && outside > EDGE
      }),
    )
  return [...new Set(out.map(({ of }) => of))]
}

/** Log odds from which something read speaks for a cause at all: on its line a number says nothing. @source prior */
const SPEAKS = 0.02
/** A number this little past a line is on it: what a hand sets is rounded. */
const EDGE = 0.05

/** A change of the request, or of as much of it as leaves every measured number in its band; null where nothing of it does. */
function keptInBand(facts: Facts, requested: readonly Requested[]): Stepped | null {
  for (const share of [1, 0.75, 0.5, 0.25]) {
    const moves = requested.map((one) => (isExchange(one) ? one : { ...one, by: shareOf(one, share) }))
    const change = knockOn(standingOf(facts.setup), moves, defaultHolds(moves), 'step', facts.input.pace)
    if (change.moves.length + change.exchanges.length === 0) return null
    const after = factsAt(facts.input, setupAfter(facts.setup, change))
    if (takenOut(facts, after).length === 0) return { requested: moves, change, after }
  }
  return null
}
interface Stepped {
  readonly requested: readonly Requested[]
  readonly change: KnockOn
  readonly after: Facts
}
function shareOf({ setting, by }: RequestedMove, share: number): number {
  const { resolution } = settingOf(setting)
  return share === 1
    ? by
    : Math.sign(by) * Math.min(Math.abs(by), Math.max(resolution, Math.floor((share * Math.abs(by)) / resolution) * resolution))
}

/** The setup a change would lead to: nothing read after it, the body as it is. */
export function setupAfter(setup: Setup, change: Pick<KnockOn, 'moves' | 'exchanges'>): Setup {
  const moved: RequestedMove[] = change.moves.map(({ setting, side, by }) => ({ setting, side, by }))
  // Sizes of parts are written as exchanges; here they stand as the moves they are.
  const sizes = change.exchanges.flatMap(movesOf)
  const by = withMoves(setup.folded.by, [...moved, ...sizes])
  const built = buildModel(setup.rider.values, setup.rider.bar, by)
  return {
    ...setup,
    now: settled(setup.baseline, by),
    folded: { ...setup.folded, by },
    built,
    model: built.model && withFree(built.model, setup.rider.usual.values),
  }
}

interface Judge {
  readonly facts: Facts
  readonly complaints: readonly Complaint[]
  readonly ranked: readonly RankedCause[]
  readonly told: Told
  readonly weight: (complaintId: string) => number
  /** belief in every cause at the setup as it stands, told of or not */
  readonly now: ReadonlyMap<CauseKey, number>
}

/** Belief in every cause by its tests alone. */
function beliefs(facts: Facts, priors: ReadonlyMap<CauseKey, number>): Map<CauseKey, number> {
  return new Map(
    causeKeys.map((cause) => {
      const { moves } = weigh(facts, cause, bothSides)
      return [cause, probabilityOf(oddsOf(priors.get(cause) ?? UNTOLD) * Math.exp(moves))] as const
    }),
  )
}

/**
 * Changes to try first for the complaints, best first. Never past a positive warning sign, and never
 * for a cause that something stands before.
 * @param weight of a complaint, by its id
 */
export function firstMoves(
  facts: Facts,
  complaints: readonly Complaint[],
  ranked: readonly RankedCause[],
  weight: (complaintId: string) => number,
): FirstMove[] {
  const { input } = facts
  if (positiveWarnings(input.complaints).length > 0) return []
  const told: Told = { complaints: input.complaints, ratings: input.ratings, changes: input.changes }
  const ready = complaints.filter(isTold)
  const priors = new Map(ranked.map(({ cause, probability, said }) => [cause, priorBefore(probability, said)] as const))
  const judge: Judge = { facts, complaints: ready, ranked, told, weight, now: beliefs(facts, priors) }
  const candidates = ready.reduce<RankedCause[]>((found, { id }) => {
    const mine = ranked.filter((row) => row.muted === null && row.explains.includes(id) && !found.includes(row))
    // A plan that was begun is gone on with as long as its number asks for more.
    const begun = (row: RankedCause) =>
      isUnderWay(row.cause, rowSides(row), told.changes, facts.setup.rider.bar) && !isThere(facts, row.cause)
    const acting = [...mine.filter((row) => isOpenToAct(row) || begun(row)), ...instead(facts, ranked, id, [...found, ...mine])]
    // Where no cause is likely, the likeliest is still the one to try.
    const likeliest = mine[0] !== undefined && mine[0].probability >= LEAST_TRIED && !isThere(facts, mine[0].cause) ? [mine[0]] : []
    return [...found, ...(acting.length > 0 || found.some((row) => row.explains.includes(id)) ? acting.slice(0, MOST_WEIGHED) : likeliest)]
  }, [])
  return candidates
    .flatMap((row) => candidate(judge, priors, row) ?? [])
    .filter(({ isGuess, effects }) => isGuess || effects.some(({ eases }) => eases > 0))
    .sort((a, b) => b.score - a.score)
    .reduce(inOrder, [])
}

/** What stands before likely causes of a complaint that are muted: it is dealt with in their place. */
function instead(facts: Facts, ranked: readonly RankedCause[], id: string, there: readonly RankedCause[]): RankedCause[] {
  const muted = ranked.filter((row) => row.muted !== null && row.probability >= POSSIBLE && row.explains.includes(id))
  const first = muted.flatMap((row) => insteadOf(facts, row) ?? [])
  return first.filter(
    (row, i) => !there.some(({ cause }) => cause === row.cause) && first.findIndex(({ cause }) => cause === row.cause) === i,
  )
}

/** Puts a move in its place among better and as good ones: before those that wait for its cause. */
function inOrder(placed: readonly FirstMove[], move: FirstMove): FirstMove[] {
  const waits = placed.findIndex(({ cause }) => !move.isGuess && causeOf(cause).after?.includes(move.cause))
  return waits < 0 ? [...placed, move] : [...placed.slice(0, waits), move, ...placed.slice(waits)]
}

/** Whether the number a cause's move goes by says that there is nothing left to move. */
function isThere(facts: Facts, cause: CauseKey): boolean {
  const rest = stillToGo(facts, cause, bothSides)
  return rest !== null && rest <= 0
}

/** A cause less likely than this is not tried, even where there is no likelier one. @source prior */
const LEAST_TRIED = 0.08
/** Causes of a complaint whose moves are worked out: those further down cannot come first. */
const MOST_WEIGHED = 4

function rowSides({ side }: Pick<RankedCause, 'side'>): readonly Side[] {
  return side === 'left' || side === 'right' ? [side] : bothSides
}

/** What a belief was before its tests. */
function priorBefore(probability: number, said: RankedCause['said']): number {
  const moves = said.reduce((sum, one) => sum + one.moves, 0)
  return probabilityOf(oddsOf(probability) * Math.exp(-moves))
}

/** What has to be there for a remedy: nothing where the part on the bike is only set otherwise. */
function partFor({ part, slot }: Remedy, asked: readonly Requested[]): string | null {
  const isSet = slot !== undefined && asked.length > 0 && asked.every((one) => !isExchange(one) && !settingOf(one.setting).ofPart)
  return isSet ? null : (part ?? null)
}

function candidate(judge: Judge, priors: ReadonlyMap<CauseKey, number>, row: RankedCause): FirstMove | null {
  const { facts, told } = judge
  const { cause } = row
  const { remedy, station } = causeOf(cause)
  const sides = rowSides(row)
  const spoken = row.said.filter(({ speaks }) => speaks === 'for')
  // A number past its line speaks for the cause, if within its ±: too close to call, but no guess.
  const isSpoken = [...row.said, ...row.learned].some(({ moves }) => moves > SPEAKS)
  const isGuess = !isSpoken && !isUnderWay(cause, sides, told.changes, facts.setup.rider.bar)
  // Where something could be read, the reading comes first; where it was read and does not speak for the cause, nothing is moved.
  if (isGuess && (row.open.length > 0 || row.said.length > 0)) return null
  // What was read before the last step is old by now: it is read again before the plan goes on.
  if (!isSpoken && row.said.length === 0 && row.open.length > 0) return null
  // Read by eye and too close to call: looked at by a better method before anything is moved by it.
  const weak = row.open.flatMap(({ of, again }) => (again === 'by-eye' ? [of] : []))
  if (weak.length > 0 && spoken.every(({ of }) => weak.includes(of))) return null
  const { moves: asked, isSized, isThere } = remedyMoves(facts, cause, sides, isGuess)
  if (isThere) return null
  const base = {
    cause,
    side: row.side,
    requested: asked,
    reason: joined([`${causeOf(cause).label}.`, ...spoken.map(({ words }) => words)]),
    minutes: remedy.minutes,
    part: partFor(remedy, asked),
    says: remedy.says ?? '',
    isGuess,
  }
  const cost = costs.minute * remedy.minutes + (base.part === null ? 0 : costs.part) + costs.station * workStations.indexOf(station)
  const severity = Math.max(0.1, ...row.explains.map(judge.weight))
  if (asked.length === 0) {
    if (told.changes.some((change) => change.exchanges.some(({ slot }) => slot === remedy.slot) && change.state === 'undone')) return null
    const eases = row.probability * (remedy.works ?? PART_WORKS)
    const effects = isGuess ? [] : effectsOf(judge, row, eases)
    return { ...base, words: remedy.label, effects, harms: [], cautions: [], score: isGuess ? -cost : severity * eases - cost }
  }
  if (failedBefore(asked, told) !== null) return null
  const stepped = keptInBand(facts, asked)
  if (stepped === null) return null
  const { requested, change, after } = stepped
  const then = beliefs(after, priors)
  const before = stillToGo(facts, cause, sides)
  const rest = stillToGo(after, cause, sides)
  const now = Math.max(...change.moves.filter(({ role }) => role === 'chosen').map(({ by }) => Math.abs(by)), 0)
  const wanted = Math.max(...movesAsked(requested).map(({ by }) => Math.abs(by)))
  const share =
    !isSized || before === null || before <= 0
      ? UNREAD_WORKS
      : rest !== null && rest < before - 1e-6
        ? Math.min(1, (before - rest) / before)
        : Math.min(1, (now || wanted) / wanted)
  const fall = Math.max(0, (judge.now.get(cause) ?? 0) - (then.get(cause) ?? 0))
  const eases = Math.max(row.probability * (share + (1 - share) * LATER_STEPS) * 0.9, Math.min(row.probability, fall))
  const harms = causeKeys.flatMap((other) => {
    const rises = (then.get(other) ?? 0) - (judge.now.get(other) ?? 0)
    return other === cause || rises < NO_HARM ? [] : [{ cause: other, rises }]
  })
  const harm = harms.reduce((sum, { cause: other, rises }) => {
    const telling = judge.ranked.find((one) => one.cause === other)
    const weight = telling ? Math.max(...telling.explains.map(judge.weight)) : UNTOLD_WEIGHT
    return sum + weight * rises
  }, 0)
  return {
    ...base,
    requested,
    words: joined(changeWords(change), ', '),
    // A guess promises nothing.
    effects: isGuess ? [] : effectsOf(judge, row, eases, harms),
    harms,
    cautions: cautionsFor(change),
    score: isGuess ? -harm - cost : severity * eases - harm - cost,
  }
}

/** What a change does for each complaint: what its cause eases, and what gets likelier that would hurt it. */
function effectsOf(judge: Judge, row: RankedCause, eases: number, harms: FirstMove['harms'] = []): Effect[] {
  return judge.complaints.flatMap((complaint): Effect[] => {
    const helped = row.explains.includes(complaint.id) ? eases : 0
    const hurt = harms.reduce((sum, { cause, rises }) => {
      const other = judge.ranked.find((one) => one.cause === cause)
      return other?.explains.includes(complaint.id) ? Math.max(sum, rises) : sum
    }, 0)
    const net = helped - hurt
    if (Math.abs(net) < 1e-9) return []
    const words = net >= 0.5 ? 'much better' : net >= 0.25 ? 'better' : net > 0.02 ? 'somewhat better' : net < -0.02 ? 'watch' : 'no change'
    return [{ complaintId: complaint.id, title: complaintTitle(complaint), words, eases: net }]
  })
}

/** Whether warning signs of any complaint are still to be asked. */
export function hasToAsk(complaints: readonly Complaint[]): boolean {
  return complaints.some((complaint) => unansweredWarnings(complaint).length > 0)
}

/** Whether a move is more than a guess: its cause is likely, and something read speaks for it. */
export function isWorthActing(move: FirstMove, ranked: readonly RankedCause[]): boolean {
  const row = ranked.find(({ cause }) => cause === move.cause)
  return row !== undefined && row.probability >= LIKELY && !move.isGuess
}
