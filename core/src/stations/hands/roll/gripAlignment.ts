import { effectiveSweeps, flatGripAxis } from '../../../bike/cockpit.ts'
import type { FlatBar } from '../../../bike/cockpit.ts'
import type { Point3 } from '../../../bike/contactPoints.ts'
import { DEGREES, RADIANS } from '../../../bike/contactPoints.ts'

/** Grip and hand lie alike within this, degrees, in each plane. @source prior */
export const ALIGNED = 3
/** Grips start a touch above level, seen from the front, degrees. @source common-practice */
export const GRIP_RISE = { low: 0, high: 3 } as const
/** How far a bar is commonly rolled either way, degrees. @source common-practice */
const ROLL_RANGE = 15

/** How a rod in the relaxed fist lies: outer end back, outer end up, degrees. */
export interface Alignment {
  readonly back: number
  readonly up: number
}
type Sweeps = Pick<FlatBar, 'barBacksweep' | 'barUpsweep' | 'barRoll'>

/** How the grip lies after roll. @source geometry */
export function gripAlignment(bar: Sweeps): Alignment {
  const { backsweep, upsweep } = effectiveSweeps(flatGripAxis(bar))
  return { back: backsweep, up: upsweep }
}

/** What the hand has over the grip, in both planes, and the angle between the two in space; degrees. */
export interface AlignmentGap {
  /** + the hand points further back */
  readonly back: number
  /** + the hand's outer end stands higher */
  readonly up: number
  readonly apart: number
}

/** A direction of the right hand, from its two angles. @source geometry */
export function axisOf({ back, up }: Alignment): Point3 {
  const [x, y] = [-Math.tan(back * RADIANS), Math.tan(up * RADIANS)]
  const length = Math.sqrt(x * x + y * y + 1)
  return { x: x / length, y: y / length, z: 1 / length }
}

/** Hand against grip. @source geometry */
export function alignmentGap(hand: Alignment, bar: Sweeps): AlignmentGap {
  const grip = gripAlignment(bar)
  const [a, b] = [axisOf(hand), axisOf(grip)]
  const across = { x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x }
  return {
    back: hand.back - grip.back,
    up: hand.up - grip.up,
    apart: Math.atan2(Math.hypot(across.x, across.y, across.z), a.x * b.x + a.y * b.y + a.z * b.z) * DEGREES,
  }
}

/**
 * The roll at which the grips of both hands lie nearest the hands' own directions. Turning about the
 * bar's axis carries the grip's direction on a circle, so the best roll has a closed form: it turns
 * the sum of the hands' side parts onto the grip's. Held within what bars are rolled.
 * @param hands own directions, left and right
 * @param bar unrolled
 * @returns roll, degrees, + top of the bar forward
 * @source geometry
 */
export function rollForAlignment(hands: readonly Alignment[], bar: Pick<FlatBar, 'barBacksweep' | 'barUpsweep'>): number {
  const grip = axisOf({ back: bar.barBacksweep, up: bar.barUpsweep })
  // In the plane square to the bar: dot and cross of the grip's part with the hands'.
  const [dot, cross] = hands
    .map(axisOf)
    .reduce(([d, c], hand) => [d + grip.x * hand.x + grip.y * hand.y, c + grip.y * hand.x - grip.x * hand.y], [0, 0])
  if (dot === undefined || cross === undefined || Math.hypot(dot, cross) < FLAT) return 0
  return Math.min(ROLL_RANGE, Math.max(-ROLL_RANGE, Math.atan2(cross, dot) * DEGREES))
}

/** A bar this straight has no direction to turn. */
const FLAT = 1e-9
