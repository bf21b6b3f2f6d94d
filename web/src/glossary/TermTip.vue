<script setup lang="ts">
import { isTerm } from '@level-stance/core/readings/table/terms'
import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { defineAsyncComponent, shallowRef } from 'vue'
import type { TermKey } from './terms.ts'

/** What a marked word means, shown where a pointer rests on it or a finger taps it. */
const TermCard = defineAsyncComponent(() => import('./TermCard.vue'))
const RESTS = 350
const LEAVES = 200

interface Asked {
  readonly term: TermKey
  readonly box: Readonly<Pick<DOMRect, 'left' | 'top' | 'width' | 'height'>>
}
const shown = shallowRef<Asked | null>(null)
let next: Asked | null = null
const opening = useTimeoutFn(() => (shown.value = next), RESTS, { immediate: false })
const leaving = useTimeoutFn(() => (shown.value = null), LEAVES, { immediate: false })
function close(): void {
  opening.stop()
  leaving.stop()
  shown.value = null
}
function askedAt(target: EventTarget | null): Asked | null {
  const word = target instanceof Element ? target.closest<HTMLElement>('[data-means]') : null
  if (word === null) return null
  const { left, top, width, height } = word.getBoundingClientRect()
  const term = word.dataset['means'] ?? ''
  return isTerm(term) ? { term, box: { left, top, width, height } } : null
}
const isOnButton = (target: EventTarget | null) => target instanceof Element && target.closest('button, a, label, [role="button"]') !== null
const onCard = (target: EventTarget | null) => target instanceof Element && target.closest('.term-tip') !== null

useEventListener(document, 'pointerover', (event: PointerEvent) => {
  if (event.pointerType === 'touch') return
  opening.stop()
  if (onCard(event.target)) return leaving.stop()
  next = askedAt(event.target)
  if (next === null) {
    if (shown.value !== null) leaving.start()
    return
  }
  leaving.stop()
  // From one word to the next the card goes along; a hand that works is not in its way.
  if (event.buttons === 0) opening.start()
})
useEventListener(document, 'click', (event: MouseEvent) => {
  if (onCard(event.target)) return
  const asked = askedAt(event.target)
  // A word on a button or beside a field does what the button or the field does.
  if (asked === null || isOnButton(event.target)) close()
  else shown.value = asked
})
useEventListener(window, 'keydown', close)
useEventListener(window, 'scroll', close, { capture: true, passive: true })
</script>

<template>
  <TermCard v-if="shown" :key="`${shown.term} ${shown.box.left} ${shown.box.top}`" :term="shown.term" :box="shown.box" @glossary="close" />
</template>
