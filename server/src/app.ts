import express from 'express'
import type { Express } from 'express'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { sql } from 'drizzle-orm'
import type { Calculate } from './calculations/pool.ts'
import { calculateHere, workBy } from './calculations/heavy.ts'
import { calculationRoutes } from './calculations/routes.ts'
import type { Database } from './db/queryable.ts'
import { HttpError, errorHandler, noDatabase, unknownRoute } from './http/errors.ts'
import { safeHeaders, sameMachine } from './http/guards.ts'
import { isTooDeep, tooDeepWords } from '@level-stance/core/kernel/nesting'
import { withStudio } from './http/studio.ts'
import type { SheetFonts } from './pdf/fonts.ts'
import { importRoute, recordRoutes } from './record/routes.ts'
import { attachmentRoutes, attachmentUpload } from './attachments/routes.ts'
import { catalogueRoutes } from './catalogue/routes.ts'
import { triedSaddleRoutes } from './saddles/routes.ts'
import { riderRoutes } from './riders/routes.ts'
import { studioRoutes } from './studio/routes.ts'
import { visitRoutes } from './visits/routes.ts'

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
  api.get('/health', async (_request, response) => {
    try {
      await db.execute(sql`select 1`)
      response.json({ status: 'ok' })
    } catch {
      response.status(503).json(noDatabase)
    }
  })
  api.use(withStudio)
  const work = workBy(calculate)
  api.use(importRoute(db, work))
  api.use(attachmentUpload(db))
  api.use(express.json({ limit: '200kb', verify: notTooDeep }))
  api.use('/calculations', calculationRoutes(calculate))
  api.use('/riders', riderRoutes(db))
  api.use(catalogueRoutes(db))
  api.use(triedSaddleRoutes(db))
  api.use(attachmentRoutes(db))
  api.use(recordRoutes(db, fonts, work))
  api.use('/visits', visitRoutes(db, work))
  api.use('/studio', studioRoutes(db))
  api.use(unknownRoute)
  app.use('/api', api)
  if (webRoot !== null) serveScreens(app, webRoot)
  app.use(unknownRoute, errorHandler)
  return app
}

/** What is nested too deep is refused before it is read: nothing behind the edge has to stand it. */
function notTooDeep(_request: unknown, _response: unknown, body: Buffer): void {
  if (isTooDeep(body.toString('latin1'))) throw new HttpError(400, 'too-deep', tooDeepWords)
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
