import { isKeyOf } from '../kernel/tables.ts'
import type { Free, FreeParameters } from '../body/calibration.ts'
import type { Reading } from '../readings/reading.ts'
import type { OptionOf } from '../readings/readingDefinitions.ts'
import { chosen, measured } from '../readings/resolve.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { ELBOW_PRIOR, HAND_SET_PRIOR, SWIVEL_PRIOR, TWIST_PRIOR } from '../model/riderModel.ts'
import type { ModelKey, ModelValues } from '../model/riderModel.ts'
import { sides } from '../kernel/sided.ts'
import type { Side, Sided } from '../kernel/sided.ts'

/** What stands at a place of the timeline: numbers in, with their ±. */
export interface StandingNumbers {
  readonly resolved: ResolvedReadings
  readonly values: ModelValues
  readonly plusMinus: Readonly<Record<ModelKey, Sided<number | null>>>
}

/** How far the effective trunk may differ from the taped one: slouch and shoulder girdle, mm; k = 2. @source prior */
export const SLOUCH = 50

/** Left leg against right in people who were not measured: mean size 5.2, deviation 4.1 mm, so 0 ± this; k = 2. @source knutson */
export const LEGS_APART = 13

/** What the pelvis seen from behind says of the two hip joints, mm: left ahead of right, left above right. @source prior */
const pelvisRows: Readonly<Record<OptionOf<'pelvisLevel'>, { readonly turned: Free; readonly tilted: Free }>> = {
  level: { turned: { prior: 0, plusMinus: 5 }, tilted: { prior: 0, plusMinus: 5 } },
  'drops-left': { turned: { prior: 0, plusMinus: 10 }, tilted: { prior: -8, plusMinus: 16 } },
  'drops-right': { turned: { prior: 0, plusMinus: 10 }, tilted: { prior: 8, plusMinus: 16 } },
  twisted: { turned: { prior: 0, plusMinus: 30 }, tilted: { prior: 0, plusMinus: 12 } },
}

/** How freely a pelvis may hang to one side where the legs are known to differ, mm; k = 2. @source prior */
const LEGS_DIFFER = 16

/**
 * What calibration solves for: what is assumed of each part of the body that no tape reaches, and how
 * far it may be pulled.
 * @param standing the newest readings of everything: one body stands behind the whole visit
 */
export function freeParameters({ resolved, values, plusMinus }: StandingNumbers, readings: readonly Reading[]): FreeParameters {
  const of = (key: ModelKey, side: Side, fallback: number): Free => ({
    prior: values[key][side] ?? fallback,
    plusMinus: Math.max(0.5, plusMinus[key][side] ?? 10),
  })
  const effective = (taped: Free): Free => ({ prior: taped.prior, plusMinus: Math.hypot(taped.plusMinus, SLOUCH) })
  return {
    hipForward: of('hipForward', 'right', 40),
    hipUp: of('hipUp', 'right', 85),
    trunk: effective(of('trunk', 'right', 500)),
    elbowFlexion: ELBOW_PRIOR,
    elbowSwivel: SWIVEL_PRIOR,
    twist: { prior: TWIST_PRIOR.prior, plusMinus: readApart(readings, 'elbowFlexion') ? TWIST_PRIOR.readApart : TWIST_PRIOR.plusMinus },
    handSetLeft: HAND_SET_PRIOR,
    handSetRight: HAND_SET_PRIOR,
    pitchLeft: of('footPitch', 'left', 15),
    pitchRight: of('footPitch', 'right', 15),
    ...legs(resolved, plusMinus),
    ...hips(resolved, readings),
  }
}

/** Whether thigh and shank of both legs were read: then they say themselves how far the legs are apart. */
export function legsReadApart(resolved: ResolvedReadings): boolean {
  return sides.every((side) => measured(resolved, 'thigh', side) !== null && measured(resolved, 'shank', side) !== null)
}

/** Whether something was read on both sides, each by itself. */
function readApart(readings: readonly Reading[], key: 'elbowFlexion' | 'kneeFlexion'): boolean {
  return sides.every((side) => readings.some((r) => r.key === key && r.side === side && r.value !== null && r.condition === 'usual'))
}

/** Both legs' length together, and the left one's over the right's. A finding of their difference is taken in where it lies in the legs. */
function legs(resolved: ResolvedReadings, plusMinus: StandingNumbers['plusMinus']): Pick<FreeParameters, 'legs' | 'legsApart'> {
  const parts = sides.flatMap((side) => [plusMinus.thigh[side] ?? 30, plusMinus.shank[side] ?? 30])
  const whole = (side: Side) => Math.hypot(plusMinus.thigh[side] ?? 30, plusMinus.shank[side] ?? 30)
  const apart = legsReadApart(resolved)
  return {
    legs: { prior: 0, plusMinus: apart ? Math.hypot(...parts) / 2 : Math.min(whole('left'), whole('right')) },
    legsApart: takenIn(resolved, apart ? Math.hypot(...parts) : LEGS_APART),
  }
}

/** @param assumed ± of the difference before the finding, mm */
function takenIn(resolved: ResolvedReadings, assumed: number): Free {
  const finding = measured(resolved, 'legLengthDifference')
  if (finding === null || chosen(resolved, 'legDifferenceAt') === 'pelvis') return { prior: 0, plusMinus: assumed }
  const length = (side: Side) => (resolved.thigh[side]?.value ?? 0) + (resolved.shank[side]?.value ?? 0)
  const more = finding.value - (length('left') - length('right'))
  const weight = assumed ** 2 / (assumed ** 2 + finding.plusMinus ** 2)
  return { prior: weight * more, plusMinus: Math.max(0.5, Math.sqrt(weight) * finding.plusMinus) }
}

/** The two hip joints: as the pelvis was last seen, and as free as it was ever seen crooked. */
function hips(resolved: ResolvedReadings, readings: readonly Reading[]): Pick<FreeParameters, 'hipsTurned' | 'hipsTilted'> {
  const now = chosen(resolved, 'pelvisLevel') ?? 'level'
  const seen = readings.flatMap(({ key, value }) =>
    key === 'pelvisLevel' && typeof value === 'string' && isKeyOf(pelvisRows, value) ? [pelvisRows[value]] : [],
  )
  const finding = measured(resolved, 'legLengthDifference')
  const differ = (finding !== null && Math.abs(finding.value) > finding.plusMinus) || readApart(readings, 'kneeFlexion')
  const row = pelvisRows[now]
  return {
    hipsTurned: { ...row.turned, plusMinus: Math.max(row.turned.plusMinus, ...seen.map(({ turned }) => turned.plusMinus)) },
    hipsTilted: {
      ...row.tilted,
      plusMinus: Math.max(row.tilted.plusMinus, differ ? LEGS_DIFFER : 0, ...seen.map(({ tilted }) => tilted.plusMinus)),
    },
  }
}
