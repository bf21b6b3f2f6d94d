import { proxy } from 'comlink'
import { storeToRefs } from 'pinia'
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { SearchInput } from '@level-stance/core/stations/hands/cockpit/question'
import { useVisitWorker } from '../../../data/visitWorker.ts'
import type { CockpitAnswer, Progress } from '../../../data/workers/visit.ts'
import { atRest } from '../../../kit/settled.ts'

/** The search starts when the hand rests this long, ms. */
const PAUSE = 80

/** The cockpit search of the open page, in the visit's worker: a newer question ends the work on an older one. */
export function useCockpitSearch(input: () => SearchInput | null) {
  const worker = useVisitWorker()
  const { trouble } = storeToRefs(worker)
  const found = shallowRef<(CockpitAnswer & { readonly input: SearchInput }) | null>(null)
  /** share done of a search that takes long; null = none runs */
  const progress = ref<number | null>(null)
  let asked = 0

  async function ask(): Promise<void> {
    const question = input()
    asked += 1
    const mine = asked
    progress.value = null
    if (question === null) {
      found.value = null
      return
    }
    const tell = ({ done }: Progress) => mine === asked && (progress.value = done)
    // What Vue hands out may be wrapped; a message carries plain things.
    const plain: SearchInput = JSON.parse(JSON.stringify(question))
    const answer = await worker.ask({}, (asks) => asks.searchCockpit(plain, proxy(tell)))
    if (mine !== asked) return
    progress.value = null
    if (answer !== null) found.value = { ...answer, input: question }
  }

  const soon = atRest(ask, PAUSE)
  watch(input, () => soon(), { immediate: true })
  onBeforeUnmount(() => (asked += 1))
  return { found, progress, trouble }
}
