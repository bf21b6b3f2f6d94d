import { keysOf, tableOf } from '../kernel/tables.ts'
import type { NumberRow } from '../station/number.ts'
import { riderNumbers } from '../station/riderNumbers.ts'
import { feetNumbers } from '../stations/feet/station.ts'
import { handsNumbers } from '../stations/hands/station.ts'
import { seatNumbers } from '../stations/seat/station.ts'
import type { Facts } from './context.ts'

/** Rows of a page as the reasoner reaches them: from everything that is known of a visit. */
function over<Parts>(parts: (facts: Facts) => Parts) {
  return <Key extends string>(rows: Readonly<Record<Key, NumberRow<Parts>>>): Readonly<Record<Key, NumberRow<Facts>>> =>
    tableOf<Key, NumberRow<Facts>>(keysOf(rows), (key) => {
      const { label, unit, sided, compares, observed, readings, at } = rows[key]
      return {
        label,
        unit,
        sided,
        ...(compares ? { compares } : {}),
        ...(observed ? { observed } : {}),
        readings: (facts) => readings(parts(facts)),
        at: (facts, side) => at(parts(facts), side),
      }
    })
}

/** Every number that a page judges or a cause is tested on, by the name of its row: the row of the page that owns it. */
export const numbers = {
  ...over(({ setup, metrics, input }) => ({ setup, metrics, plusMinus: input.plusMinus }))(riderNumbers),
  ...over(({ feet }) => feet)(feetNumbers),
  ...over(({ seat }) => seat)(seatNumbers),
  ...over(({ hands }) => hands)(handsNumbers),
}
export type NumberName = keyof typeof numbers

export function numberRow(name: NumberName): NumberRow<Facts> {
  return numbers[name]
}
