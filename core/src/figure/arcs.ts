import type { Drawn } from '../kernel/drawing.ts'

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
