import type { VisitState } from '../reason/visitModel.ts'

/** A visit of a simulated rider: one who is used to the bike, with nothing told of the riding and nothing chosen. */
export function simulatedVisit(
  over: Pick<VisitState, 'readings' | 'complaints' | 'kind'> & Partial<Pick<VisitState, 'ledger' | 'ratings'>>,
): VisitState {
  return {
    ledger: [],
    ratings: [],
    riding: {},
    choices: { feet: {}, seat: {}, hands: {} },
    pace: 'settled',
    earlierVisits: 1,
    otherBikes: [],
    mat: null,
    studio: null,
    ...over,
  }
}
