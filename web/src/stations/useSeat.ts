import { defineStore } from 'pinia'
import { stationContexts } from '@level-stance/core/stations/contexts'
import { seatStation } from '@level-stance/core/stations/seat/station'
import { useContextSource } from './contextSource.ts'
import { useStation } from './useStation.ts'

/** The seat of the open visit. */
export const useSeat = defineStore('seat', () => {
  const source = useContextSource()
  return useStation('seat', seatStation, () => stationContexts.seat(source))
})
