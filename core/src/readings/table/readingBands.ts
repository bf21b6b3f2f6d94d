import { DYNAMIC_KNEE, STATIC_KNEE } from '../../body/metrics.ts'
import type { TargetBand } from '../../kernel/band.ts'
import type { SourceKey } from '../../kernel/sources.ts'
import { methods } from './methods.ts'
import type { Method, MethodKey } from './methods.ts'

interface ReadingBand {
  /** read off a leg held still, and off one that pedals */
  readonly still: TargetBand
  readonly pedalling: TargetBand
  readonly source: SourceKey
}

/** Bands that judge a reading by itself. */
export const readingBands = {
  'knee-at-bottom': { still: STATIC_KNEE, pedalling: DYNAMIC_KNEE, source: 'holmes' },
} as const satisfies Readonly<Record<string, ReadingBand>>
export type ReadingBandKey = keyof typeof readingBands

/** The band for the way a reading was taken; without a reading, the one for a leg held still. */
export function bandFor(key: ReadingBandKey, method: MethodKey | null): TargetBand {
  const row: Method | null = method && methods[method]
  return row?.pedalling ? readingBands[key].pedalling : readingBands[key].still
}
