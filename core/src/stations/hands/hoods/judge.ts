import { msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import { riderNumbers } from '../../../station/riderNumbers.ts'
import { settingAt } from '../../../station/number.ts'
import type { RiderContext } from '../../../station/number.ts'
import { toAim, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { dropBarHandCalculation } from '../../../bike/bike.calculations.ts'
import { riderMetrics } from '../../../body/metrics.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { riderWith } from '../../../rider/calibrated.ts'
import { withMoves } from '../../../ledger/moves.ts'
import type { RequestedMove } from '../../../ledger/moves.ts'
import type { Setup } from '../../../rider/setup.ts'
import { standsAt } from '../../../readings/resolve.ts'
import { axlesOf, dropBarOf } from '../../../model/riderModel.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { lazily } from '../../../kernel/lazily.ts'
import type { PageJudgement, Proposal, WorkingRun } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { rollRoom } from '../roll/readings.ts'
import { easeOf, HOOD_IN, HOODS_ALIKE, WRIST_EASE } from './rules.ts'
import { degrees, into, reasonOf } from '../../../station/say.ts'

/** Lever place on the bend, and roll, at which the wrists are easiest; degrees from where they are. */
interface Ease {
  readonly position: ReturnType<typeof easeOf>
  readonly roll: ReturnType<typeof easeOf>
}

/** Hoods of a drop bar. */
export interface HoodStanding {
  readonly inward: Sided<Judged | null>
  /** looked for when it is asked for: it takes a rider for every step */
  readonly ease: Ease | null
  readonly findings: readonly Finding[]
}

/** How far levers are moved on the bend and bars rolled to look for the wrist's ease, degrees either way. */
const LOOKS = { hoodPosition: 25, barRoll: 12 } as const

export function hoodStanding(context: Pick<VisitContext, 'setup' | 'metrics' | 'plusMinus'>): HoodStanding {
  const { setup } = context
  const isDrop = setup.rider.bar === 'drop'
  return lazily<HoodStanding>({
    inward: () => bySide((side) => (isDrop ? settingAt(setup, 'hoodAngle', side, { low: 0, high: HOOD_IN.usual }) : null)),
    ease: () => (isDrop && setup.model ? easeNow(setup) : null),
    findings: (made) => {
      const found: Finding[] = []
      if (isDrop) {
        inwardFindings(made, found)
        wristFindings(context, found)
      }
      return byWeight(found)
    },
  })
}

function inwardFindings({ inward }: HoodStanding, found: Finding[]): void {
  const add = into(found)
  const verdict = into(found, 'hoodIn')
  for (const side of sides) {
    const at = inward[side]
    if (at === null || !verdictOf(at).isClear) continue
    const strong = verdictOf({ ...at, band: { low: 0, high: HOOD_IN.most } }).isClear
    const headline = msg`${sideName(side)} ${term('hoods')} turned in ${degrees(at.value)}`
    const usual = `Up to ${HOOD_IN.usual}° meets the wrist`
    if (strong)
      verdict(
        'turned-in',
        side,
        'act',
        msg`${headline}: braking suffers.`,
        `${usual}; above ${HOOD_IN.most}° the fingers pull across the lever. Turn it out first.`,
      )
    else verdict('inward', side, 'note', msg`${headline}.`, `${usual}. For narrower hands, a narrower bar.`)
  }
  const { left, right } = inward
  if (left && right && Math.abs(left.value - right.value) > HOODS_ALIKE + combined(left.plusMinus, right.plusMinus)) {
    const both = `${degrees(left.value)} and ${degrees(right.value)} in. Set both alike, unless the hands differ.`
    add('unlike', 'both', 'act', msg`Left and right ${term('hoods')} stand apart.`, both)
  }
}

function wristFindings(context: RiderContext, found: Finding[]): void {
  const wrists = sides.flatMap((side) => riderNumbers.wrist.at(context, side) ?? [])
  const [worst] = [...wrists].sort((a, b) => verdictOf(b).beyond - verdictOf(a).beyond || b.value - a.value)
  const { low = -Infinity, high = Infinity } = worst?.band ?? {}
  const verdict = into(found, 'wrist')
  if (worst === undefined) {
    const read = 'Read it, or the rider’s lengths and where the hands are.'
    into(found)('wrist-unknown', 'both', 'note', msg`The wrist on the ${term('hoods', 'hoods')} is not known.`, read)
    return
  }
  const { end, weight } = verdictOf(worst)
  const sure = `±${trimmed(worst.plusMinus, 0)}°.`
  if (end === 'high') {
    const why = `Pressure in the wrist rises from ${trimmed(high, 1)}°, elbows lock, the neck pays. Levers up on the bend, or the bar rolled back.`
    verdict('hoods-low', 'both', weight, `Wrist bends ${degrees(worst.value)} to the little finger.`, `${sure} ${why}`, 'keir')
  } else if (end === 'low') {
    const why = `Past ${trimmed(-low, 1)}° that way pressure rises as well. Levers down the bend, or the bar rolled forward.`
    verdict('hoods-high', 'both', weight, `Wrist bends ${degrees(worst.value)} to the thumb.`, `${sure} ${why}`, 'keir')
  } else {
    const ease = `${trimmed(worst.value, 0)}°; least pressure near ${WRIST_EASE}° to the little finger.`
    verdict('wrist-easy', 'both', 'fine', msg`Wrist inside its limits on the ${term('hoods', 'hoods')}.`, ease, 'keir')
  }
}

function easeNow({ rider, folded, now }: Setup): Ease {
  const axles = axlesOf(rider.values)
  const wristWith = (moves: readonly RequestedMove[]): number | null => {
    const model = riderWith(rider, withMoves(folded.by, moves))
    if (!model?.grips) return null
    const { wristLeft, wristRight } = riderMetrics(model, axles)
    return wristLeft === null || wristRight === null ? null : (wristLeft + wristRight) / 2
  }
  const place = standsAt(now, 'hoodPosition')?.value ?? null
  const room = rollRoom({ now })
  const bend = (by: number) => wristWith(sides.map((side) => ({ setting: 'hoodPosition', side, by })))
  return {
    position:
      place === null ? null : easeOf(bend, { low: Math.max(-LOOKS.hoodPosition, -place), high: Math.min(LOOKS.hoodPosition, 90 - place) }),
    roll: easeOf((by) => wristWith([{ setting: 'barRoll', side: 'both', by }]), {
      low: Math.max(-LOOKS.barRoll, room.low),
      high: Math.min(LOOKS.barRoll, room.high),
    }),
  }
}

/** The bar as the hand on its hoods is worked out; nothing while its sizes are not read. */
function hoodRuns({ rider, folded, now }: Setup): WorkingRun[] {
  if (standsAt(now, 'barReach') === null || standsAt(now, 'barDrop') === null) return []
  const input = { ...dropBarOf(rider.values, folded.by, 'right'), hands: 'hoods' }
  return [{ heading: 'Hand on the hoods', calculation: anyCalculation(dropBarHandCalculation), input, plusMinus: {} }]
}

export function judgeHoods({ hoods, context }: { readonly hoods: HoodStanding; readonly context: VisitContext }): Partial<PageJudgement> {
  return { findings: hoods.findings, working: hoodRuns(context.setup), proposals: proposalsOf(hoods) }
}

function proposalsOf(hoods: HoodStanding): Proposal[] {
  const { inward, findings } = hoods
  const proposals: Proposal[] = []
  const out = sides.flatMap((side): RequestedMove[] => {
    const now = inward[side]
    return now && verdictOf(now).isClear ? [{ setting: 'hoodAngle', side, by: toAim(now) }] : []
  })
  const [one, other] = out
  if (one) {
    const words = `Turn ${other ? 'both hoods' : `the ${one.side} hood`} out`
    proposals.push({ key: 'hoods-out', words, requested: out, reason: reasonOf(findings, 'turned-in', 'inward') })
  }
  const wrist = findings.find(({ key, weight }) => (key === 'hoods-low' || key === 'hoods-high') && weight === 'act')
  if (wrist === undefined || hoods.ease === null) return proposals
  const { position, roll } = hoods.ease
  const bend = Math.round(position?.at ?? 0)
  if (bend !== 0) {
    const requested = sides.map((side): RequestedMove => ({ setting: 'hoodPosition', side, by: bend }))
    const words = `Levers ${degrees(bend, 0)} ${bend < 0 ? 'up' : 'down'} the bend`
    proposals.push({ key: 'levers-up', words, requested, reason: wrist.headline })
  }
  const turn = Math.round(2 * (roll?.at ?? 0)) / 2
  if (turn !== 0) {
    const requested: RequestedMove[] = [{ setting: 'barRoll', side: 'both', by: turn }]
    const words = `${bend === 0 ? 'Roll' : 'Or roll'} the bar ${degrees(turn)} ${turn < 0 ? 'back' : 'forward'}`
    proposals.push({ key: 'roll', words, requested, reason: wrist.headline })
  }
  return proposals
}
