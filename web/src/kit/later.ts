import { shallowRef, watch } from 'vue'
import type { ShallowRef } from 'vue'
import { atRest } from './settled.ts'

/** A hand that types presses the next key within this, ms. */
const REST = 150

/**
 * A value that is worked out once what it depends on has come to rest, so that no key press waits for
 * it; another visit gets its own at once.
 * @param sources what it depends on
 * @param visit names the visit it belongs to
 */
export function later<T>(sources: () => unknown, visit: () => unknown, work: () => T): ShallowRef<T> {
  const value = shallowRef(work())
  const now = () => (value.value = work())
  const rested = atRest(now, REST)
  watch(sources, () => rested())
  watch(visit, now, { flush: 'sync' })
  return value
}
