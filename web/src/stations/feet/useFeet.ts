import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { feetStation } from '@level-stance/core/feet/station'
import type { OtherBike } from '@level-stance/core/feet/station'
import { api } from '../../api/client.ts'
import { useBoard } from '../../stores/board.ts'
import { useUncertainty } from '../../stores/uncertainty.ts'
import { useVisit } from '../../stores/visit.ts'
import { useStation } from '../useStation.ts'

/** The feet of the open visit. */
export const useFeet = defineStore('feet', () => {
  const visit = useVisit()
  const board = useBoard()
  const uncertainty = useUncertainty()
  const otherBikes = shallowRef<readonly OtherBike[]>([])

  /** The rider's other bikes; without an answer the stance is judged by what is read here. */
  async function loadOtherBikes(visitId: string): Promise<void> {
    otherBikes.value = []
    try {
      const { bikes } = await api<{ bikes: OtherBike[] }>('GET', `/visits/${visitId}/other-bikes`)
      if (visit.head?.visitId === visitId) otherBikes.value = bikes
    } catch {
      otherBikes.value = []
    }
  }

  const station = useStation('feet', feetStation, () => ({
    setup: visit.setup,
    start: visit.baseline,
    complaints: visit.complaints,
    kind: visit.head?.kind ?? 'other',
    choices: visit.choices.feet,
    otherBikes: otherBikes.value,
    metrics: board.now,
    plusMinus: uncertainty.plusMinus,
    pace: visit.pace,
    riding: visit.riding,
  }))
  return { ...station, otherBikes, loadOtherBikes }
})
