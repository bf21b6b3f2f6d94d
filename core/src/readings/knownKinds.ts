import type { KnownKind } from '../body/calibration.ts'
import type { ReadingKey } from './readingDefinitions.ts'

/** Angles measured on the bike that calibrate the body model, and what they are to it. */
export const knownKindOf: Readonly<Partial<Record<ReadingKey, KnownKind>>> = {
  kneeFlexion: 'kneeFlexion',
  footPitch: 'footPitch',
  torsoAngle: 'torsoAngle',
  elbowFlexion: 'elbowFlexion',
  shoulderAngle: 'shoulderAngle',
  hipAngle: 'hipAngle',
  wristAngle: 'wrist',
}
