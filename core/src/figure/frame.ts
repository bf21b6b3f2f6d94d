import type { Point3 } from '../bike/contactPoints.ts'
import type { Drawing, Drawn } from '../kernel/drawing.ts'
import { sides } from '../kernel/sided.ts'
import type { Scene } from '../model/scene.ts'
import { projections } from './views.ts'
import type { ViewKey } from './views.ts'

export type Frame = Drawing['box']

/** Room around the drawing, mm. */
const MARGIN = 70

/** The part of the plane that a scene fills in a view, with a margin. */
export function frameOf(scene: Scene, view: ViewKey, focus: 'rider' | 'legs' = 'rider'): Frame {
  if (focus === 'legs' && view === 'front') return legsFrame(scene)
  const project = projections[view]
  const points: Drawn[] = []
  const add = (...more: readonly Point3[]) => points.push(...more.map(project))
  for (const side of sides) {
    const { hip, knee, ankle, axle, heel, toe } = scene.legs[side]
    add(hip, knee, ankle, axle, heel, toe)
    const arm = scene.arms?.[side]
    if (arm) add(arm.shoulder, arm.elbow, arm.hand)
  }
  add(scene.saddle.nose, scene.saddle.tail)
  if (scene.trunk) {
    const { head, headRadius } = scene.trunk
    add({ ...head, y: head.y + headRadius, z: headRadius }, { ...head, x: head.x + headRadius, z: -headRadius })
  }
  for (const line of [...scene.cockpit.bar, ...scene.cockpit.extensions]) add(...line)
  if (view === 'side') {
    for (const { centre, radius } of scene.wheels)
      add({ ...centre, x: centre.x + Math.sign(centre.x) * (radius ?? 110) }, { ...centre, y: centre.y - (radius ?? 0) })
    // The pedals' whole round, so that turning the cranks does not move the picture.
    add({ x: 0, y: -230, z: 0 })
  } else if (view === 'front') {
    add({ x: 0, y: -230, z: 0 })
  }
  const xs = points.map((p) => p.x)
  const ys = points.map((p) => p.y)
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  return { x: left - MARGIN, y: top - MARGIN, width: right - left + 2 * MARGIN, height: bottom - top + 2 * MARGIN }
}

/** Hips to feet from the front, with the pedals' whole round in it. */
function legsFrame(scene: Scene): Frame {
  const top = -Math.max(...sides.map((side) => scene.legs[side].hip.y)) - MARGIN
  const bottom = 230 + MARGIN
  const half = Math.max(200, ...sides.map((side) => Math.abs(scene.legs[side].axle.z) + MARGIN))
  return { x: -half, y: top, width: 2 * half, height: bottom - top }
}
