import type { RideSituation } from './regions.ts'
import { keysOf } from '../kernel/tables.ts'

/** Something that fails on the bike, or shows off it, and sits at no place of the body. */
export interface ControlSymptom {
  readonly label: string
  /** what the rider commonly says */
  readonly says: string
  readonly group: 'steering' | 'hands' | 'reach' | 'saddle' | 'feet' | 'off-bike'
  /** where on a ride it usually shows */
  readonly usual: RideSituation
}

export const controlGroups = {
  steering: 'Steering and grip',
  hands: 'Brakes and shifting',
  reach: 'Reach to the bar',
  saddle: 'On the saddle',
  feet: 'On the pedals',
  'off-bike': 'Off the bike',
} as const satisfies Readonly<Record<ControlSymptom['group'], string>>

/** Control symptoms, and those felt off the bike. @source common-practice */
export const controlSymptoms = {
  'nervous-steering': { label: 'Nervous steering', says: 'It twitches; I cannot ride a line.', group: 'steering', usual: 'anywhere' },
  'washes-out': { label: 'Front washes out', says: 'The front slides away in flat turns.', group: 'steering', usual: 'turns' },
  'front-heavy': { label: 'Cannot lift or push the front', says: 'I cannot get the front up or load it.', group: 'steering', usual: 'anywhere' },
  'pitched-forward': { label: 'Pitched forward on steep descents', says: 'I go over the bars on steep ground.', group: 'steering', usual: 'descending' },
  'missed-shift': { label: 'Missed shifts', says: 'My thumb or finger misses the shifter.', group: 'hands', usual: 'anywhere' },
  'weak-braking': { label: 'Weak or missed braking', says: 'I miss the lever, or cannot pull hard enough.', group: 'hands', usual: 'descending' },
  'bar-far': { label: 'Bar feels far away', says: 'I have to stretch for the bar.', group: 'reach', usual: 'anywhere' },
  'blocked-forward': { label: 'Blocked when reaching forward', says: 'Something stops me when I bend down to the bar.', group: 'reach', usual: 'low' },
  'slides-forward': { label: 'Slides forward', says: 'I end up on the nose.', group: 'saddle', usual: 'hard-effort' },
  'slides-back': { label: 'Keeps pushing back', says: 'I keep shuffling back, looking for the saddle.', group: 'saddle', usual: 'anywhere' },
  rocks: { label: 'Rocks on the saddle', says: 'My hips sway, or the thighs rub.', group: 'saddle', usual: 'hard-effort' },
  'unstable-standing': { label: 'Unstable when standing', says: 'I feel unsteady standing on rough ground.', group: 'feet', usual: 'standing' },
  clipping: { label: 'Hard to clip in or out', says: 'I cannot get in, or not out in time.', group: 'feet', usual: 'getting-in-out' },
  'leg-disconnected': { label: 'One leg feels disconnected', says: 'That leg does not push like the other.', group: 'feet', usual: 'hard-effort' },
  'cramp-after': { label: 'Stomach cramp after getting off', says: 'My stomach cramps when I get off.', group: 'off-bike', usual: 'after' },
  'running-after': { label: 'Cannot run after riding', says: 'My hips and legs are locked when I run.', group: 'off-bike', usual: 'after' },
} as const satisfies Readonly<Record<string, ControlSymptom>> // prettier-ignore

export type ControlSymptomKey = keyof typeof controlSymptoms
export const controlSymptomKeys = keysOf(controlSymptoms)
