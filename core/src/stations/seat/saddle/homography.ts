import type { Point } from '../../../bike/contactPoints.ts'
import { solveLinear } from '../../../kernel/leastSquares.ts'
import { itemAt } from '../../../kernel/dense.ts'
import { matrixFrom } from '../../../kernel/vector.ts'

/** Four corners in order round the sheet. */
export type Quad = readonly [Point, Point, Point, Point]

/** A plane seen by a camera: row-major 3 × 3, the last entry 1. */
export type Homography = readonly number[]

/** Why four points are no sheet seen by a camera; null = they are. */
export function quadFault(quad: Quad): string | null {
  const turns = quad.map((point, i) => {
    const next = itemAt(quad, (i + 1) % 4)
    const after = itemAt(quad, (i + 2) % 4)
    return (next.x - point.x) * (after.y - next.y) - (next.y - point.y) * (after.x - next.x)
  })
  const size = Math.max(...quad.map((point, i) => Math.hypot(itemAt(quad, (i + 1) % 4).x - point.x, itemAt(quad, (i + 1) % 4).y - point.y)))
  // A corner flatter than a hundredth of the square of its sides lies on a line with its neighbours.
  if (turns.some((turn) => Math.abs(turn) < 0.01 * size * size)) return 'Three corners lie on one line, or two on one point.'
  const sign = Math.sign(itemAt(turns, 0))
  return turns.every((turn) => Math.sign(turn) === sign) ? null : 'The corners are crossed: mark them in order round the sheet.'
}

/**
 * The map that takes each point of one quad to the same of the other, both taken as seen in a plane:
 * eight equations u (h₇x + h₈y + 1) = h₁x + h₂y + h₃ and the same for v.
 * Points are first brought near the origin, so that pixels and millimetres do not spoil the sums.
 * @returns null where either quad has three corners on a line
 * @source geometry
 */
export function homography(from: Quad, to: Quad): Homography | null {
  if (quadFault(from) !== null || quadFault(to) !== null) return null
  const a = normal(from)
  const b = normal(to)
  const rows: number[][] = []
  const right: number[] = []
  from.forEach((point, i) => {
    const { x, y } = a.in(point)
    const { x: u, y: v } = b.in(itemAt(to, i))
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y])
    right.push(u, v)
  })
  const h = solveLinear(matrixFrom(rows), Float64Array.from(right))
  if (h === null) return null
  const whole = product(product(b.out, [...h, 1]), a.matrix)
  const last = itemAt(whole, 8)
  return Math.abs(last) < 1e-12 ? null : whole.map((value) => value / last)
}

/** Where a point goes; null on the horizon. @source geometry */
export function mapped(h: Homography, { x, y }: Point): Point | null {
  const w = itemAt(h, 6) * x + itemAt(h, 7) * y + itemAt(h, 8)
  if (Math.abs(w) < 1e-9) return null
  return { x: (itemAt(h, 0) * x + itemAt(h, 1) * y + itemAt(h, 2)) / w, y: (itemAt(h, 3) * x + itemAt(h, 4) * y + itemAt(h, 5)) / w }
}

/** Centre to the origin, mean distance to √2. */
function normal(quad: Quad) {
  const cx = quad.reduce((sum, { x }) => sum + x, 0) / 4
  const cy = quad.reduce((sum, { y }) => sum + y, 0) / 4
  const s = Math.SQRT2 / (quad.reduce((sum, { x, y }) => sum + Math.hypot(x - cx, y - cy), 0) / 4)
  return {
    in: ({ x, y }: Point): Point => ({ x: s * (x - cx), y: s * (y - cy) }),
    matrix: [s, 0, -s * cx, 0, s, -s * cy, 0, 0, 1],
    out: [1 / s, 0, cx, 0, 1 / s, cy, 0, 0, 1],
  }
}

function product(a: readonly number[], b: readonly number[]): number[] {
  const at = (row: number, column: number) => [0, 1, 2].reduce((sum, k) => sum + itemAt(a, 3 * row + k) * itemAt(b, 3 * k + column), 0)
  return [0, 1, 2].flatMap((row) => [0, 1, 2].map((column) => at(row, column)))
}
