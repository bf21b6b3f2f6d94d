import { boltPatterns, entrySides, pedalKindWords, pedalSpecSchema } from '@level-stance/core/feet/pedalKinds'
import type { PedalSpec } from '@level-stance/core/feet/pedalKinds'
import type { SpecForm } from '../../parts/specForm.ts'

/** Every figure of a pedal system, as it is typed. */
export const pedalForm: SpecForm<PedalSpec> = {
  schema: pedalSpecSchema,
  blank: { kind: '1', entrySides: 'one side', bolts: 'three bolts', tension: 'yes' },
  fields: [
    { key: 'name', label: 'Name', unit: '', kind: 'text' },
    { key: 'kind', label: 'Kind', unit: '', kind: 'place', options: pedalKindWords },
    { key: 'patch', label: 'Patch', unit: 'mm²', kind: 'number' },
    { key: 'stack', label: 'Stack, axle to sole', unit: 'mm', kind: 'number' },
    { key: 'entrySides', label: 'Entry from', unit: '', kind: 'choice', options: entrySides },
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
    { key: 'bolts', label: 'Bolt pattern', unit: '', kind: 'choice', options: boltPatterns },
    { key: 'massLimit', label: 'Mass limit', unit: 'kg, empty = none said', kind: 'optional' },
    { key: 'note', label: 'Note', unit: '', kind: 'long' },
  ],
}
