import { keysOf } from '@level-stance/core/kernel/tables'
import express from 'express'
import type { Request, RequestHandler, Response, Router } from 'express'
import type { Logger } from 'pino'
import { idSchema } from '@level-stance/core/contract/contract'
import { isRaw, paramNames } from '@level-stance/core/contract/route'
import type { AnswerOf, Asked, FileAnswer, Route } from '@level-stance/core/contract/route'
import { isTooDeep, tooDeepWords } from '@level-stance/core/kernel/nesting'
import { HttpError, checked, logOf } from './errors.ts'
import { studioOf } from './studio.ts'
import { writeConditionOf } from './writeCondition.ts'
import type { WriteCondition } from './writeCondition.ts'

/** JSON that is written already. */
export class WrittenJson {
  readonly json: string
  constructor(json: string) {
    this.json = json
  }
}

/** A file as it is sent. */
export interface SentFile {
  readonly mediaType: string
  readonly content: Uint8Array | string
  /** under which it is kept by who downloads it; without, it is only shown */
  readonly name?: string
  readonly headers?: Readonly<Record<string, string>>
}

/** What a handler knows of its request beside what was asked. */
export interface Caller {
  readonly studioId: string
  /** the write as its headers mark it, over the version its writer has seen */
  readonly seen: (version: number) => WriteCondition
  readonly log: Logger | undefined
}

type Answered<Row extends Route> = Row['answer'] extends FileAnswer ? SentFile : AnswerOf<Row> | WrittenJson

/** Answers one route: what it is given is checked already. */
export type Handler<Row extends Route> = (asked: Asked<Row>, caller: Caller) => Promise<Answered<Row>> | Answered<Row>

/** A handler for each of some routes. */
export type Handlers<Rows extends Readonly<Record<string, Route>>> = { readonly [Name in keyof Rows]: Handler<Rows[Name]> }

/** What is nested too deep is refused before it is read: nothing behind the edge has to stand it. */
function notTooDeep(_request: unknown, _response: unknown, body: Buffer): void {
  if (isTooDeep(body.toString('latin1'))) throw new HttpError(400, 'too-deep', tooDeepWords)
}
const readJson = express.json({ limit: '200kb', verify: notTooDeep })

function readerOf({ body }: Route): RequestHandler[] {
  if (body === null) return []
  if (!isRaw(body)) return [readJson]
  return [express[body.raw === 'text' ? 'text' : 'raw']({ type: [body.mediaType], limit: body.limit })]
}

/** The body as its row wants it. @throws HttpError 400 or 415 */
function bodyOf({ body }: Route, given: unknown): unknown {
  if (body === null) return null
  if (!isRaw(body)) return checked(body, given)
  if (body.raw === 'text' ? typeof given === 'string' : Buffer.isBuffer(given) && given.length > 0) return given
  if (body.raw === 'text') throw new HttpError(415, 'not-json', `Send it as ${body.mediaType}.`)
  throw new HttpError(400, 'empty', 'The file is empty.', [{ field: 'file', message: 'Choose a file that is not empty.' }])
}

/** Serves a route: its path, what is read and checked, and how the answer is sent all come from its row. */
export function serve<Row extends Route>(router: Router, row: Row, handler: Handler<Row>): void {
  const names = paramNames(row.path)
  router[row.method](row.path.replace(/\{(\w+)\}/g, ':$1'), ...readerOf(row), async (request, response) => {
    const params = Object.fromEntries(names.map((name) => [name, checked(row.params?.[name] ?? idSchema, request.params[name])]))
    const query = row.query === null ? null : checked(row.query, request.query)
    const asked = { params, query, body: bodyOf(row, request.body) } as Asked<Row>
    send(response, row, await handler(asked, callerOf(request)))
  })
}

function callerOf(request: Request): Caller {
  const log = logOf(request)
  return { studioId: studioOf(request), seen: (version) => writeConditionOf(request, version), log }
}

function send(response: Response, row: Route, answer: unknown): void {
  response.status(row.status ?? 200)
  if ('file' in row.answer) {
    const { mediaType, content, name, headers = {} } = answer as SentFile
    for (const [header, value] of Object.entries(headers)) response.setHeader(header, value)
    if (name !== undefined) response.attachment(name)
    response.type(mediaType).send(typeof content === 'string' ? content : Buffer.from(content))
  } else if (answer instanceof WrittenJson) response.type('application/json').send(answer.json)
  else response.json(answer)
}

/** Serves each of some routes by the handler of its name. */
export function serveAll<Rows extends Readonly<Record<string, Route>>>(router: Router, rows: Rows, handlers: Handlers<Rows>): void {
  for (const name of keysOf(rows)) serve(router, rows[name], handlers[name])
}
