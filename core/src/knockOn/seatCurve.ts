import { sides } from '../kernel/sided.ts'
import { seatAngleOf } from '../model/riderModel.ts'
import { riderWith } from '../rider/calibrated.ts'
import { saddleMoveFor } from './knockOn.ts'
import type { Standing } from '../rider/setup.ts'
import { roomOf, withMoves } from '../ledger/moves.ts'

/** A place for the saddle that keeps the knees bent as they are. */
export interface CurvePoint {
  /** slide on the rails from where it is, mm, + back */
  readonly setback: number
  /** move of the post with it, mm along the seat line, + up; null where a leg does not reach */
  readonly height: number | null
  /** whether rails and post go that far */
  readonly inRoom: boolean
}

/**
 * For every setback the height that keeps both knees at the bottom as they are, halfway between what
 * the two legs ask for: what the knock-on engine answers, over a range.
 * @param reach mm either way; step mm
 * @returns null while the legs are not known
 * @source geometry
 */
export function setbackCurve({ rider, by, now }: Standing, reach = 40, step = 2): CurvePoint[] | null {
  const start = riderWith(rider, by)
  if (start === null) return null
  const seatAngle = seatAngleOf(rider.values)
  const rails = roomOf(now, 'saddleSetback', 'both')
  const post = roomOf(now, 'saddleHeight', 'both')
  const points: CurvePoint[] = []
  for (let setback = -reach; setback <= reach + 1e-9; setback += step) {
    const moved = riderWith(rider, withMoves(by, [{ setting: 'saddleSetback', side: 'both', by: setback }]))
    const asked = moved === null ? [null] : sides.map((side) => saddleMoveFor(start, moved, side, seatAngle))
    const height = asked.some((move) => move === null) ? null : asked.reduce<number>((sum, move) => sum + (move ?? 0), 0) / asked.length
    const inRoom =
      setback >= rails.low - 1e-9 && setback <= rails.high + 1e-9 && height !== null && height >= post.low && height <= post.high
    points.push({ setback, height, inRoom })
  }
  return points
}
