import { defineStore, storeToRefs } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { causeOf, causePage } from '@level-stance/core/reason/causeTable'
import type { WorkStation } from '@level-stance/core/kernel/stations'
import type { FirstMove } from '@level-stance/core/reason/firstMove'
import type { Stage } from '@level-stance/core/reason/history'
import type { RankedCause } from '@level-stance/core/reason/rank'
import type { Reasoning } from '@level-stance/core/reason/reason'
import type { StudioCounts } from '@level-stance/core/reason/studio'
import { contract } from '@level-stance/core/contract/contract'
import { ask as askServer } from './client.ts'
import { atRest } from '../kit/settled.ts'
import { useBoard } from './board.ts'
import { useMat } from './mat.ts'
import { useOtherBikes } from './otherBikes.ts'
import { useVisit } from './visit.ts'
import { useVisitWorker } from './visitWorker.ts'

/** The worker is asked when the hand rests this long, ms: well within what an eye waits for. */
const PAUSE = 60

/** What the reasoner says of the open visit: ranked causes, what to read next, what to try first. */
export const useReasoning = defineStore('reasoning', () => {
  const visit = useVisit()
  const board = useBoard()
  const worker = useVisitWorker()
  const { trouble } = storeToRefs(worker)
  const mat = useMat()
  const otherBikes = useOtherBikes()
  const reasoning = shallowRef<Reasoning | null>(null)
  /** what was thought at the start and after each trial, while somebody looks at it */
  const stages = shallowRef<readonly Stage[]>([])
  const looksBack = ref(false)
  const studio = shallowRef<StudioCounts | null>(null)
  /** the complaint that is looked at; null = all together */
  const focus = ref<string | null>(null)
  let asked = 0
  /** whether what stands here is of the visit as it is: else it is being worked out */
  const isCurrent = ref(false)

  async function ask(): Promise<void> {
    const { head, dossier } = visit
    if (head === null || dossier === null) return
    asked += 1
    const mine = asked
    const parts = {
      readings: visit.readings,
      ledger: visit.ledger,
      complaints: visit.complaints,
      ratings: visit.ratings,
      riding: visit.riding,
      kind: head.kind,
      choices: visit.choices,
      pace: visit.pace,
      earlierVisits: dossier.earlierVisits,
      otherBikes: otherBikes.list,
      mat: mat.measured?.result ?? null,
      studio: studio.value,
    }
    const question = { focus: focus.value, looksBack: looksBack.value }
    const answer = await worker.ask(parts, (asks) => asks.reasoning(question))
    if (answer === null || mine !== asked) return
    reasoning.value = answer.reasoning
    stages.value = answer.stages
    isCurrent.value = !isWaiting
  }

  /** What this studio's closed visits came to; without an answer nothing of it is used. */
  async function loadStudio(): Promise<void> {
    try {
      const { learns, counts } = await askServer(contract.readLearned, {})
      studio.value = learns ? counts : null
    } catch {
      studio.value = null
    }
  }

  /** something has changed that is not asked about yet */
  let isWaiting = false
  const askNow = (): Promise<void> => {
    isWaiting = false
    return ask()
  }
  const soon = atRest(askNow, PAUSE)
  watch(
    () =>
      [
        visit.head?.visitId,
        visit.readings,
        visit.ledger,
        visit.complaints,
        visit.ratings,
        visit.riding,
        visit.choices,
        visit.pace,
        mat.measured,
        otherBikes.list,
        studio.value,
      ] as const,
    () => {
      isWaiting = true
      isCurrent.value = false
      soon()
    },
    { immediate: true, flush: 'sync' },
  )
  watch([focus, looksBack], ask)
  watch(
    () => visit.head?.visitId,
    (id) => {
      // What was asked about the visit before is not heard.
      asked += 1
      reasoning.value = null
      isCurrent.value = false
      stages.value = []
      focus.value = null
      if (id !== undefined) void loadStudio()
    },
    { immediate: true },
  )
  // A complaint that is gone is looked at no more.
  watch(
    () => visit.complaints,
    (told) => {
      if (focus.value !== null && !told.some(({ id }) => id === focus.value)) focus.value = null
    },
  )

  /** Whether it tells of the very complaints that are told; what was only read since changes it, but not what it is about. */
  const isOfThese = computed(() => {
    const told = visit.complaints
    const found = reasoning.value?.complaints ?? []
    return reasoning.value !== null && found.length === told.length && told.every(({ id }, i) => found[i]?.id === id)
  })
  const reasoned = computed(() => reasoning.value?.reasoned ?? null)
  /** readings worth taking for the complaints, each once */
  const shortKeys = computed<readonly ReadingKey[]>(() => [
    ...new Set((reasoned.value?.short ?? []).flatMap(({ readings }) => readings.map(({ key }) => key))),
  ])
  /** causes that are dealt with on a page, over all complaints, likeliest first */
  function causesOn(station: WorkStation, page: string): RankedCause[] {
    const found = (reasoning.value?.complaints ?? []).flatMap(({ causes }) => causes)
    const here = found.filter(({ cause }) => causeOf(cause).station === station && causePage(cause, visit.bar) === page)
    return here.filter((row, i) => here.findIndex(({ cause }) => cause === row.cause) === i)
  }

  /** Puts a move on the card. */
  function take({ requested, reason }: FirstMove): void {
    board.take(requested, reason)
  }

  /** Whether what closed visits came to is used; the studio's own choice. */
  async function setLearns(learns: boolean): Promise<void> {
    await askServer(contract.writeLearns, { body: { learns } })
    await loadStudio()
  }

  return {
    reasoning,
    isCurrent,
    isOfThese,
    reasoned,
    stages,
    looksBack,
    setLearns,
    focus,
    trouble,
    shortKeys,
    causesOn,
    take,
    loadStudio,
    studio,
  }
})
