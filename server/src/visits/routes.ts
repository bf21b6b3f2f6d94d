import type { contract } from '@level-stance/core/contract/contract'
import type { Work } from '../calculations/heavy.ts'
import type { Database } from '../db/queryable.ts'
import { WrittenJson } from '../http/serve.ts'
import type { Caller, Handlers } from '../http/serve.ts'
import { countLearned } from './learned.ts'
import { readDossierText } from './dossier.ts'
import { otherBikes } from './otherBikes.ts'
import { appendEntry, createVisit, writeComplaint, writeRating, writeReading, writeVisit } from './store.ts'

type Routes = Pick<
  typeof contract,
  'createVisit' | 'readVisit' | 'readOtherBikes' | 'writeVisit' | 'writeReading' | 'writeComplaint' | 'writeRating' | 'appendToLedger'
>

/**
 * A visit, read and written.
 * @param work does what takes long, in a thread: among it what a closed visit came to, counted after the write is stored and of no concern to its answer
 */
export function visitHandlers(db: Database, work: Work): Handlers<Routes> {
  /** Answers a write that may have changed what the visit's trials came to. */
  async function counted<T>({ studioId, log }: Caller, visitId: string, write: Promise<T>): Promise<T> {
    const stored = await write
    try {
      await countLearned(db, work, studioId, visitId)
    } catch (error) {
      // It stays due: the next write to the visit, or the next start, counts it.
      log?.warn({ err: error }, 'what the visit came to is still to be counted')
    }
    return stored
  }
  return {
    createVisit: ({ body }, { studioId }) => createVisit(db, studioId, body),
    readVisit: async ({ params }, { studioId }) => new WrittenJson(await readDossierText(db, studioId, params.visitId)),
    readOtherBikes: async ({ params }, { studioId }) => ({ bikes: await otherBikes(db, work, studioId, params.visitId) }),
    writeVisit: ({ params: { visitId }, body }, caller) =>
      counted(caller, visitId, writeVisit(db, caller.studioId, visitId, caller.seen(body.version), body.visit)),
    writeReading: ({ params, body }, { studioId, seen }) => writeReading(db, studioId, params.visitId, seen(body.version), body.reading),
    writeComplaint: ({ params, body }, { studioId, seen }) =>
      writeComplaint(db, studioId, params.visitId, seen(body.version), body.complaint, body.removed),
    writeRating: ({ params: { visitId }, body }, caller) =>
      counted(caller, visitId, writeRating(db, caller.studioId, visitId, caller.seen(body.version), body.rating)),
    appendToLedger: ({ params: { visitId }, body }, caller) =>
      counted(caller, visitId, appendEntry(db, caller.studioId, visitId, body.after, body.entry)),
  }
}
