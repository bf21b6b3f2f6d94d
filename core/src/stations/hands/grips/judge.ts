import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import type { RequestedMove } from '../../../ledger/moves.ts'
import { measured } from '../../../readings/resolve.ts'
import { mm, msg, range } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import type { PageJudgement, Proposal, WorkingRun } from '../../../station/station.ts'
import type { VisitContext } from '../../../station/context.ts'
import { defaultGripSchool, GRIP_FITS, gripSchools } from './rules.ts'
import type { GripSchoolKey } from './rules.ts'
import { gripDiameterCalculation } from './calculations.ts'
import { gripOver } from './readings.ts'
import { into, isActed, reasonOf } from '../../../station/say.ts'
import type { Add } from '../../../station/say.ts'

/** What the fitter may choose here. */
export interface GripChoices {
  readonly gripSchool?: GripSchoolKey | undefined
}

export interface GripStanding {
  readonly school: GripSchoolKey
  /** thicker than asked, mm, with ± */
  readonly over: Sided<ReturnType<typeof gripOver>>
  readonly stands: Sided<Judged | null>
  readonly findings: readonly Finding[]
}

export function gripStanding({ setup, choices }: Pick<VisitContext, 'setup'> & { readonly choices: GripChoices }): GripStanding {
  const school = choices.gripSchool ?? defaultGripSchool
  const over = bySide((side) => gripOver(setup, side, school))
  const stands = bySide((side) => {
    const grip = over[side]
    return (
      grip &&
      judged(
        grip.aim + grip.value,
        grip.plusMinus,
        { low: grip.aim - GRIP_FITS.thinner, high: grip.aim + GRIP_FITS.thicker },
        { aim: grip.aim },
      )
    )
  })
  const findings: Finding[] = []
  for (const side of sides) gripFindings(side, over[side], stands[side], school, into(findings, 'gripDiameter'))
  return { school, over, stands, findings: byWeight(findings) }
}

function gripFindings(side: Side, grip: ReturnType<typeof gripOver>, stands: Judged | null, school: GripSchoolKey, add: Add): void {
  if (grip === null || stands === null) return
  const { end, weight } = verdictOf(stands)
  const { source } = gripSchools[school]
  const held = Math.abs(grip.own - grip.aim) < 0.05 ? '' : msg` The hand alone asks ${mm(grip.own, 1)}, held to what is made.`
  const { low, high } = stands.band ?? { low: grip.aim, high: grip.aim }
  const asked = msg`${range(low, high)} suits, ±${mm(grip.plusMinus, 1)}.${held}`
  const name = `${sideName(side)} grip`
  const off = Math.abs(grip.value)
  if (end === null) add('grip-fits', side, weight, `${name} suits the hand.`, asked, source)
  else if (end === 'high') {
    const squeezed = 'A thick grip is squeezed to be held: pump.'
    add('grip-thick', side, weight, msg`${name} too thick for this hand, ${mm(off, 1)} over its aim.`, msg`${asked} ${squeezed}`, source)
  } else {
    const curled = 'Fingers that curl onto the palm hold harder than they need: pump.'
    add('grip-thin', side, weight, msg`${name} too thin for this hand, ${mm(off, 1)} under its aim.`, msg`${asked} ${curled}`, source)
  }
}

export function judgeGrips({ grips, context }: { readonly grips: GripStanding; readonly context: VisitContext }): Partial<PageJudgement> {
  const { findings, school } = grips
  const { now } = context.setup
  const working = sides.flatMap((side): WorkingRun[] => {
    const hand = measured(now, 'handLength', side)
    if (hand === null) return []
    const input = { handLength: hand.value, school }
    const plusMinus = { handLength: hand.plusMinus }
    return [{ heading: `Grip, ${side}`, calculation: anyCalculation(gripDiameterCalculation), input, plusMinus }]
  })
  return { findings, working, proposals: proposalsOf(grips) }
}

function proposalsOf({ over, findings }: GripStanding): Proposal[] {
  // Grips come in pairs: where one is wrong, both are exchanged.
  const isOff = sides.some((side) => isActed(findings, side, 'grip-thick', 'grip-thin'))
  const requested = sides.flatMap((side): RequestedMove[] => {
    const by = isOff ? -Math.round(over[side]?.value ?? 0) : 0
    return by === 0 ? [] : [{ setting: 'gripDiameter', side, by }]
  })
  const [one] = requested
  if (one === undefined) return []
  const words = msg`Grips ${mm(Math.abs(one.by))} ${one.by > 0 ? 'thicker' : 'thinner'}`
  return [{ key: 'grips', words, requested, reason: reasonOf(findings, 'grip-thick', 'grip-thin') }]
}
