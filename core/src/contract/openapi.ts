import { z } from 'zod'
import { everyRoute } from './contract.ts'
import { errorSchema } from './error.ts'
import { isRaw, paramNames } from './route.ts'
import type { Route } from './route.ts'

/** A JSON Schema as OpenAPI 3.1 takes it: draft 2020-12, everything in its place. */
function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Record<string, unknown> {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' })
  return rest
}

const anId = { type: 'string', format: 'uuid' }
const failure = {
  description: 'What is wrong, in words',
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } },
}

/**
 * Every route as an OpenAPI document.
 * @source OpenAPI Specification 3.1.1
 */
export function openApiDocument(): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {}
  for (const [name, row] of Object.entries(everyRoute)) (paths[row.path] ??= {})[row.method] = operation(name, row)
  return {
    openapi: '3.1.1',
    info: {
      title: 'Level Stance',
      version: '1',
      description: 'Edited rows carry a version: a write over another version is answered with 409, code “stale”, and what is stored.',
    },
    servers: [{ url: '/api' }],
    paths,
    components: { schemas: { Error: schemaOf(errorSchema, 'output') } },
  }
}

function operation(name: string, row: Route): Record<string, unknown> {
  const inPath = paramNames(row.path).map((param) => {
    const own = row.params?.[param]
    return { name: param, in: 'path', required: true, schema: own ? schemaOf(own, 'input') : anId }
  })
  const parameters = [...inPath, ...queryParameters(row.query)]
  return {
    operationId: name,
    summary: row.summary,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(row.body === null ? {} : { requestBody: { required: true, content: bodyContent(row.body) } }),
    responses: { [String(row.status ?? 200)]: { description: 'Done', content: answerContent(row.answer) }, default: failure },
  }
}

const shapeOf = z.object({ properties: z.record(z.string(), z.unknown()), required: z.array(z.string()).default([]) })
function queryParameters(query: Route['query']): Record<string, unknown>[] {
  if (query === null) return []
  const { properties, required } = shapeOf.parse(schemaOf(query, 'input'))
  return Object.entries(properties).map(([name, schema]) => ({ name, in: 'query', required: required.includes(name), schema }))
}

function bodyContent(body: NonNullable<Route['body']>): Record<string, unknown> {
  if (isRaw(body)) return { [body.mediaType]: {} }
  return { 'application/json': { schema: schemaOf(body, 'input') } }
}

function answerContent(answer: Route['answer']): Record<string, unknown> {
  if ('file' in answer) return Object.fromEntries(answer.file.map((mediaType) => [mediaType, {}]))
  return { 'application/json': { schema: schemaOf(answer, 'output') } }
}
