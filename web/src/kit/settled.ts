import { useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import type { Router } from 'vue-router'

/** How much of the page is still being worked out, fetched or opened. */
const underWay = ref(0)

/** Counts something as under way until what is returned is called. */
export function working(): () => void {
  let isOver = false
  underWay.value += 1
  return () => {
    if (isOver) return
    isOver = true
    underWay.value -= 1
  }
}

/** Work that is done once the hand has rested for `ms`; the page has not settled until it is done. */
export function atRest<Given extends unknown[]>(work: (...given: Given) => unknown, ms: number): (...given: Given) => void {
  let done: (() => void) | null = null
  const run = useDebounceFn(async (...given: Given) => {
    const finish = done
    done = null
    try {
      await work(...given)
    } finally {
      finish?.()
    }
  }, ms)
  return (...given) => {
    done ??= working()
    void run(...given)
  }
}

const painted = (then: () => void): void => void requestAnimationFrame(() => setTimeout(then))

/**
 * Keeps `data-settled` on the document: present once nothing is under way and two frames have been painted
 * since. Whoever looks at the page from outside waits for that and for no clock.
 */
export function markSettled(router: Router): void {
  const root = document.documentElement
  let round = 0
  const unsettle = (): void => {
    round += 1
    const own = round
    delete root.dataset['settled']
    if (underWay.value > 0) return
    painted(() => painted(() => own === round && underWay.value === 0 && (root.dataset['settled'] = '')))
  }
  let opened: (() => void) | null = null
  router.beforeEach(() => {
    opened ??= working()
  })
  const isOpen = (): void => {
    opened?.()
    opened = null
  }
  router.afterEach(isOpen)
  router.onError(isOpen)
  watch(underWay, unsettle, { flush: 'sync' })
  // Whatever a hand does may change the page, even where nothing has to be worked out for it.
  for (const kind of ['click', 'keydown', 'input', 'resize']) window.addEventListener(kind, unsettle, { capture: true, passive: true })
  unsettle()
}
