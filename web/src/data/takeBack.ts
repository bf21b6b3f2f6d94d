import { useTimeoutFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** As long as what was removed can be taken back, ms. */
const TAKE_BACK = 10_000

/** What was removed last, and how it comes back: for ten seconds. */
export const useTakeBack = defineStore('takeBack', () => {
  const last = shallowRef<{ readonly words: string; readonly restore: () => unknown } | null>(null)
  const { start, stop } = useTimeoutFn(() => (last.value = null), TAKE_BACK, { immediate: false })

  /**
   * @param words what is gone: "after.csv removed."
   * @param restore writes it again
   */
  function offer(words: string, restore: () => unknown): void {
    last.value = { words, restore }
    start()
  }
  async function take(): Promise<void> {
    const taken = last.value
    last.value = null
    stop()
    await taken?.restore()
  }
  return { last, offer, take }
})
