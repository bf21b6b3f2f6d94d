import { calibrate, withFree } from '../body/calibration.ts'
import type { FreeKey, FreeParameters } from '../body/calibration.ts'
import { factDefinition, factKeys, riderFacts } from '../body/facts.ts'
import type { FactKey } from '../body/facts.ts'
import { axlesOf, buildModel } from '../measure/riderModel.ts'
import type { ModelValues, MovedBy } from '../measure/riderModel.ts'
import type { CalibratedRider } from './calibrated.ts'
import { uncertainInputs } from './knowledge.ts'

/** What many draws of a rider make of one fact. */
export interface Sampled {
  /** 2.5, 50 and 97.5 of 100 draws */
  readonly low: number
  readonly middle: number
  readonly high: number
  /** share of draws in which it has no value: the leg or the arm does not reach, 0..1 */
  readonly lost: number
  /** share of the other draws inside the band; null without a band */
  readonly inBand: number | null
}
export type SampledFacts = Readonly<Partial<Record<FactKey, Sampled>>>

/**
 * Draws riders as uncertain as their readings are, calibrates each to angles drawn the same way, and
 * gives each fact's spread: for where a band's edge or an unreachable leg makes the first order wrong.
 * A generator: each step is one draw, so that a caller can show progress and stop.
 * @param random uniform in [0, 1)
 * @source gum
 */
export function* sampleFacts(rider: CalibratedRider, by: MovedBy, draws: number, random: () => number): Generator<number, SampledFacts> {
  const inputs = uncertainInputs(rider)
  const axles = axlesOf(rider.values)
  const found = new Map<FactKey, number[]>(factKeys.map((key) => [key, []]))
  for (let draw = 0; draw < draws; draw++) {
    const values: Record<string, { left: number | null; right: number | null }> = { ...rider.values }
    const free: Record<string, { prior: number; plusMinus: number }> = { ...rider.free }
    for (const { key, side, deviation } of inputs) {
      const off = deviation * normal(random)
      const row = values[key]
      if (key in free) free[key] = { ...rider.free[key as FreeKey], prior: rider.free[key as FreeKey].prior + off }
      else if (row) {
        values[key] = {
          left: row.left === null || side === 'right' ? row.left : row.left + off,
          right: row.right === null || side === 'left' ? row.right : row.right + off,
        }
      }
    }
    const drawn = values as unknown as ModelValues
    const knowns = rider.knowns.flatMap(({ known, by: then, hands }) => {
      const base = buildModel(drawn, rider.bar, then, hands).model
      return base === null ? [] : [{ ...known, value: known.value + (known.plusMinus / 2) * normal(random), base }]
    })
    const { values: solved } = calibrate(free as unknown as FreeParameters, knowns, 'fitted')
    const { model } = buildModel(drawn, rider.bar, by)
    const facts = model && riderFacts(withFree(model, solved), axles)
    for (const key of factKeys) {
      const value = facts?.[key] ?? null
      if (value !== null) found.get(key)?.push(value)
    }
    yield draw + 1
  }
  return Object.fromEntries(
    factKeys.flatMap((key) => {
      const values = found.get(key) ?? []
      return values.length === 0 ? [] : [[key, summary(key, values, draws)]]
    }),
  )
}

function summary(key: FactKey, values: number[], draws: number): Sampled {
  values.sort((a, b) => a - b)
  const at = (share: number) => values[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0
  const { band } = factDefinition(key)
  const inside = band && values.filter((value) => value >= band.low && value <= band.high).length / values.length
  return { low: at(0.025), middle: at(0.5), high: at(0.975), lost: 1 - values.length / draws, inBand: inside }
}

/** A standard normal draw (Box–Muller). */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
}
