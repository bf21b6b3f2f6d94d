import { fieldOf } from '@level-stance/core/kernel/tables'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { ApiError, UnreachableServer } from './client.ts'
import { readingIdentity } from '@level-stance/core/readings/readingPlace'
import { afterFrame } from '../kit/afterFrame.ts'
import { sendWrite, sentBy } from './pendingWrite.ts'
import type { PendingWrite, WriteAnswer } from './pendingWrite.ts'
import { adoptOrphans, openTabStorage } from './tabStorage.ts'

export type SaveState = 'saved' | 'saving' | 'unreachable' | 'conflict' | 'failed'
/** Hears what became of a write; null where it was refused. */
type Landed = (write: PendingWrite, answer: WriteAnswer | null) => void

const firstRetry = 400
const longestRetry = 4000
/** A write that the server fails on this often is set aside, and the rest goes on. */
const mostTries = 3
/** Answers of whatever stands before a server that is away: the write itself is not to blame. */
const awayStatus: readonly number[] = [502, 503, 504]
/** Typing settles for this long before a write leaves. */
const settle = 350

/**
 * Autosave: one queue per window, kept in local storage until the server has answered. Writes go
 * one at a time in order; a stale one, and one that the server keeps failing on, wait for the
 * fitter's choice and do not hold up the rest.
 */
export const useOutbox = defineStore('outbox', () => {
  const storage = openTabStorage()
  const queue = ref<PendingWrite[]>(storage.read())
  const inFlight = ref<PendingWrite | null>(null)
  const reachable = ref(true)
  const refused = ref<(Pick<PendingWrite, 'label' | 'visitId' | 'whose'> & { readonly message: string })[]>([])
  const listeners = new Set<Landed>()
  let timer: ReturnType<typeof setTimeout> | null = null
  let wait = firstRetry

  const conflicts = computed(() => queue.value.filter((write) => write.conflict !== undefined))
  /** writes the server keeps failing on */
  const broken = computed(() => queue.value.filter(isBroken))
  const state = computed<SaveState>(() => {
    if (conflicts.value.length > 0) return 'conflict'
    if (broken.value.length > 0) return 'failed'
    if (queue.value.length === 0 && inFlight.value === null) return 'saved'
    return reachable.value ? 'saving' : 'unreachable'
  })

  /** Puts what is unsent into the storage, once the screen has shown it. */
  const persist = afterFrame(() => {
    storage.write(
      inFlight.value
        ? [inFlight.value, ...queue.value.filter((w) => w.key !== inFlight.value?.key), ...laterOf(inFlight.value)]
        : queue.value,
    )
  })

  function laterOf(write: PendingWrite): PendingWrite[] {
    return queue.value.filter((other) => other.key === write.key)
  }

  /** Takes a write; it is kept here from this moment on. */
  function put(given: PendingWrite): void {
    const write = { ...given, id: crypto.randomUUID() }
    const index = queue.value.findIndex((other) => other.key === write.key)
    const waiting = queue.value[index]
    if (waiting) {
      // The version a writer has seen stays that of the first unsaved write.
      const seen = waiting.body['version'] === undefined ? {} : { version: waiting.body['version'] }
      const { conflict, unanswered } = waiting
      const kept = { ...(conflict ? { conflict } : {}), ...(unanswered ? { unanswered } : {}) }
      queue.value.splice(index, 1, { ...write, body: { ...write.body, ...seen }, ...kept })
    } else queue.value.push(write)
    persist()
    schedule(write.kind === 'ledger' ? 0 : settle)
  }

  function schedule(delay: number): void {
    if (timer !== null) clearTimeout(timer)
    timer = setTimeout(() => void sendNext(), reachable.value ? delay : Math.max(delay, wait))
  }

  /** Sends what waits without waiting for typing to settle. */
  function flush(): void {
    if (queue.value.length > 0 && reachable.value) schedule(0)
  }

  /** The change a reading was taken after has not reached the server: the reading waits for it. */
  function waitsForChange(write: PendingWrite): boolean {
    const after = readAfter(write)
    return after !== null && queue.value.some((other) => entryId(other) === after)
  }
  const nextIndex = () => queue.value.findIndex((write) => write.conflict === undefined && !isBroken(write) && !waitsForChange(write))

  async function sendNext(): Promise<void> {
    if (inFlight.value !== null) return
    const index = nextIndex()
    const write = queue.value[index]
    if (!write) return
    queue.value.splice(index, 1)
    inFlight.value = write
    persist()
    try {
      const answer = await sendWrite(write)
      inFlight.value = null
      reachable.value = true
      wait = firstRetry
      if (answer.kind !== 'ledger') carryVersion(write.key, answer.row.version)
      persist()
      for (const heard of listeners) heard(write, answer)
    } catch (error) {
      inFlight.value = null
      failed(write, error)
    }
    const next = queue.value[nextIndex()]
    if (next) schedule(next.failed ? firstRetry * next.failed.tries : 0)
  }

  /** A newer write to the same thing goes over the version just stored. */
  function carryVersion(key: string, version: number): void {
    queue.value = queue.value.map((other) => (other.key === key && !other.adopted ? { ...other, body: { ...other.body, version } } : other))
  }

  function failed(write: PendingWrite, error: unknown): void {
    // What a closed window left is never newer than what was typed here: it has a key of its own.
    const newer = queue.value.find((other) => other.key === write.key)
    const last = newer ?? write
    const others = queue.value.filter((other) => other.key !== write.key)
    if (error instanceof ApiError && error.body.code === 'stale') {
      const { current } = error.body
      // The server has told its own from ours: what it calls stale is another's.
      const { unanswered: _, ...rest } = last
      queue.value = [{ ...rest, conflict: { current } }, ...others]
    } else if (error instanceof UnreachableServer || (error instanceof ApiError && awayStatus.includes(error.status))) {
      reachable.value = false
      wait = Math.min(wait * 2, longestRetry)
      // The answer may have been lost on its way back.
      const again = { ...last, unanswered: [...(write.unanswered ?? []), ...(write.id === undefined ? [] : [write.id])].slice(-5) }
      queue.value = newer ? queue.value.map((other) => (other === newer ? again : other)) : [again, ...queue.value]
    } else if (error instanceof ApiError && error.status >= 500) {
      // What was typed meanwhile may be what the server can store.
      if (!newer) queue.value.push({ ...write, failed: { tries: (write.failed?.tries ?? 0) + 1, message: error.message } })
    } else if (error instanceof ApiError && [400, 413, 422].includes(error.status) && staysInField(write)) {
      // What is refused stays where it was typed, with the reason; typed anew it is sent again.
      if (!newer) queue.value.push({ ...write, failed: { tries: mostTries, message: error.message, isRefused: true } })
    } else {
      refused.value.push({
        label: write.label,
        visitId: write.visitId,
        ...(write.whose === undefined ? {} : { whose: write.whose }),
        message: error instanceof Error ? error.message : 'It was refused.',
      })
      for (const heard of listeners) heard(write, null)
    }
    persist()
  }

  /** Writes this window's value over what is stored. */
  function keepMine(key: string): void {
    queue.value = queue.value.map((write) => {
      if (write.key !== key || !write.conflict) return write
      const { conflict, ...rest } = write
      return over(rest, conflict.current)
    })
    persist()
    schedule(0)
  }

  /** Drops this window's value; the caller shows what is stored. */
  function takeTheirs(key: string): PendingWrite | null {
    const write = [...conflicts.value, ...broken.value].find((other) => other.key === key) ?? null
    queue.value = queue.value.filter((other) => other.key !== key)
    if (write) replace(write)
    persist()
    schedule(0)
    return write
  }

  /** Tries once more what the server failed on. */
  function tryAgain(key: string): void {
    queue.value = queue.value.map((write) => {
      if (write.key !== key) return write
      const { failed: _, ...rest } = write
      return rest
    })
    persist()
    schedule(0)
  }

  /** Readings taken after a change that was given up stand after the last one that is stored. */
  function replace(given: PendingWrite): void {
    const lost = entryId(given)
    if (lost === null) return
    const kept = given.conflict?.current
    const last: unknown = Array.isArray(kept) ? fieldOf(kept.at(-1), 'id') : null
    const after = typeof last === 'string' ? last : null
    queue.value = queue.value.map((write) => {
      const given = sentBy('reading', write)?.reading
      if (given?.after !== lost) return write
      const reading = { ...given, after }
      return { ...write, key: `reading:${write.visitId}:${readingIdentity(reading)}`, body: { version: 0, reading } }
    })
  }

  function onLanded(heard: Landed): () => void {
    listeners.add(heard)
    return () => listeners.delete(heard)
  }

  /** Writes of a visit that the server has not answered yet, oldest first. */
  function pendingFor(visitId: string): PendingWrite[] {
    return [...(inFlight.value ? [inFlight.value] : []), ...queue.value].filter((write) => write.visitId === visitId)
  }

  function dismissRefusal(index: number): void {
    refused.value.splice(index, 1)
  }

  void adoptOrphans().then((orphans) => {
    if (orphans.length === 0) return
    queue.value.push(...orphans.map(asAdopted))
    persist()
    schedule(0)
  })
  if (queue.value.length > 0) schedule(0)
  window.addEventListener('online', flush)

  return { state, conflicts, broken, refused, put, flush, keepMine, takeTheirs, tryAgain, onLanded, pendingFor, dismissRefusal }
})

/** A write that a closed window left: a thing of its own beside what is typed here, so that both are kept and asked about. */
const asAdopted = (orphan: PendingWrite): PendingWrite =>
  orphan.adopted ? orphan : { ...orphan, key: `${orphan.key}#${orphan.id ?? crypto.randomUUID()}`, adopted: true }

/** What a write is about, whoever made it. */
export const thingOf = ({ key }: Pick<PendingWrite, 'key'>): string => key.split('#')[0] ?? key

/** A value with a field to stand in; an entry of the ledger that is refused is not in force. */
const staysInField = ({ kind }: PendingWrite): boolean => ['reading', 'complaint', 'visit', 'rating'].includes(kind)

const isBroken = ({ failed }: PendingWrite): boolean => (failed?.tries ?? 0) >= mostTries

/** A write over what is stored now. */
function over(write: PendingWrite, current: unknown): PendingWrite {
  const version = fieldOf(current, 'version')
  const seen = Array.isArray(current) ? { after: current.length } : { version: typeof version === 'number' ? version : 0 }
  return { ...write, body: { ...write.body, ...seen } }
}

/** The ledger entry a waiting reading was taken after; null where it is no reading, or of the start. */
function readAfter(write: PendingWrite): string | null {
  return sentBy('reading', write)?.reading.after ?? null
}
/** The id of a waiting ledger entry; null for anything else. */
function entryId(write: PendingWrite): string | null {
  return sentBy('ledger', write)?.entry.id ?? null
}
