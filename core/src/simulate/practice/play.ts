import type { LedgerEntry } from '../../ledger/ledger.ts'
import { propertiesOf } from '../../ledger/parts.ts'
import type { Part, SlotKey } from '../../ledger/parts.ts'
import type { Reading } from '../../readings/reading.ts'
import { readingIdentity } from '../../readings/readingPlace.ts'
import { definitionOf, numberKeys } from '../../readings/readingDefinitions.ts'
import type { ReadingKey } from '../../readings/readingDefinitions.ts'
import { sides } from '../../kernel/sided.ts'
import { normal, seeded } from '../../kernel/random.ts'
import { POSSIBLE } from '../../reason/arithmetic.ts'
import { causeOf } from '../../reason/causeTable.ts'
import { testsOf } from '../../reason/evidence.ts'
import type { CauseKey } from '../../reason/causeTable.ts'
import type { FirstMove } from '../../reason/firstMove.ts'
import { factsAt } from '../../reason/context.ts'
import type { Facts } from '../../reason/context.ts'
import { resultOf } from '../../ledger/outcome.ts'
import { numberRow } from '../../reason/numbers.ts'
import { minutesFor } from '../../reason/nextReading.ts'
import { reason } from '../../reason/reason.ts'
import type { Reasoning } from '../../reason/reason.ts'
import { visitModel } from '../../reason/visitModel.ts'
import type { SymptomKey } from '../../reason/symptomTable.ts'
import type { Rating } from '../../talk/complaint.ts'
import { knockOn, defaultHolds } from '../../knockOn/knockOn.ts'
import { standingOf } from '../../rider/setup.ts'
import { simulatedVisit } from '../visit.ts'
import { mainOf, plants } from './plants.ts'
import { heal, moveTrue, practiceRider, readTrue, stillThere } from './rider.ts'
import { entriesOf, isOneOf } from '../../kernel/tables.ts'

/** What became of one complaint of a practice rider. */
export interface PlayedComplaint {
  readonly symptom: SymptomKey
  readonly cause: CauseKey
  /** place of the true cause when the first move was chosen, 0 = first; null = not among them */
  readonly place: number | null
  /** changes until it was relieved by the size that matters; null = it was not */
  readonly relievedAfter: number | null
}

/** One practice rider, taken from complaint to relief along the reasoner's own way. */
export interface Played {
  readonly seed: number
  readonly warned: boolean
  readonly complaints: readonly PlayedComplaint[]
  /** readings taken before the first move, and minutes they took */
  readonly readings: number
  readonly minutes: number
  readonly changes: number
  /** moves offered although a warning sign is positive */
  readonly pastWarning: number
}

/** One of so many riders carries a warning sign. */
const WARNED = 0.05
/** Readings are taken a few at a time, as a fitter does before looking up again. */
const AT_ONCE = 3
const MOST_READ = 14
/** Steps a complaint is given, over all its changes. */
const MOST_STEPS = 12
/** Changes a complaint is given. */
export const CHANGES_EACH = 3

/**
 * Plays one practice rider: reads what the reasoner asks for, tries what it puts first, rates, and
 * goes on from what came of it.
 */
export function play(seed: number): Played {
  const random = seeded(seed)
  for (let i = 0; i < 8; i++) random()
  const warned = random() < WARNED
  const truth = practiceRider(random, warned)
  let readings: Reading[] = []
  // A new list with every entry: what is worked out of a ledger is kept by the list itself.
  let ledger: readonly LedgerEntry[] = []
  const enter = (entry: LedgerEntry) => (ledger = [...ledger, entry])
  const ratings: Rating[] = []
  let now = new Map(truth.complaints.map(({ id, severity }) => [id, severity ?? 5]))
  let ids = 0
  const id = () => `00000000-0000-4000-b000-${String((ids += 1)).padStart(12, '0')}`
  const at = '2026-01-01T00:00:00.000Z'

  const input = () => visitModel(simulatedVisit({ readings, ledger, ratings, complaints: truth.complaints, kind: truth.kind })).input
  let taken = 0
  let minutes = 0
  const take = (wanted: Reasoning['reasoned']['next'][number]['readings']): boolean => {
    const made = wanted.flatMap((asked) => readTrue(truth, random, asked, ledger) ?? [])
    taken += made.length
    minutes += minutesFor(wanted)
    readings = [...readings.filter((old) => !made.some((one) => readingIdentity(one) === readingIdentity(old))), ...made]
    return made.length > 0
  }
  /** Reads until no reading would change what comes first, then says what is thought. */
  const lookedAt = (): { reasoning: Reasoning; setup: ReturnType<typeof input>['setup']; facts: Facts } => {
    for (let round = 0; ; round++) {
      const given = input()
      const reasoning = reason(given)
      const asked = reasoning.reasoned.short.slice(0, AT_ONCE)
      if (asked.length === 0 || round >= MOST_READ) return { reasoning, setup: given.setup, facts: factsAt(given) }
      if (asked.map(({ readings: wanted }) => take(wanted)).every((any) => !any))
        return { reasoning, setup: given.setup, facts: factsAt(given) }
    }
  }

  const first = lookedAt()
  const [readFirst, minutesFirst] = [taken, minutes]
  const places = truth.causes.map(({ cause, complaintId }) => {
    const found = first.reasoning.complaints.find((one) => one.id === complaintId)?.causes.findIndex((row) => row.cause === cause) ?? -1
    return found < 0 ? null : found
  })
  const relievedAfter = truth.causes.map((): number | null => null)
  let changes = 0
  let pastWarning = first.reasoning.isStopped || !warned ? 0 : 1
  if (warned) pastWarning += first.reasoning.reasoned.moves.length

  let step = first
  const most = warned ? 0 : CHANGES_EACH * truth.causes.length
  const tried = new Set<string>()
  let last: FirstMove | null = null
  /** whether the plan of the move on trial has further steps */
  let hasMore = false
  for (let steps = 0; steps < MOST_STEPS * truth.causes.length && relievedAfter.includes(null); steps++) {
    const move = firstOf(step.reasoning)
    if (move === undefined || !answersWhatHurts(move)) {
      // Nothing read speaks for a change that answers what still hurts: the next reading, until none is left.
      if (step.reasoning.reasoned.next.some(({ readings: wanted }) => take(wanted))) {
        step = lookedAt()
        continue
      }
      if (move === undefined) break
    }
    if (move.requested.length === 0) tried.add(nameOf(move))
    // A move that is cut into steps by its cap is one change.
    if (last === null || nameOf(last) !== nameOf(move)) changes += 1
    last = move
    if (changes > most) break
    const kept = new Map(truth.values)
    const entry = tryIt(move)
    const felt = rate()
    truth.causes.forEach(({ complaintId }, i) => {
      const before = truth.complaints.find((one) => one.id === complaintId)?.severity ?? 5
      if (relievedAfter[i] === null && resultOf(before, felt.get(complaintId) ?? before) === 'relieved') relievedAfter[i] = changes
    })
    if (entry === null) {
      now = felt
      step = lookedAt()
      continue
    }
    for (const [complaintId, severity] of felt) ratings.push({ complaintId, changeId: entry, severity })
    const was = (complaintId: string) => now.get(complaintId) ?? 5
    const results = [...felt].map(([complaintId, severity]) => resultOf(was(complaintId), severity))
    const isEasing = move.effects.some(({ complaintId }) => (felt.get(complaintId) ?? 10) < was(complaintId))
    const close = (kind: 'keep' | 'undo') => enter({ kind, id: id(), at, of: entry })
    close('keep')
    readAgain(move)
    step = lookedAt()
    // What got neither better nor worse is kept as long as its plan has further steps, or the same way still comes first.
    const next = firstOf(step.reasoning)
    const goesOn = hasMore || (next !== undefined && nameOf(next) === nameOf(move))
    const isKept = !results.includes('worse') && (results.includes('relieved') || isEasing || goesOn)
    if (isKept) now = felt
    else {
      const keep = ledger.at(-1)
      ledger = ledger.slice(0, -1)
      readings = readings.filter(({ after }) => after !== keep?.id)
      close('undo')
      truth.values.clear()
      for (const [name, value] of kept) truth.values.set(name, value)
      readAgain(move)
      step = lookedAt()
    }
  }

  /** After a change the fitter reads again what told of its cause. */
  function readAgain({ cause }: FirstMove): void {
    const told = testsOf(cause).flatMap((row) => ('of' in row ? numberRow(row.of).readings(step.facts) : [row.choice]))
    const keys = [...new Set<ReadingKey>(told)]
    const read = keys.filter((key) => readings.some((one) => one.key === key && definitionOf(key).owner === 'fit'))
    type Places = Parameters<typeof take>[0]
    take(
      read.flatMap((key): Places =>
        definitionOf(key).sided ? sides.map((side) => ({ key, side, condition: 'usual' })) : [{ key, side: 'both', condition: 'usual' }],
      ),
    )
  }
  /** What to try: what answers a complaint that still hurts, else what is gone on with although its own has eased. */
  function firstOf({ reasoned }: Reasoning): FirstMove | undefined {
    const open = reasoned.moves.filter((one) => !tried.has(nameOf(one)))
    return open.find(answersWhatHurts) ?? open.find(({ score }) => score > 0)
  }
  /** Moves that answer a complaint which still hurts. */
  function answersWhatHurts(move: FirstMove): boolean {
    return move.effects.some(({ complaintId, eases }) => {
      const i = truth.causes.findIndex((one) => one.complaintId === complaintId)
      return eases > 0 && relievedAfter[i] === null
    })
  }
  /** Puts a move on the bike; an advice, or a part whose slot nothing tells, is followed without the ledger. */
  function tryIt(move: FirstMove): string | null {
    const { remedy } = causeOf(move.cause)
    hasMore = false
    if (move.requested.length > 0) {
      const change = knockOn(standingOf(step.setup), move.requested, defaultHolds(move.requested), 'step', 'settled')
      hasMore = change.chosen.some(({ plan }) => plan.steps.length > 1)
      for (const { setting, side, by } of change.moves) moveTrue(truth, setting, side, by)
      for (const { slot, from, to, role } of change.exchanges) {
        followParts(from, to)
        if (role === 'chosen') chosenWell(slot)
      }
      const entry = id()
      enter({
        kind: 'try',
        id: entry,
        at,
        station: causeOf(move.cause).station,
        moves: [...change.moves],
        pace: 'settled',
        exchanges: [...change.exchanges],
        reason: '',
        later: '',
      })
      return entry
    }
    heal(truth, move.cause)
    if (remedy.slot !== undefined) chosenWell(remedy.slot)
    const row = plants[move.cause]
    const main = row && mainOf(row, truth.bar)
    const slot = remedy.slot
    if (slot !== undefined) {
      const entry = id()
      const properties = main && isOneOf(propertiesOf(slot), main.reading) ? partOf(slot, main.reading) : {}
      enter({
        kind: 'try',
        id: entry,
        at,
        station: causeOf(move.cause).station,
        moves: [],
        pace: 'settled',
        exchanges: [{ slot, from: { name: 'Old one', properties: {} }, to: { name: `For ${move.cause}`, properties }, role: 'chosen' }],
        reason: '',
        later: '',
      })
      return entry
    }
    if (main) for (const side of ['left', 'right', 'both'] as const) take([{ key: main.reading, side, condition: 'usual' }])
    return null
  }
  /** A part is chosen for everything that speaks against the old one: what no size of it tells is put right as well. */
  function chosenWell(slot: SlotKey): void {
    for (const { cause, probability } of step.reasoning.reasoned.causes) {
      const { remedy } = causeOf(cause)
      if (remedy.slot === slot && remedy.move === undefined && probability >= POSSIBLE) heal(truth, cause)
    }
  }
  function partOf(slot: SlotKey, reading: string): Part['properties'] {
    const value = truth.values.get(`${reading}:both`) ?? truth.values.get(`${reading}:left`)
    return value === undefined ? {} : { [reading]: typeof value === 'number' ? Math.round(value * 2) / 2 : value }
  }
  /** Sizes of parts that were exchanged are true as well. */
  function followParts(from: Part, to: Part): void {
    for (const [reading, value] of entriesOf(to.properties)) {
      const before = from.properties[reading]
      if (!isOneOf(numberKeys, reading)) continue
      if (typeof value === 'number' && typeof before === 'number' && value !== before) moveTrue(truth, reading, 'both', value - before)
      else if (typeof value === 'object' && typeof before === 'object') {
        for (const side of ['left', 'right'] as const) moveTrue(truth, reading, side, Number(value[side]) - Number(before[side]))
      }
    }
  }
  /** What the rider says under the change: what is left of each cause, not all of it gone at once, with the rider's own spread. */
  function rate(): Map<string, number> {
    return new Map(
      truth.causes.map((hidden) => {
        const start = truth.complaints.find((one) => one.id === hidden.complaintId)?.severity ?? 5
        const eased = 1 - truth.body.relief * (1 - stillThere(truth, hidden))
        return [hidden.complaintId, Math.max(0, Math.min(10, Math.round(start * eased + truth.body.noise * normal(random))))]
      }),
    )
  }

  return {
    seed,
    warned,
    readings: readFirst,
    minutes: minutesFirst,
    changes,
    pastWarning,
    complaints: truth.causes.map(({ symptom, cause }, i) => ({
      symptom,
      cause,
      place: places[i] ?? null,
      relievedAfter: relievedAfter[i] ?? null,
    })),
  }
}

const nameOf = (move: FirstMove) => `${move.cause}:${move.side}`
