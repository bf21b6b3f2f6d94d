import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { verdictOf } from '../../../kernel/judged.ts'
import { judgeLevers } from './judge.ts'
import type { LeverStanding } from './judge.ts'

interface Parts {
  readonly levers: LeverStanding
  readonly context: VisitContext
}

/** Hook, reach and angle of each lever. */
export const leverNumbers = {
  hook: {
    label: 'Hook beside the finger',
    unit: 'mm',
    sided: true,
    readings: readFrom('handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'leverHook'),
    at: ({ levers }, side) => levers.sides[side].stands.hook,
    vial: (_parts, side, number) => {
      const { end } = verdictOf(number)
      return { label: `Hook, ${side}`, remark: end === null ? 'under the finger' : end === 'high' ? 'outside' : 'inside' }
    },
  },
  leverReach: {
    label: 'Lever’s reach',
    unit: 'mm',
    sided: true,
    readings: readFrom('leverReach', 'indexFinger'),
    at: ({ levers }, side) => levers.sides[side].stands.reach,
    vial: ({ levers }, side) => ({
      label: `Reach, ${side}`,
      remark: msg`hooks at ${mm(levers.sides[side].hooks?.value ?? 0)}`,
      moves: { setting: 'leverReach', side },
    }),
  },
  leverAngle: {
    label: 'Lever below level',
    unit: 'deg',
    sided: true,
    readings: readFrom('leverAngle', 'forearmReady'),
    at: ({ levers }, side) => levers.sides[side].stands.angle,
    vial: ({ levers }, side) => {
      const { low, high } = levers.sides[side].target
      return {
        label: `Angle, ${side}`,
        remark: `asked ${trimmed(low, 0)} to ${trimmed(high, 0)}°`,
        moves: { setting: 'leverAngle', side },
      }
    },
  },
} as const satisfies NumberRows<Parts>

export const leverPage = {
  label: 'Levers',
  tells: 'Where clamp, reach and angle of each lever suit this hand.',
  picture: 'halves',
  readings: [
    'handFromEnd',
    'gripLength',
    'leverClamp',
    'leverHook',
    'leverReach',
    'leverRoomIn',
    'leverBite',
    'fingerHooks',
    'leverAngle',
    'forearmReady',
    'indexFinger',
    'handBreadth',
    'handLength',
    'frontBrakeLever',
    'brakeFingers',
    'fingerOnLever',
  ],
  fields: [...bothSides('leverClamp'), ...bothSides('leverReach'), ...bothSides('leverAngle')],
  numbers: leverNumbers,
  judge: judgeLevers,
} as const satisfies StationPage<Parts, string>
