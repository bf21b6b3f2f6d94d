/** @jest-environment jsdom */
import { freshVisit } from '@level-stance/core/record/dossier'
import { createPinia, setActivePinia } from 'pinia'
import type { Dossier } from '@level-stance/core/record/dossier'
import { aReading, testTime, uuid } from '@level-stance/core/testing'
import { useOutbox } from '../src/data/outbox.ts'
import { useVisit } from '../src/data/visit.ts'

const crank = aReading('crank', 'both', 167.5)
const held = (...readings: Dossier['readings']): Dossier => ({
  rider: { id: uuid(1), version: 1, name: 'Quick Reload', note: '' },
  bike: { id: uuid(2), version: 1, name: 'Tourer', kind: 'drop bar' },
  visit: {
    id: uuid(3),
    version: 1,
    ...freshVisit,
    startedAt: testTime,
  },
  readings,
  complaints: [],
  ledger: [],
  ratings: [],
  earlierVisits: 1,
  last: null,
})
const answer = (body: unknown) => ({ ok: true, status: 200, json: () => Promise.resolve(body) })

it('reads a visit again when a write lands while it is read, so that nothing typed is missing from the screen', async () => {
  localStorage.clear()
  Object.assign(globalThis.crypto, { randomUUID: () => uuid(99) })
  Object.assign(navigator, { locks: { request: () => new Promise(() => {}), query: () => Promise.resolve({ held: [] }) } })
  setActivePinia(createPinia())
  const reads: ((body: unknown) => void)[] = []
  Object.assign(globalThis, {
    fetch: (_: string, { method }: RequestInit) =>
      method === 'GET'
        ? new Promise((resolve) => reads.push((body) => resolve(answer(body))))
        : Promise.resolve(answer({ reading: crank, version: 1 })),
  })
  const visit = useVisit()
  const outbox = useOutbox()
  visit.dossier = held()
  visit.setReading(crank)
  // The window is loaded anew: nothing is shown yet, the write still waits.
  visit.dossier = null
  const opening = visit.open(uuid(3))
  outbox.flush()
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(outbox.pendingFor(uuid(3))).toEqual([])
  reads[0]!(held())
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(reads).toHaveLength(2)
  reads[1]!(held({ reading: crank, version: 1 }))
  await opening
  expect(visit.reading('crank', 'both')?.value).toBe(167.5)
})

it('keeps its readings the same object when the server answers what was written, so that a draw going on is not given up', () => {
  setActivePinia(createPinia())
  const visit = useVisit()
  visit.dossier = held({ reading: crank, version: 1 })
  const before = visit.readings
  visit.dossier = held({ reading: { ...crank }, version: 2 })
  expect(visit.readings).toBe(before)
  visit.dossier = held({ reading: { ...crank, value: 165 }, version: 3 })
  expect(visit.readings[0]?.value).toBe(165)
})
