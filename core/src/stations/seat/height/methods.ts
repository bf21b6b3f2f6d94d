import type { Message } from '../../../kernel/message.ts'
import { saddleHeightForFlexion } from '../../../body/leg.ts'
import type { LegInput } from '../../../body/leg.ts'
import { UnreachableError } from '../../../kernel/problem.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** What the methods need of one leg; lengths mm, angles degrees. */
export interface HeightInput {
  readonly inseam: number
  /** the leg on the bike; its `saddleHeight` is not used */
  readonly leg: LegInput
  /** whether the leg's knee was read while pedalling: its bends are those of a pedalling leg */
  readonly pedalling?: boolean
}

/** A method's answer, all in one measure: bottom bracket to saddle top along the seat line. */
export interface HeightAnswer {
  readonly key: HeightMethodKey
  /** mm; null where no height gives it */
  readonly low: number | null
  readonly high: number | null
}

/** A method of setting saddle height. */
export interface HeightMethod {
  readonly label: string
  readonly why: Message
  readonly source: SourceKey
}

/** The methods side by side, and why they differ from each other. */
export const heightMethods = {
  'static-knee': { label: 'Knee 25–35°, held still', why: 'Takes this rider’s leg, foot and cleat into account; held still at the bottom with the foot as pedalling.', source: 'holmes' },
  'dynamic-knee': { label: 'Knee 30–40°, pedalling', why: 'The same leg; pedalling it bends 5 to 10° more than held still.', source: 'ferrer-roca' },
  'inseam-883': { label: '0.883 × inseam', why: 'Uses the inseam alone: no crank, foot, cleat or shoe. It agrees with the next one only where the crank is 0.207 of the inseam.', source: 'common-practice' },
  'inseam-109': { label: '109 % of inseam', why: 'From the pedal, so a longer crank lowers the saddle by as much; takes no account of foot or cleat.', source: 'hamley-thomas' },
  regression: { label: 'Inseam and knee angle', why: 'A line fitted to many riders at 30 to 40° while pedalling; takes no account of foot or cleat.', source: 'ferrer-roca' },
  heel: { label: 'Heel on the pedal', why: 'Straight leg, heel on the pedal, hips level: a rough start that knows neither the ball of the foot nor how it is held.', source: 'common-practice' },
} as const satisfies Readonly<Record<string, HeightMethod>> // prettier-ignore
export type HeightMethodKey = keyof typeof heightMethods
export const heightMethodKeys = keysOf(heightMethods)

/** Flexion while pedalling less flexion held still, degrees: the middle of 5 to 10. @source fonda */
export const DYNAMIC_MORE = 7.5
/** Pedal axle to saddle top over inseam. @source hamley-thomas */
const INSEAM_TO_PEDAL = 1.09
/** Bottom bracket to saddle top over inseam. @source common-practice */
const INSEAM_TO_BB = 0.883

/** Pedal axle to saddle top by the regression; mm and degrees (published in cm). @source ferrer-roca */
export function regressionHeight(inseam: number, flexion: number): number {
  return 221 + 0.896 * inseam - 1.5 * flexion
}

/**
 * Every method's saddle height for one leg, along the seat line from the bottom bracket. Heights
 * that are given from the pedal are taken with the crank in line with the seat line, pointing down.
 */
export function heightsFor({ inseam, leg, pedalling = false }: HeightInput): HeightAnswer[] {
  const { crank } = leg
  const [still, moving] = pedalling ? [DYNAMIC_MORE, 0] : [0, -DYNAMIC_MORE]
  const forKnee = (flexion: number) => attempt(() => saddleHeightForFlexion(leg, flexion))
  const one = (key: HeightMethodKey, height: number | null): HeightAnswer => ({ key, low: height, high: height })
  return [
    { key: 'static-knee', low: forKnee(35 + still), high: forKnee(25 + still) },
    { key: 'dynamic-knee', low: forKnee(40 + moving), high: forKnee(30 + moving) },
    one('inseam-883', INSEAM_TO_BB * inseam),
    one('inseam-109', INSEAM_TO_PEDAL * inseam - crank),
    { key: 'regression', low: regressionHeight(inseam, 40) - crank, high: regressionHeight(inseam, 30) - crank },
    one('heel', heelHeight(leg)),
  ]
}

/** Straight leg with the ankle over the axle, sole level, crank in line with the seat line. */
function heelHeight(leg: LegInput): number | null {
  const flat: LegInput = { ...leg, ankleBehind: 0, footPitch: 0 }
  return attempt(() => saddleHeightForFlexion(flat, 0, crankDown(leg.seatAngle)))
}

/** Crank angle at which it points down in line with the seat line. */
function crankDown(seatAngle: number): number {
  return 90 + seatAngle
}

function attempt(run: () => number): number | null {
  try {
    return run()
  } catch (error) {
    if (error instanceof UnreachableError) return null
    throw error
  }
}
