import type { Setup } from '../../../rider/setup.ts'
import { chosen, standsAt } from '../../../readings/resolve.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'
import { straightPart } from '../bar/room.ts'
import { hookOf } from '../levers/readings.ts'
import { halfBar } from '../bar/halfBar.ts'
import { has, lacks, readOf } from '../../../station/readOf.ts'
import type { OrMissing } from '../../../station/readOf.ts'
import { HOOK_FITS } from '../levers/rules.ts'
import { paddleStanding, shifterOptions, THUMB_WORKS, thumbZone } from './shifters.ts'
import type { ShifterOption, ThumbZone } from './shifters.ts'
import { thumbControls } from '../bar/pieces.ts'
import type { ThumbControl } from '../bar/pieces.ts'

/** Thumb and paddle of one hand, mm from the bar's end. */
export interface ThumbPlace {
  readonly zone: ThumbZone
  readonly paddle: number
  readonly clampAt: number
  readonly plusMinus: number
}

/** Where a thumb works and where a paddle is; what lacks, named. */
export function thumbOf({ now }: Pick<Setup, 'now'>, side: Side, control: ThumbControl = 'shifter'): OrMissing<ThumbPlace> {
  const { clamp, paddle } = thumbControls[control]
  const { read, missing } = readOf(now, side, ['handFromEnd', 'handBreadth', 'thumbLength', 'gripLength', clamp, paddle])
  if (read === null) return lacks(missing)
  const { handFromEnd, handBreadth, thumbLength, gripLength } = read
  const zone = thumbZone({ handFromEnd: handFromEnd.value, handBreadth: handBreadth.value, thumbLength: thumbLength.value })
  const clampAt = gripLength.value + read[clamp].value
  const plusMinus = combined(
    handFromEnd.plusMinus,
    handBreadth.plusMinus / 2,
    THUMB_WORKS * thumbLength.plusMinus,
    gripLength.plusMinus,
    read[clamp].plusMinus,
    read[paddle].plusMinus,
  )
  return has({ zone, clampAt, paddle: clampAt - read[paddle].value, plusMinus })
}

/**
 * Whether a side has such a control by itself: a shifter, unless the bike has none, it is one piece with
 * the brake's clamp or its width was read as 0; a remote, where its width was read and is more than 0.
 */
export function hasControl({ now }: Pick<Setup, 'now'>, side: Side, control: ThumbControl): boolean {
  const width = standsAt(now, thumbControls[control].width, side)?.value ?? null
  if (control === 'remote') return width !== null && width > 0
  return chosen(now, 'shifterPlace') !== 'none' && width !== 0
}

/** Both places of a control against the brake where the finger wants it, the better first; null while they cannot be said. */
export function controlPlaces(setup: Pick<Setup, 'now'>, side: Side, control: ThumbControl): readonly ShifterOption[] | null {
  const { now } = setup
  const thumb = hasControl(setup, side, control) ? thumbOf(setup, side, control).found : null
  const bar = halfBar(setup).found
  const { width, paddle } = thumbControls[control]
  const { read } = readOf(now, side, ['gripLength', 'leverClamp', 'brakeClampWidth', width, paddle])
  if (!thumb || !bar || !read || (control === 'shifter' && chosen(now, 'shifterPlace') === 'one-piece')) return null
  const hook = hookOf(setup, side).found
  const brakeAt = read.gripLength.value + read.leverClamp.value + (hook && Math.abs(hook.off) > HOOK_FITS ? hook.off : 0)
  return shifterOptions(
    thumb.zone,
    {
      gripLength: read.gripLength.value,
      brakeAt,
      brakeWidth: read.brakeClampWidth.value,
      shifterWidth: read[width].value,
      paddle: read[paddle].value,
    },
    straightPart(bar),
  )
}

/** A place must be this much better than the present one to be worth the work, mm. @source prior */
const WORTH_SLIDING = 1

/** Clamps that overlap by less than a ruler can tell do not lie on each other, mm. @source prior */
const CLAMPS_MEET = 1
/** Whether a clamp at a place would lie on the brake's, as the brake stands now. */
function isOnBrake({ now }: Pick<Setup, 'now'>, side: Side, control: ThumbControl, clampAt: number): boolean {
  const { read } = readOf(now, side, ['gripLength', 'leverClamp', 'brakeClampWidth', thumbControls[control].width])
  if (read === null) return true
  const apart = Math.abs(clampAt - read.gripLength.value - read.leverClamp.value)
  return apart < (read.brakeClampWidth.value + read[thumbControls[control].width].value) / 2 - CLAMPS_MEET
}

/** Whether the thumb was seen to do otherwise than its length and the clamp say; then nothing is slid until both agree. */
export function isContradicted({ now }: Pick<Setup, 'now'>, side: Side, { zone, paddle, plusMinus }: ThumbPlace): boolean {
  const seen = chosen(now, 'thumbReach', side)
  const { state, by } = paddleStanding(zone, paddle)
  if (seen === null || (state !== 'reached' && Math.abs(by) <= plusMinus)) return false
  return (seen === 'reached') !== (state === 'reached')
}

/**
 * How far a control's clamp goes to where the thumb works it, mm, + inboard; 0 where it does, or neither
 * place does better, or the brake still stands there: then the brake is slid first.
 */
export function controlMove(setup: Pick<Setup, 'now'>, side: Side, control: ThumbControl = 'shifter'): number {
  const thumb = thumbOf(setup, side, control).found
  if (thumb && control === 'shifter' && isContradicted(setup, side, thumb)) return 0
  const [best] = controlPlaces(setup, side, control) ?? []
  const off = thumb ? Math.abs(paddleStanding(thumb.zone, thumb.paddle).by) : 0
  return !thumb || !best?.fits || best.misses >= off - WORTH_SLIDING || isOnBrake(setup, side, control, best.clampAt)
    ? 0
    : Math.round(best.clampAt - thumb.clampAt)
}
