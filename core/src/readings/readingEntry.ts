import type { Message } from '../kernel/message.ts'
import { bare, mm, msg, soldBy } from '../kernel/message.ts'
import { MM_PER_INCH, formatLength, isPlain, parseEntry, plainUnits, trimmed } from '../kernel/entry.ts'
import type { LengthUnit } from '../kernel/entry.ts'
import type { Side } from '../kernel/sided.ts'
import { conditions } from './conditions.ts'
import type { ConditionKey } from './conditions.ts'
import { definitionOf, isChoice, optionWord } from './readingDefinitions.ts'
import type { NumberKey, ReadingKey } from './readingDefinitions.ts'
import { MAX_REPEATS } from './repeats.ts'

/** Why what was typed cannot be taken, and the unit it most likely was meant in. */
export interface EntryTrouble {
  readonly message: Message
  readonly suggestion?: { readonly label: Message; readonly text: string }
}

/** What became of a typed reading. */
export type ReadingEntry =
  | {
      readonly ok: true
      readonly value: number | null
      /** the single values of a repeated reading; empty for one */
      readonly repeats: readonly number[]
    }
  | ({ readonly ok: false } & EntryTrouble)

/** "Heel to ball (MTP1), left". */
export function readingName(key: ReadingKey, side: Side | 'both'): string {
  return side === 'both' ? definitionOf(key).label : `${definitionOf(key).label}, ${side}`
}

/** "Torso from level (calm, extensions)": with the position it is read in, where that is not the usual one. */
export function readingNameIn(key: ReadingKey, side: Side | 'both', condition: ConditionKey): string {
  const name = readingName(key, side)
  return condition === 'usual' ? name : `${name} (${conditions[condition].label})`
}

/** "120 to 280 mm". */
export function allowedRange(key: ReadingKey): Message {
  return allowed(key, 'to')
}

function allowed(key: ReadingKey, and: 'to' | 'and'): Message {
  if (isChoice(key)) return `one of ${Object.values(definitionOf(key).options).join(', ')}`
  const { min, max, dimension } = definitionOf(key)
  if (dimension === 'mass') return `${min} ${and} ${max} kg`
  if (dimension === 'angle') return `${trimmed(min, 0)}° ${and} ${trimmed(max, 0)}°`
  if (isPlain(dimension)) return `${min} ${and} ${max} ${plainUnits[dimension]}`
  if (dimension === 'shoe-size') return `EU ${min} ${and} ${max}`
  return msg`${bare(min, 1)} ${and} ${mm(max, 1)}`
}

/** A held value as the fitter’s unit shows it, without its unit; a choice as its word. */
export function shownValue(key: ReadingKey, value: number | string, unit: LengthUnit, decimals?: number): string {
  if (isChoice(key)) return optionWord(key, String(value))
  if (typeof value === 'string') return value
  return definitionOf(key).dimension === 'length' ? formatLength(value, unit, decimals) : trimmed(value, decimals ?? 1)
}

/** A held value with its unit, in words: "251 mm", "18.5°", "5 N·m", the word of a choice. */
export function valueWords(key: ReadingKey, value: number | string): Message {
  if (isChoice(key) || typeof value === 'string') return shownValue(key, value, 'mm')
  return definitionOf(key).dimension === 'length' ? msg`${mm(value, 1)}` : `${shownValue(key, value, 'mm')}${unitMark(key, 'mm')}`
}

/** What stands behind a shown value: " mm", "°", " kg", or nothing. */
export function unitMark(key: ReadingKey, unit: LengthUnit): string {
  const { dimension } = definitionOf(key)
  return isPlain(dimension)
    ? ` ${plainUnits[dimension]}`
    : { length: ` ${unit}`, angle: '°', 'shoe-size': '', mass: ' kg', choice: '' }[dimension]
}

/** Why a held value cannot be stored, or null when it can. Used at every edge. */
export function rangeProblem(key: NumberKey, side: Side | 'both', value: number): Message | null {
  const { min, max, isRoom } = definitionOf(key)
  if (Number.isFinite(value) && value >= min && value <= max) return null
  const name = readingName(key, side)
  if (isRoom && value < 0) {
    return msg`${name} is written the wrong way round: room is counted from where the part stands now, as a positive number. Allowed: ${allowedRange(key)}.`
  }
  return msg`${name} must lie between ${allowed(key, 'and')}.`
}

/**
 * Reads and checks a typed reading. An empty field clears it. Several values with `;` or `+` between
 * them are repetitions of the same reading; their mean is taken. A value that only makes sense in
 * another unit is refused with that reading offered.
 */
export function readEntry(key: NumberKey, side: Side | 'both', text: string, unit: LengthUnit): ReadingEntry {
  const singles = text.split(/[;+]/).filter((part) => part.trim() !== '')
  if (singles.length < 2) return readSingle(key, side, singles[0] ?? text, unit)
  if (singles.length > MAX_REPEATS) {
    return { ok: false, message: `${readingName(key, side)}: at most ${MAX_REPEATS} repeated values.` }
  }
  const repeats: number[] = []
  for (const part of singles) {
    const entry = readSingle(key, side, part, unit)
    if (!entry.ok) return { ok: false, message: entry.message }
    if (entry.value !== null) repeats.push(entry.value)
  }
  return { ok: true, value: rounded(repeats.reduce((sum, value) => sum + value, 0) / repeats.length), repeats }
}

function rounded(value: number): number {
  return Math.round(value * 1000) / 1000
}

function readSingle(key: NumberKey, side: Side | 'both', text: string, unit: LengthUnit): ReadingEntry {
  const { dimension } = definitionOf(key)
  const parsed = parseEntry(text, dimension, unit)
  if (!parsed.ok) {
    return parsed.reason === 'empty'
      ? { ok: true, value: null, repeats: [] }
      : { ok: false, message: msg`${readingName(key, side)}: ${parsed.message} Allowed: ${allowedRange(key)}.` }
  }
  const problem = rangeProblem(key, side, parsed.value)
  if (problem === null) return { ok: true, value: rounded(parsed.value), repeats: [] }
  const suggestion = dimension === 'length' ? otherUnit(key, parsed.value, parsed.unit as LengthUnit) : undefined
  return suggestion === undefined ? { ok: false, message: problem } : { ok: false, message: problem, suggestion }
}

/** The unit a slipped entry most likely meant, when exactly that makes it plausible. */
function otherUnit(key: NumberKey, length: number, unit: LengthUnit): { label: Message; text: string } | undefined {
  const { min, max } = definitionOf(key)
  const perUnit = { mm: 1, cm: 10, in: MM_PER_INCH }
  const typed = length / perUnit[unit]
  const tries = (['in', 'cm', 'mm'] as const).filter((other) => other !== unit)
  for (const other of tries) {
    const value = typed * perUnit[other]
    if (value >= min && value <= max) {
      const text = `${trimmed(typed, 3).replace('−', '-')} ${other}`
      return { label: other === 'mm' ? `Take it as ${text}` : `Take it as ${text} (${soldBy(trimmed(value, 1))})`, text }
    }
  }
  return undefined
}
