import { trimmed } from '../kernel/entry.ts'
import type { Message } from '../kernel/message.ts'
import { mm, msg } from '../kernel/message.ts'
import { metricDefinition, metricKeys } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { methodUncertainty } from '../readings/table/methods.ts'
import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey, ReadingKey } from '../readings/readingDefinitions.ts'
import { buildModel } from '../model/riderModel.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { measuring, varianceOf } from '../kernel/gaussian.ts'
import { vectorOf } from '../kernel/vector.ts'
import type { Vector } from '../kernel/vector.ts'
import { midSentence } from '../kernel/words.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import type { CalibratedRider } from '../rider/calibrated.ts'
import { SLOUCH } from '../rider/freeParameters.ts'
import { isOpen, uncertaintyModelOf } from './uncertainty.ts'
import type { UncertaintyModel } from './uncertainty.ts'

/** A reading worth taking, and what it would sharpen most. */
export interface SharpeningReading {
  readonly key: NumberKey
  /** `needed`: nothing can be said without it; `sharpens`: it would narrow a judgement */
  readonly why: 'needed' | 'sharpens'
  readonly metric: MetricKey | null
  /** ± of that metric now, and with this reading taken by its usual method */
  readonly from: number | null
  readonly to: number | null
  /** sum over the judged metrics of the share of variance spared, open ones in full */
  readonly gain: number
}

/** Metrics that carry a judgement or are compared before and after. */
const judged: readonly MetricKey[] = metricKeys.filter((key) => !key.startsWith('longest') && !key.startsWith('kneeAhead'))
/** A judgement that is not open any more counts this much. */
const CLOSED_WEIGHT = 0.15
/** A number of one arm: most readings say the same of both. @source prior */
const ARM_WEIGHT = 0.5
/** Less gain than this is not worth a fitter's minute. */
const WORTH_TAKING = 0.05

/** Whether a bike with this bar has the reading at all. */
export function hasReading(key: ReadingKey, bar: BarKind): boolean {
  const { bar: only } = definitionOf(key)
  return only === undefined || only === bar
}

/**
 * What to measure next: first what is needed to draw the rider at all, then what would take the
 * largest share of variance out of the judgements, each by its usual method.
 * @param uncertainty at the bike as it stands; null while the legs cannot be drawn
 * @source gum
 */
export function measureNext(
  rider: CalibratedRider,
  by: MovedBy,
  uncertainty: UncertaintyModel | null = uncertaintyModelOf(rider, by),
): SharpeningReading[] {
  const { missing } = buildModel(rider.values, rider.bar, by)
  const needed = missing.map((key): SharpeningReading => ({ key, why: 'needed', metric: null, from: null, to: null, gain: Infinity }))
  if (uncertainty === null) return needed
  const variances = new Map(
    judged.flatMap((key) => (uncertainty.gradients[key] ? [[key, varianceOf(uncertainty.covariance, uncertainty.gradients[key])]] : [])),
  )
  const offers = numberKeys
    .filter((key) => hasReading(key, rider.bar) && !missing.includes(key))
    .flatMap((key) => offerOf(rider, uncertainty, key))
  const sharpening = offers
    .map(({ key, rows }) => gainOf(uncertainty, variances, key, rows))
    .filter((next) => next.gain > WORTH_TAKING)
    .sort((a, b) => b.gain - a.gain)
  return [...needed, ...sharpening]
}

interface Row {
  readonly gradient: Vector
  readonly deviation: number
}

/** A reading not taken yet as linear measurements of the inputs, left and right. */
function offerOf(rider: CalibratedRider, uncertainty: UncertaintyModel, key: NumberKey): { key: NumberKey; rows: Row[] }[] {
  const { method, dimension, sided, onceForBoth } = definitionOf(key)
  const own = methodUncertainty(method, dimension) ?? 0
  // A taped trunk still is not the effective one.
  const deviation = Math.hypot(own, key === 'trunk' ? SLOUCH : 0) / 2
  if (!(own > 0)) return []
  // What already follows from other readings is not asked for again.
  if (rider.resolved[key].right?.basis === 'estimated' && rider.resolved[key].right.source === 'geometry') return []
  const kind = definitionOf(key).calibrates
  const untaken: readonly (Side | 'both')[] = (sided ? sides : (['both'] as const)).filter(
    (side) => rider.resolved[key][side === 'left' ? 'left' : 'right']?.basis !== 'measured',
  )
  if (untaken.length === 0) return []
  if (kind !== undefined) {
    // Read once it stands for both arms.
    const once: readonly (Side | 'both')[] = onceForBoth && untaken.length === sides.length ? ['both'] : untaken
    const rows = once.map((side) => ({ gradient: uncertainty.knownGradient({ kind, side }), deviation }))
    return [{ key, rows }]
  }
  const rows = uncertainty.inputs.flatMap((input, i): Row[] =>
    input.key === key && !input.measured && (input.side === 'both' || untaken.includes(input.side))
      ? [{ gradient: vectorOf(uncertainty.inputs.length, (j) => (i === j ? 1 : 0)), deviation }]
      : [],
  )
  return rows.length === 0 ? [] : [{ key, rows }]
}

function gainOf(
  uncertainty: UncertaintyModel,
  variances: ReadonlyMap<MetricKey, number>,
  key: NumberKey,
  rows: readonly Row[],
): SharpeningReading {
  const measurements = rows.map(({ gradient, deviation }) => measuring(uncertainty.covariance, gradient, deviation))
  let gain = 0
  let best: { metric: MetricKey; from: number; to: number; worth: number } | null = null
  for (const [metric, variance] of variances) {
    const h = uncertainty.gradients[metric]
    if (h === null || !(variance > 1e-12)) continue
    // Left and right of one reading sharpen different legs: the larger of the two counts.
    const spared = Math.min(variance, Math.max(...measurements.map((varianceSpared) => varianceSpared(h))))
    const share = spared / variance
    const plusMinus = 2 * Math.sqrt(variance)
    const worth = share * (isOpen(metric, plusMinus) ? 1 : CLOSED_WEIGHT) * (metricDefinition(metric).part === 'arms' ? ARM_WEIGHT : 1)
    gain += worth
    if (best === null || worth > best.worth) best = { metric, from: plusMinus, to: 2 * Math.sqrt(variance - spared), worth }
  }
  return { key, why: 'sharpens', metric: best?.metric ?? null, from: best?.from ?? null, to: best?.to ?? null, gain }
}

/** "Would narrow torso from level from ±9° to ±3°." */
export function nextWords({ why, metric, from, to }: SharpeningReading): Message {
  if (why === 'needed') return 'Needed before anything can be drawn or judged.'
  if (metric === null || from === null || to === null) return ''
  const { label, unit } = metricDefinition(metric)
  const digits = (value: number) => (value < 10 ? 1 : 0)
  const shown = (value: number) => `${trimmed(value, digits(value))}${unit === 'deg' ? '°' : ' %'}`
  const [before, after] = unit === 'mm' ? [mm(from, digits(from)), mm(to, digits(to))] : [shown(from), shown(to)]
  return msg`Narrows ${midSentence(label)} from ±${before} to ±${after}.`
}
