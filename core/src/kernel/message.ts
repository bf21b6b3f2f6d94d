import { z } from 'zod'
import { lengthWords } from './entry.ts'
import type { LengthUnit } from './entry.ts'
import { capital, midSentence } from './words.ts'

/** A length in a sentence; it is written in the unit of whoever reads it. */
export interface LengthPiece {
  readonly mm: number
  /** decimals of a millimetre, trailing zeros left out; 0 where not given */
  readonly digits?: number
  /** without its unit, which a length after it says for both */
  readonly bare?: true
}
/** A word of the trade that the glossary explains, by its key there, as it is called in this sentence. */
export interface TermPiece {
  readonly term: string
  readonly words: string
}
export type Piece = string | LengthPiece | TermPiece

/**
 * A sentence, or a part of one: text, and values that are written when it is read. Text alone is a
 * message too. It travels as JSON; `plain` writes it in a unit.
 */
export type Message = string | readonly Piece[]

const pieceSchema = z.union([
  z.string().max(2000),
  z.strictObject({ mm: z.number(), digits: z.number().int().min(1).max(3).exactOptional(), bare: z.literal(true).exactOptional() }),
  z.strictObject({ term: z.string().max(40), words: z.string().max(80) }),
])
export const messageSchema: z.ZodType<Message> = z.union([z.string().max(4000), z.array(pieceSchema).max(200).readonly()])

/** A message as the pieces it is made of. */
export const piecesOf = (message: Message): readonly Piece[] => (typeof message === 'string' ? [message] : message)

/** Puts pieces together: texts that touch are one, and text alone is a string. */
class Collector {
  private readonly pieces: Piece[] = []
  private text = ''
  add(part: Part): void {
    if (typeof part === 'string') this.text += part
    else if (typeof part === 'number') this.text += String(part)
    else if (isMany(part)) for (const piece of part) this.add(piece)
    else {
      if (this.text !== '') this.pieces.push(this.text)
      this.pieces.push(part)
      this.text = ''
    }
  }
  get message(): Message {
    if (this.pieces.length === 0) return this.text
    if (this.text !== '') this.pieces.push(this.text)
    return this.pieces
  }
}

/** One message of many pieces. */
export function ofPieces(pieces: readonly Piece[]): Message {
  const made = new Collector()
  for (const piece of pieces) made.add(piece)
  return made.message
}

/** What may stand in a `msg`; a number is a count, or has a unit that is no length ("20°"). */
type Part = Message | LengthPiece | TermPiece | number
const isMany = (part: Part): part is readonly Piece[] => Array.isArray(part)

/**
 * Tag of a template that people read: `` msg`The slot ends ${mm(3)} short.` ``. A length goes in as
 * `mm`, never as a number with "mm" behind it.
 */
export function msg(texts: readonly string[], ...parts: readonly Part[]): Message {
  const made = new Collector()
  texts.forEach((text, i) => {
    made.add(text)
    const part = parts[i]
    if (part !== undefined) made.add(part)
  })
  return made.message
}

/** A length with its unit: "3.5 mm", "0.14 in". It is rounded as it is said, so that both units say the same amount. */
export function mm(length: number, digits = 0): LengthPiece {
  const rounded = Number(length.toFixed(digits))
  return digits === 0 ? { mm: rounded } : { mm: rounded, digits }
}
/** A length whose unit a length after it says: the 118 of "118 ±3 mm". */
export const bare = (length: number, digits = 0): LengthPiece => ({ ...mm(length, digits), bare: true })
/** "120 to 130 mm". */
export const range = (low: number, high: number, digits = 0): Message => msg`${bare(low, digits)} to ${mm(high, digits)}`
/** A size a part is sold by, whose millimetres stay in any unit: "31.8 mm", with a no-break space. */
export const soldBy = (size: number | string): string => `${size}\u00A0mm`

/** The name of a part as it is shown: a size in it is part of the name. */
export const partLabel = (name: string): string => name.replaceAll(/(\d) mm\b/g, '$1\u00A0mm')

/** Messages one after the other. */
export function joined(messages: readonly (Message | LengthPiece)[], separator = ' '): Message {
  const made = new Collector()
  messages.forEach((message, i) => {
    if (i > 0) made.add(separator)
    made.add(message)
  })
  return made.message
}
/** As it begins a sentence, and as it stands inside one. */
export const capitalised = (message: Message): Message => withFirst(message, capital)
export const insideSentence = (message: Message): Message => withFirst(message, midSentence)
function withFirst(message: Message, change: (text: string) => string): Message {
  const [first, ...others] = piecesOf(message)
  if (typeof first === 'string') return ofPieces([change(first), ...others])
  if (first !== undefined && 'term' in first) return ofPieces([{ ...first, words: change(first.words) }, ...others])
  return message
}

/** Below this a hundredth of an inch would say nothing, mm. */
const SMALL = 0.2
/**
 * One piece in a unit. In inches a length is written to a hundredth, and to a thousandth where that would
 * say 0 or the millimetres are written as finely: an eighth of an inch, 3.175 mm, comes back as what it was.
 */
export function pieceText(piece: Piece, unit: LengthUnit = 'mm'): string {
  if (typeof piece === 'string') return piece
  if ('term' in piece) return piece.words
  const { mm: length, digits = 0, bare: noUnit } = piece
  const isFine = (length !== 0 && Math.abs(length) < SMALL) || !Number.isInteger(Math.round(length * 1000) / 10)
  const said = lengthWords(length, unit, unit === 'mm' ? digits : isFine ? 3 : 2)
  return noUnit ? said.slice(0, -` ${unit}`.length) : said
}

/** Whether two messages say the same. */
export const isSame = (a: Message, b: Message): boolean => plain(a) === plain(b)

/** A message as plain text in a unit. */
export const plain = (message: Message, unit: LengthUnit = 'mm'): string =>
  typeof message === 'string' ? message : message.map((piece) => pieceText(piece, unit)).join('')
