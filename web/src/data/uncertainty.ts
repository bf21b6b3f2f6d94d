import { proxy } from 'comlink'
import { defineStore, storeToRefs } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { MetricKey } from '@level-stance/core/body/metrics'
import { plusMinusAsRead } from '@level-stance/core/rider/metricEstimate'
import { atRest } from '../kit/settled.ts'
import type { FirstOrder, HeldVisit, Progress, SampleAnswer } from './workers/visit.ts'
import { useVisit } from './visit.ts'
import { useVisitWorker } from './visitWorker.ts'

/** Keys come faster than this while a hand types; the worker is asked when it rests, so that it does not take the drawing's core, ms. */
const PAUSE = 250
/** Draws when the fitter asks for them. */
const DRAWS = 600

/** What the worker says of the open visit: ± of every metric, what to measure next, rules of thumb, draws. */
export const useUncertainty = defineStore('uncertainty', () => {
  const visit = useVisit()
  const worker = useVisitWorker()
  const { trouble } = storeToRefs(worker)
  const first = shallowRef<FirstOrder | null>(null)
  const sampled = shallowRef<SampleAnswer | null>(null)
  const progress = shallowRef<Progress | null>(null)
  const drawing = ref(false)
  /** counts the visits as they stood: an answer about an older one is not heard */
  let stand = 0

  const standing = (): Partial<HeldVisit> => ({
    readings: visit.readings,
    ledger: visit.ledger,
    place: visit.place,
    kind: visit.head?.kind ?? 'other',
  })

  async function refresh(): Promise<void> {
    if (visit.head === null) return
    const asked = stand
    const answer = await worker.ask(standing(), (asks) => asks.firstOrder())
    if (answer !== null && asked === stand) first.value = answer
  }

  async function draw(): Promise<void> {
    if (visit.head === null) return
    const asked = stand
    endDraws()
    drawing.value = true
    const tell = (now: Progress) => asked === stand && (progress.value = now)
    const answer = await worker.ask(standing(), (asks) => asks.sample(DRAWS, proxy(tell)))
    if (asked !== stand) return
    endDraws()
    sampled.value = answer
  }
  function endDraws(): void {
    sampled.value = null
    progress.value = null
    drawing.value = false
  }

  const refreshSoon = atRest(refresh, PAUSE)
  watch(
    () => [visit.readings, visit.ledger, visit.place, visit.bar, visit.head?.visitId] as const,
    ([, , , , id], before) => {
      stand += 1
      endDraws()
      if (id !== before?.[4]) first.value = null
      refreshSoon()
    },
    { immediate: true },
  )
  watch(trouble, endDraws)

  const spreads = computed(() => first.value?.spreads ?? null)
  const next = computed(() => first.value?.next ?? [])
  const perUnit = computed(() => first.value?.sensitivities ?? [])
  /** ± of a number of the rider as it is shown; of what was not read, null until the worker has said it. */
  const plusMinus = (key: MetricKey): number | null => plusMinusAsRead(visit.setup, key, spreads.value?.[key] ?? null)

  /** Whether a number rests on estimates, and was not read itself. */
  const isEstimated = (key: MetricKey): boolean =>
    first.value?.estimated.includes(key) === true && plusMinusAsRead(visit.setup, key, Infinity) === Infinity

  return { spreads, isEstimated, next, sensitivities: perUnit, sampled, progress, drawing, trouble, plusMinus, draw }
})
