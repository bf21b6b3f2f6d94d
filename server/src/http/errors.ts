import { fieldOf } from '@level-stance/core/kernel/tables'
import type { ErrorRequestHandler, Request, RequestHandler } from 'express'
import type { Logger } from 'pino'
import type { z } from 'zod'
import type { ErrorBody } from '@level-stance/core/contract/error'
import { fieldProblems } from '@level-stance/core/kernel/calculation'
import { unstorableIn, unstorableWords } from '@level-stance/core/kernel/storable'
import { CalculationError } from '@level-stance/core/kernel/problem'
import type { FieldProblem } from '@level-stance/core/kernel/problem'
import { isLost } from '../db/lost.ts'

/** An error meant for the screen. */
export class HttpError extends Error {
  readonly status: number
  readonly code: string
  readonly fields: readonly FieldProblem[]
  constructor(status: number, code: string, message: string, fields: readonly FieldProblem[] = []) {
    super(message)
    this.status = status
    this.code = code
    this.fields = fields
  }
}

/** The database is away, for a moment as a rule: asking again later is right. */
export const noDatabase: ErrorBody = {
  code: 'no-database',
  message: 'The database does not answer just now. Nothing you typed is lost; it is tried again by itself.',
  fields: [],
}

/** Somebody else wrote in between; carries what is stored. */
export class StaleError extends HttpError {
  readonly current: unknown
  constructor(current: unknown) {
    super(409, 'stale', 'This was changed elsewhere since it was read. Both versions are shown; choose which to keep.')
    this.current = current
  }
}

export function notFound(what: string): HttpError {
  return new HttpError(404, 'not-found', `${what} was not found. It may have been removed.`)
}

/** Parses a request part; failures name every field. What no database can hold as text is refused here, in every field. */
export function checked<T>(schema: z.ZodType<T>, raw: unknown): T {
  const at = unstorableIn(raw)
  if (at !== null) throw new HttpError(400, 'invalid', unstorableWords(at), [{ field: at, message: unstorableWords(at) }])
  const parsed = schema.safeParse(raw)
  if (parsed.success) return parsed.data
  const fields = fieldProblems(parsed.error)
  throw new HttpError(400, 'invalid', fields[0]?.message ?? 'The request is not valid.', fields)
}

export const unknownRoute: RequestHandler = (request, _response, next) => {
  next(new HttpError(404, 'not-found', `There is nothing at ${request.path.slice(0, 200)}.`))
}

/** Turns whatever was thrown into the one error shape; the unexpected is logged, never shown. */
export const errorHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error)
  const { status, body } = describe(error)
  if (status >= 500) logOf(request)?.error({ err: error }, 'request failed')
  response.status(status).json(body)
}

/** The log of a request, where the application keeps one. */
export function logOf(request: Request): Logger | undefined {
  return 'log' in request ? (request.log as Logger) : undefined
}

/** What a calculation refuses, as HTTP says it; anything else cannot be processed: 422. */
const statusOf: Readonly<Record<string, number>> = {
  invalid: 400,
  'too-large': 413,
  'broken-file': 400,
  'other-format': 400,
  'other-version': 400,
}

function describe(error: unknown): { status: number; body: ErrorBody } {
  if (error instanceof StaleError) {
    return { status: 409, body: { code: error.code, message: error.message, fields: error.fields, current: error.current } }
  }
  if (error instanceof HttpError) return { status: error.status, body: { code: error.code, message: error.message, fields: error.fields } }
  if (error instanceof CalculationError) {
    const status = statusOf[error.code] ?? 422
    return { status, body: { code: error.code, message: error.message, fields: error.fields } }
  }
  if (isLost(error)) return { status: 503, body: noDatabase }
  const type = fieldOf(error, 'type')
  if (type === 'entity.too.large')
    return { status: 413, body: { code: 'too-large', message: 'That is larger than is accepted here.', fields: [] } }
  if (type === 'entity.parse.failed')
    return { status: 400, body: { code: 'broken-json', message: 'The request is not readable JSON.', fields: [] } }
  const status = fieldOf(error, 'status')
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return { status, body: { code: 'bad-request', message: 'The request could not be read.', fields: [] } }
  }
  return {
    status: 500,
    body: { code: 'internal', message: 'Something went wrong here. Nothing you typed is lost; try again.', fields: [] },
  }
}
