import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { Attachment, AttachmentFields, AttachmentKind } from '@level-stance/core/record/attachments'
import { contract } from '@level-stance/core/contract/contract'
import { ask } from './client.ts'
import { once } from './keptId.ts'
import { refused } from './catalogue.ts'
import type { SaveAnswer } from './catalogue.ts'
import { useLastRemoved } from './lastRemoved.ts'
import { useVisit } from './visit.ts'

/** Pictures and recordings kept with the open visit. */
export const useAttachments = defineStore('attachments', () => {
  const visit = useVisit()
  const lastRemoved = useLastRemoved()
  const list = shallowRef<readonly Attachment[]>([])
  const loadedFor = ref<string | null>(null)
  const problem = ref<string | null>(null)

  async function load(): Promise<void> {
    const visitId = visit.head?.visitId
    if (visitId === undefined) return
    try {
      const { attachments } = await ask(contract.listAttachments, { params: { visitId } })
      if (visit.head?.visitId !== visitId) return
      list.value = attachments
      loadedFor.value = visitId
      problem.value = null
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'Pictures and recordings could not be read.'
    }
  }
  watch(
    () => visit.head?.visitId,
    () => {
      list.value = []
      loadedFor.value = null
    },
  )

  /** Keeps a file with a visit, the open one unless another is named; @returns it, or why not. */
  async function add(kind: AttachmentKind, title: string, file: Blob, visitId = visit.head?.visitId): Promise<Attachment | string> {
    if (visitId === undefined) return 'No visit is open.'
    const named = title.slice(0, 120) || 'Without a name'
    try {
      const added = await once(`attachment:${visitId}:${kind}:${named}:${file.size}`, (id) =>
        ask(contract.addAttachment, { params: { visitId }, query: { id, kind, title: named }, body: file }),
      )
      if (visit.head?.visitId === visitId) list.value = [...list.value.filter((other) => other.id !== added.id), added]
      return added
    } catch (error) {
      return error instanceof Error ? error.message : 'It was not stored.'
    }
  }

  /** Writes over the version that is known, and says what is stored. */
  const put = (row: Attachment, change: Partial<AttachmentFields>, removed: boolean) => {
    const { title, marks } = { ...row, ...change }
    return ask(contract.writeAttachment, { params: { id: row.id }, body: { version: row.version, title, marks, removed } })
  }

  /** Writes title and marks, or removes; somebody else's newer version is taken and said. */
  async function write(id: string, change: Partial<AttachmentFields>, removed = false): Promise<SaveAnswer<Attachment>> {
    const now = list.value.find((row) => row.id === id)
    if (!now) return { ok: false, message: 'It is no longer there.', fields: [], theirs: null }
    try {
      const stored = await put(now, change, removed)
      list.value = removed ? list.value.filter((row) => row.id !== id) : list.value.map((row) => (row.id === id ? stored : row))
      const visitId = visit.head?.visitId
      if (removed) lastRemoved.offer(`${stored.title} removed.`, () => restore(stored, visitId))
      return { ok: true }
    } catch (error) {
      const answer = refused(contract.writeAttachment, error)
      if (answer.theirs) list.value = list.value.map((row) => (row.id === id && answer.theirs ? answer.theirs : row))
      return answer
    }
  }

  /** Brings back what was removed. */
  async function restore(removed: Attachment, visitId: string | undefined): Promise<void> {
    try {
      const stored = await put(removed, {}, false)
      if (visit.head?.visitId === visitId) list.value = [...list.value, stored]
    } catch (error) {
      problem.value = refused(contract.writeAttachment, error).message
    }
  }

  return { list, loadedFor, problem, load, add, write }
})
