import type { ConditionKey } from '@level-stance/core/measure/conditions'
import type { Reading } from '@level-stance/core/measure/reading'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'

/** Compact readings: a number for one value, a pair for left and right. */
export function readingsOf(
  takenAt: string,
  values: Partial<Record<ReadingKey, number | readonly number[]>>,
  condition: ConditionKey = 'usual',
): Reading[] {
  return (Object.entries(values) as [ReadingKey, number | readonly number[]][]).flatMap(([key, value]) => {
    const one = (side: Reading['side'], v: number): Reading => ({
      key,
      side,
      value: v,
      typed: String(v),
      method: definitionOf(key).method,
      takenAt,
      condition,
      repeats: [],
    })
    return typeof value === 'number' ? [one('both', value)] : [one('left', value[0] ?? 0), one('right', value[1] ?? 0)]
  })
}

/** A reading taken several times on each side; its value is their mean. */
export function repeated(takenAt: string, key: ReadingKey, left: readonly number[], right: readonly number[]): Reading[] {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  return readingsOf(takenAt, { [key]: [mean(left), mean(right)] }).map((reading) => {
    const repeats = [...(reading.side === 'left' ? left : right)]
    return { ...reading, repeats, typed: repeats.join('; ') }
  })
}
