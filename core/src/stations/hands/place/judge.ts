import { term } from '../../../readings/table/terms.ts'
import { riderNumbers } from '../../../station/riderNumbers.ts'
import { metricAt } from '../../../station/number.ts'
import type { NumberRow, RiderContext } from '../../../station/number.ts'
import { sides } from '../../../kernel/sided.ts'
import { verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { metricDefinition } from '../../../body/metrics.ts'
import { stemLengthsOf } from './stems.ts'
import { OPEN_SHOULDER, UPRIGHT_TORSO } from '../../../body/postureLimits.ts'
import { reachToComfort } from '../../../body/armReach.ts'
import type { ArmReach } from '../../../body/armReach.ts'
import { handsMiddle } from '../../../body/rider.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { capOf } from '../../../ledger/pace.ts'
import { CREEP_AGAIN, creepNow } from '../../../rider/creep.ts'
import { metricEstimate } from '../../../rider/metricEstimate.ts'
import { standingOf } from '../../../rider/setup.ts'
import type { Setup } from '../../../rider/setup.ts'
import { handPositionsOf, handPlace, usualHands } from '../../../readings/conditions.ts'
import type { HandPosition } from '../../../readings/conditions.ts'
import { chosen, measured, standsAt } from '../../../readings/resolve.ts'
import { frontOf } from '../../../model/riderModel.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { joined, mm, msg } from '../../../kernel/message.ts'
import type { Message } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { PageJudgement, Proposal } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { judgedIn, positionRows, positionLabel } from './positions.ts'
import type { PositionRow } from './positions.ts'
import { broadMiddle, handSweep } from './handSweep.ts'
import type { Middle, SweepPoint } from './handSweep.ts'
import { steeringArmCalculation } from './calculations.ts'
import { spreadCost, spacingNow } from '../bar/spread.ts'
import { degrees, into, reasonOf } from '../../../station/say.ts'
import type { Add } from '../../../station/say.ts'
import { FELT, steeringArm, steeringAxis, steeringWords, turnPerCentimetre } from './steering.ts'

/** Steering now and at the start, mm, and the turn for 10 mm of hand. */
export interface SteeringStanding {
  readonly arm: number
  readonly start: number
  readonly turn: number
  /** what the arm is worked out from */
  readonly input: Readonly<Record<'headAngle' | 'axisX' | 'axisY' | 'handX' | 'handY' | 'handOut', number>>
}

export function steeringStanding({ setup, start }: Pick<VisitContext, 'setup' | 'start'>): SteeringStanding | null {
  const front = frontOf(setup.rider.values, setup.folded.by)
  const [now, before] = [handAt(setup), handAt(start)]
  if (front === null || now === null || before === null) return null
  const axis = steeringAxis(front)
  const arm = steeringArm(axis, now)
  return {
    arm,
    start: steeringArm(axis, before),
    turn: turnPerCentimetre(arm),
    input: { headAngle: front.headAngle, axisX: axis.at.x, axisY: axis.at.y, handX: now.x, handY: now.y, handOut: now.z },
  }
}

/** Middle of the hands in the side view, and half of what lies between them. */
function handAt({ model }: Setup) {
  const middle = model && handsMiddle(model)
  const spacing = spacingNow({ model })
  return middle && spacing !== null ? { ...middle, z: spacing / 2 } : null
}

/** What the fitter may choose here. */
export interface PlaceChoices {
  readonly shares?: Readonly<Partial<Record<HandPosition, number | undefined>>> | undefined
}

/** Share of a usual ride in each position, %. */
export interface Shares {
  readonly of: Readonly<Partial<Record<HandPosition, number | undefined>>>
  readonly sum: number
  /** the position ridden most; the usual one where nothing is marked */
  readonly most: HandPosition
}

export function sharesOf({ setup, choices }: Pick<VisitContext, 'setup'> & { readonly choices: PlaceChoices }): Shares {
  const positions = handPositionsOf(setup.rider.bar)
  const share = (hands: HandPosition) => choices.shares?.[hands] ?? 0
  const sum = positions.reduce((all, hands) => all + share(hands), 0)
  const [first, ...others] = positions
  const most = others.reduce<HandPosition>((best, hands) => (share(hands) > share(best) ? hands : best), first ?? 'hoods')
  return { of: choices.shares ?? {}, sum, most }
}

/** A position ridden less than this is not judged, % of the ride. @source prior */
const MATTERS = 15
/** Whether much of the ride is spent in a position: the most of it, or enough to matter. */
export function isRiddenMuch({ of, most }: Shares, hands: HandPosition): boolean {
  return hands === most || (of[hands] ?? 0) >= MATTERS
}

/** Where the hands are, in reach and height. */
export interface PlaceStanding {
  readonly shares: Shares
  readonly positions: readonly PositionRow[]
  readonly steering: SteeringStanding | null
  /** hands closer until the arms are soft, the torso held; null where they are, or it is not known */
  readonly closer: ArmReach | null
  readonly findings: readonly Finding[]
}

/** Elbows straighter than this band are locked, degrees. */
const LOCKED = metricDefinition('elbowLeft').band?.low ?? 10
/** Signs of a long reach: this many of them make a finding. @source prior */
const SIGNS_ENOUGH = 2
/** ± of an elbow in a position other than the usual one, degrees; k = 2. @source prior */
const OTHER_DOUBT = 10
/** Hands no further apart than this are narrow on a long stem, mm. @source prior */
const NARROW_HANDS = 420
/** Reach lost to the spread that is worth a word, mm. @source prior */
const MUCH_SPREAD = 15
/** A front moved by less than this is hardly felt, mm. @source common-practice */
const HARDLY_FELT = 20

export function placeStanding(
  context: VisitContext & { readonly choices: PlaceChoices },
  positions: readonly PositionRow[],
): PlaceStanding {
  const { setup } = context
  const shares = sharesOf(context)
  const steering = steeringStanding(context)
  const findings: Finding[] = []
  const add = into(findings)
  if (shares.sum > 0 && Math.abs(shares.sum - 100) > 0.5) {
    const asked = 'They should make 100 %: elbows are judged where the rider is most.'
    add('shares', 'both', 'note', `Shares of the positions add up to ${trimmed(shares.sum, 0)} %.`, asked)
  }
  lockedFindings(context, positions, shares, findings)
  meetingFindings(context, findings)
  if ((shares.of.aero ?? 0) > 0) {
    const rules = 'Many event rules, and some makers of bars and levers, do not allow it. The drops are as low, with the bar in the hand.'
    add('aero-hoods', 'both', 'note', 'With the forearms on the hoods, steering and braking come late.', rules)
  }
  const signs = longSigns(context)
  const closer = reachIn(setup)
  if (signs.ofArms.length > 0 && signs.all.length >= SIGNS_ENOUGH) {
    const held =
      closer &&
      msg` With the torso as it is, hands ${mm(-closer.by)} closer bend the elbows to ${degrees(closer.elbow, 0)} and bring the shoulder to ${degrees(closer.shoulder, 0)}.`
    const why = msg`${joined(signs.all, '; ')}. The commonest fault: bring the hands closer first.`
    add('reach-long', 'both', 'act', 'Reach is long.', joined([why, held ?? ''], ''))
  }
  heightFindings(context, add)
  const creep = riderNumbers.creep.at(context)
  if (creep && verdictOf(creep).end === 'high') {
    const isOld = creepNow(setup)?.isOld === true
    const judged = isOld
      ? CREEP_AGAIN
      : 'Reach is judged where the rider is then: that much shorter. It points to reach or saddle, not to a lower bar.'
    into(findings, 'creep')(
      'creeps',
      'both',
      isOld ? 'note' : verdictOf(creep).weight,
      msg`Comes ${mm(creep.value)} forward under power.`,
      msg`±${mm(creep.plusMinus)}. ${judged}`,
    )
  }
  if (steering && Math.abs(steering.arm / steering.start - 1) > FELT) {
    const arms = msg`Steering arm ${mm(steering.start)} before, ${mm(steering.arm)} now`
    const turns = msg`${mm(10)} of hand turn the wheel ${trimmed(steering.turn, 2)}°`
    add(
      'steering',
      'both',
      'note',
      steeringWords(steering.start, steering.arm),
      msg`${arms}: ${turns}. An index to compare, no verdict.`,
      'geometry',
    )
  }
  const [stem, spacing] = [standsAt(setup.now, 'stemLength'), spacingNow(setup)]
  if (stem && spacing !== null && stem.value - stem.plusMinus >= stemLengthsOf(context.kind).high && spacing <= NARROW_HANDS) {
    const sizes = msg`${mm(stem.value)} of stem, hands ${mm(spacing)} apart`
    add('nervous', 'both', 'note', 'Long stem with narrow hands.', msg`${sizes}: the usual reason for nervous steering.`)
  }
  return { shares, positions, steering, closer, findings: byWeight(findings) }
}

/** Locked elbows, in the positions that are ridden much. */
function lockedFindings(context: VisitContext, positions: readonly PositionRow[], shares: Shares, findings: Finding[]): void {
  const usual = usualHands(context.setup.rider.bar)
  for (const row of positions) {
    const { hands, effort } = row
    // Where forearms rest nothing locks.
    if (effort !== 'calm' || handPlace(hands).isRested || !isRiddenMuch(shares, hands)) continue
    // Where the hands usually are, the elbows are the rider's own number; elsewhere what the model has of that position.
    const elsewhere = (['elbowLeft', 'elbowRight'] as const).flatMap((elbow) => judgedIn(context.setup, row, elbow, OTHER_DOUBT) ?? [])
    const elbows = hands === usual ? sides.flatMap((side) => riderNumbers.elbow.at(context, side) ?? []) : elsewhere
    const [straight] = [...elbows].sort((a, b) => a.value - b.value)
    if (straight === undefined || verdictOf(straight).end !== 'low') continue
    into(findings, hands === usual ? 'elbow' : undefined)(
      `locked-${hands}`,
      'both',
      verdictOf(straight).weight,
      `Elbow locked on the ${positionLabel(hands, context.setup.rider.ridden).toLowerCase()}: ${degrees(straight.value, 0)}.`,
      `±${trimmed(straight.plusMinus, 0)}°. A soft bend is wanted where the hands are most; below ${LOCKED}° shocks go to neck and hands.`,
      'prior',
    )
  }
}

/** Knees that meet the arms where the hands usually are. */
function meetingFindings(context: VisitContext, findings: Finding[]): void {
  const gaps = (['kneeElbowLeft', 'kneeElbowRight'] as const).flatMap((metric) => metricAt(context, metric) ?? [])
  const [nearest] = gaps.sort((a, b) => a.value - b.value)
  if (nearest === undefined) return
  const { end, isClear, weight } = verdictOf(nearest)
  if (end !== 'low' || !(nearest.isRead || isClear)) return
  const sizes = msg`${mm(-nearest.value)} too close, ±${mm(nearest.plusMinus)}. Hands further ahead or up, or shorter cranks.`
  into(findings)('knees-meet', 'both', weight, 'Knees and arms meet.', sizes, 'prior')
}

function heightFindings(context: VisitContext, add: Add): void {
  const { setup } = context
  const torso = riderNumbers.torso.at(context)
  if (torso && isClearlyOver(torso, UPRIGHT_TORSO)) {
    const why = `The torso stands at ${degrees(torso.value, 0)} already: the back switches off, and the arms carry what it held.`
    add('high-front', 'both', 'note', 'A higher front would not unload the hands.', why)
  }
  const up = setup.folded.by('handHeight', 'both') + setup.folded.by('spacers', 'both')
  if (up !== 0 && Math.abs(up) < HARDLY_FELT) {
    const middle = msg`In the broad middle ${mm(HARDLY_FELT)} are hardly felt. Look for its edges on the trainer.`
    add('little', 'both', 'note', msg`The front moved ${mm(Math.abs(up))}: that changes little.`, middle)
  }
}

/** Whether a number lies over a line by more than its ±. */
const isClearlyOver = (number: Judged, line: number) => verdictOf({ ...number, band: { low: -Infinity, high: line } }).isClear

/** What speaks for a long reach, in words, each by its own ±; where a rider sits and a wide bar only bear out what arms and hips show. */
function longSigns(context: VisitContext): { readonly ofArms: readonly Message[]; readonly all: readonly Message[] } {
  const { setup } = context
  const both = (row: NumberRow<RiderContext>) => sides.flatMap((side) => row.at(context, side) ?? [])
  const [elbow] = both(riderNumbers.elbow).sort((a, b) => a.value - b.value)
  const [shoulder] = both(riderNumbers.shoulder).sort((a, b) => b.value - a.value)
  const creep = creepNow(setup)?.isOld ? null : riderNumbers.creep.at(context)
  const cost = spreadCost(setup)
  const said = (signs: readonly (Message | false | null | undefined)[]) => signs.flatMap((sign) => (sign ? [sign] : []))
  const ofArms = said([
    elbow && verdictOf(elbow).end === 'low' && verdictOf(elbow).isClear && `elbows nearly straight, ${degrees(elbow.value, 0)}`,
    shoulder && isClearlyOver(shoulder, OPEN_SHOULDER) && `shoulder open, ${degrees(shoulder.value, 0)}`,
    creep && verdictOf(creep).isClear && msg`${term('creep', 'creeps')} ${mm(creep.value)} forward`,
  ])
  const others = said([
    chosen(setup.now, 'sitsWhere') === 'nose' && 'sits on the nose',
    cost !== null && cost > MUCH_SPREAD && msg`the spread of the hands costs ${mm(cost)}`,
  ])
  return { ofArms, all: [...ofArms, ...others] }
}

/** How far hands come closer until the arms are soft; null where they are soft where they are, or nothing was read of them. */
function reachIn(setup: Setup): ArmReach | null {
  const isRead = (['elbowLeft', 'elbowRight', 'shoulderLeft', 'shoulderRight'] as const).some((metric) =>
    metricEstimate(setup, metric, null),
  )
  const found = isRead && setup.model !== null ? reachToComfort(setup.model) : null
  return found !== null && found.by < 0 ? found : null
}

/** By how much a long reach is taken in, whole mm; null where the arms do not say. */
export function closerBy({ closer }: Pick<PlaceStanding, 'closer'>): number | null {
  return closer === null || Math.abs(closer.by) < 1 ? null : Math.round(closer.by)
}

/** The sweeps of the open page, worked out when it asks. */
export interface SweepStanding {
  readonly height: readonly SweepPoint[] | null
  readonly reach: readonly SweepPoint[] | null
  readonly middle: Middle | null
  readonly reachMiddle: Middle | null
}

export function sweepStanding({ setup }: Pick<VisitContext, 'setup'>): SweepStanding {
  const standing = standingOf(setup)
  const height = handSweep(standing, 'height')
  const reach = handSweep(standing, 'reach')
  const [low, high] = [edgeFound(setup, 'frontLowEdge'), edgeFound(setup, 'frontHighEdge')]
  return {
    height,
    reach,
    middle: height && broadMiddle(height, { low: low?.value ?? null, high: high?.value ?? null }),
    reachMiddle: reach && broadMiddle(reach, { low: null, high: null }),
  }
}

/** An edge found on the trainer, mm above the hands as they are, with ±. */
function edgeFound({ now, model }: Setup, key: 'frontLowEdge' | 'frontHighEdge') {
  const at = measured(now, key)
  const hand = model && handsMiddle(model)
  return at && hand && { value: at.value - hand.y, plusMinus: combined(at.plusMinus, now.handHeight.left?.plusMinus ?? 0) }
}

/** How far the hands are past an edge found on the trainer: + they must go up. */
function pastEdge(setup: Setup) {
  const [low, high] = [edgeFound(setup, 'frontLowEdge'), edgeFound(setup, 'frontHighEdge')]
  if (low && low.value > 0) return { ...low, words: 'Lower than where the rider fell onto the bar.' }
  if (high && high.value < 0) return { ...high, words: 'Higher than where the back switched off.' }
  return null
}

export function judgePlace({ place, context }: { readonly place: PlaceStanding; readonly context: VisitContext }): Partial<PageJudgement> {
  const { setup } = context
  const findings = [...place.findings]
  const proposals: Proposal[] = []
  if (findings.some(({ key }) => key === 'reach-long')) {
    const by = closerBy(place) ?? -capOf('handReach', 'settled')
    const requested = [{ setting: 'handReach', side: 'both', by } as const]
    proposals.push({ key: 'closer', words: msg`Hands ${mm(-by)} closer`, requested, reason: reasonOf(findings, 'reach-long') })
  }
  const past = pastEdge(setup)
  if (past) {
    const by = Math.abs(past.value)
    const sure = by > past.plusMinus
    const headline = msg`The hands are ${mm(by)} past the edge found on the trainer.`
    into(findings)('edge', 'both', sure ? 'act' : 'note', headline, msg`±${mm(past.plusMinus)}. ${past.words}`)
    const requested = [{ setting: 'handHeight', side: 'both', by: past.value } as const]
    if (sure) proposals.push({ key: 'edge', words: msg`Hands ${mm(by)} ${past.value > 0 ? 'up' : 'down'}`, requested, reason: headline })
  }
  const { steering } = place
  return {
    findings: byWeight(findings),
    proposals,
    working: steering
      ? [{ heading: 'Steering', calculation: anyCalculation(steeringArmCalculation), input: steering.input, plusMinus: {} }]
      : [],
  }
}

/** All positions of the hands, calm and hard. */
export function positionsNow({ setup }: Pick<VisitContext, 'setup'>): PositionRow[] {
  return setup.model === null ? [] : positionRows(setup)
}
