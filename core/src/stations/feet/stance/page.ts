import { mm, msg } from '../../../kernel/message.ts'
import { toAim, verdictOf } from '../../../kernel/judged.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import type { StanceStanding } from './judge.ts'

interface Parts {
  readonly stance: StanceStanding | null
}

/** Each foot from the middle of the bike. */
export const stanceNumbers = {
  stance: {
    label: 'Foot from the middle',
    unit: 'mm',
    sided: true,
    readings: readFrom('kneeOutside'),
    at: ({ stance }, side) => stance?.stands[side] ?? null,
    vial: ({ stance }, side, number) => {
      const { end, isClear, beyond } = verdictOf(number)
      const by = toAim(number)
      const usual = number.band === null ? (stance?.target.half?.[side] ?? null) : null
      const remark =
        number.band === null
          ? 'to compare with'
          : end === null
            ? 'inside the band'
            : isClear
              ? msg`should go ${mm(Math.abs(by), 1)} ${by > 0 ? 'outward' : 'inward'}`
              : msg`${mm(beyond, 1)} outside, within ±${mm(number.plusMinus)}`
      return {
        label: `Foot from the middle, ${side}`,
        remark,
        ticks: usual === null ? [] : [{ at: usual.target, label: 'usual' }],
      }
    },
  },
} as const satisfies NumberRows<Parts>

/** Stance: each foot from the middle against the chosen target. The ways to it need the parts at hand and are the page's own. */
export const stancePage = {
  label: 'Stance',
  tells: 'How wide the feet stand, how wide they should, and the cheapest parts that bring them there.',
  picture: 'stance',
  readings: [
    'tread',
    'axleLength',
    'washer',
    'adapter',
    'cleatInboard',
    'slotAcross',
    'axleThread',
    'kneeOutside',
    'hipBreadth',
    'kneeAlignment',
    'otherStance',
    'rideHours',
    'cadence',
  ],
  fields: [...bothSides('cleatInboard'), ...bothSides('washer')],
  numbers: stanceNumbers,
  judge: ({ stance }) => (stance === null ? {} : { findings: stance.faults }),
} as const satisfies StationPage<Parts, string>
