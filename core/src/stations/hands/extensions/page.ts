import { msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { judgeExtensions } from './judge.ts'
import type { ExtensionStanding } from './judge.ts'

interface Parts {
  readonly extensions: ExtensionStanding
}

/** Pads, knees and creep in this position. */
export const extensionNumbers = {
  padAhead: {
    label: 'Pad ahead of the elbow',
    unit: 'mm',
    sided: false,
    readings: readFrom('padForward', 'extensionLength'),
    at: ({ extensions }) => extensions.padAhead,
    vial: () => ({ label: 'Pad ahead of elbow', remark: 'minus: behind' }),
  },
  armGap: {
    label: 'Knee to forearm on the extensions',
    term: 'arm-gap',
    unit: 'mm',
    sided: false,
    readings: readFrom('kneeElbowGap'),
    at: ({ extensions }) => extensions.gap,
    vial: () => ({ label: 'Knee, arm', remark: 'least gap' }),
  },
  elbowOnExtensions: {
    label: 'Elbow bend on the extensions',
    unit: 'deg',
    sided: false,
    readings: readFrom('elbowFlexion'),
    at: ({ extensions }) => extensions.elbow,
    vial: () => ({ label: 'Elbow', remark: 'straighter side' }),
  },
  creepOnExtensions: {
    label: 'Comes forward on the extensions',
    unit: 'mm',
    sided: false,
    readings: readFrom('creepForward'),
    at: ({ extensions }) => extensions.creep,
  },
} as const satisfies NumberRows<Parts>

export const extensionPage = {
  label: 'Extensions',
  tells: msg`Where pads and ${term('extensions', 'extensions')} carry the arms, and what the position costs the neck.`,
  picture: 'side',
  readings: [
    'padForward',
    'padUp',
    'padSpacing',
    'extensionLength',
    'extensionAngle',
    'torsoAngle',
    'elbowFlexion',
    'hipAngle',
    'kneeElbowGap',
    'creepForward',
    'acromionWidth',
  ],
  fields: [
    ...singlePlace('padForward'),
    ...singlePlace('padUp'),
    ...singlePlace('padSpacing'),
    ...singlePlace('extensionLength'),
    ...singlePlace('extensionAngle'),
  ],
  bar: 'drop',
  hands: 'extension',
  numbers: extensionNumbers,
  judge: judgeExtensions,
} as const satisfies StationPage<Parts, string>
