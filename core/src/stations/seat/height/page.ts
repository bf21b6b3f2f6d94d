import { mm, msg } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { PageJudgement, StationPage } from '../../../station/station.ts'
import { kneesApart, kneeStands } from './judge.ts'
import type { HeightJudgement, KneeStanding } from './judge.ts'

interface Parts {
  readonly knees: Sided<KneeStanding | null>
  readonly height: HeightJudgement | null
  readonly heightFindings: readonly Finding[]
}

/** The knees at the bottom. */
export const heightNumbers = {
  knee: {
    label: 'Knee at the bottom',
    unit: 'deg',
    sided: true,
    readings: readFrom('kneeFlexion'),
    at: ({ knees }, side) => kneeStands(knees[side]),
  },
  kneesApart: {
    label: 'Knees apart at the bottom',
    unit: 'deg',
    sided: false,
    compares: true,
    readings: readFrom('kneeFlexion'),
    at: ({ knees }) => kneesApart(knees),
  },
} as const satisfies NumberRows<Parts>

function judge({ height, heightFindings: findings }: Parts): Partial<PageJudgement> {
  if (height === null || height.by === 0) return { findings }
  return {
    findings,
    proposals: [
      {
        key: 'height',
        words: msg`Aim ${mm(Math.abs(height.by), 1)} ${height.by > 0 ? 'up' : 'down'}`,
        requested: [{ setting: 'saddleHeight', side: 'both', by: height.by }],
        reason: findings[0]?.headline ?? '',
      },
    ],
  }
}

export const heightPage = {
  label: 'Height',
  tells: 'Which heights suit both knees, and a plan of small steps to get there.',
  picture: 'side',
  readings: [
    'saddleHeight',
    'inseam',
    'kneeFlexion',
    'footPitch',
    'pelvisLevel',
    'pelvisRock',
    'dropperTravel',
    'postRoomUp',
    'postRoomDown',
    'crank',
    'seatAngle',
  ],
  fields: singlePlace('saddleHeight'),
  numbers: heightNumbers,
  choosesHold: true,
  judge,
} as const satisfies StationPage<Parts, string>
