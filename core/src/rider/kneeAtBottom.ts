import type { MetricKey, RiderMetrics } from '../body/metrics.ts'
import { methods, methodKeys } from '../readings/table/methods.ts'
import type { Method, MethodKey } from '../readings/table/methods.ts'
import { bandFor } from '../readings/table/readingBands.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import type { TargetBand } from '../kernel/band.ts'
import { bySide } from '../kernel/sided.ts'
import type { Side, Sided } from '../kernel/sided.ts'
import { metricEstimate } from './metricEstimate.ts'
import type { AsRead } from './metricEstimate.ts'
import type { Setup } from './setup.ts'

/** A knee at the bottom as it stands now, and how it is judged. */
export interface KneeNow extends Omit<AsRead, 'carried'> {
  readonly band: TargetBand
}

const metricOf: Sided<MetricKey> = { left: 'kneeLeft', right: 'kneeRight' }

/** How a knee was read; null where it was not. */
function methodOf(now: ResolvedReadings, side: Side): MethodKey | null {
  const read = now.kneeFlexion[side]
  return read?.basis === 'measured' ? (methodKeys.find((key) => key === read.from) ?? null) : null
}

/** Whether the knee was read off a pedalling leg: then the model that was fitted to it is one of a pedalling leg. */
export function isPedalling(now: ResolvedReadings, side: Side): boolean {
  const key = methodOf(now, side)
  const method: Method | null = key && methods[key]
  return method?.pedalling === true
}

/** The one band of a knee at the bottom: the way it was read decides, everywhere. */
export function kneeBand(now: ResolvedReadings, side: Side): TargetBand {
  return bandFor('knee-at-bottom', methodOf(now, side))
}

/**
 * A knee as it was read, or as the model has it, with its band; see {@link metricEstimate}.
 * @param modelled the model's own knee now, degrees
 * @param doubt ± of the knee as it is shown everywhere, degrees; while it is not known the reading's own stands
 * @returns null where the knee is neither read nor known to the model
 */
export function kneeAtBottom(setup: Setup, side: Side, modelled: number | null, doubt: number | null = null): KneeNow | null {
  const knee = metricEstimate(setup, metricOf[side], modelled)
  return knee && { ...knee, plusMinus: doubt ?? knee.plusMinus, band: kneeBand(setup.now, side) }
}

/** Both knees of a rider, from the numbers and their ± where the model has them. */
export function kneesNow(
  setup: Setup,
  metrics: RiderMetrics | null,
  plusMinus: (metric: MetricKey) => number | null,
): Sided<KneeNow | null> {
  return bySide((side) => kneeAtBottom(setup, side, metrics?.[metricOf[side]] ?? null, plusMinus(metricOf[side])))
}

/** What a knee says of the saddle: too low for it, too high, or neither. */
export function saddleFor({ value, band }: Pick<KneeNow, 'value' | 'band'>): 'low' | 'high' | 'level' {
  return value > band.high ? 'low' : value < band.low ? 'high' : 'level'
}
