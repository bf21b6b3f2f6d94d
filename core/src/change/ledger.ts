import { z } from 'zod'
import type { MovedBy } from '../measure/riderModel.ts'
import { trimmed } from '../quantity/entry.ts'
import { settingKeys, settings } from './settings.ts'
import type { SettingKey } from './settings.ts'

/** One setting moved by a signed amount; knock-on moves answer the chosen one. */
export const moveSchema = z
  .strictObject({
    setting: z.enum(settingKeys, { error: `setting must be one of ${settingKeys.join(', ')}.` }),
    side: z.enum(['left', 'right', 'both'], { error: 'side must be left, right or both.' }),
    by: z.number({ error: 'by must be a number.' }),
    role: z.enum(['chosen', 'knock-on'], { error: 'role must be chosen or knock-on.' }),
  })
  .superRefine((move, context) => {
    const setting = settings[move.setting]
    if (setting.sided !== (move.side !== 'both')) {
      context.addIssue({
        code: 'custom',
        path: ['side'],
        message: `${setting.label} is moved ${setting.sided ? 'left or right' : 'as one'}.`,
      })
    }
    if (!(Math.abs(move.by) > 0 && Math.abs(move.by) <= setting.cap)) {
      context.addIssue({
        code: 'custom',
        path: ['by'],
        message: `${setting.label} moves by more than 0 and at most ${setting.cap} ${setting.unit} at once.`,
      })
    }
  })
export type Move = z.infer<typeof moveSchema>

const shared = {
  id: z.uuid({ error: 'id must be a UUID.' }),
  at: z.iso.datetime({ error: 'at must be an ISO date and time ending in Z.' }),
}

/** What is appended to a visit's ledger; nothing in it is ever edited. */
export const ledgerEntrySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...shared,
    kind: z.literal('try'),
    station: z.enum(['feet', 'seat', 'hands']),
    moves: z.array(moveSchema).min(1, { error: 'A change needs at least one move.' }).max(12),
    reason: z.string().max(600),
    /** what stays for later, in words */
    later: z.string().max(300),
  }),
  z.strictObject({ ...shared, kind: z.literal('keep'), of: z.uuid() }),
  z.strictObject({ ...shared, kind: z.literal('undo'), of: z.uuid() }),
])
export type LedgerEntry = z.infer<typeof ledgerEntrySchema>
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

/** "Cleat R back 5", "Saddle down 2". */
export function moveWords(move: Pick<Move, 'setting' | 'side' | 'by'>): string {
  return `${moveName(move)} ${directionOf(move.setting, move.by)} ${trimmed(Math.abs(move.by), 1)}`
}

/** "Cleat R", "Saddle". */
export function moveName({ setting, side }: Pick<Move, 'setting' | 'side'>): string {
  return `${settings[setting].label}${side === 'both' ? '' : side === 'left' ? ' L' : ' R'}`
}

/** "back", "down": the word for a move of a setting. */
export function directionOf(setting: SettingKey, by: number): string {
  return by > 0 ? settings[setting].more : settings[setting].less
}
