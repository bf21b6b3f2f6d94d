import type { Request, RequestHandler } from 'express'
import type { Database } from '../db/queryable.ts'
import { studios } from '../db/schema.ts'

/** The studio everything belongs to until there are accounts. */
export const DEFAULT_STUDIO = '00000000-0000-4000-8000-000000000001'

/** Makes sure the default studio exists. */
export async function ensureStudio(db: Database): Promise<void> {
  await db.insert(studios).values({ id: DEFAULT_STUDIO, name: 'Fit room' }).onConflictDoNothing()
}

const studioOfRequest = new WeakMap<Request, string>()

/** Decides whose data a request sees. With accounts, this is the one place that changes. */
export const withStudio: RequestHandler = (request, _response, next) => {
  studioOfRequest.set(request, DEFAULT_STUDIO)
  next()
}

export function studioOf(request: Request): string {
  const studio = studioOfRequest.get(request)
  if (studio === undefined) throw new Error('withStudio must run before this route')
  return studio
}
