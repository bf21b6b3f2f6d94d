import type { VisitContext } from '../../../station/context.ts'
import type { NumberRows } from '../../../station/number.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { msg, range } from '../../../kernel/message.ts'
import { judgeWidth } from './judge.ts'
import type { WidthStanding } from './judge.ts'
import { widthAsked, widthNow } from './readings.ts'
import { barWidthSchools, widthSchoolsFor } from './rules.ts'

interface Parts {
  readonly width: WidthStanding
  readonly context: VisitContext
}

/** The bar against what the fitter's school asks. */
export const widthNumbers = {
  barWidth: {
    label: 'Bar’s width',
    unit: 'mm',
    sided: false,
    readings: ({ context }) => (context.setup.rider.bar === 'drop' ? ['acromionWidth', 'hoodWidth'] : ['acromionWidth', 'barWidth']),
    at: ({ width }) => width.stands,
    vial: ({ width, context }) => {
      const { setup, start, kind } = context
      const flat = setup.rider.bar === 'flat'
      const { low = 0, high = 0 } = width.asked?.target ?? {}
      return {
        label: flat ? 'Bar, end to end' : 'Hoods, centre to centre',
        remark: msg`asked ${range(low, high)}`,
        ticks: widthSchoolsFor(setup.rider.bar).flatMap((key) => {
          const other = widthAsked(setup, key, kind)
          return other ? [{ at: other.target.aim, label: barWidthSchools[key].label }] : []
        }),
        start: widthNow(start)?.value ?? null,
        ...(flat ? { moves: { setting: 'barWidth', side: 'both' } as const } : {}),
      }
    },
  },
} as const satisfies NumberRows<Parts>

export const widthPage = {
  label: 'Width',
  tells: 'How wide the bar should be, what to cut, and what stands in the way of cutting.',
  picture: 'front',
  readings: [
    'acromionWidth',
    'stature',
    'upperArm',
    'barWidth',
    'hoodWidth',
    'handFromEnd',
    'gripSpacing',
    'barBend',
    'barShortest',
    'eventBarWidest',
    'narrowestGap',
    'gripLength',
    'brakeClampWidth',
    'shifterClampWidth',
    'remoteClampWidth',
  ],
  fields: [...singlePlace('barWidth'), ...singlePlace('hoodWidth'), ...singlePlace('gripSpacing')],
  numbers: widthNumbers,
  judge: judgeWidth,
} as const satisfies StationPage<Parts, string>
