import { RouterLinkStub, mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import type { Component } from 'vue'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import type { Reading } from '@level-stance/core/readings/reading'
import { freshVisit } from '@level-stance/core/record/dossier'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { Complaint, Rating } from '@level-stance/core/talk/complaint'
import { readingsWith, testTime, uuid } from '@level-stance/core/testing'
import { createPinia, setActivePinia } from 'pinia'
import { useVisit } from '../src/data/visit.ts'

type Reply = (path: string, method: string) => { status: number; body: unknown }
/** A stand-in for the server: notes what it is asked, and never answers unless a test says what. */
export const server = {
  asked: [] as { path: string; method: string; body: string }[],
  reply: null as Reply | null,
}

/** For `beforeEach`: nothing is kept from the test before. */
export function freshWindow(): void {
  // A store of the test before that still waits for its time would make itself the active one.
  for (let id = Number(setTimeout(() => {})); id > 0; id--) clearTimeout(id)
  localStorage.clear()
  sessionStorage.clear()
  server.asked = []
  server.reply = null
  let n = 900
  Object.assign(globalThis.crypto, { randomUUID: () => uuid((n += 1)) })
  // Nothing is laid out here, so nothing can be scrolled to.
  Object.assign(Element.prototype, { scrollIntoView() {} })
  Object.assign(navigator, { locks: { request: () => new Promise(() => {}), query: () => Promise.resolve({ held: [] }) } })
  Object.assign(globalThis, {
    Worker: class {
      addEventListener() {}
      postMessage() {}
    },
    // What a worker is given to call back: nothing comes back here.
    MessageChannel: class {
      port1 = { addEventListener() {}, start() {} }
      port2 = {}
    },
    ResizeObserver: class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
    matchMedia: () => ({ matches: false, addListener() {}, removeListener() {}, addEventListener() {}, removeEventListener() {} }),
    fetch: (path: string, init: RequestInit) => {
      server.asked.push({ path, method: String(init.method), body: typeof init.body === 'string' ? init.body : '' })
      if (server.reply === null) return new Promise(() => {})
      const { status, body } = server.reply(path, String(init.method))
      return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) })
    },
  })
  setActivePinia(createPinia())
}

/** What a test says of the visit it opens; the rest is the example rider. */
export interface Opened {
  readonly readings?: readonly Reading[]
  readonly complaints?: readonly Complaint[]
  readonly ledger?: readonly LedgerEntry[]
  readonly ratings?: readonly Rating[]
  readonly kind?: Dossier['bike']['kind']
}

/** A complaint with nothing unusual about it but what a test says. */
export function aComplaint(n: number, more: Partial<Complaint>): Complaint {
  return {
    id: uuid(n),
    places: [{ region: 'forefoot', side: 'both' }],
    control: null,
    kind: 'numb',
    startsAfter: 40,
    situation: 'anywhere',
    severity: 6,
    since: null,
    changed: [],
    tried: [],
    note: '',
    warnings: {},
    ...more,
  }
}

/** Opens a visit of the example rider. */
export function openVisit({ readings = readingsWith({}), complaints = [], ledger = [], ratings = [], kind = 'drop bar' }: Opened = {}) {
  const visit = useVisit()
  const dossier: Dossier = {
    rider: { id: uuid(1), version: 1, name: 'Test Rider', note: '' },
    bike: { id: uuid(2), version: 1, name: 'Tourer', kind },
    visit: { id: uuid(3), version: 1, ...freshVisit, startedAt: testTime },
    readings: readings.map((reading) => ({ reading, version: 1 })),
    complaints: complaints.map((complaint) => ({ complaint, removed: false, version: 1 })),
    ledger: [...ledger],
    ratings: ratings.map((rating) => ({ rating, version: 1 })),
    earlierVisits: 1,
    last: null,
  }
  visit.dossier = dossier
  return visit
}

let last: { unmount: () => void } | null = null
/** A part of the screen in the document, so that focus and labels work; what was shown before is gone. */
export function shown<Props extends object>(component: Component, props: Props) {
  last?.unmount()
  document.body.innerHTML = ''
  const at = mount(component, {
    props: props as Record<string, unknown>,
    attachTo: document.body,
    global: { stubs: { RouterLink: RouterLinkStub } },
  })
  last = at
  return at
}

/** The frame of a key press is over, and what follows from it is on the screen. */
export const followed = () =>
  new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(() => setTimeout(() => void nextTick(resolve)))))
/** The hand has come to rest, and the words are said. */
export const rested = async () => {
  await followed()
  await new Promise((resolve) => setTimeout(resolve, 190))
}
