import type { Message } from '../../../kernel/message.ts'
import { RADIANS } from '../../../bike/contactPoints.ts'
import { hipOf } from '../../../body/rider.ts'
import type { RiderModel } from '../../../body/rider.ts'
import { upperPosture } from '../../../body/upperBody.ts'
import { bySide } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import type { Riding } from '../../../talk/riding.ts'
import { keysOf } from '../../../kernel/tables.ts'

interface LeverSchool {
  readonly label: string
  readonly says: Message
  /** against the forearm's line in the ready position, degrees; minus = flatter */
  readonly low: number
  readonly aim: number
  readonly high: number
  /** down to here, below level, no lever is too flat, whatever the forearm does */
  readonly flatFrom?: number
  readonly source: SourceKey
}

/** What the angle of a flat bar's levers is set by. */
export const leverSchools = {
  'forearm-line': {
    label: 'Forearm line',
    says: 'The blade falls as the forearm does when the rider stands ready.',
    low: -5,
    aim: 0,
    high: 5,
    source: 'common-practice',
  },
  flatter: {
    label: 'Flatter',
    says: 'For steep ground, 10 to 15° less: weight on the palm, thumb unloaded.',
    low: -15,
    aim: -12.5,
    high: -10,
    flatFrom: 15,
    source: 'common-practice',
  },
  lower: {
    label: 'Lower',
    says: 'For standing climbs, 5 to 10° more, as in cross-country.',
    low: 5,
    aim: 7.5,
    high: 10,
    source: 'common-practice',
  },
} as const satisfies Readonly<Record<string, LeverSchool>>
export type LeverSchoolKey = keyof typeof leverSchools
export const leverSchoolKeys = keysOf(leverSchools)
export const defaultLeverSchool: LeverSchoolKey = 'forearm-line'

/** The school a fitter has picked, else the one for the ground that was told. @source common-practice */
export function leverSchoolFor(picked: LeverSchoolKey | undefined, { terrain }: Pick<Riding, 'terrain'>): LeverSchoolKey {
  return picked ?? (terrain?.includes('steep') ? 'flatter' : defaultLeverSchool)
}

/** Below level, degrees: where levers usually stand. @source common-practice */
export const usualLeverAngles = { 'cross-country': [30, 50], 'steep ground': [15, 30] } as const
/** Both levers stand alike within this, degrees. @source common-practice */
export const LEVERS_ALIKE = 1

/** The ready position: standing, elbows out, hips back. @source prior */
export const READY = { legBend: 0.93, hipBehind: 160, elbow: 65, swivel: 55, plusMinus: 10 } as const
/** How far a forearm commonly falls in the ready position where nothing is known of the rider; degrees, k = 2. @source prior */
export const USUAL_FOREARM = { value: 35, plusMinus: 15 } as const

/**
 * How far each forearm falls in the ready position, by this rider's own lengths: cranks level, hips
 * behind the bottom bracket on nearly straight legs, elbows bent and out.
 * @returns null where the hands' place is not known or not reached so
 * @source prior
 */
export function readyForearm(model: RiderModel): Sided<number> | null {
  if (model.grips === null) return null
  const { left, right } = model.legs
  const leg = (READY.legBend * (left.thigh + left.shank + right.thigh + right.shank)) / 2
  const ankle = (left.ankleAbove + right.ankleAbove) / 2
  const seated = hipOf(model)
  const back = Math.max(READY.hipBehind, -seated.x)
  // One foot stands ahead of the bottom bracket and one behind: the middle of both is what carries.
  const hip = { x: -back, y: ankle + Math.sqrt(Math.max(0, leg * leg - back * back)) }
  const body = { ...model.upper, elbowFlexion: READY.elbow, elbowSwivel: READY.swivel }
  const posture = upperPosture(body, hip, model.grips)
  return posture.reaches ? bySide((side) => posture.arms[side].forearmFall) : null
}

/** Angle a school asks of a lever, below level, for a forearm that falls so. @source common-practice */
export function leverAngleTarget(
  forearm: number,
  school: LeverSchoolKey,
): { readonly low: number; readonly aim: number; readonly high: number } {
  const { low, aim, high, flatFrom = Infinity }: LeverSchool = leverSchools[school]
  return { low: Math.min(forearm + low, flatFrom), aim: forearm + aim, high: forearm + high }
}

/** Index finger's middle from the hand's middle toward the thumb, of the hand's breadth. @source prior */
export const INDEX_OFFSET = 0.3

/** A hook this near the finger will do, mm. @source prior */
export const HOOK_FITS = 5

/** Where the hook lies and where the finger is, mm from the bar's end along the bar. */
export interface HookPlace {
  readonly finger: number
  readonly hook: number
  /** finger less hook: + the hook stands outside of the finger, so the clamp goes inboard by it */
  readonly off: number
}

/** Along the bar; mm. */
export interface HookInput {
  /** bar's end to the middle of the hand */
  readonly handFromEnd: number
  readonly handBreadth: number
  readonly gripLength: number
  /** inner end of the grip to the middle of the brake's clamp */
  readonly leverClamp: number
  /** middle of the clamp out to the hook */
  readonly leverHook: number
}

/**
 * Hook against the index finger along the bar.
 * @source geometry
 */
export function hookPlace({ handFromEnd, handBreadth, gripLength, leverClamp, leverHook }: HookInput): HookPlace {
  const finger = handFromEnd + INDEX_OFFSET * handBreadth
  const hook = gripLength + leverClamp - leverHook
  return { finger, hook, off: finger - hook }
}

/** Largest grip dimension a lever may have, mm: adults, and small hands. @source iso-4210 */
const LEVER_REACH_LIMIT = { adult: 90, small: 75 } as const
/** A hand shorter than this is a small one, mm. @source prior */
const SMALL_HAND = 165
/** A lever this near what the finger hooks will do, mm. @source prior */
export const REACH_FITS = 4
/** ± of what a finger hooks by the model below, mm; k = 2. @source prior */
export const FINGER_MODEL = 7

/** Bones of a finger as shares of its length from the knuckle. @source prior */
const PHALANGES = { first: 0.51, middle: 0.29, last: 0.2 } as const
/** The knuckle lies deeper in the hand than the crease the finger is measured from. @source prior */
const KNUCKLE = 1.22
/** Bends of a finger that hooks: middle and last joint, degrees. @source prior */
const HOOKED = { middle: 25, last: 45 } as const
/** Half of a finger's thickness, and half of a bar's at the grips, mm. @source prior */
const HALF_FINGER = 8
const HALF_BAR = 11.1
/** Palm that lies round the grip, from its back to the knuckle, mm. @source prior */
const PALM_ROUND = 55

/**
 * Bar's front to where one finger hooks a blade with a straight wrist, mm: three bones from a knuckle
 * that lies further back the thicker the grip is. A figure to start from; trying outranks it.
 * @param indexFinger crease to tip, mm
 * @param gripDiameter mm
 * @source prior
 */
export function fingerHooksAt(indexFinger: number, gripDiameter: number): number {
  const bones = KNUCKLE * indexFinger
  const a = HOOKED.middle * RADIANS
  const b = (HOOKED.middle + HOOKED.last) * RADIANS
  const half = PHALANGES.last / 2
  const chord =
    bones *
    Math.hypot(PHALANGES.first + PHALANGES.middle * Math.cos(a) + half * Math.cos(b), PHALANGES.middle * Math.sin(a) + half * Math.sin(b))
  const radius = gripDiameter / 2 + HALF_FINGER
  const round = Math.min(Math.PI, PALM_ROUND / radius)
  const knuckle = { x: -radius * Math.cos(round), y: radius * Math.sin(round) }
  const ahead = Math.sqrt(Math.max(0, chord * chord - knuckle.y * knuckle.y))
  return ahead + knuckle.x - HALF_BAR
}

/** Largest reach for a hand. @source iso-4210 */
export function leverReachLimit(handLength: number | null): number {
  return handLength !== null && handLength < SMALL_HAND ? LEVER_REACH_LIMIT.small : LEVER_REACH_LIMIT.adult
}

/** Sides of which the lever stands lower, and by how much. */
export function leversApart(angles: Sided<number>): { readonly lower: Side; readonly by: number } {
  const by = angles.left - angles.right
  return { lower: by >= 0 ? 'left' : 'right', by: Math.abs(by) }
}
