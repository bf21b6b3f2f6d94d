import { msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom, readingAt, settingAt } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides, singlePlace } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { judged } from '../../../kernel/judged.ts'
import { judgeHoods } from './judge.ts'
import type { HoodStanding } from './judge.ts'
import { HOOD_IN } from './rules.ts'

interface Parts {
  readonly hoods: HoodStanding
  readonly context: VisitContext
}

/** A lever on the bend, from its top with the bar's roll: up or down from there it stands high or low, degrees. @source prior */
const ON_THE_BEND = { low: 25, high: 58 } as const

/** How hoods and levers stand on the bend. */
export const hoodNumbers = {
  hoodIn: {
    label: 'Hoods turned in',
    term: 'hoods',
    unit: 'deg',
    sided: true,
    readings: readFrom('hoodAngle'),
    at: ({ hoods }, side) => hoods.inward[side],
    vial: (_parts, side) => ({
      label: `Hood in, ${side}`,
      remark: `up to ${HOOD_IN.usual}°`,
      moves: { setting: 'hoodAngle', side },
    }),
  },
  hoodPlace: {
    label: 'Lever on the bend, roll included',
    unit: 'deg',
    sided: true,
    readings: readFrom('hoodPosition'),
    at: ({ context: { setup } }, side) => {
      const place = readingAt(setup, 'hoodPosition', side)
      return place && judged(place.value + (settingAt(setup, 'barRoll')?.value ?? 0), place.plusMinus, ON_THE_BEND)
    },
  },
} as const satisfies NumberRows<Parts>

export const hoodsPage = {
  label: 'Hoods',
  tells: msg`Whether ${term('hoods', 'hoods')} and levers stand so that wrist and finger stay straight.`,
  picture: 'side',
  readings: ['hoodPosition', 'hoodAngle', 'barRoll', 'wristAngle', 'leverReach', 'indexFinger'],
  fields: [...bothSides('hoodPosition'), ...bothSides('hoodAngle'), ...singlePlace('barRoll')],
  bar: 'drop',
  numbers: hoodNumbers,
  judge: judgeHoods,
} as const satisfies StationPage<Parts, string>
