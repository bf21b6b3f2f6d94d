import { conditions, usualHands } from '../readings/conditions.ts'
import type { HandPosition } from '../readings/conditions.ts'
import { measured } from '../readings/resolve.ts'
import type { Setup } from './setup.ts'

/** How far the hips come forward under power, mm; k = 2. */
export interface Creep {
  readonly value: number
  readonly plusMinus: number
  readonly isRead: boolean
}

/** ± of a creep that follows from angles read at the hard effort, mm; k = 2. @source prior */
const BY_ANGLES = 15

/**
 * Hips forward at the hard effort: as read, else from the angles read at that effort.
 * @param hands where the hands are then; where they usually are by default
 * @returns null where neither is known
 */
export function creepNow(setup: Pick<Setup, 'now' | 'rider'>, hands: HandPosition = usualHands(setup.rider.bar)): Creep | null {
  const read = measured(setup.now, 'creepForward')
  if (read !== null) return { value: read.value, plusMinus: read.plusMinus, isRead: true }
  const hard = setup.rider.others.find((row) => row.hands === hands && conditions[row.condition].effort === 'hard')
  return hard ? { value: Math.max(0, hard.creep), plusMinus: BY_ANGLES, isRead: false } : null
}
