import { anyCalculation } from '../../../kernel/calculation.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { PageJudgement, StationPage } from '../../../station/station.ts'
import { climbTiltCalculation } from './calculations.ts'
import type { TiltStanding } from './judge.ts'
import { climbInput } from './readings.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup' | 'start'>
  readonly tilt: TiltStanding
}
const degreesWords = (angle: number) => `${trimmed(Math.abs(angle), 1)}°${angle === 0 ? '' : angle > 0 ? ' up' : ' down'}`

/** The saddle's nose where the rider sits. */
export const tiltNumbers = {
  saddleTilt: {
    label: 'Saddle’s nose, + up',
    unit: 'deg',
    sided: false,
    readings: readFrom('saddleTilt'),
    at: ({ tilt }) => tilt.stands,
    vial: ({ context }, _side, { value }) => ({
      label: 'Saddle’s nose',
      remark: degreesWords(value),
      start: context.start.now.saddleTilt.left?.value ?? null,
      moves: { setting: 'saddleTilt', side: 'both' },
    }),
  },
} as const satisfies NumberRows<Parts>

function judge({ tilt, context }: Parts): Partial<PageJudgement> {
  const { target, by, use, findings } = tilt
  const climb = climbInput(context.setup)
  return {
    findings,
    proposals:
      by === 0
        ? []
        : [
            {
              key: 'tilt',
              words: `Aim at ${degreesWords(target.aim)}`,
              requested: [{ setting: 'saddleTilt', side: 'both', by }],
              reason: findings[0]?.headline ?? '',
            },
          ],
    working: climb
      ? [{ heading: 'On the climb', calculation: anyCalculation(climbTiltCalculation), input: { ...climb, use }, plusMinus: {} }]
      : [],
  }
}

export const tiltPage = {
  label: 'Tilt',
  tells: 'At what angle the part that is sat on should stand, and the turns at the bolts that bring it there.',
  picture: 'side',
  readings: [
    'saddleTilt',
    'tipToTail',
    'saddleNoseDrop',
    'saddleTailRise',
    'saddleLength',
    'postHead',
    'headThread',
    'headBoltSpacing',
    'headNotch',
    'clampFromNose',
    'saddleRailHeight',
    'rearSag',
    'forkSag',
    'climbGradient',
    'sitsWhere',
    'dropperTravel',
  ],
  fields: singlePlace('saddleTilt'),
  numbers: tiltNumbers,
  judge,
} as const satisfies StationPage<Parts, string>
