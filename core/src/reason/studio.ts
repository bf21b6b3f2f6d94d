import type { CauseKey } from './causeTable.ts'
import type { SymptomKey } from './symptomTable.ts'

/** How often a cause was tried for a symptom in this studio's closed visits, and how often that eased it. */
export interface StudioCount {
  readonly symptom: SymptomKey
  readonly cause: CauseKey
  readonly tried: number
  readonly eased: number
}
/** Counts by symptom and cause; no names. */
export type StudioCounts = readonly StudioCount[]

/** A prior weighs as much as so many cases. @source prior */
const PRIOR_CASES = 10

/** The count of a symptom and cause; null where the studio has none. */
export function studioCount(counts: StudioCounts | null, symptom: SymptomKey, cause: CauseKey): StudioCount | null {
  return counts?.find((row) => row.symptom === symptom && row.cause === cause) ?? null
}

/**
 * A prior with what this studio saw. A trial that did not ease says something against the cause, one
 * that did something for it; ten cases weigh as much as the prior itself.
 */
export function withStudio(prior: number, count: StudioCount | null): number {
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
