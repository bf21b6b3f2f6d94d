import { term } from '../../../readings/table/terms.ts'
import { judged, toAim, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import type { Setup } from '../../../rider/setup.ts'
import { measured } from '../../../readings/resolve.ts'
import { mm, msg, range } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import { sides } from '../../../kernel/sided.ts'
import type { PageJudgement, Proposal, WorkingRun } from '../../../station/station.ts'
import { otherSize } from '../../../ledger/moves.ts'
import type { Requested } from '../../../ledger/moves.ts'
import { narrowestFor } from '../bar/room.ts'
import type { VisitContext } from '../../../station/context.ts'
import { BAR_LIMITS, cutPlan, cutSizes, defaultCut } from './cutPlan.ts'
import type { CutPlan, CutSizeKey, WidthFloor } from './cutPlan.ts'
import { cutPlanCalculation, barWidthTargetsCalculation } from './calculations.ts'
import { piecesWidth } from '../bar/pieces.ts'
import { GAP_CLEAR, capsOf, widthAsked, widthInput, widthNow } from './readings.ts'
import { halfBar } from '../bar/halfBar.ts'
import { spreadCost, spacingNow } from '../bar/spread.ts'
import type { WidthAsked } from './readings.ts'
import { into, reasonOf } from '../../../station/say.ts'
import { barWidthSchools, soldWidth, usualWidthSchool, widthCaps, widthSchoolOf } from './rules.ts'
import type { BarWidthSchoolKey } from './rules.ts'

/** What the fitter may choose here. */
export interface WidthChoices {
  readonly widthSchool?: BarWidthSchoolKey | undefined
  readonly cutSize?: CutSizeKey | undefined
}

/** Width of the bar, what is asked of it, and how it gets there. */
export interface WidthStanding {
  readonly school: BarWidthSchoolKey
  readonly asked: WidthAsked | null
  readonly now: Quantity | null
  /** against the school's band; null while either is not known */
  readonly stands: Judged | null
  /** mm to the aim; 0 inside the band, or while it is not known */
  readonly by: number
  /** another bar in a size that is sold, mm wider; 0 where a cut will do, or nothing sold is nearer to the aim */
  readonly otherBar: number
  /** hand to hand, mm */
  readonly spacing: number | null
  /** reach that the spread costs now, and at the aim, mm */
  readonly spreadCost: { readonly now: number; readonly aim: number } | null
  readonly floors: readonly WidthFloor[]
  readonly cutSize: CutSizeKey
  /** null where nothing is to be cut */
  readonly plan: CutPlan | null
  readonly findings: readonly Finding[]
}
type Known = Omit<WidthStanding, 'findings'>

export function widthStanding({
  setup,
  choices,
  kind,
}: Pick<VisitContext, 'setup' | 'kind'> & { readonly choices: WidthChoices }): WidthStanding {
  const { bar } = setup.rider
  const school = choices.widthSchool && barWidthSchools[choices.widthSchool].bar === bar ? choices.widthSchool : usualWidthSchool(bar, kind)
  const asked = widthAsked(setup, school, kind)
  const now = widthNow(setup)
  const stands = now && asked && judged(now.value, combined(now.plusMinus, asked.plusMinus), asked.target, { aim: asked.target.aim })
  const by = stands ? toAim(stands) : 0
  const isCut = bar === 'flat' && by < 0
  const sold = now && by !== 0 && !isCut ? soldWidth(bar, now.value + by, now.value, asked?.target.high) - now.value : 0
  const otherBar = Math.sign(sold) === Math.sign(by) && Math.abs(sold - by) < Math.abs(by) ? sold : 0
  const cutSize = choices.cutSize ?? defaultCut
  const floors = bar === 'flat' ? floorsOf(setup) : []
  const [cost, costThen] = [spreadCost(setup), spreadCost(setup, otherBar === 0 ? by : otherBar)]
  const standing: Known = {
    school,
    asked,
    now,
    stands,
    by,
    otherBar,
    spacing: spacingNow(setup),
    spreadCost: cost === null || costThen === null ? null : { now: cost, aim: costThen },
    floors,
    cutSize,
    plan: bar === 'flat' && now && asked && by < 0 ? cutPlan(now.value, asked.target.aim, cutSizes[cutSize].perSide, floors) : null,
  }
  return { ...standing, findings: findingsOf(standing, setup) }
}

/** What a flat bar must not be cut below: its pieces, its maker's mark, the standard; the highest first. */
function floorsOf(setup: Setup): WidthFloor[] {
  const mark = measured(setup.now, 'barShortest')
  const bar = halfBar(setup).found
  const most = Math.max(...sides.map((side) => piecesWidth(setup, side)))
  const floors: WidthFloor[] = [
    { key: 'standard', width: BAR_LIMITS.narrowest, source: 'iso-4210' },
    ...(mark ? [{ key: 'mark', width: mark.value, source: 'common-practice' } as const] : []),
    ...(bar && most > 0 ? [{ key: 'room', width: narrowestFor(bar, most), source: 'geometry' } as const] : []),
  ]
  return floors.sort((a, b) => b.width - a.width)
}

/** What a floor is called, and what is wrong with a bar below it. */
export const floorWords: Readonly<Record<WidthFloor['key'], { readonly label: string; readonly below: string }>> = {
  standard: { label: 'the standard’s narrowest', below: 'No bar of the standard is this narrow.' },
  mark: { label: 'its maker’s cut mark', below: 'Its maker does not allow it: another bar.' },
  room: { label: 'room for grip and controls', below: 'A part stands on the bend, where no clamp holds safely.' },
}

/** A reach that changes by less than this is not worth a word, mm. @source common-practice */
const LEAST_REACH = 1

function findingsOf({ school, asked, now, stands, spreadCost: cost, plan, floors }: Known, setup: Setup): Finding[] {
  const found: Finding[] = []
  const add = into(found)
  const { source } = widthSchoolOf(school)
  if (now === null) return found
  if (asked && stands) {
    const capped = asked.cappedBy ? `, ${widthCaps[asked.cappedBy.key]}` : ''
    const wanted = msg`${range(asked.target.low, asked.target.high)}${capped}`
    const { end, beyond, weight } = verdictOf(stands)
    const verdict = into(found, 'barWidth')
    const saved = cost && cost.now - cost.aim >= LEAST_REACH ? msg` The aim gives back ${mm(cost.now - cost.aim, 1)} of reach.` : ''
    const against = msg`${mm(now.value)} against ${wanted}, aim ${mm(asked.target.aim)}.`
    if (end === 'high') {
      const costs = 'A wide bar adds to the reach, locks elbows, and is harder to push and pull.'
      verdict('wide', 'both', weight, msg`Bar ${mm(beyond)} too wide.`, msg`${against} ${costs}${saved}`, source)
    } else if (end === 'low') {
      const closes = 'A narrow bar closes the chest and steers quickly.'
      verdict('narrow', 'both', weight, msg`Bar ${mm(beyond)} too narrow.`, msg`${against} ${closes}`, source)
    } else verdict('width-fits', 'both', weight, msg`${term('bar-width', 'Bar width')} fits.`, msg`${mm(now.value)}, ${wanted}.`, source)
  }
  if (setup.rider.bar === 'drop') return found
  const gap = measured(setup.now, 'narrowestGap')
  if (gap && gap.value - now.value < GAP_CLEAR + combined(gap.plusMinus, now.plusMinus)) {
    const touches = now.value - gap.value > combined(gap.plusMinus, now.plusMinus)
    const left = (gap.value - now.value) / 2
    const room = left > 0 ? msg`The bar leaves ${mm(left)} a side` : 'The bar is no narrower than it'
    add('gap', 'both', touches ? 'act' : 'note', msg`Narrowest gap ${mm(gap.value)}.`, msg`${room}; hands outside the grips touch first.`)
  }
  const event = measured(setup.now, 'eventBarWidest')
  if (event && now.value - now.plusMinus > event.value)
    add('event', 'both', 'act', msg`Wider than the event allows: ${mm(event.value)}.`, 'The event’s own rules have the last word.')
  if (now.value - now.plusMinus > BAR_LIMITS.widest)
    add('limit', 'both', 'act', msg`Wider than ${mm(BAR_LIMITS.widest)}.`, 'No bar of the standard is this wide.', 'iso-4210')
  if (plan?.stoppedBy && asked) {
    const { key, source: from } = plan.stoppedBy
    add(
      'floor',
      'both',
      'note',
      msg`Cuts end at ${mm(plan.width)}: ${floorWords[key].label}.`,
      msg`For ${mm(asked.target.aim)} it takes another bar.`,
      from,
    )
  }
  for (const { key, width, source: from } of floors) {
    if (width <= now.value + now.plusMinus) continue
    const { label, below } = floorWords[key]
    add(`below-${key}`, 'both', 'act', `Bar narrower than ${label}.`, msg`${mm(now.value)} against ${mm(width)}. ${below}`, from)
  }
  return byWeight(found)
}

export function judgeWidth({ width, context }: { readonly width: WidthStanding; readonly context: VisitContext }): Partial<PageJudgement> {
  const { stands, findings } = width
  if (stands === null) return { findings }
  return { findings, proposals: proposalsOf(width, context.setup), working: runsOf(width, context) }
}

/**
 * What answers a width, for the page and the causes alike: the first cut of a flat bar, else another bar in
 * a size that is sold. A cut cannot be taken back, another bar costs money: neither is asked for on a
 * difference that no tape can tell.
 */
export function widthRequest({ stands, plan, otherBar }: Pick<WidthStanding, 'stands' | 'plan' | 'otherBar'>, setup: Setup): Requested[] {
  if (stands === null || !verdictOf(stands).isClear) return []
  const [first] = plan?.cuts ?? []
  if (first) return [{ setting: 'barWidth', side: 'both', by: -2 * first.perSide }]
  if (otherBar === 0) return []
  return [otherSize(setup.now, 'bar', setup.rider.bar === 'drop' ? 'hoodWidth' : 'barWidth', otherBar)]
}

function proposalsOf(width: WidthStanding, setup: Setup): Proposal[] {
  const { plan, now, otherBar, spreadCost: cost, findings } = width
  const requested = widthRequest(width, setup)
  if (requested.length === 0 || now === null) return []
  const reason = reasonOf(findings, 'wide', 'narrow')
  const [first] = plan?.cuts ?? []
  if (first) return [{ key: 'cut', words: msg`First cut: ${mm(first.perSide, 3)} a side`, requested, reason }]
  const reach = cost === null ? 0 : cost.aim - cost.now
  const reaches = Math.abs(reach) < LEAST_REACH ? '' : msg`: reach ${mm(Math.abs(reach))} ${reach < 0 ? 'shorter' : 'longer'}`
  const words = msg`Another bar, ${mm(now.value + otherBar)}${reaches}`
  return [{ key: 'other-bar', words, requested, reason }]
}

function runsOf({ plan, school, cutSize, floors, now, asked }: WidthStanding, { setup, kind }: VisitContext): WorkingRun[] {
  const caps = capsOf(setup, kind).map(({ most, aim, key }) => ({ most, aim, words: widthCaps[key] }))
  const width = { bar: setup.rider.bar, school, ...widthInput(setup, kind), caps }
  const cuts = {
    from: now?.value,
    to: asked?.target.aim,
    perSide: cutSizes[cutSize].perSide,
    floors: floors.map(({ key, width: at }) => ({ width: at, words: floorWords[key].label })),
  }
  return [
    { heading: 'Width', calculation: anyCalculation(barWidthTargetsCalculation), input: width, plusMinus: {} },
    ...(plan && plan.cuts.length > 0
      ? [{ heading: 'Cuts', calculation: anyCalculation(cutPlanCalculation), input: cuts, plusMinus: { from: now?.plusMinus ?? 0 } }]
      : []),
  ]
}
