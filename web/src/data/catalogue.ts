import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { catalogueOf } from '@level-stance/core/stations/catalogues'
import type { CatalogueKey, SpecOf } from '@level-stance/core/stations/catalogues'
import { catalogueRoutes } from '@level-stance/core/contract/contract'
import type { StoredPart } from '@level-stance/core/contract/contract'
import type { AnswerOf } from '@level-stance/core/contract/route'
import { ApiError, ask, storedInstead } from './client.ts'
import type { JsonRoute } from './client.ts'

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
export function refused<Row extends JsonRoute>(row: Row, error: unknown): Extract<SaveAnswer<AnswerOf<Row>>, { ok: false }> {
  if (!(error instanceof ApiError)) {
    return { ok: false, message: error instanceof Error ? error.message : 'It was not stored.', fields: [], theirs: null }
  }
  const { message, fields } = error.body
  return { ok: false, message, fields, theirs: storedInstead(row, error) }
}

/** The studio's catalogue of one sort of part. */
function catalogueStore<Key extends CatalogueKey>(key: Key) {
  type Spec = SpecOf<Key>
  const { kinds } = catalogueOf(key)
  const routes = catalogueRoutes(key)
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
        const answer = await ask(routes.list, {})
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
        const stored = await ask(routes.write, { params: { id }, body: { version, spec, removed } })
        entries.value = removed ? without(id) : sorted([...without(id), stored])
        return { ok: true }
      } catch (error) {
        const answer = refused(routes.write, error)
        if (answer.theirs) entries.value = sorted([...without(id), ...(answer.theirs.entry.removed ? [] : [answer.theirs])])
        return answer
      }
    }

    return { entries, loaded, problem, load, save }
  }
}

export const usePedals = defineStore('pedals', catalogueStore('pedals'))
export const useSaddles = defineStore('saddles', catalogueStore('saddles'))
export const useCockpit = defineStore('cockpit-parts', catalogueStore('cockpit-parts'))
