import { z } from 'zod'
import { textField } from '../kernel/fields.ts'
import { impressionMarksSchema } from '../stations/seat/saddle/impressionMarks.ts'

/** What can be kept with a visit: a picture of an impression, or a pressure recording as the text of its file. */
export const attachmentKinds = ['impression', 'mat'] as const
export type AttachmentKind = (typeof attachmentKinds)[number]

/** Larger pictures are refused before they are read, bytes. */
export const PICTURE_LIMIT = 25 * 1024 * 1024
/** A picture is made smaller to this many pixels along its longer side; finer than any hand can mark. */
export const PICTURE_PIXELS = 3000

/** What is written beside an attachment by hand. */
export const attachmentFieldsSchema = z.strictObject({
  title: textField('Title', 1, 120),
  /** marks on a picture; null until they are set, and for a recording */
  marks: impressionMarksSchema.nullable(),
})
export type AttachmentFields = z.infer<typeof attachmentFieldsSchema>

/** An attachment without its content. */
export interface Attachment extends AttachmentFields {
  readonly id: string
  readonly kind: AttachmentKind
  /** of a picture, pixels */
  readonly width: number | null
  readonly height: number | null
  readonly bytes: number
  readonly createdAt: string
  readonly version: number
}
