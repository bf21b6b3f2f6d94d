import express, { Router } from 'express'
import { z } from 'zod'
import { PICTURE_LIMIT, attachmentFieldsSchema, attachmentKinds } from '@level-stance/core/record/attachments'
import { MAT_FILE_LIMIT } from '@level-stance/core/stations/seat/mat/format'
import type { Database } from '../db/queryable.ts'
import { HttpError, checked } from '../http/errors.ts'
import { studioOf } from '../http/studio.ts'
import { idSchema, versionSchema } from '../riders/routes.ts'
import { addAttachment, listAttachments, readContent, writeAttachment } from './store.ts'

const query = z.strictObject({
  id: idSchema,
  kind: z.enum(attachmentKinds, { error: `kind must be one of ${attachmentKinds.join(', ')}.` }),
  title: attachmentFieldsSchema.shape.title,
})
const write = attachmentFieldsSchema.extend({ version: versionSchema, removed: z.boolean() })

/** Pictures and recordings come as raw bytes, ahead of the reader of JSON. */
export function attachmentUpload(db: Database): Router {
  const router = Router()
  const limit = Math.max(PICTURE_LIMIT, MAT_FILE_LIMIT)
  router.post('/visits/:id/attachments', express.raw({ type: ['application/octet-stream'], limit }), async (request, response) => {
    const asked = checked(query, request.query)
    if (!Buffer.isBuffer(request.body) || request.body.length === 0) {
      throw new HttpError(400, 'empty', 'The file is empty.', [{ field: 'file', message: 'Choose a file that is not empty.' }])
    }
    const most = asked.kind === 'impression' ? PICTURE_LIMIT : MAT_FILE_LIMIT
    if (request.body.length > most) {
      const message = `The file must be at most ${most / 1024 / 1024} MB.`
      throw new HttpError(413, 'too-large', message, [{ field: 'file', message }])
    }
    const visitId = checked(idSchema, request.params.id)
    response.status(201).json(await addAttachment(db, studioOf(request), visitId, asked, request.body))
  })
  return router
}

export function attachmentRoutes(db: Database): Router {
  const router = Router()
  router.get('/visits/:id/attachments', async (request, response) => {
    response.json({ attachments: await listAttachments(db, studioOf(request), checked(idSchema, request.params.id)) })
  })
  router.get('/attachments/:id/content', async (request, response) => {
    const { mediaType, content } = await readContent(db, studioOf(request), checked(idSchema, request.params.id))
    response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox")
    response.setHeader('Cache-Control', 'private, max-age=3600, immutable')
    response.type(mediaType).send(content)
  })
  router.put('/attachments/:id', async (request, response) => {
    const { version, ...fields } = checked(write, request.body)
    response.json(await writeAttachment(db, studioOf(request), checked(idSchema, request.params.id), version, fields))
  })
  return router
}
