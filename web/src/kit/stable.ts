import equal from 'fast-deep-equal'
import { computed } from 'vue'
import type { ComputedRef } from 'vue'

/** A computed value that stays the same object while nothing in it has changed, so that what depends on it rests. */
export function stable<T>(get: () => T): ComputedRef<T> {
  return computed<T>((before) => {
    const now = get()
    return before !== undefined && equal(before, now) ? before : now
  })
}
