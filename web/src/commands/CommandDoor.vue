<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { defineAsyncComponent, ref } from 'vue'
import { useGlossary } from '../stores/glossary.ts'
import type { Command } from './command.ts'

/** Ctrl+K anywhere, and the glossary: both are fetched when they are first opened. */
defineProps<{ commands: readonly Command[] }>()
const CommandList = defineAsyncComponent(() => import('./CommandList.vue'))
const GlossaryDrawer = defineAsyncComponent(() => import('../glossary/GlossaryDrawer.vue'))
const glossary = useGlossary()
const open = ref(false)
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return
  event.preventDefault()
  open.value = true
})
defineExpose({ show: () => (open.value = true) })
</script>

<template>
  <CommandList v-if="open" :commands="commands" @close="open = false" />
  <GlossaryDrawer v-if="glossary.asked" />
</template>
