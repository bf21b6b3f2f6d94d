import { randomUUID } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { join } from 'node:path'
import pg from 'pg'
import pino from 'pino'
import type { ErrorBody } from '@level-stance/core/contract/error'
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
  const url = adminUrl.replace(/\/[^/]*$/, `/${name}`)
  if (prepare) {
    await asAdmin(adminUrl, `create database ${name}`)
    await withClient(url, prepare)
    await bringUpToDate(url)
  } else {
    await needTemplate(adminUrl)
    await asAdmin(adminUrl, `create database ${name} template ${TEMPLATE}`)
  }
  const { db, close } = connect(url, () => {})
  const log: string[] = []
  const logger = pino({ level: 'debug', base: null }, { write: (line: string) => void log.push(line) })
  const app = createApp({ db, logger, fonts: loadSheetFonts(__filename), webRoot: null })
  const server = await new Promise<Server>((resolve) => {
    const listening: Server = app.listen(0, '127.0.0.1', () => resolve(listening))
  })
  // A test that waits for another process stands still with the server in it; an idle connection must outlive that.
  server.keepAliveTimeout = 20_000
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    db,
    url: address,
    log,
    request: async (method, path, body, headers = {}) => {
      const init: RequestInit = { method, headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers } }
      if (body !== undefined) init.body = typeof body === 'string' ? body : JSON.stringify(body)
      const response = await fetch(`${address}/api${path}`, init)
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

/** Tables, studio and catalogues as a server has them once it has started. */
async function bringUpToDate(url: string): Promise<void> {
  const { db, close } = connect(url, () => {})
  await migrateDatabase(db, join(__dirname, '../migrations'))
  await ensureStudio(db)
  await ensureCatalogues(db, DEFAULT_STUDIO)
  await close()
}

const TEMPLATE = 'test_template'
/** One for all that wait for the template to be made. */
const TEMPLATE_LOCK = 4810

/** A database that is up to date, made by the first test that needs one; every other is a copy of it. */
async function needTemplate(adminUrl: string): Promise<void> {
  await withClient(adminUrl, async (client) => {
    await client.query('select pg_advisory_lock($1)', [TEMPLATE_LOCK])
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [TEMPLATE])
    if (rowCount === 0) {
      await client.query(`drop database if exists ${TEMPLATE}_new`)
      await client.query(`create database ${TEMPLATE}_new`)
      await bringUpToDate(adminUrl.replace(/\/[^/]*$/, `/${TEMPLATE}_new`))
      await client.query(`alter database ${TEMPLATE}_new rename to ${TEMPLATE}`)
    }
    await client.query('select pg_advisory_unlock($1)', [TEMPLATE_LOCK])
  })
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
