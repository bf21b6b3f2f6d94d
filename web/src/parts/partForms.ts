import { boltPatterns, entrySides, pedalKinds, pedalSpecSchema } from '@level-stance/core/feet/pedalKinds'
import type { PedalSpec } from '@level-stance/core/feet/pedalKinds'
import { optionWord } from '@level-stance/core/measure/readingDefinitions'
import type { ChoiceKey } from '@level-stance/core/measure/readingDefinitions'
import { railKinds, reliefs, saddleKinds, saddleSpecSchema } from '@level-stance/core/seat/saddleKinds'
import type { SaddleSpec } from '@level-stance/core/seat/saddleKinds'
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
