import { isPlain } from '../quantity/entry.ts'
import { freeKeys, predict, withFree } from '../body/calibration.ts'
import type { FreeKey, FreeValues, KnownKind } from '../body/calibration.ts'
import { factDefinition, factKeys, riderFacts } from '../body/facts.ts'
import type { FactKey, RiderFacts } from '../body/facts.ts'
import type { RiderModel } from '../body/rider.ts'
import type { HandPosition } from '../measure/conditions.ts'
import { definitionOf, readingKeys } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { axlesOf, buildModel, modelPlusMinus } from '../measure/riderModel.ts'
import type { ModelKey, ModelValues, MovedBy } from '../measure/riderModel.ts'
import { afterMeasuring, independent, times, varianceOf } from '../quantity/gaussian.ts'
import type { Covariance } from '../quantity/gaussian.ts'
import { sides } from '../quantity/sided.ts'
import type { Side } from '../quantity/sided.ts'
import type { CalibratedRider } from './calibrated.ts'

/** One thing that is not known exactly: a reading, an estimate, or a hidden part of the body. */
export interface UncertainInput {
  readonly key: ModelKey | FreeKey
  readonly side: Side | 'both'
  /** standard deviation before anything was measured on the bike */
  readonly deviation: number
  /** whether it was read; estimates and hidden parts were not */
  readonly measured: boolean
}

/** How well everything is known together, and what that makes of the rider's facts. */
export interface Knowledge {
  readonly inputs: readonly UncertainInput[]
  readonly covariance: Covariance
  /** facts at the bike as it stands */
  readonly facts: RiderFacts
  /** gradient of each fact over the inputs; null where the fact has no value */
  readonly gradients: Readonly<Record<FactKey, readonly number[] | null>>
}

/** Parts that calibration solves for: their uncertainty is that of the free parameter. */
const calibratedKeys: readonly ModelKey[] = ['hipForward', 'hipUp', 'trunk', 'footPitch', 'elbowFlexion']
/** Free parameters that stand for a part; leg length is carried by thigh and shank. */
const uncertainFree: readonly FreeKey[] = freeKeys.filter((key) => !key.startsWith('leg'))
/** Readings of feet and seat that never enter the model of the rider. */
const stationOnly: readonly ModelKey[] = [
  'archSupport',
  'wedge',
  'axleThread',
  'stayWidth',
  'otherStance',
  'hipBreadth',
  'tipToTail',
  'rearSag',
  'forkSag',
  'headBoltSpacing',
  'headNotch',
  'saddleZoneWidth',
  'saddleNoseWidth',
  'saddleNoseDrop',
  'saddleTailRise',
  'saddleWidth',
  'sitBoneSpacing',
]
/** Readings that the model does not use at all. */
const notInModel = new Set<ModelKey>(
  readingKeys.filter((key) => {
    const { group, dimension } = definitionOf(key)
    if (group === 'on-bike' || dimension === 'choice' || dimension === 'mass' || dimension === 'shoe-size' || isPlain(dimension))
      return true
    return /Room|slot|^shoe|^bolt|^heel(In|Out|Width)$|^cleat(Turn|Float|Plate)/.test(key) || stationOnly.includes(key)
  }),
)
/** Gradients are taken over this share of an input's deviation, either way. */
const STEP_SHARE = 0.2

/** The rider as a function of shifted inputs. */
interface Shifted {
  readonly values: ModelValues
  readonly free: FreeValues
}

/**
 * First-order uncertainty of every fact, all inputs together: prior deviations, then each angle
 * measured on the bike taken in as a linear measurement, so that what calibration pins down is no
 * longer counted, and what it ties together stays correlated.
 * @param by changes in force
 * @returns null while the legs cannot be drawn
 * @source gum
 */
export function knowledgeOf(rider: CalibratedRider, by: MovedBy, hands?: HandPosition): Knowledge | null {
  const base: Shifted = { values: rider.values, free: rider.usual.values }
  const axles = axlesOf(rider.values)
  const factsOf = (at: Shifted): RiderFacts | null => {
    const model = modelOf(rider, at, by, hands)
    return model && riderFacts(model, axles)
  }
  const facts = factsOf(base)
  if (facts === null) return null
  const inputs = uncertainInputs(rider)
  const pairs = inputs.map((input) => {
    const step = input.deviation * STEP_SHARE
    return { up: shifted(base, input, step), down: shifted(base, input, -step), step }
  })
  const either = pairs.map(({ up, down, step }) => ({ up: factsOf(up), down: factsOf(down), step }))
  const gradients = Object.fromEntries(
    factKeys.map((key) => [
      key,
      facts[key] === null ? null : either.map(({ up, down, step }) => slope(up?.[key], down?.[key], facts[key], step)),
    ]),
  ) as Record<FactKey, number[] | null>
  let covariance = independent(inputs.map((input) => input.deviation))
  for (const { known, by: then, hands: held } of rider.knowns) {
    const predicted = (at: Shifted): number | undefined => {
      const model = modelOf(rider, at, then, held)
      return model === null ? undefined : predict(model, known)
    }
    const middle = predicted(base) ?? 0
    const row = pairs.map(({ up, down, step }) => slope(predicted(up), predicted(down), middle, step))
    covariance = afterMeasuring(covariance, row, known.plusMinus / 2)
  }
  return { inputs, covariance, facts, gradients }
}

/** ± of every fact, k = 2; null where the fact has no value. */
export function factSpreads({ covariance, gradients }: Knowledge): Readonly<Record<FactKey, number | null>> {
  return Object.fromEntries(
    factKeys.map((key) => {
      const h = gradients[key]
      return [key, h && 2 * Math.sqrt(varianceOf(covariance, h))]
    }),
  ) as Record<FactKey, number | null>
}

/**
 * ± of the difference of a fact between two settings of the same bike and rider, k = 2: most of what
 * is uncertain cancels.
 */
export function differenceSpread(before: Knowledge, after: Knowledge, key: FactKey): number | null {
  const [a, b] = [before.gradients[key], after.gradients[key]]
  if (a === null || b === null) return null
  return (
    2 *
    Math.sqrt(
      varianceOf(
        before.covariance,
        a.map((value, i) => b[i]! - value),
      ),
    )
  )
}

/**
 * Share of a fact's variance that would go if one input were known exactly, largest first. Shares
 * of inputs that are tied together may overlap.
 */
export function varianceShares(knowledge: Knowledge, key: FactKey): { input: UncertainInput; share: number }[] {
  const h = knowledge.gradients[key]
  if (h === null) return []
  const column = times(knowledge.covariance, h)
  const total = varianceOf(knowledge.covariance, h)
  return knowledge.inputs
    .map((input, i) => {
      const own = knowledge.covariance[i]![i]!
      return { input, share: own > 0 && total > 0 ? column[i]! ** 2 / own / total : 0 }
    })
    .sort((a, b) => b.share - a.share)
}

/** Gradient of an angle that could be measured on the bike as it stands, over the same inputs. */
export function knownGradient(
  rider: CalibratedRider,
  knowledge: Knowledge,
  by: MovedBy,
  asked: { readonly kind: KnownKind; readonly side: Side | 'both' },
): number[] {
  const base: Shifted = { values: rider.values, free: rider.usual.values }
  const predicted = (at: Shifted): number | undefined => {
    const model = modelOf(rider, at, by)
    return model === null ? undefined : predict(model, asked)
  }
  const middle = predicted(base) ?? 0
  return knowledge.inputs.map((input) => {
    const step = input.deviation * STEP_SHARE
    return slope(predicted(shifted(base, input, step)), predicted(shifted(base, input, -step)), middle, step)
  })
}

/** Whether a fact's ± is wide against its band, so that its judgement is still open. */
export function isOpen(key: FactKey, plusMinus: number): boolean {
  const { band } = factDefinition(key)
  return band !== null && plusMinus > (band.high - band.low) / 2
}

function modelOf(rider: CalibratedRider, { values, free }: Shifted, by: MovedBy, hands?: HandPosition): RiderModel | null {
  const { model } = buildModel(values, rider.bar, by, hands)
  return model && withFree(model, free)
}

/** Everything the model rests on that is not exact; what the free parameters carry stands once. */
export function uncertainInputs(rider: CalibratedRider): UncertainInput[] {
  const spreads = modelPlusMinus(rider.resolved)
  const inputs: UncertainInput[] = []
  for (const key of Object.keys(spreads) as ModelKey[]) {
    if (calibratedKeys.includes(key) || notInModel.has(key)) continue
    const reading = (readingKeys as readonly string[]).includes(key) ? (key as ReadingKey) : null
    const measured = (side: Side) => reading !== null && rider.resolved[reading][side]?.basis === 'measured'
    const { left, right } = spreads[key]
    // An estimate errs the same way on both sides; two readings err each by itself.
    const shared = reading === null || !definitionOf(reading).sided || (!measured('left') && !measured('right'))
    if (shared) {
      if (right !== null && right > 0) inputs.push({ key, side: 'both', deviation: right / 2, measured: measured('right') })
      continue
    }
    for (const side of sides) {
      const spread = side === 'left' ? left : right
      if (spread !== null && spread > 0) inputs.push({ key, side, deviation: spread / 2, measured: measured(side) })
    }
  }
  for (const key of uncertainFree) inputs.push({ key, side: 'both', deviation: rider.free[key].plusMinus / 2, measured: false })
  return inputs
}

function shifted(base: Shifted, { key, side }: UncertainInput, by: number): Shifted {
  if ((freeKeys as readonly string[]).includes(key)) {
    const free = key as FreeKey
    return { ...base, free: { ...base.free, [free]: base.free[free] + by } }
  }
  const model = key as ModelKey
  const { left, right } = base.values[model]
  const moved = {
    left: left === null || side === 'right' ? left : left + by,
    right: right === null || side === 'left' ? right : right + by,
  }
  return { ...base, values: { ...base.values, [model]: moved } }
}

/** Central difference; one-sided where the other side has no value. */
function slope(up: number | null | undefined, down: number | null | undefined, middle: number | null, step: number): number {
  const [a, b, m] = [up ?? null, down ?? null, middle ?? null]
  if (a !== null && b !== null) return (a - b) / (2 * step)
  if (m === null) return 0
  if (a !== null) return (a - m) / step
  return b === null ? 0 : (m - b) / step
}
