import { reasonCalculations } from '../reason/reason.calculations.ts'
import { visitStateOf, visitFileFrom } from './visitFile.ts'

/** The reasoner's calculations, over a visit as it was exported, of any version. */
export const { complaintCauses, causeEvidence } = reasonCalculations((raw) => visitStateOf(visitFileFrom(raw)))
