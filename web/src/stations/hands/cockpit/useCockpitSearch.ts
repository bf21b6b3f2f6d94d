import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { SearchInput } from '@level-stance/core/stations/hands/cockpit/question'
import type { Found } from '@level-stance/core/stations/hands/cockpit/search'
import type { CockpitAnswer, CockpitQuestion } from '../../../data/workers/cockpit.ts'
import { atRest, working } from '../../../kit/settled.ts'
import { startCockpitWorker } from '../../../data/workers/startWorker.ts'

/** The search starts when the hand rests this long, ms. */
const PAUSE = 80

/** The cockpit search of the open page, in a worker: a newer question ends the work on an older one. */
export function useCockpitSearch(input: () => SearchInput | null) {
  const found = shallowRef<{ readonly input: SearchInput; readonly found: Found; readonly ms: number } | null>(null)
  /** share done of a search that takes long; null = none runs */
  const progress = ref<number | null>(null)
  const trouble = ref(false)
  let worker: Worker | null = null
  let asked = 0
  let answered: (() => void) | null = null
  let questions: { readonly id: number; readonly input: SearchInput } | null = null

  function ask(): void {
    const question = input()
    asked += 1
    if (question === null) {
      answer()
      found.value = null
      progress.value = null
      return
    }
    answered ??= working()
    worker ??= listen(startCockpitWorker())
    questions = { id: asked, input: question }
    const message: CockpitQuestion = { id: asked, input: question }
    // What Vue hands out may be wrapped; a message carries plain things.
    worker.postMessage(JSON.parse(JSON.stringify(message)))
  }

  function answer(): void {
    answered?.()
    answered = null
  }

  function listen(started: Worker): Worker {
    started.addEventListener('message', ({ data }: MessageEvent<CockpitAnswer>) => {
      if (data.id !== asked) return
      if (data.kind === 'progress') progress.value = data.done
      else {
        answer()
        progress.value = null
        if (questions?.id === data.id) found.value = { input: questions.input, found: data.found, ms: data.ms }
      }
    })
    started.addEventListener('error', () => {
      answer()
      trouble.value = true
    })
    return started
  }

  const soon = atRest(ask, PAUSE)
  watch(input, () => soon(), { immediate: true })
  onBeforeUnmount(() => {
    worker?.terminate()
    answer()
  })
  return { found, progress, trouble }
}
