import type { ContextSource } from '@level-stance/core/stations/contexts'
import { useBoard } from '../data/board.ts'
import { useMat } from '../data/mat.ts'
import { useOtherBikes } from '../data/otherBikes.ts'
import { useTriedSaddles } from '../data/triedSaddles.ts'
import { useUncertainty } from '../data/uncertainty.ts'
import { useVisit } from '../data/visit.ts'

/** The open visit as stations are judged from it. Each part is read only by whoever needs it: what changes elsewhere judges nothing anew. */
export function useContextSource(): ContextSource {
  const visit = useVisit()
  const board = useBoard()
  const uncertainty = useUncertainty()
  const otherBikes = useOtherBikes()
  const tried = useTriedSaddles()
  const mat = useMat()
  return {
    get visit() {
      return {
        setup: visit.setup,
        start: visit.baseline,
        complaints: visit.complaints,
        kind: visit.head?.kind ?? 'other',
        riding: visit.riding,
        pace: visit.pace,
        metrics: board.now,
        plusMinus: uncertainty.plusMinus,
      }
    },
    get choices() {
      return visit.choices
    },
    get otherBikes() {
      return otherBikes.list
    },
    get readings() {
      return visit.readings
    },
    get ledger() {
      return visit.ledger
    },
    get tried() {
      return tried.marks
    },
    // What is simulated is no evidence about this rider: it stays with its own page.
    get mat() {
      return mat.measured?.result ?? null
    },
  }
}
