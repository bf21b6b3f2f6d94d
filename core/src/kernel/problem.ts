/** What is wrong with one field, in words a fitter can act on. */
export interface FieldProblem {
  /** dotted path or reading key of the field */
  readonly field: string
  readonly message: string
}

/** A calculation that has no answer for well-formed input; carries the fields at fault. */
export class CalculationError extends Error {
  readonly code: string
  readonly fields: readonly FieldProblem[]
  constructor(code: string, message: string, fields: readonly FieldProblem[]) {
    super(message)
    this.name = 'CalculationError'
    this.code = code
    this.fields = fields
  }
}

/** The leg cannot form a triangle: the pedal is beyond its reach, or inside it. */
export class UnreachableError extends CalculationError {
  constructor(message: string, field: string) {
    super('unreachable', message, [{ field, message }])
    this.name = 'UnreachableError'
  }
}
