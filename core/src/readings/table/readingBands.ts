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

/** How a leg moves while it is read, each with the method that is usual for it: the band goes by it. */
export const readingWays = {
  still: { label: 'held still', method: 'goniometer' },
  pedalling: { label: 'pedalling', method: 'photo' },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly method: MethodKey }>>
export type ReadingWay = keyof typeof readingWays

/** Which of the two a method reads. */
export function wayOf(method: MethodKey): ReadingWay {
  const row: Method = methods[method]
  return row.pedalling ? 'pedalling' : 'still'
}

/** The method that is taken for a reading where none is named: the usual one, or that of the way this studio reads legs. */
export function usualMethod(
  { method, band }: { readonly method: MethodKey; readonly band?: ReadingBandKey },
  way: ReadingWay | null,
): MethodKey {
  return band === undefined || way === null ? method : readingWays[way].method
}

/** The band for the way a reading was taken; without a reading, the one for a leg held still. */
export function bandFor(key: ReadingBandKey, method: MethodKey | null): TargetBand {
  const row: Method | null = method && methods[method]
  return row?.pedalling ? readingBands[key].pedalling : readingBands[key].still
}
