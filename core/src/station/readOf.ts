import { keysOf, tableFrom, tableOf } from '../kernel/tables.ts'
/** A number with its ±; k = 2. */

import type { Quantity } from '../kernel/quantity.ts'
import type { Side } from '../kernel/sided.ts'
import type { NumberKey, ReadingKey } from '../readings/readingDefinitions.ts'
import { standsAt } from '../readings/resolve.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'

export interface UncertainValue {
  readonly value: number
  readonly plusMinus: number
}

/** The readings of one side, all of them or the names of those that lack. */
export function readOf<Keys extends NumberKey>(
  now: ResolvedReadings,
  side: Side,
  keys: readonly Keys[],
): { readonly read: Readonly<Record<Keys, Quantity>> | null; readonly missing: readonly Keys[] } {
  const found: (readonly [Keys, Quantity])[] = []
  const missing: Keys[] = []
  for (const key of keys) {
    const value = standsAt(now, key, side)
    if (value === null) missing.push(key)
    else found.push([key, value])
  }
  return { read: missing.length > 0 ? null : tableFrom(found), missing }
}

/** Their bare values. */
export const valuesOf = <Keys extends string>(read: Readonly<Record<Keys, Quantity>>): Record<Keys, number> =>
  tableOf(keysOf(read), (key) => read[key].value)
/** A judgement of one side, or what is still to be read for it. */
export type OrMissing<Made> =
  { readonly found: Made; readonly missing: readonly [] } | { readonly found: null; readonly missing: readonly ReadingKey[] }
export const lacks = (missing: readonly ReadingKey[]) => ({ found: null, missing })
export const has = <Made>(found: Made) => ({ found, missing: [] as const })
