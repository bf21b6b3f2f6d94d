import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { CatalogueEntry, PedalSpec } from '@level-stance/core/feet/pedalKinds'
import { ApiError, api } from '../api/client.ts'

/** An entry with the version a writer must have seen; 0 = not stored yet. */
export interface StoredPedal {
  readonly entry: CatalogueEntry
  readonly version: number
}
/** What became of a save: stored, or why not; `theirs` where somebody else wrote first. */
export type SaveAnswer =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly fields: readonly { readonly field: string; readonly message: string }[]; readonly theirs: StoredPedal | null } // prettier-ignore

/** The studio's catalogue of pedal systems. */
export const usePedals = defineStore('pedals', () => {
  const entries = shallowRef<readonly StoredPedal[]>([])
  const loaded = ref(false)
  const problem = ref<string | null>(null)

  async function load(): Promise<void> {
    try {
      const answer = await api<{ entries: StoredPedal[] }>('GET', '/pedals')
      entries.value = answer.entries
      loaded.value = true
      problem.value = null
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The catalogue could not be read.'
    }
  }

  /** Stores an entry over the version it was read with, or removes it. */
  async function save(id: string, version: number, spec: PedalSpec, removed = false): Promise<SaveAnswer> {
    try {
      const stored = await api<StoredPedal>('PUT', `/pedals/${id}`, { version, spec, removed })
      const others = entries.value.filter((row) => row.entry.id !== id)
      entries.value = removed ? others : sorted([...others, stored])
      return { ok: true }
    } catch (error) {
      if (!(error instanceof ApiError)) {
        return { ok: false, message: error instanceof Error ? error.message : 'It was not stored.', fields: [], theirs: null }
      }
      const { code, message, fields, current } = error.body
      const theirs = code === 'stale' ? ((current ?? null) as StoredPedal | null) : null
      if (theirs) entries.value = sorted([...entries.value.filter((row) => row.entry.id !== id), ...(theirs.entry.removed ? [] : [theirs])])
      return { ok: false, message, fields, theirs }
    }
  }

  return { entries, loaded, problem, load, save }
})

function sorted(rows: readonly StoredPedal[]): StoredPedal[] {
  return [...rows].sort((a, b) => a.entry.spec.kind - b.entry.spec.kind || a.entry.spec.name.localeCompare(b.entry.spec.name))
}
