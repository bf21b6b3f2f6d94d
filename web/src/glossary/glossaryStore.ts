import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { TermKey } from './terms.ts'

/** The glossary over whatever page is open. */
export const useGlossary = defineStore('glossary', () => {
  const open = ref(false)
  /** it was opened once */
  const asked = ref(false)
  /** the term it was opened for */
  const term = ref<TermKey | null>(null)
  function show(of: TermKey | null = null): void {
    term.value = of
    asked.value = true
    open.value = true
  }
  return { open, asked, term, show }
})
