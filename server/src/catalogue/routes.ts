import type { Router } from 'express'
import { catalogueRoutes } from '@level-stance/core/contract/contract'
import { catalogueKeys } from '@level-stance/core/stations/catalogues'
import type { Database } from '../db/queryable.ts'
import { serve } from '../http/serve.ts'
import { listParts, writePart } from './store.ts'

/** Serves a studio's catalogues, each at its own address. */
export function serveCatalogues(router: Router, db: Database): void {
  for (const catalogue of catalogueKeys) {
    const { list, write } = catalogueRoutes(catalogue)
    serve(router, list, async (_asked, { studioId }) => ({ entries: await listParts(db, studioId, catalogue) }))
    serve(router, write, ({ params, body: { version, ...rest } }, { studioId }) =>
      writePart(db, studioId, catalogue, version, { id: params.id, ...rest }),
    )
  }
}
