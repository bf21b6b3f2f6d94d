import type { FootPage } from '@level-stance/core/reason/footCauses'
import type { SettingKey } from '@level-stance/core/change/settings'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import type { Side } from '@level-stance/core/quantity/sided'

export const feetPageKeys = ['why', 'shoe', 'pedal', 'cleat', 'rotation', 'stance', 'support', 'wear'] as const
export type FeetPageKey = (typeof feetPageKeys)[number]

/** A page of the station: what is read there, and what can be moved. */
export interface FeetPage {
  readonly label: string
  readonly readings: readonly ReadingKey[]
  readonly fields: readonly { readonly setting: SettingKey; readonly side: Side | 'both' }[]
}

const sided = (setting: SettingKey) => [{ setting, side: 'left' as const }, { setting, side: 'right' as const }] // prettier-ignore

/** Pages in the order of the work: the shoe before the pedal, the pedal before the cleat. */
export const feetPages: Readonly<Record<FeetPageKey, FeetPage>> = {
  why: { label: 'Why', readings: [], fields: [] },
  shoe: {
    label: 'Shoe',
    readings: ['footLength', 'shoeLength', 'footWidth', 'shoeBallWidth', 'heelWidth', 'shoeHeelWidth', 'soleStiffness', 'shoeUpper', 'shoeSize', 'boltPattern', 'recess', 'soleThickness', 'archDrop'],
    fields: [],
  },
  pedal: {
    label: 'Pedal',
    readings: ['pedalKind', 'mass', 'soleStiffness', 'rideHours', 'cadence', 'heelIn', 'heelOut', 'axleLength', 'soleStack', 'soleThickness', 'boltPattern', 'recess', 'kneeAlignment'],
    fields: [],
  },
  cleat: {
    label: 'Fore–aft',
    readings: ['footLength', 'shoeSize', 'heelToMtp1', 'heelToMtp5', 'cleatSetback', 'slotForward', 'slotBack'],
    fields: [],
  },
  rotation: {
    label: 'Rotation',
    readings: ['toeOutHanging', 'toeOutStanding', 'cleatTurn', 'cleatTurnRoom', 'cleatFloat', 'heelIn', 'heelOut', 'shoeHeelOutside', 'stayWidth', 'pelvisLevel'],
    fields: [...sided('cleatTurn'), ...sided('cleatFloat')],
  },
  stance: {
    label: 'Stance',
    readings: ['tread', 'axleLength', 'washer', 'adapter', 'cleatInboard', 'slotAcross', 'axleThread', 'kneeOutside', 'hipBreadth', 'kneeAlignment', 'otherStance', 'rideHours', 'cadence'],
    fields: [...sided('cleatInboard'), ...sided('washer')],
  },
  support: {
    label: 'Wedge, footbed',
    readings: ['forefootTilt', 'wedge', 'archDrop', 'archSupport', 'shoeUpper'],
    fields: [...sided('wedge'), ...sided('archSupport')],
  },
  wear: {
    label: 'Wear, bolts',
    readings: ['cleatDistance', 'cleatHours', 'cleatWalking', 'cleatWear', 'cleatPlay', 'releaseFeel', 'boltPattern', 'boltsFitted', 'boltLength', 'cleatPlate', 'boltDepth', 'boltTorque'],
    fields: [],
  },
} // prettier-ignore

const widening: readonly SettingKey[] = ['axleLength', 'adapter', 'tread']

/** The page that has a setting's field; null where the feet's pages have none. */
export function footPageOf(setting: SettingKey): FeetPageKey | null {
  return (
    feetPageKeys.find((key) => feetPages[key].fields.some((field) => field.setting === setting)) ??
    (widening.includes(setting) ? 'stance' : null)
  )
}

/** The page on which a cause is dealt with; the seat is a station of its own. */
export function pageOf(page: FootPage, cause: string): FeetPageKey | null {
  if (page === 'seat') return null
  return page === 'cleat' && (cause === 'rotation' || cause === 'float') ? 'rotation' : page
}
