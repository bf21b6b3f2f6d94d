import { working } from '../kit/settled.ts'

/** The server's one error shape. */
export interface ErrorBody {
  readonly code: string
  readonly message: string
  readonly fields: readonly { readonly field: string; readonly message: string }[]
  readonly current?: unknown
}

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

/** Sends a file as it is. */
export function upload<T>(path: string, file: Blob): Promise<T> {
  return answerOf<T>(path, { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: file })
}

/** Text of what the server keeps, as it was sent. */
export async function textOf(path: string): Promise<string> {
  return (await responseOf(path, { method: 'GET' })).text()
}

export async function api<T>(
  method: 'GET' | 'PUT' | 'POST',
  path: string,
  body?: unknown,
  headers: Readonly<Record<string, string>> = {},
): Promise<T> {
  const init: RequestInit = { method }
  if (body !== undefined) {
    init.headers = { 'content-type': 'application/json', ...headers }
    init.body = typeof body === 'string' ? body : JSON.stringify(body)
  }
  return answerOf<T>(path, init)
}

/**
 * Stores something under an id that this window has given: where an earlier try is stored whose answer
 * was lost, it is written over.
 */
export async function putOwn<T>(path: string, field: string, value: unknown): Promise<T> {
  try {
    return await api<T>('PUT', path, { version: 0, [field]: value })
  } catch (error) {
    const current = error instanceof ApiError && error.body.code === 'stale' ? error.body.current : null
    const version = (current as { version?: unknown } | null)?.version
    if (typeof version !== 'number') throw error
    return api<T>('PUT', path, { version, [field]: value })
  }
}

async function answerOf<T>(path: string, init: RequestInit): Promise<T> {
  return (await (await responseOf(path, init)).json()) as T
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
    const body = (await response.json()) as Partial<ErrorBody>
    if (typeof body.message === 'string') return { ...body, code: body.code ?? 'error', message: body.message, fields: body.fields ?? [] }
  } catch {
    // Not JSON: a proxy or a half-started server.
  }
  return { code: 'unreadable', message: `The server answered with an error (${response.status}).`, fields: [] }
}
