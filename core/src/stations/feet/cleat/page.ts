import { mm, msg } from '../../../kernel/message.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { sideName } from '../../../kernel/finding.ts'
import { judged } from '../../../kernel/judged.ts'
import { combined } from '../../../kernel/quantity.ts'
import { sides } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { stepPlanCalculation } from '../../../knockOn/calculations.ts'
import type { RequestedMove } from '../../../ledger/moves.ts'
import { capOf } from '../../../ledger/pace.ts'
import { settings } from '../../../ledger/settings.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { PageJudgement, StationPage, WorkingRun } from '../../../station/station.ts'
import { cleatTargetCalculation } from './calculations.ts'
import type { CleatJudgement } from './judge.ts'
import { toeInput } from './readings.ts'
import { cleatSchool } from './schools.ts'
import type { CleatSchoolKey } from './schools.ts'
import { toeFinding } from './toeClearance.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup' | 'start' | 'pace'>
  readonly school: CleatSchoolKey
  readonly cleat: Sided<CleatJudgement>
}
/** A slot that ends this much short is worth a word, mm. @source prior */
const SHORT_WORDS = 0.05
/** Left and right stand alike against their aims within this, mm. @source prior */
const CLEATS_APART = 3
const known = (judged: CleatJudgement) => (judged.state === 'missing' ? null : judged)

/** Where the axle lies under each foot. */
export const cleatNumbers = {
  cleatSetback: {
    label: 'Axle behind the ball',
    unit: 'mm',
    sided: true,
    readings: readFrom('cleatSetback', 'shoeSize'),
    at: ({ cleat }, side) => known(cleat[side])?.stands ?? null,
    vial: ({ cleat, context }, side) => {
      const found = known(cleat[side])
      const left = found?.result.left ?? 0
      return {
        label: `Behind ball, ${side}`,
        remark: Math.abs(left) > SHORT_WORDS ? msg`slot ends ${mm(Math.abs(left), 1)} short` : (found?.state ?? ''),
        ticks: (found?.schools ?? []).flatMap(({ school, target }) =>
          target === null ? [] : [{ at: target, label: cleatSchool(school).tick }],
        ),
        start: context.start.now.cleatSetback[side]?.value ?? null,
        moves: { setting: 'cleatSetback', side },
      }
    },
  },
  cleatsApart: {
    label: 'Cleats apart against their aims',
    unit: 'mm',
    sided: false,
    compares: true,
    readings: readFrom('cleatSetback', 'shoeSize'),
    at: ({ cleat }) => {
      const [left, right] = [known(cleat.left), known(cleat.right)]
      if (left === null || right === null) return null
      const apart = Math.abs(left.stands.value - left.result.target - (right.stands.value - right.result.target))
      return judged(apart, combined(left.now.plusMinus, right.now.plusMinus), { low: 0, high: CLEATS_APART })
    },
  },
} as const satisfies NumberRows<Parts>

/** Fore–aft: both cleats against the school, and the move to where the slot lets them go. */
function judge({ context, cleat, school: key }: Parts): Partial<PageJudgement> {
  const { setup, pace } = context
  const school = cleatSchool(key)
  const said = sides.flatMap((side) => {
    const found = known(cleat[side])
    return found === null ? [] : [{ side, found }]
  })
  const moves = said.flatMap(({ side, found }): RequestedMove[] =>
    found.isWorthMoving ? [{ setting: 'cleatSetback', side, by: found.result.difference }] : [],
  )
  const { resolution } = settings.cleatSetback
  const cap = capOf('cleatSetback', pace)
  return {
    findings: sides.flatMap((side) => {
      const goes = moves.some((move) => move.side === side) ? known(cleat[side])?.result.attainable : undefined
      const input = toeInput(setup.now, side, goes)
      const finding = input && toeFinding(side, input)
      return finding && finding.weight !== 'fine' ? [finding] : []
    }),
    proposals:
      moves.length === 0
        ? []
        : [{ key: 'as-judged', words: 'As judged', requested: moves, reason: msg`${school.label}: ${school.reason}`, standing: true }],
    working: said.flatMap(({ side, found }): WorkingRun[] => [
      {
        heading: `${sideName(side)} foot: target`,
        calculation: anyCalculation(cleatTargetCalculation),
        input: found.input,
        plusMinus: found.plusMinus,
      },
      {
        heading: `${sideName(side)} foot: steps`,
        calculation: anyCalculation(stepPlanCalculation),
        input: { move: found.result.difference, cap, resolution },
        plusMinus: {},
      },
    ]),
  }
}

export const cleatPage = {
  label: 'Fore–aft',
  tells: 'Where the axle lies under the foot, where your school wants it, and how far the slot lets it go.',
  picture: 'fore-aft',
  readings: ['footLength', 'shoeSize', 'heelToMtp1', 'heelToMtp5', 'cleatSetback', 'slotForward', 'slotBack'],
  fields: bothSides('cleatSetback'),
  numbers: cleatNumbers,
  judge,
} as const satisfies StationPage<Parts, string>
