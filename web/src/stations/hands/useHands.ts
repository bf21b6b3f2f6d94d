import { defineStore } from 'pinia'
import { handsStation } from '@level-stance/core/hands/station'
import { useBoard } from '../../stores/board.ts'
import { useUncertainty } from '../../stores/uncertainty.ts'
import { useVisit } from '../../stores/visit.ts'
import { useStation } from '../useStation.ts'

/** The hands of the open visit. */
export const useHands = defineStore('hands', () => {
  const visit = useVisit()
  const board = useBoard()
  const uncertainty = useUncertainty()
  return useStation('hands', handsStation, () => ({
    setup: visit.setup,
    start: visit.baseline,
    kind: visit.head?.kind ?? 'other',
    choices: visit.choices.hands,
    riding: visit.riding,
    metrics: board.now,
    plusMinus: uncertainty.plusMinus,
  }))
})
