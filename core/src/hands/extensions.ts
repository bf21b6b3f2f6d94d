import { riderMetrics } from '../body/metrics.ts'
import type { RiderMetrics } from '../body/metrics.ts'
import type { RiderModel } from '../body/rider.ts'
import { riderAt } from '../body/rider.ts'
import { withFree } from '../body/calibration.ts'
import { riderWith } from '../change/calibrated.ts'
import type { Standing } from '../change/knockOnResult.ts'
import { conditions, handPositionsOf } from '../measure/conditions.ts'
import type { HandPosition } from '../measure/conditions.ts'
import { axlesOf } from '../measure/riderModel.ts'
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
/** The rider in one posture; null where the bike does not have it, or nothing was read of it. */
export function modelIn(standing: Pick<Standing, 'rider' | 'by'>, posture: Posture): RiderModel | null {
  return positionRows(standing).find(({ hands, effort }) => hands === posture.hands && effort === posture.effort)?.model ?? null
}

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

/** A position to go to when the neck tires: less of the neck, and what it costs in torso. */
export interface Fallback {
  readonly hands: HandPosition
  /** neck eased by, degrees */
  readonly neck: number
  /** trunk higher by, degrees */
  readonly torso: number
}

/** Positions easier on the neck than the one ridden, the nearest first. @source common-practice */
export function fallbacks(rows: readonly PositionRow[], from: HandPosition): Fallback[] {
  const calm = rows.filter(({ effort }) => effort === 'calm')
  const now = calm.find(({ hands }) => hands === from)
  if (!now || now.neck === null) return []
  return calm
    .flatMap(({ hands, neck, metrics: { torso } }): Fallback[] =>
      neck === null || torso === null || now.neck === null || now.metrics.torso === null || now.neck - neck < EASES_NECK
        ? []
        : [{ hands, neck: now.neck - neck, torso: torso - now.metrics.torso }],
    )
    .sort((a, b) => a.neck - b.neck)
}
/** Less is not felt in the neck, degrees. @source prior */
const EASES_NECK = 3

/** Pads stand this far ahead of the elbow at least: under the forearm, not under the elbow, mm. @source common-practice */
export const PAD_AHEAD = { low: 10, high: 90 } as const
/** Pads this close together on extensions this long steer nervously, mm. @source prior */
export const NERVOUS = { padSpacing: 180, extensionLength: 330 } as const
/** Pads are commonly at least this much inside the acromia, mm. @source common-practice */
export const PADS_INSIDE = 60
/** ± of the pad against the elbow, mm; k = 2. @source prior */
export const PAD_DOUBT = 20

/**
 * Pad against the elbow in the side view: how far the pad stands ahead of it, mm.
 * @param padAt middle of the pad ahead of the bottom bracket, mm
 * @source geometry
 */
export function padAheadOfElbow(model: RiderModel, padAt: number): number | null {
  const { upper } = riderAt(model, 90)
  if (upper === null || !upper.reaches) return null
  return padAt - (upper.arms.left.elbow.x + upper.arms.right.elbow.x) / 2
}
