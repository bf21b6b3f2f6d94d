import type { BikeKind } from '../bike/bikeKinds.ts'
import { RADIANS } from '../bike/contactPoints.ts'
import { HAND_LENGTH_SHARE } from '../body/proportions.ts'
import { hipOf } from '../body/rider.ts'
import { upperPosture } from '../body/upperBody.ts'
import type { Setup } from '../change/setup.ts'
import { measured, standsAt } from '../measure/resolve.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import type { NumberKey, ReadingKey } from '../measure/readingDefinitions.ts'
import { flatBarOf } from '../measure/riderModel.ts'
import { combined } from '../quantity/quantity.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { bySide, sides } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import type { HalfBar } from './barRoom.ts'
import type { Alignment } from './gripAlignment.ts'
import { gripTarget } from './grips.ts'
import type { GripSchoolKey } from './grips.ts'
import { FINGER_MODEL, fingerHooksAt, hookPlace, INDEX_OFFSET, READY, readyForearm, USUAL_FOREARM } from './levers.ts'
import type { HookPlace } from './levers.ts'
import { ELBOWS_OUT, STATURE_SHARE, widthTarget } from './width.ts'
import type { WidthInput, WidthSchoolKey, WidthTarget } from './width.ts'

/** A number with its ±; k = 2. */
export interface Doubted {
  readonly value: number
  readonly plusMinus: number
}

/** The readings of one side, all of them or the names of those that lack. */
export function readOf<Keys extends NumberKey>(
  now: ResolvedReadings,
  side: Side,
  keys: readonly Keys[],
): { readonly read: Readonly<Record<Keys, Quantity>> | null; readonly missing: readonly Keys[] } {
  const found = keys.map((key) => [key, standsAt(now, key, side)] as const)
  const missing = found.flatMap(([key, value]) => (value === null ? [key] : []))
  return { read: missing.length > 0 ? null : (Object.fromEntries(found) as Record<Keys, Quantity>), missing }
}
/** Their bare values. */
const valuesOf = <Keys extends string>(read: Readonly<Record<Keys, Quantity>>): Record<Keys, number> =>
  Object.fromEntries(Object.entries<Quantity>(read).map(([key, { value }]) => [key, value])) as Record<Keys, number>

/** A judgement of one side, or what is still to be read for it. */
export type OrMissing<Made> =
  { readonly found: Made; readonly missing: readonly [] } | { readonly found: null; readonly missing: readonly ReadingKey[] }
export const lacks = (missing: readonly ReadingKey[]) => ({ found: null, missing })
export const has = <Made>(found: Made) => ({ found, missing: [] as const })

/** Upper arm where nothing is known of it, and its spread, mm. @source prior */
const USUAL_UPPER_ARM = 320
const USUAL_SPREAD = 15

/** What the schools of width go by on this bike; what is not read of the arms is as usual. */
export function widthInput({ now }: Pick<Setup, 'now'>, kind: BikeKind): WidthInput {
  const pair = (key: 'upperArm' | 'handFromEnd', usual: number) => [now[key].left?.value ?? usual, now[key].right?.value ?? usual] as const
  return {
    acromionWidth: measured(now, 'acromionWidth')?.value ?? null,
    stature: measured(now, 'stature')?.value ?? null,
    upperArms: pair('upperArm', USUAL_UPPER_ARM),
    handsFromEnd: pair('handFromEnd', 0),
    kind,
  }
}

/** What a school asks of the bar's width, and the ± of it; mm. */
export interface WidthAsked {
  readonly target: WidthTarget
  readonly plusMinus: number
}

/** Width asked for by a school on this bike; null where its own reading is missing or it has nothing to say. */
export function widthAsked(setup: Pick<Setup, 'now'>, school: WidthSchoolKey, kind: BikeKind): WidthAsked | null {
  const target = widthTarget(school, widthInput(setup, kind))
  if (target === null) return null
  const { acromionWidth, stature, upperArm } = setup.now
  const arms = Math.max(USUAL_SPREAD, ...sides.map((side) => upperArm[side]?.plusMinus ?? 0))
  const shoulders = acromionWidth.left?.plusMinus ?? 0
  const plusMinus = {
    build: combined(shoulders, 2 * arms * Math.sin(ELBOWS_OUT * RADIANS)),
    stature: STATURE_SHARE.aim * (stature.left?.plusMinus ?? 0),
    use: 0,
    acromia: shoulders,
    narrow: shoulders,
    wide: shoulders,
  }[school]
  return { target, plusMinus }
}

/** The bar's width as it is judged: hood to hood on a drop bar, end to end on a flat one. */
export function widthNow({ now, rider }: Pick<Setup, 'now' | 'rider'>): Quantity | null {
  return standsAt(now, rider.bar === 'drop' ? 'hoodWidth' : 'barWidth')
}

/** Hand to hand as the model has it, mm; null while the hands are not known. */
export function spacingNow({ model }: Pick<Setup, 'model'>): number | null {
  return model?.grips ? model.grips.left.at.z + model.grips.right.at.z : null
}

/**
 * Reach that the spread of the hands costs, mm, mean of both arms.
 * @param wider hands further apart than they are, mm
 * @returns null while rider or hands are not known, or where the arms do not reach
 * @source geometry
 */
export function spreadCost({ model }: Pick<Setup, 'model'>, wider = 0): number | null {
  const grips = model?.grips
  if (!model || !grips) return null
  const apart = bySide((side) => ({ ...grips[side], at: { ...grips[side].at, z: grips[side].at.z + wider / 2 } }))
  const { reaches, spreadCost: cost } = upperPosture(model.upper, hipOf(model), apart)
  return reaches ? cost : null
}

/** Shape of a half of the flat bar; null while it is not read. */
export function halfBar({ now }: Pick<Setup, 'now'>): OrMissing<HalfBar> {
  const { read, missing } = readOf(now, 'left', ['barWidth', 'barBend', 'barBacksweep', 'barUpsweep'])
  return read === null ? lacks(missing) : has(valuesOf(read))
}

/** Hook against the index finger of one hand, with its ±. */
export function hookOf({ now }: Pick<Setup, 'now'>, side: Side): OrMissing<HookPlace & { readonly plusMinus: number }> {
  const { read, missing } = readOf(now, side, ['handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'leverHook'])
  if (read === null) return lacks(missing)
  const { handBreadth, ...others } = read
  const doubts = Object.values(others).map(({ plusMinus }) => plusMinus)
  return has({ ...hookPlace(valuesOf(read)), plusMinus: combined(INDEX_OFFSET * handBreadth.plusMinus, ...doubts) })
}

/** What {@link hookOf} is worked out from, for the working panel. */
export function hookReadings({ now }: Pick<Setup, 'now'>, side: Side) {
  const { read } = readOf(now, side, ['handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'leverHook'])
  return read && valuesOf(read)
}

/** A grip where none is read, mm. @source prior */
const USUAL_GRIP = 32

/** The finger by its length: what its reach is worked out from; null while it is not read. */
export function fingerInput({ now }: Pick<Setup, 'now'>, side: Side) {
  const finger = measured(now, 'indexFinger', side)
  return finger && { indexFinger: finger, gripDiameter: now.gripDiameter[side]?.value ?? USUAL_GRIP }
}

/** Reach at which the finger hooks: tried, else by its length; with ±. */
export function hooksAt(setup: Pick<Setup, 'now'>, side: Side): (Doubted & { readonly isTried: boolean }) | null {
  const tried = measured(setup.now, 'fingerHooks', side)
  if (tried !== null) return { value: tried.value, plusMinus: tried.plusMinus, isTried: true }
  const finger = fingerInput(setup, side)
  if (finger === null) return null
  const { indexFinger, gripDiameter } = finger
  const value = fingerHooksAt(indexFinger.value, gripDiameter)
  return { value, plusMinus: combined(FINGER_MODEL, indexFinger.plusMinus), isTried: false }
}

/** Lever further away than the finger hooks, mm, with ±; minus = nearer. */
export function leverFar(setup: Pick<Setup, 'now'>, side: Side): Doubted | null {
  const reach = standsAt(setup.now, 'leverReach', side)
  const hooks = hooksAt(setup, side)
  return reach && hooks && { value: reach.value - hooks.value, plusMinus: combined(reach.plusMinus, hooks.plusMinus) }
}

/** A flat bar's lever below level as it stands: what the bar was rolled by is in it, as in every reading that a setting carries along. */
export function leverAngleNow({ now }: Pick<Setup, 'now'>, side: Side): Doubted | null {
  const read = standsAt(now, 'leverAngle', side)
  return read && { value: read.value, plusMinus: read.plusMinus }
}

/** How far a forearm falls in the ready position, and how that is known. */
export interface ForearmReady extends Doubted {
  readonly by: 'reading' | 'lengths' | 'usual'
}
/** How far the forearms fall in the ready position: read, else by the rider's own lengths, else as is usual. */
export function forearmNow({ now, model }: Pick<Setup, 'now' | 'model'>): Sided<ForearmReady> {
  const modelled = model && readyForearm(model)
  return bySide((side) => {
    const read = measured(now, 'forearmReady', side)
    if (read !== null) return { value: read.value, plusMinus: read.plusMinus, by: 'reading' }
    return modelled ? { value: modelled[side], plusMinus: READY.plusMinus, by: 'lengths' } : { ...USUAL_FOREARM, by: 'usual' }
  })
}

/** Grip thicker than the hand asks, mm, with ±, what is asked, and what the hand alone asks. @source kong-lowe */
export function gripOver(
  { now }: Pick<Setup, 'now'>,
  side: Side,
  school: GripSchoolKey,
): (Doubted & { readonly aim: number; readonly own: number }) | null {
  const [grip, hand] = [standsAt(now, 'gripDiameter', side), measured(now, 'handLength', side)]
  if (grip === null || hand === null) return null
  const { aim, own } = gripTarget(hand.value, school)
  return { value: grip.value - aim, plusMinus: combined(grip.plusMinus, HAND_LENGTH_SHARE * hand.plusMinus), aim, own }
}

/** The hand's own direction; null while either angle is not read. */
export function handAlignment({ now }: Pick<Setup, 'now'>, side: Side): (Alignment & { readonly plusMinus: number }) | null {
  const [back, up] = [measured(now, 'handSweep', side), measured(now, 'handRise', side)]
  return back && up && { back: back.value, up: up.value, plusMinus: Math.max(back.plusMinus, up.plusMinus) }
}

/** The bar's own sweeps and roll as they stand; null while they are not read. */
export function barSweeps(setup: Setup): { readonly barBacksweep: number; readonly barUpsweep: number; readonly barRoll: number } | null {
  const { now, rider, folded } = setup
  if (standsAt(now, 'barBacksweep') === null || standsAt(now, 'barUpsweep') === null) return null
  const bar = flatBarOf(rider.values, folded.by, 'right')
  return bar && { barBacksweep: bar.barBacksweep, barUpsweep: bar.barUpsweep, barRoll: bar.barRoll }
}
