import type { z } from 'zod'

/** Content that is sent as it is: a text, or bytes. */
export interface RawBody {
  readonly raw: 'text' | 'bytes'
  readonly mediaType: string
  /** most bytes that are read */
  readonly limit: number
}
/** A file instead of JSON. */
export interface FileAnswer {
  readonly file: readonly string[]
}

/** The names in braces in a path. */
type ParamsOf<Path extends string> = string extends Path
  ? string
  : Path extends `${string}{${infer Name}}${infer Rest}`
    ? Name | ParamsOf<Rest>
    : never

/** One route of the server: the server answers by it, the screens ask by it, and the published document lists it. */
export interface Route<
  Path extends string = string,
  Query extends z.ZodType | null = z.ZodType | null,
  Body extends z.ZodType | RawBody | null = z.ZodType | RawBody | null,
  Answer extends z.ZodType | FileAnswer = z.ZodType | FileAnswer,
> {
  readonly method: 'get' | 'put' | 'post'
  /** below /api, names in braces: `/riders/{riderId}` */
  readonly path: Path
  readonly summary: string
  /** of each name in the path; an id where nothing is said */
  readonly params?: Readonly<Record<string, z.ZodType<string>>>
  readonly query: Query
  /** JSON by its schema, content as it is, or nothing */
  readonly body: Body
  readonly answer: Answer
  /** of a good answer; 200 where nothing is said */
  readonly status?: 201
}

/** Identity with types: keeps a row's own path and schemas. */
export function route<
  const Path extends string,
  Query extends z.ZodType | null,
  Body extends z.ZodType | RawBody | null,
  const Answer extends z.ZodType | FileAnswer,
>(row: Route<Path, Query, Body, Answer>): Route<Path, Query, Body, Answer> {
  return row
}

/** What a handler is given: checked, defaults filled in. */
export interface Asked<Row extends Route> {
  readonly params: Readonly<Record<ParamsOf<Row['path']>, string>>
  readonly query: Row['query'] extends z.ZodType ? z.output<Row['query']> : null
  readonly body: Row['body'] extends z.ZodType
    ? z.output<Row['body']>
    : Row['body'] extends { readonly raw: 'text' }
      ? string
      : Row['body'] extends RawBody
        ? Uint8Array
        : null
}

/** What is asked with: the names in the path, then query and body where the route has them. */
export type Asking<Row extends Route> = ([ParamsOf<Row['path']>] extends [never]
  ? { readonly params?: undefined }
  : { readonly params: Readonly<Record<ParamsOf<Row['path']>, string>> }) &
  (Row['query'] extends z.ZodType ? { readonly query: z.input<Row['query']> } : { readonly query?: undefined }) &
  (Row['body'] extends z.ZodType
    ? { readonly body: z.input<Row['body']> }
    : Row['body'] extends { readonly raw: 'text' }
      ? { readonly body: string }
      : Row['body'] extends RawBody
        ? { readonly body: Blob }
        : { readonly body?: undefined })

/** What a route answers with as JSON. */
export type AnswerOf<Row extends Route> = Row['answer'] extends z.ZodType ? z.output<Row['answer']> : never

/** The names in braces in a path, in order. */
export function paramNames(path: string): string[] {
  return [...path.matchAll(/\{(\w+)\}/g)].map((match) => match[1] ?? '')
}

/** Whether a body is sent as it is. */
export function isRaw(body: z.ZodType | RawBody): body is RawBody {
  return 'raw' in body
}

/** What an address is made of; a part of the query that is undefined or null is left out. */
export interface Filling {
  readonly params?: Readonly<Record<string, string>> | undefined
  readonly query?: object | undefined
}

/** The address of a route below /api, with its names and query filled in. */
export function routePath({ path }: Pick<Route, 'path'>, { params = {}, query = {} }: Filling): string {
  const filled = paramNames(path).reduce((so, name) => so.replace(`{${name}}`, encodeURIComponent(params[name] ?? '')), path)
  const given = Object.entries(query).filter(([, value]) => value !== undefined && value !== null)
  const search = new URLSearchParams(given.map(([name, value]) => [name, String(value)])).toString()
  return search === '' ? filled : `${filled}?${search}`
}

/** Where a browser opens a route by itself: a file to download. */
export function hrefOf<Row extends Route>(row: Row, asking: Asking<Row> & Filling): string {
  return `/api${routePath(row, asking)}`
}
