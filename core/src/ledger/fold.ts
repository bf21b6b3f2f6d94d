import type { Message } from '../kernel/message.ts'
import type { Side } from '../kernel/sided.ts'
import { unmoved } from '../readings/movedBy.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { course, obstacles, refusal } from './course.ts'
import type { ChangeState } from './course.ts'
import type { LedgerEntry, Move } from './ledger.ts'
import type { Pace } from './pace.ts'
import { exchangeShifts } from './parts.ts'
import type { Exchange, SlotKey } from './parts.ts'

export type TryEntry = Extract<LedgerEntry, { kind: 'try' }>

/** A tried change with what became of it. */
export interface Change {
  readonly id: string
  readonly at: string
  readonly station: TryEntry['station']
  readonly moves: readonly Move[]
  readonly pace: Pace
  readonly exchanges: readonly Exchange[]
  readonly reason: Message
  readonly later: Message
  readonly state: ChangeState
}

/** Which part is in a slot: the exchange that fitted it, and where in the ledger that was. */
export interface FittedPart {
  readonly changeId: string
  readonly exchange: Exchange
  /** ledger entries up to and with the change */
  readonly place: number
}

/** Ledger folded: the changes in order, and what they add up to. */
export interface Folded {
  readonly changes: readonly Change[]
  /** the one change under test, if any */
  readonly trying: Change | null
  /** sum of the moves in force, and of what exchanged parts differ by */
  readonly by: MovedBy
  /** parts in force that came by an exchange; other slots hold what the bike came with */
  readonly fitted: ReadonlyMap<SlotKey, FittedPart>
}

/** Folds entries in order into changes; undone changes no longer count, and the part before is back. */
export function foldLedger(entries: readonly LedgerEntry[]): Folded {
  const { states } = standingOf(entries)
  const changes: Change[] = []
  const sums = new Map<string, number>()
  const fitted = new Map<SlotKey, FittedPart>()
  const add = (setting: string, side: Side | 'both', by: number): void => {
    const slot = `${setting}:${side}`
    sums.set(slot, (sums.get(slot) ?? 0) + by)
  }
  entries.forEach((entry, index) => {
    if (entry.kind !== 'try') return
    const { id, at, station, moves, pace, exchanges, reason, later } = entry
    const state = states.get(id) ?? 'trying'
    changes.push({ id, at, station, moves, pace, exchanges, reason, later, state })
    if (state === 'undone') return
    for (const move of moves) add(move.setting, move.side, move.by)
    for (const exchange of exchanges) {
      for (const { key, side, by } of exchangeShifts(exchange)) add(key, side, by)
      fitted.set(exchange.slot, { changeId: id, exchange, place: index + 1 })
    }
  })
  return {
    changes,
    trying: changes.find((change) => change.state === 'trying') ?? null,
    by: sums.size === 0 ? unmoved : (setting, side) => sums.get(`${setting}:${side}`) ?? 0,
    fitted,
  }
}

/** Why an entry may not be appended, or null when it may. One change at a time. */
export function appendProblem(entries: readonly LedgerEntry[], next: LedgerEntry): string | null {
  return problemAfter(standingOf(entries), next)
}

/** The first entry of a whole ledger that may not follow those before it, with why; null where it holds together. */
export function ledgerProblem(entries: readonly LedgerEntry[]): { readonly index: number; readonly words: string } | null {
  const standing = standingOf([])
  for (const [index, entry] of entries.entries()) {
    const words = problemAfter(standing, entry)
    if (words !== null) return { index, words }
    advance(standing, entry)
  }
  return null
}

/** What of a ledger decides what may follow. */
interface LedgerStanding {
  readonly ids: Set<string>
  readonly states: Map<string, ChangeState>
  trying: string | null
}

function standingOf(entries: readonly LedgerEntry[]): LedgerStanding {
  const standing: LedgerStanding = { ids: new Set(), states: new Map(), trying: null }
  for (const entry of entries) advance(standing, entry)
  return standing
}

function advance(standing: LedgerStanding, entry: LedgerEntry): void {
  const { ids, states } = standing
  ids.add(entry.id)
  const of = entry.kind === 'try' ? entry.id : entry.of
  const to = course[states.get(of) ?? 'asked'][entry.kind]
  if (typeof to !== 'string') return
  states.set(of, to)
  if (to === 'trying') standing.trying = of
  else if (standing.trying === of) standing.trying = null
}

function problemAfter({ ids, states, trying }: LedgerStanding, next: LedgerEntry): string | null {
  if (ids.has(next.id)) return 'This entry is already in the ledger.'
  if (next.kind === 'try') {
    if (trying !== null) return obstacles.another
    const moved = next.moves.map((move) => `${move.setting}:${move.side}`)
    const exchanged = next.exchanges.map(({ slot }) => slot)
    const once = new Set(moved).size === moved.length && new Set(exchanged).size === exchanged.length
    return once ? null : 'A change moves each setting and exchanges each part once.'
  }
  return refusal(states.get(next.of) ?? 'asked', next.kind)
}
