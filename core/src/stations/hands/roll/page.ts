import type { VisitContext } from '../../../station/context.ts'
import { readFrom, readingAt } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { judgeRoll } from './judge.ts'
import type { RollStanding } from './judge.ts'
import { ROLL } from './readings.ts'

interface Parts {
  readonly roll: RollStanding
  readonly context: Pick<VisitContext, 'setup'>
}

const sweepReadings = readFrom('handSweep', 'handRise', 'barBacksweep', 'barUpsweep')

/** How the grips lie against the hands. */
export const rollNumbers = {
  barRoll: {
    label: 'Bar rolled forward',
    unit: 'deg',
    sided: false,
    readings: readFrom('barRoll'),
    at: ({ context }) => readingAt(context.setup, 'barRoll', 'left', ROLL),
  },
  backsweep: {
    label: 'Backsweep against the hand’s own',
    term: 'backsweep',
    unit: 'deg',
    sided: true,
    readings: sweepReadings,
    at: ({ roll }, side) => roll.stands[side]?.back ?? null,
    vial: ({ roll }, side) => ({ label: `Backsweep, ${side}`, remark: `hand ${trimmed(roll.hands[side]?.back ?? 0, 1)}°` }),
  },
  upsweep: {
    label: 'Upsweep against the hand’s own',
    term: 'upsweep',
    unit: 'deg',
    sided: true,
    readings: sweepReadings,
    at: ({ roll }, side) => roll.stands[side]?.up ?? null,
    vial: ({ roll }, side) => ({ label: `Upsweep, ${side}`, remark: `hand ${trimmed(roll.hands[side]?.up ?? 0, 1)}°` }),
  },
} as const satisfies NumberRows<Parts>

export const rollPage = {
  label: 'Sweep, roll',
  tells: 'How the bar’s sweeps meet the hands, and at what roll they meet best.',
  picture: 'halves',
  readings: ['barBacksweep', 'barUpsweep', 'barRoll', 'handSweep', 'handRise', 'wristAngle'],
  fields: singlePlace('barRoll'),
  bar: 'flat',
  numbers: rollNumbers,
  judge: judgeRoll,
} as const satisfies StationPage<Parts, string>
