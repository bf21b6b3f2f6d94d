import { setupOf } from '../change/setup.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import type { Reading } from '../measure/reading.ts'
import type { VisitFile } from './visitFile.ts'

/**
 * Readings a new visit starts from: the body always, and on the same bike everything else as it was
 * left, with the changes in force folded in. Each keeps when and how it was read; values that a
 * change has moved are shown as set, not as typed.
 */
export function carryOver(previous: Pick<VisitFile, 'readings' | 'ledger'>, sameBike: boolean): Reading[] {
  const now = setupOf(previous.readings, previous.ledger)
  return previous.readings
    .filter((reading) => reading.value !== null && (sameBike || definitionOf(reading.key).group === 'body'))
    .map((reading) => {
      const value = settledValue(now, reading)
      return value === reading.value || value === null ? reading : { ...reading, value, typed: String(value) }
    })
}

function settledValue(now: ReturnType<typeof setupOf>, { key, side, value }: Reading): number | null {
  if (key === 'saddleHeight') return now.saddleHeight?.value ?? value
  if (side === 'both') return value
  const foot = now.cleat[side]
  const settled = { cleatSetback: foot.setbackNow, slotForward: foot.slotForward, slotBack: foot.slotBack }[key as 'cleatSetback']
  return settled ? Math.max(settled.value, key === 'cleatSetback' ? -Infinity : 0) : value
}
