import type { Evidence } from '../feet/cleatJudgement.ts'
import type { Side } from '../quantity/sided.ts'
import type { SourceKey } from '../sources.ts'
import { complaintTitle } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { BodyRegionKey, ComplaintKind } from '../talk/regions.ts'

/** A complaint that speaks for or against a cause. */
interface CauseRow {
  readonly regions: readonly BodyRegionKey[]
  readonly kinds: readonly ComplaintKind[]
  readonly speaks: 'for' | 'against'
  readonly because: string
  readonly source: SourceKey
}

/** What speaks for a cleat that sits too far forward, and so for moving it back. */
const cleatForward: readonly CauseRow[] = [
  {
    regions: ['forefoot'],
    kinds: ['numb', 'pain'],
    speaks: 'for',
    because: 'the ball of the foot carries the axle',
    source: 'common-practice',
  },
  {
    regions: ['calf', 'achilles'],
    kinds: ['pain'],
    speaks: 'for',
    because: 'a forward axle makes the calf hold the foot',
    source: 'van-sickle-hull',
  },
  {
    regions: ['knee-front'],
    kinds: ['pain'],
    speaks: 'for',
    because: 'a forward cleat is a known cause, after a low saddle',
    source: 'common-practice',
  },
  { regions: ['heel'], kinds: ['pain'], speaks: 'against', because: 'the axle already loads the arch', source: 'common-practice' },
]

/** Complaints that bear on moving one foot's cleat back or forward. */
export function cleatEvidence(complaints: readonly Complaint[], side: Side, direction: 'back' | 'forward'): Evidence {
  const speaksFor: string[] = []
  const against: string[] = []
  for (const complaint of complaints) {
    if (complaint.side !== side && complaint.side !== 'both') continue
    for (const row of cleatForward) {
      if (!row.regions.includes(complaint.region) || !row.kinds.includes(complaint.kind)) continue
      const words = `${complaintTitle(complaint).toLowerCase()} (${row.because})`
      ;((row.speaks === 'for') === (direction === 'back') ? speaksFor : against).push(words)
    }
  }
  return { speaksFor, against }
}
