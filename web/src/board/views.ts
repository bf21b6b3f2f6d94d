import type { Point3 } from '@level-stance/core/bike/contactPoints'
import type { Scene, SceneLeg } from '@level-stance/core/model/scene'
import { sides } from '@level-stance/core/kernel/sided'
import { pathOf } from '@level-stance/core/figure/shapes'
import type { Drawn } from '@level-stance/core/figure/shapes'
import { projections } from '@level-stance/core/figure/views'
import type { ViewKey } from '@level-stance/core/figure/views'

export interface Frame {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

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

/** Hip, knee, ankle as one line. */
export function legPath(leg: SceneLeg, view: ViewKey): string {
  const project = projections[view]
  return pathOf([leg.hip, leg.knee, leg.ankle].map(project))
}

/** The foot's sole and upper as a closed shape; from above, its outline. */
export function footPath(leg: SceneLeg, view: ViewKey): string {
  const project = projections[view]
  if (view === 'top') {
    const half = Math.abs(leg.toe.x - leg.heel.x) * 0.19
    const at = (p: Point3, out: number) => project({ ...p, z: p.z + out })
    const [ball, heel, toe] = [leg.ball, leg.heel, leg.toe]
    return `${pathOf([at(heel, -half * 0.62), at(ball, -half), at(toe, -half * 0.4), at(toe, half * 0.4), at(ball, half), at(heel, half * 0.62)])}Z`
  }
  if (view === 'front') {
    const width = 48
    const at = (p: Point3, out: number) => project({ ...p, z: p.z + out })
    return `${pathOf([at(leg.ball, -width), at(leg.toe, -width * 0.7), at(leg.toe, width * 0.7), at(leg.ball, width), at(leg.ankle, width * 0.6), at(leg.ankle, -width * 0.6)])}Z`
  }
  return `${pathOf([leg.heel, leg.ball, leg.toe, leg.ankle].map(project))}Z`
}

/** An angle drawn as an arc about a corner, from one direction to another, the shorter way round. */
export interface Arc {
  readonly path: string
  readonly label: Drawn
}

/**
 * @param corner where the arc's middle lies
 * @param from, to directions as points relative to the corner, y down
 */
export function arcOf(corner: Drawn, from: Drawn, to: Drawn, radius: number, labelAt = 1.45): Arc {
  const a = Math.atan2(from.y, from.x)
  let turn = Math.atan2(to.y, to.x) - a
  while (turn > Math.PI) turn -= 2 * Math.PI
  while (turn < -Math.PI) turn += 2 * Math.PI
  const at = (angle: number, r: number): Drawn => ({ x: corner.x + r * Math.cos(angle), y: corner.y + r * Math.sin(angle) })
  const [start, end] = [at(a, radius), at(a + turn, radius)]
  const label = at(a + turn / 2, radius * labelAt)
  const path = `M${start.x.toFixed(1)} ${start.y.toFixed(1)}A${radius} ${radius} 0 0 ${turn > 0 ? 1 : 0} ${end.x.toFixed(1)} ${end.y.toFixed(1)}`
  return { path, label }
}

/** A wedge between two directions: a target band about a joint. */
export function wedgeOf(corner: Drawn, from: number, to: number, radius: number): string {
  const at = (angle: number): Drawn => ({ x: corner.x + radius * Math.cos(angle), y: corner.y + radius * Math.sin(angle) })
  const [start, end] = [at(from), at(to)]
  return `M${corner.x.toFixed(1)} ${corner.y.toFixed(1)}L${start.x.toFixed(1)} ${start.y.toFixed(1)}A${radius} ${radius} 0 0 ${to > from ? 1 : 0} ${end.x.toFixed(1)} ${end.y.toFixed(1)}Z`
}

export const minus = (a: Drawn, b: Drawn): Drawn => ({ x: a.x - b.x, y: a.y - b.y })
