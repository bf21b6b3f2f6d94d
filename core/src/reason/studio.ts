/**
 * How often a cause was tried for a symptom in this studio's closed visits, and how often that eased it.
 * Keys of both tables; plain words here, since the tables’ numbers are worked out with these counts at hand.
 */
export interface StudioCount {
  readonly symptom: string
  readonly cause: string
  readonly tried: number
  readonly eased: number
}

/** Counts by symptom and cause; no names. */
export type StudioCounts = readonly StudioCount[]

/** A prior weighs as much as so many cases. @source prior */
const PRIOR_CASES = 10

/** The count of a symptom and cause; null where the studio has none. */
export function studioCount(counts: StudioCounts | null, symptom: string, cause: string): StudioCount | null {
  return counts?.find((row) => row.symptom === symptom && row.cause === cause) ?? null
}

/**
 * A prior with what this studio saw. A trial that did not ease says something against the cause, one
 * that did something for it; ten cases weigh as much as the prior itself.
 */
export function withStudioCounts(prior: number, count: StudioCount | null): number {
  return count === null ? prior : (PRIOR_CASES * prior + count.eased) / (PRIOR_CASES + count.tried)
}

/** Counts of several visits together. */
export function summed(counts: readonly StudioCount[]): StudioCount[] {
  const sums = new Map<string, StudioCount>()
  for (const row of counts) {
    const key = `${row.symptom}:${row.cause}`
    const before = sums.get(key)
    sums.set(key, before ? { ...row, tried: before.tried + row.tried, eased: before.eased + row.eased } : row)
  }
  return [...sums.values()]
}
