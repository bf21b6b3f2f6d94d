import { randomUUID } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { join } from 'node:path'
import pg from 'pg'
import pino from 'pino'
import type { ErrorBody } from '../src/http/errors.ts'
import { createApp } from '../src/app.ts'
import { connect, migrateDatabase } from '../src/db/connect.ts'
import type { Database } from '../src/db/queryable.ts'
import { DEFAULT_STUDIO, ensureStudio } from '../src/http/studio.ts'
import { ensureCatalogues } from '../src/catalogue/store.ts'
import { loadSheetFonts } from '../src/pdf/fonts.ts'

/** What a request came back with. */
export interface Answer<T> {
  readonly status: number
  readonly headers: Headers
  readonly body: T
}

/** The real server on a database of its own, in the tests' PostgreSQL. */
export interface TestServer {
  readonly db: Database
  readonly url: string
  readonly log: string[]
  request: <T = ErrorBody>(method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Answer<T>>
  stop: () => Promise<void>
}

/** @param prepare fills the new database before it is brought up to date */
export async function startTestServer(prepare?: (client: pg.Client) => Promise<void>): Promise<TestServer> {
  const adminUrl = process.env['TEST_DATABASE_URL']
  if (adminUrl === undefined) throw new Error('TEST_DATABASE_URL is not set')
  const name = `test_${randomUUID().replaceAll('-', '')}`
  await asAdmin(adminUrl, `create database ${name}`)
  if (prepare) await withClient(adminUrl.replace(/\/[^/]*$/, `/${name}`), prepare)
  const { db, close } = connect(adminUrl.replace(/\/[^/]*$/, `/${name}`), () => {})
  await migrateDatabase(db, join(__dirname, '../migrations'))
  await ensureStudio(db)
  await ensureCatalogues(db, DEFAULT_STUDIO)
  const log: string[] = []
  const logger = pino({ level: 'debug', base: null }, { write: (line: string) => void log.push(line) })
  const app = createApp({ db, logger, fonts: loadSheetFonts(__filename), webRoot: null })
  const server = await new Promise<Server>((resolve) => {
    const listening: Server = app.listen(0, '127.0.0.1', () => resolve(listening))
  })
  // A test that waits for another process stands still with the server in it; an idle connection must outlive that.
  server.keepAliveTimeout = 20_000
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    db,
    url,
    log,
    request: async (method, path, body, headers = {}) => {
      const init: RequestInit = { method, headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers } }
      if (body !== undefined) init.body = typeof body === 'string' ? body : JSON.stringify(body)
      const response = await fetch(`${url}/api${path}`, init)
      const isJson = response.headers.get('content-type')?.includes('json') ?? false
      const read = isJson ? ((await response.json()) as never) : (Buffer.from(await response.arrayBuffer()) as never)
      return { status: response.status, headers: response.headers, body: read }
    },
    stop: async () => {
      const closed = new Promise((resolve) => server.close(resolve))
      server.closeAllConnections()
      await closed
      await close()
      await asAdmin(adminUrl, `drop database ${name} with (force)`)
    },
  }
}

const asAdmin = (url: string, statement: string) => withClient(url, async (client) => void (await client.query(statement)))

async function withClient(url: string, work: (client: pg.Client) => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    await work(client)
  } finally {
    await client.end()
  }
}
