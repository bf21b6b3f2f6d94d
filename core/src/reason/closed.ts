import type { BarKind } from '../bike/bikeKinds.ts'
import { allOutcomes, resultOf } from '../ledger/outcome.ts'
import type { Told } from '../ledger/outcome.ts'
import { sidesOf } from '../talk/complaint.ts'
import { UNREAD_WORKS, shareTaken } from './learning.ts'
import { symptomsOf } from './matching.ts'
import { summed } from './studio.ts'
import type { StudioCount } from './studio.ts'
import { symptomOf } from './symptomTable.ts'

/** A change counts as a trial of a cause from half a full step on. @source prior */
const COUNTS_FROM = UNREAD_WORKS / 2

/**
 * What a closed visit tells a studio: for each symptom and cause, how often a change for it was tried
 * and rated, and how often it was kept and eased. Counts only: nothing of the rider goes along. Takes
 * time in proportion to what was rated.
 */
export function learnedFrom(told: Told, bar: BarKind): StudioCount[] {
  const outcomes = allOutcomes(told)
  const symptoms = new Map(told.complaints.map((complaint) => [complaint.id, symptomsOf(complaint)]))
  const rows = told.changes.flatMap((change) =>
    (outcomes.get(change.id) ?? []).flatMap(({ complaint, before, after }) =>
      (symptoms.get(complaint.id) ?? []).flatMap((symptom) =>
        symptomOf(symptom).causes.flatMap((cause): StudioCount[] => {
          if (shareTaken([change], cause, sidesOf(complaint), bar, null) < COUNTS_FROM) return []
          const eased = change.state === 'kept' && resultOf(before, after) === 'relieved'
          return [{ symptom, cause, tried: 1, eased: eased ? 1 : 0 }]
        }),
      ),
    ),
  )
  return summed(rows)
}
