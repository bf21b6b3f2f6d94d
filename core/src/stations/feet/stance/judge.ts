import { bikeKindOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { judged, toAim, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import type { NumberKey } from '../../../readings/readingDefinitions.ts'
import { chosen, measured, measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import { cleatRoom, isStanceRead, stanceEstimated, stanceParts, stancePlusMinus } from './readings.ts'
import { threadFinding } from './search.ts'
import { chosenTarget, halves, soldTreads, stanceTargets } from './targets.ts'
import type { StanceMethodKey, StanceParts, StanceTarget, StanceUse } from './targets.ts'

/** A rider's other bike as its last visit left it. */
export interface OtherBike {
  readonly name: string
  readonly left: number
  readonly right: number
}

/** Stance as it stands, and where it should go. */
export interface StanceStanding {
  readonly now: Sided<number>
  readonly parts: Sided<StanceParts>
  readonly targets: readonly StanceTarget[]
  readonly target: StanceTarget
  /** treads of other cranks for this use, mm */
  readonly treads: readonly number[]
  /** each foot from the middle against the chosen target, mm; without a band where nothing binds */
  readonly stands: Sided<Judged>
  /** wanted less now, each side, mm: + the foot should go out; 0 inside the band */
  readonly gap: Sided<number>
  /** whether a side is off by more than its ±: worth changing parts for */
  readonly isOff: boolean
  /** what counts as met; where nothing binds, where it stands */
  readonly band: Sided<{ readonly low: number; readonly high: number }>
  readonly cleatRoom: Sided<{ readonly low: number; readonly high: number }>
  readonly thread: Sided<number | null>
  /** what is wrong with the parts as they are */
  readonly faults: readonly Finding[]
  /** parts taken as usual because they were not read */
  readonly estimated: readonly NumberKey[]
}

/** Wide bottom brackets of mountain and cargo bikes; the others as on the road. */
function stanceUse(kind: BikeKind): StanceUse {
  return bikeKindOf(kind).wide ? 'mountain' : 'road'
}

/** Half stances against the chosen target; null while nothing is known of the bike's parts. */
export function stanceStanding(
  now: ResolvedReadings,
  { kind, stanceBy, otherBikes }: { kind: BikeKind; stanceBy: StanceMethodKey | null; otherBikes: readonly OtherBike[] },
): StanceStanding | null {
  const parts = stanceParts(now)
  if (parts === null) return null
  const use = stanceUse(kind)
  const targets = stanceTargets({
    now: parts,
    kneeOutside: bySide((side) => measuredValue(now, 'kneeOutside', side)),
    otherStance: measuredValue(now, 'otherStance'),
    otherBikes,
    use,
    stature: now.stature.left?.value ?? null,
    hipBreadth: measuredValue(now, 'hipBreadth'),
    mass: measuredValue(now, 'mass'),
    bowLegged: chosen(now, 'kneeAlignment') === 'bow-legged',
  })
  const target = chosenTarget(targets, stanceBy)
  const here = halves(parts)
  // The usual stance alone is something to compare with; it is no reason to change parts unless the fitter says so.
  const binds = target.key !== 'use' || stanceBy === 'use'
  const stands = bySide((side) => {
    const half = (binds && target.half?.[side]) || null
    // Knee over foot goes by what the eye saw of the knee; all other targets by the tape on the parts.
    const doubt = target.key === 'knee-over-foot' ? (measured(now, 'kneeOutside', side)?.plusMinus ?? 0) : stancePlusMinus(now)
    return judged(here[side], doubt, half, { aim: half?.target ?? null, isRead: target.key === 'knee-over-foot' || isStanceRead(now) })
  })
  const thread = bySide((side) => measuredValue(now, 'axleThread', side))
  return {
    now: here,
    parts,
    targets,
    target,
    treads: soldTreads[use],
    stands,
    gap: bySide((side) => toAim(stands[side])),
    isOff: sides.some((side) => verdictOf(stands[side]).isClear),
    band: bySide((side) => stands[side].band ?? { low: here[side], high: here[side] }),
    cleatRoom: cleatRoom(now),
    thread,
    faults: sides.flatMap((side) => threadFinding(side, parts[side], thread[side]) ?? []),
    estimated: stanceEstimated(now),
  }
}
