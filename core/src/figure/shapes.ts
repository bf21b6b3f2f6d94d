import { curveCatmullRomClosed, line } from 'd3-shape'
import { itemAt } from '../kernel/dense.ts'
import type { Drawn } from '../kernel/drawing.ts'

const fixed = (value: number) => value.toFixed(1)
const placed = ({ x, y }: Drawn) => `${fixed(x)} ${fixed(y)}`
const closed = line<Drawn>(
  (p) => p.x,
  (p) => p.y,
)
  .curve(curveCatmullRomClosed.alpha(0.5))
  .digits(1)

/** Twice the area inside points, above zero where they run clockwise as they are seen. */
const turning = (points: readonly Drawn[]) =>
  points.reduce((sum, { x, y }, i) => {
    const next = itemAt(points, (i + 1) % points.length)
    return sum + x * next.y - next.x * y
  }, 0)
/**
 * A closed line through points without corners; empty for fewer than three. It runs counter-clockwise as a limb
 * does, whichever way the points run: shapes of one path that overlap then cut no hole into each other.
 */
export function smooth(points: readonly Drawn[]): string {
  if (points.length < 3) return ''
  return `${closed(turning(points) > 0 ? [...points].reverse() : points) ?? ''}Z`
}

/** An open line with corners; empty for no points. */
export const pathOf = (points: readonly Drawn[]) => points.map((p, i) => `${i === 0 ? 'M' : 'L'}${placed(p)}`).join('')

function disc({ x, y }: Drawn, r: number): string {
  return `M${placed({ x: x + r, y })}A${fixed(r)} ${fixed(r)} 0 1 0 ${placed({ x: x - r, y })}A${fixed(r)} ${fixed(r)} 0 1 0 ${placed({ x: x + r, y })}Z`
}

/** Two circles, and the tangents that touch both from outside, as one closed shape. */
export function limb(a: Drawn, ra: number, b: Drawn, rb: number): string {
  const distance = Math.hypot(b.x - a.x, b.y - a.y)
  if (!(distance > Math.abs(ra - rb))) return ra >= rb ? disc(a, ra) : disc(b, rb)
  const way = Math.atan2(b.y - a.y, b.x - a.x)
  const off = Math.acos((ra - rb) / distance)
  const on = (p: Drawn, r: number, angle: number) => placed({ x: p.x + r * Math.cos(angle), y: p.y + r * Math.sin(angle) })
  const arc = (r: number, isLarge: boolean) => `A${fixed(r)} ${fixed(r)} 0 ${isLarge ? 1 : 0} 0 `
  const isWide = off > Math.PI / 2
  return `M${on(a, ra, way + off)}L${on(b, rb, way + off)}${arc(rb, isWide)}${on(b, rb, way - off)}L${on(a, ra, way - off)}${arc(ra, !isWide)}${on(a, ra, way + off)}Z`
}

/** Circles in a row, each joined to the next. */
export const chain = (discs: readonly (Drawn & { readonly r: number })[]) =>
  discs
    .slice(1)
    .map((next, i) => limb(itemAt(discs, i), itemAt(discs, i).r, next, next.r))
    .join('')

/** So far of the way from one point to another. */
export const along = (a: Drawn, b: Drawn, t: number): Drawn => ({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) })
/** Unit vector from one point to another; straight up where they are one. */
export function toward(a: Drawn, b: Drawn): Drawn {
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  return length < 1e-6 ? { x: 0, y: -1 } : { x: (b.x - a.x) / length, y: (b.y - a.y) / length }
}

/** A point from an origin, so far along a direction and so far to the left of it, as it is seen. */
export const from = (origin: Drawn, way: Drawn, ahead: number, left: number): Drawn => ({
  x: origin.x + ahead * way.x + left * way.y,
  y: origin.y + ahead * way.y - left * way.x,
})

/** A rectangle with round corners as a closed shape. */
export function rounded(x: number, y: number, width: number, height: number, radius: number): string {
  const r = Math.max(0, Math.min(radius, width / 2, height / 2))
  const arc = `a${fixed(r)} ${fixed(r)} 0 0 1`
  return `M${placed({ x: x + r, y })}h${fixed(width - 2 * r)}${arc} ${fixed(r)} ${fixed(r)}v${fixed(height - 2 * r)}${arc} ${fixed(-r)} ${fixed(r)}h${fixed(2 * r - width)}${arc} ${fixed(-r)} ${fixed(-r)}v${fixed(2 * r - height)}${arc} ${fixed(r)} ${fixed(-r)}Z`
}
