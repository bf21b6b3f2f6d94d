import { msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { sideName } from '../../../kernel/finding.ts'
import { sides } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { PageJudgement, StationPage, WorkingRun } from '../../../station/station.ts'
import { cleatRotationCalculation, heelClearanceCalculation } from './calculations.ts'
import { rotationInput } from './judge.ts'
import type { RotationJudgement } from './judge.ts'
import { clearanceInput, rotationReadings } from './readings.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup'>
  readonly rotation: Sided<RotationJudgement>
  readonly clearance: readonly Finding[]
}
const floatRemarks = { level: 'float around it', near: 'near the end', outside: 'stopped' } as const
const known = (judged: RotationJudgement) => (judged.state === 'missing' ? null : judged)

/** Where the foot points, and what the float lets it do. */
export const rotationNumbers = {
  footTurn: {
    label: 'Where the foot points',
    unit: 'deg',
    sided: true,
    readings: readFrom('toeOutHanging', 'cleatTurn', 'cleatFloat'),
    at: ({ rotation }, side) => known(rotation[side])?.stands ?? null,
    vial: ({ rotation }, side) => {
      const { state } = rotation[side]
      return { label: `Foot points, ${side}`, remark: state === 'missing' ? '' : floatRemarks[state] }
    },
  },
  float: {
    label: 'Float',
    unit: 'deg',
    sided: true,
    readings: readFrom('heelIn', 'heelOut', 'cleatFloat'),
    at: ({ rotation }, side) => known(rotation[side])?.float ?? null,
  },
} as const satisfies NumberRows<Parts>

/** Rotation and float: the foot's own direction in the middle of the float, the heel past crank and stay. */
function judge({ context, rotation, clearance }: Parts): Partial<PageJudgement> {
  const { now } = context.setup
  const turns = sides.flatMap((side) => {
    const by = known(rotation[side])?.turn ?? 0
    return by === 0 ? [] : [{ side, by }]
  })
  const words = turns.map(({ side, by }) => `${side} ${trimmed(Math.abs(by), 1)}° ${by > 0 ? 'toe-out' : 'toe-in'}`).join(', ')
  return {
    findings: clearance,
    proposals:
      turns.length === 0
        ? []
        : [
            {
              key: 'turn',
              words: `Turn ${words}`,
              requested: turns.map(({ side, by }) => ({ setting: 'cleatTurn' as const, side, by })),
              reason: msg`The foot’s own direction in the middle of the ${term('float')}.`,
            },
          ],
    working: sides.flatMap((side): WorkingRun[] => {
      const read = rotationReadings(now, side)
      const input = rotationInput(read)
      const past = clearanceInput(now, side)
      const { toeOut, cleatTurn, float } = read
      return [
        ...(input && toeOut && cleatTurn && float
          ? [
              {
                heading: `${sideName(side)} foot: rotation`,
                calculation: anyCalculation(cleatRotationCalculation),
                input,
                plusMinus: { toeOut: toeOut.plusMinus, cleatTurn: cleatTurn.plusMinus, float: float.plusMinus },
              },
            ]
          : []),
        ...('missing' in past
          ? []
          : [
              {
                heading: `${sideName(side)} heel: clearance`,
                calculation: anyCalculation(heelClearanceCalculation),
                input: past,
                plusMinus: {},
              },
            ]),
      ]
    }),
  }
}

export const rotationPage = {
  label: 'Rotation',
  tells: 'Whether the heel may go where this leg wants it, and by how much to turn the cleat.',
  picture: 'rotation',
  readings: [
    'toeOutHanging',
    'toeOutStanding',
    'cleatTurn',
    'cleatTurnRoom',
    'cleatFloat',
    'heelIn',
    'heelOut',
    'shoeHeelOutside',
    'stayWidth',
    'pelvisLevel',
  ],
  fields: [...bothSides('cleatTurn'), ...bothSides('cleatFloat')],
  numbers: rotationNumbers,
  judge,
} as const satisfies StationPage<Parts, string>
