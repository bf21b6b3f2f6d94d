/** Exact by definition since 1959 (international inch). */
export const MM_PER_INCH = 25.4

export type LengthUnit = 'mm' | 'cm' | 'in'

/** How a typed text is to be read. */
export type EntryDimension = 'length' | 'angle' | 'shoe-size' | 'mass' | 'choice' | 'minutes' | PlainDimension

/** Amounts with one unit and no conversion: what is written behind them. */
export const plainUnits = { torque: 'N·m', distance: 'km', hours: 'h', rate: 'rpm', gradient: '%' } as const
export type PlainDimension = keyof typeof plainUnits

export function isPlain(dimension: string): dimension is PlainDimension {
  return dimension in plainUnits
}

/** What was understood of a typed text: the value in the held unit (mm, degrees, EU size, minutes). */
export type ParsedEntry =
  | {
      readonly ok: true
      readonly value: number
      readonly unit: LengthUnit | 'deg' | 'EU' | 'kg' | 'none' | 'min' | (typeof plainUnits)[PlainDimension]
    }
  | { readonly ok: false; readonly reason: 'empty' | 'not-understood'; readonly message: string }

const vulgar: Readonly<Record<string, string>> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
}
const number = String.raw`\d+(?:\.\d+)?|\.\d+`
const mixed = new RegExp(String.raw`^(-)?(?:(${number})(?:[ -]+(\d+)\/(\d+))?|(\d+)\/(\d+))$`)
const unitWords: Readonly<Record<string, LengthUnit>> = {
  mm: 'mm',
  cm: 'cm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  "''": 'in',
}
const MM_PER_METRE = 1000
const perUnit: Readonly<Record<LengthUnit, number>> = { mm: 1, cm: 10, in: MM_PER_INCH }

/**
 * Reads what a hand with a tape types: `251`, `251,5`, `25.1 cm`, `1.94 m`, `9 7/8 in`, `9⅞"`, `5 ft 9 in`.
 * Comma and point both mark decimals; a fraction may follow a whole number.
 *
 * @param text as typed
 * @param dimension what the field holds
 * @param assumed unit of a bare number in a length field
 */
export function parseEntry(text: string, dimension: EntryDimension, assumed: LengthUnit = 'mm'): ParsedEntry {
  const tidy = tidied(text)
  if (tidy === '') return { ok: false, reason: 'empty', message: 'Nothing entered.' }
  if (dimension === 'length') return parseLength(tidy, text, assumed)
  const word = {
    angle: /\s*(?:°|deg|degrees?)$/,
    'shoe-size': /^eu\s*|\s*eu$/,
    mass: /\s*kg$/,
    choice: /$^/,
    minutes: /\s*(?:min|minutes?|')$/,
    torque: /\s*n[·.]?m$/,
    distance: /\s*km$/,
    hours: /\s*(?:h|hours?)$/,
    rate: /\s*(?:rpm|\/min)$/,
    gradient: /\s*%$/,
  }[dimension]
  const unit = ({ angle: 'deg', 'shoe-size': 'EU', mass: 'kg', choice: 'none', minutes: 'min', ...plainUnits } as const)[dimension]
  const value = parseNumber(tidy.replace(word, ''))
  return value === null ? misunderstood(text, dimension) : { ok: true, value, unit }
}

function parseLength(tidy: string, text: string, assumed: LengthUnit): ParsedEntry {
  const feet = /^(\d+)\s*(?:ft|feet|foot|')\s*(.*)$/.exec(tidy)
  if (feet && !tidy.startsWith("''")) {
    const rest = (feet[2] ?? '').replace(/\s*(?:in|inch|inches|"|″|”|'')$/, '')
    const inches = rest === '' ? 0 : parseNumber(rest)
    if (inches === null || inches < 0) return misunderstood(text, 'length')
    return { ok: true, value: (Number(feet[1]) * 12 + inches) * MM_PER_INCH, unit: 'in' }
  }
  const metres = /^(.*\d)\s*m$/.exec(tidy)
  const inMetres = metres === null ? null : parseNumber(metres[1] ?? '')
  if (inMetres !== null) return { ok: true, value: inMetres * MM_PER_METRE, unit: 'mm' }
  const match = /^(.*?)\s*(mm|cm|inches|inch|in|"|″|”|'')?$/.exec(tidy)
  const value = parseNumber(match?.[1] ?? '')
  if (value === null) return misunderstood(text, 'length')
  const unit = match?.[2] === undefined ? assumed : (unitWords[match[2]] ?? assumed)
  return { ok: true, value: value * perUnit[unit], unit }
}

function tidied(text: string): string {
  return text
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (c) => vulgar[c] ?? c)
    .replace(/[−–]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase()
}

function parseNumber(text: string): number | null {
  const match = mixed.exec(text.trim().replace(/^\+/, ''))
  if (!match) return null
  const sign = match[1] === '-' ? -1 : 1
  const whole = match[2] === undefined ? 0 : Number(match[2])
  const top = match[3] ?? match[5]
  const bottom = match[4] ?? match[6]
  if (bottom !== undefined && Number(bottom) === 0) return null
  const value = sign * (whole + (top === undefined ? 0 : Number(top) / Number(bottom)))
  return Number.isFinite(value) ? value : null
}

function misunderstood(text: string, dimension: EntryDimension): ParsedEntry {
  const example = {
    length: '251, 25.1 cm or 9 7/8 in',
    angle: '18 or 18.5°',
    'shoe-size': '43 or 43.5',
    mass: '71.5',
    choice: '1',
    minutes: '40',
    torque: '5 or 5.5 N·m',
    distance: '4200 km',
    hours: '2 or 2.5 h',
    rate: '85 rpm',
    gradient: '12 or 12 %',
  }[dimension]
  const shown = text.trim().slice(0, 40)
  return { ok: false, reason: 'not-understood', message: `“${shown}” is not a number here. Type for example ${example}.` }
}

/** A length for the screen in the chosen unit: whole or half millimetres, or hundredths of an inch. */
export function formatLength(mm: number, unit: LengthUnit, decimals?: number): string {
  const digits = decimals ?? (unit === 'mm' ? 1 : 2)
  return trimmed(mm / perUnit[unit], digits)
}

/** "17 mm", "0.67 in": a length as it is said. */
export function lengthWords(mm: number, unit: LengthUnit, decimals = unit === 'mm' ? 0 : 2): string {
  return `${formatLength(mm, unit, decimals)} ${unit}`
}

/** A number without trailing zeros and with a real minus sign; `-0` becomes `0`. */
export function trimmed(value: number, decimals: number): string {
  const text = value
    .toFixed(decimals)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')
  return (text === '-0' ? '0' : text).replace('-', '−')
}
