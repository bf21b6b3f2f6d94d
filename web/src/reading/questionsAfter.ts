import { computed } from 'vue'
import type { ComputedRef } from 'vue'
import type { PlausibilityQuestion } from '@level-stance/core/readings/plausibility'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { useVisit } from '../data/visit.ts'

/** The doubts about readings, by the last row of a list that each is about: it is asked under that row. */
export function useQuestionsAfter(
  rows: () => readonly ReadingKey[],
): ComputedRef<ReadonlyMap<ReadingKey, readonly PlausibilityQuestion[]>> {
  const visit = useVisit()
  return computed(() => {
    const after = new Map<ReadingKey, PlausibilityQuestion[]>()
    if (visit.asked.length === 0) return after
    const shown = rows()
    for (const question of visit.asked) {
      const last = shown.findLast((key) => question.about.includes(key))
      if (last !== undefined) after.set(last, [...(after.get(last) ?? []), question])
    }
    return after
  })
}
