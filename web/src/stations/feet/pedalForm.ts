import { boltPatterns, entrySides, pedalKindWords, pedalSpecSchema } from '@level-stance/core/feet/pedalKinds'
import type { PedalSpec } from '@level-stance/core/feet/pedalKinds'

/** A field of the catalogue's form. Lists are typed with spaces between. */
export interface PedalField {
  readonly key: keyof PedalSpec
  readonly label: string
  readonly unit: string
  readonly kind: 'text' | 'number' | 'list' | 'mark' | 'choice' | 'yes-no' | 'long'
  readonly options?: readonly string[]
}

export const pedalFields: readonly PedalField[] = [
  { key: 'name', label: 'Name', unit: '', kind: 'text' },
  { key: 'kind', label: 'Kind', unit: '', kind: 'choice', options: pedalKindWords },
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
  { key: 'massLimit', label: 'Mass limit', unit: 'kg, empty = none said', kind: 'number' },
  { key: 'note', label: 'Note', unit: '', kind: 'long' },
]

/** The form's texts, one per field. */
export type PedalForm = Readonly<Record<keyof PedalSpec, string>>

export const emptyForm = Object.fromEntries(pedalFields.map(({ key }) => [key, ''])) as PedalForm

export function formOf(spec: PedalSpec): PedalForm {
  const texts = pedalFields.map(({ key, kind }) => {
    const value = spec[key]
    if (value === null) return [key, '']
    if (Array.isArray(value)) return [key, value.join(' ')]
    return [key, kind === 'yes-no' ? (value === true ? 'yes' : 'no') : String(value)]
  })
  return Object.fromEntries(texts) as PedalForm
}

const numberOf = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')))

/** The typed texts as a spec, or what is wrong, field by field. */
export function readForm(form: PedalForm): { readonly spec: PedalSpec } | { readonly problems: Readonly<Record<string, string>> } {
  const raw = pedalFields.map(({ key, kind }): [string, unknown] => {
    const text = form[key]
    if (key === 'kind') return [key, numberOf(text)]
    if (key === 'massLimit') return [key, text.trim() === '' ? null : numberOf(text)]
    if (kind === 'number' || kind === 'mark') return [key, numberOf(text)]
    if (kind === 'list') return [key, text.split(/[;\s]+/).map((part) => part.replace(/,$/, '')).filter((part) => part !== '').map(numberOf)] // prettier-ignore
    return [key, kind === 'yes-no' ? text === 'yes' : text]
  })
  const parsed = pedalSpecSchema.safeParse(Object.fromEntries(raw))
  if (parsed.success) return { spec: parsed.data }
  const problems: Record<string, string> = {}
  for (const issue of parsed.error.issues) problems[String(issue.path[0])] ??= issue.message
  return { problems }
}
