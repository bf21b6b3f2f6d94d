import { mm, msg } from '../../../kernel/message.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { judged } from '../../../kernel/judged.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { PageJudgement, StationPage } from '../../../station/station.ts'
import { legLengthCalculation } from './calculations.ts'
import type { LegLengthJudgement } from './judge.ts'
import { legLengthReadings } from './readings.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup'>
  readonly legs: LegLengthJudgement
}

/** What of a difference of the legs nothing makes up for yet. */
export const legsNumbers = {
  legDifference: {
    label: 'Legs differ by, beyond what is made up for',
    unit: 'mm',
    sided: false,
    readings: readFrom('legLengthDifference'),
    at: ({ context, legs: { state, already } }) => {
      const { difference } = legLengthReadings(context.setup.now)
      // What is under the shorter leg already makes up for it; once its shim is in, nothing is asked any more.
      const rest = difference && (state === 'met' ? 0 : Math.max(0, Math.abs(difference.value) - already))
      return difference && judged(rest ?? 0, difference.plusMinus, null)
    },
  },
} as const satisfies NumberRows<Parts>

function judge({ legs, context }: Parts): Partial<PageJudgement> {
  const { difference, place, stack } = legLengthReadings(context.setup.now)
  const { shorter, now, findings } = legs
  return {
    findings,
    proposals:
      now > 0 && shorter !== null
        ? [
            {
              key: 'shim',
              words: msg`Put ${mm(now, 1)} under the ${shorter} foot`,
              requested: [{ setting: 'soleStack', side: shorter, by: now }],
              reason: findings[0]?.headline ?? '',
            },
          ]
        : [],
    working:
      difference === null
        ? []
        : [
            {
              heading: 'Leg length',
              calculation: anyCalculation(legLengthCalculation),
              input: {
                difference: difference.value,
                differencePlusMinus: difference.plusMinus,
                place,
                stackLeft: stack.left?.value ?? null,
                stackRight: stack.right?.value ?? null,
              },
              plusMinus: { difference: difference.plusMinus },
            },
          ],
  }
}

export const legsPage = {
  label: 'Legs',
  tells: 'Whether one leg is shorter, where, and how thick a shim to begin with.',
  picture: 'side',
  readings: [
    'legLengthDifference',
    'legDifferenceAt',
    'pelvisLevel',
    'kneeFlexion',
    'thigh',
    'shank',
    'soleStack',
    'cleatSetback',
    'saddleSound',
  ],
  fields: bothSides('soleStack'),
  numbers: legsNumbers,
  judge,
} as const satisfies StationPage<Parts, string>
