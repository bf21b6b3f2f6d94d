import { boltPatterns, entrySides, pedalKinds, pedalSpecSchema } from '@level-stance/core/stations/feet/pedal/kinds'
import type { PedalSpec } from '@level-stance/core/stations/feet/pedal/kinds'
import { optionWord } from '@level-stance/core/readings/readingDefinitions'
import type { ChoiceKey } from '@level-stance/core/readings/readingDefinitions'
import {
  clampSizes,
  cockpitKinds,
  cockpitKindWords,
  cockpitSpecSchema,
  shifterPlaces,
} from '@level-stance/core/stations/hands/cockpit/parts'
import type { CockpitKind, CockpitSpec } from '@level-stance/core/stations/hands/cockpit/parts'
import { railKinds, reliefs, saddleKinds, saddleSpecSchema } from '@level-stance/core/stations/seat/saddle/kinds'
import type { SaddleSpec } from '@level-stance/core/stations/seat/saddle/kinds'
import type { SpecField, SpecForm } from './specForm.ts'

/** A list of options that are their own words. */
const plain = (options: readonly string[]) => options.map((key) => ({ key, words: key }))
/** The options of a reading, shown by their words. */
const worded = (reading: ChoiceKey, keys: readonly string[]) => keys.map((key) => ({ key, words: optionWord(reading, key) }))

// What every part of a catalogue has.
const name = { key: 'name', label: 'Name', unit: '', kind: 'text' } as const
const massLimit = { key: 'massLimit', label: 'Mass limit', unit: 'kg, empty = none said', kind: 'optional' } as const
const note = { key: 'note', label: 'Note', unit: '', kind: 'long' } as const
const kindOf = (reading: ChoiceKey, keys: readonly string[]) =>
  ({ key: 'kind', label: 'Kind', unit: '', kind: 'choice', options: worded(reading, keys) }) as const

const pedalFields: readonly SpecField<PedalSpec>[] = [
  name,
  kindOf('pedalKind', pedalKinds),
  { key: 'patch', label: 'Patch', unit: 'mm²', kind: 'number' },
  { key: 'stack', label: 'Stack, axle to sole', unit: 'mm', kind: 'number' },
  { key: 'entrySides', label: 'Entry from', unit: '', kind: 'choice', options: plain(entrySides) },
  { key: 'entryEase', label: 'In and out', unit: '1 to 5', kind: 'mark' },
  { key: 'floats', label: 'Floats to be had', unit: '°', kind: 'list' },
  { key: 'release', label: 'Release angle', unit: '°', kind: 'number' },
  { key: 'tension', label: 'Tension can be set', unit: '', kind: 'yes-no' },
  { key: 'axles', label: 'Axle lengths', unit: 'mm', kind: 'list' },
  { key: 'foreAft', label: 'Fore–aft room', unit: 'mm', kind: 'number' },
  { key: 'lateral', label: 'Lateral room', unit: 'mm', kind: 'number' },
  { key: 'rotation', label: 'Rotation room, ±', unit: '°', kind: 'number' },
  { key: 'rockNew', label: 'Rock, new', unit: '°', kind: 'number' },
  { key: 'rockWorn', label: 'Rock, worn', unit: '°', kind: 'number' },
  { key: 'mud', label: 'In mud', unit: '1 to 5', kind: 'mark' },
  { key: 'walking', label: 'Walking', unit: '1 to 5', kind: 'mark' },
  { key: 'durability', label: 'Durability', unit: '1 to 5', kind: 'mark' },
  { key: 'bolts', label: 'Bolt pattern', unit: '', kind: 'choice', options: plain(boltPatterns) },
  massLimit,
  note,
]
/** Every figure of a pedal system, as it is typed. */
export const pedalForm: SpecForm<PedalSpec> = {
  schema: pedalSpecSchema,
  blank: { kind: pedalKinds[0], entrySides: 'one side', bolts: 'three bolts', tension: 'yes' },
  fields: pedalFields,
}

const saddleFields: readonly SpecField<SaddleSpec>[] = [
  name,
  kindOf('saddleKind', saddleKinds),
  { key: 'width', label: 'Width, widest', unit: 'mm', kind: 'number' },
  { key: 'zoneWidth', label: 'Width where you sit', unit: 'mm', kind: 'number' },
  { key: 'length', label: 'Length', unit: 'mm', kind: 'number' },
  { key: 'noseWidth', label: 'Nose width', unit: 'mm', kind: 'number' },
  { key: 'sitFromNose', label: 'Nose to sit point', unit: 'mm', kind: 'number' },
  { key: 'relief', label: 'Relief', unit: '', kind: 'choice', options: worded('saddleRelief', reliefs) },
  { key: 'reliefWidth', label: 'Relief width', unit: 'mm', kind: 'number' },
  { key: 'noseDrop', label: 'Nose drop', unit: 'mm', kind: 'number' },
  { key: 'tailRise', label: 'Tail rise', unit: 'mm', kind: 'number' },
  { key: 'flex', label: 'Flex', unit: '1 stiff to 5', kind: 'mark' },
  { key: 'padding', label: 'Padding', unit: '1 firm to 5', kind: 'mark' },
  { key: 'railHeight', label: 'Height over rails', unit: 'mm', kind: 'number' },
  { key: 'railLength', label: 'Rail length', unit: 'mm', kind: 'number' },
  { key: 'rails', label: 'Rails', unit: '', kind: 'choice', options: plain(railKinds) },
  massLimit,
  note,
]
/** Every figure of a saddle, as it is typed. */
export const saddleForm: SpecForm<SaddleSpec> = {
  schema: saddleSpecSchema,
  blank: { kind: saddleKinds[0], relief: 'none', rails: 'metal' },
  fields: saddleFields,
}

const ofKinds = (key: keyof CockpitSpec, label: string, unit: string, ...only: CockpitKind[]): SpecField<CockpitSpec> => ({
  key,
  label,
  unit,
  kind: 'optional',
  only,
})
const notSaid = { key: '', words: 'not said' }
const cockpitFields: readonly SpecField<CockpitSpec>[] = [
  name,
  { key: 'kind', label: 'Kind', unit: '', kind: 'choice', options: cockpitKinds.map((key) => ({ key, words: cockpitKindWords[key] })) },
  { key: 'clampSize', label: 'Clamp diameter', unit: '', kind: 'choice', only: ['stem', 'flat-bar', 'drop-bar'], options: [notSaid, ...worded('stemClampSize', clampSizes)] },
  ofKinds('stemLength', 'Length', 'mm', 'stem'),
  ofKinds('stemAngle', 'Angle, rising plus', '°', 'stem'),
  ofKinds('barWidth', 'Width, end to end', 'mm', 'flat-bar'),
  ofKinds('barRise', 'Rise', 'mm', 'flat-bar'),
  ofKinds('barForward', 'Forward offset', 'mm', 'flat-bar'),
  ofKinds('barBacksweep', 'Backsweep', '°', 'flat-bar'),
  ofKinds('barUpsweep', 'Upsweep', '°', 'flat-bar'),
  ofKinds('barBend', 'Middle to arm', 'mm', 'flat-bar'),
  ofKinds('barShortest', 'Cut mark', 'mm', 'flat-bar'),
  ofKinds('hoodWidth', 'Width at hoods', 'mm', 'drop-bar'),
  ofKinds('dropWidth', 'Width at drops', 'mm', 'drop-bar'),
  ofKinds('barReach', 'Reach', 'mm', 'drop-bar'),
  ofKinds('barDrop', 'Drop', 'mm', 'drop-bar'),
  ofKinds('barFlare', 'Flare', '°', 'drop-bar'),
  ofKinds('leverHook', 'Clamp to hook', 'mm', 'levers'),
  ofKinds('brakeClampWidth', 'Brake clamp, width', 'mm', 'levers'),
  { key: 'shifterPlace', label: 'Shifter', unit: '', kind: 'choice', only: ['levers'], options: [notSaid, ...worded('shifterPlace', shifterPlaces)] },
  ofKinds('shifterClampWidth', 'Shifter clamp, width', 'mm', 'levers'),
  ofKinds('shifterPaddle', 'Clamp to paddle', 'mm', 'levers'),
  ofKinds('padForward', 'Pads ahead of clamp', 'mm', 'extensions'),
  ofKinds('padUp', 'Pads above clamp', 'mm', 'extensions'),
  ofKinds('padSpacing', 'Pad to pad', 'mm', 'extensions'),
  ofKinds('extensionLength', 'Pad to grip', 'mm', 'extensions'),
  ofKinds('extensionAngle', 'Extension rises', '°', 'extensions'),
  { key: 'integrated', label: 'One piece with stem or bar', unit: '', kind: 'yes-no' },
  { key: 'price', label: 'Price', unit: '1 to 5', kind: 'mark' },
  note,
] // prettier-ignore
/** Every figure of a stem, bar, lever or extension, as it is typed. */
export const cockpitForm: SpecForm<CockpitSpec> = {
  schema: cockpitSpecSchema,
  blank: { kind: cockpitKinds[0], integrated: 'no', price: '2' },
  fields: cockpitFields,
}
