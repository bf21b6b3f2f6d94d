import type { SettingKey } from '@level-stance/core/change/settings'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import type { Side } from '@level-stance/core/quantity/sided'

export const seatPageKeys = ['why', 'saddle', 'mat', 'tilt', 'height', 'setback', 'legs'] as const
export type SeatPageKey = (typeof seatPageKeys)[number]

/** A page of the station: what is read there, what can be moved, and which picture opens. */
export interface SeatPage {
  readonly label: string
  readonly readings: readonly ReadingKey[]
  readonly fields: readonly { readonly setting: SettingKey; readonly side: Side | 'both' }[]
  readonly picture: 'side' | 'above'
}
const one = (setting: SettingKey) => ({ setting, side: 'both' as const })

/** Pages in the order of the work: the saddle before its tilt, tilt before height, height before setback. */
export const seatPages: Readonly<Record<SeatPageKey, SeatPage>> = {
  why: { label: 'Why', readings: [], fields: [], picture: 'side' },
  saddle: {
    label: 'Saddle',
    readings: ['sitBoneSpacing', 'saddleKind', 'saddleWidth', 'saddleZoneWidth', 'saddleNoseWidth', 'saddleLength', 'sitFromNose', 'saddleRelief', 'saddleRailHeight', 'saddleSound', 'torsoAngle', 'pelvisRock', 'rideHours', 'mass', 'postRoomDown'],
    fields: [],
    picture: 'above',
  },
  mat: { label: 'Pressure', readings: ['sitBoneSpacing', 'saddleWidth', 'saddleZoneWidth', 'saddleRelief', 'saddleTilt', 'pelvisLevel', 'pelvisRock'], fields: [], picture: 'above' },
  tilt: {
    label: 'Tilt',
    readings: ['saddleTilt', 'tipToTail', 'saddleNoseDrop', 'saddleTailRise', 'saddleLength', 'postHead', 'headThread', 'headBoltSpacing', 'headNotch', 'clampFromNose', 'saddleRailHeight', 'rearSag', 'forkSag', 'climbGradient', 'sitsWhere', 'dropperTravel'],
    fields: [one('saddleTilt')],
    picture: 'side',
  },
  height: {
    label: 'Height',
    readings: ['saddleHeight', 'inseam', 'kneeFlexion', 'footPitch', 'pelvisLevel', 'pelvisRock', 'dropperTravel', 'postRoomUp', 'postRoomDown', 'crank', 'seatAngle'],
    fields: [one('saddleHeight')],
    picture: 'side',
  },
  setback: {
    label: 'Setback',
    readings: ['saddleSetback', 'sitFromNose', 'sitsWhere', 'creepForward', 'railRoomForward', 'railRoomBack', 'torsoAngle', 'elbowFlexion', 'hipAngle', 'postRoomUp', 'postRoomDown'],
    fields: [one('saddleSetback'), one('saddleHeight')],
    picture: 'side',
  },
  legs: {
    label: 'Legs',
    readings: ['legLengthDifference', 'legDifferenceAt', 'pelvisLevel', 'kneeFlexion', 'thigh', 'shank', 'soleStack', 'cleatSetback', 'saddleSound'],
    fields: [{ setting: 'soleStack', side: 'left' }, { setting: 'soleStack', side: 'right' }],
    picture: 'side',
  },
} // prettier-ignore
