import { combined } from '../../../kernel/quantity.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import { bySide } from '../../../kernel/sided.ts'
import { measured, standsAt } from '../../../readings/resolve.ts'
import type { Setup } from '../../../rider/setup.ts'
import { readOf, lacks, has, valuesOf } from '../../../station/readOf.ts'
import type { OrMissing, UncertainValue } from '../../../station/readOf.ts'
import { fingerHooksAt, FINGER_MODEL, hookPlace, INDEX_OFFSET, USUAL_FOREARM, readyForearm, READY } from './rules.ts'
import type { HookPlace } from './rules.ts'

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
export function hooksAt(setup: Pick<Setup, 'now'>, side: Side): (UncertainValue & { readonly isTried: boolean }) | null {
  const tried = measured(setup.now, 'fingerHooks', side)
  if (tried !== null) return { value: tried.value, plusMinus: tried.plusMinus, isTried: true }
  const finger = fingerInput(setup, side)
  if (finger === null) return null
  const { indexFinger, gripDiameter } = finger
  const value = fingerHooksAt(indexFinger.value, gripDiameter)
  return { value, plusMinus: combined(FINGER_MODEL, indexFinger.plusMinus), isTried: false }
}

/** Lever further away than the finger hooks, mm, with ±; minus = nearer. */
export function leverFar(setup: Pick<Setup, 'now'>, side: Side): UncertainValue | null {
  const reach = standsAt(setup.now, 'leverReach', side)
  const hooks = hooksAt(setup, side)
  return reach && hooks && { value: reach.value - hooks.value, plusMinus: combined(reach.plusMinus, hooks.plusMinus) }
}

/** A flat bar's lever below level as it stands: what the bar was rolled by is in it, as in every reading that a setting carries along. */
export function leverAngleNow({ now }: Pick<Setup, 'now'>, side: Side): UncertainValue | null {
  const read = standsAt(now, 'leverAngle', side)
  return read && { value: read.value, plusMinus: read.plusMinus }
}

/** How far a forearm falls in the ready position, and how that is known. */
export interface ForearmReady extends UncertainValue {
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
