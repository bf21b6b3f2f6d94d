import { conditions, handPlace, usualHands } from '../readings/conditions.ts'
import type { ConditionKey, HandPosition } from '../readings/conditions.ts'
import { isMovedSinceSeen } from './metricEstimate.ts'
import { measured } from '../readings/resolve.ts'
import type { Setup } from './setup.ts'

/** How far the hips come forward under power, mm; k = 2. */
export interface Creep {
  readonly value: number
  readonly plusMinus: number
  readonly isRead: boolean
  /** seen before hands or seat were moved: it may be so no more */
  readonly isOld: boolean
}

/** ± of a creep that follows from angles read at the hard effort, mm; k = 2. @source prior */
const BY_ANGLES = 15

/**
 * Hips forward at the hard effort: as read, else from the angles read at that effort.
 * @param hands where the hands are then; where they usually are by default
 * @returns null where neither is known
 */
export function creepNow(setup: Pick<Setup, 'now' | 'rider' | 'place'>, hands: HandPosition = usualHands(setup.rider.bar)): Creep | null {
  const read = measured(setup.now, 'creepForward')
  if (read !== null)
    return {
      value: read.value,
      plusMinus: read.plusMinus,
      isRead: true,
      isOld: isMovedSinceSeen(setup, setup.now.creepForward.left?.at ?? 0),
    }
  const hard = setup.rider.others.find((row) => row.hands === hands && conditions[row.condition].effort === 'hard')
  // On pads it shows against calm riding on them alone.
  const isCalm = (row: { hands: HandPosition; condition: ConditionKey }) =>
    row.hands === hands && conditions[row.condition].effort === 'calm'
  const isKnown = hard && (!handPlace(hands).isRested || setup.rider.others.some(isCalm))
  return isKnown ? { value: Math.max(0, hard.creep), plusMinus: BY_ANGLES, isRead: false, isOld: false } : null
}

/** Said of a creep that was seen before something was moved. */
export const CREEP_AGAIN = 'Seen before hands or saddle were moved: read it again.'
