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
