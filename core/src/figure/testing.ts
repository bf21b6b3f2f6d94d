import type { Drawn } from '../kernel/drawing.ts'

/** Every number of a path. */
export const numbers = (d: string) => [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map(([text]) => Number(text))

/** Whether a point lies inside a closed line of points, by the crossings of a ray. */
export function isInside(point: Drawn, outline: readonly Drawn[]): boolean {
  return (
    outline.filter((a, i) => {
      const b = outline[(i + 1) % outline.length]!
      return a.y > point.y !== b.y > point.y && point.x < a.x + ((point.y - a.y) / (b.y - a.y)) * (b.x - a.x)
    }).length %
      2 ===
    1
  )
}

/** The two circles of a limb: their middles and radii, out of its path. */
export function circlesOf(d: string): { at: Drawn; r: number }[] {
  const [ax, ay, bx, by, r, , , , , cx, cy, dx, dy, q] = numbers(d)
  return [
    { at: { x: (ax! + dx!) / 2, y: (ay! + dy!) / 2 }, r: q! },
    { at: { x: (bx! + cx!) / 2, y: (by! + cy!) / 2 }, r: r! },
  ]
}

/** Tells of a point whether it lies in a shape of the figure: in one of its limbs, or inside a smooth line's corners. */
export function inPath(d: string): (point: Drawn) => boolean {
  const parts = d
    .split('Z')
    .filter((part) => part !== '')
    .map((part): ((point: Drawn) => boolean) => {
      if (part.includes('C')) {
        const values = numbers(part)
        const ends = values.flatMap((x, i) => (i % 6 === 0 ? [{ x, y: values[i + 1]! }] : []))
        return (point) => isInside(point, ends)
      }
      const [a, b] = circlesOf(part) as [{ at: Drawn; r: number }, { at: Drawn; r: number }]
      const [dx, dy] = [b.at.x - a.at.x, b.at.y - a.at.y]
      return (point) => {
        const t = Math.min(1, Math.max(0, ((point.x - a.at.x) * dx + (point.y - a.at.y) * dy) / (dx * dx + dy * dy)))
        return Math.hypot(point.x - a.at.x - t * dx, point.y - a.at.y - t * dy) <= a.r + t * (b.r - a.r)
      }
    })
  return (point) => parts.some((holds) => holds(point))
}
