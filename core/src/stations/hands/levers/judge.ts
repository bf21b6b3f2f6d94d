import { judged, toAim, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import type { RequestedMove } from '../../../ledger/moves.ts'
import { chosen, measured, measuredValue, standsAt } from '../../../readings/resolve.ts'
import type { ReadingKey } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { mm, msg } from '../../../kernel/message.ts'
import type { Message } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import { midSentence } from '../../../kernel/words.ts'
import type { PageJudgement, Proposal, WorkingRun } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { leverReachCalculation, leverAngleCalculation, leverClampCalculation } from './calculations.ts'
import { inTheWay } from '../bar/pieces.ts'
import { BITE_LEAST, biteFinding } from './bite.ts'
import { forearmNow, leverAngleNow, hooksAt, fingerInput, hookReadings, hookOf } from './readings.ts'
import type { ForearmReady } from './readings.ts'
import type { UncertainValue } from '../../../station/readOf.ts'
import {
  HOOK_FITS,
  leverAngleTarget,
  leverReachLimit,
  leverSchoolFor,
  leversApart,
  leverSchools,
  LEVERS_ALIKE,
  REACH_FITS,
} from './rules.ts'
import type { LeverSchoolKey } from './rules.ts'
import { amounts, degrees, into, isActed, reasonOf } from '../../../station/say.ts'
import type { Add } from '../../../station/say.ts'

/** What the fitter may choose here. */
export interface LeverChoices {
  readonly leverSchool?: LeverSchoolKey | undefined
}

/** The levers of one side. */
export interface LeverSide {
  readonly angle: UncertainValue | null
  readonly forearm: ForearmReady
  readonly target: ReturnType<typeof leverAngleTarget>
  readonly hook: ReturnType<typeof hookOf>
  readonly reach: Quantity | null
  readonly hooks: ReturnType<typeof hooksAt>
  /** hook against the finger, lever against the finger's reach, blade against the forearm; null while not known */
  readonly stands: { readonly hook: Judged | null; readonly reach: Judged | null; readonly angle: Judged | null }
  /** of the standard, mm */
  readonly limit: number
  /** how much nearer its screw brings it, mm; null = not read */
  readonly roomIn: number | null
  /** blade to bar where the brake begins to hold; null = not read */
  readonly bite: Quantity | null
}
export interface LeverStanding {
  readonly school: LeverSchoolKey
  readonly sides: Sided<LeverSide>
  /** which lever works the front brake, as found on the bike or else as told */
  readonly front: Side | null
  readonly missing: readonly ReadingKey[]
  readonly findings: readonly Finding[]
}

export function leverStanding({
  setup,
  choices,
  riding,
}: Pick<VisitContext, 'setup' | 'riding'> & { readonly choices: LeverChoices }): LeverStanding {
  const flat = setup.rider.bar === 'flat'
  const school = leverSchoolFor(choices.leverSchool, riding)
  const forearm = forearmNow(setup)
  const each = bySide((side): LeverSide => {
    const target = leverAngleTarget(forearm[side].value, school)
    const angle = flat ? leverAngleNow(setup, side) : null
    const hook = flat ? hookOf(setup, side) : { found: null, missing: [] }
    const reach = standsAt(setup.now, 'leverReach', side)
    const hooks = hooksAt(setup, side)
    return {
      angle,
      forearm: forearm[side],
      target,
      hook,
      reach,
      hooks,
      stands: {
        hook: hook.found && judged(hook.found.off, hook.found.plusMinus, { low: -HOOK_FITS, high: HOOK_FITS }, { aim: 0 }),
        reach:
          reach &&
          hooks &&
          judged(
            reach.value,
            combined(reach.plusMinus, hooks.plusMinus),
            { low: hooks.value - REACH_FITS, high: hooks.value + REACH_FITS },
            { aim: hooks.value },
          ),
        angle:
          angle &&
          judged(angle.value, combined(angle.plusMinus, forearm[side].plusMinus), target, {
            aim: target.aim,
            isRead: forearm[side].by === 'reading',
          }),
      },
      roomIn: measuredValue(setup.now, 'leverRoomIn', side),
      bite: measured(setup.now, 'leverBite', side),
      limit: leverReachLimit(measured(setup.now, 'handLength', side)?.value ?? null),
    }
  })
  const findings: Finding[] = []
  const add = into(findings)
  for (const side of sides) {
    angleFindings(side, each[side], school, into(findings, 'leverAngle'))
    hookFindings(side, each[side], inTheWay(setup, side, each[side].hook.found?.off ?? 0), findings)
    reachFindings(side, each[side], findings)
    const bites = biteFinding(side, each[side].bite)
    if (bites !== null) findings.push(bites)
  }
  if (each.left.angle && each.right.angle) alikeFindings({ left: each.left.angle, right: each.right.angle }, add)
  const found = chosen(setup.now, 'frontBrakeLever')
  brakeFindings(found, riding.frontBrake ?? null, add)
  if (flat && chosen(setup.now, 'brakeFingers') === 'two') {
    const one = 'One finger on the hook; the others hold the bar. Two loosen the hold and brake too hard.'
    add('two-fingers', 'both', 'act', 'Brakes with two fingers or more.', one)
  }
  const missing = [...new Set(sides.flatMap((side) => each[side].hook.missing))]
  return { school, sides: each, front: found ?? riding.frontBrake ?? null, missing, findings: byWeight(findings) }
}

function brakeFindings(found: Side | null, told: Side | null, add: Add): void {
  if (found === null && told === null) {
    const ask = 'Ask before a hand is laid on a brake; never change it silently.'
    add('front-brake', 'both', 'note', 'Which lever works the front brake is not asked.', ask)
  } else if (found !== null && told !== null && found !== told) {
    const both = `Told: the ${told} hand; found on the bike: the ${found} lever. Settle it before riding.`
    add('front-brake', 'both', 'first', 'Told and found differ on the front brake.', both)
  }
}

/** How a forearm's fall is known. */
const forearmWords = { reading: 'read', lengths: 'by this rider’s lengths', usual: 'as is usual: read it' } as const

function angleFindings(side: Side, { stands: { angle }, target, forearm }: LeverSide, school: LeverSchoolKey, add: Add): void {
  if (angle === null) return
  const { end, weight } = verdictOf(angle)
  const line = `forearm ${degrees(forearm.value, 0)} ±${trimmed(forearm.plusMinus, 0)}°, ${forearmWords[forearm.by]}`
  const band = `${trimmed(target.low, 0)} to ${trimmed(target.high, 0)}°`
  const asked = `Asked ${band}, ${midSentence(leverSchools[school].label)}; ${line}.`
  const lies = `${sideName(side)} lever ${degrees(angle.value, 0)} down`
  if (end === 'low') add('lever-flat', side, weight, `${lies}: too flat.`, `It bends the wrist back. ${asked}`)
  else if (end === 'high') add('lever-low', side, weight, `${lies}: too low.`, `It bends the wrist forward and loads the thumb. ${asked}`)
  else add('lever-angle-fits', side, weight, `${lies}.`, asked)
}

function alikeFindings(angles: Sided<UncertainValue>, add: Add): void {
  const { lower, by } = leversApart({ left: angles.left.value, right: angles.right.value })
  if (by <= LEVERS_ALIKE + combined(angles.left.plusMinus, angles.right.plusMinus)) return
  const alike = `Both alike, within ${LEVERS_ALIKE}°, unless the hands differ.`
  add('levers-apart', 'both', 'act', `${sideName(lower)} lever stands ${degrees(by)} lower.`, alike)
}

function hookFindings(side: Side, { hook: { found }, stands }: LeverSide, blocker: string | null, findings: Finding[]): void {
  if (found === null || stands.hook === null) return
  const { end, weight } = verdictOf(stands.hook)
  const verdict = into(findings, 'hook')
  const off = Math.abs(found.off)
  const doubt = msg`±${mm(found.plusMinus)}`
  const name = sideName(side)
  if (found.hook + found.plusMinus < 0) {
    const again = 'Read grip, clamp and hook again: a lever that ends outside of the bar is torn off in the first fall.'
    into(findings)('hook-past', side, 'note', msg`${name}: the hook would lie ${mm(-found.hook)} past the bar’s end.`, again, 'geometry')
    return
  }
  if (end === null) {
    verdict('hook-fits', side, weight, `${name}: the hook lies under the finger.`, msg`${mm(off)} apart, ${doubt}.`)
    return
  }
  const outside = found.off > 0
  const lands = outside
    ? 'The finger lands short of the hook and pulls where the blade is weak, so a second finger helps.'
    : 'The finger lies past the hook, at the blade’s end.'
  const slide = msg`Slide the clamp ${mm(off)} ${outside ? 'inboard' : 'outboard'}, ${doubt}.`
  const first = blocker === null ? '' : ` The ${blocker} is in its way and moves too: see Controls.`
  const headline = msg`${name}: the hook stands ${mm(off)} ${outside ? 'outside' : 'inside'} of the finger.`
  verdict('hook-off', side, weight, headline, msg`${lands} ${slide}${first}`)
}

function reachFindings(side: Side, { reach, hooks, limit, stands, roomIn, bite }: LeverSide, findings: Finding[]): void {
  if (reach === null) return
  const lever = msg`${sideName(side)} lever ${mm(reach.value)} out`
  if (reach.value - reach.plusMinus > limit) {
    const dial = 'Dial it in; what cannot be dialled in is another lever.'
    into(findings)('reach-limit', side, 'act', msg`${lever}: past the limit of ${mm(limit)}.`, dial, 'iso-4210')
  }
  if (hooks === null || stands.reach === null) return
  const { end, weight } = verdictOf(stands.reach)
  const add = into(findings, 'leverReach')
  const finger = msg`This finger hooks at about ${mm(hooks.value)}, ${hooks.isTried ? 'tried' : 'by its length'}, ±${mm(hooks.plusMinus)}.`
  const far = msg`${mm(Math.abs(toAim(stands.reach)))} ${end === 'high' ? 'too far' : 'close'}`
  if (end === null) add('reach-fits', side, weight, msg`${lever}: the finger hooks it.`, finger, 'prior')
  else if (end === 'high')
    add('reach-far', side, weight, msg`${lever}: ${far}.`, msg`${finger} ${dialWords(toAim(stands.reach), roomIn, bite)}`, 'prior')
  else {
    const check = 'Make sure that it cannot be pulled onto the bar; else dial it out.'
    add('reach-near', side, weight, msg`${lever}: ${far}.`, msg`${finger} ${check}`, 'prior')
  }
}

/** How far a lever can be dialled in, mm: by its screw, and so that it does not bite too near the bar. */
function mostIn({ roomIn, bite }: Pick<LeverSide, 'roomIn' | 'bite'>): number {
  return Math.max(0, Math.min(roomIn ?? Infinity, bite === null ? Infinity : bite.value - BITE_LEAST))
}

/** "Dial it in.", and what stops it on the way. */
function dialWords(by: number, roomIn: number | null, bite: Quantity | null): Message {
  const wanted = Math.abs(by)
  if (roomIn !== null && roomIn < Math.min(wanted, mostIn({ roomIn: null, bite })))
    return roomIn < 1 ? 'It comes no nearer: another lever.' : msg`It comes ${mm(roomIn)} nearer: for the rest, another lever.`
  if (bite !== null && bite.value - wanted < BITE_LEAST)
    return msg`It bites ${mm(bite.value)} from the bar: set the brake to bite earlier before it is dialled in so far.`
  return 'Dial it in.'
}

/** How far a lever that is too far out is dialled in, whole mm, minus; 0 where it is near enough, or can go no further. */
export function dialIn({ reach, hooks, limit, ...room }: Pick<LeverSide, 'reach' | 'hooks' | 'limit' | 'roomIn' | 'bite'>): number {
  if (reach === null) return 0
  return Math.min(0, Math.round(Math.max(Math.min(hooks?.value ?? limit, limit) - reach.value, -mostIn(room))))
}

export function judgeLevers({
  levers,
  context,
}: {
  readonly levers: LeverStanding
  readonly context: VisitContext
}): Partial<PageJudgement> {
  return {
    findings: levers.findings,
    proposals: proposalsOf(levers),
    working: sides.flatMap((side) => runsOf(side, levers, context)),
  }
}

/** What is offered: only where a finding is worth a change. */
function proposalsOf({ sides: each, findings }: LeverStanding): Proposal[] {
  const moved = (setting: 'leverClamp' | 'leverReach' | 'leverAngle', keys: readonly string[], by: (row: LeverSide) => number) =>
    sides.flatMap((side): RequestedMove[] => {
      const amount = isActed(findings, side, ...keys) ? Math.round(by(each[side])) : 0
      return amount === 0 ? [] : [{ setting, side, by: amount }]
    })
  const proposal = (
    key: string,
    label: string,
    requested: readonly RequestedMove[],
    keys: readonly string[],
    more: string,
    less: string,
  ): Proposal[] =>
    requested.length === 0
      ? []
      : [{ key, words: msg`${label} ${amounts(requested, more, less)}`, requested, reason: reasonOf(findings, ...keys) }]
  const hook = moved('leverClamp', ['hook-off'], ({ hook: { found } }) => found?.off ?? 0)
  const reach = moved('leverReach', ['reach-far', 'reach-limit'], dialIn)
  const angle = moved('leverAngle', ['lever-flat', 'lever-low'], leverTurn)
  return [
    ...proposal('hook', 'Lever clamp', hook, ['hook-off'], 'inboard', 'outboard'),
    ...proposal('reach', 'Lever reach', reach, ['reach-far', 'reach-limit'], 'longer', 'shorter'),
    ...proposal('angle', 'Levers', angle, ['lever-flat', 'lever-low'], 'down', 'up'),
  ]
}

/** By how much a lever is turned to what its school aims at, degrees, + down; 0 where it is in its band, or nothing is known. */
export function leverTurn({ stands: { angle } }: Pick<LeverSide, 'stands'>): number {
  return angle === null ? 0 : Math.round(toAim(angle))
}

function runsOf(side: Side, { sides: each, school }: LeverStanding, { setup }: VisitContext): WorkingRun[] {
  const { angle, forearm, reach, hooks, hook } = each[side]
  const finger = fingerInput(setup, side)
  const place = hook.found && hookReadings(setup, side)
  const runs: WorkingRun[] = []
  if (place) runs.push({ heading: `Hook, ${side}`, calculation: anyCalculation(leverClampCalculation), input: place, plusMinus: {} })
  // A finger that was tried is no calculation.
  if (reach && finger && hooks && !hooks.isTried) {
    const { indexFinger, gripDiameter } = finger
    const handLength = measured(setup.now, 'handLength', side)?.value
    const input = { indexFinger: indexFinger.value, gripDiameter, reach: reach.value, ...(handLength === undefined ? {} : { handLength }) }
    const plusMinus = { reach: reach.plusMinus, indexFinger: indexFinger.plusMinus }
    runs.push({ heading: `Lever reach, ${side}`, calculation: anyCalculation(leverReachCalculation), input, plusMinus })
  }
  if (angle) {
    const input = { forearm: forearm.value, angle: angle.value, school }
    const plusMinus = { forearm: forearm.plusMinus, angle: angle.plusMinus }
    runs.push({ heading: `Lever angle, ${side}`, calculation: anyCalculation(leverAngleCalculation), input, plusMinus })
  }
  return runs
}
