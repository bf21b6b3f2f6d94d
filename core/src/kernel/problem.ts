import type { Message } from './message.ts'
import { plain } from './message.ts'
/** What is wrong with one field, in words a fitter can act on. */
export interface FieldProblem {
  /** dotted path or reading key of the field */
  readonly field: string
  readonly message: string
}

/** A calculation that has no answer for well-formed input; carries the fields at fault. */
export class CalculationError extends Error {
  readonly code: string
  /** its message, for whoever reads it in another unit */
  readonly words: Message
  readonly fields: readonly FieldProblem[]
  constructor(code: string, words: Message, fields: readonly FieldProblem[]) {
    super(plain(words))
    this.name = 'CalculationError'
    this.code = code
    this.words = words
    this.fields = fields
  }
}

/** The leg cannot form a triangle: the pedal is beyond its reach, or inside it. */
export class UnreachableError extends CalculationError {
  constructor(words: Message, field: string) {
    super('unreachable', words, [{ field, message: plain(words) }])
    this.name = 'UnreachableError'
  }
}
