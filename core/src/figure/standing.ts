import { keysOf, tableOf } from '../kernel/tables.ts'
import type { Sided } from '../kernel/sided.ts'
import type { Point3 } from '../bike/contactPoints.ts'
import { silhouetteOf } from './silhouette.ts'
import type { Joints } from './silhouette.ts'

/** From the crown, at 10, to the soles, in units of the drawing. */
const STATURE = 392
/** A joint of the right half: beside the middle, and down from the drawing's top. @source prior, shares of stature as usual */
const at = (beside: number, down: number, forward = 0): Point3 => ({ x: forward, y: -down, z: beside })
const mirrored = ({ x, y, z }: Point3): Point3 => ({ x, y, z: -z })
const both = <Key extends string>(right: Readonly<Record<Key, Point3>>): Sided<Readonly<Record<Key, Point3>>> => ({
  right,
  left: tableOf(keysOf(right), (key) => mirrored(right[key])),
})

/** Somebody who stands and faces the viewer, arms beside the body. */
const joints: Joints = {
  stature: STATURE,
  hip: at(0, 205),
  trunk: { shoulder: at(0, 91), head: at(0, 35), headRadius: 24, torso: 114 },
  arms: both({ shoulder: at(45.5, 91), elbow: at(58, 160), hand: at(73, 229) }),
  legs: both({
    hip: at(21.5, 205),
    knee: at(27.2, 300),
    ankle: at(26, 381),
    heel: at(26, 399, -16),
    ball: at(28.5, 399, 28),
    toe: at(29, 399, 44),
  }),
  handsOpen: true,
}

/** The outline of the standing figure, from front or back: paths that lie side by side or over each other. */
export function standingOutline(): readonly string[] {
  const { torso, head, near, far } = silhouetteOf(joints, 'front')
  return [torso, head, near.leg, near.shoe, near.arm, far.leg, far.shoe, far.arm]
}
