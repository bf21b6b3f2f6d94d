import { bikeKindOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import { chosen, measured, measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import { sides } from '../../../kernel/sided.ts'
import { hurts, isAt } from '../../../talk/complaint.ts'
import type { Complaint } from '../../../talk/complaint.ts'
import type { Riding } from '../../../talk/riding.ts'
import type { PedalRider } from './criteria.ts'

/** A ride from here on is long, h. @source prior */
const LONG_RIDE = 4

/** What the bike's kind asks of pedals. */
function pedalUse(kind: BikeKind, hours: number | null): PedalRider['use'] {
  const { use } = bikeKindOf(kind)
  if (use === 'mountain' || use === 'town') return use
  return (hours ?? 0) >= LONG_RIDE ? 'long' : 'road'
}

/** What pedals are chosen from. */
export function pedalRider(
  now: ResolvedReadings,
  complaints: readonly Complaint[],
  kind: BikeKind,
  /** how far a foot should go out, mm, where that is worth changing parts for */
  widen: number,
  riding: Riding = {},
): PedalRider {
  const hours = measuredValue(now, 'rideHours')
  const swings = sides.flatMap((side) => {
    const inward = measured(now, 'heelIn', side)
    const outward = measured(now, 'heelOut', side)
    return inward && outward ? [inward.value + outward.value] : []
  })
  const says = (test: (c: Complaint) => boolean) => complaints.some(test)
  return {
    mass: measuredValue(now, 'mass'),
    soleStiffness: chosen(now, 'soleStiffness'),
    forefoot: hurts(complaints, ['forefoot'], 'both'),
    knee: hurts(complaints, ['knee-inner', 'knee-outer'], 'both'),
    entry:
      riding.clipIn === 'never' ||
      riding.clipIn === 'uneasy' ||
      says((c) => c.control === 'clipping' || c.situation === 'getting-in-out') ||
      sides.some((side) => chosen(now, 'releaseFeel', side) === 'hard'),
    loose: says((c) => c.control === 'leg-disconnected' || (c.kind === 'slips' && isAt(c, ['forefoot', 'heel']))),
    bowLegged: chosen(now, 'kneeAlignment') === 'bow-legged',
    use: pedalUse(kind, hours),
    widen,
    swing: swings.length === 0 ? null : Math.max(...swings),
    bolts: chosen(now, 'boltPattern'),
    kindNow: chosen(now, 'pedalKind'),
    axleNow: measuredValue(now, 'axleLength'),
    hours,
  }
}
