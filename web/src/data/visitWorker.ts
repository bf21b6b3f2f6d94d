import { wrap } from 'comlink'
import type { Remote } from 'comlink'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { working } from '../kit/settled.ts'
import { startVisitWorker } from './workers/startWorker.ts'
import type { HeldVisit, VisitWorker } from './workers/visit.ts'

/** The worker that holds the open visit, and what of it was sent already: a part that is the same as before is not sent again. */
export const useVisitWorker = defineStore('visitWorker', () => {
  const trouble = ref(false)
  let worker: Remote<VisitWorker> | null = null
  const sent = new Map<string, unknown>()

  function start(): Remote<VisitWorker> {
    const started = startVisitWorker()
    started.addEventListener('error', () => (trouble.value = true))
    return wrap<VisitWorker>(started)
  }

  /** Sends the parts of the visit that are others now. */
  function holding(parts: Partial<HeldVisit>): Remote<VisitWorker> {
    worker ??= start()
    const changed = Object.entries(parts).filter(([name, part]) => !sent.has(name) || sent.get(name) !== part)
    for (const [name, part] of changed) sent.set(name, part)
    // What Vue hands out may be wrapped; a message carries plain things.
    if (changed.length > 0) void worker.hold(JSON.parse(JSON.stringify(Object.fromEntries(changed))))
    return worker
  }

  /**
   * Asks the worker about a visit with these parts. A question that fails in the worker is trouble like a worker
   * that does not start: whoever waits for its answer says so, and does not wait for ever.
   * @returns null where a newer question of its kind has come meanwhile, or there is none
   */
  async function ask<Answer>(
    parts: Partial<HeldVisit>,
    question: (worker: Remote<VisitWorker>) => Promise<Answer | null>,
  ): Promise<Answer | null> {
    const done = working()
    try {
      const answer = await question(holding(parts))
      if (answer !== null) trouble.value = false
      return answer
    } catch {
      trouble.value = true
      return null
    } finally {
      done()
    }
  }

  return { ask, trouble }
})
