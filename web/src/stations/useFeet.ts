import { defineStore } from 'pinia'
import { stationContexts } from '@level-stance/core/stations/contexts'
import { feetStation } from '@level-stance/core/stations/feet/station'
import { useContextSource } from './contextSource.ts'
import { useStation } from './useStation.ts'

/** The feet of the open visit. */
export const useFeet = defineStore('feet', () => {
  const source = useContextSource()
  return useStation('feet', feetStation, () => stationContexts.feet(source))
})
