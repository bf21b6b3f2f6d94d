import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { sayCannotKeep } from '../kit/browserStorage.ts'

/**
 * Texts typed into fields that are not (yet) values: half a number, a wrong unit, a form not sent.
 * Kept in this browser so that a reload finds them as they were left.
 */
export const useDrafts = defineStore('drafts', () => {
  const texts = useLocalStorage<Record<string, string>>('level-stance.drafts', {}, { onError: sayCannotKeep })
  const get = (place: string): string | null => texts.value[place] ?? null
  function set(place: string, text: string): void {
    texts.value = { ...texts.value, [place]: text }
  }
  function clear(place: string): void {
    if (texts.value[place] === undefined) return
    const { [place]: _, ...rest } = texts.value
    texts.value = rest
  }
  const any = (prefix: string): boolean => Object.keys(texts.value).some((place) => place.startsWith(prefix))
  return { get, set, clear, any }
})
