import { leastSquares, solveLinear } from '../kernel/leastSquares.ts'
import { at, cellAt, dot, matrixOf, rowAt, vectorOf } from '../kernel/vector.ts'
import type { Matrix, Vector } from '../kernel/vector.ts'
import { sides } from '../kernel/sided.ts'
import type { Side, Sided } from '../kernel/sided.ts'
import { hipAngleBetween, hipOf, legAt } from './rider.ts'
import type { LegModel, RiderModel } from './rider.ts'
import { extremeReach, turnMetrics } from './turn.ts'
import { upperPosture } from './upperBody.ts'
import type { ArmPosture, UpperPosture } from './upperBody.ts'

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
  'twist',
  'handSetLeft',
  'handSetRight',
  'pitchLeft',
  'pitchRight',
  'legs',
  'legsApart',
  'hipsTurned',
  'hipsTilted',
] as const
export type FreeKey = (typeof freeKeys)[number]
export type FreeParameters = Readonly<Record<FreeKey, Free>>
export type FreeValues = Readonly<Record<FreeKey, number>>

export const knownKinds = ['kneeFlexion', 'footPitch', 'torsoAngle', 'elbowFlexion', 'shoulderAngle', 'hipAngle', 'wrist'] as const
export type KnownKind = (typeof knownKinds)[number]
/** Read on the rider and carried on by the model, but nothing is solved from it: flesh of unknown width lies between. */
export type ComparedKind = 'kneeElbowGap'
export type ReadKind = KnownKind | ComparedKind

/** An angle measured on the bike, with the contact points it was measured at. */
export interface Known<Kind extends ReadKind = KnownKind> {
  readonly kind: Kind
  readonly side: Side | 'both'
  /** degrees */
  readonly value: number
  /** k = 2, degrees */
  readonly plusMinus: number
  /** uncalibrated rider on the bike as it stood when this was read */
  readonly base: RiderModel
}

/** A known and what the calibrated model makes of it; degrees. */
export interface Residual {
  readonly known: Omit<Known, 'base'>
  readonly predicted: number
  /** predicted − measured */
  readonly residual: number
}

/** The result of a calibration. */
export interface Calibration {
  /** `none`: nothing measured on the bike; `exact`: every angle reproduced; `fitted`: the best compromise */
  readonly state: 'none' | 'exact' | 'fitted'
  readonly values: FreeValues
  readonly residuals: readonly Residual[]
  /** parameters pulled further from what is assumed than is plausible: a reading is likely wrong */
  readonly strained: readonly FreeKey[]
}

/** Free parameters may be pulled this many standard deviations before exactness is given up. */
const PLAUSIBLE_PULL = 3
/** Residuals below this are nothing, degrees. */
const EXACT_WITHIN = 0.02
/** An exact answer is found in a handful of rounds or not at all. */
const MOST_ROUNDS = 8
/** After this many rounds, angles that are still off by this much contradict each other; degrees. */
const CLEAR_AFTER = 3
const CONTRADICTS = 0.2
/** Keeps two readings of one angle from making the constraints singular. */
const RIDGE = 1e-9
/** Difference steps: mm or degrees. */
const STEP = 1e-4

/**
 * A rider model with the free parameters put in, mm and degrees: `legs` longer than they are taken
 * for, the left one by `legsApart` more than the right; its hip joint `hipsTurned` ahead of the
 * right one's and `hipsTilted` above it.
 */
export function withFree(base: RiderModel, free: FreeValues): RiderModel {
  const leg = (model: LegModel, half: number, footPitch: number): LegModel => {
    const scale = 1 + (free.legs + half * free.legsApart) / (model.thigh + model.shank)
    return {
      ...model,
      thigh: model.thigh * scale,
      shank: model.shank * scale,
      footPitch,
      hipAhead: half * free.hipsTurned,
      hipAbove: half * free.hipsTilted,
    }
  }
  return {
    ...base,
    hipForward: free.hipForward,
    hipUp: free.hipUp,
    upper: {
      trunk: free.trunk,
      acromionWidth: base.upper.acromionWidth,
      elbowFlexion: free.elbowFlexion,
      elbowSwivel: free.elbowSwivel,
      twist: free.twist,
      arms: {
        left: { ...base.upper.arms.left, handSet: free.handSetLeft },
        right: { ...base.upper.arms.right, handSet: free.handSetRight },
      },
    },
    legs: { left: leg(base.legs.left, 0.5, free.pitchLeft), right: leg(base.legs.right, -0.5, free.pitchRight) },
  }
}

/**
 * Solves the free parameters so that the model gives back every angle measured on the bike: exactly
 * with the least pull on what is assumed, where that stays plausible; else by least squares weighted
 * with the uncertainties. Left and right share one pelvis.
 * @param how `fitted` leaves out the try for exactness
 * @param start where the search begins: a solution of nearly the same problem; else at what is assumed
 * @source geometry
 */
export function calibrate(
  free: FreeParameters,
  knowns: readonly Known[],
  how: 'exact-first' | 'fitted' = 'exact-first',
  start?: FreeValues,
): Calibration {
  const priors = vectorFrom((key) => free[key].prior)
  if (knowns.length === 0) return { state: 'none', values: valuesOf(priors), residuals: [], strained: [] }
  const misfits = misfitsOf(knowns)
  const best = solve(free, misfits, knowns, start ? vectorFrom((key) => start[key]) : priors)
  const fitted = valuesOf(best)
  const answer = { state: 'fitted', values: fitted, residuals: residualsOf(knowns, fitted), strained: strainedIn(free, best) } as const
  if (how === 'fitted' || answer.strained.length > 0) return answer
  const exact = solveExactly(free, misfits, best)
  if (exact === null) return answer
  const residuals = residualsOf(knowns, valuesOf(exact))
  const holds = strainedIn(free, exact).length === 0 && residuals.every(({ residual }) => Math.abs(residual) <= EXACT_WITHIN)
  return holds ? { state: 'exact', values: valuesOf(exact), residuals, strained: [] } : answer
}

/** Free parameters that had to be pulled further than is plausible. */
function strainedIn(free: FreeParameters, p: Vector): FreeKey[] {
  return freeKeys.filter((key, i) => Math.abs(at(p, i) - free[key].prior) > (PLAUSIBLE_PULL * free[key].plusMinus) / 2)
}

/** The free parameters that an angle changes with, of a leg's or an arm's own side where it has one. */
const bothLegs: readonly FreeKey[] = ['hipForward', 'hipUp', 'legs', 'legsApart', 'hipsTurned', 'hipsTilted']
const legKeys: Sided<readonly FreeKey[]> = { left: [...bothLegs, 'pitchLeft'], right: [...bothLegs, 'pitchRight'] }
const handKeys: Sided<FreeKey> = { left: 'handSetLeft', right: 'handSetRight' }
const dependsOn: Readonly<Record<KnownKind, (leg: Side, arms: readonly Side[]) => readonly FreeKey[]>> = {
  kneeFlexion: (leg) => legKeys[leg],
  footPitch: (leg) => [leg === 'left' ? 'pitchLeft' : 'pitchRight'],
  hipAngle: (leg) => [...legKeys[leg], 'trunk', 'elbowFlexion'],
  torsoAngle: () => ['hipForward', 'hipUp', 'trunk', 'elbowFlexion'],
  elbowFlexion: () => ['hipForward', 'hipUp', 'trunk', 'elbowFlexion', 'twist'],
  shoulderAngle: () => ['hipForward', 'hipUp', 'trunk', 'elbowFlexion', 'twist', 'elbowSwivel'],
  wrist: (_, arms) => ['hipForward', 'hipUp', 'trunk', 'elbowFlexion', 'twist', 'elbowSwivel', ...arms.map((side) => handKeys[side])],
}

/** The free parameters that a measured angle changes with; it is the same whatever the others are. */
export function changesWith({ kind, side }: Pick<Known, 'kind' | 'side'>): readonly FreeKey[] {
  return dependsOn[kind](side === 'both' ? 'right' : side, side === 'both' ? sides : [side])
}

/** One number per free parameter, in the order of {@link freeKeys}. */
const vectorFrom = (value: (key: FreeKey) => number): Vector => Float64Array.from(freeKeys, value)

/** Predicted less measured of every angle, degrees, and how it changes with each free parameter. */
interface Misfits {
  readonly misfitsAt: (p: Vector) => Vector
  /** a row per parameter: what each misfit gains per unit of it; only what depends on it is worked out */
  readonly gainsAt: (p: Vector, misfits: Vector) => Matrix
}

function misfitsOf(knowns: readonly Known[]): Misfits {
  const all = knowns.map((known, index) => ({ known, index }))
  /** a misfit of some of the angles; neighbours on one bike share its posture */
  const predictAll = (p: Vector, each: (misfit: number, index: number) => void, of: typeof all): void => {
    const values = valuesOf(p)
    let base: RiderModel | null = null
    let predictOne = noPrediction
    for (const { known, index } of of) {
      if (known.base !== base) {
        base = known.base
        predictOne = predictor(withFree(base, values))
      }
      each(predictOne(known) - known.value, index)
    }
  }
  const dependents = freeKeys.map((key) => all.filter(({ known }) => changesWith(known).includes(key)))
  return {
    misfitsAt: (p) => {
      const found = new Float64Array(knowns.length)
      predictAll(p, (misfit, index) => (found[index] = misfit), all)
      return found
    },
    gainsAt: (p, misfits) => {
      const gains = matrixOf(freeKeys.length, knowns.length, () => 0)
      dependents.forEach((of, i) => {
        if (of.length === 0) return
        const row = rowAt(gains, i)
        const shifted = p.slice()
        shifted[i] = at(p, i) + STEP
        predictAll(shifted, (misfit, index) => (row[index] = (misfit - at(misfits, index)) / STEP), of)
      })
      return gains
    },
  }
}

/** Least squares weighted with the uncertainties, what is assumed counting as measured. */
function solve(free: FreeParameters, { misfitsAt, gainsAt }: Misfits, knowns: readonly Known[], start: Vector): Vector {
  const priors = vectorFrom((key) => free[key].prior)
  const stiffness = vectorFrom((key) => 2 / free[key].plusMinus)
  const weights = Float64Array.from(knowns, ({ plusMinus }) => 2 / plusMinus)
  const assumed = priors.length
  const count = assumed + weights.length
  const residuals = (p: Vector): Vector => {
    const misfits = misfitsAt(p)
    return vectorOf(count, (k) =>
      k < assumed ? (at(p, k) - at(priors, k)) * at(stiffness, k) : at(misfits, k - assumed) * at(weights, k - assumed),
    )
  }
  const derivatives = (p: Vector, r: Vector): Matrix => {
    const gains = gainsAt(
      p,
      weights.map((weight, k) => at(r, assumed + k) / weight),
    )
    return matrixOf(assumed, count, (i, k) =>
      k < assumed ? (i === k ? at(stiffness, k) : 0) : cellAt(gains, i, k - assumed) * at(weights, k - assumed),
    )
  }
  return leastSquares(residuals, start, derivatives).parameters
}

/**
 * Every angle exactly, with the least pull on what is assumed, by Gauss–Newton on the constraints:
 * p = prior + S·Jᵀ·(J·S·Jᵀ)⁻¹·(J·(p − prior) − misfit), S the variances assumed.
 * @returns null where the angles contradict each other
 */
function solveExactly(free: FreeParameters, { misfitsAt, gainsAt }: Misfits, start: Vector): Vector | null {
  const priors = vectorFrom((key) => free[key].prior)
  const variances = vectorFrom((key) => (free[key].plusMinus / 2) ** 2)
  let p = start
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const r = misfitsAt(p)
    const worst = Math.max(...r.map(Math.abs))
    if (round > 0 && worst <= EXACT_WITHIN / 10) return p
    if (round >= CLEAR_AFTER && worst > CONTRADICTS) return null
    const gains = gainsAt(p, r)
    const sumOver = (of: (i: number) => number, from: number) => {
      let sum = from
      for (let i = 0; i < priors.length; i++) sum += of(i)
      return sum
    }
    const square = matrixOf(r.length, r.length, (k, l) =>
      sumOver((i) => cellAt(gains, i, k) * at(variances, i) * cellAt(gains, i, l), k === l ? RIDGE : 0),
    )
    const pulled = p.map((value, i) => value - at(priors, i))
    const weights = solveLinear(
      square,
      r.map((misfit, k) => sumOver((i) => cellAt(gains, i, k) * at(pulled, i), -misfit)),
    )
    if (weights === null) return null
    p = priors.map((prior, i) => prior + at(variances, i) * dot(rowAt(gains, i), weights))
    if (!p.every(Number.isFinite)) return null
  }
  return p
}

function residualsOf(knowns: readonly Known[], values: FreeValues): Residual[] {
  return knowns.map(({ base, ...known }) => {
    const predicted = predict(withFree(base, values), known)
    return { known, predicted, residual: predicted - known.value }
  })
}

function valuesOf(p: Vector): FreeValues {
  const [
    hipForward = NaN,
    hipUp = NaN,
    trunk = NaN,
    elbowFlexion = NaN,
    elbowSwivel = NaN,
    twist = NaN,
    handSetLeft = NaN,
    handSetRight = NaN,
    pitchLeft = NaN,
    pitchRight = NaN,
    legs = NaN,
    legsApart = NaN,
    hipsTurned = NaN,
    hipsTilted = NaN,
  ] = p
  return {
    hipForward,
    hipUp,
    trunk,
    elbowFlexion,
    elbowSwivel,
    twist,
    handSetLeft,
    handSetRight,
    pitchLeft,
    pitchRight,
    legs,
    legsApart,
    hipsTurned,
    hipsTilted,
  }
}

/** Degrees of apparent over-extension per mm that a leg or an arm falls short, so that a search finds its way back. */
const SHORT_LEG_SLOPE = 0.4
const SHORT_ARM_SLOPE = 0.8

/** Which angle is asked for. */
export type AskedAngle = Pick<Known<ReadKind>, 'kind' | 'side'>
/** Angles of one model, degrees; a gap in mm. */
export type Predictor = (asked: AskedAngle) => number
const noPrediction: Predictor = () => 0

/** What the model makes of a measured angle; finite even where a leg falls short. */
export function predict(model: RiderModel, known: AskedAngle): number {
  return predictor(model)(known)
}

/** {@link predict} for several angles of one model: trunk and arms are worked out once. */
export function predictor(model: RiderModel): Predictor {
  const hip = hipOf(model)
  let posture: UpperPosture | null = null
  const upper = () => (posture ??= model.grips && upperPosture(model.upper, hip, model.grips))
  /** of one arm, or of both taken together */
  const ofArm = (side: Side | 'both', key: 'elbowFlexion' | 'shoulderAngle' | 'wrist'): number => {
    const arms = upper()?.arms
    if (!arms) return 0
    const one = (arm: ArmPosture) => (arm[key] ?? 0) - (key === 'elbowFlexion' ? SHORT_ARM_SLOPE * arm.short : 0)
    return side === 'both' ? (one(arms.left) + one(arms.right)) / 2 : one(arms[side])
  }
  return ({ kind, side: asked }) => {
    const side = asked === 'both' ? 'right' : asked
    const leg = model.legs[side]
    switch (kind) {
      case 'kneeFlexion': {
        const { kneeFlexion, distance } = legAt(model, leg, hip, 180)
        return kneeFlexion ?? -SHORT_LEG_SLOPE * (distance - leg.thigh - leg.shank)
      }
      case 'footPitch':
        return leg.footPitch
      case 'hipAngle':
        return hipAngleBetween(hip, upper(), legAt(model, leg, hip, extremeReach(model, leg, hip, -1))) ?? 0
      case 'torsoAngle':
        return upper()?.torso ?? 0
      case 'elbowFlexion':
      case 'shoulderAngle':
      case 'wrist':
        return ofArm(asked, kind)
      case 'kneeElbowGap':
        return Math.min(...(asked === 'both' ? sides : [asked]).map((one) => turnMetrics(model, one).kneeElbowGap ?? 0))
    }
  }
}
