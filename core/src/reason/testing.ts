import type { ReasonVisit } from './visitInput.ts'

/** A visit with nothing in it, and what a test lays over it. */
export function aVisit(over: Partial<ReasonVisit> = {}): ReasonVisit {
  return {
    readings: [],
    ledger: [],
    complaints: [],
    ratings: [],
    riding: {},
    kind: 'drop bar',
    choices: { feet: {}, seat: {}, hands: {} },
    pace: null,
    earlierVisits: 0,
    otherBikes: [],
    mat: null,
    studio: null,
    ...over,
  }
}
