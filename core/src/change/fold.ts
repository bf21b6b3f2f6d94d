import type { Side } from '../quantity/sided.ts'
import { unmoved } from '../measure/timeline.ts'
import type { MovedBy } from '../measure/timeline.ts'
import type { LedgerEntry, Move } from './ledger.ts'
import { exchangeShifts } from './parts.ts'
import type { Exchange, SlotKey } from './parts.ts'

export type TryEntry = Extract<LedgerEntry, { kind: 'try' }>

export type ChangeState = 'trying' | 'kept' | 'undone'

/** A tried change with what became of it. */
export interface Change {
  readonly id: string
  readonly at: string
  readonly station: TryEntry['station']
  readonly moves: readonly Move[]
  readonly exchanges: readonly Exchange[]
  readonly reason: string
  readonly later: string
  readonly state: ChangeState
}

/** Which part is in a slot: the exchange that fitted it, and where in the ledger that was. */
export interface Fitted {
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
  readonly fitted: ReadonlyMap<SlotKey, Fitted>
}

/** Folds entries in order into changes; undone changes no longer count, and the part before is back. */
export function foldLedger(entries: readonly LedgerEntry[]): Folded {
  const states = new Map<string, ChangeState>()
  for (const entry of entries) {
    if (entry.kind === 'try') states.set(entry.id, 'trying')
    else if (states.has(entry.of)) states.set(entry.of, entry.kind === 'keep' ? 'kept' : 'undone')
  }
  const changes: Change[] = []
  const sums = new Map<string, number>()
  const fitted = new Map<SlotKey, Fitted>()
  const add = (setting: string, side: Side | 'both', by: number): void => {
    const slot = `${setting}:${side}`
    sums.set(slot, (sums.get(slot) ?? 0) + by)
  }
  entries.forEach((entry, index) => {
    if (entry.kind !== 'try') return
    const { id, at, station, moves, exchanges, reason, later } = entry
    const state = states.get(id) ?? 'trying'
    changes.push({ id, at, station, moves, exchanges, reason, later, state })
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
  const { changes, trying } = foldLedger(entries)
  if (entries.some((entry) => entry.id === next.id)) return 'This entry is already in the ledger.'
  if (next.kind === 'try') {
    if (trying) return 'Another change is being tried. Keep or undo it first: one change at a time.'
    const moved = next.moves.map((move) => `${move.setting}:${move.side}`)
    const exchanged = next.exchanges.map(({ slot }) => slot)
    const once = new Set(moved).size === moved.length && new Set(exchanged).size === exchanged.length
    return once ? null : 'A change moves each setting and exchanges each part once.'
  }
  const target = changes.find((change) => change.id === next.of)
  if (!target) return 'The change it speaks of is not in this visit.'
  if (next.kind === 'keep') return target.state === 'trying' ? null : `This change is already ${target.state}.`
  return target.state === 'undone' ? 'This change is already undone.' : null
}
