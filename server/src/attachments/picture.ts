import sharp from 'sharp'
import { PICTURE_PIXELS } from '@level-stance/core/record/attachments'
import { HttpError } from '../http/errors.ts'
import { isOneOf } from '@level-stance/core/kernel/tables'

/** A picture made safe to keep. */
export interface Picture {
  readonly content: Buffer
  readonly mediaType: 'image/jpeg'
  readonly width: number
  readonly height: number
}

const readable = ['jpeg', 'png', 'webp'] as const
/** A picture that unpacks to more than this is refused, pixels. */
const MOST_PIXELS = 120_000_000

/**
 * Reads a picture by its content, whatever its name says, turns it upright, makes it small enough,
 * and writes it anew: place, camera and all else that rode along in it is left behind.
 * @throws HttpError 415 where it is none that can be read
 */
export async function safePicture(bytes: Buffer): Promise<Picture> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', pages: 1 })
    const { format } = await image.metadata()
    if (!isOneOf(readable, format)) throw new Error(`not read here: ${format}`)
    const { data, info } = await image
      .rotate()
      .resize({ width: PICTURE_PIXELS, height: PICTURE_PIXELS, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 88 })
      .toBuffer({ resolveWithObject: true })
    return { content: data, mediaType: 'image/jpeg', width: info.width, height: info.height }
  } catch (cause) {
    throw Object.assign(
      new HttpError(415, 'no-picture', 'This is not a picture that can be read here: JPEG, PNG or WebP.', [
        { field: 'file', message: 'Choose a JPEG, PNG or WebP picture.' },
      ]),
      { cause },
    )
  }
}
