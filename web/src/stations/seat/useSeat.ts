import { defineStore } from 'pinia'
import { seatStation } from '@level-stance/core/seat/station'
import { useBoard } from '../../stores/board.ts'
import { useMat } from '../../stores/mat.ts'
import { useTriedSaddles } from '../../stores/triedSaddles.ts'
import { useUncertainty } from '../../stores/uncertainty.ts'
import { useVisit } from '../../stores/visit.ts'
import { useStation } from '../useStation.ts'

/** The seat of the open visit. */
export const useSeat = defineStore('seat', () => {
  const visit = useVisit()
  const board = useBoard()
  const uncertainty = useUncertainty()
  const tried = useTriedSaddles()
  const mat = useMat()
  return useStation('seat', seatStation, () => ({
    setup: visit.setup,
    start: visit.baseline,
    complaints: visit.complaints,
    kind: visit.head?.kind ?? 'other',
    choices: visit.choices.seat,
    readings: visit.readings,
    ledger: visit.ledger,
    metrics: board.now,
    plusMinus: uncertainty.plusMinus,
    tried: tried.marks,
    // What is simulated is no evidence about this rider: it stays with its own page.
    mat: mat.measured?.result ?? null,
  }))
})
