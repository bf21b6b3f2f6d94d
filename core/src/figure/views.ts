import type { Point3 } from '../bike/contactPoints.ts'
import type { Drawn } from '../kernel/drawing.ts'

/** The three views of the one scene. */
export const viewKeys = ['side', 'front', 'top'] as const
export type ViewKey = (typeof viewKeys)[number]
export const viewLabels: Readonly<Record<ViewKey, string>> = { side: 'Side', front: 'Front', top: 'Top' }

/** Projects a point of the scene. Side: from the rider's right. Front: facing the rider. Top: forward to the right. */
export const projections: Readonly<Record<ViewKey, (p: Point3) => Drawn>> = {
  side: (p) => ({ x: p.x, y: -p.y }),
  front: (p) => ({ x: -p.z, y: -p.y }),
  top: (p) => ({ x: p.x, y: p.z }),
}
