import { barOf } from '../bike/bikeKinds.ts'
import { foldedAt, timelineOf } from '../change/timeline.ts'
import { settled } from '../change/setup.ts'
import { definitionOf, isChoice } from '../measure/readingDefinitions.ts'
import type { ReadingOwner } from '../measure/readingDefinitions.ts'
import { countingReadings, resolveReadings } from '../measure/resolve.ts'
import type { Reading } from '../measure/reading.ts'
import type { VisitFile } from './visitFile.ts'

/** What goes along: the rider's own always, shoes and cleats with the rider, the bike's on the same bike, a fit while nothing has changed since. */
const goesAlong: Readonly<Record<ReadingOwner, (sameBike: boolean, unchanged: boolean) => boolean>> = {
  rider: () => true,
  shoe: () => true,
  bike: (sameBike) => sameBike,
  fit: (sameBike, unchanged) => sameBike && unchanged,
}

/**
 * Readings a new visit starts from: the newest of each, as the last visit left them, with the changes
 * in force folded in and the figures of parts fitted since. Each keeps when and how it was read;
 * values that a change has moved are shown as set, not as typed.
 */
export function carryOver({ readings, ledger, bike }: Pick<VisitFile, 'readings' | 'ledger' | 'bike'>, sameBike: boolean): Reading[] {
  const bar = barOf(bike.kind)
  const timeline = timelineOf(ledger)
  const { by, changes } = foldedAt(ledger, ledger.length)
  const now = settled(resolveReadings(readings, timeline), by)
  const last = changes.at(-1)?.at ?? ''
  const force = (place: number) =>
    foldedAt(ledger, place)
      .changes.filter(({ state }) => state !== 'undone')
      .map(({ id }) => id)
      .join()
  return [...countingReadings(readings, timeline, ledger.length).values()].flatMap(({ reading, at }): Reading[] => {
    const { key, side, value, condition } = reading
    const definition = definitionOf(key)
    if (definition.bar !== undefined && definition.bar !== bar) return []
    if (!goesAlong[definition.owner](sameBike, force(at) === force(ledger.length))) return []
    const kept = { ...reading, after: null, at: reading.at === '' ? last : reading.at }
    if (isChoice(key) || condition !== 'usual') return [kept]
    const moved = now[key][side === 'right' ? 'right' : 'left']?.value ?? null
    if (moved === null || moved === value) return [kept]
    const set = definition.isRoom ? Math.max(0, moved) : moved
    return [{ ...kept, value: set, typed: String(set), repeats: [] }]
  })
}
