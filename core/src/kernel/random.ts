import { itemAt } from './dense.ts'

/** Numbers in [0, 1) that are the same at every run of one seed (mulberry32). */
export function seeded(seed: number): () => number {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** A standard normal draw (Box–Muller). @param random uniform in [0, 1) */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
}

/** One of a list, each as often as its weight. @param random uniform in [0, 1) */
export function drawnBy<T>(random: () => number, list: readonly T[], weight: (one: T, place: number) => number): T {
  const weights = list.map(weight)
  let left = random() * weights.reduce((sum, one) => sum + one, 0)
  for (const [place, one] of list.entries()) {
    left -= weights[place] ?? 0
    if (left <= 0) return one
  }
  return itemAt(list, list.length - 1)
}

/** The value below which a share of sorted values lies; 0 of none. */
export function quantile(sorted: readonly number[], below: number): number {
  return sorted[Math.min(sorted.length - 1, Math.floor(below * sorted.length))] ?? 0
}
