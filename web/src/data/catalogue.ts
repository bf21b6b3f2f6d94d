import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { pedalKinds } from '@level-stance/core/stations/feet/pedal/kinds'
import type { PedalSpec } from '@level-stance/core/stations/feet/pedal/kinds'
import { cockpitKinds } from '@level-stance/core/stations/hands/cockpit/parts'
import type { CockpitSpec } from '@level-stance/core/stations/hands/cockpit/parts'
import { saddleKinds } from '@level-stance/core/stations/seat/saddle/kinds'
import type { SaddleSpec } from '@level-stance/core/stations/seat/saddle/kinds'
import { ApiError, api } from './client.ts'

/** What every part of a catalogue has. */
export interface PartSpec {
  readonly name: string
  readonly kind: string
  readonly note: string
}
/** An entry with the version a writer must have seen; 0 = not stored yet. */
export interface StoredPart<Spec extends PartSpec = PartSpec> {
  readonly entry: { readonly id: string; readonly spec: Spec; readonly removed: boolean }
  readonly version: number
}
/** What became of a save: stored, or why not; `theirs` where somebody else wrote first. */
export type SaveAnswer<Stored> =
  | { readonly ok: true }
  | {
      readonly ok: false
      readonly message: string
      readonly fields: readonly { readonly field: string; readonly message: string }[]
      readonly theirs: Stored | null
    }

/** What went wrong with a save, as the screens take it. */
export function refused<Stored>(error: unknown): Extract<SaveAnswer<Stored>, { ok: false }> {
  if (!(error instanceof ApiError)) {
    return { ok: false, message: error instanceof Error ? error.message : 'It was not stored.', fields: [], theirs: null }
  }
  const { code, message, fields, current } = error.body
  return { ok: false, message, fields, theirs: code === 'stale' ? ((current ?? null) as Stored | null) : null }
}

/** The studio's catalogue of one kind of part. */
function catalogueStore<Spec extends PartSpec>(path: string, kinds: readonly string[]) {
  /** In the order of the kinds, then by name. */
  const sorted = (rows: readonly StoredPart<Spec>[]): StoredPart<Spec>[] =>
    [...rows].sort(
      ({ entry: { spec: a } }, { entry: { spec: b } }) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind) || a.name.localeCompare(b.name),
    )

  return () => {
    const entries = shallowRef<readonly StoredPart<Spec>[]>([])
    const loaded = ref(false)
    const problem = ref<string | null>(null)
    const without = (id: string) => entries.value.filter((row) => row.entry.id !== id)

    async function load(): Promise<void> {
      try {
        const answer = await api<{ entries: StoredPart<Spec>[] }>('GET', path)
        entries.value = answer.entries
        loaded.value = true
        problem.value = null
      } catch (error) {
        problem.value = error instanceof Error ? error.message : 'The catalogue could not be read.'
      }
    }

    /** Stores an entry over the version it was read with, or removes it. */
    async function save(id: string, version: number, spec: Spec, removed = false): Promise<SaveAnswer<StoredPart<Spec>>> {
      try {
        const stored = await api<StoredPart<Spec>>('PUT', `${path}/${id}`, { version, spec, removed })
        entries.value = removed ? without(id) : sorted([...without(id), stored])
        return { ok: true }
      } catch (error) {
        const answer = refused<StoredPart<Spec>>(error)
        if (answer.theirs) entries.value = sorted([...without(id), ...(answer.theirs.entry.removed ? [] : [answer.theirs])])
        return answer
      }
    }

    return { entries, loaded, problem, load, save }
  }
}

export const usePedals = defineStore('pedals', catalogueStore<PedalSpec>('/pedals', pedalKinds))
export const useSaddles = defineStore('saddles', catalogueStore<SaddleSpec>('/saddles', saddleKinds))
export const useCockpit = defineStore('cockpit', catalogueStore<CockpitSpec>('/cockpit-parts', cockpitKinds))
