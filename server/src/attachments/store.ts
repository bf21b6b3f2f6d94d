import { isDeepStrictEqual } from 'node:util'
import { and, asc, eq } from 'drizzle-orm'
import type { Attachment, AttachmentFields, AttachmentKind } from '@level-stance/core/record/attachments'
import type { Database, Queryable } from '../db/queryable.ts'
import { attachments, visits } from '../db/schema.ts'
import { writeVersioned } from '../http/versioned.ts'
import { HttpError, notFound } from '../http/errors.ts'
import { unmarked } from '../http/writeCondition.ts'
import { riderOfVisit } from '../visits/dossier.ts'
import { safePicture } from './picture.ts'
import { safeRecording, unpackedRecording } from './recording.ts'

/** A visit keeps at most this many. */
const MOST_ATTACHMENTS = 40

const shown = {
  id: attachments.id,
  visitId: attachments.visitId,
  kind: attachments.kind,
  title: attachments.title,
  marks: attachments.marks,
  width: attachments.width,
  height: attachments.height,
  bytes: attachments.bytes,
  createdAt: attachments.createdAt,
  version: attachments.version,
  removed: attachments.removed,
}
type Shown = Omit<typeof attachments.$inferSelect, 'content' | 'studioId' | 'mediaType'>

const show = ({ removed: _, visitId: __, createdAt, ...rest }: Shown): Attachment => ({ ...rest, createdAt: createdAt.toISOString() })

/** What a visit keeps. */
const kept = (studioId: string, visitId: string) =>
  and(eq(attachments.studioId, studioId), eq(attachments.visitId, visitId), eq(attachments.removed, false))

export async function listAttachments(db: Database, studioId: string, visitId: string): Promise<Attachment[]> {
  await riderOfVisit(db, studioId, visitId)
  const rows = await db
    .select(shown)
    .from(attachments)
    .where(kept(studioId, visitId))
    .orderBy(asc(attachments.createdAt), asc(attachments.id))
  return rows.map(show)
}

/**
 * Keeps a picture or a recording with a visit. Asking again with the same id gives what is there.
 * @throws HttpError 400, 409 or 415 in words
 */
export async function addAttachment(
  db: Database,
  studioId: string,
  visitId: string,
  { id, kind, title }: { readonly id: string; readonly kind: AttachmentKind; readonly title: string },
  body: Buffer,
  createdAt = new Date(),
): Promise<Attachment> {
  await riderOfVisit(db, studioId, visitId)
  const there = await found(db, studioId, id)
  if (there && there.visitId !== visitId) throw new HttpError(409, 'taken', 'This id belongs to an attachment of another visit.')
  if (there) return show(there)
  const picture = kind === 'impression' ? await safePicture(body) : null
  const content = picture?.content ?? (await safeRecording(body))
  // Counted and added in one transaction, on the locked visit, so that two uploads at once do not go over the most.
  const row = await db.transaction(async (tx) => {
    await tx
      .select({ id: visits.id })
      .from(visits)
      .where(and(eq(visits.studioId, studioId), eq(visits.id, visitId)))
      .for('update')
    if ((await tx.$count(attachments, kept(studioId, visitId))) >= MOST_ATTACHMENTS)
      throw new HttpError(409, 'too-many', `A visit keeps ${MOST_ATTACHMENTS} pictures and recordings at most: remove one first.`)
    const values = {
      id,
      studioId,
      visitId,
      kind,
      title,
      marks: null,
      mediaType: picture?.mediaType ?? 'text/csv; charset=utf-8',
      width: picture?.width ?? null,
      height: picture?.height ?? null,
      bytes: content.length,
      content,
      createdAt,
      version: 1,
    }
    await tx.insert(attachments).values(values).onConflictDoNothing()
    return found(tx, studioId, id)
  })
  if (!row) throw notFound('This attachment')
  return show(row)
}

/** Content as it is handed out. @throws HttpError 404 */
export async function readContent(db: Database, studioId: string, id: string): Promise<{ mediaType: string; content: Buffer }> {
  const [row] = await db
    .select({ kind: attachments.kind, mediaType: attachments.mediaType, content: attachments.content })
    .from(attachments)
    .where(and(eq(attachments.studioId, studioId), eq(attachments.id, id), eq(attachments.removed, false)))
  if (!row) throw notFound('This attachment')
  return { mediaType: row.mediaType, content: row.kind === 'mat' ? await unpackedRecording(row.content) : row.content }
}

/** Title and marks over the version seen; or removal. */
export async function writeAttachment(
  db: Database,
  studioId: string,
  id: string,
  seen: number,
  { title, marks, removed }: AttachmentFields & { readonly removed: boolean },
): Promise<Attachment> {
  if (!(await found(db, studioId, id))) throw notFound('This attachment')
  const row = await writeVersioned<Shown>(unmarked(seen), {
    find: () => found(db, studioId, id),
    same: (current) =>
      isDeepStrictEqual({ title: current.title, marks: current.marks, removed: current.removed }, { title, marks, removed }),
    insert: () => Promise.resolve(undefined),
    update: async (version) =>
      (
        await db
          .update(attachments)
          .set({ title, marks, removed, version: version + 1 })
          .where(and(eq(attachments.studioId, studioId), eq(attachments.id, id), eq(attachments.version, version)))
          .returning(shown)
      )[0],
    show,
  })
  return show(row)
}

async function found(db: Queryable, studioId: string, id: string): Promise<Shown | undefined> {
  const [row] = await db
    .select(shown)
    .from(attachments)
    .where(and(eq(attachments.studioId, studioId), eq(attachments.id, id)))
  return row
}
