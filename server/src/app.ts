import express from 'express'
import type { Express } from 'express'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { sql } from 'drizzle-orm'
import type { Calculate } from './calculations/pool.ts'
import { calculateHere, workBy } from './calculations/heavy.ts'
import { calculationHandlers } from './calculations/routes.ts'
import type { Database } from './db/queryable.ts'
import { HttpError, errorHandler, noDatabase, unknownRoute } from './http/errors.ts'
import { safeHeaders, sameMachine } from './http/guards.ts'
import { contract } from '@level-stance/core/contract/contract'
import { openApiDocument } from '@level-stance/core/contract/openapi'
import { WrittenJson, serveAll } from './http/serve.ts'
import type { Handlers } from './http/serve.ts'
import { withStudio } from './http/studio.ts'
import type { SheetFonts } from './pdf/fonts.ts'
import { recordHandlers } from './record/routes.ts'
import { attachmentHandlers } from './attachments/routes.ts'
import { serveCatalogues } from './catalogue/routes.ts'
import { triedSaddleHandlers } from './saddles/routes.ts'
import { riderHandlers } from './riders/routes.ts'
import { studioHandlers } from './studio/routes.ts'
import { visitHandlers } from './visits/routes.ts'

export interface AppParts {
  readonly db: Database
  readonly logger: Logger
  readonly fonts: SheetFonts
  /** folder of the built screens; null serves the API alone */
  readonly webRoot: string | null
  readonly extraHosts?: readonly string[]
  /** how calculations are run; in this thread by default */
  readonly calculate?: Calculate
}

/** Assembles the server; listens nowhere by itself. */
export function createApp({ db, logger, fonts, webRoot, extraHosts, calculate = calculateHere(() => fonts) }: AppParts): Express {
  const app = express()
  app.disable('x-powered-by')
  // Answers are never stored, so nobody would ask again by a hash of one.
  app.disable('etag')
  app.use(requestLog(logger), safeHeaders, sameMachine(extraHosts))
  const api = express.Router()
  api.use((_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store')
    next()
  })
  api.use(withStudio)
  const work = workBy(calculate)
  serveAll(api, contract, {
    ...statusHandlers(db),
    ...calculationHandlers(calculate),
    ...riderHandlers(db),
    ...triedSaddleHandlers(db),
    ...attachmentHandlers(db),
    ...recordHandlers(db, work),
    ...visitHandlers(db, work),
    ...studioHandlers(db),
  })
  serveCatalogues(api, db)
  api.use(unknownRoute)
  app.use('/api', api)
  if (webRoot !== null) serveScreens(app, webRoot)
  app.use(unknownRoute, errorHandler)
  return app
}

/** Whether all is well, and what there is. */
const statusHandlers = (db: Database): Handlers<Pick<typeof contract, 'readHealth' | 'readOpenApi'>> => {
  const document = new WrittenJson(JSON.stringify(openApiDocument()))
  return {
    readHealth: async () => {
      await db.execute(sql`select 1`).catch(() => {
        throw new HttpError(503, noDatabase.code, noDatabase.message)
      })
      return { status: 'ok' }
    },
    readOpenApi: () => document,
  }
}

/** Built files are named by content and kept for good; the page itself is always asked for. */
function serveScreens(app: Express, root: string): void {
  app.use('/assets', express.static(`${root}/assets`, { immutable: true, maxAge: '1y', fallthrough: false }))
  app.use(express.static(root, { index: false, maxAge: 0 }))
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache')
    response.sendFile('index.html', { root })
  })
}

/** One structured line per request; the path without its query, so that no name is logged. */
function requestLog(logger: Logger) {
  return pinoHttp({
    logger,
    serializers: {
      req: (request: { method: string; url: string }) => ({ method: request.method, path: request.url.split('?')[0] }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
    customLogLevel: (_request, response, error) =>
      error || response.statusCode >= 500 ? 'error' : response.statusCode >= 400 ? 'warn' : 'debug',
  })
}
