import type { MovedBy } from '../measure/riderModel.ts'
import type { LedgerEntry, Move } from './ledger.ts'

type TryEntry = Extract<LedgerEntry, { kind: 'try' }>

export type ChangeState = 'trying' | 'kept' | 'undone'

/** A tried change with what became of it. */
export interface Change {
  readonly id: string
  readonly at: string
  readonly station: TryEntry['station']
  readonly moves: readonly Move[]
  readonly reason: string
  readonly later: string
  readonly state: ChangeState
}

/** Ledger folded: the changes in order, and what they add up to. */
export interface Folded {
  readonly changes: readonly Change[]
  /** the one change under test, if any */
  readonly trying: Change | null
  /** sum of the moves in force */
  readonly by: MovedBy
}

/** Folds entries in order into changes; undone changes no longer count. */
export function foldLedger(entries: readonly LedgerEntry[]): Folded {
  const states = new Map<string, ChangeState>()
  for (const entry of entries) {
    if (entry.kind === 'try') states.set(entry.id, 'trying')
    else if (states.has(entry.of)) states.set(entry.of, entry.kind === 'keep' ? 'kept' : 'undone')
  }
  const changes = entries
    .filter((entry): entry is TryEntry => entry.kind === 'try')
    .map(({ id, at, station, moves, reason, later }) => ({ id, at, station, moves, reason, later, state: states.get(id) ?? 'trying' }))
  const sums = new Map<string, number>()
  for (const change of changes) {
    if (change.state === 'undone') continue
    for (const move of change.moves) {
      const slot = `${move.setting}:${move.side}`
      sums.set(slot, (sums.get(slot) ?? 0) + move.by)
    }
  }
  return {
    changes,
    trying: changes.find((change) => change.state === 'trying') ?? null,
    by: (setting, side) => sums.get(`${setting}:${side}`) ?? 0,
  }
}

/** Why an entry may not be appended, or null when it may. One change at a time. */
export function appendProblem(entries: readonly LedgerEntry[], next: LedgerEntry): string | null {
  const { changes, trying } = foldLedger(entries)
  if (entries.some((entry) => entry.id === next.id)) return 'This entry is already in the ledger.'
  if (next.kind === 'try') {
    if (trying) return 'Another change is being tried. Keep or undo it first: one change at a time.'
    const slots = next.moves.map((move) => `${move.setting}:${move.side}`)
    return new Set(slots).size === slots.length ? null : 'A change moves each setting once.'
  }
  const target = changes.find((change) => change.id === next.of)
  if (!target) return 'The change it speaks of is not in this visit.'
  if (next.kind === 'keep') return target.state === 'trying' ? null : `This change is already ${target.state}.`
  return target.state === 'undone' ? 'This change is already undone.' : null
}
