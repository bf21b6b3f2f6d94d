import { reasonCalculations } from '../reason/reason.calculations.ts'
import { visitFileFrom } from './visitFile.ts'

/** The reasoner's calculations, over a visit as it was exported, of any version. */
export const { complaintCauses, causeEvidence } = reasonCalculations((raw) => {
  const { readings, ledger, complaints, ratings, bike, visit } = visitFileFrom(raw)
  const { riding, choices, pace } = visit
  const none = { earlierVisits: 0, otherBikes: [], mat: null, studio: null }
  return { readings, ledger, complaints, ratings, riding, choices, pace, kind: bike.kind, ...none }
})
