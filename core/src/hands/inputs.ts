import type { BikeKind } from '../bike/bikeKinds.ts'
import { sideChord } from '../body/upperBody.ts'
import type { Setup } from '../change/setup.ts'
import { chosen, measured, standsAt } from '../measure/resolve.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import type { NumberKey, ReadingKey } from '../measure/readingDefinitions.ts'
import { flatBarOf } from '../measure/riderModel.ts'
import { combined, quantity } from '../quantity/quantity.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import { straightPart } from './barRoom.ts'
import type { BarPiece, HalfBar } from './barRoom.ts'
import { gripTarget } from './grips.ts'
import type { GripSchoolKey } from './grips.ts'
import { FINGER_MODEL, fingerHooksAt, HOOK_FITS, hookPlace, INDEX_OFFSET, readyForearm, READY } from './levers.ts'
import type { HookPlace } from './levers.ts'
import type { Alignment } from './gripAlignment.ts'
import type { ShifterOption, ThumbZone } from './shifters.ts'
import { paddleStanding, shifterOptions, THUMB_WORKS, thumbZone } from './shifters.ts'
import { BUILD_SPREAD, ELBOWS_OUT, widthTarget } from './width.ts'
import type { WidthSchoolKey, WidthTarget } from './width.ts'

/** A number with its ±; k = 2. */
export interface Doubted {
  readonly value: number
  readonly plusMinus: number
}

/** The readings of one side, all of them or the names of those that lack. */
function readOf<Keys extends NumberKey>(
  now: ResolvedReadings,
  side: Side,
  keys: readonly Keys[],
): { readonly read: Readonly<Record<Keys, Quantity>> | null; readonly missing: readonly Keys[] } {
  const found = keys.map((key) => [key, standsAt(now, key, side)] as const)
  const missing = found.flatMap(([key, value]) => (value === null ? [key] : []))
  return { read: missing.length > 0 ? null : (Object.fromEntries(found) as Record<Keys, Quantity>), missing }
}

/** A judgement of one side, or what is still to be read for it. */
export type OrMissing<Made> =
  { readonly found: Made; readonly missing: readonly [] } | { readonly found: null; readonly missing: readonly ReadingKey[] }
const lacks = (missing: readonly ReadingKey[]) => ({ found: null, missing })
const has = <Made>(found: Made) => ({ found, missing: [] as const })

/** Upper arm where nothing is known of it, and its spread, mm. @source prior */
const USUAL_UPPER_ARM = 320
const USUAL_SPREAD = 15

/** What a school asks of the bar's width, and the ± of it; mm. */
export interface WidthAsked {
  readonly target: WidthTarget
  readonly plusMinus: number
}

/** Width asked for by a school on this bike; null where its own reading is missing or it has nothing to say. */
export function widthAsked({ now }: Pick<Setup, 'now'>, school: WidthSchoolKey, kind: BikeKind): WidthAsked | null {
  const acromion = measured(now, 'acromionWidth')
  const stature = measured(now, 'stature')
  const arm = now.upperArm
  const hand = now.handFromEnd
  const target = widthTarget(school, {
    acromionWidth: acromion?.value ?? null,
    stature: stature?.value ?? null,
    upperArms: [arm.left?.value ?? USUAL_UPPER_ARM, arm.right?.value ?? USUAL_UPPER_ARM],
    handsFromEnd: [hand.left?.value ?? 0, hand.right?.value ?? 0],
    kind,
  })
  if (target === null) return null
  const spread = Math.max(arm.left?.plusMinus ?? 0, arm.right?.plusMinus ?? 0, USUAL_SPREAD)
  const out = 2 * spread * Math.sin((ELBOWS_OUT * Math.PI) / 180)
  const plusMinus =
    school === 'build' ? combined(acromion?.plusMinus ?? 0, out) : school === 'stature' ? 0.44 * (stature?.plusMinus ?? 0) : school === 'use' ? 0 : (acromion?.plusMinus ?? 0)
  return { target, plusMinus }
} // prettier-ignore

/** The bar's width as it is judged: hood to hood on a drop bar, end to end on a flat one. */
export function widthNow({ now, rider }: Pick<Setup, 'now' | 'rider'>): Quantity | null {
  return standsAt(now, rider.bar === 'drop' ? 'hoodWidth' : 'barWidth')
}

/** Bar's width over what the trade's first school asks, with the spread of builds; null while not read. */
export function widthOver(setup: Setup): Doubted | null {
  const width = widthNow(setup)
  const asked = widthAsked(setup, setup.rider.bar === 'drop' ? 'acromia' : 'build', 'other')
  if (width === null || asked === null) return null
  const spread = setup.rider.bar === 'drop' ? 0 : BUILD_SPREAD
  return { value: width.value - asked.target.aim, plusMinus: combined(width.plusMinus, asked.plusMinus, spread) }
}

/** Reach that the spread of the hands costs, mm, mean of both arms, for hands this far apart. @source geometry */
export function spreadCostAt({ model }: Pick<Setup, 'model'>, chord: number, handSpacing: number): number | null {
  if (model === null) return null
  const side = sideChord(chord, handSpacing, model.upper.acromionWidth)
  return side < 0 ? null : chord - side
}

/** Shape of a half of the flat bar; null while it is not read. */
export function halfBar({ now }: Pick<Setup, 'now'>): OrMissing<HalfBar> {
  const { read, missing } = readOf(now, 'left', ['barWidth', 'barBend', 'barBacksweep', 'barUpsweep'])
  return read === null
    ? lacks(missing)
    : has({ barWidth: read.barWidth.value, barBend: read.barBend.value, barBacksweep: read.barBacksweep.value, barUpsweep: read.barUpsweep.value })
} // prettier-ignore

/** Grip and clamps of one half from the end inward; what is not read of the clamps is left out. */
export function barPieces({ now }: Pick<Setup, 'now'>, side: Side): OrMissing<readonly BarPiece[]> {
  const grip = standsAt(now, 'gripLength', side)?.value ?? null
  if (grip === null) return lacks(['gripLength'])
  const at = (key: NumberKey) => standsAt(now, key, side)?.value ?? null
  const place = (key: NumberKey) => {
    const from = at(key)
    return from === null ? null : grip + from
  }
  const clamp = (key: BarPiece['key'], label: string, width: number | null, middle: number | null): BarPiece[] =>
    width === null || width === 0 ? [] : [{ key, label, width, middle }]
  const brake = clamp('brake', 'brake clamp', at('brakeClampWidth'), place('leverClamp'))
  const shifter = clamp('shifter', 'shifter clamp', at('shifterClampWidth'), place('shifterClamp'))
  const remote = clamp('remote', 'remote', at('remoteClampWidth'), null)
  const isOutside = chosen(now, 'shifterPlace') === 'outside'
  return has([{ key: 'grip', label: 'grip', width: grip, middle: grip / 2 }, ...(isOutside ? [...shifter, ...brake] : [...brake, ...shifter]), ...remote])
} // prettier-ignore

/** Hook against the index finger of one hand, with its ±. */
export function hookOf({ now }: Pick<Setup, 'now'>, side: Side): OrMissing<HookPlace & { readonly plusMinus: number }> {
  const { read, missing } = readOf(now, side, ['handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'leverHook'])
  if (read === null) return lacks(missing)
  const { handFromEnd, handBreadth, gripLength, leverClamp, leverHook } = read
  const place = hookPlace({
    handFromEnd: handFromEnd.value,
    handBreadth: handBreadth.value,
    gripLength: gripLength.value,
    leverClamp: leverClamp.value,
    leverHook: leverHook.value,
  })
  const finger = INDEX_OFFSET * handBreadth.plusMinus
  return has({
    ...place,
    plusMinus: combined(handFromEnd.plusMinus, finger, gripLength.plusMinus, leverClamp.plusMinus, leverHook.plusMinus),
  })
}

/** Reach at which the finger hooks: tried, else by its length; with ±. */
export function hooksAt({ now }: Pick<Setup, 'now'>, side: Side): (Doubted & { readonly isTried: boolean }) | null {
  const tried = measured(now, 'fingerHooks', side)
  if (tried !== null) return { value: tried.value, plusMinus: tried.plusMinus, isTried: true }
  const finger = measured(now, 'indexFinger', side)
  if (finger === null) return null
  const grip = now.gripDiameter[side]?.value ?? USUAL_GRIP
  return { value: fingerHooksAt(finger.value, grip), plusMinus: combined(FINGER_MODEL, finger.plusMinus), isTried: false }
}
/** A grip where none is read, mm. @source prior */
const USUAL_GRIP = 32

/** Lever further away than the finger hooks, mm, with ±; minus = nearer. */
export function leverFar(setup: Pick<Setup, 'now'>, side: Side): Doubted | null {
  const reach = standsAt(setup.now, 'leverReach', side)
  const hooks = hooksAt(setup, side)
  return reach && hooks && { value: reach.value - hooks.value, plusMinus: combined(reach.plusMinus, hooks.plusMinus) }
}

/** A flat bar's lever below level, the bar's roll of this visit included. */
export function leverAngleNow({ now, folded }: Pick<Setup, 'now' | 'folded'>, side: Side): Doubted | null {
  const read = standsAt(now, 'leverAngle', side)
  return read && { value: read.value + folded.by('barRoll', 'both'), plusMinus: read.plusMinus }
}

/** How far the forearms fall in the ready position: read, else by the rider's own lengths. */
export function forearmNow({ now, model }: Pick<Setup, 'now' | 'model'>): Sided<(Doubted & { readonly isRead: boolean }) | null> {
  const modelled = model && readyForearm(model)
  return bySide((side) => {
    const read = measured(now, 'forearmReady', side)
    if (read !== null) return { value: read.value, plusMinus: read.plusMinus, isRead: true }
    return modelled && { value: modelled[side], plusMinus: READY.plusMinus, isRead: false }
  })
}

/** Grip thicker than the hand asks, mm, with ±. @source kong-lowe */
export function gripOver({ now }: Pick<Setup, 'now'>, side: Side, school: GripSchoolKey = 'match'): (Doubted & { readonly aim: number; readonly own: number }) | null {
  const [grip, hand] = [standsAt(now, 'gripDiameter', side), measured(now, 'handLength', side)]
  if (grip === null || hand === null) return null
  const { aim, own } = gripTarget(hand.value, school)
  return { value: grip.value - aim, plusMinus: combined(grip.plusMinus, 0.197 * hand.plusMinus), aim, own }
} // prettier-ignore

/** The hand's own direction; null while either angle is not read. */
export function handAlignment({ now }: Pick<Setup, 'now'>, side: Side): (Alignment & { readonly plusMinus: number }) | null {
  const [back, up] = [measured(now, 'handSweep', side), measured(now, 'handRise', side)]
  return back && up && { back: back.value, up: up.value, plusMinus: combined(back.plusMinus, up.plusMinus) / Math.SQRT2 }
}

/** The bar's own sweeps and roll as they stand; null while they are not read. */
export function barSweeps(setup: Setup): { readonly barBacksweep: number; readonly barUpsweep: number; readonly barRoll: number } | null {
  const { now, rider, folded } = setup
  if (measured(now, 'barBacksweep') === null || measured(now, 'barUpsweep') === null) return null
  const bar = flatBarOf(rider.values, folded.by, 'right')
  return bar && { barBacksweep: bar.barBacksweep, barUpsweep: bar.barUpsweep, barRoll: bar.barRoll }
}

/** Thumb and paddle of one hand, mm from the bar's end. */
export interface ThumbPlace {
  readonly zone: ThumbZone
  readonly paddle: number
  readonly clampAt: number
  readonly plusMinus: number
}

/** Where a thumb works and where its paddle is; missing where there is no shifter on the side. */
export function thumbOf({ now }: Pick<Setup, 'now'>, side: Side): OrMissing<ThumbPlace> {
  const { read, missing } = readOf(now, side, ['handFromEnd', 'handBreadth', 'thumbLength', 'gripLength', 'shifterClamp', 'shifterPaddle'])
  if (read === null) return lacks(missing)
  const zone = thumbZone({ handFromEnd: read.handFromEnd.value, handBreadth: read.handBreadth.value, thumbLength: read.thumbLength.value })
  const clampAt = read.gripLength.value + read.shifterClamp.value
  const plusMinus = combined(
    read.handFromEnd.plusMinus,
    read.handBreadth.plusMinus / 2,
    THUMB_WORKS * read.thumbLength.plusMinus,
    read.shifterClamp.plusMinus,
    read.shifterPaddle.plusMinus,
  )
  return has({ zone, clampAt, paddle: clampAt - read.shifterPaddle.value, plusMinus })
}

/** Whether a side has a shifter: none where its clamp was read as 0, or the bike has none. */
export function hasShifter({ now }: Pick<Setup, 'now'>, side: Side): boolean {
  return chosen(now, 'shifterPlace') !== 'none' && standsAt(now, 'shifterClampWidth', side)?.value !== 0
}

/** Middle of both hands' spacing as the model has it; null while the hands are not known. */
export function spacingNow({ model }: Pick<Setup, 'model'>): Quantity | null {
  const { grips } = model ?? { grips: null }
  return grips && quantity(grips.left.at.z + grips.right.at.z, 0, 'mm', 'computed')
}

/** Both places of a side's shifter against the brake where the finger wants it, the better first; null while they cannot be said. */
export function shifterPlacesOf(setup: Pick<Setup, 'now'>, side: Side): readonly ShifterOption[] | null {
  const thumb = hasShifter(setup, side) ? thumbOf(setup, side).found : null
  const bar = halfBar(setup).found
  const { read } = readOf(setup.now, side, ['gripLength', 'leverClamp', 'brakeClampWidth', 'shifterClampWidth', 'shifterPaddle'])
  if (!thumb || !bar || !read || chosen(setup.now, 'shifterPlace') === 'one-piece') return null
  const hook = hookOf(setup, side).found
  const brakeAt = read.gripLength.value + read.leverClamp.value + (hook && Math.abs(hook.off) > HOOK_FITS ? hook.off : 0)
  const clamps = {
    gripLength: read.gripLength.value,
    brakeAt,
    brakeWidth: read.brakeClampWidth.value,
    shifterWidth: read.shifterClampWidth.value,
    paddle: read.shifterPaddle.value,
  }
  return shifterOptions(thumb.zone, clamps, straightPart(bar))
}

/** How far the shifter's clamp goes to where the thumb works it, mm, + inboard; 0 where it does, or neither place does better. */
export function shifterMove(setup: Pick<Setup, 'now'>, side: Side): number {
  const thumb = thumbOf(setup, side).found
  const [best] = shifterPlacesOf(setup, side) ?? []
  const off = thumb ? Math.abs(paddleStanding(thumb.zone, thumb.paddle).by) : 0
  return !thumb || !best?.fits || best.misses >= off - 1 ? 0 : Math.round(best.clampAt - thumb.clampAt)
}
