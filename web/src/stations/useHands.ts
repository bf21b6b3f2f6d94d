import { defineStore } from 'pinia'
import { stationContexts } from '@level-stance/core/stations/contexts'
import { handsStation } from '@level-stance/core/stations/hands/station'
import { useContextSource } from './contextSource.ts'
import { useStation } from './useStation.ts'

/** The hands of the open visit. */
export const useHands = defineStore('hands', () => {
  const source = useContextSource()
  return useStation('hands', handsStation, () => stationContexts.hands(source))
})
