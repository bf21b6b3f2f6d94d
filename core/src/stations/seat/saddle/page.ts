import { anyCalculation } from '../../../kernel/calculation.ts'
import { byWeight } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import { measured } from '../../../readings/resolve.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import type { PageJudgement, StationPage } from '../../../station/station.ts'
import { saddleWidthCalculation } from './calculations.ts'
import { noseFindings, noseProposals, noseStands, widthStands } from './judge.ts'
import type { SitPosture, WidthRange, SaddleWidthSchoolKey } from './width.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup'>
  readonly spacing: Quantity | null
  readonly postures: readonly SitPosture[]
  readonly widthSchool: SaddleWidthSchoolKey
  readonly width: WidthRange | null
  readonly widthFindings: readonly Finding[]
}

/** The saddle under these bones. */
export const saddleNumbers = {
  saddleWidth: {
    label: 'Saddle’s width',
    unit: 'mm',
    sided: false,
    readings: readFrom('sitBoneSpacing', 'saddleWidth', 'torsoAngle'),
    at: ({ width, context }) => widthStands(width, measured(context.setup.now, 'saddleWidth')),
  },
  noseWidth: {
    label: 'Saddle’s nose, width',
    unit: 'mm',
    sided: false,
    readings: readFrom('saddleNoseWidth'),
    at: ({ context }) => noseStands(context.setup),
  },
} as const satisfies NumberRows<Parts>

function judge(parts: Parts): Partial<PageJudgement> {
  const { width, widthFindings: ofWidth, spacing, postures, widthSchool } = parts
  const findings = byWeight([...ofWidth, ...noseFindings(saddleNumbers.noseWidth.at(parts))])
  const proposals = noseProposals(parts.context.setup, findings)
  if (spacing === null || width === null || postures.length === 0) return { findings, proposals }
  const input = {
    spacing: spacing.value,
    spacingPlusMinus: spacing.plusMinus,
    postures: postures.map(({ hands: at, usual, torso, plusMinus }) => ({ hands: at, usual, torso, plusMinus })),
    school: widthSchool,
  }
  const calculation = anyCalculation(saddleWidthCalculation)
  return { findings, proposals, working: [{ heading: 'Saddle width', calculation, input, plusMinus: { spacing: spacing.plusMinus } }] }
}

export const saddlePage = {
  label: 'Saddle',
  tells: 'How wide the saddle should be for these bones at this lean, and which saddles suit, best first.',
  picture: 'above',
  readings: [
    'sitBoneSpacing',
    'saddleKind',
    'saddleWidth',
    'saddleZoneWidth',
    'saddleNoseWidth',
    'saddleNoseLeast',
    'saddleLength',
    'sitFromNose',
    'saddleRelief',
    'saddleRailHeight',
    'saddleSound',
    'torsoAngle',
    'pelvisRock',
    'rideHours',
    'mass',
    'postRoomDown',
  ],
  fields: [],
  numbers: saddleNumbers,
  judge,
} as const satisfies StationPage<Parts, string>
