import type { RiderModel } from '../../../body/rider.ts'
import { riderAt } from '../../../body/rider.ts'
import { handPlace } from '../../../readings/conditions.ts'
import type { HandPosition } from '../../../readings/conditions.ts'
import type { PositionRow } from '../place/positions.ts'

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
  const calm = rows.filter(({ effort, hands }) => effort === 'calm' && handPlace(hands).isUnusual !== true)
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
