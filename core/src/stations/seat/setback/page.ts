import { mm, msg } from '../../../kernel/message.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import { setbackCurveCalculation } from '../../../knockOn/calculations.ts'
import type { LedgerEntry } from '../../../ledger/ledger.ts'
import type { Reading } from '../../../readings/reading.ts'
import type { VisitContext } from '../../../station/context.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { PageJudgement, StationPage } from '../../../station/station.ts'
import type { SetbackJudgement } from './judge.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup'> & { readonly readings: readonly Reading[]; readonly ledger: readonly LedgerEntry[] }
  readonly setback: SetbackJudgement
}

/** The curve's reach and step, as the picture under the board draws it, mm. */
export const CURVE = { reach: 40, step: 2 } as const

function judge({ setback, context }: Parts): Partial<PageJudgement> {
  const { by, findings } = setback
  const { readings, ledger, setup } = context
  return {
    findings,
    proposals:
      by === 0
        ? []
        : [
            {
              key: 'setback',
              words: msg`Aim ${mm(Math.abs(by), 1)} ${by > 0 ? 'back' : 'forward'}`,
              requested: [{ setting: 'saddleSetback', side: 'both', by }],
              reason: findings[0]?.headline ?? '',
            },
          ],
    working: [
      {
        heading: 'Height for every setback',
        calculation: anyCalculation(setbackCurveCalculation),
        input: { readings, ledger, place: setup.place, bar: setup.rider.bar, ...CURVE },
        plusMinus: {},
      },
    ],
  }
}

export const setbackPage = {
  label: 'Setback',
  tells: 'Whether the saddle should go forward or back, and what the post must do so that the knees stay.',
  picture: 'side',
  readings: [
    'saddleSetback',
    'sitFromNose',
    'sitsWhere',
    'creepForward',
    'railRoomForward',
    'railRoomBack',
    'torsoAngle',
    'elbowFlexion',
    'hipAngle',
    'postRoomUp',
    'postRoomDown',
  ],
  readHard: ['sitsWhere'],
  fields: [...singlePlace('saddleSetback'), ...singlePlace('saddleHeight')],
  choosesHold: true,
  judge,
} as const satisfies StationPage<Parts, string>
