import { bare, mm, ofPieces } from '../kernel/message.ts'
import type { Message, Piece } from '../kernel/message.ts'

const number = '[+−-]?\\d+(?:\\.\\d+)?'
/** What may stand between the numbers of one amount: "120 to 130 mm", "90 and 120 mm", "118 ±3 mm", "25 × 40 mm". */
const joint = '(?: to | and | or | × |–| ?(?=±))'
/** One or more numbers that share one "mm"; not mm², mm³ or mm/s, and no size a part is sold by, whose space does not break. */
const amount = new RegExp(`(?<![\\d.])±?${number}(?:${joint}±?${number})* mm(?![²³/\\w])`, 'g')
const numbers = new RegExp(number, 'g')

/**
 * A sentence that an earlier version stored as text, its lengths in millimetres, as a message: it reads
 * the same in millimetres, and in inches where those are in use.
 */
export function messageOf(sentence: string): Message {
  const pieces: Piece[] = []
  let from = 0
  for (const found of sentence.matchAll(amount)) {
    pieces.push(sentence.slice(from, found.index), ...lengths(found[0].slice(0, -' mm'.length)))
    from = found.index + found[0].length
  }
  return ofPieces([...pieces, sentence.slice(from)])
}

/** "118 ±3" as pieces, the last one with the unit. */
function lengths(text: string): Piece[] {
  const found = [...text.matchAll(numbers)]
  let from = 0
  return found.flatMap((one, i): Piece[] => {
    const digits = one[0].split('.')[1]?.length ?? 0
    const value = Number(one[0].replace('−', '-'))
    const plus = one[0].startsWith('+') ? '+' : ''
    const before = text.slice(from, one.index) + plus
    from = one.index + one[0].length
    return [before, i === found.length - 1 ? mm(value, Math.min(3, digits)) : bare(value, Math.min(3, digits))]
  })
}
