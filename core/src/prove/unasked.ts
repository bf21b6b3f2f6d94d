import { complaintTitle, unansweredWarnings } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { warningSign } from '../talk/warningSigns.ts'
import type { WarningSignKey } from '../talk/warningSigns.ts'
import type { Overruled } from './blocks.ts'

/** A complaint whose warning signs must be asked before anything is tried for it. */
export interface Unasked {
  readonly complaint: Complaint
  readonly signs: readonly WarningSignKey[]
}

/** Names a complaint's unasked signs among what the fitter has overruled. */
export const unaskedKey = ({ id }: Pick<Complaint, 'id'>) => `unasked:${id}`

/** Complaints with warning signs that have no answer, and no reason why they were not asked. */
export function unasked(complaints: readonly Complaint[], overruled: readonly Overruled[]): Unasked[] {
  return complaints.flatMap((complaint) => {
    const signs = unansweredWarnings(complaint)
    const isOverruled = overruled.some(({ block }) => block === unaskedKey(complaint))
    return signs.length === 0 || isOverruled ? [] : [{ complaint, signs }]
  })
}

/** For the record: warning signs that were not asked, and why. */
export function unaskedWords(complaints: readonly Complaint[], overruled: readonly Overruled[]): string[] {
  return complaints.flatMap((complaint) => {
    const signs = unansweredWarnings(complaint)
    const reason = overruled.find(({ block }) => block === unaskedKey(complaint))?.reason
    if (signs.length === 0 || reason === undefined) return []
    const questions = signs.map((key) => warningSign(key).question).join(' ')
    return [`${complaintTitle(complaint)}: warning signs not asked, because: ${reason.replace(/\.$/, '')}. ${questions}`]
  })
}
