import { useTimeoutFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** As long as what was removed can be restored, ms. */
const RESTORABLE = 10_000

/** What was removed last, and how it comes back: for ten seconds. */
export const useLastRemoved = defineStore('lastRemoved', () => {
  const last = shallowRef<{ readonly words: string; readonly restore: () => unknown } | null>(null)
  const { start, stop } = useTimeoutFn(() => (last.value = null), RESTORABLE, { immediate: false })

  /**
   * @param words what is gone: "after.csv removed."
   * @param restore writes it again
   */
  function offer(words: string, restore: () => unknown): void {
    last.value = { words, restore }
    start()
  }
  async function restore(): Promise<void> {
    const gone = last.value
    last.value = null
    stop()
    await gone?.restore()
  }
  return { last, offer, restore }
})
