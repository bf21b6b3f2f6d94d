import { leastSquares } from '../quantity/leastSquares.ts'
import type { Side } from '../quantity/sided.ts'
import { hipAngleAt, hipOf, legAt, riderAt } from './rider.ts'
import type { LegModel, RiderModel } from './rider.ts'
import { extreme } from './turn.ts'
import { upperPosture } from './upperBody.ts'

/** A body parameter that no tape reaches, with what is assumed of it; ± is k = 2. */
export interface Free {
  readonly prior: number
  readonly plusMinus: number
}

/** The free parameters: what calibration solves for. */
export const freeKeys = [
  'hipForward',
  'hipUp',
  'trunk',
  'elbowFlexion',
  'elbowSwivel',
  'pitchLeft',
  'pitchRight',
  'legLeft',
  'legRight',
] as const
export type FreeKey = (typeof freeKeys)[number]
export type FreeParameters = Readonly<Record<FreeKey, Free>>
export type FreeValues = Readonly<Record<FreeKey, number>>

export const knownKinds = ['kneeFlexion', 'footPitch', 'torsoAngle', 'elbowFlexion', 'shoulderAngle', 'hipAngle'] as const
export type KnownKind = (typeof knownKinds)[number]

/** An angle measured on the bike, with the contact points it was measured at. */
export interface Known {
  readonly kind: KnownKind
  readonly side: Side | 'both'
  /** degrees */
  readonly value: number
  /** k = 2, degrees */
  readonly plusMinus: number
  /** uncalibrated rider on the bike as it stood when this was read */
  readonly base: RiderModel
}

/** A known and what the calibrated model makes of it; degrees. */
export interface Misfit {
  readonly known: Omit<Known, 'base'>
  readonly predicted: number
  /** predicted − measured */
  readonly left: number
}

/** The result of a calibration. */
export interface Calibration {
  /** `none`: nothing measured on the bike; `exact`: every angle reproduced; `fitted`: the best compromise */
  readonly state: 'none' | 'exact' | 'fitted'
  readonly values: FreeValues
  readonly misfits: readonly Misfit[]
}

/** Free parameters may be pulled this many standard deviations before exactness is given up. */
const PLAUSIBLE_PULL = 3
/** Residuals below this are nothing, degrees. */
const EXACT_WITHIN = 0.02
/** How much firmer the measured angles are held than their uncertainty while exactness is tried. */
const FIRM = 1e-3
/** Difference steps: mm or degrees. */
const STEP = 1e-4

/** A rider model with the free parameters put in. @param legLeft, legRight mm on the leg's whole length */
export function withFree(base: RiderModel, free: FreeValues): RiderModel {
  const leg = (model: LegModel, more: number, footPitch: number): LegModel => {
    const scale = 1 + more / (model.thigh + model.shank)
    return { ...model, thigh: model.thigh * scale, shank: model.shank * scale, footPitch }
  }
  return {
    ...base,
    hipForward: free.hipForward,
    hipUp: free.hipUp,
    upper: { ...base.upper, trunk: free.trunk, elbowFlexion: free.elbowFlexion, elbowSwivel: free.elbowSwivel },
    legs: { left: leg(base.legs.left, free.legLeft, free.pitchLeft), right: leg(base.legs.right, free.legRight, free.pitchRight) },
  }
}

/**
 * Solves the free parameters so that the model gives back every angle measured on the bike: exactly
 * with the least pull on what is assumed, where that stays plausible; else by least squares weighted
 * with the uncertainties. Left and right share the hip.
 * @source geometry
 */
export function calibrate(free: FreeParameters, knowns: readonly Known[]): Calibration {
  const priors = freeKeys.map((key) => free[key].prior)
  if (knowns.length === 0) return { state: 'none', values: valuesOf(priors), misfits: [] }
  const exact = solve(free, knowns, priors, FIRM)
  const pulled = freeKeys.some((key, i) => {
    const { prior, plusMinus } = free[key]
    return Math.abs(exact[i]! - prior) > (PLAUSIBLE_PULL * plusMinus) / 2
  })
  const misfits = misfitsOf(knowns, valuesOf(exact))
  if (!pulled && misfits.every(({ left }) => Math.abs(left) <= EXACT_WITHIN)) return { state: 'exact', values: valuesOf(exact), misfits }
  const fitted = valuesOf(solve(free, knowns, priors, 1))
  return { state: 'fitted', values: fitted, misfits: misfitsOf(knowns, fitted) }
}

function solve(free: FreeParameters, knowns: readonly Known[], start: readonly number[], firmness: number): readonly number[] {
  const assumed = freeKeys.map((key) => free[key])
  const residuals = (p: readonly number[]): number[] => {
    const values = valuesOf(p)
    const out = assumed.map(({ prior, plusMinus }, i) => (p[i]! - prior) / (plusMinus / 2))
    let base: RiderModel | null = null
    let model: RiderModel | null = null
    for (const known of knowns) {
      if (known.base !== base || model === null) {
        base = known.base
        model = withFree(base, values)
      }
      out.push((predict(model, known) - known.value) / ((known.plusMinus / 2) * firmness))
    }
    return out
  }
  return leastSquares(
    residuals,
    start,
    start.map(() => STEP),
  ).parameters
}

function misfitsOf(knowns: readonly Known[], values: FreeValues): Misfit[] {
  return knowns.map(({ base, ...known }) => {
    const predicted = predict(withFree(base, values), known)
    return { known, predicted, left: predicted - known.value }
  })
}

function valuesOf(p: readonly number[]): FreeValues {
  const [
    hipForward = 0,
    hipUp = 0,
    trunk = 0,
    elbowFlexion = 0,
    elbowSwivel = 0,
    pitchLeft = 0,
    pitchRight = 0,
    legLeft = 0,
    legRight = 0,
  ] = p
  return { hipForward, hipUp, trunk, elbowFlexion, elbowSwivel, pitchLeft, pitchRight, legLeft, legRight }
}

/** Degrees of apparent over-extension per mm that a leg falls short, so that a search finds its way back. */
const SHORT_LEG_SLOPE = 0.4

/** What the model makes of a measured angle; finite even where a leg falls short. */
export function predict(model: RiderModel, known: Pick<Known, 'kind' | 'side'>): number {
  const hip = hipOf(model)
  const side = known.side === 'both' ? 'right' : known.side
  switch (known.kind) {
    case 'kneeFlexion': {
      const leg = model.legs[side]
      const at = legAt(model, leg, hip, 180)
      return at.kneeFlexion ?? -SHORT_LEG_SLOPE * (at.distance - leg.thigh - leg.shank)
    }
    case 'footPitch':
      return model.legs[side].footPitch
    case 'hipAngle': {
      const top = extreme((angle) => legAt(model, model.legs[side], hip, angle).distance, -1)
      return hipAngleAt(riderAt(model, side === 'right' ? top : top + 180), side) ?? 0
    }
    default: {
      if (model.grip === null) return 0
      const upper = upperPosture(model.upper, hip, model.grip)
      if (known.kind === 'torsoAngle') return upper.torso
      return known.kind === 'elbowFlexion' ? upper.elbowFlexion : upper.shoulderAngle
    }
  }
}
