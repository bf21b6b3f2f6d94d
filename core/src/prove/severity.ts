import type { Change } from '../change/fold.ts'
import type { Complaint, Rating } from '../talk/complaint.ts'

/** Severity now: the latest rating given under a change still in force, else as first told. */
export function severityNow(complaint: Complaint, ratings: readonly Rating[], changes: readonly Change[]): number {
  let severity = complaint.severity
  for (const change of changes) {
    if (change.state === 'undone') continue
    const rating = ratings.find((r) => r.complaintId === complaint.id && r.changeId === change.id)
    if (rating) severity = rating.severity
  }
  return severity
}
