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

/** The bar's own sweeps and roll as they stand; null while they are not read. */
export function barSweeps(setup: Setup): { readonly barBacksweep: number; readonly barUpsweep: number; readonly barRoll: number } | null {
  const { now, rider, folded } = setup
  if (standsAt(now, 'barBacksweep') === null || standsAt(now, 'barUpsweep') === null) return null
  const bar = flatBarOf(rider.values, folded.by, 'right')
  return bar && { barBacksweep: bar.barBacksweep, barUpsweep: bar.barUpsweep, barRoll: bar.barRoll }
}
