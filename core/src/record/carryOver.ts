import { barOf } from '../bike/bikeKinds.ts'
import { setupOf } from '../change/setup.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { Reading } from '../measure/reading.ts'
import type { VisitFile } from './visitFile.ts'

/**
 * Readings a new visit starts from: the body always, and on the same bike everything else as it was
 * left, with the changes in force folded in. Each keeps when and how it was read; values that a
 * change has moved are shown as set, not as typed. What was read while riding a setup that has
 * changed since is left behind: it belongs to contact points that are no more.
 */
export function carryOver(previous: Pick<VisitFile, 'readings' | 'ledger' | 'bike'>, sameBike: boolean): Reading[] {
  const { now, folded } = setupOf(previous.readings, previous.ledger, barOf(previous.bike.kind))
  const lastMove = folded.changes.filter((change) => change.state !== 'undone').at(-1)?.at ?? ''
  return previous.readings
    .filter((reading) => {
      const { group } = definitionOf(reading.key)
      if (reading.value === null) return false
      if (group === 'body') return true
      return sameBike && (group !== 'on-bike' || reading.takenAt >= lastMove)
    })
    .map((reading) => {
      const { key, side, value } = reading
      const settled = now[key][side === 'right' ? 'right' : 'left']
      if (settled === null || settled.value === value || reading.condition !== 'usual') return reading
      const kept = Math.max(settled.value, key.includes('Room') || key.startsWith('slot') ? 0 : -Infinity)
      return { ...reading, value: kept, typed: String(kept), repeats: [] }
    })
}
