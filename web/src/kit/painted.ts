import { computed, onMounted, ref } from 'vue'
import type { ComputedRef } from 'vue'

/**
 * A list of which the rows that are seen at once are painted first, and the rest after them.
 * @param first how many rows there is room for without scrolling
 * @returns the rows to draw, and what draws all of them at once
 */
export function usePaintedFirst<Row>(
  rows: () => readonly Row[],
  first: number,
): { readonly shown: ComputedRef<readonly Row[]>; readonly showAll: () => void } {
  const isPainted = ref(false)
  const showAll = () => void (isPainted.value = true)
  onMounted(() => requestAnimationFrame(() => setTimeout(showAll)))
  return { shown: computed(() => (isPainted.value ? rows() : rows().slice(0, first))), showAll }
}
