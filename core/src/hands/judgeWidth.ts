import { armChord } from '../body/upperBody.ts'
import { anyCalculation } from '../calculation.ts'
import { measured, standsAt } from '../measure/resolve.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Finding } from '../quantity/finding.ts'
import { combined } from '../quantity/quantity.ts'
import { sides } from '../quantity/sided.ts'
import type { PageJudgement, Proposal, Target } from '../station.ts'
import { barPieces, halfBar, spacingNow, spreadCostAt, widthAsked, widthNow } from './inputs.ts'
import { narrowestFor } from './barRoom.ts'
import type { HandsContext } from './context.ts'
import { BAR_LIMITS, cutPlan, cutSizes } from './cutPlan.ts'
import type { CutPlan, CutSizeKey, WidthFloor } from './cutPlan.ts'
import { barWidthTargetsCalculation, cutPlanCalculation } from './hands.calculations.ts'
import { defaultWidthSchool, widthSchoolOf, widthSchools, widthSchoolsFor } from './width.ts'
import type { WidthSchoolKey } from './width.ts'

/** Width of the bar, what is asked of it, and how it gets there. */
export interface WidthStanding {
  readonly school: WidthSchoolKey
  readonly asked: ReturnType<typeof widthAsked>
  readonly now: ReturnType<typeof widthNow>
  /** mm to the aim; 0 inside the band, or while it is not known */
  readonly by: number
  /** whether it lies outside by more than the ± */
  readonly exceeds: boolean
  readonly spacing: number | null
  /** reach that the spread costs now, and at the aim, mm */
  readonly spreadCost: { readonly now: number; readonly aim: number } | null
  readonly floors: readonly WidthFloor[]
  readonly cutSize: CutSizeKey
  /** null where nothing is to be cut */
  readonly plan: CutPlan | null
  readonly findings: readonly Finding[]
}

const defaultCut: CutSizeKey = '5'

export function widthStanding({ setup, choices, kind }: HandsContext): WidthStanding {
  const { bar } = setup.rider
  const school = choices.widthSchool && widthSchools[choices.widthSchool].bar === bar ? choices.widthSchool : defaultWidthSchool[bar]
  const asked = widthAsked(setup, school, kind)
  const now = widthNow(setup)
  const spacing = spacingNow(setup)?.value ?? null
  const outside = now && asked ? Math.max(asked.target.low - now.value, now.value - asked.target.high, 0) : 0
  const by = now && asked && outside > 0 ? asked.target.aim - now.value : 0
  const doubt = now && asked ? combined(now.plusMinus, asked.plusMinus) : 0
  const cutSize = choices.cutSize ?? defaultCut
  const floors = bar === 'flat' ? floorsOf(setup) : []
  const standing = {
    school,
    asked,
    now,
    by,
    exceeds: outside > doubt,
    spacing,
    spreadCost: spreadCosts(setup, spacing, by),
    floors,
    cutSize,
    plan: bar === 'flat' && now && asked && by < 0 ? cutPlan(now.value, asked.target.aim, cutSizes[cutSize].perSide, floors) : null,
  }
  return { ...standing, findings: findingsOf(standing, setup) }
}

function spreadCosts(setup: HandsContext['setup'], spacing: number | null, by: number): WidthStanding['spreadCost'] {
  const { model } = setup
  if (model === null || spacing === null) return null
  const { arms, elbowFlexion } = model.upper
  const chord = (armChord(arms.left.upperArm, arms.left.forearm, elbowFlexion) + armChord(arms.right.upperArm, arms.right.forearm, elbowFlexion)) / 2
  const [now, aim] = [spreadCostAt(setup, chord, spacing), spreadCostAt(setup, chord, spacing + by)]
  return now === null || aim === null ? null : { now, aim }
} // prettier-ignore

/** What a flat bar must not be cut below: its pieces, its maker's mark, the standard. */
export function floorsOf(setup: HandsContext['setup']): WidthFloor[] {
  const floors: WidthFloor[] = [{ width: BAR_LIMITS.narrowest, words: 'the standard’s narrowest', source: 'iso-4210' }]
  const mark = measured(setup.now, 'barShortest')
  if (mark) floors.push({ width: mark.value, words: 'its maker’s cut mark', source: 'common-practice' })
  const bar = halfBar(setup).found
  if (bar) {
    const needed = sides.map((side) => barPieces(setup, side).found?.reduce((sum, { width }) => sum + width, 0) ?? 0)
    const most = Math.max(...needed)
    if (most > 0) floors.push({ width: narrowestFor(bar, most), words: 'room for grip and controls', source: 'geometry' })
  }
  return floors.sort((a, b) => b.width - a.width)
}

function findingsOf({ school, asked, now, by, exceeds, spreadCost, plan, floors }: Omit<WidthStanding, 'findings'>, setup: HandsContext['setup']): Finding[] {
  const found: Finding[] = []
  const { source } = widthSchoolOf(school)
  const add = (key: string, weight: Finding['weight'], headline: string, sentence: string, from: Finding['source'] = source) =>
    found.push({ key, side: 'both', weight, headline, sentence, source: from })
  const flat = setup.rider.bar === 'flat'
  if (now && asked) {
    const { low, high } = asked.target
    const range = `${trimmed(low, 0)} to ${trimmed(high, 0)} mm asked`
    const saved = spreadCost ? ` Reach saved: ${trimmed(spreadCost.now - spreadCost.aim, 1)} mm.` : ''
    if (by < 0) add('wide', exceeds ? 'act' : 'note', `Bar ${trimmed(-by, 0)} mm wider than the aim.`, `${trimmed(now.value, 0)} mm against ${range}. A wide bar adds to the reach, locks elbows, and is harder to push and pull.${saved}`)
    else if (by > 0) add('narrow', exceeds ? 'act' : 'note', `Bar ${trimmed(by, 0)} mm narrower than the aim.`, `${trimmed(now.value, 0)} mm against ${range}. A narrow bar closes the chest and steers quickly.`)
    else add('width-fits', 'fine', 'Bar width fits.', `${trimmed(now.value, 0)} mm, ${range}.`)
  }
  const gap = measured(setup.now, 'narrowestGap')
  if (flat && gap && now && gap.value - now.value < GAP_CLEAR + gap.plusMinus) {
    add('gap', now.value > gap.value ? 'act' : 'note', `Narrowest gap ${trimmed(gap.value, 0)} mm.`, `The bar leaves ${trimmed((gap.value - now.value) / 2, 0)} mm a side; hands outside the grips touch first.`, 'common-practice')
  }
  const event = measured(setup.now, 'eventBarWidest')
  if (flat && event && now && now.value - now.plusMinus > event.value) add('event', 'act', `Wider than the event allows: ${trimmed(event.value, 0)} mm.`, 'The event’s own rules have the last word.', 'common-practice')
  if (now && flat && now.value - now.plusMinus > BAR_LIMITS.widest) add('limit', 'act', 'Wider than 1000 mm.', 'No bar of the standard is this wide.', 'iso-4210')
  if (plan?.stoppedBy) add('floor', 'note', `Cuts end at ${trimmed(plan.width, 0)} mm: ${plan.stoppedBy.words}.`, `The aim of ${trimmed(asked?.target.aim ?? 0, 0)} mm needs another bar.`, plan.stoppedBy.source)
  const [top] = floors
  if (flat && now && top && top.width > now.value + now.plusMinus) add('no-room', 'act', 'The bar is narrower than its parts need.', `${trimmed(now.value, 0)} mm against ${trimmed(top.width, 0)} mm for ${top.words}: a part stands on the bend.`, top.source)
  return found
} // prettier-ignore

/** Room wanted beside the hands in the narrowest gap, mm in all. @source prior */
const GAP_CLEAR = 60

export function judgeWidth({ width, context }: { readonly width: WidthStanding; readonly context: HandsContext }): Partial<PageJudgement> {
  const { asked, now, by, plan, school, findings } = width
  if (now === null || asked === null) return { findings }
  const flat = context.setup.rider.bar === 'flat'
  const setting = flat ? 'barWidth' : 'gripSpacing'
  const ticks = widthSchoolsFor(context.setup.rider.bar).flatMap((key) => {
    const other = widthAsked(context.setup, key, context.kind)
    return other ? [{ at: other.target.aim, label: widthSchools[key].label }] : []
  })
  const before = widthNow(context.start)?.value ?? null
  const target: Target = {
    key: 'width',
    label: flat ? 'Bar, end to end' : 'Hoods, centre to centre',
    now,
    band: asked.target,
    aim: by === 0 ? null : asked.target.aim,
    remark: `asked ${trimmed(asked.target.low, 0)} to ${trimmed(asked.target.high, 0)}`,
    ticks,
    start: before === now.value ? null : before,
    ...(flat ? { moves: { setting, side: 'both' } } : {}),
  }
  const reason = findings[0]?.headline ?? ''
  const [first] = plan?.cuts ?? []
  const proposals: Proposal[] = []
  if (first)
    proposals.push({
      key: 'cut',
      words: `First cut: ${trimmed(first.perSide, 1)} mm a side`,
      requested: [{ setting: 'barWidth', side: 'both', by: -2 * first.perSide }],
      reason,
    })
  if (by !== 0 && !flat)
    proposals.push({ key: 'hands', words: `Hands ${trimmed(Math.abs(by), 0)} mm ${by < 0 ? 'closer' : 'apart'}: another bar`, requested: [{ setting: 'gripSpacing', side: 'both', by }], reason }) // prettier-ignore
  return {
    findings,
    targets: [target],
    proposals,
    working: [
      {
        heading: 'Width',
        calculation: anyCalculation(barWidthTargetsCalculation),
        input: {
          bar: context.setup.rider.bar,
          kind: context.kind,
          acromionWidth: measured(context.setup.now, 'acromionWidth')?.value ?? null,
          stature: measured(context.setup.now, 'stature')?.value ?? null,
          upperArms: [context.setup.now.upperArm.left?.value ?? 320, context.setup.now.upperArm.right?.value ?? 320],
          handsFromEnd: [standsAt(context.setup.now, 'handFromEnd', 'left')?.value ?? 0, standsAt(context.setup.now, 'handFromEnd', 'right')?.value ?? 0],
          school,
        },
        plusMinus: {},
      },
      ...(plan && plan.cuts.length > 0
        ? [
            {
              heading: 'Cuts',
              calculation: anyCalculation(cutPlanCalculation),
              input: { from: now.value, to: asked.target.aim, perSide: cutSizes[width.cutSize].perSide, floors: width.floors.map(({ width: at, words }) => ({ width: at, words })) },
              plusMinus: { from: now.plusMinus },
            },
          ]
        : []),
    ],
  } // prettier-ignore
}
