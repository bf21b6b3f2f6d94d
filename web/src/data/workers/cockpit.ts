import { cockpitSearch } from '@level-stance/core/stations/hands/cockpit/search'
import type { SearchInput } from '@level-stance/core/stations/hands/cockpit/question'
import type { Found } from '@level-stance/core/stations/hands/cockpit/search'

export interface CockpitQuestion {
  readonly id: number
  readonly input: SearchInput
}
export type CockpitAnswer =
  | { readonly kind: 'progress'; readonly id: number; readonly done: number }
  | { readonly kind: 'found'; readonly id: number; readonly found: Found; readonly ms: number }

/** A search that takes longer than this says how far it is, and lets a newer question in, ms. */
const SAYS_AFTER = 200

/** The worker's whole work, apart from the mailbox: searches in slices, so that a newer question is heard. */
export function cockpitWorker(
  answer: (message: CockpitAnswer) => void,
  clock: () => number,
  rest: () => Promise<void>,
): (question: CockpitQuestion) => Promise<void> {
  let newest = 0
  return async ({ id, input }) => {
    newest = id
    const start = clock()
    let slice = start
    const run = cockpitSearch(input)
    for (;;) {
      const { value, done } = run.next()
      if (done) {
        answer({ kind: 'found', id, found: value, ms: clock() - start })
        return
      }
      if (clock() - slice < SAYS_AFTER) continue
      answer({ kind: 'progress', id, done: value.done })
      await rest()
      if (newest !== id) return
      slice = clock()
    }
  }
}
