import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { judgeGrips } from './judge.ts'
import type { GripStanding } from './judge.ts'

interface Parts {
  readonly grips: GripStanding
  readonly context: VisitContext
}

/** Grips against the hands. */
export const gripNumbers = {
  gripDiameter: {
    label: 'Grip’s diameter',
    unit: 'mm',
    sided: true,
    readings: readFrom('gripDiameter', 'handLength'),
    at: ({ grips }, side) => grips.stands[side],
    vial: ({ grips }, side) => ({
      label: `Grip, ${side}`,
      remark: msg`aim ${mm(grips.over[side]?.aim ?? 0)}`,
      moves: { setting: 'gripDiameter', side },
    }),
  },
} as const satisfies NumberRows<Parts>

export const gripsPage = {
  label: 'Grips',
  tells: 'Which grip diameter these hands close on best.',
  picture: 'halves',
  readings: ['gripDiameter', 'gripLength', 'handLength', 'handBreadth'],
  fields: bothSides('gripDiameter'),
  numbers: gripNumbers,
  judge: judgeGrips,
} as const satisfies StationPage<Parts, string>
