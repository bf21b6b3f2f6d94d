import { metricDefinition } from '../body/metrics.ts'
import { standsAt } from '../measure/resolve.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { frontOf } from '../measure/riderModel.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Finding } from '../quantity/finding.ts'
import { byWeight } from '../quantity/finding.ts'
import { quantity } from '../quantity/quantity.ts'
import type { PageJudgement, Proposal, Target } from '../station.ts'
import type { HandsContext } from './context.ts'
import { ARM_GAP, CREEPS, fallbacks, NERVOUS, PAD_AHEAD, padAheadOfElbow } from './extensions.ts'
import type { Fallback, PositionRow } from './extensions.ts'
import type { SteeringStanding } from './judgePlace.ts'
import { steeringArm, steeringAxis } from './steering.ts'

const reads = ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'] as const

/** Forearm extensions of a drop bar. */
export interface ExtensionStanding {
  /** null while they are not read, or there are none */
  readonly calm: PositionRow | null
  readonly hard: PositionRow | null
  readonly missing: readonly ReadingKey[]
  /** pad ahead of the elbow, mm */
  readonly padAhead: number | null
  readonly arm: number | null
  readonly fallbacks: readonly Fallback[]
  readonly findings: readonly Finding[]
}

export function extensionStanding(context: HandsContext, positions: readonly PositionRow[], steering: SteeringStanding | null): ExtensionStanding {
  const { setup, riding } = context
  const missing = reads.filter((key) => standsAt(setup.now, key) === null)
  const at = (effort: 'calm' | 'hard') => positions.find((row) => row.hands === 'extension' && row.effort === effort) ?? null
  const [calm, hard] = [at('calm'), at('hard')]
  const value = (key: (typeof reads)[number]) => standsAt(setup.now, key)?.value ?? null
  const front = frontOf(setup.rider.values, setup.folded.by)
  const length = value('extensionLength')
  const rise = value('extensionAngle') ?? 0
  // The pad lies behind the grip along the extension, whatever the tape said of the hands.
  const grip = calm?.model.grips
  const middle = grip ? { x: (grip.left.at.x + grip.right.at.x) / 2, y: (grip.left.at.y + grip.right.at.y) / 2 } : null
  const pad = middle && length !== null ? middle.x - length * Math.cos((rise * Math.PI) / 180) : null
  const standing = {
    calm,
    hard,
    missing: setup.rider.bar === 'drop' ? missing : [],
    padAhead: calm && pad !== null ? padAheadOfElbow(calm.model, { x: pad }) : null,
    arm: front && middle && grip ? steeringArm(steeringAxis(front), { ...middle, z: (grip.left.at.z + grip.right.at.z) / 2 }) : null,
    fallbacks: fallbacks(positions, 'extension'),
  }
  const findings: Finding[] = []
  const add = (key: string, weight: Finding['weight'], headline: string, sentence: string, source: Finding['source'] = 'common-practice') =>
    findings.push({ key, side: 'both', weight, headline, sentence, source })
  const spacing = value('padSpacing')
  if (calm && spacing !== null && length !== null) {
    if (standing.padAhead !== null) {
      const ahead = standing.padAhead
      if (ahead < PAD_AHEAD.low) add('pad-back', 'act', 'Pads stand under the elbows or behind them.', `${trimmed(ahead, 0)} mm ahead of the elbow; wanted under the forearm, ${PAD_AHEAD.low} to ${PAD_AHEAD.high} mm ahead. Pads forward, or shorter extensions.`)
      else if (ahead > PAD_AHEAD.high) add('pad-forward', 'act', 'Pads stand far ahead of the elbows.', `${trimmed(ahead, 0)} mm ahead of the elbow: the forearm hangs over the pad’s rear edge.`)
      else add('pad-fits', 'fine', 'Pads lie under the forearms.', `${trimmed(ahead, 0)} mm ahead of the elbow.`)
    }
    if (spacing <= NERVOUS.padSpacing && length >= NERVOUS.extensionLength) add('nervous', 'act', 'Pads close together on long extensions: nervous.', `${trimmed(spacing, 0)} mm apart, ${trimmed(length, 0)} mm to the grip${standing.arm === null || steering === null ? '' : `; steering arm ${trimmed(standing.arm, 0)} mm against ${trimmed(steering.arm, 0)} on the hoods`}. Pads further apart first.`, 'prior')
    const acromion = standsAt(setup.now, 'acromionWidth')
    if (acromion && spacing > acromion.value - PADS_INSIDE) add('pads-wide', 'note', 'Pads stand as wide as the shoulders.', `${trimmed(spacing, 0)} mm against ${trimmed(acromion.value, 0)}. Elbows stay in the wind; narrower, as long as it steers calmly and the knees are clear.`)
    const gap = Math.min(calm.metrics.kneeElbowLeft ?? Infinity, calm.metrics.kneeElbowRight ?? Infinity)
    if (Number.isFinite(gap) && gap < ARM_GAP + GAP_DOUBT) add('arm-gap', gap < ARM_GAP - GAP_DOUBT ? 'act' : 'note', `Knee and forearm come within ${trimmed(Math.max(0, gap), 0)} mm.`, 'Pads up or forward, before anything goes lower.', 'prior')
    const torso = calm.metrics.torso
    if (torso !== null && torso < LOWEST_TORSO) add('too-low', 'note', `Torso at ${trimmed(torso, 0)}° from level.`, `About ${LOWEST_TORSO}° is the low end in use. Lower is not always faster: stop where hips rock or breath goes short.`)
    if (calm.neck !== null && calm.neck > NECK_LONG) {
      const [first] = standing.fallbacks
      add('neck', 'note', `Looking ahead bends the neck back ${trimmed(calm.neck, 0)}°.`, first ? `When it tires: the ${first.hands}, ${trimmed(first.neck, 0)}° less. Plan that change before it hurts.` : 'Give a second, relaxed position for when it tires.', 'prior')
    }
  }
  const creep = standsAt(setup.now, 'creepForward')?.value ?? hard?.creep ?? 0
  if (creep > CREEPS) add('creep', 'act', `Creeps ${trimmed(creep, 0)} mm forward under power.`, 'It means reach or saddle, not a lower bar: shorten the extensions, or bring the saddle to where the rider ends up.')
  if ((riding.events ?? '') !== '') add('rules', 'note', 'Check the event’s rules for extensions.', `Told: ${(riding.events ?? '').replace(/\.$/, '')}. Reach, height of the hands and the saddle’s place may be limited.`)
  return { ...standing, findings: byWeight(findings) }
} // prettier-ignore

/** Pads are commonly this much inside the acromia at least, mm. @source common-practice */
const PADS_INSIDE = 60
/** @source common-practice */
const LOWEST_TORSO = 10
/** Head bent back by more tires within the hour. @source prior */
const NECK_LONG = 62
/** ± of the gap between knee and forearm, mm; k = 2. @source prior */
const GAP_DOUBT = 15

export function judgeExtensions({ extensions, context }: { readonly extensions: ExtensionStanding; readonly context: HandsContext }): Partial<PageJudgement> {
  const { calm, findings, padAhead, hard } = extensions
  if (calm === null) return { findings }
  const targets: Target[] = []
  if (padAhead !== null) targets.push({ key: 'pad', label: 'Pad to elbow', now: quantity(padAhead, PAD_DOUBT, 'mm', 'computed'), band: PAD_AHEAD, aim: null, remark: 'ahead', moves: { setting: 'padForward', side: 'both' } })
  const gap = Math.min(calm.metrics.kneeElbowLeft ?? Infinity, calm.metrics.kneeElbowRight ?? Infinity)
  if (Number.isFinite(gap)) targets.push({ key: 'gap', label: 'Knee, arm', now: quantity(gap, GAP_DOUBT, 'mm', 'computed'), band: metricDefinition('kneeElbowLeft').band ?? { low: 0, high: 600 }, aim: null, remark: 'least gap' })
  const proposals: Proposal[] = []
  const has = (key: string) => findings.find((finding) => finding.key === key)
  const creep = standsAt(context.setup.now, 'creepForward')?.value ?? hard?.creep ?? 0
  const creeping = has('creep')
  if (creeping) proposals.push({ key: 'shorter', words: `Extensions ${Math.min(10, Math.round(creep / 2))} mm shorter`, requested: [{ setting: 'extensionLength', side: 'both', by: -Math.min(10, Math.round(creep / 2)) }], reason: creeping.headline })
  const nervous = has('nervous') ?? null
  if (nervous) proposals.push({ key: 'apart', words: 'Pads 20 mm apart', requested: [{ setting: 'padSpacing', side: 'both', by: 20 }], reason: nervous.headline })
  const back = has('pad-back')
  if (back && padAhead !== null) proposals.push({ key: 'forward', words: `Pads ${trimmed(PAD_AHEAD.low + 10 - padAhead, 0)} mm forward`, requested: [{ setting: 'padForward', side: 'both', by: Math.round(PAD_AHEAD.low + 10 - padAhead) }], reason: back.headline })
  const wide = has('pads-wide')
  if (wide) proposals.push({ key: 'narrower', words: 'Pads 20 mm closer together', requested: [{ setting: 'padSpacing', side: 'both', by: -20 }], reason: wide.headline })
  const near = has('arm-gap')
  if (near) proposals.push({ key: 'up', words: 'Pads 10 mm up', requested: [{ setting: 'padUp', side: 'both', by: 10 }], reason: near.headline })
  return { findings, targets, proposals }
} // prettier-ignore
/** ± of the pad against the elbow, mm; k = 2. @source prior */
const PAD_DOUBT = 20
