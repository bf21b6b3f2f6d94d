<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { defineAsyncComponent, ref } from 'vue'
import TermTip from '../../glossary/TermTip.vue'
import { useGlossary } from '../../glossary/glossaryStore.ts'
import type { Command } from './command.ts'

/** Ctrl+K anywhere, and the glossary: both are fetched when they are first opened. */
defineProps<{ commands: readonly Command[] }>()
const CommandList = defineAsyncComponent({
  loader: () => import('./CommandList.vue'),
  // Not there to be fetched: the keys are the page's again.
  onError: (_error, _retry, fail) => {
    close()
    fail()
  },
})
const GlossaryDrawer = defineAsyncComponent(() => import('../../glossary/GlossaryDrawer.vue'))
const glossary = useGlossary()
const open = ref(false)
/** what was typed before the list had the focus; null once it has */
const early = ref<string | null>(null)
function show(): void {
  if (open.value) return
  early.value = ''
  open.value = true
}
function close(): void {
  open.value = false
  early.value = null
}
// A hand does not wait for the list to be fetched: what it types goes into the field, and none of it is a key of the page.
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    if (early.value === null || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    event.stopImmediatePropagation()
    if (event.key === 'Escape') close()
    else if (event.key === 'Backspace') early.value = early.value.slice(0, -1)
    else if (event.key.length === 1) early.value += event.key
  },
  { capture: true },
)
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return
  event.preventDefault()
  show()
})
defineExpose({ show })
</script>

<template>
  <CommandList v-if="open" :commands="commands" :early="early ?? ''" @ready="early = null" @close="close" />
  <GlossaryDrawer v-if="glossary.asked" />
  <TermTip />
</template>
