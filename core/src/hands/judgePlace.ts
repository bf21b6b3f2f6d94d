import type { MetricKey } from '../body/metrics.ts'
import { metricDefinition } from '../body/metrics.ts'
import { anyCalculation } from '../calculation.ts'
import { standingOf } from '../change/setup.ts'
import { handPositionsOf, usualHands } from '../measure/conditions.ts'
import type { HandPosition } from '../measure/conditions.ts'
import { chosen, measuredValue } from '../measure/resolve.ts'
import { frontOf } from '../measure/riderModel.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Finding } from '../quantity/finding.ts'
import { byWeight } from '../quantity/finding.ts'
import { handsMiddle } from '../body/rider.ts'
import type { PageJudgement } from '../station.ts'
import type { HandsContext } from './context.ts'
import { positionLabels, positionRows } from './extensions.ts'
import type { PositionRow } from './extensions.ts'
import { broadMiddle, handSweep } from './handSweep.ts'
import type { Middle, SweepPoint } from './handSweep.ts'
import { steeringArmCalculation } from './hands.calculations.ts'
import { steeringArm, steeringAxis, steeringWords, turnPerCentimetre } from './steering.ts'

/** Steering now and at the start. */
export interface SteeringStanding {
  readonly arm: number
  readonly start: number
  readonly turn: number
  readonly words: string
  readonly input: { readonly headAngle: number; readonly axisX: number; readonly axisY: number; readonly handX: number; readonly handY: number; readonly handOut: number }
} // prettier-ignore

export function steeringStanding({ setup, start }: HandsContext): SteeringStanding | null {
  const front = frontOf(setup.rider.values, setup.folded.by)
  const [now, before] = [setup.model && handAt(setup), start.model && handAt(start)]
  if (front === null || now === null || before === null) return null
  const axis = steeringAxis(front)
  const [arm, was] = [steeringArm(axis, now), steeringArm(axis, before)]
  return {
    arm,
    start: was,
    turn: turnPerCentimetre(arm),
    words: steeringWords(was, arm),
    input: { headAngle: front.headAngle, axisX: axis.at.x, axisY: axis.at.y, handX: now.x, handY: now.y, handOut: now.z },
  }
}

function handAt({ model }: HandsContext['setup']) {
  const middle = model && handsMiddle(model)
  return model?.grips && middle ? { ...middle, z: (model.grips.left.at.z + model.grips.right.at.z) / 2 } : null
}

/** Share of a usual ride in each position, %; null where nothing is marked. */
export interface Shares {
  readonly of: Readonly<Partial<Record<HandPosition, number>>>
  readonly sum: number
  /** the position ridden most */
  readonly most: HandPosition
}

export function sharesOf({ setup, choices }: HandsContext): Shares {
  const marked = choices.shares ?? {}
  const positions = handPositionsOf(setup.rider.bar)
  const of = Object.fromEntries(positions.flatMap((hands) => (marked[hands] === undefined ? [] : [[hands, marked[hands]]]))) as Shares['of']
  const sum = Object.values(of).reduce((all, share) => all + share, 0)
  const most = [...positions].sort((a, b) => (of[b] ?? 0) - (of[a] ?? 0))[0] ?? usualHands(setup.rider.bar)
  return { of, sum, most }
}

/** Where the hands are, in reach and height. */
export interface PlaceStanding {
  readonly shares: Shares
  readonly positions: readonly PositionRow[]
  readonly steering: SteeringStanding | null
  readonly findings: readonly Finding[]
}

/** Elbows straighter than this are locked, degrees. */
const LOCKED = metricDefinition('elbowLeft').band?.low ?? 10
/** Signs of a long reach: this many of them make a finding. @source prior */
const SIGNS_ENOUGH = 2
/** Share of the trunk's way that 10 to 20 mm of height makes: less is not felt. @source common-practice */
const LITTLE = 20

export function placeStanding(context: HandsContext, positions: readonly PositionRow[]): PlaceStanding {
  const { setup, metrics, plusMinus } = context
  const shares = sharesOf(context)
  const steering = steeringStanding(context)
  const findings: Finding[] = []
  const add = (key: string, weight: Finding['weight'], headline: string, sentence: string, source: Finding['source'] = 'common-practice') =>
    findings.push({ key, side: 'both', weight, headline, sentence, source })
  if (shares.sum > 0 && Math.abs(shares.sum - 100) > 0.5) add('shares', 'note', `Shares of the positions add up to ${trimmed(shares.sum, 0)} %.`, 'They should make 100 %: judgements weigh the positions by them.')
  for (const row of positions) {
    if (row.effort !== 'calm' || ((shares.of[row.hands] ?? 0) < MATTERS && row.hands !== shares.most)) continue
    const elbows = (['elbowLeft', 'elbowRight'] as const).map((key) => row.metrics[key])
    const usual = row.hands === usualHands(setup.rider.bar)
    const straight = Math.min(...elbows.map((value) => value ?? Infinity))
    const doubt = usual ? Math.max(plusMinus('elbowLeft') ?? 0, plusMinus('elbowRight') ?? 0) : OTHER_DOUBT
    if (straight < LOCKED) add(`locked-${row.hands}`, straight + doubt < LOCKED ? 'act' : 'note', `Elbow locked on the ${positionLabels[row.hands].toLowerCase()}: ${trimmed(straight, 0)}°.`, `A soft bend is wanted where the hands are most; below ${LOCKED}° shocks go to neck and hands. ±${trimmed(doubt, 0)}.`, 'prior')
  }
  const signs = longSigns(context)
  if (signs.length >= SIGNS_ENOUGH) add('reach-long', 'act', 'Reach is long.', `${signs.join('; ')}. The commonest fault: bring the hands closer before anything else.`)
  const torso = metrics?.torso ?? null
  if (torso !== null && torso > UPRIGHT && (metrics?.load ?? 0) > 0) add('high-front', 'note', 'A higher front would not unload the hands.', `The torso already stands at ${trimmed(torso, 0)}°: the back switches off, and the arms carry what it held.`)
  const up = setup.folded.by('handHeight', 'both') + setup.folded.by('spacers', 'both')
  if (up !== 0 && Math.abs(up) < LITTLE) add('little', 'note', `The front moved ${trimmed(Math.abs(up), 0)} mm: that changes little.`, 'In the broad middle 10 to 20 mm are hardly felt. Look for its edges on the trainer.')
  const hard = positions.find(({ effort, hands }) => effort === 'hard' && hands === usualHands(setup.rider.bar))
  const creep = measuredValue(setup.now, 'creepForward') ?? hard?.creep ?? 0
  if (creep > CREEPS) add('creeps', 'act', `Comes ${trimmed(creep, 0)} mm forward under power.`, 'Reach is judged where the rider is then: that much shorter. It speaks for reach or saddle, not for a lower bar.')
  if (steering && Math.abs(steering.arm / steering.start - 1) > 0.03) add('steering', 'note', steering.words, `${trimmed(steering.start, 0)} mm before, ${trimmed(steering.arm, 0)} mm now: 10 mm of hand turn the wheel ${trimmed(steering.turn, 2)}°. An index to compare, no verdict.`, 'geometry')
  const stem = measuredValue(setup.now, 'stemLength')
  const spacing = measuredValue(setup.now, 'gripSpacing') ?? (setup.model?.grips ? setup.model.grips.left.at.z + setup.model.grips.right.at.z : null)
  if (stem !== null && spacing !== null && stem >= LONG_STEM && spacing <= NARROW_HANDS) add('nervous', 'note', 'Long stem with narrow hands.', `${trimmed(stem, 0)} mm and ${trimmed(spacing, 0)} mm: the usual reason for nervous steering.`)
  return { shares, positions, steering, findings: byWeight(findings) }
} // prettier-ignore

/** A position ridden less than this is not judged, % of the ride. @source prior */
const MATTERS = 15
/** ± of an elbow in a position other than the usual one, degrees; k = 2. @source prior */
const OTHER_DOUBT = 10
/** A torso above this stands upright, degrees. @source prior */
const UPRIGHT = 62
/** Hips that come forward by more than this do not sit where they were fitted, mm. @source prior */
const CREEPS = 15
/** @source prior */
const LONG_STEM = 105
const NARROW_HANDS = 420
/** An upper arm this far from the trunk reaches out, degrees. @source prior */
const OPEN_SHOULDER = 88
/** Reach lost to the spread that is worth a word, mm. @source prior */
const MUCH_SPREAD = 15

/** What speaks for a long reach, in words; each goes by its own ±. */
export function longSigns({ setup, metrics, plusMinus }: HandsContext): string[] {
  const signs: string[] = []
  const pair = (left: MetricKey, right: MetricKey, pick: (...values: number[]) => number) => {
    const [a, b] = [metrics?.[left] ?? null, metrics?.[right] ?? null]
    return a === null || b === null ? null : { value: pick(a, b), doubt: Math.max(plusMinus(left) ?? 0, plusMinus(right) ?? 0) }
  }
  const elbow = pair('elbowLeft', 'elbowRight', Math.min)
  if (elbow && elbow.value + elbow.doubt < LOCKED) signs.push(`elbows nearly straight, ${trimmed(elbow.value, 0)}°`)
  const shoulder = pair('shoulderLeft', 'shoulderRight', Math.max)
  if (shoulder && shoulder.value - shoulder.doubt > OPEN_SHOULDER) signs.push(`shoulder open, ${trimmed(shoulder.value, 0)}°`)
  if (chosen(setup.now, 'sitsWhere') === 'nose') signs.push('sits on the nose')
  const creep = measuredValue(setup.now, 'creepForward')
  if (creep !== null && creep > CREEPS) signs.push(`creeps ${trimmed(creep, 0)} mm forward`)
  const { model } = setup
  if (model?.grips) {
    const out = (model.grips.left.at.z + model.grips.right.at.z - model.upper.acromionWidth) / 2
    const chord = model.upper.arms.left.upperArm + model.upper.arms.left.forearm
    const cost = chord - Math.sqrt(Math.max(0, chord * chord - out * out))
    if (cost > MUCH_SPREAD) signs.push(`the spread of the hands costs ${trimmed(cost, 0)} mm`)
  }
  return signs
}

/** The sweeps of the open page, worked out when it asks. */
export interface SweepStanding {
  readonly height: readonly SweepPoint[] | null
  readonly reach: readonly SweepPoint[] | null
  readonly middle: Middle | null
  readonly reachMiddle: Middle | null
}

export function sweepStanding({ setup }: HandsContext): SweepStanding {
  const standing = standingOf(setup)
  const height = handSweep(standing, 'height')
  const reach = handSweep(standing, 'reach')
  const hand = setup.model && handsMiddle(setup.model)
  const edge = (key: 'frontLowEdge' | 'frontHighEdge') => {
    const at = measuredValue(setup.now, key)
    return at === null || hand === null ? null : at - hand.y
  }
  return {
    height,
    reach,
    middle: height && broadMiddle(height, { low: edge('frontLowEdge'), high: edge('frontHighEdge') }),
    reachMiddle: reach && broadMiddle(reach, { low: null, high: null }),
  }
}

export function judgePlace({ place, sweep }: { readonly place: PlaceStanding; readonly sweep: SweepStanding }): Partial<PageJudgement> {
  const { steering, findings } = place
  const isLong = findings.some(({ key }) => key === 'reach-long')
  const { middle } = sweep
  // Past an edge that was found, back to it.
  const outside = middle === null ? 0 : middle.lowEnd === 'found' && middle.low > 0 ? middle.low : middle.highEnd === 'found' && middle.high < 0 ? middle.high : 0
  return {
    findings: outside === 0 ? findings : byWeight([...findings, { key: 'edge', side: 'both', weight: 'act', headline: `The hands are past the edge found on the trainer by ${trimmed(Math.abs(outside), 0)} mm.`, sentence: outside > 0 ? 'Lower than where the rider fell onto the bar.' : 'Higher than where the back switched off.', source: 'common-practice' }]),
    proposals: [
      ...(isLong ? [{ key: 'closer', words: 'Hands 10 mm closer', requested: [{ setting: 'handReach' as const, side: 'both' as const, by: -10 }], reason: 'Reach is long.' }] : []),
      ...(outside !== 0 ? [{ key: 'edge', words: `Hands ${trimmed(Math.abs(outside), 0)} mm ${outside > 0 ? 'up' : 'down'}`, requested: [{ setting: 'handHeight' as const, side: 'both' as const, by: outside }], reason: 'Past the edge found on the trainer.' }] : []),
    ],
    working: steering ? [{ heading: 'Steering', calculation: anyCalculation(steeringArmCalculation), input: steering.input, plusMinus: {} }] : [],
  }
} // prettier-ignore

/** All positions of the hands, calm and hard. */
export function positionsNow({ setup }: HandsContext): PositionRow[] {
  return setup.model === null ? [] : positionRows(standingOf(setup))
}
