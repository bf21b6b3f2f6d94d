<script setup lang="ts">
import { Drawer, Input } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import TermDrawing from './TermDrawing.vue'
import { useGlossary } from './glossaryStore.ts'
import { termOf, termsWith } from './terms.ts'
import type { TermKey } from './terms.ts'

/** The words of the trade, each with its drawing, over the page that is open. */
const glossary = useGlossary()
const typed = ref('')
const found = computed(() => termsWith(typed.value))
watch(
  () => [glossary.open, glossary.term] as const,
  async ([open, term]) => {
    if (!open) return
    typed.value = ''
    await nextTick()
    if (term) goTo(term)
  },
  { immediate: true },
)
/** How many frames the drawer may take to be there. */
const FRAMES = 30
function goTo(term: TermKey, frames = FRAMES): void {
  const row = document.getElementById(`term-${term}`)
  // Not every browser without a screen can scroll.
  if (row && row.getClientRects().length > 0) row.scrollIntoView?.({ block: 'start' })
  else if (frames > 0) requestAnimationFrame(() => goTo(term, frames - 1))
}
</script>

<template>
  <Drawer :open="glossary.open" title="Glossary" placement="right" :width="460" @close="glossary.open = false">
    <Input v-model:value="typed" allow-clear placeholder="Search" aria-label="Search the glossary" />
    <dl>
      <div v-for="key in found" :id="`term-${key}`" :key="key" class="term" :class="{ asked: key === glossary.term }" :data-term="key">
        <dt>{{ termOf(key).term }}</dt>
        <dd class="drawing"><TermDrawing :term="key" /></dd>
        <dd>{{ termOf(key).says }}</dd>
      </div>
    </dl>
    <p v-if="found.length === 0" class="muted" role="status">No term with these words.</p>
  </Drawer>
</template>

<style scoped>
dl {
  margin: 12px 0 0;
}
.term {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  grid-template-rows: auto 1fr;
  column-gap: 14px;
  padding: 10px 8px;
  border-bottom: 1px solid var(--line);
}
.asked {
  background: var(--petrol-soft);
}
dt {
  grid-column: 2;
  font-weight: 600;
}
.drawing {
  grid-area: 1 / 1 / 3 / 2;
}
dd {
  margin: 0;
  font-size: 15px;
  line-height: 1.35;
}
</style>
