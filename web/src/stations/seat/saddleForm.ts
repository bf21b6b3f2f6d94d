import { railKinds, reliefs, saddleKindWords, saddleSpecSchema } from '@level-stance/core/seat/saddleKinds'
import type { SaddleSpec } from '@level-stance/core/seat/saddleKinds'
import type { SpecForm } from '../../parts/specForm.ts'

/** Every figure of a saddle, as it is typed. */
export const saddleForm: SpecForm<SaddleSpec> = {
  schema: saddleSpecSchema,
  blank: { kind: '1', relief: 'none', rails: 'metal' },
  fields: [
    { key: 'name', label: 'Name', unit: '', kind: 'text' },
    { key: 'kind', label: 'Kind', unit: '', kind: 'place', options: saddleKindWords },
    { key: 'width', label: 'Width, widest', unit: 'mm', kind: 'number' },
    { key: 'zoneWidth', label: 'Width where you sit', unit: 'mm', kind: 'number' },
    { key: 'length', label: 'Length', unit: 'mm', kind: 'number' },
    { key: 'noseWidth', label: 'Nose width', unit: 'mm', kind: 'number' },
    { key: 'sitFromNose', label: 'Nose to sit point', unit: 'mm', kind: 'number' },
    { key: 'relief', label: 'Relief', unit: '', kind: 'choice', options: reliefs },
    { key: 'reliefWidth', label: 'Relief width', unit: 'mm', kind: 'number' },
    { key: 'noseDrop', label: 'Nose drop', unit: 'mm', kind: 'number' },
    { key: 'tailRise', label: 'Tail rise', unit: 'mm', kind: 'number' },
    { key: 'flex', label: 'Flex', unit: '1 stiff to 5', kind: 'mark' },
    { key: 'padding', label: 'Padding', unit: '1 firm to 5', kind: 'mark' },
    { key: 'railHeight', label: 'Height over rails', unit: 'mm', kind: 'number' },
    { key: 'railLength', label: 'Rail length', unit: 'mm', kind: 'number' },
    { key: 'rails', label: 'Rails', unit: '', kind: 'choice', options: railKinds },
    { key: 'massLimit', label: 'Mass limit', unit: 'kg, empty = none said', kind: 'optional' },
    { key: 'note', label: 'Note', unit: '', kind: 'long' },
  ],
}
