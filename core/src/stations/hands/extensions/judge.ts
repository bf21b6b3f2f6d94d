import type { DrawnBar } from '../../../bike/bikeKinds.ts'
import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { judged, toAim, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { RADIANS } from '../../../bike/contactPoints.ts'
import type { MetricKey } from '../../../body/metrics.ts'
import { CREEP } from '../../../body/postureLimits.ts'
import { handsMiddle } from '../../../body/rider.ts'
import { padsForElbow } from '../../../body/armReach.ts'
import { CREEP_AGAIN, creepNow } from '../../../rider/creep.ts'
import type { SettingKey } from '../../../ledger/settings.ts'
import { standsAt } from '../../../readings/resolve.ts'
import type { ReadingKey } from '../../../readings/readingDefinitions.ts'
import { frontOf } from '../../../model/riderModel.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { mm, msg, range } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight } from '../../../kernel/finding.ts'
import type { PageJudgement, Proposal } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { fallbacks, NERVOUS, PAD_AHEAD, PAD_DOUBT, padAheadOfElbow, PADS_INSIDE } from './rules.ts'
import { judgedIn, positionLabel } from '../place/positions.ts'
import type { Fallback } from './rules.ts'
import type { PositionRow } from '../place/positions.ts'
import { spacingNow } from '../bar/spread.ts'
import type { SteeringStanding } from '../place/judge.ts'
import { degrees, into, reasonOf } from '../../../station/say.ts'
import type { Add } from '../../../station/say.ts'
import { stemLengthsOf } from '../place/stems.ts'
import { steeringArm, steeringAxis } from '../place/steering.ts'

const reads = ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'] as const

/** ± of the gap between knee and forearm, mm; k = 2. @source prior */
const GAP_DOUBT = 15
/** So far inside of its band an elbow is brought: pads are set to whole mm, and the arms differ, degrees. @source prior */
const INSIDE = 1
/** ± of an elbow that follows from pads and extensions, degrees; k = 2. @source prior */
const ELBOW_DOUBT = 12

/** Forearm extensions of a drop bar. */
export interface ExtensionStanding {
  /** null while they are not read, or there are none */
  readonly calm: PositionRow | null
  readonly missing: readonly ReadingKey[]
  /** pad ahead of the elbow, mm */
  readonly padAhead: Judged | null
  /** knee to forearm, the nearer side, mm */
  readonly gap: Judged | null
  /** the straighter elbow, degrees */
  readonly elbow: Judged | null
  /** how far pads and grips go along for it, whole mm, + forward; 0 where it is in its band or was not read */
  readonly along: number
  /** steering arm of the hands on them, mm */
  readonly arm: number | null
  readonly creep: Judged | null
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
  const least = (metrics: readonly MetricKey[], doubt: number) =>
    metrics.flatMap((metric) => (calm && judgedIn(setup, calm, metric, doubt)) ?? []).sort((a, b) => a.value - b.value)[0] ?? null
  const ahead = calm && padAt !== null ? padAheadOfElbow(calm.model, padAt) : null
  const creep = creepNow(setup, 'extension')
  const elbow = least(['elbowLeft', 'elbowRight'], ELBOW_DOUBT)
  const along = calm && elbow?.isRead ? padsForElbow(calm.model, toAim(elbow) + Math.sign(toAim(elbow)) * INSIDE) : null
  const known = {
    calm,
    missing: setup.rider.bar === 'drop' ? reads.filter((key) => value(key) === null) : [],
    padAhead: ahead === null ? null : judged(ahead, PAD_DOUBT, PAD_AHEAD, { aim: PAD_AHEAD.low + PAD_DOUBT / 2, isRead: false }),
    gap: least(['kneeElbowLeft', 'kneeElbowRight'], GAP_DOUBT),
    elbow,
    along: Math.sign(along ?? 0) * Math.ceil(Math.abs(along ?? 0)),
    arm: front && middle && spacing !== null ? steeringArm(steeringAxis(front), { ...middle, z: spacing / 2 }) : null,
    creep: creep && judged(creep.value, creep.plusMinus, { low: 0, high: CREEP }, { isRead: creep.isRead }),
    fallbacks: fallbacks(positions, 'extension'),
  }
  const findings: Finding[] = []
  const add = into(findings)
  if (calm) {
    padFindings(known, context, steering, findings)
    postureFindings(known, setup.rider.ridden, findings)
  }
  if (known.creep && setup.rider.bar === 'drop') creepFindings(known.creep, creep?.isOld === true, into(findings, 'creepOnExtensions'))
  const rules = context.riding.events ?? ''
  if (calm && rules !== '') {
    const limits = 'Reach, height of the hands and the saddle’s place may be limited.'
    add(
      'rules',
      'both',
      'note',
      msg`Check the event’s rules for ${term('extensions', 'extensions')}.`,
      `Told: ${rules.replace(/\.$/, '')}. ${limits}`,
    )
  }
  return { ...known, findings: byWeight(findings) }
}

type Known = Omit<ExtensionStanding, 'findings'>

function padFindings(
  { padAhead, arm }: Known,
  { setup, kind }: VisitContext,
  steering: SteeringStanding | null,
  findings: Finding[],
): void {
  const add = into(findings)
  const [spacing, length] = [standsAt(setup.now, 'padSpacing'), standsAt(setup.now, 'extensionLength')]
  if (padAhead !== null) {
    const { value } = padAhead
    const { end, weight } = verdictOf(padAhead)
    const verdict = into(findings, 'padAhead')
    const stands = msg`${mm(Math.abs(value))} ${value < 0 ? 'behind' : 'ahead of'} the elbow, ±${mm(PAD_DOUBT)}`
    const wanted = msg`wanted under the forearm, ${range(PAD_AHEAD.low, PAD_AHEAD.high)} ahead`
    if (end === 'low') {
      const move = msg`Pads forward under the forearms, grips where they are.`
      verdict('pad-back', 'both', weight, 'Pads stand under the elbows or behind them.', msg`${stands}; ${wanted}. ${move}`)
    } else if (end === 'high') {
      const hangs = 'The forearm hangs over the pad’s rear edge.'
      verdict('pad-forward', 'both', weight, 'Pads stand far ahead of the elbows.', msg`${stands}; ${wanted}. ${hangs}`)
    } else verdict('pad-fits', 'both', weight, 'Pads lie under the forearms.', msg`${stands}.`)
  }
  if (spacing === null) return
  const stem = standsAt(setup.now, 'stemLength')
  const isLongStem = stem !== null && stem.value >= stemLengthsOf(kind).high
  if (length && spacing.value <= NERVOUS.padSpacing && (isLongStem || length.value >= NERVOUS.extensionLength)) {
    const arms =
      arm === null || steering === null ? '' : msg`; steering arm ${mm(arm)} against ${mm(steering.arm)} on the ${term('hoods', 'hoods')}`
    const sizes = msg`${mm(spacing.value)} apart, ${mm(length.value)} to the grip${arms}. Pads further apart first.`
    const on = isLongStem ? msg`a ${mm(stem.value)} stem` : msg`long ${term('extensions', 'extensions')}`
    add('nervous', 'both', 'act', msg`Pads close together on ${on}: nervous.`, sizes, 'prior')
  }
  const shoulders = standsAt(setup.now, 'acromionWidth')
  if (shoulders && spacing.value > shoulders.value - PADS_INSIDE) {
    const narrower = 'Elbows stay in the wind; narrower, as long as it steers calmly and the knees are clear.'
    const sizes = msg`${mm(spacing.value)} against shoulders of ${mm(shoulders.value)}.`
    add('pads-wide', 'both', 'note', 'Pads stand about as wide as the shoulders.', msg`${sizes} ${narrower}`)
  }
}

/** The low end of torsos in use on extensions, degrees from level. @source common-practice */
const LOWEST_TORSO = 10
/** Head bent back by more tires within the hour, degrees. @source prior */
const NECK_LONG = 62
function postureFindings({ calm, gap, elbow, fallbacks: easier }: Known, bar: DrawnBar, findings: Finding[]): void {
  const add = into(findings)
  if (gap !== null && gap.value < gap.plusMinus) {
    const up = 'Pads up or forward, before anything goes lower.'
    const { end, weight: verdict } = verdictOf(gap)
    const weight = end === null ? 'note' : verdict
    const near =
      end === null ? msg`Knee and forearm come within ${mm(gap.value)}.` : msg`Knee and forearm meet: ${mm(-gap.value)} too close.`
    into(findings, end === null ? undefined : 'armGap')('arm-gap', 'both', weight, near, msg`±${mm(gap.plusMinus)}. ${up}`, 'prior')
  }
  if (elbow !== null) {
    const { end, weight } = verdictOf(elbow)
    const bends = `Elbow bent ${degrees(elbow.value, 0)}`
    const about = `±${trimmed(elbow.plusMinus, 0)}°. About square carries the trunk on the bones.`
    const verdict = into(findings, 'elbowOnExtensions')
    if (end === 'low') verdict('reaches-out', 'both', weight, `${bends}: the arms reach out to the pads.`, `${about} Pads back.`)
    if (end === 'high') verdict('cramped', 'both', weight, `${bends}: the arms are folded under the chest.`, `${about} Pads forward.`)
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
      ? `When it tires: the ${positionLabel(first.hands, bar).toLowerCase()}, ${degrees(first.neck, 0)} less. Plan that change before it hurts.`
      : 'Give a second, relaxed position for when it tires.'
    add('neck', 'both', 'note', `Looking ahead bends the neck back ${degrees(neck, 0)}.`, go, 'prior')
  }
}

function creepFindings(creep: Judged, isOld: boolean, add: Add): void {
  const { end, weight } = verdictOf(creep)
  if (end !== 'high') return
  const means = isOld
    ? CREEP_AGAIN
    : msg`It means reach or saddle, not a lower bar: shorten the ${term('extensions', 'extensions')}, or bring the saddle to where the rider ends up.`
  add(
    'creep',
    'both',
    isOld ? 'note' : weight,
    msg`${term('creep', 'Creeps')} ${mm(creep.value)} forward under power.`,
    msg`±${mm(creep.plusMinus)}. ${means}`,
  )
}

export function judgeExtensions({ extensions }: { readonly extensions: ExtensionStanding }): Partial<PageJudgement> {
  return { findings: extensions.findings, proposals: extensions.calm === null ? [] : proposalsOf(extensions) }
}

/** How far extensions and pads are moved at a time, mm. @source common-practice */
const STEP = { shorter: 10, apart: 20, up: 10 } as const

function proposalsOf({ findings, padAhead, creep, along }: ExtensionStanding): Proposal[] {
  const has = (key: string) => findings.some((finding) => finding.key === key && finding.weight !== 'fine')
  const isSure = (key: string) => findings.some((finding) => finding.key === key && finding.weight === 'act')
  const proposal = (about: string, key: string, words: Message, ...moves: readonly (readonly [SettingKey, number])[]): Proposal => ({
    key,
    words,
    requested: moves.map(([setting, by]) => ({ setting, side: 'both', by })),
    reason: reasonOf(findings, about),
  })
  const shorter = Math.min(STEP.shorter, Math.round((creep?.value ?? 0) / 2))
  const forward = padAhead === null ? 0 : Math.round(toAim(padAhead))
  return [
    ...(isSure('creep') ? [proposal('creep', 'shorter', msg`Extensions ${mm(shorter)} shorter`, ['extensionLength', -shorter])] : []),
    ...(isSure('nervous') ? [proposal('nervous', 'apart', msg`Pads ${mm(STEP.apart)} apart`, ['padSpacing', STEP.apart])] : []),
    ...(isSure('pad-back')
      ? [proposal('pad-back', 'forward', msg`Pads ${mm(forward)} forward`, ['padForward', forward], ['extensionLength', -forward])]
      : []),
    ...(has('pads-wide') && !has('nervous')
      ? [proposal('pads-wide', 'narrower', msg`Pads ${mm(STEP.apart)} closer together`, ['padSpacing', -STEP.apart])]
      : []),
    ...(isSure('arm-gap') ? [proposal('arm-gap', 'up', msg`Pads ${mm(STEP.up)} up`, ['padUp', STEP.up])] : []),
    ...(along < 0 && isSure('reaches-out') ? [proposal('reaches-out', 'back', msg`Pads ${mm(-along)} back`, ['padForward', along])] : []),
    ...(along > 0 && isSure('cramped') ? [proposal('cramped', 'ahead', msg`Pads ${mm(along)} forward`, ['padForward', along])] : []),
  ]
}
