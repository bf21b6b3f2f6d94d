import { metricDefinition, riderMetrics } from '../../../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../../../body/metrics.ts'
import { riderWith } from '../../../rider/calibrated.ts'
import type { Standing } from '../../../rider/setup.ts'
import { withMoves } from '../../../ledger/moves.ts'
import { axlesOf } from '../../../model/riderModel.ts'
import { bandState } from '../../../kernel/band.ts'

/** How far hands are moved to look, and how finely; mm either way of where they are. */
export const sweeps = {
  height: { label: 'Height', setting: 'handHeight', reach: 60, step: 5 },
  reach: { label: 'Reach', setting: 'handReach', reach: 40, step: 5 },
} as const
export type SweepKey = keyof typeof sweeps

/** In the middle this much changes little, mm either way. @source common-practice */
const CHANGES_LITTLE = 15

/** Numbers of the rider with the hands at one place. */
export interface SweepPoint {
  /** mm from where they are, + up or forward */
  readonly at: number
  readonly metrics: RiderMetrics | null
  /** of both sides the one nearer to trouble, degrees and mm: hip more closed, shoulder more open, elbow straighter, wrist further bent, knee nearer */
  readonly worse: Readonly<Record<'hip' | 'shoulder' | 'elbow' | 'wrist' | 'gap', number | null>>
  /** head bent back for eyes that look level: the trunk's lean below upright, degrees */
  readonly neck: number | null
  /** judged numbers that lie outside their band here */
  readonly outside: readonly MetricKey[]
}

/** Numbers whose bands say where the middle ends. */
const judged: readonly MetricKey[] = ['elbowLeft', 'elbowRight', 'wristLeft', 'wristRight', 'kneeElbowLeft', 'kneeElbowRight']

const both = (metrics: RiderMetrics, left: MetricKey, right: MetricKey, pick: (a: number, b: number) => number): number | null => {
  const [a, b] = [metrics[left], metrics[right]]
  return a === null || b === null ? (a ?? b) : pick(a, b)
}
const further = (a: number, b: number) => (Math.abs(a) > Math.abs(b) ? a : b)
const worseOf = (metrics: RiderMetrics): SweepPoint['worse'] => ({
  hip: both(metrics, 'hipLeft', 'hipRight', Math.min),
  shoulder: both(metrics, 'shoulderLeft', 'shoulderRight', Math.max),
  elbow: both(metrics, 'elbowLeft', 'elbowRight', Math.min),
  wrist: both(metrics, 'wristLeft', 'wristRight', further),
  gap: both(metrics, 'kneeElbowLeft', 'kneeElbowRight', Math.min),
})

/** Neck of a rider who looks ahead: as far back as the trunk leans below upright. @source prior */
export function neckFor(torso: number | null): number | null {
  return torso === null ? null : 90 - torso
}

/**
 * What the rider's numbers become as the hands go up and down, or forward and back, the other held.
 * Elbows keep the bend the rider is calibrated to; the trunk follows.
 * @returns null while the rider or the hands are not known
 * @source geometry
 */
export function handSweep({ rider, by }: Pick<Standing, 'rider' | 'by'>, along: SweepKey): SweepPoint[] | null {
  const { setting, reach, step } = sweeps[along]
  const axles = axlesOf(rider.values)
  const points: SweepPoint[] = []
  for (let at = -reach; at <= reach; at += step) {
    const model = riderWith(rider, at === 0 ? by : withMoves(by, [{ setting, side: 'both', by: at }]))
    if (!model?.grips) return null
    const metrics = riderMetrics(model, axles)
    const reaches = metrics.torso !== null
    const outside = judged.filter((key) => {
      const { band } = metricDefinition(key)
      const value = metrics[key]
      return value !== null && band !== null && bandState({ value, plusMinus: 0 }, band) === 'outside'
    })
    points.push({ at, metrics: reaches ? metrics : null, worse: worseOf(metrics), neck: neckFor(metrics.torso), outside })
  }
  return points
}

/** The stretch about the present place that will do, mm from it. */
export interface Middle {
  readonly low: number
  readonly high: number
  /** the fitter found the edge on the trainer, or a number leaves its band there; null = as far as little changes */
  readonly lowEnd: 'found' | MetricKey | null
  readonly highEnd: 'found' | MetricKey | null
}

/**
 * The broad middle: edges found on the trainer where they were found; else as far as little changes,
 * and not past where a number that is inside its band now leaves it.
 * @param found edges, mm from the present place; null = not looked for
 * @source common-practice
 */
export function broadMiddle(points: readonly SweepPoint[], found: { readonly low: number | null; readonly high: number | null }): Middle {
  const here = points.find(({ at }) => at === 0)
  const isNew = (key: MetricKey) => !(here?.outside.includes(key) ?? false)
  const end = (sign: 1 | -1, edge: number | null): { readonly at: number; readonly end: Middle['lowEnd'] } => {
    if (edge !== null) return { at: edge, end: 'found' }
    const out = points.filter(({ at }) => sign * at > 0).sort((a, b) => Math.abs(a.at) - Math.abs(b.at))
    for (const point of out) {
      if (Math.abs(point.at) > CHANGES_LITTLE) break
      const left = point.metrics === null ? 'torso' : point.outside.find(isNew)
      if (left !== undefined) return { at: previous(out, point), end: left }
    }
    return { at: sign * CHANGES_LITTLE, end: null }
  }
  const [low, high] = [end(-1, found.low), end(1, found.high)]
  return { low: low.at, high: high.at, lowEnd: low.end, highEnd: high.end }
}

function previous(out: readonly SweepPoint[], point: SweepPoint): number {
  return out[out.indexOf(point) - 1]?.at ?? 0
}
