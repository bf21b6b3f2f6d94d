import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import type { PageJudgement } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { ALIGNED, alignmentGap, gripAlignment, GRIP_RISE, rollForAlignment } from './gripAlignment.ts'
import type { Alignment, AlignmentGap } from './gripAlignment.ts'
import { rollForAlignmentCalculation, gripAlignmentCalculation } from './calculations.ts'
import { barSweeps, handAlignment } from './readings.ts'
import { degrees, into, reasonOf } from '../../../station/say.ts'

/** Sweep and roll of a flat bar against the hands. */
export interface RollStanding {
  readonly sweeps: ReturnType<typeof barSweeps>
  readonly grip: Alignment | null
  readonly hands: Sided<ReturnType<typeof handAlignment>>
  readonly gaps: Sided<AlignmentGap | null>
  /** the grip's two angles against the hand's own */
  readonly stands: Sided<{ readonly back: Judged; readonly up: Judged } | null>
  /** roll that brings the grips nearest both hands, degrees; null while a reading lacks */
  readonly best: number | null
  /** what is left at that roll */
  readonly left: Sided<AlignmentGap | null>
  readonly findings: readonly Finding[]
}

/** A hand with a level can set a roll this finely, degrees. @source common-practice */
const ROLL_STEP = 0.5

/** ± of a bar's own sweeps, as makers say them, degrees; k = 2. @source common-practice */
const MAKERS_SWEEP = 0.5

export function rollStanding({ setup }: Pick<VisitContext, 'setup'>): RollStanding {
  const sweeps = setup.rider.bar === 'flat' ? barSweeps(setup) : null
  const hands = bySide((side) => handAlignment(setup, side))
  const known = sides.flatMap((side) => hands[side] ?? [])
  const gapsAt = (roll: number) =>
    bySide((side) => (sweeps && hands[side] ? alignmentGap(hands[side], { ...sweeps, barRoll: roll }) : null))
  const best = sweeps && known.length > 0 ? Math.round(rollForAlignment(known, sweeps) / ROLL_STEP) * ROLL_STEP : null
  const grip = sweeps && gripAlignment(sweeps)
  const stands = bySide((side) => {
    const hand = hands[side]
    if (grip === null || hand === null) return null
    const at = (plane: 'back' | 'up') =>
      judged(
        grip[plane],
        combined(MAKERS_SWEEP, hand.plusMinus),
        { low: hand[plane] - ALIGNED, high: hand[plane] + ALIGNED },
        { aim: hand[plane] },
      )
    return { back: at('back'), up: at('up') }
  })
  const standing = {
    sweeps,
    grip,
    stands,
    hands,
    gaps: gapsAt(sweeps?.barRoll ?? 0),
    best,
    left: gapsAt(best ?? 0),
  }
  return { ...standing, findings: byWeight(rollFindings(standing)) }
}

function rollFindings(standing: Omit<RollStanding, 'findings'>): Finding[] {
  const found: Finding[] = []
  const add = into(found)
  for (const side of sides) handFindings(side, standing, found)
  const { grip } = standing
  if (grip && (grip.up < GRIP_RISE.low - ALIGNED || grip.up > GRIP_RISE.high + ALIGNED)) {
    const falls = grip.up < 0
    const usual = `commonly a touch above level, ${GRIP_RISE.low} to ${GRIP_RISE.high}°`
    const roll = 'Forward roll lifts elbows, for flat turns; back roll suits steep descents.'
    const headline = falls ? 'Grips fall toward their ends.' : 'Grips rise steeply toward their ends.'
    add('grips-level', 'both', 'note', headline, `${degrees(grip.up)} ${falls ? 'down' : 'up'} from the front; ${usual}. ${roll}`)
  }
  return found
}

/** "4° more backsweep and 5° less upsweep": what is over the line. */
function wants({ back, up }: AlignmentGap): string {
  const one = (gap: number, name: string) => (Math.abs(gap) > ALIGNED ? [`${degrees(gap)} ${gap > 0 ? 'more' : 'less'} ${name}`] : [])
  return [...one(back, 'backsweep'), ...one(up, 'upsweep')].join(' and ')
}

function handFindings(side: Side, standing: Omit<RollStanding, 'findings'>, found: Finding[]): void {
  const { gaps, hands, grip, stands, left, best } = standing
  const [gap, hand, rest, planes] = [gaps[side], hands[side], left[side], stands[side]]
  if (gap === null || hand === null || grip === null || planes === null) return
  const add = into(found)
  const [of, worse] =
    verdictOf(planes.up).beyond > verdictOf(planes.back).beyond ? (['upsweep', planes.up] as const) : (['backsweep', planes.back] as const)
  const { end, weight } = verdictOf(worse)
  if (end === null) {
    const apart = `${degrees(gap.back)} apart in sweep, ${degrees(gap.up)} in rise.`
    add('aligned', side, 'fine', `${sideName(side)}: grip and hand lie alike.`, apart, 'prior')
    return
  }
  const lie = `Hand ${degrees(hand.back)} back, ${degrees(hand.up)} up; grip ${degrees(grip.back)} back, ${degrees(grip.up)} up after roll`
  into(found, of)('sweep', side, weight, `${sideName(side)} hand wants ${wants(gap)}.`, `${lie}; ±${trimmed(hand.plusMinus, 0)}°.`, 'prior')
  if (rest === null || rest.apart <= ALIGNED) return
  const bar = wants(rest) === '' ? 'another bar' : `a bar with ${wants(rest)}`
  if (gainsByRoll(standing)) {
    const says = `Best roll ${trimmed(best ?? 0, 1)}°. For the rest, ${bar}.`
    add('roll-not-enough', side, 'note', `${sideName(side)}: roll alone leaves ${degrees(rest.apart)}.`, says, 'geometry')
    return
  }
  const gains = Math.max(0, gap.apart - rest.apart)
  const little = `Its best roll gains ${trimmed(gains, 1)}°, and the hand is known to ±${trimmed(hand.plusMinus, 0)}°. Look for a bar with ${wants(gap)}.`
  add('roll-gains-little', side, 'note', `${sideName(side)}: turning this bar does not bring it to the hand.`, little, 'geometry')
}

/** Whether the best roll brings grip and hand nearer by more than the hand is known to. */
function gainsByRoll({ gaps, left, hands }: Pick<RollStanding, 'gaps' | 'left' | 'hands'>): boolean {
  return sides.some((side) => {
    const [now, then, hand] = [gaps[side], left[side], hands[side]]
    return now !== null && then !== null && hand !== null && now.apart - then.apart > hand.plusMinus
  })
}

export function judgeRoll({ roll }: { readonly roll: RollStanding }): Partial<PageJudgement> {
  const { sweeps, grip, hands, best, findings } = roll
  if (sweeps === null || grip === null) return { findings }
  const by = best === null ? 0 : best - sweeps.barRoll
  const helps = Math.abs(by) >= ROLL_STEP && gainsByRoll(roll) && findings.some(({ key, weight }) => key === 'sweep' && weight === 'act')
  const words = `Roll ${degrees(by)} ${by > 0 ? 'forward' : 'back'}`
  const known = sides.flatMap((side) => (hands[side] ? [{ back: hands[side].back, up: hands[side].up }] : []))
  const { barBacksweep, barUpsweep } = sweeps
  return {
    findings,
    proposals: helps
      ? [{ key: 'roll', words, requested: [{ setting: 'barRoll', side: 'both', by }], reason: reasonOf(findings, 'sweep') }]
      : [],
    working: [
      ...known.map((hand, i) => ({
        heading: `Hand against grip, ${i === 0 ? 'first' : 'second'} hand`,
        calculation: anyCalculation(gripAlignmentCalculation),
        input: { ...sweeps, hand },
        plusMinus: { 'hand.back': hands.left?.plusMinus ?? hands.right?.plusMinus ?? 0 },
      })),
      ...(known.length > 0
        ? [
            {
              heading: 'Roll',
              calculation: anyCalculation(rollForAlignmentCalculation),
              input: { barBacksweep, barUpsweep, hands: known },
              plusMinus: {},
            },
          ]
        : []),
    ],
  }
}
