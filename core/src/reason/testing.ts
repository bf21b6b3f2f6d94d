import { emptyVisit } from './visitInput.ts'
import type { ReasonVisit } from './visitInput.ts'

/** A visit on a drop bar with nothing in it, and what a test lays over it. */
export function aVisit(over: Partial<ReasonVisit> = {}): ReasonVisit {
  return { ...emptyVisit, kind: 'drop bar', ...over }
}
