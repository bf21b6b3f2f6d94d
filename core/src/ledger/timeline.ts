import { definitionOf, isChoice, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey, ReadingKey } from '../readings/readingDefinitions.ts'
import { noChanges } from '../readings/movedBy.ts'
import type { MovedBy, PartReading, Timeline } from '../readings/movedBy.ts'
import { footMoved } from '../model/riderModel.ts'
import type { Side } from '../kernel/sided.ts'
import { foldLedger } from './fold.ts'
import type { Folded } from './fold.ts'
import type { LedgerEntry } from './ledger.ts'
import { isAddend, slotOf } from './parts.ts'
import { settingKeys, settings } from './settings.ts'
import { isOneOf, keysOf } from '../kernel/tables.ts'

/** Readings that other settings carry along, by their rows. */
const carriedBy = new Map(
  numberKeys.map((key) => {
    const carried = Object.entries(definitionOf(key).carried ?? {})
    return [key, carried.flatMap(([name, sign]) => (isOneOf(settingKeys, name) ? [{ setting: name, sign }] : []))] as const
  }),
)

/** By how much a reading shows more because of what was moved: its own setting, and those that carry it along. */
export function shiftedBy(by: MovedBy, key: NumberKey, side: Side): number {
  const place = definitionOf(key).sided ? side : 'both'
  let sum = by(key, place)
  for (const { setting, sign } of carriedBy.get(key) ?? []) sum += sign * by(setting, settings[setting].sided ? side : 'both')
  // The knee stays where it is while the foot moves under it.
  return key === 'kneeOutside' ? sum - footMoved(by, side) : sum
}

const kept = new WeakMap<readonly LedgerEntry[], Timeline>()

/** The changes of a visit as readings need to know them; worked out once for a ledger, place by place as asked. */
export function timelineOf(entries: readonly LedgerEntry[]): Timeline {
  if (entries.length === 0) return noChanges
  const known = kept.get(entries)
  if (known) return known
  const made = makeTimeline(entries)
  kept.set(entries, made)
  return made
}

/** The ledger folded up to a place. */
export function foldedAt(entries: readonly LedgerEntry[], place: number): Folded {
  const folds = foldsOf(entries)
  return (folds[place] ??= foldLedger(place === entries.length ? entries : entries.slice(0, place)))
}
const keptFolds = new WeakMap<readonly LedgerEntry[], (Folded | undefined)[]>()
function foldsOf(entries: readonly LedgerEntry[]): (Folded | undefined)[] {
  const folds = keptFolds.get(entries) ?? []
  keptFolds.set(entries, folds)
  return folds
}

function makeTimeline(entries: readonly LedgerEntry[]): Timeline {
  const places = new Map(entries.map((entry, i) => [entry.id, i + 1]))
  const byAt = (place: number) => foldedAt(entries, place).by
  return {
    length: entries.length,
    placeOf: (after) => (after === null ? 0 : (places.get(after) ?? 0)),
    byAt,
    shift: (key, side, from, to) => (from === to ? 0 : shiftedBy(byAt(to), key, side) - shiftedBy(byAt(from), key, side)),
    partAt: (key: ReadingKey, place) => {
      const slot = slotOf(key)
      return slot === null ? '' : (foldedAt(entries, place).fitted.get(slot)?.changeId ?? '')
    },
    partsAt: (place) => [...foldedAt(entries, place).fitted].map(([slot, { changeId }]) => `${slot}=${changeId}`).join(),
    partReadings: (place) => partReadings(foldedAt(entries, place)),
  }
}

function partReadings({ fitted }: Folded): PartReading[] {
  return [...fitted.values()].flatMap(({ exchange: { to }, place }) =>
    keysOf(to.properties).flatMap((key): PartReading[] => {
      const value = to.properties[key]
      if (value === undefined || isAddend(key)) return []
      if (typeof value === 'object') {
        return [
          { key, side: 'left', value: value.left, place },
          { key, side: 'right', value: value.right, place },
        ]
      }
      if (!definitionOf(key).sided) return [{ key, side: 'both', value, place }]
      return isChoice(key) || typeof value === 'number'
        ? [
            { key, side: 'left', value, place },
            { key, side: 'right', value, place },
          ]
        : []
    }),
  )
}
