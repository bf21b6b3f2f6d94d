import type { contract } from '@level-stance/core/contract/contract'
import { PICTURE_LIMIT } from '@level-stance/core/record/attachments'
import { MAT_FILE_LIMIT } from '@level-stance/core/stations/seat/mat/format'
import type { Database } from '../db/queryable.ts'
import { HttpError } from '../http/errors.ts'
import type { Handlers } from '../http/serve.ts'
import { addAttachment, listAttachments, readContent, writeAttachment } from './store.ts'

type Routes = Pick<typeof contract, 'addAttachment' | 'listAttachments' | 'readAttachment' | 'writeAttachment'>

/** Pictures and recordings kept with a visit. */
export const attachmentHandlers = (db: Database): Handlers<Routes> => ({
  addAttachment: ({ params, query, body }, { studioId }) => {
    const most = query.kind === 'impression' ? PICTURE_LIMIT : MAT_FILE_LIMIT
    if (body.length > most) {
      const message = `The file must be at most ${most / 1024 / 1024} MB.`
      throw new HttpError(413, 'too-large', message, [{ field: 'file', message }])
    }
    return addAttachment(db, studioId, params.visitId, query, Buffer.from(body.buffer, body.byteOffset, body.length))
  },
  listAttachments: async ({ params }, { studioId }) => ({ attachments: await listAttachments(db, studioId, params.visitId) }),
  readAttachment: async ({ params }, { studioId }) => ({
    ...(await readContent(db, studioId, params.id)),
    headers: { 'Content-Security-Policy': "default-src 'none'; sandbox", 'Cache-Control': 'private, max-age=3600, immutable' },
  }),
  writeAttachment: ({ params, body: { version, ...fields } }, { studioId }) => writeAttachment(db, studioId, params.id, version, fields),
})
