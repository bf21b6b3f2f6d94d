import { RADIANS } from '../../../bike/contactPoints.ts'
import { metricDefinition } from '../../../body/metrics.ts'
import { CREEP } from '../../../body/postureLimits.ts'
import { handsMiddle } from '../../../body/rider.ts'
import { creepNow } from '../../../rider/creep.ts'
import type { Creep } from '../../../rider/creep.ts'
import type { SettingKey } from '../../../ledger/settings.ts'
import { standsAt } from '../../../readings/resolve.ts'
import type { ReadingKey } from '../../../readings/readingDefinitions.ts'
import { frontOf } from '../../../model/riderModel.ts'
import { millimetres as mm } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight } from '../../../kernel/finding.ts'
import { quantity } from '../../../kernel/quantity.ts'
import type { PageJudgement, Proposal, Target } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { fallbacks, NERVOUS, PAD_AHEAD, PAD_DOUBT, padAheadOfElbow, PADS_INSIDE } from './rules.ts'
import { positionLabels } from '../place/positions.ts'
import type { Fallback } from './rules.ts'
import type { PositionRow } from '../place/positions.ts'
import { spacingNow } from '../bar/spread.ts'
import type { SteeringStanding } from '../place/judge.ts'
import { degrees, into, reasonOf } from '../../../station/say.ts'
import type { Add } from '../../../station/say.ts'
import { steeringArm, steeringAxis } from '../place/steering.ts'

const reads = ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'] as const

/** Forearm extensions of a drop bar. */
export interface ExtensionStanding {
  /** null while they are not read, or there are none */
  readonly calm: PositionRow | null
  readonly missing: readonly ReadingKey[]
  /** pad ahead of the elbow, mm */
  readonly padAhead: number | null
  /** knee to forearm, the nearer side, mm */
  readonly gap: number | null
  /** steering arm of the hands on them, mm */
  readonly arm: number | null
  readonly creep: Creep | null
  readonly fallbacks: readonly Fallback[]
  readonly findings: readonly Finding[]
}

export function extensionStanding(
  context: VisitContext,
  positions: readonly PositionRow[],
  steering: SteeringStanding | null,
): ExtensionStanding {
  const { setup } = context
  const calm = positions.find(({ hands, effort }) => hands === 'extension' && effort === 'calm') ?? null
  const value = (key: (typeof reads)[number]) => standsAt(setup.now, key)?.value ?? null
  const front = frontOf(setup.rider.values, setup.folded.by)
  const middle = calm && handsMiddle(calm.model)
  const spacing = calm && spacingNow(calm)
  const [length, rise] = [value('extensionLength'), value('extensionAngle') ?? 0]
  // The pad lies behind the grip along the extension, whatever the tape said of the hands.
  const padAt = middle && length !== null ? middle.x - length * Math.cos(rise * RADIANS) : null
  const gap = Math.min(calm?.metrics.kneeElbowLeft ?? Infinity, calm?.metrics.kneeElbowRight ?? Infinity)
  const judged = {
    calm,
    missing: setup.rider.bar === 'drop' ? reads.filter((key) => value(key) === null) : [],
    padAhead: calm && padAt !== null ? padAheadOfElbow(calm.model, padAt) : null,
    gap: Number.isFinite(gap) ? gap : null,
    arm: front && middle && spacing !== null ? steeringArm(steeringAxis(front), { ...middle, z: spacing / 2 }) : null,
    creep: creepNow(setup, 'extension'),
    fallbacks: fallbacks(positions, 'extension'),
  }
  const findings: Finding[] = []
  const add = into(findings)
  if (calm) {
    padFindings(judged, context, steering, add)
    postureFindings(judged, add)
  }
  if (judged.creep && setup.rider.bar === 'drop') creepFindings(judged.creep, add)
  const rules = context.riding.events ?? ''
  if (calm && rules !== '') {
    const limits = 'Reach, height of the hands and the saddle’s place may be limited.'
    add('rules', 'both', 'note', 'Check the event’s rules for extensions.', `Told: ${rules.replace(/\.$/, '')}. ${limits}`)
  }
  return { ...judged, findings: byWeight(findings) }
}

type Judged = Omit<ExtensionStanding, 'findings'>

function padFindings({ padAhead, arm }: Judged, { setup }: VisitContext, steering: SteeringStanding | null, add: Add): void {
  const [spacing, length] = [standsAt(setup.now, 'padSpacing'), standsAt(setup.now, 'extensionLength')]
  if (padAhead !== null) {
    const [short, long] = [PAD_AHEAD.low - padAhead, padAhead - PAD_AHEAD.high]
    const stands = `${mm(Math.abs(padAhead))} ${padAhead < 0 ? 'behind' : 'ahead of'} the elbow, ±${mm(PAD_DOUBT)}`
    const wanted = `wanted under the forearm, ${mm(PAD_AHEAD.low)} to ${mm(PAD_AHEAD.high)} ahead`
    const weight = (past: number) => (past > PAD_DOUBT ? 'act' : 'note')
    if (short > 0)
      add(
        'pad-back',
        'both',
        weight(short),
        'Pads stand under the elbows or behind them.',
        `${stands}; ${wanted}. Pads forward, or shorter extensions.`,
      )
    else if (long > 0)
      add(
        'pad-forward',
        'both',
        weight(long),
        'Pads stand far ahead of the elbows.',
        `${stands}; ${wanted}. The forearm hangs over the pad’s rear edge.`,
      )
    else add('pad-fits', 'both', 'fine', 'Pads lie under the forearms.', `${stands}.`)
  }
  if (spacing === null) return
  if (length && spacing.value <= NERVOUS.padSpacing && length.value >= NERVOUS.extensionLength) {
    const arms = arm === null || steering === null ? '' : `; steering arm ${mm(arm)} against ${mm(steering.arm)} on the hoods`
    const sizes = `${mm(spacing.value)} apart, ${mm(length.value)} to the grip${arms}. Pads further apart first.`
    add('nervous', 'both', 'act', 'Pads close together on long extensions: nervous.', sizes, 'prior')
  }
  const shoulders = standsAt(setup.now, 'acromionWidth')
  if (shoulders && spacing.value > shoulders.value - PADS_INSIDE) {
    const narrower = 'Elbows stay in the wind; narrower, as long as it steers calmly and the knees are clear.'
    const sizes = `${mm(spacing.value)} against shoulders of ${mm(shoulders.value)}.`
    add('pads-wide', 'both', 'note', 'Pads stand about as wide as the shoulders.', `${sizes} ${narrower}`)
  }
}

/** The low end of torsos in use on extensions, degrees from level. @source common-practice */
const LOWEST_TORSO = 10
/** Head bent back by more tires within the hour, degrees. @source prior */
const NECK_LONG = 62
/** ± of the gap between knee and forearm, mm; k = 2. @source prior */
const GAP_DOUBT = 15
/** The gap's own band. */
const GAP = metricDefinition('kneeElbowLeft').band ?? { low: 0, high: Infinity }

function postureFindings({ calm, gap, fallbacks: easier }: Judged, add: Add): void {
  if (gap !== null && gap < GAP.low + GAP_DOUBT) {
    const up = 'Pads up or forward, before anything goes lower.'
    const weight = gap < GAP.low - GAP_DOUBT ? 'act' : 'note'
    const near = gap <= 0 ? 'Knee and forearm touch.' : `Knee and forearm come within ${mm(gap)}.`
    add('arm-gap', 'both', weight, near, `±${mm(GAP_DOUBT)}. ${up}`, 'prior')
  }
  const torso = calm?.metrics.torso ?? null
  if (torso !== null && torso < LOWEST_TORSO) {
    const stop = 'Lower is not always faster: stop where hips rock or breath goes short.'
    add('too-low', 'both', 'note', `Torso at ${degrees(torso, 0)} from level.`, `About ${LOWEST_TORSO}° is the low end in use. ${stop}`)
  }
  const neck = calm?.neck ?? null
  if (neck !== null && neck > NECK_LONG) {
    const [first] = easier
    const go = first
      ? `When it tires: the ${positionLabels[first.hands].toLowerCase()}, ${degrees(first.neck, 0)} less. Plan that change before it hurts.`
      : 'Give a second, relaxed position for when it tires.'
    add('neck', 'both', 'note', `Looking ahead bends the neck back ${degrees(neck, 0)}.`, go, 'prior')
  }
}

function creepFindings({ value, plusMinus }: Creep, add: Add): void {
  if (value <= CREEP) return
  const means = 'It means reach or saddle, not a lower bar: shorten the extensions, or bring the saddle to where the rider ends up.'
  const weight = value - plusMinus > CREEP ? 'act' : 'note'
  add('creep', 'both', weight, `Creeps ${mm(value)} forward under power.`, `±${mm(plusMinus)}. ${means}`)
}

export function judgeExtensions({ extensions }: { readonly extensions: ExtensionStanding }): Partial<PageJudgement> {
  const { calm, findings, padAhead, gap } = extensions
  if (calm === null) return { findings }
  const targets: Target[] = []
  if (padAhead !== null) {
    const now = quantity(padAhead, PAD_DOUBT, 'mm', 'computed')
    targets.push({
      key: 'pad',
      label: 'Pad to elbow',
      now,
      band: PAD_AHEAD,
      aim: null,
      remark: 'ahead',
      moves: { setting: 'padForward', side: 'both' },
    })
  }
  if (gap !== null) {
    const now = quantity(gap, GAP_DOUBT, 'mm', 'computed')
    targets.push({ key: 'gap', label: 'Knee, arm', now, band: GAP, aim: null, remark: 'least gap' })
  }
  return { findings, targets, proposals: proposalsOf(extensions) }
}

/** How far extensions and pads are moved at a time, mm. @source common-practice */
const STEP = { shorter: 10, apart: 20, up: 10 } as const

function proposalsOf({ findings, padAhead, creep }: ExtensionStanding): Proposal[] {
  const has = (key: string) => findings.some((finding) => finding.key === key && finding.weight !== 'fine')
  const isSure = (key: string) => findings.some((finding) => finding.key === key && finding.weight === 'act')
  const proposal = (about: string, key: string, words: string, setting: SettingKey, by: number): Proposal => ({
    key,
    words,
    requested: [{ setting, side: 'both', by }],
    reason: reasonOf(findings, about),
  })
  const shorter = Math.min(STEP.shorter, Math.round((creep?.value ?? 0) / 2))
  const forward = Math.round(PAD_AHEAD.low + PAD_DOUBT / 2 - (padAhead ?? 0))
  return [
    ...(isSure('creep') ? [proposal('creep', 'shorter', `Extensions ${mm(shorter)} shorter`, 'extensionLength', -shorter)] : []),
    ...(isSure('nervous') ? [proposal('nervous', 'apart', `Pads ${mm(STEP.apart)} apart`, 'padSpacing', STEP.apart)] : []),
    ...(isSure('pad-back') ? [proposal('pad-back', 'forward', `Pads ${mm(forward)} forward`, 'padForward', forward)] : []),
    ...(has('pads-wide') && !has('nervous')
      ? [proposal('pads-wide', 'narrower', `Pads ${mm(STEP.apart)} closer together`, 'padSpacing', -STEP.apart)]
      : []),
    ...(isSure('arm-gap') ? [proposal('arm-gap', 'up', `Pads ${mm(STEP.up)} up`, 'padUp', STEP.up)] : []),
  ]
}
