import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows, NumberRow } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { msg, range } from '../../../kernel/message.ts'
import { capital } from '../../../kernel/words.ts'
import { thumbControls } from '../bar/pieces.ts'
import type { ThumbControl } from '../bar/pieces.ts'
import { judgeControls } from './judge.ts'
import type { ControlStanding } from './judge.ts'

interface Parts {
  readonly controls: ControlStanding
  readonly context: VisitContext
}

const row = (control: ThumbControl): NumberRow<Parts> => {
  const { label, clamp, paddle } = thumbControls[control]
  return {
    label: `Paddle of the ${label} from the bar’s end`,
    term: 'paddle',
    unit: 'mm',
    sided: true,
    readings: readFrom('handFromEnd', 'handBreadth', 'thumbLength', 'gripLength', clamp, paddle),
    at: ({ controls }, side) => controls.controls[control][side].stands,
    vial: (_parts, side, { band }) => ({
      label: `${capital(label)}, ${side}`,
      remark: msg`thumb ${range(band?.low ?? 0, band?.high ?? 0)}`,
    }),
  }
}
/** Paddles against where the thumbs work. */
export const controlNumbers = { shifter: row('shifter'), remote: row('remote') } as const satisfies NumberRows<Parts>

export const controlsPage = {
  label: 'Controls',
  tells: 'Whether the thumbs reach shifter and remote without letting go of the bar.',
  picture: 'halves',
  readings: [
    'shifterPlace',
    'shifterClamp',
    'shifterClampWidth',
    'shifterPaddle',
    'remoteClamp',
    'remoteClampWidth',
    'remotePaddle',
    'brakeClampWidth',
    'thumbLength',
    'thumbReach',
    'handFromEnd',
    'handBreadth',
    'gripLength',
    'leverClamp',
    'barWidth',
    'barBend',
  ],
  fields: [...bothSides('shifterClamp'), ...bothSides('remoteClamp')],
  bar: 'flat',
  numbers: controlNumbers,
  judge: judgeControls,
} as const satisfies StationPage<Parts, string>
