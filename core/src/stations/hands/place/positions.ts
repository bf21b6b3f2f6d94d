import type { DrawnBar } from '../../../bike/bikeKinds.ts'
import { withFree } from '../../../body/calibration.ts'
import { riderMetrics } from '../../../body/metrics.ts'
import type { MetricKey, RiderMetrics } from '../../../body/metrics.ts'
import type { RiderModel } from '../../../body/rider.ts'
import { judged } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { bandIn } from './front.ts'
import { axlesOf } from '../../../model/riderModel.ts'
import { conditionOf, conditions, handPositionsOf } from '../../../readings/conditions.ts'
import type { HandPosition } from '../../../readings/conditions.ts'
import { metricReadIn, metricsAsRead, metricsAsReadIn } from '../../../rider/metricEstimate.ts'
import { isPositionRidden, riderWith } from '../../../rider/calibrated.ts'
import { standingOf } from '../../../rider/setup.ts'
import type { Setup, Standing } from '../../../rider/setup.ts'
import { neckFor } from './handSweep.ts'

const labels: Readonly<Record<HandPosition, string>> = {
  grip: 'Grips',
  hoods: 'Hoods',
  tops: 'Tops',
  drops: 'Drops',
  aero: 'Aero-hoods',
  extension: 'Extensions',
}

/** A position by name: where hoods would be, a base bar has its horns. */
export function positionLabel(hands: HandPosition, bar: DrawnBar): string {
  return hands === 'hoods' && bar === 'base' ? 'Base bar' : labels[hands]
}

/** Where the hands are, and how hard the rider works. */
export interface Posture {
  readonly hands: HandPosition
  readonly effort: 'calm' | 'hard'
}
/** "Drops, hard": a posture by name. */
export const postureWords = ({ hands, effort }: Posture, bar: DrawnBar): string =>
  `${positionLabel(hands, bar)}${effort === 'hard' ? ', hard' : ''}`

/** The rider's model in one posture. */
interface PosedModel extends Posture {
  readonly model: RiderModel
  /** hips forward on the saddle against calm riding, mm; as the angles of that effort say */
  readonly creep: number
  /** whether angles were read in this position at this effort; else the body is taken as it is when calm */
  readonly isRead: boolean
}

/** The rider in one position of the hands, at one effort. */
export interface PositionRow extends PosedModel {
  /** as they were read there, else the model's */
  readonly metrics: RiderMetrics
  /** head bent back for eyes that look ahead, degrees */
  readonly neck: number | null
}

/**
 * Every position of the hands this bike has, calm, and hard where angles were read so.
 * @source geometry
 */
export function posedModels({ rider, by }: Pick<Standing, 'rider' | 'by'>): PosedModel[] {
  return handPositionsOf(rider.bar).flatMap((hands): PosedModel[] => {
    if (!isPositionRidden(rider, hands)) return []
    const base = riderWith(rider, by, hands)
    if (!base?.grips) return []
    const usual = handPositionsOf(rider.bar)[0] === hands
    const at = (effort: 'calm' | 'hard') =>
      rider.others.find((other) => other.hands === hands && conditions[other.condition].effort === effort)
    const hard = at('hard')
    return [
      { hands, effort: 'calm', model: base, creep: 0, isRead: usual ? rider.knowns.length > 0 : at('calm') !== undefined },
      ...(hard
        ? [{ hands, effort: 'hard' as const, model: withFree(base, hard.calibration.values), creep: hard.creep, isRead: true }]
        : []),
    ]
  })
}

/** The same with the rider's numbers; what was read in a position outranks the model there too. */
export function positionRows(setup: Setup): PositionRow[] {
  const { rider } = setup
  const axles = axlesOf(rider.values)
  return posedModels(standingOf(setup)).map((posed): PositionRow => {
    const condition = conditionOf(rider.bar, posed.hands, posed.effort)
    const modelled = riderMetrics(posed.model, axles)
    const metrics =
      condition === 'usual' ? (metricsAsRead(modelled, setup) ?? modelled) : metricsAsReadIn(setup, condition, posed.model, modelled)
    return { ...posed, metrics, neck: neckFor(metrics.torso) }
  })
}

/**
 * A number of the rider in a posture other than the usual one: as it was read there with its own ±, else the model's.
 * @param doubt ± of the model's, k = 2
 */
export function judgedIn(setup: Setup, { hands, effort, model, metrics }: PositionRow, metric: MetricKey, doubt: number): Judged | null {
  const read = metricReadIn(setup, conditionOf(setup.rider.bar, hands, effort), model, metric)
  const band = bandIn(setup, metric, hands)
  if (read?.plusMinus !== undefined && read.plusMinus !== null) return judged(read.value, read.plusMinus, band)
  const modelled = metrics[metric]
  return modelled === null ? null : judged(modelled, doubt, band, { isRead: false })
}

/** The rider in one posture; null where the bike does not have it, or nothing was read of it. */
export function modelIn(standing: Pick<Standing, 'rider' | 'by'>, posture: Posture): RiderModel | null {
  return posedModels(standing).find(({ hands, effort }) => hands === posture.hands && effort === posture.effort)?.model ?? null
}
