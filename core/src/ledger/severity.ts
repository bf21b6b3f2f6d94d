import type { Change } from './fold.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'

/** The latest rating given under a change still in force; null where nothing was rated again. */
export function ratedAgain(complaint: Complaint, ratings: readonly Rating[], changes: readonly Change[]): number | null {
  const rows = ratings.filter((rating) => rating.complaintId === complaint.id)
  const last = changes.findLast((change) => change.state !== 'undone' && rows.some(({ changeId }) => changeId === change.id))
  return last === undefined ? null : (rows.find(({ changeId }) => changeId === last.id)?.severity ?? null)
}

/** Severity now: the latest rating given under a change still in force, else as first told; null where nobody has said. */
export function severityNow(complaint: Complaint, ratings: readonly Rating[], changes: readonly Change[]): number | null {
  return ratedAgain(complaint, ratings, changes) ?? complaint.severity
}
