import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, watchEffect } from 'vue'
import { lengthWords } from '@level-stance/core/kernel/entry'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import { inUnit } from '@level-stance/core/kernel/inUnit'

/** How this fitter likes the screen; kept in this browser. */
export const usePreferences = defineStore('preferences', () => {
  const unit = useLocalStorage<LengthUnit>('level-stance.unit', 'mm')
  const scheme = useLocalStorage<'system' | 'light' | 'dark'>('level-stance.scheme', 'system')
  const systemDark = usePreferredDark()
  const dark = computed(() => (scheme.value === 'system' ? systemDark.value : scheme.value === 'dark'))
  watchEffect(() => {
    document.documentElement.dataset['scheme'] = dark.value ? 'dark' : 'light'
  })
  function toggleScheme() {
    scheme.value = dark.value ? 'light' : 'dark'
  }
  /** A sentence of the core, which speaks millimetres, in the unit in use. */
  const said = (words: string): string => inUnit(words, unit.value)
  /** A length with its unit; to so many decimals of a millimetre, or hundredths of an inch. */
  const length = (mm: number, decimals = 0): string => lengthWords(mm, unit.value, unit.value === 'mm' ? decimals : 2)
  return { unit, said, length, scheme, dark, toggleScheme }
})
