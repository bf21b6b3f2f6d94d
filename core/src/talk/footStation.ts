import { factDefinition } from '../body/facts.ts'
import type { RiderFacts } from '../body/facts.ts'
import { bandState } from '../quantity/band.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import type { Setup } from '../change/setup.ts'
import {
  boltReadings, clearanceInput, cleatLook, cleatRoom, measured, measuredValue, rotationReadings, shoeReadings, stanceEstimated, stanceParts, supportReadings, wearInput,
} from '../change/footInputs.ts' // prettier-ignore
import { boltFindings } from '../feet/boltCheck.ts'
import { judgeCleat, slotRange } from '../feet/cleatJudgement.ts'
import type { CleatJudgement } from '../feet/cleatJudgement.ts'
import { judgeRotation } from '../feet/cleatRotation.ts'
import type { RotationJudgement } from '../feet/cleatRotation.ts'
import type { CleatSchoolKey } from '../feet/cleatSchools.ts'
import { wearFindings } from '../feet/cleatWear.ts'
import type { CleatLook } from '../feet/cleatWear.ts'
import type { Finding } from '../quantity/finding.ts'
import { clearanceFinding } from '../feet/heelClearance.ts'
import { boltPatterns } from '../feet/pedalKinds.ts'
import type { PedalRider } from '../feet/pedalCriteria.ts'
import { shoeFindings } from '../feet/shoeCheck.ts'
import { chosenTarget, halves, stanceTargets } from '../feet/stance.ts'
import { threadFinding } from '../feet/stanceSearch.ts'
import type { StanceMethodKey, StanceParts, StanceTarget, StanceUse } from '../feet/stance.ts'
import { judgeFootbed, judgeWedge } from '../feet/wedges.ts'
import type { SupportJudgement } from '../feet/wedges.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import { bySide, sides } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import type { Complaint } from './complaint.ts'
import type { BodyRegionKey } from './regions.ts'

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
  /** wanted less now, each side, mm: + the foot should go out; 0 inside the band */
  readonly gap: Sided<number>
  /** what counts as met; where nothing binds, where it stands */
  readonly band: Sided<{ readonly low: number; readonly high: number }>
  readonly cleatRoom: Sided<{ readonly low: number; readonly high: number }>
  readonly thread: Sided<number | null>
  /** what is wrong with the parts as they are */
  readonly faults: readonly Finding[]
  /** parts taken as usual because they were not read */
  readonly estimated: readonly ReadingKey[]
}

/** Everything the feet's pages say, from one setup and what the rider has told. */
export interface FootStation {
  readonly shoe: readonly Finding[]
  /** foot and shoe are both read in length and width */
  readonly shoeRead: boolean
  readonly cleat: Sided<CleatJudgement>
  readonly rotation: Sided<RotationJudgement>
  readonly clearance: readonly Finding[]
  readonly clearanceMissing: Sided<readonly ReadingKey[]>
  readonly stance: StanceStanding | null
  readonly wedge: Sided<SupportJudgement>
  readonly footbed: Sided<SupportJudgement>
  readonly wear: readonly Finding[]
  readonly bolts: readonly Finding[]
  readonly look: Sided<CleatLook>
  readonly pedalRider: PedalRider
  /** knee at the bottom against its band; null = not known */
  readonly knee: Sided<'low' | 'high' | 'level' | null>
  /** the pelvis is twisted or drops: the seat comes before the cleat */
  readonly twisted: boolean
}

/** Whether a complaint of these places touches a side. */
export function hurts(complaints: readonly Complaint[], regions: readonly BodyRegionKey[], side: Side | 'both'): boolean {
  return complaints.some((c) => regions.includes(c.region) && c.kind !== 'control' && (side === 'both' || c.side === side || c.side === 'both' || c.side === 'middle')) // prettier-ignore
}

const footAndKnee = ['forefoot', 'heel', 'knee-inner', 'knee-outer', 'shin', 'achilles'] as const
const LEVEL_PELVIS = 1
const BOW_LEGGED = 2
/** A ride from here on is long, h. @source prior */
const LONG_RIDE = 4

/** What the bike's kind asks of pedals. */
export function pedalUse(kind: BikeKind, hours: number | null): PedalRider['use'] {
  if (kind === 'mountain') return 'mountain'
  if (kind === 'cargo' || kind === 'town') return 'town'
  return (hours ?? 0) >= LONG_RIDE ? 'long' : 'road'
}

/** Wide bottom brackets of mountain and cargo bikes; the others as on the road. */
export function stanceUse(kind: BikeKind): StanceUse {
  return kind === 'mountain' || kind === 'cargo' ? 'mountain' : 'road'
}

/** What the station knows besides the setup. */
export interface FootContext {
  readonly kind: BikeKind
  readonly school: CleatSchoolKey
  readonly stanceBy: StanceMethodKey | null
  readonly otherBikes: readonly OtherBike[]
  /** the rider's numbers as they stand, where the model has them */
  readonly facts: RiderFacts | null
}

/** Everything at once; each part is a plain function of the readings in force. */
export function footStation(
  setup: Setup,
  complaints: readonly Complaint[],
  { kind, school, stanceBy, otherBikes, facts }: FootContext,
): FootStation {
  const { now } = setup
  const cleat = bySide((side) => judgeCleat(side, school, setup.cleat[side]))
  const shoe = bySide((side) => {
    const judged = cleat[side]
    const { setbackNow } = setup.cleat[side]
    const slot = slotRange(setup.cleat[side])
    const slotEnd = setbackNow && slot && { ...setbackNow, value: slot.rearmost }
    return { ...shoeReadings(now, side), slotEnd, setbackTarget: judged.state === 'missing' ? null : judged.result.target }
  })
  const pelvis = measuredValue(now, 'pelvisLevel')
  const twisted = pelvis !== null && pelvis !== LEVEL_PELVIS
  const clearances = bySide((side) => clearanceInput(now, side))
  const stance = stanceStanding(now, { kind, stanceBy, otherBikes })
  const support = bySide((side) => ({ ...supportReadings(now, side), complaint: hurts(complaints, footAndKnee, side) }))
  const look = bySide((side) => cleatLook(now, side))
  return {
    shoe: shoeFindings(shoe.left, shoe.right),
    shoeRead: sides.every((side) => [shoe[side].footLength, shoe[side].footWidth, shoe[side].shoeLength, shoe[side].shoeBallWidth].every((q) => q !== null)), // prettier-ignore
    cleat,
    rotation: bySide((side) => judgeRotation(side, rotationReadings(now, side), twisted)),
    clearance: sides.flatMap((side) => {
      const input = clearances[side]
      return 'missing' in input ? [] : [clearanceFinding(side, input)]
    }),
    clearanceMissing: bySide((side) => {
      const input = clearances[side]
      return 'missing' in input ? input.missing : []
    }),
    stance,
    wedge: bySide((side) => judgeWedge(side, support[side])),
    footbed: bySide((side) => judgeFootbed(side, support[side])),
    wear: wearFindings(wearInput(now), look),
    bolts: boltFindings(boltReadings(now)),
    look,
    pedalRider: pedalRider(now, complaints, kind, stance),
    knee: kneeStates(facts),
    twisted,
  }
}

/** Half stances against the chosen target; null while nothing is known of the bike's parts. */
export function stanceStanding(
  now: ResolvedReadings,
  { kind, stanceBy, otherBikes }: { kind: BikeKind; stanceBy: StanceMethodKey | null; otherBikes: readonly OtherBike[] },
): StanceStanding | null {
  const parts = stanceParts(now)
  if (parts === null) return null
  const targets = stanceTargets({
    now: parts,
    kneeOutside: bySide((side) => measuredValue(now, 'kneeOutside', side)),
    otherStance: measuredValue(now, 'otherStance'),
    otherBikes,
    use: stanceUse(kind),
    stature: now.stature.left?.value ?? null,
    hipBreadth: measuredValue(now, 'hipBreadth'),
    mass: measuredValue(now, 'mass'),
    bowLegged: measuredValue(now, 'kneeAlignment') === BOW_LEGGED,
  })
  const target = chosenTarget(targets, stanceBy)
  const here = halves(parts)
  // The usual stance alone is something to compare with; it is no reason to change parts unless the fitter says so.
  const binds = target.key !== 'use' || stanceBy === 'use'
  const gap = bySide((side) => {
    const half = target.half?.[side]
    if (!half || !binds || (here[side] >= half.low && here[side] <= half.high)) return 0
    return half.target - here[side]
  })
  const thread = bySide((side) => measuredValue(now, 'axleThread', side))
  const faults = sides.flatMap((side) => threadFinding(side, parts[side], thread[side]) ?? [])
  const band = bySide((side) => (binds && target.half?.[side]) || { low: here[side], high: here[side] })
  return { now: here, parts, targets, target, gap, band, cleatRoom: cleatRoom(now), thread, faults, estimated: stanceEstimated(now) }
}

/** What pedals are chosen from. */
export function pedalRider(
  now: ResolvedReadings,
  complaints: readonly Complaint[],
  kind: BikeKind,
  stance: StanceStanding | null,
): PedalRider {
  const hours = measuredValue(now, 'rideHours')
  const swings = sides.flatMap((side) => {
    const inward = measured(now, 'heelIn', side)
    const outward = measured(now, 'heelOut', side)
    return inward && outward ? [inward.value + outward.value] : []
  })
  const pattern = measuredValue(now, 'boltPattern')
  const says = (test: (c: Complaint) => boolean) => complaints.some(test)
  return {
    mass: measuredValue(now, 'mass'),
    soleStiffness: measuredValue(now, 'soleStiffness'),
    forefoot: hurts(complaints, ['forefoot'], 'both'),
    knee: hurts(complaints, ['knee-inner', 'knee-outer'], 'both'),
    entry: says((c) => c.situation === 'getting-in-out') || sides.some((side) => measuredValue(now, 'releaseFeel', side) === 3),
    loose: says((c) => c.kind === 'slips' && ['forefoot', 'heel'].includes(c.region)),
    bowLegged: measuredValue(now, 'kneeAlignment') === BOW_LEGGED,
    use: pedalUse(kind, hours),
    widen: stance === null ? 0 : Math.max(0, stance.gap.left, stance.gap.right),
    swing: swings.length === 0 ? null : Math.max(...swings),
    bolts: pattern === null ? null : (boltPatterns[pattern - 1] ?? null),
    kindNow: measuredValue(now, 'pedalKind'),
    axleNow: measuredValue(now, 'axleLength'),
    hours,
  }
}

function kneeStates(facts: RiderFacts | null): FootStation['knee'] {
  return bySide((side) => {
    const key = side === 'left' ? 'kneeLeft' : 'kneeRight'
    const value = facts?.[key] ?? null
    const { band } = factDefinition(key)
    if (value === null || band === null) return null
    if (bandState({ value, plusMinus: 0 }, band) !== 'outside') return 'level'
    return value > band.high ? 'low' : 'high'
  })
}
