import { trimmed } from '../../../kernel/entry.ts'
import { isOneOf } from '../../../kernel/tables.ts'

/**
 * The open text format of a pressure mat: lines of `key,value`, then for each frame a line
 * `frame,<seconds>` and one line of values for each row. Written down in docs/pressure-format.md.
 */
export interface MatHeader {
  /** first row at the saddle’s front, first column at the rider’s left */
  readonly rows: number
  readonly columns: number
  /** size of a cell, mm: across (left to right) and along (front to back) */
  readonly cellAcross: number
  readonly cellAlong: number
  /** words about where it comes from */
  readonly source: string
  readonly simulated: boolean
}

/** One picture of the mat. */
export interface MatFrame {
  /** seconds from the recording’s beginning */
  readonly at: number
  /** kPa, row by row from the front, each from the left */
  readonly values: Float32Array
}

/** What a file may hold. */
export const MAT_LIMITS = { cells: [4, 256], cell: [2, 40], pressure: 1000, frames: 6000, values: 16_000_000 } as const
/** A file larger than this is not read, bytes. */
export const MAT_FILE_LIMIT = 25 * 1024 * 1024

/** A file that cannot be read, with the line at fault, in words for the screen. */
export class MatError extends Error {
  readonly line: number
  constructor(message: string, line: number) {
    super(line > 0 ? `Line ${line}: ${message}` : message)
    this.name = 'MatError'
    this.line = line
  }
}

const knownKeys = [
  'format',
  'unit',
  'rows',
  'columns',
  'cell_across_mm',
  'cell_along_mm',
  'source',
  'simulated',
  'rate_hz',
  'first_row',
  'first_column',
] as const

/**
 * Reads the format piece by piece, as it comes from a file or from a stream: `push` text, take
 * `frames` so far, `end` when nothing more comes. Commas or semicolons separate; with semicolons a
 * decimal comma is understood.
 * @throws MatError naming the line and what is allowed
 */
export class MatReader {
  header: MatHeader | null = null
  readonly #fields = new Map<string, string>()
  readonly #take: (frame: MatFrame, header: MatHeader) => void
  #rest = ''
  #line = 0
  #values: Float32Array | null = null
  #at = 0
  #row = 0
  #separator: ',' | ';' | null = null
  #frames = 0

  /** @param take called with each whole frame */
  constructor(take: (frame: MatFrame, header: MatHeader) => void) {
    this.#take = take
  }

  push(text: string): void {
    const lines = (this.#rest + text).split('\n')
    this.#rest = lines.pop() ?? ''
    if (this.#rest.length > 100_000) throw new MatError('This line has no end: is it a text file?', this.#line + 1)
    for (const line of lines) this.#read(line)
  }

  /** @throws MatError where the file stops in the middle or holds no frame */
  end(): void {
    if (this.#rest.trim() !== '') this.#read(this.#rest)
    this.#rest = ''
    if (this.#values !== null && this.header) {
      throw new MatError(`The last frame has ${this.#row} of ${this.header.rows} rows: the file is cut off.`, this.#line)
    }
    if (this.header === null) throw new MatError('This is no pressure file: a line “rows,64” and the other heading lines are missing.', 0)
    if (this.#frames === 0) throw new MatError('The file holds no frame: each begins with a line “frame,<seconds>”.', 0)
  }

  #read(raw: string): void {
    this.#line += 1
    const line = raw.replace(/^\uFEFF/, '').trim()
    if (line === '' || line.startsWith('#')) return
    this.#separator ??= line.includes(';') ? ';' : ','
    if (this.#values !== null) return this.#readRow(line)
    const [key = '', ...rest] = line.split(this.#separator)
    const value = rest.join(this.#separator).trim().replace(/^"|"$/g, '')
    const name = key.trim().replace(/^"|"$/g, '').toLowerCase()
    if (name === 'frame') return this.#begin(value)
    if (this.header !== null) throw new MatError(`“frame,<seconds>” was expected here, not “${line.slice(0, 30)}”.`, this.#line)
    if (!isOneOf(knownKeys, name)) {
      throw new MatError(`“${key.trim().slice(0, 30)}” is not known here. Heading lines are ${knownKeys.join(', ')}.`, this.#line)
    }
    this.#fields.set(name, value)
  }

  #begin(seconds: string): void {
    this.header ??= this.#headerOf()
    const at = this.#number(seconds)
    if (at === null || at < 0) throw new MatError('The frame’s time must be seconds from the beginning, 0 or more.', this.#line)
    this.#frames += 1
    const { rows, columns } = this.header
    if (this.#frames > MAT_LIMITS.frames || this.#frames * rows * columns > MAT_LIMITS.values) {
      throw new MatError(`A recording holds at most ${MAT_LIMITS.frames} frames and ${MAT_LIMITS.values / 1e6} million values.`, this.#line)
    }
    this.#at = at
    this.#row = 0
    this.#values = new Float32Array(rows * columns)
  }

  #headerOf(): MatHeader {
    const fields = this.#fields
    const unit = fields.get('unit')
    if (unit === undefined) throw new MatError('The unit is missing: a line “unit,kPa” is needed.', this.#line)
    if (unit.toLowerCase() !== 'kpa') {
      throw new MatError(`The unit must be kPa; this file says “${unit.slice(0, 20)}”. Have it exported in kPa.`, this.#line)
    }
    const count = (name: 'rows' | 'columns') => this.#ranged(name, MAT_LIMITS.cells, '', true)
    const size = (name: 'cell_across_mm' | 'cell_along_mm') => this.#ranged(name, MAT_LIMITS.cell, ' mm', false)
    const front = fields.get('first_row') ?? 'front'
    const left = fields.get('first_column') ?? 'left'
    if (front !== 'front' || left !== 'left') {
      throw new MatError(
        'The first row must be the front and the first column the rider’s left: have it exported so, or turn it.',
        this.#line,
      )
    }
    return {
      rows: count('rows'),
      columns: count('columns'),
      cellAcross: size('cell_across_mm'),
      cellAlong: size('cell_along_mm'),
      source: (fields.get('source') ?? '').slice(0, 200),
      simulated: fields.get('simulated') === 'yes',
    }
  }

  #ranged(name: string, [low, high]: readonly [number, number], unit: string, whole: boolean): number {
    const value = this.#number(this.#fields.get(name) ?? '')
    if (value === null || value < low || value > high || (whole && !Number.isInteger(value))) {
      const said = this.#fields.has(name) ? `not “${this.#fields.get(name)?.slice(0, 20)}”` : 'and it is missing'
      throw new MatError(`${name} must be ${whole ? 'a whole number ' : ''}from ${low} to ${high}${unit}, ${said}.`, this.#line)
    }
    return value
  }

  #number(text: string): number | null {
    const plain = this.#separator === ';' ? text.replace(',', '.') : text
    const value = Number(plain)
    return plain.trim() === '' || !Number.isFinite(value) ? null : value
  }

  #readRow(line: string): void {
    const { header } = this
    const values = this.#values
    if (header === null || values === null) return
    const cells = line.split(this.#separator ?? ',')
    if (cells.length !== header.columns) {
      throw new MatError(`This row has ${cells.length} values, and the heading says ${header.columns} columns.`, this.#line)
    }
    const offset = this.#row * header.columns
    cells.forEach((cell, i) => {
      const value = this.#number(cell)
      if (value === null) throw new MatError(`“${cell.trim().slice(0, 20)}” in column ${i + 1} is no number.`, this.#line)
      if (value < 0 || value > MAT_LIMITS.pressure) {
        throw new MatError(`${trimmed(value, 2)} in column ${i + 1} is no pressure: 0 to ${MAT_LIMITS.pressure} kPa.`, this.#line)
      }
      values[offset + i] = value
    })
    this.#row += 1
    if (this.#row < header.rows) return
    this.#values = null
    this.#take({ at: this.#at, values }, header)
  }
}

/** The heading of a file. */
export function matHeaderText({ rows, columns, cellAcross, cellAlong, source, simulated }: MatHeader): string {
  return [
    'format,pressure grid 1',
    'unit,kPa',
    `rows,${rows}`,
    `columns,${columns}`,
    `cell_across_mm,${cellAcross}`,
    `cell_along_mm,${cellAlong}`,
    'first_row,front',
    'first_column,left',
    `source,${source.replace(/[\r\n]/g, ' ')}`,
    `simulated,${simulated ? 'yes' : 'no'}`,
    '',
  ].join('\n')
}

/** One frame of a file; tenths of a kPa. */
export function matFrameText({ at, values }: MatFrame, { columns }: Pick<MatHeader, 'columns'>): string {
  const lines = [`frame,${at.toFixed(2)}`]
  for (let from = 0; from < values.length; from += columns) {
    lines.push(Array.from(values.subarray(from, from + columns), (value) => String(Math.round(10 * value) / 10)).join(','))
  }
  return `${lines.join('\n')}\n`
}
