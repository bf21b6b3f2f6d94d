import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, watchEffect } from 'vue'
import type { LengthUnit } from '@level-stance/core/quantity/entry'

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
  return { unit, scheme, dark, toggleScheme }
})
