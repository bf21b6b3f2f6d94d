import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { bare, mm, msg, range } from '../../../kernel/message.ts'
import { halfStance } from '../../../bike/frame.ts'
import { statureFractions } from '../../../body/proportions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { bySide } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { HEAVY } from '../pedal/criteria.ts'

/** Parts that make one half of the stance; mm. */
export interface StanceParts {
  readonly tread: number
  readonly axle: number
  readonly washer: number
  readonly adapter: number
  readonly cleatInboard: number
}

/** What a target can be drawn from; null = not read. */
export interface StanceInput {
  readonly now: Sided<StanceParts>
  /** knee outside the foot seen from the front, + outside */
  readonly kneeOutside: Sided<number | null>
  readonly otherStance: number | null
  /** half stances of the rider's other bikes, from their own visits */
  readonly otherBikes: readonly { readonly name: string; readonly left: number; readonly right: number }[]
  readonly use: StanceUse
  readonly stature: number | null
  readonly hipBreadth: number | null
  readonly mass: number | null
  readonly bowLegged: boolean
}
export type StanceUse = 'road' | 'mountain' | 'fat'

/** Usual tread by use, mm. @source common-practice */
export const usualTread: Readonly<Record<StanceUse, { readonly low: number; readonly high: number }>> = {
  road: { low: 145, high: 150 },
  mountain: { low: 165, high: 175 },
  fat: { low: 200, high: 220 },
}

/** Treads that cranks for the use are sold with, mm. @source common-practice */
export const soldTreads: Readonly<Record<StanceUse, readonly number[]>> = { road: [145, 150], mountain: [165, 170, 175], fat: [200, 210] }

/** Crank face to pedal centre, commonly. @source common-practice */
export const USUAL_AXLE = 53
/** A knee this near to over the foot is over it, mm. @source prior */
export const OVER_FOOT = 5
/** A stance by build counts as met this near to it, mm: nearer than the least it adds. @source prior */
const BY_BUILD = 1.5
/** What bow legs and a heavy rider add to a half stance, mm: a longer axle's worth, and half of it. @source prior */
const bodyAdds = { bowLegged: 4, heavy: 2 } as const

export const stanceMethodKeys = ['knee-over-foot', 'other-bike', 'build', 'use'] as const
export type StanceMethodKey = (typeof stanceMethodKeys)[number]

/** One way to a target: half stances with the band that counts as met. */
export interface StanceTarget {
  readonly key: StanceMethodKey
  readonly label: string
  readonly half: Sided<{ readonly target: number; readonly low: number; readonly high: number }> | null
  readonly reason: Message
  readonly missing: Message
  readonly source: SourceKey
}

const about = (target: number, tolerance: number) => ({ target, low: target - tolerance, high: target + tolerance })

/** Half stances now. @source common-practice */
export function halves(now: Sided<StanceParts>): Sided<number> {
  return bySide((side) => halfStance(now[side]))
}

/**
 * Targets side by side; the first that has what it needs is the default. None is a rule of nature:
 * the knee's path is looked at again after every step, because it follows the foot part of the way.
 */
export function stanceTargets(input: StanceInput): StanceTarget[] {
  const now = halves(input.now)
  const { kneeOutside } = input
  const usual = usualTread[input.use]
  const other =
    input.otherBikes[0] ??
    (input.otherStance === null ? null : { name: 'the other bike', left: input.otherStance / 2, right: input.otherStance / 2 })
  const usualHalf = (usual.low + usual.high) / 4 + USUAL_AXLE
  const wide = input.hipBreadth !== null && input.stature !== null ? (input.hipBreadth - statureFractions.hipWidth * input.stature) / 2 : 0
  const adds = wide + (input.bowLegged ? bodyAdds.bowLegged : 0) + ((input.mass ?? 0) >= HEAVY ? bodyAdds.heavy : 0)
  const knees = kneeOutside.left !== null && kneeOutside.right !== null
  return [
    {
      key: 'knee-over-foot',
      label: 'Knee over foot',
      half: knees ? bySide((side) => about(now[side] + (kneeOutside[side] ?? 0), OVER_FOOT)) : null,
      reason:
        'Seen from the front the knee travels over the foot: the foot goes out by what the knee lies outside it. The knee follows part of the way, so look again after each step.',
      missing: 'Measure knee outside foot, left and right.',
      source: 'common-practice',
    },
    {
      key: 'other-bike',
      label: 'Like the other bike',
      half: other && { left: about(other.left, 2), right: about(other.right, 2) },
      reason: msg`The same ${term('stance-width', 'stance')} across a rider’s bikes: ${other?.name ?? ''}.`,
      missing: msg`Measure the ${term('stance-width', 'stance')} on the other bike, or fit that bike here first.`,
      source: 'common-practice',
    },
    {
      key: 'build',
      label: 'By build',
      half: adds === 0 ? null : { left: about(usualHalf + adds, BY_BUILD), right: about(usualHalf + adds, BY_BUILD) },
      reason: msg`The usual half ${term('stance-width', 'stance')} of this kind of bike and ${mm(adds, 1)} for hips, bow legs or weight: usually wider for them. The amount is this product’s assumption.`,
      missing: 'Nothing in the build asks for more or less than usual, or hips and knees are not read.',
      source: 'prior',
    },
    {
      key: 'use',
      label: 'Usual for this bike',
      half: bySide(() => ({ target: usualHalf, low: usual.low / 2 + USUAL_AXLE, high: usual.high / 2 + USUAL_AXLE })),
      reason: msg`A ${term('tread')} of ${bare(usual.low, 1)} to ${mm(usual.high, 1)} and ${mm(USUAL_AXLE, 1)} of axle.`,
      missing: '',
      source: 'common-practice',
    },
  ]
}

/** The target that is judged by: the one chosen, else the first that has what it needs. */
export function chosenTarget(targets: readonly StanceTarget[], key: StanceMethodKey | null): StanceTarget {
  const named = targets.find((target) => target.key === key && target.half !== null)
  const first = targets.find((target) => target.half !== null)
  const found = named ?? first
  if (!found) throw new Error('stanceTargets always ends with a target that needs nothing')
  return found
}

/**
 * Turns of the crank on a ride: how often a small misalignment repeats, each leg.
 * @param hours of the ride, @param cadence turns a minute
 */
export function turnsOfRide(hours: number, cadence: number): number {
  return hours * 60 * cadence
}

/** Tread, mm → gross efficiency, %. @source disley-li */
const efficiencyTable = [
  [90, 19.38],
  [120, 19.38],
  [150, 19.09],
  [180, 19.05],
] as const

/**
 * Published gross efficiency at a tread, between the treads that were tried; null outside them: the
 * study says nothing there. The differences are small against those between riders.
 * @source disley-li
 */
export function treadEfficiency(tread: number): number | null {
  for (let i = 1; i < efficiencyTable.length; i++) {
    const [a, b] = [efficiencyTable[i - 1], efficiencyTable[i]]
    if (a && b && tread >= a[0] && tread <= b[0]) return a[1] + ((tread - a[0]) / (b[0] - a[0])) * (b[1] - a[1])
  }
  return null
}

/** Efficiency against stability, said with its limits. */
export function treadWords(tread: number): Message {
  const here = treadEfficiency(tread)
  const limits =
    'Trained riders, seated, one effort; the differences are smaller than those between riders. Narrow pedals well; wide is stable, which matters standing on rough ground.'
  if (here === null)
    return msg`Published efficiency covers ${term('tread', 'treads')} of ${range(90, 180)}; ${mm(tread)} lies outside. ${limits}`
  return msg`Gross efficiency at ${mm(tread)}: about ${trimmed(here, 2)} % (${bare(90)} and ${mm(120)} 19.38, ${mm(150)} 19.09, ${mm(180)} 19.05). ${limits}`
}
