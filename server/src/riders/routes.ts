import type { contract } from '@level-stance/core/contract/contract'
import type { Database } from '../db/queryable.ts'
import type { Handlers } from '../http/serve.ts'
import { listRiders, readRider, writeBike, writeRider } from './store.ts'

type Routes = Pick<typeof contract, 'listRiders' | 'readRider' | 'writeRider' | 'writeBike'>

/** Riders and their bikes. */
export const riderHandlers = (db: Database): Handlers<Routes> => ({
  listRiders: ({ query }, { studioId }) => listRiders(db, studioId, query),
  readRider: ({ params }, { studioId }) => readRider(db, studioId, params.riderId),
  writeRider: ({ params, body }, { studioId }) => writeRider(db, studioId, params.riderId, body.version, body.rider),
  writeBike: ({ params, body }, { studioId }) => writeBike(db, studioId, params.riderId, params.bikeId, body.version, body.bike),
})
