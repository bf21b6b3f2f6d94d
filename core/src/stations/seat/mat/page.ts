import type { Finding } from '../../../kernel/finding.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import type { StationPage } from '../../../station/station.ts'
import type { MatResult } from './analysis.ts'
import { middleStands, turnStands } from './judge.ts'

interface Parts {
  readonly context: { readonly mat: MatResult | null }
  readonly mat: readonly Finding[]
}

/** What a pressure recording says of the pelvis. */
export const matNumbers = {
  matTurn: {
    label: 'Sit bones turned on the mat',
    unit: 'deg',
    sided: false,
    readings: readFrom('pelvisLevel'),
    at: ({ context: { mat } }) => mat && turnStands(mat),
  },
  matMiddle: {
    label: 'Pressure in the middle against the bones’',
    unit: '%',
    sided: false,
    readings: readFrom('saddleRelief'),
    at: ({ context: { mat } }) => mat && middleStands(mat),
  },
} as const satisfies NumberRows<Parts>

export const matPage = {
  label: 'Pressure',
  tells: 'What carries the weight, bones or middle, left or right, before and after a change.',
  picture: 'above',
  readings: ['sitBoneSpacing', 'saddleWidth', 'saddleZoneWidth', 'saddleRelief', 'saddleTilt', 'pelvisLevel', 'pelvisRock'],
  fields: [],
  numbers: matNumbers,
  judge: ({ mat }) => ({ findings: mat }),
} as const satisfies StationPage<Parts, string>
