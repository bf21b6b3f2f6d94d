import type { contract } from '@level-stance/core/contract/contract'
import type { Database } from '../db/queryable.ts'
import type { Handlers } from '../http/serve.ts'
import { listTried, writeTried } from './triedStore.ts'

type Routes = Pick<typeof contract, 'listTried' | 'writeTried'>

/** Saddles a rider has ridden, over all visits. */
export const triedSaddleHandlers = (db: Database): Handlers<Routes> => ({
  listTried: async ({ params }, { studioId }) => ({ saddles: await listTried(db, studioId, params.riderId) }),
  writeTried: ({ params, body: { version, ...rest } }, { studioId }) =>
    writeTried(db, studioId, params.riderId, version, { id: params.id, ...rest }),
})
