import type { RiderModel } from '../../../body/rider.ts'
import type { RiderMetrics } from '../../../body/metrics.ts'
import { riderMetrics } from '../../../body/metrics.ts'
import { conditions, handPositionsOf } from '../../../readings/conditions.ts'
import type { HandPosition } from '../../../readings/conditions.ts'
import { withFree } from '../../../body/calibration.ts'
import type { Standing } from '../../../rider/setup.ts'
import { axlesOf } from '../../../model/riderModel.ts'
import { riderWith } from '../../../rider/calibrated.ts'
import { neckFor } from './handSweep.ts'

export const positionLabels: Readonly<Record<HandPosition, string>> = {
  grip: 'Grips',
  hoods: 'Hoods',
  tops: 'Tops',
  drops: 'Drops',
  extension: 'Extensions',
}

/** The rider in one position of the hands, at one effort. */
export interface PositionRow {
  readonly hands: HandPosition
  readonly effort: 'calm' | 'hard'
  readonly metrics: RiderMetrics
  readonly model: RiderModel
  /** head bent back for eyes that look ahead, degrees */
  readonly neck: number | null
  /** hips forward on the saddle against calm riding, mm; as the angles of that effort say */
  readonly creep: number
  /** whether angles were read in this position at this effort; else the body is taken as it is when calm */
  readonly isRead: boolean
}

/** Where the hands are, and how hard the rider works. */
export type Posture = Pick<PositionRow, 'hands' | 'effort'>
/** "Drops, hard": a posture by name. */
export const postureWords = ({ hands, effort }: Posture): string => `${positionLabels[hands]}${effort === 'hard' ? ', hard' : ''}`
/**
 * Every position of the hands this bike has, calm, and hard where angles were read so.
 * @source geometry
 */
export function positionRows({ rider, by }: Pick<Standing, 'rider' | 'by'>): PositionRow[] {
  const axles = axlesOf(rider.values)
  return handPositionsOf(rider.bar).flatMap((hands): PositionRow[] => {
    const base = riderWith(rider, by, hands)
    if (!base?.grips) return []
    const row = (effort: 'calm' | 'hard', model: RiderModel, creep: number, isRead: boolean): PositionRow => {
      const metrics = riderMetrics(model, axles)
      return { hands, effort, metrics, model, neck: neckFor(metrics.torso), creep, isRead }
    }
    const usual = handPositionsOf(rider.bar)[0] === hands
    const at = (effort: 'calm' | 'hard') =>
      rider.others.find((other) => other.hands === hands && conditions[other.condition].effort === effort)
    const hard = at('hard')
    return [
      row('calm', base, 0, usual ? rider.knowns.length > 0 : at('calm') !== undefined),
      ...(hard ? [row('hard', withFree(base, hard.calibration.values), hard.creep, true)] : []),
    ]
  })
}

/** The rider in one posture; null where the bike does not have it, or nothing was read of it. */
export function modelIn(standing: Pick<Standing, 'rider' | 'by'>, posture: Posture): RiderModel | null {
  return positionRows(standing).find(({ hands, effort }) => hands === posture.hands && effort === posture.effort)?.model ?? null
}
