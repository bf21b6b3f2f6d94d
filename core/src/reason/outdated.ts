import type { ConditionKey } from '../readings/conditions.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import { readingPlace } from '../readings/readingPlace.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import type { Change } from '../ledger/fold.ts'
import { causeOf } from './causeTable.ts'
import type { CauseKey } from './causeTable.ts'
import type { ReasonInput } from './context.ts'
import { shareTaken } from './learning.ts'

/** Places in the ledger, by visit: of the newest reading of each thing, and of every change that stands. */
interface Places {
  readonly read: ReadonlyMap<string, number>
  readonly standing: readonly { readonly change: Change; readonly place: number }[]
}
const kept = new WeakMap<ReasonInput, Places>()

function placesOf(input: ReasonInput): Places {
  const known = kept.get(input)
  if (known !== undefined) return known
  const places = new Map<string | null, number>(input.ledger.map(({ id }, index) => [id, index + 1]))
  const read = new Map<string, number>()
  for (const reading of input.readings) {
    if (reading.value === null) continue
    const name = readingPlace(reading)
    read.set(name, Math.max(read.get(name) ?? 0, places.get(reading.after) ?? 0))
  }
  const standing = input.changes.filter(({ state }) => state !== 'undone').map((change) => ({ change, place: places.get(change.id) ?? 0 }))
  const made = { read, standing }
  kept.set(input, made)
  return made
}

/** Whether a change was made against a cause on a side: its setting moved, its part exchanged, or its control slid. */
function isAgainst(change: Change, cause: CauseKey, on: readonly Side[], input: ReasonInput): boolean {
  if (shareTaken([change], cause, on, input.setup.rider.bar, null) > 0) return true
  const { slides } = causeOf(cause).remedy
  return change.moves.some(({ setting, side, role }) => setting === slides && role === 'chosen' && (side === 'both' || on.includes(side)))
}

/**
 * Whether what was seen of the rider on the bike was seen before the change that answers a cause: it
 * may be so no more, and is read again before it speaks for that cause. What something else brought
 * along makes nothing old; nor does what a part says of itself, which goes with the part.
 * @param key a choice, or a number that the model does not carry on
 */
export function isOutdated(input: ReasonInput, cause: CauseKey, key: ReadingKey, side: Side, condition: ConditionKey = 'usual'): boolean {
  const { read, standing } = placesOf(input)
  if (standing.length === 0) return false
  const { owner, sided, part } = definitionOf(key)
  if (owner === 'rider' || owner === 'shoe' || part !== undefined) return false
  const placeOf = (of: Side | 'both') => read.get(readingPlace({ key, side: of, condition })) ?? 0
  const at = Math.max(placeOf('both'), sided ? placeOf(side) : 0)
  return standing.some(({ change, place }) => place > at && isAgainst(change, cause, sided ? [side] : sides, input))
}
