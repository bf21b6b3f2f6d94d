import { isKeyOf, isOneOf } from '../kernel/tables.ts'
import { z } from 'zod'
import type { TryEntry } from '../ledger/fold.ts'
import { foldedAt, timelineOf } from '../ledger/timeline.ts'
import { writtenMoves } from '../ledger/moves.ts'
import type { LedgerEntry, Move } from '../ledger/ledger.ts'
import { partName, partNow } from '../ledger/parts.ts'
import type { Exchange, Part, SlotKey } from '../ledger/parts.ts'
import { settled } from '../rider/setup.ts'
import { settingKeys } from '../ledger/settings.ts'
import { readingSchema } from '../readings/reading.ts'
import type { Reading } from '../readings/reading.ts'
import { chosen, resolveReadings } from '../readings/resolve.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'

/**
 * Words of version 1 by their place in its lists, from 1. Fixed for good: later lists may differ.
 */
const places1 = {
  kneeAlignment: ['straight', 'bow-legged', 'knock-kneed'],
  legDifferenceAt: ['unknown', 'thigh', 'shank', 'foot', 'pelvis'],
  saddleKind: ['long-flat', 'long-curved', 'short-nose', 'touring', 'broad-padded', 'sprung', 'split-nose'],
  saddleRelief: ['none', 'groove', 'cut-out'],
  saddleSound: ['sound', 'sags-left', 'sags-right', 'cracked'],
  postHead: ['two-bolts', 'notched', 'smooth', 'screw'],
  headThread: ['M4', 'M5', 'M6', 'M8'],
  shifterPlace: ['inside', 'outside', 'one-piece', 'none'],
  pedalKind: ['plate-coil', 'plate-leaf', 'plate-glide', 'cleat-mechanism', 'recessed', 'recessed-platform', 'flat-pins'],
  soleStiffness: ['soft', 'medium', 'stiff'],
  shoeUpper: ['soft', 'firm', 'mouldable'],
  recess: ['recessed', 'flush'],
  boltPattern: ['two bolts', 'three bolts', 'four bolts', 'none'],
  cleatWalking: ['hardly', 'some', 'much'],
  cleatWear: ['fresh', 'worn', 'at-mark'],
  cleatPlay: ['none', 'little', 'much'],
  releaseFeel: ['clean', 'vague', 'hard'],
  boltsFitted: ['one', 'two', 'three', 'four'],
  pelvisLevel: ['level', 'drops-left', 'drops-right', 'twisted'],
  sitsWhere: ['nose', 'middle', 'tail'],
  pelvisRock: ['none', 'some', 'much'],
} as const satisfies Readonly<Record<string, readonly string[]>>

/** Readings of version 1 that belonged to the contact points they were taken at; all others told of the start. */
const fits1: readonly string[] = [
  'kneeFlexion',
  'footPitch',
  'kneeOutside',
  'hipAngle',
  'torsoAngle',
  'elbowFlexion',
  'shoulderAngle',
  'wristAngle',
  'kneeElbowGap',
  'pelvisLevel',
  'sitsWhere',
  'creepForward',
  'pelvisRock',
]

const timed = z.looseObject({ id: z.string(), at: z.string(), kind: z.string() })
const move1 = z.object({
  setting: z.string(),
  side: z.enum(['left', 'right', 'both']),
  by: z.number(),
  role: z.enum(['chosen', 'knock-on']),
})
const reading1 = z.looseObject({ key: z.string(), value: z.number().nullable(), takenAt: z.string() })
const visit1 = z.looseObject({
  visit: z.looseObject({}),
  readings: z.array(reading1).max(500),
  ledger: z.array(timed).max(2000),
})

/**
 * A visit as version 1 wrote it, in today's form: choices by key instead of place, each reading after
 * the ledger entry that its time puts it after, exchanges of parts instead of moves along a list. What
 * does not look like version 1 is given back as it is, for the schema to say what is wrong with it.
 */
export function visitFrom1(raw: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const parsed = visit1.safeParse(raw)
  if (!parsed.success) return { ...raw, version: 2 }
  const { visit, readings, ledger } = parsed.data
  const brought = readings.map((reading) => readingFrom1(reading, ledger))
  return {
    ...raw,
    version: 2,
    visit: visitFieldsFrom1(visit),
    readings: brought,
    ledger: ledgerFrom1(ledger, known(brought)),
  }
}

/** The readings among what was brought over. */
function known(brought: readonly unknown[]): Reading[] {
  return brought.flatMap((reading) => {
    const parsed = readingSchema.safeParse(reading)
    return parsed.success ? [parsed.data] : []
  })
}

function visitFieldsFrom1({ cleatSchool, accepted, pedalWeights, stanceBy, seat, ...rest }: Readonly<Record<string, unknown>>) {
  const feet = {
    cleatSchool,
    ...(pedalWeights === undefined || isEmpty(pedalWeights) ? {} : { pedalWeights }),
    ...(stanceBy === undefined || stanceBy === null ? {} : { stanceBy }),
  }
  return { ...rest, acknowledged: accepted, choices: { feet, seat: seat ?? {}, hands: {} } }
}

function isEmpty(value: unknown): boolean {
  return typeof value === 'object' && value !== null && Object.keys(value).length === 0
}

/** In version 1 a reading's time said after which changes it was taken; from here on the ledger does. */
function readingFrom1({ takenAt, ...reading }: z.infer<typeof reading1>, ledger: readonly z.infer<typeof timed>[]) {
  const before = ledger.filter((entry) => entry.at <= takenAt)
  const after = fits1.includes(reading.key) ? (ledger[before.length - 1]?.id ?? null) : null
  return { ...reading, value: valueFrom1(reading.key, reading.value), after, at: takenAt }
}

/** A choice's key by its place; every other value as it is. */
function valueFrom1(key: string, value: number | null): number | string | null {
  if (value === null || !isKeyOf(places1, key)) return value
  return places1[key][value - 1] ?? value
}

/** A ledger of version 1 with its exchanges written as such; entries that are no changes stay as they are. */
export function ledgerFrom1<Entry extends { readonly kind: string }>(ledger: readonly Entry[], readings: readonly Reading[]): Entry[] {
  const done: Entry[] = []
  for (const entry of ledger) {
    const moves = entry.kind === 'try' && 'moves' in entry ? z.array(move1).safeParse(entry.moves) : null
    const written = moves?.success ? writtenFrom1(moves.data, readings, done as unknown as LedgerEntry[]) : {}
    done.push(entry.kind === 'try' ? { ...entry, exchanges: [], ...written } : entry)
  }
  return done
}

/** Settings of version 1 that counted along a list of kinds, and the part they stood for. */
const kinds1 = { pedalKind: 'pedals', saddleKind: 'saddle' } as const satisfies Readonly<Record<string, SlotKey>>
type Kind1 = keyof typeof kinds1

function writtenFrom1(
  moves: readonly z.infer<typeof move1>[],
  readings: readonly Reading[],
  done: readonly LedgerEntry[],
): Pick<TryEntry, 'moves' | 'exchanges'> | object {
  const kinds = moves.filter((move) => Object.hasOwn(kinds1, move.setting))
  const plain = moves.filter((move): move is Move => isOneOf(settingKeys, move.setting))
  if (kinds.length + plain.length < moves.length) return {}
  const entries = [...done]
  const now = settled(resolveReadings(readings, timelineOf(entries)), foldedAt(entries, entries.length).by)
  // Pedals of another stack: what the sole adds is not theirs.
  const stack = kinds.some(({ setting }) => setting === 'pedalKind') ? stackOf(plain, now) : null
  const written = writtenMoves(now, stack === null ? plain : plain.filter(({ setting }) => setting !== 'soleStack'))
  const exchanges = new Map<SlotKey, Exchange>(written.exchanges.map((exchange) => [exchange.slot, exchange]))
  for (const { setting, by, role } of kinds) {
    const kind = setting as Kind1
    const slot = kinds1[kind]
    const { from, to } = exchanges.get(slot) ?? { from: partNow(now, slot), to: partNow(now, slot) }
    const list: readonly string[] = places1[kind]
    const before = chosen(now, kind)
    const after = before === null ? undefined : list[list.indexOf(before) + by]
    const fitted: Part['properties'] = {
      ...to.properties,
      ...(after === undefined ? {} : { [kind]: after }),
      ...(stack === null || slot !== 'pedals' ? {} : { pedalStack: stack.to }),
    }
    const left: Part['properties'] = { ...from.properties, ...(stack === null || slot !== 'pedals' ? {} : { pedalStack: stack.from }) }
    exchanges.set(slot, {
      slot,
      from: { name: partName(slot, left), properties: left },
      to: { name: partName(slot, fitted), properties: fitted },
      role,
    })
  }
  return { moves: written.moves, exchanges: [...exchanges.values()] }
}

/** Stack of the pedals before and after, where both feet were moved alike and the sole was read. */
function stackOf(moves: readonly Move[], now: ResolvedReadings): { readonly from: number; readonly to: number } | null {
  const [left, right] = (['left', 'right'] as const).map((side) => moves.find((m) => m.setting === 'soleStack' && m.side === side)?.by)
  const from = partNow(now, 'pedals').properties['pedalStack']
  if (left === undefined || left !== right || typeof from !== 'number') return null
  return { from, to: Math.round((from + left) * 1000) / 1000 }
}
