import { defineStore } from 'pinia'
import { handsStation } from '@level-stance/core/hands/station'
import { useBoard } from '../../stores/board.ts'
import { useUncertainty } from '../../stores/uncertainty.ts'
import { useStation } from '../useStation.ts'

/** The hands of the open visit. */
export const useHands = defineStore('hands', () => {
  const board = useBoard()
  const uncertainty = useUncertainty()
  return useStation('hands', handsStation, () => ({ metrics: board.now, plusMinus: uncertainty.plusMinus }))
})
