import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { MatResult } from '@level-stance/core/stations/seat/mat/analysis'
import { MAT_FILE_LIMIT } from '@level-stance/core/stations/seat/mat/format'
import type { MatHeader } from '@level-stance/core/stations/seat/mat/format'
import type { MatRider } from '@level-stance/core/simulate/matSimulation'
import { contract } from '@level-stance/core/contract/contract'
import { textOf } from './client.ts'
import type { MatAnswer, MatQuestion } from './workers/mat.ts'
import { startMatWorker } from './workers/startWorker.ts'
import { throttleByCost } from '../kit/throttleByCost.ts'
import { useAttachments } from './attachments.ts'
import { useVisit } from './visit.ts'

/** A recording with what it says. */
export interface Recording {
  readonly id: string
  readonly title: string
  readonly header: MatHeader
  readonly result: MatResult | null
}
const LIVE = 'live'

/** Pressure recordings of the open visit, analysed in a worker; and the simulated mat. */
export const useMat = defineStore('mat', () => {
  const visit = useVisit()
  const attachments = useAttachments()
  const said = shallowRef<ReadonlyMap<string, { header: MatHeader; result: MatResult | null }>>(new Map())
  const broken = ref<string | null>(null)
  const live = ref(false)
  const keeping = ref(false)
  /** the two that are looked at; null = the first and the last */
  const chosen = ref<{ before: string | null; after: string | null }>({ before: null, after: null })
  let worker: Worker | null = null
  let liveTitle = ''
  /** whose recording streams: it is kept there, whichever visit is open when it ends */
  let liveVisit: string | undefined

  const files = computed(() => attachments.list.filter((row) => row.kind === 'mat'))
  const recordings = computed<readonly Recording[]>(() =>
    files.value.flatMap(({ id, title }) => {
      const found = said.value.get(id)
      return found ? [{ id, title, ...found }] : []
    }),
  )
  const liveRecording = computed<Recording | null>(() => {
    const found = said.value.get(LIVE)
    return live.value && found ? { id: LIVE, title: 'Simulated, live', ...found } : null
  })
  const before = computed(() => recordings.value.find((row) => row.id === chosen.value.before) ?? recordings.value[0] ?? null)
  const after = computed(() => {
    if (liveRecording.value) return liveRecording.value
    const last = recordings.value.at(-1) ?? null
    const picked = recordings.value.find((row) => row.id === chosen.value.after) ?? last
    return picked && picked.id === before.value?.id ? null : picked
  })
  /** what the findings speak of: the newest */
  const current = computed(() => after.value ?? before.value)

  /** the newest that was measured on the rider */
  const measured = computed(() => [after.value, before.value].find((row) => row && !row.header.simulated) ?? null)

  const tell = ({ id, header, result }: Extract<MatAnswer, { kind: 'result' }>) =>
    (said.value = new Map(said.value).set(id, { header, result }))
  let newest: Extract<MatAnswer, { kind: 'result' }> | null = null
  /** A stream is shown as fast as the screen can, and leaves the hand its time. */
  const tellNewest = throttleByCost(() => newest && live.value && tell(newest), 0)

  function listen(): Worker {
    const started = startMatWorker()
    started.addEventListener('message', ({ data }: MessageEvent<MatAnswer>) => {
      if (data.kind === 'broken') broken.value = data.message
      else if (data.kind === 'recorded') void keep(data.text)
      else if (!data.live) tell(data)
      else if (live.value) {
        newest = data
        tellNewest()
      }
    })
    started.addEventListener('error', () => (broken.value = 'The recording could not be analysed here.'))
    return started
  }
  function ask(question: MatQuestion): void {
    worker ??= listen()
    // What Vue hands out may be wrapped; a message carries plain things. A file's text is one already, and long.
    worker.postMessage(question.kind === 'text' ? question : JSON.parse(JSON.stringify(question)))
  }

  /** Reads what the visit keeps; each recording once. */
  async function load(): Promise<void> {
    if (attachments.loadedFor !== visit.head?.visitId) await attachments.load()
    for (const { id } of files.value) {
      if (said.value.has(id)) continue
      try {
        ask({ kind: 'text', id, text: await textOf(contract.readAttachment, { params: { id } }) })
      } catch (error) {
        broken.value = error instanceof Error ? error.message : 'A recording could not be read.'
      }
    }
  }

  /** Takes a file: checked and kept by the server, then analysed. @returns what is wrong, or null */
  async function take(file: File): Promise<string | null> {
    broken.value = null
    if (file.size > MAT_FILE_LIMIT)
      return `The file has ${Math.ceil(file.size / 1024 / 1024)} MB; at most ${MAT_FILE_LIMIT / 1024 / 1024} are read.`
    if (file.size === 0) return 'The file is empty.'
    const added = await attachments.add('mat', file.name, file)
    if (typeof added === 'string') return added
    chosen.value = { ...chosen.value, after: added.id }
    await load()
    return null
  }

  function startLive(rider: MatRider, title: string): void {
    liveTitle = title
    liveVisit = visit.head?.visitId
    live.value = true
    ask({ kind: 'start', id: LIVE, rider })
  }
  function changeLive(rider: MatRider, title: string): void {
    liveTitle = title
    if (live.value) ask({ kind: 'change', rider })
  }
  function stopLive(): void {
    if (live.value) ask({ kind: 'stop' })
  }
  async function keep(text: string): Promise<void> {
    keeping.value = true
    const added = await attachments.add('mat', `Simulated: ${liveTitle}`, new Blob([text]), liveVisit)
    keeping.value = false
    live.value = false
    if (liveVisit !== visit.head?.visitId) return
    if (typeof added === 'string') {
      broken.value = added
      return
    }
    const found = said.value.get(LIVE)
    if (found) said.value = new Map(said.value).set(added.id, found)
    chosen.value = { ...chosen.value, after: added.id }
  }

  watch(
    () => visit.head?.visitId,
    () => {
      stopLive()
      said.value = new Map()
      broken.value = null
      chosen.value = { before: null, after: null }
    },
  )

  return {
    files,
    recordings,
    liveRecording,
    before,
    after,
    current,
    measured,
    chosen,
    broken,
    live,
    keeping,
    load,
    take,
    startLive,
    changeLive,
    stopLive,
  }
})
