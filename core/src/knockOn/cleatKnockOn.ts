import { pedalAxle } from '../bike/contactPoints.ts'
import { ankleAt, ankleFromAxle, legPosture, saddleHeightForFlexion } from '../body/leg.ts'
import type { LegInput } from '../body/leg.ts'
import { UnreachableError } from '../kernel/problem.ts'

/** One leg with its cleat moved; lengths mm, angles degrees. */
export interface CleatKnockOnInput {
  readonly thigh: number
  readonly shank: number
  readonly heelToMtp1: number
  readonly heelToAnkle: number
  readonly ankleHeight: number
  readonly stack: number
  readonly crank: number
  readonly saddleHeight: number
  readonly seatAngle: number
  readonly hipForward: number
  readonly hipUp: number
  readonly footPitch: number
  /** hip to foot across the bike; 0 when left out */
  readonly lateral?: number | undefined
  readonly setbackFrom: number
  readonly setbackTo: number
}

/** What the cleat move does to the leg, and the saddle height that gives the knee back. */
export interface CleatKnockOn {
  readonly flexionBefore: number
  /** with the saddle left alone; null when the leg would no longer reach */
  readonly flexionUnanswered: number | null
  readonly saddleHeightAfter: number
  /** + up */
  readonly saddleMove: number
  /** with the saddle moved by `saddleMove` */
  readonly flexionAfter: number
  /** how the ankle moves in the side view, forward and up, mm */
  readonly ankleForward: number
  readonly ankleUp: number
}

/** The leg model for a cleat setback. */
function legFor(input: CleatKnockOnInput, setback: number, saddleHeight = input.saddleHeight): LegInput {
  const { behind, above } = ankleFromAxle({ ...input, cleatSetback: setback })
  const { thigh, shank, crank, seatAngle, hipForward, hipUp, footPitch, lateral = 0 } = input
  return { thigh, shank, ankleBehind: behind, ankleAbove: above, crank, saddleHeight, seatAngle, hipForward, hipUp, footPitch, lateral }
}

/**
 * Effect of a cleat move on saddle height, holding knee flexion at bottom dead centre and the foot's
 * pitch. Exact, from the closed-form root for saddle height.
 * @throws UnreachableError when the leg does not reach before, or no saddle height gives the knee back
 * @source geometry
 */
export function cleatKnockOn(input: CleatKnockOnInput): CleatKnockOn {
  const before = legPosture(legFor(input, input.setbackFrom), 180)
  const moved = legFor(input, input.setbackTo)
  const ankle = ankleAt(pedalAxle(input.crank, 180), moved.ankleBehind, moved.ankleAbove, input.footPitch)
  const saddleHeightAfter = saddleHeightForFlexion(moved, before.kneeFlexion)
  return {
    flexionBefore: before.kneeFlexion,
    flexionUnanswered: flexionOrNull(moved),
    saddleHeightAfter,
    saddleMove: saddleHeightAfter - input.saddleHeight,
    flexionAfter: legPosture({ ...moved, saddleHeight: saddleHeightAfter }, 180).kneeFlexion,
    ankleForward: ankle.x - before.ankle.x,
    ankleUp: ankle.y - before.ankle.y,
  }
}

function flexionOrNull(leg: LegInput): number | null {
  try {
    return legPosture(leg, 180).kneeFlexion
  } catch (error) {
    if (error instanceof UnreachableError) return null
    throw error
  }
}

/** Knee flexion at bottom dead centre for a setback and saddle height. @throws UnreachableError */
export function kneeFor(input: CleatKnockOnInput, setback: number, saddleHeight: number): number {
  return legPosture(legFor(input, setback, saddleHeight), 180).kneeFlexion
}
