import { defineStore } from 'pinia'
import { feetStation } from '@level-stance/core/feet/station'
import { useBoard } from '../../stores/board.ts'
import { useOtherBikes } from '../../stores/otherBikes.ts'
import { useUncertainty } from '../../stores/uncertainty.ts'
import { useVisit } from '../../stores/visit.ts'
import { useStation } from '../useStation.ts'

/** The feet of the open visit. */
export const useFeet = defineStore('feet', () => {
  const visit = useVisit()
  const board = useBoard()
  const uncertainty = useUncertainty()
  const otherBikes = useOtherBikes()
  return useStation('feet', feetStation, () => ({
    setup: visit.setup,
    start: visit.baseline,
    complaints: visit.complaints,
    kind: visit.head?.kind ?? 'other',
    choices: visit.choices.feet,
    otherBikes: otherBikes.list,
    metrics: board.now,
    plusMinus: uncertainty.plusMinus,
    pace: visit.pace,
    riding: visit.riding,
  }))
})
