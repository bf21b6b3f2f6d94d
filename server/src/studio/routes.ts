import type { contract } from '@level-stance/core/contract/contract'
import type { Database } from '../db/queryable.ts'
import type { Handlers } from '../http/serve.ts'
import { readLearned, writeLearns } from '../visits/learned.ts'

type Routes = Pick<typeof contract, 'readLearned' | 'writeLearns'>

/** What the studio's closed visits came to: counts only, and the switch that leaves them out. */
export const studioHandlers = (db: Database): Handlers<Routes> => ({
  readLearned: (_asked, { studioId }) => readLearned(db, studioId),
  writeLearns: async ({ body }, { studioId }) => {
    await writeLearns(db, studioId, body.learns)
    return readLearned(db, studioId)
  },
})
