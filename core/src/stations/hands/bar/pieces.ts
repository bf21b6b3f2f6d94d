import type { Side } from '../../../kernel/sided.ts'
import { keysOf } from '../../../kernel/tables.ts'
import type { SettingKey } from '../../../ledger/settings.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import type { BarPiece } from './room.ts'
import { barRoom } from './room.ts'
import { lacks, has } from '../../../station/readOf.ts'
import type { OrMissing } from '../../../station/readOf.ts'
import type { Setup } from '../../../rider/setup.ts'
import { standsAt, chosen } from '../../../readings/resolve.ts'
import { halfBar } from './halfBar.ts'

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
