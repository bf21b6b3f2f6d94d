import type { VisitContext } from '../../../station/context.ts'
import { metricAt, readFrom, readingAt } from '../../../station/number.ts'
import { handsBelow } from '../../../station/riderNumbers.ts'
import { usualHands } from '../../../readings/conditions.ts'
import type { NumberRows } from '../../../station/number.ts'
import { singlePlace } from '../../../station/settingPlace.ts'
import type { StationPage } from '../../../station/station.ts'
import { judged } from '../../../kernel/judged.ts'
import { handsBand, torsoBand } from './front.ts'
import { stemLengthsOf } from './stems.ts'
import { judgePlace, steeringStanding } from './judge.ts'
import type { PlaceStanding } from './judge.ts'

interface Parts {
  readonly place: PlaceStanding
  readonly context: VisitContext
}

/** ± of a steering arm, mm; k = 2: tapes of the hands and of the frame. @source prior */
const STEERING_DOUBT = 8
/** A hand nearer the steering axis than this steers quickly, mm. @source prior */
const SHORT_ARM = 200

/** Torso and hands against what the kind of bike asks, stem and steering arm. */
export const placeNumbers = {
  frontTorso: {
    label: 'Torso from level, for the front',
    unit: 'deg',
    sided: false,
    readings: readFrom('torsoAngle'),
    at: ({ context }) => {
      const torso = metricAt(context, 'torso')
      return torso && { ...torso, band: torsoBand(context.kind, usualHands(context.setup.rider.bar)), aim: null }
    },
  },
  handsBelow: {
    label: 'Hands below the seat',
    unit: 'mm',
    sided: false,
    readings: readFrom('saddleHeight', 'handHeight'),
    at: ({ context }) => handsBelow(context, handsBand(context.kind)),
  },
  stem: {
    label: 'Stem',
    unit: 'mm',
    sided: false,
    readings: readFrom('stemLength'),
    at: ({ context }) => readingAt(context.setup, 'stemLength', 'left', stemLengthsOf(context.kind)),
  },
  steerArm: {
    label: 'Steering arm',
    unit: 'mm',
    sided: false,
    readings: readFrom('handReach', 'handHeight', 'frameReach', 'frameStack', 'headAngle'),
    at: ({ context }) => {
      const steering = steeringStanding(context)
      return steering && judged(steering.arm, STEERING_DOUBT, { low: SHORT_ARM, high: Infinity }, { isRead: false })
    },
  },
} as const satisfies NumberRows<Parts>

export const placePage = {
  label: 'Reach, height',
  tells: 'Where the hands should be, how neck, hip and arms change on the way there, and the middle of what works.',
  picture: 'side',
  readings: [
    'handReach',
    'handHeight',
    'torsoAngle',
    'elbowFlexion',
    'shoulderAngle',
    'hipAngle',
    'kneeElbowGap',
    'sitsWhere',
    'creepForward',
    'frontLowEdge',
    'frontHighEdge',
    'stemLength',
    'stemAngle',
    'spacers',
    'spacersAbove',
  ],
  fields: [...singlePlace('handReach'), ...singlePlace('handHeight')],
  numbers: placeNumbers,
  choosesHold: true,
  judge: judgePlace,
} as const satisfies StationPage<Parts, string>
