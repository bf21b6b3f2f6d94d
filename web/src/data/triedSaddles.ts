import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { byMark, marksByName, spareAdvice } from '@level-stance/core/record/triedSaddles'
import { contract } from '@level-stance/core/contract/contract'
import type { AnswerOf } from '@level-stance/core/contract/route'
import { ask } from './client.ts'
import { refused } from './catalogue.ts'
import type { SaveAnswer } from './catalogue.ts'
import { useLastRemoved } from './lastRemoved.ts'
import { useVisit } from './visit.ts'

/** A saddle the rider has ridden, with the version a writer must have seen. */
export type StoredTried = AnswerOf<typeof contract.writeTried>

/** What the open visit's rider has ridden, over all visits. */
export const useTriedSaddles = defineStore('triedSaddles', () => {
  const visit = useVisit()
  const lastRemoved = useLastRemoved()
  const list = shallowRef<readonly StoredTried[]>([])
  const problem = ref<string | null>(null)
  const saddles = computed(() => list.value.map((row) => row.saddle))
  const marks = computed(() => marksByName(saddles.value))
  const advice = computed(() => spareAdvice(saddles.value))

  async function load(): Promise<void> {
    const riderId = visit.head?.riderId
    if (riderId === undefined) return
    try {
      const answer = await ask(contract.listTried, { params: { riderId } })
      if (visit.head?.riderId === riderId) list.value = answer.saddles
      problem.value = null
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The log of saddles could not be read.'
    }
  }
  watch(
    () => visit.head?.riderId,
    () => (list.value = []),
  )

  async function save(row: StoredTried, removed = false): Promise<SaveAnswer<StoredTried>> {
    const riderId = visit.head?.riderId ?? ''
    const keep = (more: readonly StoredTried[]) => {
      const rows = [...list.value.filter((other) => other.id !== row.id), ...more]
      list.value = byMark(rows.map((r) => ({ ...r, ...r.saddle }))).map(({ id, saddle, version }) => ({ id, saddle, version }))
    }
    try {
      const stored = await ask(contract.writeTried, {
        params: { riderId, id: row.id },
        body: { version: row.version, saddle: row.saddle, removed },
      })
      keep(removed ? [] : [stored])
      if (removed) lastRemoved.offer(`${row.saddle.name} removed.`, () => save(stored))
      return { ok: true }
    } catch (error) {
      const answer = refused(contract.writeTried, error)
      if (answer.theirs) keep([answer.theirs])
      return answer
    }
  }

  return { list, saddles, marks, advice, problem, load, save }
})
