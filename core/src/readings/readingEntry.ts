import { MM_PER_INCH, formatLength, isPlain, parseEntry, plainUnits, trimmed } from '../kernel/entry.ts'
import type { LengthUnit } from '../kernel/entry.ts'
import type { Side } from '../kernel/sided.ts'
import { definitionOf, isChoice, optionWord } from './readingDefinitions.ts'
import type { NumberKey, ReadingKey } from './readingDefinitions.ts'
import { MAX_REPEATS } from './repeats.ts'

/** What became of a typed reading. */
export type ReadingEntry =
  | {
      readonly ok: true
      readonly value: number | null
      /** the single values of a repeated reading; empty for one */
      readonly repeats: readonly number[]
    }
  | { readonly ok: false; readonly message: string; readonly suggestion?: { readonly label: string; readonly text: string } }

/** "Heel to ball (MTP1), left". */
export function readingName(key: ReadingKey, side: Side | 'both'): string {
  return side === 'both' ? definitionOf(key).label : `${definitionOf(key).label}, ${side}`
}

/** "120 to 280 mm", in the unit the fitter works in. */
export function allowedRange(key: ReadingKey, unit: LengthUnit = 'mm'): string {
  if (isChoice(key)) return `one of ${Object.values(definitionOf(key).options).join(', ')}`
  const { min, max, dimension } = definitionOf(key)
  if (dimension === 'mass') return `${min} to ${max} kg`
  if (dimension === 'angle') return `${trimmed(min, 0)}° to ${trimmed(max, 0)}°`
  if (isPlain(dimension)) return `${min} to ${max} ${plainUnits[dimension]}`
  if (dimension === 'shoe-size') return `EU ${min} to ${max}`
  return `${formatLength(min, unit)} to ${formatLength(max, unit)} ${unit}`
}

/** A held value as the fitter’s unit shows it, without its unit; a choice as its word. */
export function shownValue(key: ReadingKey, value: number | string, unit: LengthUnit, decimals?: number): string {
  if (isChoice(key)) return optionWord(key, String(value))
  if (typeof value === 'string') return value
  return definitionOf(key).dimension === 'length' ? formatLength(value, unit, decimals) : trimmed(value, decimals ?? 1)
}

/** What stands behind a shown value: " mm", "°", " kg", or nothing. */
export function unitMark(key: ReadingKey, unit: LengthUnit): string {
  const { dimension } = definitionOf(key)
  return isPlain(dimension)
    ? ` ${plainUnits[dimension]}`
    : { length: ` ${unit}`, angle: '°', 'shoe-size': '', mass: ' kg', choice: '' }[dimension]
}

/** Why a held value cannot be stored, or null when it can. Used at every edge. */
export function rangeProblem(key: NumberKey, side: Side | 'both', value: number, unit: LengthUnit = 'mm'): string | null {
  const { min, max, isRoom } = definitionOf(key)
  if (Number.isFinite(value) && value >= min && value <= max) return null
  const name = readingName(key, side)
  if (isRoom && value < 0) {
    return `${name} is written the wrong way round: room is counted from where the part stands now, as a positive number. Allowed: ${allowedRange(key, unit)}.`
  }
  return `${name} must lie between ${allowedRange(key, unit).replace(' to ', ' and ')}.`
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
      : { ok: false, message: `${readingName(key, side)}: ${parsed.message} Allowed: ${allowedRange(key, unit)}.` }
  }
  const problem = rangeProblem(key, side, parsed.value, unit)
  if (problem === null) return { ok: true, value: rounded(parsed.value), repeats: [] }
  const suggestion = dimension === 'length' ? otherUnit(key, parsed.value, parsed.unit as LengthUnit) : undefined
  return suggestion === undefined ? { ok: false, message: problem } : { ok: false, message: problem, suggestion }
}

/** The unit a slipped entry most likely meant, when exactly that makes it plausible. */
function otherUnit(key: NumberKey, mm: number, unit: LengthUnit): { label: string; text: string } | undefined {
  const { min, max } = definitionOf(key)
  const perUnit = { mm: 1, cm: 10, in: MM_PER_INCH }
  const typed = mm / perUnit[unit]
  const tries = (['in', 'cm', 'mm'] as const).filter((other) => other !== unit)
  for (const other of tries) {
    const value = typed * perUnit[other]
    if (value >= min && value <= max) {
      const text = `${trimmed(typed, 3).replace('−', '-')} ${other}`
      return { label: other === 'mm' ? `Take it as ${text}` : `Take it as ${text} (${trimmed(value, 1)} mm)`, text }
    }
  }
  return undefined
}
