import { calibrateRider } from '@level-stance/core/change/calibrated'
import type { CalibratedRider } from '@level-stance/core/change/calibrated'
import { foldedAt } from '@level-stance/core/change/timeline'
import { estimatedMetrics, metricSpreads, uncertaintyModelOf } from '@level-stance/core/change/uncertainty'
import { measureNext } from '@level-stance/core/change/measureNext'
import { sampleMetrics } from '@level-stance/core/change/sampling'
import { sensitivities } from '@level-stance/core/change/sensitivity'
import type { MovedBy } from '@level-stance/core/measure/timeline'
import type { Answer, Question } from './messages.ts'

/** A slice of sampling between two looks at the mailbox, ms. */
const SLICE = 24
/** Work shorter than this shows no progress, ms. */
const QUIET = 200

/**
 * The worker's whole work, apart from the mailbox: answers to first order at once, then draws. A
 * newer question ends an older one between two slices.
 * @param rest gives the mailbox a turn
 */
export function uncertaintyWorker(post: (answer: Answer) => void, rest: () => Promise<void>, clock: () => number, random: () => number) {
  let latest = 0
  return async (question: Question): Promise<void> => {
    latest = question.id
    await rest()
    if (latest !== question.id) return
    const rider = calibrateRider(question.readings, question.ledger, question.bar, question.place)
    const { by } = foldedAt(question.ledger, question.place)
    const uncertainty = uncertaintyModelOf(rider, by)
    post({
      kind: 'first-order',
      id: question.id,
      spreads: uncertainty && metricSpreads(uncertainty),
      estimated: uncertainty === null ? [] : estimatedMetrics(uncertainty, rider),
      next: measureNext(rider, by, uncertainty),
      sensitivities: sensitivities({ rider, by }),
    })
    if (uncertainty !== null && question.draws > 0) await sample(question, rider, by)
  }

  async function sample(question: Question, rider: CalibratedRider, by: MovedBy): Promise<void> {
    const { id, draws } = question
    const work = sampleMetrics(rider, by, draws, random)
    const started = clock()
    for (;;) {
      const until = clock() + SLICE
      let done = 0
      while (clock() < until) {
        const step = work.next()
        if (step.done) return post({ kind: 'sampled', id, metrics: step.value, draws })
        done = step.value
      }
      if (clock() - started > QUIET) post({ kind: 'progress', id, done, of: draws })
      await rest()
      if (latest !== id) return
    }
  }
}
