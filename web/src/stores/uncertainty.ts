import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { MetricKey } from '@level-stance/core/body/metrics'
import { plusMinusAsRead } from '@level-stance/core/change/asRead'
import type { Answer, FirstOrder, Progress, Question, Sampled } from '../workers/messages.ts'
import { startUncertaintyWorker } from '../workers/startWorker.ts'
import { useVisit } from './visit.ts'

/** Keys come faster than this while a hand types; the worker is asked when it rests, so that it does not take the drawing's core, ms. */
const PAUSE = 250
/** Draws when the fitter asks for them. */
const DRAWS = 600

/** What the worker says of the open visit: ± of every metric, what to measure next, rules of thumb, draws. */
export const useUncertainty = defineStore('uncertainty', () => {
  const visit = useVisit()
  const first = shallowRef<FirstOrder | null>(null)
  const sampled = shallowRef<Sampled | null>(null)
  const progress = shallowRef<Progress | null>(null)
  const drawing = ref(false)
  const trouble = ref(false)
  let worker: Worker | null = null
  let asked = 0

  function ask(draws: number): void {
    if (visit.head === null) return
    worker ??= listen(startUncertaintyWorker())
    asked += 1
    progress.value = null
    sampled.value = null
    drawing.value = draws > 0
    const { readings, ledger, place, bar } = visit
    const question: Question = { id: asked, readings, ledger, place, bar, draws }
    // What Vue hands out may be wrapped; a message carries plain things.
    worker.postMessage(JSON.parse(JSON.stringify(question)))
  }

  function listen(started: Worker): Worker {
    started.addEventListener('message', ({ data }: MessageEvent<Answer>) => {
      if (data.id !== asked) return
      if (data.kind === 'first-order') first.value = data
      else if (data.kind === 'progress') progress.value = data
      else {
        sampled.value = data
        progress.value = null
        drawing.value = false
      }
    })
    started.addEventListener('error', () => {
      trouble.value = true
      drawing.value = false
    })
    return started
  }

  // A draw asked for meanwhile answers to first order as well.
  const refresh = useDebounceFn(() => {
    if (!drawing.value) ask(0)
  }, PAUSE)
  watch(
    () => [visit.readings, visit.ledger, visit.place, visit.bar] as const,
    () => {
      if (drawing.value) ask(0)
      void refresh()
    },
    { immediate: true },
  )
  watch(
    () => visit.head?.visitId,
    () => {
      first.value = null
      sampled.value = null
    },
  )

  const spreads = computed(() => first.value?.spreads ?? null)
  const next = computed(() => first.value?.next ?? [])
  const sensitivities = computed(() => first.value?.sensitivities ?? [])
  /** ± of a number of the rider as it is shown; of what was not read, null until the worker has said it. */
  const plusMinus = (key: MetricKey): number | null => plusMinusAsRead(visit.setup, key, spreads.value?.[key] ?? null)

  /** Whether a number rests on estimates, and was not read itself. */
  const isEstimated = (key: MetricKey): boolean =>
    first.value?.estimated.includes(key) === true && plusMinusAsRead(visit.setup, key, Infinity) === Infinity

  return { spreads, isEstimated, next, sensitivities, sampled, progress, drawing, trouble, plusMinus, draw: () => ask(DRAWS) }
})
