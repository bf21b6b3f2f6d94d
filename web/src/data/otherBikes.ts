import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import type { OtherBike } from '@level-stance/core/stations/feet/stance/judge'
import { contract } from '@level-stance/core/contract/contract'
import { ask } from './client.ts'
import { useVisit } from './visit.ts'

/** The rider's other bikes, for every page and for the causes alike; without an answer what is read here judges alone. */
export const useOtherBikes = defineStore('otherBikes', () => {
  const visit = useVisit()
  const list = shallowRef<readonly OtherBike[]>([])

  async function load(visitId: string): Promise<void> {
    list.value = []
    try {
      const { bikes } = await ask(contract.readOtherBikes, { params: { visitId } })
      if (visit.head?.visitId === visitId) list.value = bikes
    } catch {
      list.value = []
    }
  }
  watch(
    () => visit.head?.visitId,
    (id) => {
      if (id === undefined) list.value = []
      else void load(id)
    },
    { immediate: true },
  )
  return { list, load }
})
