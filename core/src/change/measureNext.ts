import { factDefinition, factKeys } from '../body/facts.ts'
import type { FactKey } from '../body/facts.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { knownKindOf } from '../measure/knownKinds.ts'
import { methodUncertainty } from '../measure/methods.ts'
import { definitionOf, readingKeys } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { buildModel } from '../measure/riderModel.ts'
import type { MovedBy } from '../measure/riderModel.ts'
import { varianceOf, varianceSpared } from '../quantity/gaussian.ts'
import { midSentence } from '../quantity/words.ts'
import { sides } from '../quantity/sided.ts'
import type { Side } from '../quantity/sided.ts'
import { SLOUCH } from './calibrated.ts'
import type { CalibratedRider } from './calibrated.ts'
import { isOpen, knownGradient, knowledgeOf } from './knowledge.ts'
import type { Knowledge } from './knowledge.ts'

/** A reading worth taking, and what it would sharpen most. */
export interface NextReading {
  readonly key: ReadingKey
  /** `needed`: nothing can be said without it; `sharpens`: it would narrow a judgement */
  readonly why: 'needed' | 'sharpens'
  readonly fact: FactKey | null
  /** ± of that fact now, and with this reading taken by its usual method */
  readonly from: number | null
  readonly to: number | null
  /** sum over the judged facts of the share of variance spared, open ones in full */
  readonly gain: number
}

/** Facts that carry a judgement or are compared before and after. */
const judged: readonly FactKey[] = factKeys.filter((key) => !key.startsWith('longest') && !key.startsWith('kneeAhead'))
/** A judgement that is not open any more counts this much. */
const CLOSED_WEIGHT = 0.15
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
 * @param knowledge at the bike as it stands; null while the legs cannot be drawn
 * @source gum
 */
export function measureNext(rider: CalibratedRider, by: MovedBy, knowledge: Knowledge | null = knowledgeOf(rider, by)): NextReading[] {
  const { missing } = buildModel(rider.values, rider.bar, by)
  const needed = missing.map((key): NextReading => ({ key, why: 'needed', fact: null, from: null, to: null, gain: Infinity }))
  if (knowledge === null) return needed
  const variances = new Map(
    judged.flatMap((key) => (knowledge.gradients[key] ? [[key, varianceOf(knowledge.covariance, knowledge.gradients[key])]] : [])),
  )
  const offers = readingKeys
    .filter((key) => hasReading(key, rider.bar) && !missing.includes(key))
    .flatMap((key) => offerOf(rider, knowledge, by, key))
  const sharpening = offers
    .map(({ key, rows }) => gainOf(knowledge, variances, key, rows))
    .filter((next) => next.gain > WORTH_TAKING)
    .sort((a, b) => b.gain - a.gain)
  return [...needed, ...sharpening]
}

interface Row {
  readonly gradient: readonly number[]
  readonly deviation: number
}

/** A reading not taken yet as linear measurements of the inputs, left and right. */
function offerOf(rider: CalibratedRider, knowledge: Knowledge, by: MovedBy, key: ReadingKey): { key: ReadingKey; rows: Row[] }[] {
  const { method, dimension, sided } = definitionOf(key)
  const own = methodUncertainty(method, dimension) ?? 0
  // A taped trunk still is not the effective one.
  const deviation = Math.hypot(own, key === 'trunk' ? SLOUCH : 0) / 2
  if (!(own > 0)) return []
  // What already follows from other readings is not asked for again.
  if (rider.resolved[key].right?.basis === 'estimated' && rider.resolved[key].right.source === 'geometry') return []
  const kind = knownKindOf[key]
  const untaken: readonly (Side | 'both')[] = (sided ? sides : (['both'] as const)).filter(
    (side) => rider.resolved[key][side === 'left' ? 'left' : 'right']?.basis !== 'measured',
  )
  if (untaken.length === 0) return []
  if (kind !== undefined) {
    const rows = untaken.map((side) => ({ gradient: knownGradient(rider, knowledge, by, { kind, side }), deviation }))
    return [{ key, rows }]
  }
  const rows = knowledge.inputs.flatMap((input, i): Row[] =>
    input.key === key && !input.measured && (input.side === 'both' || untaken.includes(input.side))
      ? [{ gradient: knowledge.inputs.map((_, j) => (i === j ? 1 : 0)), deviation }]
      : [],
  )
  return rows.length === 0 ? [] : [{ key, rows }]
}

function gainOf(knowledge: Knowledge, variances: ReadonlyMap<FactKey, number>, key: ReadingKey, rows: readonly Row[]): NextReading {
  let gain = 0
  let best: { fact: FactKey; from: number; to: number; worth: number } | null = null
  for (const [fact, variance] of variances) {
    const h = knowledge.gradients[fact]
    if (h === null || !(variance > 1e-12)) continue
    // Left and right of one reading sharpen different legs: the larger of the two counts.
    const spared = Math.min(variance, Math.max(...rows.map((row) => varianceSpared(knowledge.covariance, h, row.gradient, row.deviation))))
    const share = spared / variance
    const plusMinus = 2 * Math.sqrt(variance)
    const worth = share * (isOpen(fact, plusMinus) ? 1 : CLOSED_WEIGHT)
    gain += worth
    if (best === null || worth > best.worth) best = { fact, from: plusMinus, to: 2 * Math.sqrt(variance - spared), worth }
  }
  return { key, why: 'sharpens', fact: best?.fact ?? null, from: best?.from ?? null, to: best?.to ?? null, gain }
}

/** "Would narrow torso from level from ±9° to ±3°." */
export function nextWords({ why, fact, from, to }: NextReading): string {
  if (why === 'needed') return 'Needed before anything can be drawn or judged.'
  if (fact === null || from === null || to === null) return ''
  const { label, unit } = factDefinition(fact)
  const mark = unit === 'deg' ? '°' : unit === 'mm' ? ' mm' : ' %'
  const shown = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0))
  return `Narrows ${midSentence(label)} from ±${shown(from)} to ±${shown(to)}${mark}.`
}
