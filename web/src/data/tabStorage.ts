import { keep } from '../kit/browserStorage.ts'
import type { PendingWrite } from './pendingWrite.ts'

const prefix = 'level-stance.outbox.'
const tabKey = 'level-stance.tab'

/**
 * Where this window keeps its unsent writes. Each window has its own place, so that two never send
 * the same write; a lock held for the window's life tells the others that its owner is still there.
 */
export function openTabStorage(): { read: () => PendingWrite[]; write: (queue: readonly PendingWrite[]) => void } {
  const id = { current: sessionStorage.getItem(tabKey) ?? crypto.randomUUID() }
  keep(() => sessionStorage.setItem(tabKey, id.current))
  void hold(id)
  return {
    read: () => readPlace(prefix + id.current),
    write: (queue) =>
      keep(() => {
        if (queue.length === 0) localStorage.removeItem(prefix + id.current)
        else localStorage.setItem(prefix + id.current, JSON.stringify(queue))
      }),
  }
}

/** Holds the window's lock; a duplicated tab, which inherits the id, takes a new one. */
async function hold(id: { current: string }): Promise<void> {
  const forever = () => new Promise<never>(() => {})
  await navigator.locks.request(prefix + id.current, { ifAvailable: true }, async (lock) => {
    if (lock) return forever()
    id.current = crypto.randomUUID()
    keep(() => sessionStorage.setItem(tabKey, id.current))
    void navigator.locks.request(prefix + id.current, forever)
  })
}

/** Unsent writes of windows that are gone. */
export async function adoptOrphans(): Promise<PendingWrite[]> {
  const own = prefix + (sessionStorage.getItem(tabKey) ?? '')
  const held = new Set(((await navigator.locks.query()).held ?? []).map((lock) => lock.name))
  const places = Object.keys(localStorage).filter((key) => key.startsWith(prefix) && key !== own && !held.has(key))
  const orphans = places.flatMap(readPlace)
  for (const place of places) localStorage.removeItem(place)
  return orphans
}

function readPlace(place: string): PendingWrite[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(place) ?? '[]')
    return Array.isArray(stored) ? (stored as PendingWrite[]) : []
  } catch {
    return []
  }
}
