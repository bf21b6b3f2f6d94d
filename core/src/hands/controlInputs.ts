import type { SettingKey } from '../change/settings.ts'
import type { Setup } from '../change/setup.ts'
import { chosen, standsAt } from '../measure/resolve.ts'
import type { NumberKey } from '../measure/readingDefinitions.ts'
import { combined } from '../quantity/quantity.ts'
import type { Side } from '../quantity/sided.ts'
import { barRoom, straightPart } from './barRoom.ts'
import type { BarPiece } from './barRoom.ts'
import { halfBar, has, hookOf, lacks, readOf } from './inputs.ts'
import type { OrMissing } from './inputs.ts'
import { HOOK_FITS } from './levers.ts'
import { paddleStanding, shifterOptions, THUMB_WORKS, thumbZone } from './shifters.ts'
import type { ShifterOption, ThumbZone } from './shifters.ts'
import { keysOf } from '../quantity/tables.ts'

/** What a thumb works, beside the brake: its readings, and the setting that slides its clamp. */
export const thumbControls = {
  shifter: { label: 'shifter', clamp: 'shifterClamp', width: 'shifterClampWidth', paddle: 'shifterPaddle' },
  remote: { label: 'remote', clamp: 'remoteClamp', width: 'remoteClampWidth', paddle: 'remotePaddle' },
} as const satisfies Readonly<
  Record<string, { readonly label: string; readonly clamp: SettingKey & NumberKey; readonly width: NumberKey; readonly paddle: NumberKey }>
>
export type ThumbControl = keyof typeof thumbControls
export const thumbControlKeys = keysOf(thumbControls)

/** Grip and clamps of one half from the end inward; what is not read of the clamps is left out. */
export function barPieces({ now }: Pick<Setup, 'now'>, side: Side): OrMissing<readonly BarPiece[]> {
  const at = (key: NumberKey) => standsAt(now, key, side)?.value ?? null
  const grip = at('gripLength')
  if (grip === null) return lacks(['gripLength'])
  const clamp = (key: BarPiece['key'], label: string, width: number | null, fromGrip: number | null): BarPiece[] =>
    width === null || width === 0 ? [] : [{ key, label, width, middle: fromGrip === null ? null : grip + fromGrip }]
  const brake = clamp('brake', 'brake clamp', at('brakeClampWidth'), at('leverClamp'))
  const [shifter, remote] = thumbControlKeys.map((key) =>
    clamp(key, `${thumbControls[key].label} clamp`, at(thumbControls[key].width), at(thumbControls[key].clamp)),
  )
  const inward = chosen(now, 'shifterPlace') === 'outside' ? [shifter, brake, remote] : [brake, shifter, remote]
  return has([{ key: 'grip', label: 'grip', width: grip, middle: grip / 2 }, ...inward.flatMap((pieces) => pieces ?? [])])
}

/** What the brake's clamp would run into if it slid inboard by this much (mm, minus = outboard), by name; null = nothing new. */
export function inTheWay(setup: Pick<Setup, 'now'>, side: Side, by: number): string | null {
  const bar = halfBar(setup).found
  const pieces = barPieces(setup, side).found
  if (!bar || !pieces) return null
  const slid = pieces.map((piece) => (piece.key === 'brake' && piece.middle !== null ? { ...piece, middle: piece.middle + by } : piece))
  const brake = pieces.find(({ key }) => key === 'brake')?.label
  const met = (laid: readonly BarPiece[]) => barRoom(bar, laid).overlaps.find((pair) => pair.some((label) => label === brake))
  return met(pieces) ? null : (met(slid)?.find((label) => label !== brake) ?? null)
}

/** How much of the arm grip and clamps take, mm; 0 while the grip is not read. */
export function piecesWidth(setup: Pick<Setup, 'now'>, side: Side): number {
  return (barPieces(setup, side).found ?? []).reduce((sum, { width }) => sum + width, 0)
}

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

/** How far a control's clamp goes to where the thumb works it, mm, + inboard; 0 where it does, or neither place does better. */
export function controlMove(setup: Pick<Setup, 'now'>, side: Side, control: ThumbControl = 'shifter'): number {
  const thumb = thumbOf(setup, side, control).found
  const [best] = controlPlaces(setup, side, control) ?? []
  const off = thumb ? Math.abs(paddleStanding(thumb.zone, thumb.paddle).by) : 0
  return !thumb || !best?.fits || best.misses >= off - WORTH_SLIDING ? 0 : Math.round(best.clampAt - thumb.clampAt)
}
