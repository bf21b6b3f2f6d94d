import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, watchEffect } from 'vue'
import { lengthWords } from '@level-stance/core/kernel/entry'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import { plain as plainIn } from '@level-stance/core/kernel/message'
import { keysOf } from '@level-stance/core/kernel/tables'
import { readingWays } from '@level-stance/core/readings/table/readingBands'
import type { ReadingWay } from '@level-stance/core/readings/table/readingBands'
import type { Message } from '@level-stance/core/kernel/message'

/** How this fitter likes the screen; kept in this browser. */
export const usePreferences = defineStore('preferences', () => {
  const unit = useLocalStorage<LengthUnit>('level-stance.unit', 'mm')
  const scheme = useLocalStorage<'system' | 'light' | 'dark'>('level-stance.scheme', 'system')
  /** whether legs are read held still or pedalling, once the fitter has said so */
  const way = useLocalStorage<string>('level-stance.reading-way', '')
  const readingWay = computed(() => keysOf(readingWays).find((key) => key === way.value) ?? null)
  const readLegs = (chosen: ReadingWay) => (way.value = chosen)
  const systemDark = usePreferredDark()
  const dark = computed(() => (scheme.value === 'system' ? systemDark.value : scheme.value === 'dark'))
  watchEffect(() => {
    document.documentElement.dataset['scheme'] = dark.value ? 'dark' : 'light'
  })
  function toggleScheme() {
    scheme.value = dark.value ? 'light' : 'dark'
  }
  /** A message as plain text in the unit in use. */
  const plain = (message: Message): string => plainIn(message, unit.value)
  /** A length with its unit; to so many decimals of a millimetre, or hundredths of an inch. */
  const length = (mm: number, decimals = 0): string => lengthWords(mm, unit.value, unit.value === 'mm' ? decimals : 2)
  return { unit, readingWay, readLegs, plain, length, scheme, dark, toggleScheme }
})
