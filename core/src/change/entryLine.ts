import { trimmed } from '../quantity/entry.ts'
import type { LengthUnit } from '../quantity/entry.ts'
import type { Side } from '../quantity/sided.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { readEntry, readingName, shownValue, unitMark } from '../measure/readingEntry.ts'
import { methods } from '../measure/methods.ts'
import type { MethodKey } from '../measure/methods.ts'
import { settings } from './settings.ts'

/** What a short typed note means, before it is taken. */
export type Understood =
  | { readonly kind: 'aim'; readonly side: Side; readonly by: number; readonly words: string }
  | {
      readonly kind: 'reading'
      readonly key: ReadingKey
      readonly side: Side | 'both'
      readonly text: string
      readonly value: number
      readonly method: MethodKey | null
      readonly words: string
    }
  | { readonly kind: 'unknown'; readonly words: string }

/** The words a busy hand types for a reading. */
const readingWords: Readonly<Record<string, ReadingKey>> = {
  stature: 'stature', inseam: 'inseam', thigh: 'thigh', shank: 'shank', foot: 'footLength', saddle: 'saddleHeight', height: 'saddleHeight',
  angle: 'seatAngle', crank: 'crank', pitch: 'footPitch', size: 'shoeSize', shoe: 'shoeSize', ball: 'heelToMtp1', mtp1: 'heelToMtp1', mtp5: 'heelToMtp5',
  setback: 'cleatSetback', behind: 'cleatSetback', forward: 'slotForward', room: 'slotBack', stack: 'soleStack',
} // prettier-ignore

const methodWords: Readonly<Record<string, MethodKey>> = {
  ...Object.fromEntries((Object.keys(methods) as MethodKey[]).map((key) => [key, key])),
  gonio: 'goniometer',
}
const sideWords: Readonly<Record<string, Side>> = { l: 'left', left: 'left', r: 'right', right: 'right' }

/**
 * Reads a short note: `cleat L back 4` aims a cleat, `crank 172.5` or `ball R 196 ruler` enters a reading.
 * Nothing is done here; the screen shows the words first.
 */
export function understand(note: string, unit: LengthUnit): Understood {
  const words = note
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  const [first, ...rest] = words
  if (first === undefined) return unknown('For example: cleat L back 4, or crank 172.5')
  if (first === 'cleat') return aim(rest, unit)
  const key = meaning(readingWords, first)
  if (key === undefined) return unknown(`“${first.slice(0, 20)}” is not known here. Try: cleat, crank, saddle, ball, size, setback…`)
  return reading(key, rest, unit)
}

function aim([sideWord, direction, ...amount]: readonly string[], unit: LengthUnit): Understood {
  const side = meaning(sideWords, sideWord)
  const { more, less, cap } = settings.cleatSetback
  if (side === undefined) return unknown('Which cleat: L or R?')
  if (direction !== more && direction !== less) return unknown(`Cleat ${side}: back or forward?`)
  const entry = readEntry('slotBack', side, amount.join(' '), unit)
  if (!entry.ok || entry.value === null || entry.value === 0) return unknown(`Cleat ${side} ${direction}: by how much?`)
  const steps = entry.value > cap ? `, in steps of ${cap}` : ''
  return {
    kind: 'aim',
    side,
    by: direction === more ? entry.value : -entry.value,
    words: `Aim the ${side} cleat ${trimmed(entry.value, 1)} mm ${direction}${steps}`,
  }
}

function reading(key: ReadingKey, words: readonly string[], unit: LengthUnit): Understood {
  const { sided, label } = definitionOf(key)
  const side = sided ? meaning(sideWords, words[0]) : 'both'
  if (side === undefined) return unknown(`${label}: L or R?`)
  const rest = sided ? words.slice(1) : [...words]
  const method = meaning(methodWords, rest.at(-1)) ?? null
  const text = (method === null ? rest : rest.slice(0, -1)).join(' ')
  const entry = readEntry(key, side, text, unit)
  if (!entry.ok) return unknown(entry.message)
  if (entry.value === null) return unknown(`${readingName(key, side)}: how much?`)
  const how = method === null ? '' : `, ${methods[method].label}`
  return {
    kind: 'reading',
    key,
    side,
    text,
    value: entry.value,
    method,
    words: `${readingName(key, side)}: ${shownValue(key, entry.value, 'mm')}${unitMark(key, 'mm')}${how}`,
  }
}

/** A word of a table; what every object has by birth (`constructor`) is no word. */
function meaning<T>(table: Readonly<Record<string, T>>, word: string | undefined): T | undefined {
  return word !== undefined && Object.hasOwn(table, word) ? table[word] : undefined
}

function unknown(words: string): Understood {
  return { kind: 'unknown', words }
}
