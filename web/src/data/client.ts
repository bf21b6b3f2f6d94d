import { fieldOf } from '@level-stance/core/kernel/tables'
import { errorSchema } from '@level-stance/core/contract/error'
import type { ErrorBody } from '@level-stance/core/contract/error'
import { isRaw, routePath } from '@level-stance/core/contract/route'
import type { AnswerOf, Asking, Filling, RawBody, Route } from '@level-stance/core/contract/route'
import type { z } from 'zod'
import { working } from '../kit/settled.ts'

/** An answer that is an error, with words for the screen. */
export class ApiError extends Error {
  readonly status: number
  readonly body: ErrorBody
  constructor(status: number, body: ErrorBody) {
    super(body.message)
    this.status = status
    this.body = body
  }
}

/** The server did not answer at all. */
export class UnreachableServer extends Error {
  constructor() {
    super('The server cannot be reached. Is it running?')
  }
}

/** A route that answers with JSON. */
export type JsonRoute = Route<string, z.ZodType | null, z.ZodType | RawBody | null, z.ZodType>

/**
 * Asks a route of the contract and reads its answer, which the server's own tests hold to the row's schema.
 * @param headers beside the content's type
 * @throws ApiError with the server's words; UnreachableServer
 */
export async function ask<Row extends JsonRoute>(
  row: Row,
  asking: Asking<Row> & Filling,
  headers: Readonly<Record<string, string>> = {},
): Promise<AnswerOf<Row>> {
  const { body, ...filling }: Filling & { readonly body?: unknown } = asking
  const content = row.body === null ? null : contentOf(row.body, body)
  const init: RequestInit = {
    method: row.method.toUpperCase(),
    ...(content === null ? {} : { headers: { 'content-type': mediaTypeOf(row.body), ...headers }, body: content }),
  }
  return (await (await responseOf(routePath(row, filling), init)).json()) as AnswerOf<Row>
}

const mediaTypeOf = (body: JsonRoute['body']) => (body !== null && isRaw(body) ? body.mediaType : 'application/json')
const contentOf = (row: NonNullable<JsonRoute['body']>, body: unknown) =>
  isRaw(row) && (body instanceof Blob || typeof body === 'string') ? body : JSON.stringify(body)

/** Text of a file that the server keeps, as it was sent. */
export async function textOf<Row extends Route>(row: Row, asking: Asking<Row> & Filling): Promise<string> {
  return (await responseOf(routePath(row, asking), { method: row.method.toUpperCase() })).text()
}

/** What is stored instead of a write over an older version; null where the error is another one. */
export function storedInstead<Row extends JsonRoute>(_row: Row, error: unknown): AnswerOf<Row> | null {
  if (!(error instanceof ApiError) || error.body.code !== 'stale') return null
  return (error.body.current ?? null) as AnswerOf<Row> | null
}

/**
 * Stores something under an id that this window has given: where an earlier try is stored whose answer
 * was lost, it is written over.
 * @param write writes over a version
 */
export async function putOwn<Row extends JsonRoute>(row: Row, write: (version: number) => Asking<Row> & Filling): Promise<AnswerOf<Row>> {
  try {
    return await ask(row, write(0))
  } catch (error) {
    const version = fieldOf(storedInstead(row, error), 'version')
    if (typeof version !== 'number') throw error
    return ask(row, write(version))
  }
}

async function responseOf(path: string, init: RequestInit): Promise<Response> {
  const done = working()
  let response: Response
  try {
    response = await fetch(`/api${path}`, init)
  } catch {
    throw new UnreachableServer()
  } finally {
    done()
  }
  if (response.ok) return response
  throw new ApiError(response.status, await errorBody(response))
}

async function errorBody(response: Response): Promise<ErrorBody> {
  try {
    const parsed = errorSchema.safeParse(await response.json())
    if (parsed.success) return parsed.data
  } catch {
    // Not JSON: a proxy or a half-started server.
  }
  return { code: 'unreadable', message: `The server answered with an error (${response.status}).`, fields: [] }
}
