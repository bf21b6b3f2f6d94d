import type { Request } from 'express'
import { z } from 'zod'

/** What a writer says of a write: the version it was made over, its own id, and earlier ones it never heard of again. */
export interface WriteCondition {
  readonly version: number
  /** kept with the row; null where the writer gives none */
  readonly write: string | null
  /** ids of the same writer's writes whose answers were lost: what one of them made is no stranger's */
  readonly unanswered: readonly string[]
}

/** More lost answers than this are not remembered. */
const MOST_UNANSWERED = 5
const id = z.uuid()

/** The write as its headers mark it; what is no id is left out, as an older window sends none. */
export function writeConditionOf(request: Request, version: number): WriteCondition {
  const ids = (header: string) =>
    (request.get(header) ?? '')
      .split(',')
      .slice(0, MOST_UNANSWERED)
      .filter((text) => id.safeParse(text).success)
  return { version, write: ids('x-write')[0] ?? null, unanswered: ids('x-unanswered') }
}

/** A write over a version by somebody who marks nothing. */
export const unmarked = (version: number): WriteCondition => ({ version, write: null, unanswered: [] })
