import { isRecord } from '@level-stance/core/kernel/tables'
import type { z } from 'zod'

/** A field of a catalogue's form. Lists are typed with spaces between. */
export interface SpecField<Spec> {
  readonly key: keyof Spec & string
  readonly label: string
  readonly unit: string
  /** `optional`: a number that may be left empty */
  readonly kind: 'text' | 'number' | 'optional' | 'list' | 'mark' | 'choice' | 'yes-no' | 'long'
  /** only asked of these kinds of part; left out = of all */
  readonly only?: readonly string[]
  /** of a choice: what is held, and how it is shown; an empty key = not said */
  readonly options?: readonly { readonly key: string; readonly words: string }[]
}

/** A catalogue's form: its fields, and the schema that what is typed must hold to. */
export interface SpecForm<Spec> {
  readonly fields: readonly SpecField<Spec>[]
  readonly schema: z.ZodType<Spec>
  /** what a new one starts from where nothing is open */
  readonly blank: Readonly<Partial<Record<keyof Spec & string, string>>>
}

/** The form's texts, one per field. */
export type FormTexts = Readonly<Record<string, string>>

const isTexts = (value: unknown): value is FormTexts => isRecord(value) && Object.values(value).every((text) => typeof text === 'string')
/** Texts of a form that were kept as one; null where there are none, or they cannot be read. */
export function textsFrom(kept: string | null): FormTexts | null {
  try {
    const texts: unknown = JSON.parse(kept ?? 'null')
    return isTexts(texts) ? texts : null
  } catch {
    return null
  }
}

export const emptyTexts = <Spec>({ fields }: SpecForm<Spec>): FormTexts => Object.fromEntries(fields.map(({ key }) => [key, '']))

export function textsOf<Spec>({ fields }: SpecForm<Spec>, spec: Spec): FormTexts {
  return Object.fromEntries(
    fields.map(({ key, kind }) => {
      const value: unknown = spec[key]
      if (value === null || value === undefined) return [key, '']
      if (Array.isArray(value)) return [key, value.join(' ')]
      return [
        key,
        kind === 'yes-no' ? (value === true ? 'yes' : 'no') : typeof value === 'number' || typeof value === 'string' ? String(value) : '',
      ]
    }),
  )
}

const numberOf = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')))

/** The typed texts as a spec, or what is wrong, field by field. */
export function readTexts<Spec>(
  { fields, schema }: SpecForm<Spec>,
  texts: FormTexts,
): { readonly spec: Spec } | { readonly problems: Readonly<Record<string, string>> } {
  const raw = fields.map(({ key, kind, options }): [string, unknown] => {
    const text = texts[key] ?? ''
    if (kind === 'optional') return [key, text.trim() === '' ? null : numberOf(text)]
    if (kind === 'choice' && text === '' && options?.some((option) => option.key === '')) return [key, null]
    if (kind === 'number' || kind === 'mark') return [key, numberOf(text)]
    if (kind === 'list')
      return [
        key,
        text
          .split(/[;\s]+/)
          .map((part) => part.replace(/,$/, ''))
          .filter((part) => part !== '')
          .map(numberOf),
      ]
    return [key, kind === 'yes-no' ? text === 'yes' : text]
  })
  const parsed = schema.safeParse(Object.fromEntries(raw))
  if (parsed.success) return { spec: parsed.data }
  const problems: Record<string, string> = {}
  for (const issue of parsed.error.issues) problems[String(issue.path[0])] ??= issue.message
  return { problems }
}
