import type { ConditionKey } from '@level-stance/core/readings/conditions'
import type { Reading } from '@level-stance/core/readings/reading'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { entriesOf } from '@level-stance/core/kernel/tables'

type Value = number | string

/** Compact readings: a number or key for one value, a pair for left and right, a list of one for left alone. */
export function readingsOf(
  at: string,
  values: Partial<Record<ReadingKey, Value | readonly Value[]>>,
  condition: ConditionKey = 'usual',
  after: string | null = null,
): Reading[] {
  return entriesOf(values).flatMap(([key, value]) => {
    const one = (side: Reading['side'], v: Value): Reading => ({
      key,
      side,
      value: v,
      typed: String(v),
      method: definitionOf(key).method,
      after,
      at,
      condition,
      repeats: [],
    })
    return typeof value === 'object' ? value.map((v, i) => one(i === 0 ? 'left' : 'right', v)) : [one('both', value)]
  })
}

/** A reading taken several times on each side; its value is their mean. */
export function repeated(at: string, key: ReadingKey, left: readonly number[], right: readonly number[]): Reading[] {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  return readingsOf(at, { [key]: [mean(left), mean(right)] }).map((reading) => {
    const repeats = [...(reading.side === 'left' ? left : right)]
    return { ...reading, repeats, typed: repeats.join('; ') }
  })
}
