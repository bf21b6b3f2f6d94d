import type { Side } from '../../../kernel/sided.ts'
import { flatBarOf } from '../../../model/riderModel.ts'
import { measured, standsAt } from '../../../readings/resolve.ts'
import type { Setup } from '../../../rider/setup.ts'
import type { Alignment } from './gripAlignment.ts'

/** The hand's own direction; null while either angle is not read. */
export function handAlignment({ now }: Pick<Setup, 'now'>, side: Side): (Alignment & { readonly plusMinus: number }) | null {
  const [back, up] = [measured(now, 'handSweep', side), measured(now, 'handRise', side)]
  return back && up && { back: back.value, up: up.value, plusMinus: Math.max(back.plusMinus, up.plusMinus) }
}

/** Bars rolled further than this lie rolled back or forward, degrees from the maker's zero. @source prior */
export const ROLL = { low: -4, high: 5 } as const

/** How far the bar may be rolled either way and lie in its band; one that nobody read is taken to lie within the half of it. Degrees. */
export function rollRoom({ now }: Pick<Setup, 'now'>): { readonly low: number; readonly high: number } {
  const lies = measured(now, 'barRoll')
  if (lies === null) return { low: ROLL.low / 2, high: ROLL.high / 2 }
  return { low: Math.min(0, ROLL.low - lies.value), high: Math.max(0, ROLL.high - lies.value) }
}

/** The bar's own sweeps and roll as they stand; null while they are not read. */
export function barSweeps(setup: Setup): { readonly barBacksweep: number; readonly barUpsweep: number; readonly barRoll: number } | null {
  const { now, rider, folded } = setup
  if (standsAt(now, 'barBacksweep') === null || standsAt(now, 'barUpsweep') === null) return null
  const bar = flatBarOf(rider.values, folded.by, 'right')
  return bar && { barBacksweep: bar.barBacksweep, barUpsweep: bar.barUpsweep, barRoll: bar.barRoll }
}
