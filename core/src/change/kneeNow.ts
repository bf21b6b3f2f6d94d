import { predict, withFree } from '../body/calibration.ts'
import type { RiderMetrics } from '../body/metrics.ts'
import { methods, methodKeys } from '../measure/methods.ts'
import type { Method, MethodKey } from '../measure/methods.ts'
import { bandFor } from '../measure/readingBands.ts'
import { measured } from '../measure/resolve.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import type { TargetBand } from '../quantity/band.ts'
import type { Side } from '../quantity/sided.ts'
import type { Setup } from './setup.ts'

/** A knee at the bottom as it stands now, and how it is judged. */
export interface KneeNow {
  /** degrees: as read, carried on by the model over what was changed since; else the model's own */
  readonly flexion: number
  /** of the reading, widened by what the model cannot make of it, k = 2; null where the knee was not read */
  readonly plusMinus: number | null
  readonly band: TargetBand
  /** degrees that the reading lies over what the model makes of it; 0 where the knee was not read */
  readonly overModel: number
}

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
 * A measured knee outranks the model: it is judged by itself, at once, with nothing else read. The
 * model only says what changes since have made of it, and how far the two are apart.
 * @param modelled the model's own knee now, degrees
 * @returns null where the knee is neither read nor known to the model
 */
export function kneeNow(setup: Setup, side: Side, modelled: number | null): KneeNow | null {
  const { now, model, rider } = setup
  const band = kneeBand(now, side)
  const read = measured(now, 'kneeFlexion', side)
  if (read === null) return modelled === null ? null : { flexion: modelled, plusMinus: null, band, overModel: 0 }
  // The reading that counts here; one taken later counts where none was taken before.
  const own = rider.knowns
    .filter(({ known: { kind, side: at, value } }) => kind === 'kneeFlexion' && at === side && value === read.value)
    .sort((a, b) => a.place - b.place)
  const known = (own.findLast(({ place }) => place <= setup.place) ?? own[0])?.known
  if (model === null || known === undefined) return { flexion: read.value, plusMinus: read.plusMinus, band, overModel: 0 }
  const then = predict(withFree(known.base, rider.usual.values), known)
  const overModel = read.value - then
  const plusMinus = Math.abs(overModel) > read.plusMinus ? Math.hypot(read.plusMinus, overModel) : read.plusMinus
  return { flexion: predict(model, known) + overModel, plusMinus, band, overModel }
}

/** What a knee says of the saddle: too low for it, too high, or neither. */
export function saddleFor({ flexion, band }: Pick<KneeNow, 'flexion' | 'band'>): 'low' | 'high' | 'level' {
  return flexion > band.high ? 'low' : flexion < band.low ? 'high' : 'level'
}

/** Numbers of the rider with each knee as it was read, where the model could not make what was read of it. */
export function kneesAsRead(metrics: RiderMetrics, setup: Setup): RiderMetrics {
  const over = (side: Side, modelled: number | null) =>
    modelled === null ? null : modelled + (kneeNow(setup, side, modelled)?.overModel ?? 0)
  return { ...metrics, kneeLeft: over('left', metrics.kneeLeft), kneeRight: over('right', metrics.kneeRight) }
}
