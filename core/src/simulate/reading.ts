import { itemAt } from '../kernel/dense.ts'
import { normal } from '../kernel/random.ts'
import type { ConditionKey } from '../readings/conditions.ts'
import type { Side } from '../kernel/sided.ts'
import { definitionOf, isChoice, optionsOf } from '../readings/readingDefinitions.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import type { Reading } from '../readings/reading.ts'
import { methodUncertainty } from '../readings/table/methods.ts'

/** A word chosen by eye is wrong this often. @source prior */
const MISSEEN = 0.05
/** A hand writes down no finer than this, in the reading's unit. @source prior */
const WRITTEN = 0.5

/**
 * A true value as it is read by its usual method and written down.
 * @param random uniform in [0, 1); null = read as it is
 */
export function readAs(
  key: ReadingKey,
  side: Side | 'both',
  value: number | string,
  random: (() => number) | null,
  after: string | null = null,
  condition: ConditionKey = 'usual',
): Reading {
  const { method } = definitionOf(key)
  const shared = { key, side, method, after, at: '2026-01-01T00:00:00.000Z', condition, repeats: [] }
  if (isChoice(key)) {
    const options = optionsOf(key)
    const seen = random !== null && random() < MISSEEN ? itemAt(options, Math.floor(random() * options.length)) : String(value)
    return { ...shared, value: seen, typed: seen }
  }
  const { min, max, dimension } = definitionOf(key)
  const error = random === null ? 0 : ((methodUncertainty(method, dimension) ?? 0) / 2) * normal(random)
  const written = random === null ? Number(value) : Math.round((Number(value) + error) / WRITTEN) * WRITTEN
  const held = Math.min(max, Math.max(min, written))
  return { ...shared, value: held, typed: String(held) }
}
