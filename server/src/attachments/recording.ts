import { gunzip, gzip } from 'node:zlib'
import { promisify } from 'node:util'
import { MatError, MatReader } from '@level-stance/core/stations/seat/mat/format'
import { HttpError } from '../http/errors.ts'

const packed = promisify(gzip)
const unpacked = promisify(gunzip)
/** Read between two looks at other requests, characters. */
const SLICE = 64 * 1024

/**
 * Checks a pressure recording line by line, without standing in the way of other requests, and packs it.
 * @throws HttpError 400 naming the line
 */
export async function safeRecording(bytes: Buffer): Promise<Buffer> {
  const text = bytes.toString('utf8')
  try {
    const reader = new MatReader(() => undefined)
    for (let from = 0; from < text.length; from += SLICE) {
      reader.push(text.slice(from, from + SLICE))
      await new Promise(setImmediate)
    }
    reader.end()
  } catch (error) {
    if (error instanceof MatError) throw new HttpError(400, 'no-recording', error.message, [{ field: 'file', message: error.message }])
    throw error
  }
  return packed(bytes)
}

/** The recording's text as it came. */
export const unpackedRecording = (content: Buffer): Promise<Buffer> => unpacked(content)
