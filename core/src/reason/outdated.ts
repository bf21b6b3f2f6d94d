import { movesAsked } from '../ledger/moves.ts'
import type { SettingKey } from '../ledger/settings.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import type { Side } from '../kernel/sided.ts'
import { causeOf } from './causeTable.ts'
import type { CauseKey } from './causeTable.ts'
import type { ReasonInput } from './context.ts'
import { moveFor } from './learning.ts'

/** Places in the ledger, by visit: of the newest reading by key and side, and of every change that stands. */
interface Places {
  readonly read: ReadonlyMap<string, number>
  readonly moved: readonly { readonly setting: SettingKey; readonly side: Side | 'both'; readonly by: number; readonly place: number }[]
}
const kept = new WeakMap<ReasonInput, Places>()

function placesOf(input: ReasonInput): Places {
  const known = kept.get(input)
  if (known !== undefined) return known
  const placeOf = new Map(input.ledger.map(({ id }, index) => [id, index + 1] as const))
  const read = new Map<string, number>()
  for (const { key, side, value, after } of input.readings) {
    if (value === null) continue
    const name = `${key}:${side}`
    read.set(name, Math.max(read.get(name) ?? 0, after === null ? 0 : (placeOf.get(after) ?? 0)))
  }
  const moved = input.changes
    .filter(({ state }) => state !== 'undone')
    .flatMap(({ id, moves, exchanges }) =>
      [...moves, ...movesAsked(exchanges)].map(({ setting, side, by }) => ({ setting, side, by, place: placeOf.get(id) ?? 0 })),
    )
  const made = { read, moved }
  kept.set(input, made)
  return made
}

/** The setting that answers a cause, and which way; null way = either. */
function answerOf(cause: CauseKey, input: ReasonInput): { readonly setting: SettingKey; readonly way: 1 | -1 | null } | null {
  const move = moveFor(cause, input.setup.rider.bar)
  if (move !== null) return move
  const { slides } = causeOf(cause).remedy
  return slides === undefined ? null : { setting: slides, way: null }
}

/**
 * Whether what was seen of the rider on the bike was seen before the change that answers a cause: it
 * may be so no more, and is read again before it speaks for that cause.
 * @param key a choice, or a number that the model does not carry on
 */
export function isOutdated(input: ReasonInput, cause: CauseKey, key: ReadingKey, side: Side): boolean {
  const { owner, sided } = definitionOf(key)
  const answer = answerOf(cause, input)
  if (answer === null || owner === 'rider' || owner === 'shoe') return false
  const { read, moved } = placesOf(input)
  const at = Math.max(read.get(`${key}:${sided ? side : 'both'}`) ?? 0, read.get(`${key}:both`) ?? 0)
  return moved.some(
    (move) =>
      move.setting === answer.setting &&
      move.place > at &&
      (answer.way === null || Math.sign(move.by) === answer.way) &&
      (!sided || move.side === 'both' || move.side === side),
  )
}
