import { metricDefinition, riderMetrics } from '../body/metrics.ts'
import { dropBarHandCalculation } from '../bike/bike.calculations.ts'
import { riderWith } from '../change/calibrated.ts'
import { withMoves } from '../change/moves.ts'
import { anyCalculation } from '../calculation.ts'
import { standsAt } from '../measure/resolve.ts'
import { axlesOf, dropBarOf } from '../measure/riderModel.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Finding } from '../quantity/finding.ts'
import { byWeight, sideName } from '../quantity/finding.ts'
import { combined, quantity } from '../quantity/quantity.ts'
import { bySide, sides } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import { lazily } from '../station.ts'
import type { PageJudgement, Target, WorkingRun } from '../station.ts'
import { barSweeps, handAlignment } from './inputs.ts'
import type { HandsContext } from './context.ts'
import { ALIGNED, alignmentGap, gripAlignment, GRIP_RISE, rollForAlignment } from './gripAlignment.ts'
import type { Alignment, AlignmentGap } from './gripAlignment.ts'
import { gripAlignmentCalculation, rollForAlignmentCalculation } from './hands.calculations.ts'
import { easeOf, HOOD_IN, HOODS_ALIKE, WRIST_EASE } from './hoods.ts'

/** Sweep and roll of a flat bar against the hands. */
export interface RollStanding {
  readonly sweeps: ReturnType<typeof barSweeps>
  readonly grip: Alignment | null
  readonly hands: Sided<ReturnType<typeof handAlignment>>
  readonly gaps: Sided<AlignmentGap | null>
  /** roll that brings the grips nearest both hands, degrees; null while a reading lacks */
  readonly best: number | null
  /** what is left at that roll */
  readonly left: Sided<AlignmentGap | null>
  readonly findings: readonly Finding[]
}

export function rollStanding({ setup }: HandsContext): RollStanding {
  const sweeps = setup.rider.bar === 'flat' ? barSweeps(setup) : null
  const hands = bySide((side) => handAlignment(setup, side))
  const known = sides.flatMap((side) => hands[side] ?? [])
  const gapsAt = (roll: number) =>
    bySide((side) => (sweeps && hands[side] ? alignmentGap(hands[side], { ...sweeps, barRoll: roll }) : null))
  const best = sweeps && known.length > 0 ? Math.round(2 * rollForAlignment(known, sweeps)) / 2 : null
  const standing = {
    sweeps,
    grip: sweeps && gripAlignment(sweeps),
    hands,
    gaps: gapsAt(sweeps?.barRoll ?? 0),
    best,
    left: gapsAt(best ?? 0),
  }
  return { ...standing, findings: byWeight(rollFindings(standing)) }
}

const amount = (angle: number) => `${trimmed(Math.abs(angle), 1)}°`

function rollFindings({ grip, hands, gaps, left, best }: Omit<RollStanding, 'findings'>): Finding[] {
  const found: Finding[] = []
  const add = (key: string, side: Side | 'both', weight: Finding['weight'], headline: string, sentence: string, source: Finding['source'] = 'prior') =>
    found.push({ key, side, weight, headline, sentence, source })
  for (const side of sides) {
    const [gap, hand, rest] = [gaps[side], hands[side], left[side]]
    if (gap === null || hand === null || grip === null) continue
    const fits = Math.abs(gap.back) <= ALIGNED && Math.abs(gap.up) <= ALIGNED
    if (fits) {
      add('aligned', side, 'fine', `${sideName(side)}: grip and hand lie alike.`, `${amount(gap.back)} in sweep, ${amount(gap.up)} in rise apart.`)
      continue
    }
    const sure = Math.max(Math.abs(gap.back), Math.abs(gap.up)) - ALIGNED > hand.plusMinus
    const back = Math.abs(gap.back) > ALIGNED ? `${amount(gap.back)} ${gap.back > 0 ? 'more' : 'less'} backsweep` : ''
    const up = Math.abs(gap.up) > ALIGNED ? `${amount(gap.up)} ${gap.up > 0 ? 'more' : 'less'} upsweep` : ''
    add('sweep', side, sure ? 'act' : 'note', `${sideName(side)} hand wants ${[back, up].filter((one) => one !== '').join(' and ')}.`, `Hand ${amount(hand.back)} back, ${amount(hand.up)} up; grip ${amount(grip.back)} back, ${amount(grip.up)} up after roll.`)
    if (rest && rest.apart > ALIGNED) add('roll-not-enough', side, 'note', `${sideName(side)}: roll alone leaves ${amount(rest.apart)}.`, `Best roll ${trimmed(best ?? 0, 1)}°. For the rest, a bar with ${Math.abs(rest.back) > Math.abs(rest.up) ? `${rest.back > 0 ? 'more' : 'less'} backsweep` : `${rest.up > 0 ? 'more' : 'less'} upsweep`}.`, 'geometry')
  }
  if (grip && (grip.up < GRIP_RISE.low - ALIGNED || grip.up > GRIP_RISE.high + ALIGNED)) {
    add('grips-level', 'both', 'note', grip.up < 0 ? 'Grips fall toward their ends.' : 'Grips rise steeply toward their ends.', `${amount(grip.up)} ${grip.up < 0 ? 'down' : 'up'}, seen from the front; commonly a touch above level, 0 to 3°. Forward roll lifts elbows, for flat turns; back roll suits steep descents.`, 'common-practice')
  }
  return found
} // prettier-ignore

export function judgeRoll({ roll }: { readonly roll: RollStanding }): Partial<PageJudgement> {
  const { sweeps, grip, hands, best, findings } = roll
  if (sweeps === null || grip === null) return { findings }
  const targets = sides.flatMap((side): Target[] => {
    const hand = hands[side]
    if (hand === null) return []
    const band = (at: number) => ({ low: at - ALIGNED, high: at + ALIGNED })
    return [
      { key: `back-${side}`, label: `Backsweep, ${side}`, now: quantity(grip.back, combined(0.5, hand.plusMinus), 'deg', 'computed'), band: band(hand.back), aim: null, remark: `hand ${trimmed(hand.back, 1)}°` },
      { key: `up-${side}`, label: `Upsweep, ${side}`, now: quantity(grip.up, combined(0.5, hand.plusMinus), 'deg', 'computed'), band: band(hand.up), aim: null, remark: `hand ${trimmed(hand.up, 1)}°` },
    ]
  }) // prettier-ignore
  const by = best === null ? 0 : best - sweeps.barRoll
  const known = sides.flatMap((side) => (hands[side] ? [{ back: hands[side].back, up: hands[side].up }] : []))
  return {
    findings,
    targets,
    proposals:
      Math.abs(by) < 0.5 || findings.every(({ weight }) => weight !== 'act')
        ? []
        : [{ key: 'roll', words: `Roll ${trimmed(Math.abs(by), 1)}° ${by > 0 ? 'forward' : 'back'}`, requested: [{ setting: 'barRoll', side: 'both', by }], reason: findings[0]?.headline ?? '' }],
    working: [
      ...known.slice(0, 1).map((hand) => ({ heading: 'Hand against grip', calculation: anyCalculation(gripAlignmentCalculation), input: { ...sweeps, hand }, plusMinus: { barRoll: 0.3 } })),
      ...(known.length > 0 ? [{ heading: 'Roll', calculation: anyCalculation(rollForAlignmentCalculation), input: { barBacksweep: sweeps.barBacksweep, barUpsweep: sweeps.barUpsweep, hands: known }, plusMinus: {} }] : []),
    ],
  } // prettier-ignore
}

/** Lever place on the bend, and roll, at which the wrists are easiest; degrees from where they are. */
interface Ease {
  readonly position: ReturnType<typeof easeOf>
  readonly roll: ReturnType<typeof easeOf>
}

/** Hoods of a drop bar. */
export interface HoodStanding {
  readonly inward: Sided<{ readonly value: number; readonly plusMinus: number } | null>
  readonly wrist: Sided<number | null>
  /** lever place on the bend, and roll, at which the wrists are easiest */
  readonly ease: Ease | null
  readonly findings: readonly Finding[]
}

/** How far levers are moved on the bend and bars rolled to look for the wrist's ease, degrees either way. */
const LOOKS = { hoodPosition: 25, barRoll: 12 } as const

export function hoodStanding({ setup, metrics, plusMinus }: HandsContext): HoodStanding {
  const isDrop = setup.rider.bar === 'drop'
  const inward = bySide((side) => (isDrop ? standsAt(setup.now, 'hoodAngle', side) : null))
  const wrist = { left: metrics?.wristLeft ?? null, right: metrics?.wristRight ?? null }
  const findings: Finding[] = []
  const add = (key: string, side: Side | 'both', weight: Finding['weight'], headline: string, sentence: string, source: Finding['source'] = 'common-practice') =>
    findings.push({ key, side, weight, headline, sentence, source })
  for (const side of sides) {
    const at = inward[side]
    if (at && at.value - at.plusMinus > HOOD_IN.most) add('turned-in', side, 'act', `${sideName(side)} hood turned in ${amount(at.value)}: braking suffers.`, `2 to 3° meets the wrist; above ${HOOD_IN.most}° the fingers pull across the lever. Turn it out before anything else is set.`)
    else if (at && at.value - at.plusMinus > HOOD_IN.usual) add('inward', side, 'note', `${sideName(side)} hood turned in ${amount(at.value)}.`, '2 to 3° meets the wrist. For narrower hands, a narrower bar.')
  }
  if (inward.left && inward.right && Math.abs(inward.left.value - inward.right.value) > HOODS_ALIKE + combined(inward.left.plusMinus, inward.right.plusMinus)) add('unlike', 'both', 'act', 'Left and right hood stand apart.', `${amount(inward.left.value)} and ${amount(inward.right.value)} in. Set both alike, unless the hands differ.`)
  if (isDrop) {
    const doubt = Math.max(plusMinus('wristLeft') ?? 0, plusMinus('wristRight') ?? 0)
    const known = sides.flatMap((side) => wrist[side] ?? [])
    const [least, most] = [Math.min(...known), Math.max(...known)]
    const { low, high } = metricDefinition('wristLeft').band ?? { low: -Infinity, high: Infinity }
    if (known.length === 0) add('wrist-unknown', 'both', 'note', 'The wrist on the hoods is not known.', 'Read it, or the rider’s lengths and where the hands are.')
    else if (most > high) add('hoods-low', 'both', most - doubt > high ? 'act' : 'note', `Wrist bends ${amount(most)} to the little finger.`, `Hoods too low: pressure in the wrist rises from ${trimmed(high, 1)}°, elbows lock, the neck pays. Levers up on the bend, or the bar rolled back.`, 'keir')
    else if (least < low) add('hoods-high', 'both', least + doubt < low ? 'act' : 'note', `Wrist bends ${amount(least)} to the thumb.`, `Hoods too high: past ${trimmed(-low, 1)}° that way pressure rises as well, ±${trimmed(doubt, 0)}. Levers down the bend, or the bar rolled forward.`, 'keir')
    else add('wrist-easy', 'both', 'fine', 'Wrist inside its limits on the hoods.', `${trimmed(most, 0)}°; least pressure near ${WRIST_EASE}° to the little finger.`, 'keir')
  }
  return lazily<HoodStanding>({ inward: () => inward, wrist: () => wrist, ease: () => (isDrop && setup.model ? easeNow(setup) : null), findings: () => byWeight(findings) })
} // prettier-ignore

function easeNow(setup: HandsContext['setup']): Ease | null {
  const { rider, folded, now } = setup
  const axles = axlesOf(rider.values)
  const wristWith = (moves: Parameters<typeof withMoves>[1]): number | null => {
    const model = riderWith(rider, withMoves(folded.by, moves))
    if (model?.grips === null || model === null) return null
    const { wristLeft, wristRight } = riderMetrics(model, axles)
    return wristLeft === null || wristRight === null ? null : (wristLeft + wristRight) / 2
  }
  const place = standsAt(now, 'hoodPosition')?.value ?? null
  return {
    position:
      place === null
        ? null
        : easeOf((by) => wristWith(sides.map((side) => ({ setting: 'hoodPosition', side, by }))), {
            low: Math.max(-LOOKS.hoodPosition, -place),
            high: Math.min(LOOKS.hoodPosition, 90 - place),
          }),
    roll: easeOf((by) => wristWith([{ setting: 'barRoll', side: 'both', by }]), { low: -LOOKS.barRoll, high: LOOKS.barRoll }),
  }
}

/** The bar as the hand on its hoods is worked out; nothing while its sizes are not read. */
function hoodRuns({ setup: { rider, folded, now } }: HandsContext): WorkingRun[] {
  if (standsAt(now, 'barReach') === null || standsAt(now, 'barDrop') === null) return []
  const { hoodWidth, dropWidth, barReach, barDrop, barFlare, barRoll, hoodPosition, hoodAngle } = dropBarOf(
    rider.values,
    folded.by,
    'right',
  )
  const input = { hoodWidth, dropWidth, barReach, barDrop, barFlare, barRoll, hoodPosition, hoodAngle, hands: 'hoods' }
  return [{ heading: 'Hand on the hoods', calculation: anyCalculation(dropBarHandCalculation), input, plusMinus: {} }]
}

export function judgeHoods({ hoods, context }: { readonly hoods: HoodStanding; readonly context: HandsContext }): Partial<PageJudgement> {
  const { inward, findings } = hoods
  const targets = sides.flatMap((side): Target[] => {
    const now = inward[side]
    return now
      ? [{ key: `hood-${side}`, label: `Hood in, ${side}`, now: quantity(now.value, now.plusMinus, 'deg', 'measured'), band: { low: 0, high: HOOD_IN.usual }, aim: null, remark: `up to ${HOOD_IN.usual}°`, moves: { setting: 'hoodAngle', side } }]
      : []
  }) // prettier-ignore
  const out = sides.flatMap((side) => {
    const now = inward[side]
    return now && now.value - now.plusMinus > HOOD_IN.usual ? [{ setting: 'hoodAngle' as const, side, by: HOOD_IN.usual - now.value }] : []
  })
  const asksForEase = findings.some(({ key, weight }) => (key === 'hoods-low' || key === 'hoods-high') && weight === 'act')
  // Looked for only where it is wanted: it takes a model for every step.
  const ease = asksForEase ? hoods.ease : null
  const place = ease?.position
  const roll = ease?.roll
  const [reason] = findings
  return {
    findings,
    targets,
    working: hoodRuns(context),
    proposals: [
      ...(out.length > 0 ? [{ key: 'hoods-out', words: `Turn ${out.length === 2 ? 'both hoods' : `the ${out[0]?.side ?? 'left'} hood`} out`, requested: out, reason: reason?.headline ?? '' }] : []),
      ...(asksForEase && place && Math.abs(place.at) >= 1 ? [{ key: 'levers-up', words: `Levers ${trimmed(Math.abs(place.at), 0)}° ${place.at < 0 ? 'up' : 'down'} the bend`, requested: sides.map((side) => ({ setting: 'hoodPosition' as const, side, by: Math.round(place.at) })), reason: reason?.headline ?? '' }] : []),
      ...(asksForEase && roll && Math.abs(roll.at) >= 0.5 ? [{ key: 'roll', words: `Or roll the bar ${trimmed(Math.abs(roll.at), 1)}° ${roll.at < 0 ? 'back' : 'forward'}`, requested: [{ setting: 'barRoll' as const, side: 'both' as const, by: Math.round(2 * roll.at) / 2 }], reason: reason?.headline ?? '' }] : []),
    ],
  } // prettier-ignore
}
