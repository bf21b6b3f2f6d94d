import type { MetricKey } from '@level-stance/core/body/metrics'
import { keysOf } from '@level-stance/core/kernel/tables'
import { definitionOf, readingKeys } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { terms } from '@level-stance/core/readings/table/terms'
import type { Term, TermKey } from '@level-stance/core/readings/table/terms'

export type { TermKey }
export const termKeys = keysOf(terms)
export const termOf = (key: TermKey): Term => terms[key]

/** The term a reading is an amount of; null where the reading's own words say all. */
export const termOfReading = (reading: ReadingKey): TermKey | null => definitionOf(reading).term ?? null
/** The reading whose drawing shows a term. */
export const drawingOfTerm = (key: TermKey): ReadingKey | null => readingKeys.find((reading) => reading === termOf(key).drawing) ?? null

const byMetric = new Map(termKeys.flatMap((key) => (termOf(key).metrics ?? []).map((metric) => [metric, key] as const)))
/** The term that names a number of the rider on the bike; null where there is none. */
export const termOfMetric = (metric: MetricKey): TermKey | null => byMetric.get(metric) ?? null

const byWords = new Map(termKeys.flatMap((key) => (termOf(key).words ?? []).map((words) => [words.toLowerCase(), key] as const)))
/** Every way a term is called, the longest first, and an s for more than one. */
const called = new RegExp(`\\b(${[...byWords.keys()].sort((a, b) => b.length - a.length).join('|')})s?\\b`, 'gi')

/** A piece of a sentence, and the term it is the name of. */
export interface Piece {
  readonly words: string
  readonly term: TermKey | null
}
const read = new Map<string, readonly Piece[]>()
/** How many sentences are remembered. */
const MOST_READ = 500

/** A sentence in pieces: each term it has in it by itself, the first time it is named. */
export function piecesOf(sentence: string): readonly Piece[] {
  const known = read.get(sentence)
  if (known) return known
  const pieces: Piece[] = []
  const named = new Set<TermKey>()
  let from = 0
  for (const match of sentence.matchAll(called)) {
    const term = byWords.get((match[1] ?? '').toLowerCase()) ?? null
    if (term === null || named.has(term)) continue
    named.add(term)
    if (match.index > from) pieces.push({ words: sentence.slice(from, match.index), term: null })
    pieces.push({ words: match[0], term })
    from = match.index + match[0].length
  }
  if (from < sentence.length) pieces.push({ words: sentence.slice(from), term: null })
  if (read.size >= MOST_READ) read.clear()
  read.set(sentence, pieces)
  return pieces
}

/** Terms whose name or text has all of the typed words. */
export function termsWith(typed: string): TermKey[] {
  const asked = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  return termKeys.filter((key) => {
    const { term, says } = termOf(key)
    const text = `${term} ${says}`.toLowerCase()
    return asked.every((word) => text.includes(word))
  })
}
